package undoknot.scan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;

/**
 * Finds the sheet by what is printed on it: the turn by the direction of the dashes, place and scale by where each
 * channel's colour lies. Only flat scans; the result still has to be laid on the dashes.
 */
final class PatternFinder {

    /** By how much the turn told by the strokes themselves may be off. */
    private static final double TURN_REACH_DEG = 1.5;
    /** Fewer strokes than this are no pattern. */
    static final int LEAST_STROKES = 24;

    private static final int CANDIDATES = 4;
    private static final double FAR_BEHIND = 0.5;
    private static final double CELL_MM = 1.5;
    private static final int COARSE_CELLS = 4;

    private final CheckLayout layout;
    private final Raster picture;
    private final InkBlobs ink;
    /** Places of ink in the reduced picture, and the blocks each matches. */
    private final float[] xs;

    private final float[] ys;
    private final long[] matches;
    private final int count;

    /** @param picture reduced to about 1500 pixels along its longer side */
    PatternFinder(Raster picture, CheckLayout layout, InkBlobs ink) {
        this.picture = picture;
        this.layout = layout;
        this.ink = ink;
        this.xs = ink.xs;
        this.ys = ink.ys;
        this.matches = ink.matches;
        this.count = xs.length;
    }

    private record Candidate(Plane plane, double perMm, double score) {}

    /** The most likely planes, best first; empty when there is next to no ink. */
    List<Plane> planes() {
        if (ink.strokes.size() < LEAST_STROKES) {
            return List.of();
        }
        double turn = turn();
        List<Candidate> found = new ArrayList<>();
        for (double half : new double[] {0, Math.PI}) {
            found.addAll(place(turn + half));
        }
        return found.stream()
                .sorted(Comparator.comparingDouble(Candidate::score).reversed())
                .limit(CANDIDATES)
                .filter(c -> c.score
                        > FAR_BEHIND
                                * found.stream()
                                        .mapToDouble(Candidate::score)
                                        .max()
                                        .orElse(0))
                .map(Candidate::plane)
                .toList();
    }

    /** The turn of the dashes, radians clockwise: at the right turn they fall into the fewest, fullest lines. */
    private double turn() {
        boolean across = layout.blocks().get(0).direction() == Direction.ACROSS;
        int every = Math.max(1, count / 20_000);
        double best = Math.toDegrees(along()) - (across ? 0 : 90);
        double most = -1;
        for (double step : new double[] {0.25, 0.05}) {
            double middle = best;
            double reach = step > 0.1 ? TURN_REACH_DEG : 0.3;
            for (double turn = middle - reach; turn <= middle + reach + 1e-9; turn += step) {
                double score = sharpness(Math.toRadians(turn), across, every);
                if (score > most) {
                    most = score;
                    best = turn;
                }
            }
        }
        return Math.toRadians(best);
    }

    /** Which way most strokes run, radians: the fullest of windows six degrees wide. */
    private double along() {
        int[] count = new int[180];
        for (InkBlobs.Stroke stroke : ink.strokes) {
            count[Math.floorMod((int) Math.round(Math.toDegrees(stroke.angle())), 180)]++;
        }
        int best = 0;
        int most = -1;
        for (int degree = 0; degree < 180; degree++) {
            int sum = 0;
            for (int d = -3; d <= 3; d++) {
                sum += count[Math.floorMod(degree + d, 180)] * (4 - Math.abs(d));
            }
            if (sum > most) {
                most = sum;
                best = degree;
            }
        }
        return Math.toRadians(best > 90 ? best - 180 : best);
    }

    private double sharpness(double turn, boolean across, int every) {
        double cos = Math.cos(turn);
        double sin = Math.sin(turn);
        int size = 2 * (picture.width() + picture.height());
        int[] lines = new int[2 * size];
        for (int i = 0; i < count; i += every) {
            double v = across ? ys[i] * cos - xs[i] * sin : xs[i] * cos + ys[i] * sin;
            lines[(int) Math.floor(v) + size]++;
        }
        double score = 0;
        for (int n : lines) {
            score += (double) n * n;
        }
        return score;
    }

    /** Places and scales at which the blocks lie on ink of their own colour. */
    private List<Candidate> place(double turn) {
        double cos = Math.cos(turn);
        double sin = Math.sin(turn);
        float[] us = new float[count];
        float[] vs = new float[count];
        for (int i = 0; i < count; i++) {
            us[i] = (float) (xs[i] * cos + ys[i] * sin);
            vs[i] = (float) (ys[i] * cos - xs[i] * sin);
        }
        double[] uRange = range(us);
        double[] vRange = range(vs);
        double left = layout.blocks().stream().mapToDouble(Block::xMm).min().orElse(0);
        double right = layout.blocks().stream()
                .mapToDouble(b -> b.xMm() + b.widthMm())
                .max()
                .orElse(1);
        double top = layout.blocks().stream().mapToDouble(Block::yMm).min().orElse(0);
        double bottom = layout.blocks().stream()
                .mapToDouble(b -> b.yMm() + b.heightMm())
                .max()
                .orElse(1);
        List<Candidate> found = new ArrayList<>();
        double[] guesses = {
            Math.min(picture.width(), picture.height()) / Math.min(layout.widthMm(), layout.heightMm()),
            (uRange[1] - uRange[0]) / (right - left),
            (vRange[1] - vRange[0]) / (bottom - top)
        };
        for (double guess : guesses) {
            if (found.stream().anyMatch(c -> Math.abs(c.perMm() / guess - 1) < 0.004)) {
                continue;
            }
            found.addAll(IntStream.rangeClosed(-5, 3)
                    .parallel()
                    .mapToObj(i -> best(us, vs, guess * (1 + 0.01 * i), cos, sin, uRange, vRange))
                    .filter(Objects::nonNull)
                    .toList());
        }
        return found;
    }

