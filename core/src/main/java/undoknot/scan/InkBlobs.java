package undoknot.scan;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;

/**
 * What on a picture may be dashes: short thin strokes of ink, wherever they lie and whatever layout they belong to. Letters,
 * marks, folds, stains and the pattern of a table are none.
 */
final class InkBlobs {

    private static final float LEAST_CHANGE = 0.14f;
    private static final int TILE_PIXELS = 40;
    /** A dash is at least so many times as long as it is thick. */
    private static final double LEAST_STRETCH = 2.6;

    private static final double LEAST_LENGTH_PX = 5;
    private static final double MOST_LENGTH_PX = 120;
    private static final double MOST_THICKNESS_PX = 7;
    private static final int MOST_PIXELS = 900;
    /** Paper whose colours sum up to less is dark, and its ink lighter. */
    private static final int DARK = 330;

    /**
     * A stroke of ink.
     *
     * @param x middle in the picture, pixels
     * @param y the same, down
     * @param length along the stroke, pixels
     * @param angle of the stroke to the picture's lines, radians, −π/2 to π/2, clockwise
     * @param matches blocks whose ink looks like it, one bit each; in a grey picture every block of that shade
     */
    record Stroke(double x, double y, double length, double angle, long matches) {}

    /** Strokes of the picture. */
    final List<Stroke> strokes;
    /** Their pixels, and the blocks each matches. */
    final float[] xs;

    final float[] ys;
    final long[] matches;

    private final Raster picture;
    private final List<InkModel> inks;
    private final boolean grey;

    /** @param picture reduced to a few pixels a millimetre */
    InkBlobs(Raster picture, CheckLayout layout) {
        this.picture = picture;
        this.grey = picture.isGrey();
        this.inks = layout.blocks().stream()
                .map(b -> InkModel.seenOn(
                        b.ink(), InkModel.rgb(b.paper().tone()), b.paper().tone(), grey))
                .toList();
        int down = Math.max(1, picture.height() / TILE_PIXELS);
        InkRuns runs = InkRuns.joined(IntStream.range(0, down)
                .parallel()
                .mapToObj(ty -> look(ty * picture.height() / down, (ty + 1) * picture.height() / down))
                .toList());
        int[] blobOf = runs.blobs();
        double[][] sums = runs.sums(blobOf);
        List<Stroke> found = new ArrayList<>();
        long[] matchOf = new long[sums.length];
        boolean[] isStroke = new boolean[sums.length];
        int count = 0;
        for (int i = 0; i < sums.length; i++) {
            Stroke stroke = sums[i] == null ? null : stroke(sums[i]);
            if (stroke != null) {
                found.add(stroke);
                matchOf[i] = stroke.matches;
                isStroke[i] = true;
                count += (int) sums[i][0];
            }
        }
        strokes = List.copyOf(found);
        xs = new float[count];
        ys = new float[count];
        matches = new long[count];
        int at = 0;
        for (int run = 0; run < runs.count; run++) {
            for (int x = runs.from[run]; isStroke[blobOf[run]] && x < runs.to[run]; x++) {
                xs[at] = x;
                ys[at] = runs.row[run];
                matches[at++] = matchOf[blobOf[run]];
            }
        }
    }

    /** Runs of pixels, in some lines of the picture, that differ from the paper around them. */
    private InkRuns look(int y0, int y1) {
        int w = picture.width();
        int across = Math.max(1, w / TILE_PIXELS);
        int[][] paper = new int[across][];
        for (int tx = 0; tx < across; tx++) {
            paper[tx] = paper(tx * w / across, (tx + 1) * w / across, y0, y1);
        }
        InkRuns runs = new InkRuns();
        float[] change = new float[3];
        for (int y = y0; y < y1; y++) {
            int open = -1;
            for (int tx = 0; tx < across; tx++) {
                int[] p = paper[tx];
                boolean dark = p[0] + p[1] + p[2] < DARK;
                int[] least = new int[3];
                for (int k = 0; k < 3; k++) {
                    int room = Math.max(20, dark ? 255 - p[k] : p[k]);
                    least[k] = (int) Math.ceil(LEAST_CHANGE * room);
                }
                for (int x = tx * w / across; x < (tx + 1) * w / across; x++) {
                    int r = p[0] - picture.red(x, y);
                    int g = p[1] - picture.green(x, y);
                    int b = p[2] - picture.blue(x, y);
                    boolean inked = dark
                            ? -r >= least[0] || -g >= least[1] || -b >= least[2]
                            : r >= least[0] || g >= least[1] || b >= least[2];
                    if (!inked) {
                        open = -1;
                        continue;
                    }
                    open = open < 0 ? runs.begin(y, x) : open;
                    change[0] = r / (float) Math.max(20, dark ? 255 - p[0] : p[0]);
                    change[1] = g / (float) Math.max(20, dark ? 255 - p[1] : p[1]);
                    change[2] = b / (float) Math.max(20, dark ? 255 - p[2] : p[2]);
                    runs.extend(open, change);
                }
            }
        }
        return runs;
    }

