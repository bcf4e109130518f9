package undoknot.scan;

import java.util.List;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;

/**
 * Slides the layout's dashes over the printed ones until they lie on each other: first the whole sheet, then each
 * quarter of each block, which also takes up what a fold or a curled page does.
 */
final class PatternFit {

    /** Half a dash is assumed to be this thick. Only used to gather ink, not to judge it. */
    private static final double HALF_LINE_MM = 0.12;

    private static final double COARSE_STEP_MM = 0.12;
    private static final double FINE_STEP_MM = 0.1;
    /** The first look needs fewer pixels than the judgement. */
    private static final double COARSE_SHARE = 0.7;

    private static final double TIGHT_SHARE = 0.5;

    private static final double QUARTER_WINDOW_MM = 0.36;

    /** Along the dashes the pattern repeats only after a whole stair, so a wrong scale can be felt for further. */
    private static final double LOOSE_WINDOW_MM = 1.1;

    private static final double PROMISE_PER_MM = 3;

    /** A plane that moved by less than this needs no further round. */
    private static final double SETTLED_MM = 0.03;

    private PatternFit() {}

    /**
     * @param plane where the sheet lies after the fit
     * @param residualMm root of the mean squared distance between quarters and plane, weighted by their ink
     * @param cover share of the ink in the blocks that lies on dashes of the layout, 0 when there is no ink
     * @param lead by how much the chosen place beats the place one step along the stairs, as a share; small when the
     *     pattern could as well sit one nozzle further
     * @param quarters rest of the shift of each quarter of each block, mm: dx and dy by block and quarter
     * @param patches the blocks as the plane cuts them out
     */
    record Fit(
            Plane plane,
            double residualMm,
            double cover,
            double lead,
            double[][][] quarters,
            List<BlockPatch> patches) {}

    /** Lays the layout over a sheet whose place is known to within a fraction of a step. */
    static Fit tight(Raster picture, CheckLayout layout, Plane plane, double windowMm, double perMm) {
        List<BlockPatch> patches = cut(picture, layout, plane, perMm * TIGHT_SHARE);
        double[] shift = bestShift(patches, windowMm, COARSE_STEP_MM, 1);
        Plane moved = plane.moved(shift[0], shift[1]);
        Plane corrected = correct(layout, quarters(patches, shift, QUARTER_WINDOW_MM), moved);
        return finish(picture, layout, corrected == null ? moved : corrected, perMm);
    }

    /** Lays the layout over a sheet whose place is known to within a few steps. */
    static Fit loose(Raster picture, CheckLayout layout, Plane plane, double windowMm, double perMm) {
        List<BlockPatch> patches = cut(picture, layout, plane, perMm * COARSE_SHARE);
        double[] shift = bestShift(patches, windowMm, Math.max(COARSE_STEP_MM, windowMm / 14), 3);
        Plane moved = plane.moved(shift[0], shift[1]);
        double[] still = {0, 0};
        for (int round = 0; round < 3; round++) {
            patches = cut(picture, layout, moved, perMm * COARSE_SHARE);
            double[][][] shifts = quarters(patches, still, LOOSE_WINDOW_MM);
            stepBack(patches, shifts);
            Plane corrected = correct(layout, shifts, moved);
            if (corrected == null) {
                break;
            }
            boolean settled = distance(layout, corrected, moved) < SETTLED_MM;
            moved = corrected;
            if (settled) {
                break;
            }
        }
        return finish(picture, layout, moved, perMm);
    }

    /** The farthest that a corner of the sheet lies apart on two planes, mm. */
    private static double distance(CheckLayout layout, Plane a, Plane b) {
        List<Point> of = a.corners(layout.widthMm(), layout.heightMm());
        List<Point> to = b.corners(layout.widthMm(), layout.heightMm());
        double pixels = IntStream.range(0, 4)
                .mapToDouble(i -> of.get(i).distance(to.get(i)))
                .max()
                .orElse(0);
        return pixels / a.pixelsPerMm(layout.widthMm() / 2, layout.heightMm() / 2);
    }

    /**
     * A guess moved to its best shift.
     *
     * @param ink on its dashes there; only tells guesses of one sheet apart
     */
    record Promise(Plane plane, double ink) {}

