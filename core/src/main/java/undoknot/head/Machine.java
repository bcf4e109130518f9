package undoknot.head;

import java.util.List;

/**
 * What the printers of a family share, as far as it is known (handbook 9).
 *
 * @param parts what comes off on the way to the head, in the order in which it comes off
 * @param alignment how the head is aligned; null while nobody knows
 * @param cycleInk what the printer's own cycles burn
 * @param removal how the head comes out, in words; empty while nobody knows
 */
public record Machine(List<String> parts, Alignment alignment, CycleInk cycleInk, String removal) {

    public static final Machine UNKNOWN = new Machine(List.of(), null, CycleInk.UNKNOWN, "");

    /**
     * Positions that are each set on a scale with a centre (handbook 14).
     *
     * @param positions how many
     * @param least first step of the scale
     * @param most last step
     * @param centre the step that moves nothing
     * @param recentres whether a pass makes the chosen step the new centre; otherwise it stands
     */
    public record Alignment(int positions, int least, int most, int centre, boolean recentres) {

        /** @throws IllegalArgumentException when there is no position, or the centre is off the scale */
        public Alignment {
            if (positions < 1 || positions > 40 || least >= most || centre < least || centre > most) {
                throw new IllegalArgumentException(
                        "an alignment has 1 to 40 positions and its centre on its scale, was " + positions
                                + " positions, " + least + " to " + most + ", centre " + centre);
            }
        }
    }

    /** Ink that one cycle burns, mL; null where nobody knows. */
    public record CycleInk(Double lightMl, Double normalMl, Double strongMl) {

        public static final CycleInk UNKNOWN = new CycleInk(null, null, null);

        /** @throws IllegalArgumentException when an amount is not 0 to 500 mL */
        public CycleInk {
            amount("lightMl", lightMl);
            amount("normalMl", normalMl);
            amount("strongMl", strongMl);
        }

        private static void amount(String name, Double ml) {
            if (ml != null && !(ml >= 0 && ml <= 500)) {
                throw new IllegalArgumentException(name + " must be 0 to 500 mL, was " + ml);
            }
        }
    }

    public Machine {
        parts = parts == null ? List.of() : List.copyOf(parts);
        cycleInk = cycleInk == null ? CycleInk.UNKNOWN : cycleInk;
        removal = removal == null ? "" : removal;
    }
}
