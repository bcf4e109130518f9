package undoknot.head;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Where a printed nozzle check has its dashes. Lengths are millimetres on the sheet, x to the right and y down from its
 * top left corner.
 *
 * @param name name shown to people
 * @param family code of the family it belongs to
 * @param widthMm width of the sheet
 * @param heightMm height of the sheet
 * @param marks four square marks in the corners of the check paper, or null when it has none
 * @param blocks one block a channel
 */
public record CheckLayout(
        String name, String family, double widthMm, double heightMm, Marks marks, List<Block> blocks) {

    /**
     * Square marks in the four corners, numbered clockwise from the top left.
     *
     * @param sizeMm outer side of a mark
     * @param insetMm distance of its outer sides from the sheet's edges
     */
    public record Marks(double sizeMm, double insetMm) {}

    /** What a block is printed on. A strip of another stock may be stuck on the sheet. */
    public enum Paper {
        WHITE("#f6f6f3"),
        /** Clear film, laid over a dark card for reading. */
        FILM("#59616b"),
        DARK("#24262b");

        private final String tone;

        Paper(String tone) {
            this.tone = tone;
        }

        /** Usual colour, as #rrggbb. */
        public String tone() {
            return tone;
        }
    }

    /** Along which way of the sheet a dash runs. */
    public enum Direction {
        ACROSS,
        DOWN
    }

    /**
     * The dashes of one channel. They step like stairs: nozzle − 1 = stair × steps + step.
     *
     * @param channel code of the channel
     * @param stairs number of stairs (C)
     * @param steps dashes of one stair (R)
     * @param direction along which way a dash runs
     * @param stairsReversed whether the first stair stands at the right (below, when dashes run down)
     * @param stepsReversed whether the first step stands lowest (rightmost, when dashes run down)
     * @param dashMm length of a dash
     * @param pitchMm distance from step to step
     * @param ink colour of the ink, as #rrggbb
     * @param paper what it is printed on
     */
    public record Block(
            String channel,
            int stairs,
            int steps,
            Direction direction,
            boolean stairsReversed,
            boolean stepsReversed,
            double dashMm,
            double pitchMm,
            double xMm,
            double yMm,
            double widthMm,
            double heightMm,
            String ink,
            Paper paper) {

        public Block {
            channel = channel == null ? "" : channel;
            ink = ink == null ? "" : ink;
            direction = direction == null ? Direction.ACROSS : direction;
            paper = paper == null ? Paper.WHITE : paper;
        }

        public int nozzles() {
            return stairs * steps;
        }

        /** Extent along the dashes. */
        public double alongMm() {
            return direction == Direction.ACROSS ? widthMm : heightMm;
        }

        /** Extent across the dashes. */
        public double acrossMm() {
            return direction == Direction.ACROSS ? heightMm : widthMm;
        }

        /** Distance from the start of one stair to that of the next. The last dash ends at the block's far side. */
        public double stairMm() {
            return (alongMm() - dashMm) / (stairs - 1.0 / steps);
        }

        /** By how much one step starts after the step before. */
        public double driftMm() {
            return stairMm() / steps;
        }

        /** Where a nozzle's dash starts, along the dashes from the block's side. */
        public double startMm(int nozzle) {
            int stair = (nozzle - 1) / steps;
            int place = stairsReversed ? stairs - 1 - stair : stair;
            return place * stairMm() + placeOfStep(nozzle) * driftMm();
        }

        /** Where the middle line of a nozzle's dash runs, across the dashes from the block's side. */
        public double lineMm(int nozzle) {
            return (placeOfStep(nozzle) + 0.5) * pitchMm;
        }

        /** Row of the dash, 0 first. */
        public int placeOfStep(int nozzle) {
            int step = (nozzle - 1) % steps;
            return stepsReversed ? steps - 1 - step : step;
        }

        /** The nozzle whose dash stands in the same stair and {@code rows} rows further, when there is one. */
        public Optional<Integer> neighbour(int nozzle, int rows) {
            int place = placeOfStep(nozzle) + rows;
            if (place < 0 || place >= steps) {
                return Optional.empty();
            }
            int step = stepsReversed ? steps - 1 - place : place;
            return Optional.of((nozzle - 1) / steps * steps + step + 1);
        }

        boolean overlaps(double x, double y, double width, double height) {
            return xMm < x + width && x < xMm + widthMm && yMm < y + height && y < yMm + heightMm;
        }
    }

    /** Why a layout is refused. */
    public enum Fault {
        NO_BLOCKS,
        SHEET_SIZE,
        MARK_SIZE,
        UNKNOWN_CHANNEL,
        CHANNEL_TWICE,
        CHANNEL_WITHOUT_BLOCK,
        NOZZLES_DIFFER,
        OFF_SHEET,
        BLOCKS_OVERLAP,
        OVER_A_MARK,
        /** The dash is longer than the room a stair gives it, or too short to be seen. */
        DASH_LENGTH,
        /** The steps do not fit into the block, or stand closer than a scanner can tell apart. */
        STEP_PITCH,
        COLOUR
    }

    /**
     * One reason to refuse a layout.
     *
     * @param channel the block it is about, or null when it is about the sheet
     * @param detail what was found and what is needed, for instance {@code 12 × 15 = 180, not 160}
     */
    public record Problem(Fault fault, String channel, String detail) {}

    public CheckLayout {
        blocks = blocks == null ? List.of() : List.copyOf(blocks);
    }

    /** The same without the blocks of channels that a printer does not carry. */
    public CheckLayout having(Collection<String> channels) {
        List<Block> there =
                blocks.stream().filter(b -> channels.contains(b.channel())).toList();
        return there.size() == blocks.size() ? this : new CheckLayout(name, family, widthMm, heightMm, marks, there);
    }

    public Optional<Block> block(String channel) {
        return blocks.stream().filter(b -> b.channel().equals(channel)).findFirst();
    }

    private static final double LEAST_PITCH_MM = 0.5;
    private static final double LEAST_DASH_MM = 1.0;

    /** Everything that forbids reading a check of this family by this layout; empty when it is sound. */
    public List<Problem> problems(Family of) {
        List<Problem> found = new ArrayList<>();
        if (!(widthMm >= 40 && widthMm <= 450 && heightMm >= 40 && heightMm <= 450)) {
            found.add(new Problem(Fault.SHEET_SIZE, null, widthMm + " × " + heightMm + " mm, not 40 to 450"));
        }
        if (marks != null && !(marks.sizeMm() >= 5 && marks.sizeMm() <= 25 && marks.insetMm() >= 2)) {
            found.add(new Problem(
                    Fault.MARK_SIZE, null, marks.sizeMm() + " mm, not 5 to 25, or nearer than 2 mm to the edge"));
        }
        if (blocks.isEmpty()) {
            found.add(new Problem(Fault.NO_BLOCKS, null, "0"));
        }
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            Optional<Channel> channel = of.channel(block.channel());
            if (channel.isEmpty()) {
                found.add(new Problem(Fault.UNKNOWN_CHANNEL, block.channel(), of.name()));
            } else if (channel.get().nozzles() != block.nozzles()) {
                found.add(new Problem(
                        Fault.NOZZLES_DIFFER,
                        block.channel(),
                        block.stairs() + " × " + block.steps() + " = " + block.nozzles() + ", not "
                                + channel.get().nozzles()));
            }
            if (!seen.add(block.channel())) {
                found.add(new Problem(Fault.CHANNEL_TWICE, block.channel(), block.channel()));
            }
            problemsOf(block, found);
            for (Block other : blocks.subList(0, i)) {
                if (block.overlaps(other.xMm(), other.yMm(), other.widthMm(), other.heightMm())) {
                    found.add(new Problem(Fault.BLOCKS_OVERLAP, block.channel(), other.channel()));
                }
            }
        }
        for (Channel channel : of.channels()) {
            if (!seen.contains(channel.code())) {
                found.add(new Problem(Fault.CHANNEL_WITHOUT_BLOCK, channel.code(), channel.code()));
            }
        }
        return found;
    }

    private void problemsOf(Block b, List<Problem> found) {
        if (!(b.xMm() >= 0
                && b.yMm() >= 0
                && b.widthMm() > 0
                && b.heightMm() > 0
                && b.xMm() + b.widthMm() <= widthMm
                && b.yMm() + b.heightMm() <= heightMm)) {
            found.add(new Problem(Fault.OFF_SHEET, b.channel(), widthMm + " × " + heightMm + " mm"));
        }
        if (!b.ink().matches("#[0-9a-fA-F]{6}")) {
            found.add(new Problem(Fault.COLOUR, b.channel(), b.ink()));
        }
        if (b.stairs() < 1 || b.steps() < 2) {
            found.add(new Problem(Fault.NOZZLES_DIFFER, b.channel(), b.stairs() + " × " + b.steps()));
            return;
        }
        double longest = 0.8 * b.stairMm();
        if (!(b.dashMm() >= LEAST_DASH_MM && b.dashMm() <= longest)) {
            found.add(new Problem(
                    Fault.DASH_LENGTH,
                    b.channel(),
                    String.format(
                            java.util.Locale.ROOT, "%.2f mm, not %.1f to %.2f", b.dashMm(), LEAST_DASH_MM, longest)));
        }
        double widest = b.acrossMm() / b.steps();
        if (!(b.pitchMm() >= LEAST_PITCH_MM && b.pitchMm() <= widest * 1.001)) {
            found.add(new Problem(
                    Fault.STEP_PITCH,
                    b.channel(),
                    String.format(
                            java.util.Locale.ROOT, "%.2f mm, not %.1f to %.2f", b.pitchMm(), LEAST_PITCH_MM, widest)));
        }
        if (marks != null) {
            double near = marks.insetMm();
            double far = near + marks.sizeMm();
            for (double x : new double[] {near, widthMm - far}) {
                for (double y : new double[] {near, heightMm - far}) {
                    if (b.overlaps(x, y, marks.sizeMm(), marks.sizeMm())) {
                        found.add(new Problem(Fault.OVER_A_MARK, b.channel(), x + ", " + y));
                    }
                }
            }
        }
    }
}