    /** Looks at a guess at a tenth of the time of a fit. */
    static Promise promise(Raster picture, CheckLayout layout, Plane plane, double windowMm) {
        List<BlockPatch> patches = cut(picture, layout, plane, PROMISE_PER_MM);
        double[] shift = bestShift(patches, windowMm, windowMm / 10, 4);
        return new Promise(plane.moved(shift[0], shift[1]), inkAt(patches, shift[0], shift[1], 1));
    }

    /** Judges a place as it is, and cuts the blocks out of it. */
    static Fit finish(Raster picture, CheckLayout layout, Plane plane, double perMm) {
        List<BlockPatch> patches = cut(picture, layout, plane, perMm);
        double[][][] rest = quarters(patches, new double[] {0, 0}, QUARTER_WINDOW_MM);
        double sum = 0;
        double weight = 0;
        for (double[][] block : rest) {
            for (double[] quarter : block) {
                sum += quarter[2] * (quarter[0] * quarter[0] + quarter[1] * quarter[1]);
                weight += quarter[2];
            }
        }
        return new Fit(plane, weight == 0 ? 0 : Math.sqrt(sum / weight), cover(patches), lead(patches), rest, patches);
    }

    private static List<BlockPatch> cut(Raster picture, CheckLayout layout, Plane plane, double perMm) {
        return layout.blocks().parallelStream()
                .map(block -> new BlockPatch(picture, plane, block, perMm))
                .toList();
    }

    /** Ink gathered by all dashes when every block is moved by the same way, from a coarse and then a fine search. */
    private static double[] bestShift(List<BlockPatch> patches, double windowMm, double stepMm, int every) {
        double[] best = {0, 0};
        double bestInk = -1;
        int reach = (int) Math.round(windowMm / stepMm);
        for (int iy = -reach; iy <= reach; iy++) {
            for (int ix = -reach; ix <= reach; ix++) {
                double ink = inkAt(patches, ix * stepMm, iy * stepMm, every);
                if (ink > bestInk) {
                    bestInk = ink;
                    best = new double[] {ix * stepMm, iy * stepMm};
                }
            }
        }
        double[] coarse = best;
        bestInk = -1;
        for (int iy = -2; iy <= 2; iy++) {
            for (int ix = -2; ix <= 2; ix++) {
                double dx = coarse[0] + ix * FINE_STEP_MM;
                double dy = coarse[1] + iy * FINE_STEP_MM;
                double ink = inkAt(patches, dx, dy, 1);
                if (ink > bestInk) {
                    bestInk = ink;
                    best = new double[] {dx, dy};
                }
            }
        }
        return best;
    }

    private static double inkAt(List<BlockPatch> patches, double dxMm, double dyMm, int every) {
        double ink = 0;
        for (BlockPatch patch : patches) {
            boolean across = patch.block.direction() == Direction.ACROSS;
            ink += ink(patch, across ? dxMm : dyMm, across ? dyMm : dxMm, every);
        }
        return ink;
    }

    /** The pattern looks like itself one nozzle further, but for the ends of the stairs. */
    private static double lead(List<BlockPatch> patches) {
        double here = 0;
        double[] next = new double[2];
        for (BlockPatch patch : patches) {
            Block block = patch.block;
            here += ink(patch, 0, 0, 1);
            for (int i = 0; i < 2; i++) {
                int way = 2 * i - 1;
                next[i] += ink(patch, way * block.driftMm(), way * block.pitchMm(), 1);
            }
        }
        return here <= 0 ? 0 : (here - Math.max(next[0], next[1])) / here;
    }

    /** A block that sits a nozzle or two along its own stairs is sent to where it gathers most. */
    private static void stepBack(List<BlockPatch> patches, double[][][] shifts) {
        for (int b = 0; b < patches.size(); b++) {
            BlockPatch patch = patches.get(b);
            Block block = patch.block;
            double here = ink(patch, 0, 0, 1);
            double most = here * 1.01;
            int best = 0;
            for (int k = -2; k <= 2; k++) {
                double ink = ink(patch, k * block.driftMm(), k * block.pitchMm(), 1);
                if (ink > most) {
                    most = ink;
                    best = k;
                }
            }
            boolean across = block.direction() == Direction.ACROSS;
            for (double[] quarter : shifts[b]) {
                quarter[0] += best * (across ? block.driftMm() : block.pitchMm());
                quarter[1] += best * (across ? block.pitchMm() : block.driftMm());
            }
        }
    }

