package undoknot.scan;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import undoknot.head.CheckLayout.Block;

/** Measures every dash of one block. Steps across the dashes are measured in pitches. */
final class DashReader {

    /** Dust and fibres. */
    private static final String DIRT = "#2a2622";

    private static final int SEGMENTS = Dash.PARTS;
    /** Rows of a dash's profile reach this far to both sides, pitches. */
    private static final double REACH = 1.0;
    /** A dash's ink lies within this of its middle line, pitches. */
    private static final double HALF_WINDOW = 0.3;
    /** Dashes are looked for this far off their place, pitches. */
    private static final double SEARCH = 0.7;
    /** Further off than this a dash may be the neighbour's, so only the part the neighbour cannot reach counts. */
    private static final double OWN_ROWS = 0.28;

    /** Ink that scatters more is laid on in bands, or washed out in places; neither makes a dash weak. */
    private static final double MOST_SCATTER = 0.08;

    /** Less own ink than this, as an area, does not tell where a dash lies. */
    private static final double A_LITTLE = 0.04;

    /** A dash fills about this part of the window that its colour is gathered from. */
    private static final double FOREIGN_SPREAD = 2;

    final BlockPatch patch;
    final Block block;
    private final double[][] shifts;
    private final List<InkModel> others;
    private final int rows;
    private final double rowStep;

    /**
     * @param shifts rest of the shift of each cell, along and across the dashes, mm
     * @param others colours of the other blocks' inks, whose dashes or smears may lie in this one
     */
    DashReader(BlockPatch patch, double[][] shifts, List<String> others) {
        this.patch = patch;
        this.block = patch.block;
        this.shifts = shifts;
        this.others = Stream.concat(Stream.of(DIRT), others.stream())
                .map(ink -> InkModel.seenOn(ink, patch.paperTone, block.paper().tone(), patch.grey))
                .filter(o -> o.likeness(patch.ink) < 0.97)
                .toList();
        this.rows = 2 * (int) Math.round(REACH * block.pitchMm() * patch.perMm) + 1;
        this.rowStep = 1 / (block.pitchMm() * patch.perMm);
    }

    private Dash[] dashes;
    private double noise;
    /** Scatter of the sound dashes' ink as a share of the usual one: grows with a coarse or squeezed picture. */
    private double scatter;

    /** Measures all dashes; the usual area is only known once every channel has been measured. */
    double measure() {
        dashes = new Dash[block.nozzles()];
        double[] gaps = new double[block.nozzles()];
        for (int n = 1; n <= dashes.length; n++) {
            dashes[n - 1] = measure(n);
            gaps[n - 1] = dashes[n - 1].gap;
        }
        Arrays.sort(gaps);
        // The lower half of the gaps is bare paper whatever lies in the others.
        noise = Math.max(0.004, gaps[gaps.length / 2] - gaps[gaps.length / 10]);
        return usualArea();
    }

    /** Area of a full dash by the channel's own dashes: a high quantile of those that have ink; 0 when few have. */
    private double usualArea() {
        double[] inked = Arrays.stream(dashes)
                .filter(d -> !d.offPicture && d.partsInked >= SEGMENTS - 1 && d.gap < 0.5 * d.area)
                .mapToDouble(d -> d.area)
                .filter(area -> area > Math.max(0.03, 5 * noise))
                .sorted()
                .toArray();
        if (inked.length < 4) {
            return 0;
        }
        double usual = inked[(int) (inked.length * 0.8)];
        double[] off = Arrays.stream(inked)
                .map(area -> Math.abs(area / usual - 0.95))
                .filter(d -> d < 0.22)
                .sorted()
                .toArray();
        scatter = off.length < 8 ? 0 : Math.min(MOST_SCATTER, 1.48 * off[off.length / 2]);
        return usual;
    }

