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

    private static final double MOST_TURN_DEG = 12;
    private static final float LEAST_CHANGE = 0.14f;
    private static final int TILE_PIXELS = 40;
    private static final int CANDIDATES = 5;
    private static final double CELL_MM = 1.5;
    private static final int COARSE_CELLS = 4;

    private final CheckLayout layout;
    private final Raster picture;
    /** Places of ink in the reduced picture, and the best matching block of each. */
    private float[] xs;

    private float[] ys;
    private long[] matches;
    private int count;

    /** @param picture reduced to about 1500 pixels along its longer side */
    PatternFinder(Raster picture, CheckLayout layout) {
        this.picture = picture;
        this.layout = layout;
        gather();
    }

    private record Candidate(Plane plane, double perMm, double score) {}

    /** The most likely planes, best first; empty when there is next to no ink. */
    List<Plane> planes() {
        if (count < 200) {
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
                .map(Candidate::plane)
                .toList();
    }

    private void gather() {
        int w = picture.width();
        int h = picture.height();
        List<InkModel> inks = layout.blocks().stream().map(InkModel::new).toList();
        int across = Math.max(1, w / TILE_PIXELS);
        int down = Math.max(1, h / TILE_PIXELS);
        List<Ink> rows = IntStream.range(0, down)
                .parallel()
                .mapToObj(ty -> {
                    int y0 = ty * h / down;
                    int y1 = (ty + 1) * h / down;
                    // A page with more ink than this is no check.
                    Ink ink = new Ink(w * (y1 - y0) / 4 + 1);
                    for (int tx = 0; tx < across; tx++) {
                        gather(tx * w / across, (tx + 1) * w / across, y0, y1, inks, ink);
                    }
                    return ink;
                })
                .toList();
        count = rows.stream().mapToInt(r -> r.count).sum();
        xs = new float[count];
        ys = new float[count];
        matches = new long[count];
        int at = 0;
        for (Ink row : rows) {
            System.arraycopy(row.xs, 0, xs, at, row.count);
            System.arraycopy(row.ys, 0, ys, at, row.count);
            System.arraycopy(row.matches, 0, matches, at, row.count);
            at += row.count;
        }
    }

    /** Places of ink of one row of tiles. */
    private static final class Ink {
        final float[] xs;
        final float[] ys;
        final long[] matches;
        int count;

        Ink(int most) {
            xs = new float[most];
            ys = new float[most];
            matches = new long[most];
        }
    }

    private void gather(int x0, int x1, int y0, int y1, List<InkModel> inks, Ink ink) {
        int[][] histogram = new int[3][256];
        for (int y = y0; y < y1; y++) {
            for (int x = x0; x < x1; x++) {
                histogram[0][picture.red(x, y)]++;
                histogram[1][picture.green(x, y)]++;
                histogram[2][picture.blue(x, y)]++;
            }
        }
        float[] paper = new float[3];
        for (int k = 0; k < 3; k++) {
            int below = (x1 - x0) * (y1 - y0) * 6 / 10;
            int level = 0;
            while (level < 255 && (below -= histogram[k][level]) > 0) {
                level++;
            }
            paper[k] = level;
        }
        boolean dark = paper[0] + paper[1] + paper[2] < 330;
        float[] change = new float[3];
        for (int y = y0; y < y1; y++) {
            for (int x = x0; x < x1; x++) {
                int[] value = {picture.red(x, y), picture.green(x, y), picture.blue(x, y)};
                float most = 0;
                for (int k = 0; k < 3; k++) {
                    float d = paper[k] - value[k];
                    change[k] = d / Math.max(20, dark ? 255 - paper[k] : paper[k]);
                    most = Math.max(most, dark ? -change[k] : change[k]);
                }
                if (most < LEAST_CHANGE || ink.count >= ink.xs.length) {
                    continue;
                }
                long match = 0;
                double best = 0;
                double[] alike = new double[inks.size()];
                for (int b = 0; b < inks.size(); b++) {
                    alike[b] = inks.get(b).darker() == dark ? 0 : inks.get(b).likeness(change);
                    best = Math.max(best, alike[b]);
                }
                for (int b = 0; b < inks.size() && b < 64; b++) {
                    match |= alike[b] > 0.85 && alike[b] > best - 0.04 ? 1L << b : 0;
                }
                ink.xs[ink.count] = x;
                ink.ys[ink.count] = y;
                ink.matches[ink.count++] = match;
            }
        }
    }

    /** The turn of the dashes, radians clockwise: at the right turn they fall into the fewest, fullest lines. */
    private double turn() {
        boolean across = layout.blocks().get(0).direction() == Direction.ACROSS;
        int every = Math.max(1, count / 20_000);
        double best = 0;
        double most = -1;
        for (double step : new double[] {0.25, 0.05}) {
            double middle = best;
            double reach = step > 0.1 ? MOST_TURN_DEG : 0.3;
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

    private double sharpness(double turn, boolean across, int every) {
        double cos = Math.cos(turn);
        double sin = Math.sin(turn);
        int size = picture.width() + picture.height();
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
        return new Candidate(plane, perMm, bestScore / (total + area - bestScore));
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
