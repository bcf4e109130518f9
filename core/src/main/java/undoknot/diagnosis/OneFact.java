package undoknot.diagnosis;

import static undoknot.observation.Sign.*;

import java.util.EnumSet;
import java.util.Set;
import undoknot.observation.Sign;

/** What several signs say together counts once for a cause: the sign that weighs most (handbook 7). */
enum OneFact {
    /** That gaps stayed, however it was learnt. */
    STAYED,
    /** That there are gaps: a head whose lines are doubled may have another fault besides, once. */
    GAPS,
    /** A complaint that fits other gaps: a second fault may explain it, once. */
    OTHER_GAPS,
    /** A complaint that nozzles do not explain: the head may have that fault besides, once. */
    OTHER_COMPLAINT;

    private static final Set<Sign> OF_STAYED =
            EnumSet.of(TOLD_NEVER_MOVES, FIXED_AFTER_CYCLE, FIXED_AFTER_FLUSH, UNCHANGED_TWO_ROUNDS);

    private static final Set<Sign> NOT_OF_NOZZLES = EnumSet.of(
            TOLD_SMEARS,
            TOLD_BANDING,
            TOLD_HEAD_ERROR,
            TOLD_NOT_RECOGNISED,
            TOLD_CARRIAGE_STANDS,
            TOLD_COLOUR_REPLACED);

    private static final Set<Sign> TOLD_GAPS = EnumSet.of(
            TOLD_GAPS_ONE_COLOUR,
            TOLD_GAPS_SEVERAL,
            TOLD_ONE_COLOUR_GONE,
            TOLD_STARVES,
            TOLD_WANDERS,
            TOLD_NEVER_MOVES,
            TOLD_MORE_AFTER_CLEANING,
            TOLD_HALF_PALE);

    /** Which fact a reason belongs to; null when it stands for itself. */
    static OneFact of(Reason reason, Cause cause) {
        Sign sign = reason.observation().sign();
        if (reason.speaksFor()) {
            return OF_STAYED.contains(sign) ? STAYED : null;
        }
        if (!cause.showsInNozzles()) {
            boolean gaps = TOLD_GAPS.contains(sign) || sign.kind() == Sign.Kind.MAP || sign.kind() == Sign.Kind.PAIR;
            return gaps && sign != NO_CHECK ? GAPS : null;
        }
        if (OF_STAYED.contains(sign)) {
            return STAYED;
        }
        return NOT_OF_NOZZLES.contains(sign) ? OTHER_COMPLAINT : TOLD_GAPS.contains(sign) ? OTHER_GAPS : null;
    }
}
