package undoknot.head;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.head.CheckLayout.Marks;
import undoknot.head.CheckLayout.Paper;

/** The check layout that ships with each starter family, and one that another family starts with, on A4 paper. */
public final class StarterLayouts {

    private static final double WIDTH_MM = 210;
    private static final double HEIGHT_MM = 297;
    private static final double PITCH_MM = 0.9;
    private static final Marks MARKS = new Marks(10, 7);

    /**
     * How the starter family lays out its check.
     *
     * @param marked whether its check paper carries registration marks
     * @param blockMm length of a block along its dashes
     * @param perRow blocks beside one another (below one another, when dashes run down)
     */
    private record Plan(
            Direction direction,
            boolean marked,
            boolean stairsReversed,
            boolean stepsReversed,
            double blockMm,
            int perRow) {}

    private static final Map<String, Plan> PLANS = Map.of(
            "SKERRIN-L4", new Plan(Direction.ACROSS, true, false, false, 82, 2),
            "ORSEL-D6", new Plan(Direction.ACROSS, false, false, false, 82, 2),
            "VENNICK-B3", new Plan(Direction.DOWN, true, false, false, 84, 1),
            "TARROW-T4", new Plan(Direction.ACROSS, true, true, false, 82, 2),
            "PELLAM-M5", new Plan(Direction.ACROSS, false, false, true, 82, 2),
            "HULVER-W8", new Plan(Direction.ACROSS, true, false, false, 84, 2));

    /** What a family of the shop's own starts with; whether it fits on the sheet its problems say. */
    private static final Plan OF_ANOTHER = new Plan(Direction.ACROSS, true, false, false, 82, 2);

    public static CheckLayout of(Family family) {
        Plan plan = PLANS.getOrDefault(family.code(), OF_ANOTHER);
        double deepMm = family.steps() * PITCH_MM;
        double gapMm = 12;
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < family.channels().size(); i++) {
            Channel channel = family.channels().get(i);
            double along = 17 + i % plan.perRow() * (plan.blockMm() + 10);
            double across = 32 + i / plan.perRow() * (deepMm + gapMm);
            boolean flat = plan.direction() == Direction.ACROSS;
            double stairMm = plan.blockMm() / family.stairs();
            blocks.add(new Block(
                    channel.code(),
                    family.stairs(),
                    family.steps(),
                    plan.direction(),
                    plan.stairsReversed(),
                    plan.stepsReversed(),
                    Math.round(stairMm * 0.62 * 20) / 20.0,
                    PITCH_MM,
                    flat ? along : across,
                    flat ? across : along + 15,
                    flat ? plan.blockMm() : deepMm,
                    flat ? deepMm : plan.blockMm(),
                    inkOf(channel),
                    paperOf(channel)));
        }
        return new CheckLayout(
                family.name() + " check", family.code(), WIDTH_MM, HEIGHT_MM, plan.marked() ? MARKS : null, blocks);
    }

    private static Paper paperOf(Channel channel) {
        return channel.colour().equals("White") ? Paper.DARK : Paper.WHITE;
    }

    /** The channel's colour on the screen is darkened for light inks, so the printed ones stand here. */
    private static String inkOf(Channel channel) {
        return switch (channel.colour()) {
            case "White" -> "#f2f3f4";
            case "Yellow" -> "#f2d81c";
            case "Silver" -> "#a9b0b8";
            default -> channel.ink();
        };
    }

    private StarterLayouts() {}
}