    /** Ink on the dashes of a block moved by (du, dv), mm; every so many of them. */
    private static double ink(BlockPatch patch, double du, double dv, int every) {
        Block block = patch.block;
        double ink = 0;
        for (int n = 1; n <= block.nozzles(); n += every) {
            ink += inkOf(patch, block.startMm(n) + du, block.lineMm(n) + dv);
        }
        return ink;
    }

    private static double inkOf(BlockPatch patch, double start, double line) {
        int y0 = patch.row(line - HALF_LINE_MM);
        int y1 = Math.max(y0 + 1, patch.row(line + HALF_LINE_MM));
        return patch.mean(patch.column(start), y0, patch.column(start + patch.block.dashMm()), y1);
    }

    /**
     * Nozzles of one quarter of a block.
     *
     * @param half which half along the dashes, 0 or 1
     * @param end which half across the dashes, 0 or 1
     */
    private static int[] quarterOf(Block block, int half, int end) {
        double middleU = block.alongMm() / 2;
        double middleV = block.steps() * block.pitchMm() / 2;
        return IntStream.rangeClosed(1, block.nozzles())
                .filter(n -> (block.startMm(n) + block.dashMm() / 2 > middleU ? 1 : 0) == half)
                .filter(n -> (block.lineMm(n) > middleV ? 1 : 0) == end)
                .toArray();
    }

    /** Shift of each quarter of each block and its weight: {dx, dy, weight} on the sheet, mm. */
    private static double[][][] quarters(List<BlockPatch> patches, double[] from, double alongMm) {
        return patches.parallelStream()
                .map(patch -> {
                    double[][] found = new double[4][];
                    for (int q = 0; q < 4; q++) {
                        found[q] = quarter(patch, from, alongMm, q & 1, q >> 1);
                    }
                    return found;
                })
                .toArray(double[][][]::new);
    }

    /** @param from where on the sheet the search begins, mm; the shift found is counted from there */
    private static double[] quarter(BlockPatch patch, double[] from, double alongMm, int half, int end) {
        boolean across = patch.block.direction() == Direction.ACROSS;
        double fromU = across ? from[0] : from[1];
        double fromV = across ? from[1] : from[0];
        int reach = (int) Math.round(QUARTER_WINDOW_MM / FINE_STEP_MM);
        int[] nozzles = quarterOf(patch.block, half, end);
        double[] starts =
                IntStream.of(nozzles).mapToDouble(patch.block::startMm).toArray();
        double[] lines = IntStream.of(nozzles).mapToDouble(patch.block::lineMm).toArray();
        int reachAlong = (int) Math.round(alongMm / FINE_STEP_MM);
        int side = 2 * reachAlong + 1;
        double[] inks = new double[side * (2 * reach + 1)];
        double[] best = {0, 0};
        double most = -1;
        double sum = 0;
        int places = 0;
        int at = 0;
        for (int iv = -reach; iv <= reach; iv++) {
            for (int iu = -reachAlong; iu <= reachAlong; iu++) {
                double du = fromU + iu * FINE_STEP_MM;
                double dv = fromV + iv * FINE_STEP_MM;
                double ink = 0;
                for (int i = 0; i < nozzles.length; i++) {
                    ink += inkOf(patch, starts[i] + du, lines[i] + dv);
                }
                inks[places++] = ink;
                sum += ink;
                // Among equals the smallest shift is taken.
                double tie = 1e-4 * (Math.abs(iu) + Math.abs(iv));
                if (ink - tie > most) {
                    most = ink - tie;
                    at = places - 1;
                    best = new double[] {iu * FINE_STEP_MM, iv * FINE_STEP_MM};
                }
            }
        }
        best[0] += FINE_STEP_MM * summit(inks, at, 1, at % side, side);
        best[1] += FINE_STEP_MM * summit(inks, at, side, at / side, 2 * reach + 1);
        double weight = Math.max(0, most - sum / places);
        // A handful of dashes cannot tell where their quarter lies.
        weight = weight < 2.5 ? 0 : weight;
        return weight == 0
                ? new double[] {0, 0, 0}
                : new double[] {across ? best[0] : best[1], across ? best[1] : best[0], weight};
    }