    private Dash measure(int nozzle) {
        Dash dash = new Dash();
        double[] shift = shiftOf(nozzle);
        double start = block.startMm(nozzle) + shift[0];
        double line = block.lineMm(nozzle) + shift[1];
        double end = start + block.dashMm();
        double inset = 0.08 * block.dashMm();
        double reach = HALF_WINDOW * block.pitchMm();
        if (!patch.inPicture(start, end, line - reach, line + reach)) {
            dash.offPicture = true;
            return dash;
        }
        float[][] segments = new float[SEGMENTS][];
        for (int s = 0; s < SEGMENTS; s++) {
            double width = (block.dashMm() - 2 * inset) / SEGMENTS;
            segments[s] = profile(start + inset + s * width, start + inset + (s + 1) * width, line);
        }
        if (Float.isNaN(segments[0][0]) || Float.isNaN(segments[SEGMENTS - 1][rows - 1])) {
            dash.offPicture = true;
            return dash;
        }
        double[] whole = new double[rows];
        float[] column = new float[SEGMENTS];
        for (int r = 0; r < rows; r++) {
            for (int s = 0; s < SEGMENTS; s++) {
                column[s] = segments[s][r];
            }
            Arrays.sort(column);
            whole[r] = (column[SEGMENTS / 2 - 1] + column[SEGMENTS / 2]) / 2;
        }
        double drift = block.driftMm();
        double spare = Math.min(0.16, drift / 3);
        // The next row's dash starts one drift later, the row before ends one drift earlier.
        float[] ahead = profile(start + spare / 2, start + drift - spare, line);
        float[] behind = profile(end - drift + spare, end - spare / 2, line);
        double[] own = new double[rows];
        for (int r = 0; r < rows; r++) {
            double at = placeOf(r);
            own[r] = at > OWN_ROWS
                    ? Math.min(ahead[r], whole[r])
                    : at < -OWN_ROWS ? Math.min(behind[r], whole[r]) : whole[r];
        }
        int peak = peak(own);
        dash.offset = centre(own, peak);
        dash.area = area(own, peak);
        dash.own = area(whole, peak) <= 0.01 ? 1 : dash.area / area(whole, peak);
        dash.gap = gap(start, end, line, peak);
        double half = dash.area / 2;
        double[] centres = new double[SEGMENTS];
        for (int s = 0; s < SEGMENTS; s++) {
            double[] one = new double[rows];
            for (int r = 0; r < rows; r++) {
                one[r] = segments[s][r];
            }
            centres[s] = centre(one, peak);
            dash.partsInked += area(one, peak) > Math.max(half, 0.015) ? 1 : 0;
        }
        dash.slant = slant(centres);
        double seen = line + (dash.area > A_LITTLE ? dash.offset * block.pitchMm() : 0);
        if (!weighAnyInk(dash, start + inset, end - inset, seen - reach, seen + reach)) {
            dash.offPicture = true;
            return dash;
        }
        weighInks(dash);
        return dash;
    }

    /** Middle of the last three parts against that of the first three: one part alone may be dust. */
    private static double slant(double[] centres) {
        return median(centres[SEGMENTS - 3], centres[SEGMENTS - 2], centres[SEGMENTS - 1])
                - median(centres[0], centres[1], centres[2]);
    }

    private static double median(double a, double b, double c) {
        return Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
    }

    double[] shiftOf(int nozzle) {
        return shifts[CellShifts.cellOf(block, nozzle)];
    }

    /**
     * Ink of any colour right beside a part of the dash.
     *
     * @param side −1 before its line, 1 after it
     */
    double beside(int nozzle, int part, int side) {
        double[] shift = shiftOf(nozzle);
        double inset = 0.08 * block.dashMm();
        double width = (block.dashMm() - 2 * inset) / SEGMENTS;
        double u = block.startMm(nozzle) + shift[0] + inset + part * width;
        double v = block.lineMm(nozzle) + shift[1] + side * 0.5 * block.pitchMm();
        float[] change = patch.changeIn(u, u + width, v - 0.08 * block.pitchMm(), v + 0.08 * block.pitchMm());
        return change == null ? 1 : patch.ink.strongest(change) / patch.ink.strongest();
    }

    /** Ink of any colour in each part and on the paper behind it; false when part of that lies outside the picture. */
    private boolean weighAnyInk(Dash dash, double u0, double u1, double v0, double v1) {
        double full = patch.ink.strongest();
        double width = (u1 - u0) / SEGMENTS;
        for (int s = 0; s < SEGMENTS; s++) {
            dash.change[s] = patch.changeIn(u0 + s * width, u0 + (s + 1) * width, v0, v1);
            if (dash.change[s] == null) {
                return false;
            }
            dash.any[s] = patch.ink.strongest(dash.change[s]) / full;
        }
        double free = block.stairMm() - block.dashMm();
        float[] gap = patch.changeIn(u1 + 0.35 * free, u1 + 0.95 * free, v0, v1);
        dash.anyGap = gap == null ? Double.NaN : patch.ink.strongest(gap) / full;
        return true;
    }

