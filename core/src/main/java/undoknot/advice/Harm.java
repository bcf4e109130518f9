package undoknot.advice;

import undoknot.advice.NextStep.Action;

/** What waiting harms, worst first: the order in which a bench is looked at, before what was promised (handbook 1 and 8). */
public enum Harm {
    /** The tank shakes the head until somebody ends the burst. */
    BURST_OVERDUE,
    /** A head stands uncapped and dries. */
    DRIES,
    /** It lies in fluid, or over a pad, longer than was meant. */
    TOO_LONG_IN_FLUID,
    /** Rounds were begun: fluid stands in a channel. */
    ROUNDS_OPEN,
    NONE;

    /**
     * @param next what is next with the head
     * @param dries whether it has stood uncapped for longer than it may
     */
    public static Harm of(Action next, boolean dries) {
        Harm waiting = switch (next) {
            case END_BURST -> BURST_OVERDUE;
            case LIFT_FROM_SOAK, END_WAIT, TAKE_PAD_OUT -> TOO_LONG_IN_FLUID;
            case GO_ON -> ROUNDS_OPEN;
            default -> NONE;
        };
        return dries && DRIES.compareTo(waiting) < 0 ? DRIES : waiting;
    }
}
