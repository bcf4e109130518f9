package undoknot.bench;

import java.time.Instant;
import undoknot.nozzle.Acceptance;

/**
 * What a head wants next, thinly: from where it stands in the course of a visit (handbook 3).
 *
 * @param action what to do
 * @param at when it can or must be done; null when it can be done now
 */
public record NextStep(Action action, Instant at) {

    /** In the order in which a bench looks at them: what needs hands first. */
    public enum Action {
        LIFT_FROM_SOAK,
        END_BURST,
        FIRST_CHECK,
        DIAGNOSE,
        TREAT,
        CHECK_AGAIN,
        RETURN,
        WAIT_SOAK,
        WAIT_BURST,
        WAIT_HOLD,
        NOTHING
    }

    /** What kind of clock runs, if one does. */
    public enum Waiting {
        NONE,
        SOAK,
        BURST,
        HOLD
    }

    /**
     * Where a visit stands.
     *
     * @param closed returned already
     * @param waiting the clock that ends first, and {@code dueAt} when it ends
     * @param checks number of readings so far, "no check possible" included
     * @param diagnosed whether a cause stands
     * @param attemptsSinceCheck attempts finished after the last reading
     * @param lastVerdict acceptance of the last reading, null when there is no map
     */
    public record Standing(
            boolean closed,
            Waiting waiting,
            Instant dueAt,
            int checks,
            boolean diagnosed,
            int attemptsSinceCheck,
            Acceptance.Verdict lastVerdict) {}

    public static NextStep of(Standing s, Instant now) {
        if (s.closed()) {
            return new NextStep(Action.NOTHING, null);
        }
        boolean due = s.waiting() != Waiting.NONE && !now.isBefore(s.dueAt());
        switch (s.waiting()) {
            case SOAK:
                return new NextStep(due ? Action.LIFT_FROM_SOAK : Action.WAIT_SOAK, s.dueAt());
            case BURST:
                return new NextStep(due ? Action.END_BURST : Action.WAIT_BURST, s.dueAt());
            case HOLD:
                if (!due) {
                    return new NextStep(Action.WAIT_HOLD, s.dueAt());
                }
                break;
            default:
                break;
        }
        return new NextStep(unhurried(s), null);
    }

    private static Action unhurried(Standing s) {
        if (s.checks() == 0) {
            return Action.FIRST_CHECK;
        }
        if (s.attemptsSinceCheck() > 0) {
            return Action.CHECK_AGAIN;
        }
        if (s.lastVerdict() == Acceptance.Verdict.MET) {
            return Action.RETURN;
        }
        return s.diagnosed() ? Action.TREAT : Action.DIAGNOSE;
    }
}
