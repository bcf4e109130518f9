package undoknot.simulator;

import java.awt.image.BufferedImage;
import java.util.List;
import undoknot.head.Channel;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.head.CheckLayout.Marks;
import undoknot.head.CheckLayout.Paper;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.scan.Raster;
import undoknot.scan.ScanReader;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;

/** A head of three channels with 80 nozzles each and a postcard-sized check of it: quick to print and to read. */
final class SmallSheet {

    static final Family FAMILY = new Family(
            "SMALL",
            "Small",
            Construction.DESK_PIEZO,
            List.of(
                    new Channel("K", "Black", "#22252b", "post", 80),
                    new Channel("C", "Cyan", "#0092c4", "post", 80),
                    new Channel("Y", "Yellow", "#d9a800", "post", 80)),
            10,
            8,
            4,
            20,
            30,
            List.of());

    static final CheckLayout MARKED = layout(new Marks(9, 4));
    static final CheckLayout UNMARKED = layout(null);

    private SmallSheet() {}

    private static CheckLayout layout(Marks marks) {
        return new CheckLayout(
                "small",
                "SMALL",
                110,
                80,
                marks,
                List.of(block("K", 18, 16, "#22252b"), block("C", 18, 32, "#0092c4"), block("Y", 18, 52, "#f2d81c")));
    }

    private static Block block(String code, double x, double y, String ink) {
        return new Block(code, 10, 8, Direction.ACROSS, false, false, 4.2, 0.9, x, y, 70, 7.2, ink, Paper.WHITE);
    }

    static Strokes strokes(long seed) {
        return StrokeMix.SCATTERED.draw(FAMILY, seed);
    }

    static BufferedImage print(CheckLayout layout, Strokes strokes, Scanning scanning, long seed) {
        return StandInPrinter.print(layout, strokes, scanning, seed);
    }

    static SheetReading read(BufferedImage image, CheckLayout layout) throws SheetNotFound {
        return ScanReader.read(Raster.of(image), layout, ScanReader.ByHand.NOTHING);
    }
}
