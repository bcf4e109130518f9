package undoknot.outcome;

import undoknot.nozzle.Acceptance;
import undoknot.nozzle.Counts;

/** How an attempt went, as the shape of its knot on the thread. */
public enum Knot {
    /** No check has judged it yet. */
    WAITING,
    /** Nothing restored. */
    TIGHT,
    /** Some restored. */
    LOOSENED,
    /** Accepted. */
    OPEN,
    /** The visit was stopped here. */
    FRAYED,
    /** Checked, but there is no earlier map to hold the check against. */
    UNTOLD;

    /**
     * The knot of an attempt judged by the check after it.
     *
     * @param judged whether a check came after the attempt
     * @param counts the check against the one before the attempt; null when one of the two has no map
     * @param verdict acceptance of the check after it; null when there is none
     * @param isLast whether it is the last attempt of its visit
     * @param outcome outcome of the visit, null while it is open
     */
    public static Knot of(boolean judged, Counts counts, Acceptance.Verdict verdict, boolean isLast, Outcome outcome) {
        if (isLast && (outcome == Outcome.NOT_RECOVERABLE || outcome == Outcome.STOPPED_FOR_COST)) {
            return FRAYED;
        }
        if (verdict == Acceptance.Verdict.MET) {
            return OPEN;
        }
        if (!judged) {
            return WAITING;
        }
        if (counts == null) {
            return UNTOLD;
        }
        return counts.restored() > 0 ? LOOSENED : TIGHT;
    }
}
