package undoknot.advice;

import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.Supplier;
import undoknot.advice.Advice.Rule;
import undoknot.visit.StepClock.Kind;

/**
 * The one answer to "what is next": a clock that wants hands or must be waited for, otherwise the advice. A hold only keeps
 * hands off the mains, so advice for the time meanwhile goes with it when it needs no power.
 *
 * @param action what to do, or what is waited for
 * @param at when it can or must be done; null when it can be done now
 * @param advice what is advised; null while a soak or a burst is in hand, while a hold keeps from it, and for a
 *     head that was returned
 */
public record NextStep(Action action, Instant at, Advice advice) {

    /** In the order in which a bench looks at them: what needs hands first. */
    public enum Action {
        LIFT_FROM_SOAK,
        END_BURST,
        FIRST_CHECK,
        LOOK,
        TREAT,
        CHECK_AGAIN,
        RETURN,
        WAIT_SOAK,
        WAIT_BURST,
        WAIT_HOLD,
        NOTHING
    }

    /** A clock that nobody has stopped yet. */
    public record Running(Kind kind, Instant dueAt) {}

    /**
     * @param closed returned already
     * @param running clocks that run or wait for hands
     * @param advised what the rules advise; asked only where it is needed
     */
    public static NextStep of(boolean closed, Collection<Running> running, Supplier<Advice> advised, Instant now) {
        if (closed) {
            return new NextStep(Action.NOTHING, null, null);
        }
        // A soak or a burst wants hands; a hold only keeps them off.
        Optional<Running> first = running.stream()
                .min(Comparator.comparing((Running c) -> c.kind() == Kind.HOLD).thenComparing(Running::dueAt));
        if (first.isEmpty()) {
            return advised(advised.get());
        }
        Running clock = first.get();
        boolean due = !now.isBefore(clock.dueAt());
        return switch (clock.kind()) {
            case SOAK -> new NextStep(due ? Action.LIFT_FROM_SOAK : Action.WAIT_SOAK, clock.dueAt(), null);
            case BURST -> new NextStep(due ? Action.END_BURST : Action.WAIT_BURST, clock.dueAt(), null);
            case HOLD -> due ? advised(advised.get()) : held(clock.dueAt(), advised.get());
        };
    }

    /** A head that dries is offered nothing that needs the mains; what is advised then waits with it. */
    private static NextStep held(Instant until, Advice advice) {
        return new NextStep(Action.WAIT_HOLD, until, advice.needsPower() ? null : advice);
    }

    private static NextStep advised(Advice advice) {
        Action action = switch (advice.act()) {
            case CHECK -> advice.rule() == Rule.FIRST_CHECK ? Action.FIRST_CHECK : Action.CHECK_AGAIN;
            case LOOK -> Action.LOOK;
            case WORK -> Action.TREAT;
            case FINISH, STOP_ELECTRICAL, STOP_MONEY, STOP_HOUSE, NOT_RECOVERABLE, ELSEWHERE -> Action.RETURN;
        };
        return new NextStep(action, null, advice);
    }
}