    /** Where between its neighbours the top of a parabola through three values lies, −0.5 to 0.5 of a step. */
    private static double summit(double[] values, int at, int step, int place, int side) {
        if (place == 0 || place == side - 1) {
            return 0;
        }
        double before = values[at - step];
        double after = values[at + step];
        double bend = before - 2 * values[at] + after;
        return bend >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, 0.5 * (before - after) / bend));
    }

    /**
     * Turns, stretches and shears the sheet so that the quarters fall in place: weighted least squares for x and y
     * apart, over 1, x and y. Null when too few quarters have ink.
     */
    private static Plane correct(CheckLayout layout, double[][][] quarters, Plane plane) {
        double[][] normal = new double[3][3];
        double[] toX = new double[3];
        double[] toY = new double[3];
        int used = 0;
        double cx = layout.widthMm() / 2;
        double cy = layout.heightMm() / 2;
        for (int b = 0; b < quarters.length; b++) {
            Block block = layout.blocks().get(b);
            boolean across = block.direction() == Direction.ACROSS;
            for (int q = 0; q < 4; q++) {
                double[] shift = quarters[b][q];
                if (shift[2] == 0) {
                    continue;
                }
                used++;
                double u = block.alongMm() * (0.25 + 0.5 * (q & 1));
                double v = block.acrossMm() * (0.25 + 0.5 * (q >> 1));
                double[] term = {
                    1, (block.xMm() + (across ? u : v) - cx) / cx, (block.yMm() + (across ? v : u) - cy) / cy
                };
                for (int i = 0; i < 3; i++) {
                    for (int j = 0; j < 3; j++) {
                        normal[i][j] += shift[2] * term[i] * term[j];
                    }
                    toX[i] += shift[2] * term[i] * shift[0];
                    toY[i] += shift[2] * term[i] * shift[1];
                }
            }
        }
        if (used == 0) {
            return null;
        }
        // A little weight on "no turn, no stretch" keeps one lone block from tilting the whole sheet.
        double damp = 0.05 * normal[0][0];
        normal[1][1] += damp;
        normal[2][2] += damp;
        double[] x = solve(normal, toX);
        double[] y = solve(normal, toY);
        return plane.after(Plane.of(
                1 + x[1] / cx, x[2] / cy, x[0] - x[1] - x[2], y[1] / cx, 1 + y[2] / cy, y[0] - y[1] - y[2], 0, 0, 1));
    }

    private static double[] solve(double[][] normal, double[] right) {
        org.ejml.data.DMatrixRMaj a = new org.ejml.data.DMatrixRMaj(normal);
        org.ejml.data.DMatrixRMaj b = new org.ejml.data.DMatrixRMaj(3, 1, true, right.clone());
        org.ejml.data.DMatrixRMaj x = new org.ejml.data.DMatrixRMaj(3, 1);
        org.ejml.dense.row.CommonOps_DDRM.solve(a, b, x);
        return x.data.clone();
    }

    /** Share of a block's ink that lies on or right beside a dash of the layout. */
    private static double cover(List<BlockPatch> patches) {
        double on = 0;
        double all = 0;
        for (BlockPatch patch : patches) {
            Block block = patch.block;
            int x0 = patch.column(0);
            int y0 = patch.row(0);
            int x1 = patch.column(block.alongMm());
            int y1 = patch.row(block.acrossMm());
            for (int y = y0; y < y1; y++) {
                for (int x = x0; x < x1; x++) {
                    float d = patch.density[y * patch.width + x];
                    if (d > 0.3) {
                        all += Math.min(1, d);
                        on += onDash(
                                        block,
                                        (x + 0.5) / patch.perMm - BlockPatch.MARGIN_MM,
                                        (y + 0.5) / patch.perMm - BlockPatch.MARGIN_MM)
                                ? Math.min(1, d)
                                : 0;
                    }
                }
            }
        }
        return all == 0 ? 0 : on / all;
    }

    private static boolean onDash(Block block, double u, double v) {
        int row = (int) Math.floor(v / block.pitchMm());
        if (row < 0 || row >= block.steps() || Math.abs(v - (row + 0.5) * block.pitchMm()) > 0.3 * block.pitchMm()) {
            return false;
        }
        double along = (u - row * block.driftMm()) / block.stairMm();
        double rest = (along - Math.floor(along)) * block.stairMm();
        return along >= -0.02 && rest <= block.dashMm() + 0.1;
    }
}
