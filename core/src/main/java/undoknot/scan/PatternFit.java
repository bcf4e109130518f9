package undoknot.scan;

import java.util.List;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;

/**
 * Slides the layout's dashes over the printed ones until they lie on each other: first the whole sheet, then each
 * cell of each block, which tells how the sheet is turned, stretched and bent.
 */
final class PatternFit {

    private static final double COARSE_STEP_MM = 0.12;
    /** The first look needs fewer pixels than the judgement. */
    private static final double COARSE_SHARE = 0.7;

    private static final double TIGHT_SHARE = 0.5;

    private static final double CELL_WINDOW_MM = 0.36;

    /** Across the dashes a bend is followed by up to half a step and a little. */
    private static final double BEND_WINDOW_MM = 0.5;

    /** A block with less ink than this, as the mean over its dashes, cannot tell where it lies. */
    private static final double LEAST_INK = 0.04;

    /** How strongly the terms beyond turn and stretch are held back, as a share of the weight of all cells. */
    private static final double STIFFNESS = 0.002;

    /** Along the dashes the pattern repeats only after a whole stair, so a wrong scale can be felt for further. */
    private static final double LOOSE_WINDOW_MM = 1.1;

    private static final double PROMISE_PER_MM = 3;

    /** A plane that moved by less than this needs no further round. */
    private static final double SETTLED_MM = 0.03;

    private PatternFit() {}

    /**
     * @param warp where the sheet lies after the fit
     * @param residualMm root of the mean squared distance between cells and warp, weighted by their ink
     * @param cover share of the ink in the blocks that lies on dashes of the layout, 0 when there is no ink
     * @param cellCover the same by block and cell
     * @param lead by how much the chosen place beats the place one step along the stairs, as a share; small when the
     *     pattern could as well sit one nozzle further
     * @param leads the same for each block alone; 0 for a block with next to no ink
     * @param cells rest of the shift of each cell of each block, mm, and its weight: dx, dy, weight by block and cell
     * @param patches the blocks as the warp cuts them out
     */
    record Fit(
            Warp warp,
            double residualMm,
            double cover,
            double[][] cellCover,
            double lead,
            double[] leads,
            double[][][] cells,
            List<BlockPatch> patches) {}

    /** Lays the layout over a sheet whose place is known to within a fraction of a step. */
    static Fit tight(Raster picture, CheckLayout layout, Warp warp, double windowMm, double perMm) {
        List<BlockPatch> patches = cut(picture, layout, warp, perMm * TIGHT_SHARE);
        double[] shift = bestShift(patches, windowMm, COARSE_STEP_MM, 1);
        Warp moved = warp.moved(shift[0], shift[1]);
        Warp corrected = correct(
                layout,
                CellShifts.cells(patches, CellShifts.COARSE, shift, CELL_WINDOW_MM, CELL_WINDOW_MM),
                CellShifts.COARSE,
                moved,
                Warp.AFFINE);
        return finish(picture, layout, corrected == null ? moved : corrected, perMm);
    }

    /** Lays the layout over a sheet whose place is known to within a few steps. */
    static Fit loose(Raster picture, CheckLayout layout, Warp warp, double windowMm, double perMm) {
        List<BlockPatch> patches = cut(picture, layout, warp, perMm * COARSE_SHARE);
        double[] shift = bestShift(patches, windowMm, Math.max(COARSE_STEP_MM, windowMm / 14), 3);
        int[] terms = {Warp.AFFINE, Warp.AFFINE, Warp.AFFINE};
        Warp moved = warp.moved(shift[0], shift[1]);
        return finish(picture, layout, follow(picture, layout, moved, terms, CellShifts.COARSE, perMm), perMm);
    }

    /** Bends the layout with a sheet that is not flat, or a lens that is not straight, from a place that is nearly right. */
    static Fit bend(Raster picture, CheckLayout layout, Warp warp, double perMm) {
        int[] rising = {
            Warp.AFFINE, Warp.BOWED, Warp.BOWED, Warp.LENS, Warp.LENS, Warp.LENS, Warp.LENS, Warp.LENS, Warp.LENS
        };
        return finish(picture, layout, follow(picture, layout, warp, rising, CellShifts.ALONG_A_BEND, perMm), perMm);
    }

    /** Walks after the dashes, with as many terms of the shift in each round as given. */
    private static Warp follow(
            Raster picture, CheckLayout layout, Warp from, int[] terms, CellShifts.Grid grid, double perMm) {
        Warp at = from;
        for (int round = 0; round < terms.length; round++) {
            List<BlockPatch> patches = cut(picture, layout, at, perMm * COARSE_SHARE);
            double across = grid == CellShifts.COARSE ? CELL_WINDOW_MM : BEND_WINDOW_MM;
            double[][][] shifts = CellShifts.cells(patches, grid, CellShifts.STILL, LOOSE_WINDOW_MM, across);
            if (grid == CellShifts.COARSE) {
                CellShifts.stepBack(patches, shifts);
            } else {
                CellShifts.unwrap(patches, shifts);
            }
            Warp corrected = correct(layout, shifts, grid, at, terms[round]);
            if (corrected == null) {
                break;
            }
            boolean settled = distance(corrected, at) < SETTLED_MM;
            at = corrected;
            if (settled && terms[round] == terms[terms.length - 1]) {
                break;
            }
        }
        return at;
    }

    /** The farthest that a corner of the sheet lies apart, mm. */
    private static double distance(Warp a, Warp b) {
        List<Point> of = a.corners();
        List<Point> to = b.corners();
        double pixels = IntStream.range(0, 4)
                .mapToDouble(i -> of.get(i).distance(to.get(i)))
                .max()
                .orElse(0);
        Point first = of.get(0);
        Point far = of.get(2);
        // The sheet is never under 40 mm wide, so that a corner's own scale need not be known better than this.
        return pixels * Math.hypot(a.sizeX(), a.sizeY()) / Math.max(1, first.distance(far));
    }

