package undoknot.scan;

import java.util.Arrays;
import java.util.List;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import undoknot.head.CheckLayout.Paper;
import undoknot.scan.NozzleReading.Doubt;

/**
 * What is known of the bare paper at each place: light falls off smoothly over a sheet and has one colour. Where the paper is
 * brighter than that something shines on it, where it is darker or of another colour something lies on it, and in neither can
 * bare paper be told from a dash that is hidden.
 */
final class Background {

    /** Terms of the light over the sheet: a plane and its bow. */
    private static final int TERMS = 6;

    /** Colour of the paper against the rest of its block, as a share of its brightness. */
    private static final double MOST_TINT = 0.05;

    /** The same against the whole sheet: pale ink close by tints it a little. */
    private static final double MOST_TINT_OF_BLOCK = 0.12;

    /** So much of a tint may be the block's own ink, spread by squeezing. */
    private static final double MOST_BLEEDING = 0.14;

    private static final double MOST_DARKER = 0.13;
    private static final double MOST_BRIGHTER = 0.06;
    /** White paper has little room to grow brighter: so much of it may be taken up, and what light itself scatters. */
    private static final double MOST_OF_HEADROOM = 0.4;

    private static final double LEAST_BRIGHTER = 0.012;
    /** Paper is drawn straight between the middles of tiles, so that a stain is felt half a tile further. */
    private static final double FELT_MM = 2;

    /** On film and dark stock brightness scatters more. */
    private static final double MOST_OFF_DARK = 0.35;

    /** A place brighter by this may be washed out. */
    private static final double A_LITTLE_BRIGHTER = 0.008;

    private static final double CLIPPED = 253;
    private static final double NOT_CLIPPED = 250;

    private final Doubt[][] doubts;
    private final boolean[][] washed;

    Background(List<BlockPatch> patches) {
        doubts = new Doubt[patches.size()][];
        washed = new boolean[patches.size()][];
        List<BlockPatch> white =
                patches.stream().filter(p -> p.block.paper() == Paper.WHITE).toList();
        double[] light = light(white);
        double[] sheet = tint(white.stream()
                .flatMap(p -> java.util.stream.IntStream.range(0, p.tiles()).mapToObj(p::paperOf))
                .toList());
        double usual = median(white.stream()
                .flatMapToDouble(
                        p -> java.util.stream.IntStream.range(0, p.tiles()).mapToDouble(t -> brightness(p.paperOf(t))))
                .toArray());
        for (int b = 0; b < patches.size(); b++) {
            BlockPatch patch = patches.get(b);
            boolean onWhite = patch.block.paper() == Paper.WHITE;
            double[] own = tint(java.util.stream.IntStream.range(0, patch.tiles())
                    .mapToObj(patch::paperOf)
                    .toList());
            double ownLight = brightness(patch.paperTone);
            doubts[b] = new Doubt[patch.tiles()];
            washed[b] = new boolean[patch.tiles()];
            for (int t = 0; t < patch.tiles(); t++) {
                float[] paper = patch.paperOf(t);
                double expected = at(light, patch.middleOf(t));
                double off =
                        onWhite ? brightness(paper) / expected - 1 : brightness(paper) / Math.max(20, ownLight) - 1;
                boolean clipped = onWhite && brightness(paper) >= CLIPPED && usual < NOT_CLIPPED;
                washed[b][t] = onWhite && off > A_LITTLE_BRIGHTER;
                double tint = apartBut(tint(List.of(paper)), own, bleeding(patch));
                if (onWhite ? off > mostBrighter(expected) || clipped : off > MOST_OFF_DARK) {
                    doubts[b][t] = Doubt.GLARE;
                } else if (off < -(onWhite ? MOST_DARKER : MOST_OFF_DARK)
                        || onWhite
                                && (tint > MOST_TINT || apartBut(own, sheet, bleeding(patch)) > MOST_TINT_OF_BLOCK)) {
                    doubts[b][t] = Doubt.STAINED;
                }
            }
        }
    }

    /**
     * What keeps a dash from being judged, or null.
     *
     * @param patch the block's, for its tiles
     * @param block number of the block
     * @param u0 where the dash starts, along the dashes, mm
     */
    Doubt at(BlockPatch patch, int block, double u0, double u1, double v) {
        for (double u : new double[] {u0 - FELT_MM, (u0 + u1) / 2, u1 + FELT_MM}) {
            for (double across : new double[] {v - FELT_MM, v, v + FELT_MM}) {
                Doubt doubt = doubts[block][patch.tileAt(u, across)];
                if (doubt != null) {
                    return doubt;
                }
            }
        }
        return null;
    }

    /** Whether light may wash out ink there, so that pale and missing have to be borne out by the dashes around. */
    boolean mayWashOut(BlockPatch patch, int block, double u0, double u1, double v) {
        boolean may = false;
        for (double u : new double[] {u0, (u0 + u1) / 2, u1}) {
            may |= washed[block][patch.tileAt(u, v)];
        }
        return may;
    }