    private static double[] range(float[] values) {
        float[] sorted = values.clone();
        Arrays.sort(sorted);
        return new double[] {sorted[sorted.length / 200], sorted[sorted.length - 1 - sorted.length / 200]};
    }

    /** The best place at one scale, on a grid of millimetres. */
    private Candidate best(
            float[] us, float[] vs, double perMm, double cos, double sin, double[] uRange, double[] vRange) {
        double u0 = uRange[0];
        double v0 = vRange[0];
        int pad = 8;
        double cell = perMm * CELL_MM;
        int w = (int) ((uRange[1] - u0) / cell) + 1 + 2 * pad;
        int h = (int) ((vRange[1] - v0) / cell) + 1 + 2 * pad;
        int blocks = layout.blocks().size();
        if (w > 500 || h > 500) {
            return null;
        }
        int[][] sums = new int[blocks + 1][(w + 1) * (h + 1)];
        for (int i = 0; i < count; i++) {
            int x = (int) ((us[i] - u0) / cell) + pad;
            int y = (int) ((vs[i] - v0) / cell) + pad;
            if (x >= 0 && y >= 0 && x < w && y < h) {
                int at = (y + 1) * (w + 1) + x + 1;
                // A cell either has ink or has none: a heavy smear is worth no more than a dash.
                sums[blocks][at] = 1;
                for (int b = 0; b < blocks; b++) {
                    sums[b][at] |= (int) (matches[i] >>> b & 1);
                }
            }
        }
        for (int[] sum : sums) {
            for (int y = 1; y <= h; y++) {
                for (int x = 1; x <= w; x++) {
                    int at = y * (w + 1) + x;
                    sum[at] += sum[at - 1] + sum[at - w - 1] - sum[at - w - 2];
                }
            }
        }
        int[][] rects = layout.blocks().stream()
                .map(b -> new int[] {
                    (int) Math.round(b.xMm() / CELL_MM),
                    (int) Math.round((b.xMm() + b.widthMm()) / CELL_MM),
                    (int) Math.round(b.yMm() / CELL_MM),
                    (int) Math.round((b.yMm() + b.heightMm()) / CELL_MM)
                })
                .toArray(int[][]::new);
        int minX = (int) Math.floor(-layout.widthMm() / CELL_MM);
        int minY = (int) Math.floor(-layout.heightMm() / CELL_MM);
        int total = sums[blocks][sums[blocks].length - 1];
        int[] best = {0, 0, 0};
        // Blocks are many cells wide, so that the best place shows on a coarse grid first.
        search(sums, rects, w, h, new int[] {minX, w, minY, h, COARSE_CELLS}, best);
        int reach = COARSE_CELLS - 1;
        search(
                sums,
                rects,
                w,
                h,
                new int[] {best[1] - reach, best[1] + reach, best[2] - reach, best[2] + reach, 1},
                best);
        double bestScore = best[0];
        int bestX = best[1];
        int bestY = best[2];
        if (bestScore == 0) {
            return null;
        }
        // From sheet to turned picture to picture.
        double ou = u0 + (bestX - pad) * cell;
        double ov = v0 + (bestY - pad) * cell;
        Plane plane = Plane.of(
                perMm * cos, -perMm * sin, ou * cos - ov * sin, perMm * sin, perMm * cos, ou * sin + ov * cos, 0, 0, 1);
        // Ink in its own block against all ink and all blocks: too large a scale leaves blocks empty, too small a one
        // leaves ink outside.
        double area = layout.blocks().stream()
                        .mapToDouble(b -> b.widthMm() * b.heightMm())
                        .sum()
                / (CELL_MM * CELL_MM);
        // A few blocks that print may lie right with the others off the picture: that is the less likely.
        Warp warp = Warp.flat(plane, layout.widthMm(), layout.heightMm());
        double inside = (double) layout.blocks().stream()
                        .filter(b -> Placement.inPicture(warp, b, picture))
                        .count()
                / blocks;
        return new Candidate(plane, perMm, (0.5 + 0.5 * inside) * bestScore / (total + area - bestScore));
    }

    /**
     * The place of the sheet at which most ink lies in blocks of its own colour.
     *
     * @param range least and greatest column, least and greatest row, step; cells
     * @param best score, column and row; replaced by what is better
     */
    private static void search(int[][] sums, int[][] rects, int w, int h, int[] range, int[] best) {
        for (int ty = range[2]; ty <= range[3]; ty += range[4]) {
            for (int tx = range[0]; tx <= range[1]; tx += range[4]) {
                int score = 0;
                for (int b = 0; b < rects.length; b++) {
                    int[] r = rects[b];
                    score += sum(
                            sums[b],
                            w,
                            clamp(tx + r[0], w),
                            clamp(ty + r[2], h),
                            clamp(tx + r[1], w),
                            clamp(ty + r[3], h));
                }
                if (score > best[0]) {
                    best[0] = score;
                    best[1] = tx;
                    best[2] = ty;
                }
            }
        }
    }

    private static int clamp(int value, int most) {
        return Math.max(0, Math.min(most, value));
    }

    private static int sum(int[] s, int w, int x0, int y0, int x1, int y1) {
        int row = w + 1;
        return s[y1 * row + x1] - s[y0 * row + x1] - s[y1 * row + x0] + s[y0 * row + x0];
    }
}
