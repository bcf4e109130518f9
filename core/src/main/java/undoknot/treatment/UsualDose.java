package undoknot.treatment;

import java.util.List;
import undoknot.treatment.Treatment.Place;

/** Doses and times that work starts from (handbook 8 and 18): defaults of the shop, never limits. */
public final class UsualDose {

    /** First stroke of a flush, mL. */
    public static final double STROKE_ML = 3;

    /** One stroke of a stubborn head, mL. */
    public static final double PULSE_ML = 4;

    /** All pulses of one treatment of a channel together, mL. */
    public static final double PULSES_ML = 30;

    /** Stroke that follows once the first has soaked, mL. */
    public static final double AFTER_SOAK_ML = 1;

    /** Time a form proposes for a stroke that nobody timed, s. */
    public static final int STROKE_SECONDS = 12;

    /** A planned stroke keeps so far below the limit, as a share of its least time. */
    private static final double MARGIN = 1.1;

    /** What a draw-back takes for each channel, mL. */
    public static final double DRAW_ML = 5;

    /** Seals and small parts in a closed jar: 15 to 30 mL. */
    public static final double JAR_ML = 20;

    /** Temperature of a fluid that was not warmed, °C. */
    public static final double ROOM_C = 22;

    public static final Bath BATH = new Bath(150, 35, 3, 2, 120);

    /**
     * @param levelMm over the face, mm
     * @param bursts number of bursts
     */
    public record Bath(double volumeMl, double temperatureC, double levelMm, int bursts, int burstSeconds) {}

    private UsualDose() {}

    /**
     * Time to plan for a stroke, s: at the pace of the usual one, or as slow as the limit asks for.
     *
     * @param leastSeconds least time within the limit through what is open
     */
    public static int seconds(double volumeMl, double leastSeconds) {
        double usual = STROKE_SECONDS * volumeMl / STROKE_ML;
        return (int) Math.ceil(Math.max(usual, MARGIN * leastSeconds));
    }

    /** Water that goes before a cleaner is lukewarm, °C (handbook 12). */
    public static final double LUKEWARM_C = 40;

    /** Rungs of a soak, minutes: each about four times the one before (handbook 18). */
    public static List<Integer> soakLadderMinutes(Place place) {
        return switch (place) {
            case PORT -> List.of(10, 40, 180, 720);
            case TRAY -> List.of(15, 40, 180, 720);
        };
    }

    /** Times that work which waits is given, the shortest first, minutes (handbook 8); none for work that does not wait. */
    public static List<Integer> waitMinutes(Method method) {
        return switch (method) {
            case WIPE -> List.of(3);
            case PAD -> List.of(10, 60, 720);
            case VAPOUR -> List.of(150, 720);
            case REST -> List.of(720);
            case PARTS -> List.of(40, 720);
            default -> List.of();
        };
    }

    /**
     * Fluid of a soak, mL.
     *
     * @param channels number of channels, 1 or more
     */
    public static double soakMl(Place place, int channels) {
        return switch (place) {
            case PORT -> 1.5 * channels;
            case TRAY -> 25;
        };
    }
}
