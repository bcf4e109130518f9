package undoknot.scan;

import java.util.List;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.scan.CellShifts.Grid;

/** How much of the ink in the blocks lies where the layout has a dash. */
final class DashCover {

    /** Ink of some dashes, mm². */
    private static final double LEAST_INK_MM2 = 2.5;

    private DashCover() {}

    /** Ink in each cell of a block, and the part of it on or right beside a dash of the layout: {on, all} by cell. */
    static double[][] inkByCell(BlockPatch patch) {
        Block block = patch.block;
        double[][] ink = new double[CellShifts.CELLS][2];
        int x0 = patch.column(0);
        int y0 = patch.row(0);
        int x1 = patch.column(block.alongMm());
        int y1 = patch.row(block.acrossMm());
        for (int y = y0; y < y1; y++) {
            double v = (y + 0.5) / patch.perMm - BlockPatch.MARGIN_MM;
            int row = Grid.clamp(v / (block.steps() * block.pitchMm()), CellShifts.COARSE.across())
                    * CellShifts.COARSE.along();
            for (int x = x0; x < x1; x++) {
                float d = patch.density[y * patch.width + x];
                if (d > 0.3) {
                    double u = (x + 0.5) / patch.perMm - BlockPatch.MARGIN_MM;
                    double[] cell = ink[row + Grid.clamp(u / block.alongMm(), CellShifts.COARSE.along())];
                    cell[1] += Math.min(1, d);
                    cell[0] += onDash(block, u, v) ? Math.min(1, d) : 0;
                }
            }
        }
        return ink;
    }

    static double cover(double[][][] ink) {
        double on = 0;
        double all = 0;
        for (double[][] block : ink) {
            for (double[] cell : block) {
                on += cell[0];
                all += cell[1];
            }
        }
        return all == 0 ? 0 : on / all;
    }

    /** Share of its ink on dashes by block and cell; 1 where there is too little to tell. */
    static double[][] coverByCell(List<BlockPatch> patches, double[][][] ink) {
        double[][] cover = new double[ink.length][CellShifts.CELLS];
        for (int b = 0; b < ink.length; b++) {
            double perMm = patches.get(b).perMm;
            for (int c = 0; c < CellShifts.CELLS; c++) {
                cover[b][c] = ink[b][c][1] < LEAST_INK_MM2 * perMm * perMm ? 1 : ink[b][c][0] / ink[b][c][1];
            }
        }
        return cover;
    }

    /** Whether the middle of a dash of the block lies at a place on the sheet, mm, give or take a third of a dash. */
    static boolean hasDashAt(Block block, Point at) {
        boolean across = block.direction() == Direction.ACROSS;
        double u = across ? at.x() - block.xMm() : at.y() - block.yMm();
        double v = across ? at.y() - block.yMm() : at.x() - block.xMm();
        int row = (int) Math.floor(v / block.pitchMm());
        if (row < 0 || row >= block.steps() || Math.abs(v - (row + 0.5) * block.pitchMm()) > 0.35 * block.pitchMm()) {
            return false;
        }
        double along = (u - block.dashMm() / 2 - row * block.driftMm()) / block.stairMm();
        long stair = Math.round(along);
        return stair >= 0
                && stair < block.stairs()
                && Math.abs(along - stair) * block.stairMm()
                        < Math.min(block.dashMm() / 3, 0.8 * block.driftMm() + 0.15);
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