    private double placeOf(int row) {
        return (row - rows / 2) * rowStep;
    }

    /** Mean density along u0..u1 for each row around a line; not a number where the picture ends. */
    private float[] profile(double u0, double u1, double line) {
        float[] found = new float[rows];
        int x0 = patch.column(u0);
        int x1 = Math.max(x0 + 1, patch.column(u1));
        double top = (line + BlockPatch.MARGIN_MM) * patch.perMm - 0.5 - rows / 2;
        int y0 = (int) Math.floor(top);
        float part = (float) (top - y0);
        if (x0 < 0 || x1 > patch.width || y0 < 0 || y0 + rows >= patch.height) {
            Arrays.fill(found, Float.NaN);
            return found;
        }
        float before = 0;
        for (int r = 0; r <= rows; r++) {
            float sum = 0;
            int at = (y0 + r) * patch.width;
            for (int x = x0; x < x1; x++) {
                sum += patch.density[at + x];
            }
            if (r > 0) {
                found[r - 1] = (before * (1 - part) + sum * part) / (x1 - x0);
            }
            before = sum;
        }
        return found;
    }

    private int peak(double[] profile) {
        int best = rows / 2;
        double most = -1;
        for (int r = 0; r < rows; r++) {
            double at = Math.abs(placeOf(r));
            if (at <= SEARCH) {
                // A hair's breadth in favour of the dash's own place.
                double area = area(profile, r) * (1 - 0.03 * at);
                if (area > most) {
                    most = area;
                    best = r;
                }
            }
        }
        return best;
    }

    private double area(double[] profile, int row) {
        int half = (int) Math.round(HALF_WINDOW / rowStep);
        double sum = 0;
        for (int r = Math.max(0, row - half); r <= Math.min(rows - 1, row + half); r++) {
            sum += profile[r];
        }
        return sum * rowStep;
    }

    private double centre(double[] profile, int row) {
        int half = (int) Math.round(HALF_WINDOW / rowStep);
        double sum = 0;
        double moment = 0;
        for (int r = Math.max(0, row - half); r <= Math.min(rows - 1, row + half); r++) {
            double d = Math.max(0, profile[r] - 0.05);
            sum += d;
            moment += d * placeOf(r);
        }
        return sum <= 0 ? 0 : moment / sum;
    }

    /** Ink in the gaps before and after the dash, on its line: the larger of both. */
    private double gap(double start, double end, double line, int peak) {
        double free = block.stairMm() - block.dashMm();
        double most = 0;
        for (double[] range :
                new double[][] {{end + 0.15 * free, end + 0.85 * free}, {start - 0.85 * free, start - 0.15 * free}}) {
            float[] profile = profile(
                    Math.max(range[0], 0.1 - BlockPatch.MARGIN_MM),
                    Math.min(range[1], block.alongMm() + BlockPatch.MARGIN_MM - 0.1),
                    line);
            double[] values = new double[rows];
            for (int r = 0; r < rows; r++) {
                values[r] = profile[r];
            }
            double area = area(values, peak);
            if (!Double.isNaN(area)) {
                most = Math.max(most, area);
            }
        }
        return most;
    }

    /** How much of another ink lies on the dash: JPEG keeps colour at half the sharpness, so beside it as well. */
    private void weighInks(Dash dash) {
        float[] change = dash.colour(Double.NEGATIVE_INFINITY);
        float strength = Math.abs(change[0]) + Math.abs(change[1]) + Math.abs(change[2]);
        if (strength < 0.06 || patch.ink.likeness(change) > 0.985) {
            return;
        }
        float[] best = null;
        for (InkModel other : others) {
            float[] split = patch.ink.split(change, other);
            if (best == null || split[2] < best[2]) {
                best = split;
            }
        }
        dash.foreign = best == null ? 0 : best[1] * FOREIGN_SPREAD;
    }

    Dash[] dashes() {
        return dashes;
    }

    /** Scatter of bare paper, in areas. */
    double noise() {
        return noise;
    }

    double scatter() {
        return scatter;
    }
}
