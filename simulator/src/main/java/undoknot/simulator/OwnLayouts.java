package undoknot.simulator;

import java.util.List;
import undoknot.head.Channel;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.head.CheckLayout.Marks;
import undoknot.head.CheckLayout.Paper;
import undoknot.head.Construction;
import undoknot.head.Family;

/** Two sheets as a shop may lay them out for itself, of sizes that no starter family has. */
public final class OwnLayouts {

    private OwnLayouts() {}

    /** Two channels of 360 nozzles, one under the other. */
    public static final Family TWO_LONG = new Family(
            "OWN-2X360",
            "Own, two by 360",
            Construction.DESK_PIEZO,
            List.of(
                    new Channel("K", "Black", "#22252b", "back", 360),
                    new Channel("M", "Magenta", "#c2186b", "front", 360)),
            24,
            15,
            4,
            20,
            30,
            List.of());

    public static final CheckLayout TWO_LONG_SHEET = new CheckLayout(
            "own, two by 360",
            "OWN-2X360",
            148,
            105,
            new Marks(8, 4),
            List.of(
                    block("K", 24, 15, 18, 20, 114, 13.5, 0.9, 3.0, "#22252b"),
                    block("M", 24, 15, 18, 62, 114, 13.5, 0.9, 3.0, "#c2186b")));

    /** Four channels on a landscape sheet without marks, as far from its left edge as from its right. */
    public static final Family LANDSCAPE = new Family(
            "OWN-LAND",
            "Own, landscape",
            Construction.DESK_PIEZO,
            List.of(
                    new Channel("K", "Black", "#22252b", "a", 120),
                    new Channel("C", "Cyan", "#0092c4", "b", 120),
                    new Channel("M", "Magenta", "#c2186b", "c", 120),
                    new Channel("Y", "Yellow", "#d9a800", "d", 120)),
            12,
            10,
            4,
            20,
            30,
            List.of());

    public static final CheckLayout LANDSCAPE_SHEET = new CheckLayout(
            "own, landscape",
            "OWN-LAND",
            210,
            120,
            null,
            List.of(
                    block("K", 12, 10, 15, 22, 80, 8, 0.8, 3.6, "#22252b"),
                    block("C", 12, 10, 115, 22, 80, 8, 0.8, 3.6, "#0092c4"),
                    block("M", 12, 10, 15, 84, 80, 8, 0.8, 3.6, "#c2186b"),
                    block("Y", 12, 10, 115, 84, 80, 8, 0.8, 3.6, "#f2d81c")));

    private static Block block(
            String code,
            int stairs,
            int steps,
            double x,
            double y,
            double width,
            double height,
            double pitch,
            double dash,
            String ink) {
        return new Block(
                code,
                stairs,
                steps,
                Direction.ACROSS,
                false,
                false,
                dash,
                pitch,
                x,
                y,
                width,
                height,
                ink,
                Paper.WHITE);
    }
}