    /**
     * Share by which paper may be brighter than its light: what shines on white paper is cut off at the brightest a picture
     * knows, long before it is 6 % brighter.
     */
    private static double mostBrighter(double expected) {
        double headroom = 255 / expected - 1;
        return Math.min(MOST_BRIGHTER, Math.max(LEAST_BRIGHTER, MOST_OF_HEADROOM * headroom));
    }

    private static double brightness(float[] rgb) {
        return 0.299 * rgb[0] + 0.587 * rgb[1] + 0.114 * rgb[2];
    }

    /** Red and blue against green, as shares of the brightness; medians. */
    private static double[] tint(List<float[]> papers) {
        double[] red = papers.stream()
                .mapToDouble(p -> (p[0] - p[1]) / Math.max(20, brightness(p)))
                .toArray();
        double[] blue = papers.stream()
                .mapToDouble(p -> (p[2] - p[1]) / Math.max(20, brightness(p)))
                .toArray();
        return new double[] {median(red), median(blue)};
    }

    /** Which way the block's own ink tints paper close by, of length 1: a squeezed picture spreads colours that far. */
    private static double[] bleeding(BlockPatch patch) {
        float[] ink = InkModel.rgb(patch.block.ink());
        float[] mixed = new float[3];
        for (int k = 0; k < 3; k++) {
            mixed[k] = 0.8f * patch.paperTone[k] + 0.2f * ink[k];
        }
        double[] bare = tint(List.of(patch.paperTone));
        double[] tinted = tint(List.of(mixed));
        double x = tinted[0] - bare[0];
        double y = tinted[1] - bare[1];
        double length = Math.hypot(x, y);
        return length < 0.01 ? new double[] {0, 0} : new double[] {x / length, y / length};
    }

    /** How far two tints are apart, but for some of what the block's own ink explains. */
    private static double apartBut(double[] a, double[] b, double[] ink) {
        double x = a[0] - b[0];
        double y = a[1] - b[1];
        double along = x * ink[0] + y * ink[1];
        double bled = Math.max(-MOST_BLEEDING, Math.min(MOST_BLEEDING, along));
        return Math.max(Math.abs(x - bled * ink[0]), Math.abs(y - bled * ink[1]));
    }

    private static double median(double[] values) {
        if (values.length == 0) {
            return 0;
        }
        Arrays.sort(values);
        return values[values.length / 2];
    }

    private static double[] terms(Point at) {
        double x = at.x() / 100 - 1;
        double y = at.y() / 100 - 1;
        return new double[] {1, x, y, x * x, x * y, y * y};
    }

    private static double at(double[] light, Point place) {
        double[] term = terms(place);
        double sum = 0;
        for (int i = 0; i < TERMS; i++) {
            sum += light[i] * term[i];
        }
        return Math.max(20, sum);
    }

    /** Brightness of the paper over the sheet: least squares, with what does not fit counting less each round. */
    private static double[] light(List<BlockPatch> patches) {
        int n = patches.stream().mapToInt(BlockPatch::tiles).sum();
        double[][] terms = new double[n][];
        double[] seen = new double[n];
        double[] weight = new double[n];
        int i = 0;
        for (BlockPatch patch : patches) {
            for (int t = 0; t < patch.tiles(); t++, i++) {
                terms[i] = terms(patch.middleOf(t));
                seen[i] = brightness(patch.paperOf(t));
                weight[i] = 1;
            }
        }
        double[] found = new double[TERMS];
        for (int round = 0; round < 6 && n > 0; round++) {
            found = fit(terms, seen, weight);
            for (int k = 0; k < n; k++) {
                double sum = 0;
                for (int j = 0; j < TERMS; j++) {
                    sum += found[j] * terms[k][j];
                }
                double off = Math.abs(seen[k] / Math.max(20, sum) - 1);
                weight[k] = 1 / (1 + Math.pow(off / 0.02, 2));
            }
        }
        return found;
    }

    private static double[] fit(double[][] terms, double[] seen, double[] weight) {
        DMatrixRMaj normal = new DMatrixRMaj(TERMS, TERMS);
        DMatrixRMaj right = new DMatrixRMaj(TERMS, 1);
        for (int k = 0; k < seen.length; k++) {
            for (int i = 0; i < TERMS; i++) {
                for (int j = 0; j < TERMS; j++) {
                    normal.add(i, j, weight[k] * terms[k][i] * terms[k][j]);
                }
                right.add(i, 0, weight[k] * terms[k][i] * seen[k]);
            }
        }
        // A sheet with one narrow block says little about the bow across it.
        for (int i = 1; i < TERMS; i++) {
            normal.add(i, i, 0.01 * seen.length);
        }
        DMatrixRMaj x = new DMatrixRMaj(TERMS, 1);
        CommonOps_DDRM.solve(normal, right, x);
        return x.data.clone();
    }
}