    /**
     * A guess moved to its best shift.
     *
     * @param ink on its dashes there; only tells guesses of one sheet apart
     */
    record Promise(Warp warp, double ink) {}

    /** Looks at a guess at a tenth of the time of a fit. */
    static Promise promise(Raster picture, CheckLayout layout, Warp warp, double windowMm) {
        List<BlockPatch> patches = cut(picture, layout, warp, PROMISE_PER_MM);
        double[] shift = bestShift(patches, windowMm, windowMm / 10, 4);
        return new Promise(warp.moved(shift[0], shift[1]), inkAt(patches, shift[0], shift[1], 1));
    }

    /** Judges a place as it is, and cuts the blocks out of it. */
    static Fit finish(Raster picture, CheckLayout layout, Warp warp, double perMm) {
        List<BlockPatch> patches = cut(picture, layout, warp, perMm);
        double[][][] rest =
                CellShifts.cells(patches, CellShifts.COARSE, CellShifts.STILL, CELL_WINDOW_MM, CELL_WINDOW_MM);
        double sum = 0;
        double weight = 0;
        for (double[][] block : rest) {
            for (double[] cell : block) {
                sum += cell[2] * (cell[0] * cell[0] + cell[1] * cell[1]);
                weight += cell[2];
            }
        }
        double[] leads = patches.stream().mapToDouble(PatternFit::leadOf).toArray();
        double[][][] ink = patches.parallelStream().map(DashCover::inkByCell).toArray(double[][][]::new);
        return new Fit(
                warp,
                weight == 0 ? 0 : Math.sqrt(sum / weight),
                DashCover.cover(ink),
                DashCover.coverByCell(patches, ink),
                lead(patches),
                leads,
                rest,
                patches);
    }

    private static List<BlockPatch> cut(Raster picture, CheckLayout layout, Warp warp, double perMm) {
        return layout.blocks().parallelStream()
                .map(block -> new BlockPatch(picture, warp, block, perMm))
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
                double dx = coarse[0] + ix * CellShifts.FINE_STEP_MM;
                double dy = coarse[1] + iy * CellShifts.FINE_STEP_MM;
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
            ink += CellShifts.ink(patch, across ? dxMm : dyMm, across ? dyMm : dxMm, every);
        }
        return ink;
    }

    /** The pattern looks like itself one nozzle further, but for the ends of the stairs. */
    private static double lead(List<BlockPatch> patches) {
        double here = 0;
        double[] next = new double[2];
        for (BlockPatch patch : patches) {
            Block block = patch.block;
            here += CellShifts.ink(patch, 0, 0, 1);
            for (int i = 0; i < 2; i++) {
                int way = 2 * i - 1;
                next[i] += CellShifts.ink(patch, way * block.driftMm(), way * block.pitchMm(), 1);
            }
        }
        return here <= 0 ? 0 : (here - Math.max(next[0], next[1])) / here;
    }

    /** How much better a block's own ink fits here than one nozzle further either way, as a share; 0 with next to no ink. */
    static double leadOf(BlockPatch patch) {
        double here = CellShifts.ink(patch, 0, 0, 1);
        double next = Math.max(
                CellShifts.ink(patch, patch.block.driftMm(), patch.block.pitchMm(), 1),
                CellShifts.ink(patch, -patch.block.driftMm(), -patch.block.pitchMm(), 1));
        double most = Math.max(here, next);
        return most < LEAST_INK * patch.block.nozzles() ? 0 : (here - next) / most;
    }

    /**
     * Turns, stretches and, with more terms, bends the sheet so that the cells fall in place: weighted least squares for x
     * and y apart. Null when too few cells have ink.
     */
    private static Warp correct(CheckLayout layout, double[][][] cells, CellShifts.Grid grid, Warp warp, int terms) {
        double[][] normal = new double[terms][terms];
        double[] toX = new double[terms];
        double[] toY = new double[terms];
        double[] term = new double[Warp.LENS];
        int used = 0;
        for (int b = 0; b < cells.length; b++) {
            Block block = layout.blocks().get(b);
            boolean across = block.direction() == Direction.ACROSS;
            for (int c = 0; c < grid.cells(); c++) {
                double[] shift = cells[b][c];
                if (shift[2] == 0) {
                    continue;
                }
                used++;
                double u = block.alongMm() * (c % grid.along() + 0.5) / grid.along();
                double v = block.acrossMm() * (c / grid.along() + 0.5) / grid.across();
                warp.terms(block.xMm() + (across ? u : v), block.yMm() + (across ? v : u), term);
                for (int i = 0; i < terms; i++) {
                    for (int j = 0; j < terms; j++) {
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
        for (int i = 1; i < terms; i++) {
            normal[i][i] += (i < Warp.AFFINE ? 0.02 : STIFFNESS) * normal[0][0];
        }
        return warp.plus(solve(normal, toX), solve(normal, toY));
    }

    private static double[] solve(double[][] normal, double[] right) {
        org.ejml.data.DMatrixRMaj a = new org.ejml.data.DMatrixRMaj(normal);
        org.ejml.data.DMatrixRMaj b = new org.ejml.data.DMatrixRMaj(right.length, 1, true, right.clone());
        org.ejml.data.DMatrixRMaj x = new org.ejml.data.DMatrixRMaj(right.length, 1);
        org.ejml.dense.row.CommonOps_DDRM.solve(a, b, x);
        return x.data.clone();
    }
}