    /** Colour of the paper in a tile: most of it is bare. */
    private int[] paper(int x0, int x1, int y0, int y1) {
        int[][] histogram = new int[3][256];
        for (int y = y0; y < y1; y++) {
            for (int x = x0; x < x1; x++) {
                histogram[0][picture.red(x, y)]++;
                histogram[1][picture.green(x, y)]++;
                histogram[2][picture.blue(x, y)]++;
            }
        }
        int[] paper = new int[3];
        for (int k = 0; k < 3; k++) {
            int below = (x1 - x0) * (y1 - y0) * 6 / 10;
            int level = 0;
            while (level < 255 && (below -= histogram[k][level]) > 0) {
                level++;
            }
            paper[k] = level;
        }
        return paper;
    }

    /** @param sum see {@link InkRuns#sums} */
    private Stroke stroke(double[] sum) {
        if (sum[0] > MOST_PIXELS || sum[0] < LEAST_LENGTH_PX) {
            return null;
        }
        double n = sum[0];
        double mx = sum[1] / n;
        double my = sum[2] / n;
        // A pixel is a square, which has a spread of its own: a twelfth of its side squared.
        double xx = sum[3] / n - mx * mx + 1.0 / 12;
        double yy = sum[5] / n - my * my + 1.0 / 12;
        double xy = sum[4] / n - mx * my;
        double half = (xx + yy) / 2;
        double root = Math.sqrt((xx - yy) * (xx - yy) / 4 + xy * xy);
        double length = Math.sqrt(12 * (half + root));
        double thickness = Math.sqrt(12 * Math.max(1.0 / 12, half - root));
        if (length < LEAST_LENGTH_PX
                || length > MOST_LENGTH_PX
                || thickness > MOST_THICKNESS_PX
                || length < LEAST_STRETCH * thickness) {
            return null;
        }
        double angle = 0.5 * Math.atan2(2 * xy, xx - yy);
        float[] change = {(float) sum[6], (float) sum[7], (float) sum[8]};
        return new Stroke(mx + 0.5, my + 0.5, length, angle, matchesOf(change));
    }

    private long matchesOf(float[] change) {
        boolean lighter = change[0] + change[1] + change[2] < 0;
        double best = 0;
        double[] alike = new double[inks.size()];
        for (int b = 0; b < alike.length; b++) {
            alike[b] =
                    inks.get(b).darker() == lighter ? 0 : grey ? 1 : inks.get(b).likeness(change);
            best = Math.max(best, alike[b]);
        }
        long match = 0;
        for (int b = 0; b < alike.length && b < 64; b++) {
            match |= alike[b] > 0.85 && alike[b] > best - 0.04 ? 1L << b : 0;
        }
        return match;
    }

    /** What a placement makes of the strokes. */
    record Explained(int own, int other, int elsewhere) {
        /** Strokes on a dash's place, of its ink or another. */
        int placed() {
            return own + other;
        }

        /** Share of all strokes on the sheet that lie where the layout has a dash. */
        double share() {
            int all = placed() + elsewhere;
            return all == 0 ? 1 : (double) placed() / all;
        }
    }

    /**
     * Counts the strokes on the sheet by where they lie: on a dash of a block with their ink, of another block, or where the
     * layout has none. Those beside the sheet are not counted.
     */
    Explained explained(Warp warp, CheckLayout layout) {
        List<Block> blocks = layout.blocks();
        int own = 0;
        int other = 0;
        int elsewhere = 0;
        for (Stroke stroke : strokes) {
            Point at = warp.toSheet(new Point(stroke.x, stroke.y));
            if (at.x() < 0 || at.y() < 0 || at.x() > layout.widthMm() || at.y() > layout.heightMm()) {
                continue;
            }
            int on = -1;
            for (int b = 0; b < blocks.size() && on < 0; b++) {
                on = DashCover.hasDashAt(blocks.get(b), at) ? b : -1;
            }
            if (on < 0) {
                elsewhere++;
            } else if (on < 64 && (stroke.matches >>> on & 1) == 1) {
                own++;
            } else {
                other++;
            }
        }
        return new Explained(own, other, elsewhere);
    }

    /**
     * The place some nozzles or stairs further that explains clearly more strokes than this one, or null. The pattern looks like
     * itself there but for its ends.
     */
    Warp bestAlongStairs(Warp warp, CheckLayout layout) {
        int most = explained(warp, layout).own();
        int here = most;
        Warp best = null;
        Block block = layout.blocks().get(0);
        for (int stairs = -1; stairs <= 1; stairs++) {
            for (int steps = -3; steps <= 3; steps++) {
                Warp there =
                        along(warp, block, stairs * block.stairMm() + steps * block.driftMm(), steps * block.pitchMm());
                int own = explained(there, layout).own();
                if (own > most && own > here + 1 + here / 100) {
                    most = own;
                    best = there;
                }
            }
        }
        return best;
    }

    private static Warp along(Warp warp, Block block, double du, double dv) {
        boolean across = block.direction() == CheckLayout.Direction.ACROSS;
        return warp.moved(across ? du : dv, across ? dv : du);
    }

    Raster picture() {
        return picture;
    }
}
