package undoknot.scan;

import java.util.Arrays;

/** What was measured at one dash's place, before the channel's usual dash is known. Areas are density × pitches. */
final class Dash {

    /** A dash is looked at in so many parts along its length. */
    static final int PARTS = 8;

    boolean offPicture;
    /** Own ink across the dash, and how far off its place it lies, pitches. */
    double area;

    double offset;
    /** Own ink on its line beyond its ends. */
    double gap;
    /** Share of the ink that the neighbouring rows cannot have put there. */
    double own;

    /** By how much the middle of the ink moves from one end to the other, pitches; a dash lies along its line. */
    double slant;

    int partsInked;
    /** Density of another ink on it. */
    double foreign;
    /** Ink of any colour in each part, against the layout's ink laid on full. */
    final double[] any = new double[PARTS];
    /** The same on the bare paper after its end. */
    double anyGap;
    /** Change of light in each part, by colour. */
    final float[][] change = new float[PARTS][];

    /** Ink of any colour in the middle of its parts. */
    double anyInk() {
        double[] sorted = any.clone();
        Arrays.sort(sorted);
        return (sorted[PARTS / 2 - 1] + sorted[PARTS / 2]) / 2;
    }

    /** How many parts have more of any ink than this. */
    int partsAbove(double limit) {
        return (int) Arrays.stream(any).filter(a -> a > limit).count();
    }

    /** Whether the parts above a limit are the first ones or the last ones of the dash, without a hole. */
    boolean fromOneEnd(double limit) {
        int changes = 0;
        for (int i = 1; i < PARTS; i++) {
            changes += any[i] > limit != any[i - 1] > limit ? 1 : 0;
        }
        return changes == 1;
    }

    /** Change of light, by colour, as the mean of its parts above a limit; of all parts when none is. */
    float[] colour(double limit) {
        float[] sum = new float[3];
        int count = 0;
        for (int pass = 0; pass < 2 && count == 0; pass++) {
            for (int i = 0; i < PARTS; i++) {
                if (any[i] > limit || pass == 1) {
                    count++;
                    for (int k = 0; k < 3; k++) {
                        sum[k] += change[i][k];
                    }
                }
            }
        }
        for (int k = 0; k < 3; k++) {
            sum[k] /= count;
        }
        return sum;
    }
}
