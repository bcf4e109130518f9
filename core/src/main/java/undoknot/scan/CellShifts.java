package undoknot.scan;

import java.util.List;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;

/** How far the dashes of each part of each block lie off their place, and the ink that tells it. */
final class CellShifts {

    /** A block in cells, so many along its dashes and so many across. */
    record Grid(int along, int across) {
        int cells() {
            return along * across;
        }

        int cellOf(Block block, int nozzle) {
            double at = (block.startMm(nozzle) + block.dashMm() / 2) / block.alongMm();
            double far = block.lineMm(nozzle) / (block.steps() * block.pitchMm());
            return clamp(far, across) * along + clamp(at, along);
        }

        static int clamp(double share, int of) {
            return Math.max(0, Math.min(of - 1, (int) (share * of)));
        }
    }

    /** Half a dash is assumed to be this thick. Only used to gather ink, not to judge it. */
    private static final double HALF_LINE_MM = 0.12;

    static final double FINE_STEP_MM = 0.1;

    /** For judging dashes. */
    static final Grid COARSE = new Grid(4, 2);

    /** For following a bend, which may run over several nozzles within one block. */
    static final Grid ALONG_A_BEND = new Grid(8, 1);

    static final int CELLS = COARSE.cells();

    /** So many nozzles a block is looked for along its stairs. */
    private static final int MOST_STEPS = 3;

    static final double[] STILL = {0, 0};

    private CellShifts() {}

    /** A block that sits a nozzle or two along its own stairs is sent to where it gathers most. */
    static void stepBack(List<BlockPatch> patches, double[][][] shifts) {
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
            for (double[] cell : shifts[b]) {
                cell[0] += best * (across ? block.driftMm() : block.pitchMm());
                cell[1] += best * (across ? block.pitchMm() : block.driftMm());
            }
        }
    }

    /** Ink on the dashes of a block moved by (du, dv), mm; every so many of them. */
    static double ink(BlockPatch patch, double du, double dv, int every) {
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

    /** The cell of its block that a nozzle's dash lies in. */
    static int cellOf(Block block, int nozzle) {
        return COARSE.cellOf(block, nozzle);
    }

    private static int[] nozzlesIn(Block block, Grid grid, int cell) {
        return IntStream.rangeClosed(1, block.nozzles())
                .filter(n -> grid.cellOf(block, n) == cell)
                .toArray();
    }

    /** Shift of each cell of each block and its weight: {dx, dy, weight} on the sheet, mm. */
    static double[][][] cells(List<BlockPatch> patches, Grid grid, double[] from, double alongMm, double acrossMm) {
        return patches.parallelStream()
                .map(patch -> IntStream.range(0, grid.cells())
                        .mapToObj(cell -> cell(patch, from, alongMm, acrossMm, nozzlesIn(patch.block, grid, cell)))
                        .toArray(double[][]::new))
                .toArray(double[][][]::new);
    }

    /**
     * The cells of a bent block tell their shift but for whole nozzles. From cell to cell it changes little; for the block
     * as a whole the ends of its stairs tell.
     */
    static void unwrap(List<BlockPatch> patches, double[][][] shifts) {
        for (int b = 0; b < patches.size(); b++) {
            Block block = patches.get(b).block;
            double[] last = null;
            double[] trend = {0, 0};
            for (double[] cell : shifts[b]) {
                if (cell[2] == 0) {
                    continue;
                }
                if (last != null) {
                    step(block, cell, bestSteps(block, cell, last[0] + trend[0], last[1] + trend[1]));
                    trend[0] = 0.5 * (cell[0] - last[0]);
                    trend[1] = 0.5 * (cell[1] - last[1]);
                }
                last = cell;
            }
            int best = 0;
            double most = -1;
            for (int k = -MOST_STEPS; k <= MOST_STEPS; k++) {
                // Among equals the smallest step is taken.
                double ink = inkWith(patches.get(b), shifts[b], k) * (1 - 0.002 * Math.abs(k));
                if (ink > most) {
                    most = ink;
                    best = k;
                }
            }
            for (double[] cell : shifts[b]) {
                step(block, cell, best);
            }
        }
    }

    private static int bestSteps(Block block, double[] cell, double x, double y) {
        int best = 0;
        double least = Double.MAX_VALUE;
        for (int k = -MOST_STEPS; k <= MOST_STEPS; k++) {
            double[] there = cell.clone();
            step(block, there, k);
            double off = Math.hypot(there[0] - x, there[1] - y);
            if (off < least) {
                least = off;
                best = k;
            }
        }
        return best;
    }

    /** Moves a cell by whole nozzles along the stairs. */
    private static void step(Block block, double[] cell, int nozzles) {
        boolean across = block.direction() == Direction.ACROSS;
        cell[0] += nozzles * (across ? block.driftMm() : block.pitchMm());
        cell[1] += nozzles * (across ? block.pitchMm() : block.driftMm());
    }

    /** Ink on a block's dashes, each moved with its cell and by so many nozzles. */
    private static double inkWith(BlockPatch patch, double[][] shifts, int nozzles) {
        Block block = patch.block;
        boolean across = block.direction() == Direction.ACROSS;
        double[] known = nearest(shifts);
        double ink = 0;
        for (int n = 1; n <= block.nozzles(); n++) {
            double[] cell = shifts[ALONG_A_BEND.cellOf(block, n)];
            double[] shift = cell[2] == 0 ? known : cell;
            double du = (across ? shift[0] : shift[1]) + nozzles * block.driftMm();
            double dv = (across ? shift[1] : shift[0]) + nozzles * block.pitchMm();
            ink += inkOf(patch, block.startMm(n) + du, block.lineMm(n) + dv);
        }
        return ink;
    }

    private static double[] nearest(double[][] shifts) {
        double[] most = {0, 0, 0};
        for (double[] cell : shifts) {
            most = cell[2] > most[2] ? cell : most;
        }
        return most;
    }

    /** @param from where on the sheet the search begins, mm; the shift found is counted from there */
    private static double[] cell(BlockPatch patch, double[] from, double alongMm, double acrossMm, int[] nozzles) {
        boolean across = patch.block.direction() == Direction.ACROSS;
        double fromU = across ? from[0] : from[1];
        double fromV = across ? from[1] : from[0];
        int reach = (int) Math.round(acrossMm / FINE_STEP_MM);
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
        // A handful of dashes cannot tell where their cell lies.
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
}
