package undoknot.advice;

import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import undoknot.advice.Advice.Rule;
import undoknot.sitting.Sitting;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.visit.HeadNow;
import undoknot.visit.StepClock.Kind;

/**
 * The one answer to "what is next": a clock that wants hands or must be waited for, otherwise the advice, and before it what
 * the head needs so that it can be followed: the pad out, a look at the contacts, a wait until it is dry, the refit.
 *
 * @param action what to do, or what is waited for
 * @param at when it can or must be done; null when it can be done now, or nobody knows yet
 * @param advice what is advised, beside a wait what can be done meanwhile; null while something is in hand or keeps the
 *     head from it, and for a head that was returned
 * @param goOn the rounds to go on with, or null
 */
public record NextStep(Action action, Instant at, Advice advice, OpenSitting goOn) {

    public NextStep(Action action, Instant at, Advice advice) {
        this(action, at, advice, null);
    }

    /**
     * A sitting that was begun and is not over, and wants hands.
     *
     * @param id key of its work
     * @param channels those that are not done
     * @param channel whose turn it is; null for the whole head
     * @param next what belongs next there
     */
    public record OpenSitting(String id, Method method, List<String> channels, String channel, Sitting.Next next) {
        public OpenSitting {
            channels = List.copyOf(channels);
        }
    }

    /** In the order in which a bench looks at them: what needs hands first. */
    public enum Action {
        LIFT_FROM_SOAK,
        END_BURST,
        END_WAIT,
        /** Rounds that were begun are not at their end point yet. */
        GO_ON,
        TAKE_PAD_OUT,
        LOOK_IF_DRY,
        WIPE_SPILL,
        REFIT,
        FIRST_CHECK,
        LOOK,
        TREAT,
        /** The next step of an ink change or a whole-system flush. */
        STEP,
        CHECK_AGAIN,
        /** One more attempt would cost more than the customer said to pay. */
        ASK_CUSTOMER,
        RETURN,
        WAIT_SOAK,
        WAIT_BURST,
        WAIT_WORK,
        WAIT_EVAPORATE,
        WAIT_HOLD,
        NOTHING
    }

    /**
     * A clock that nobody has stopped yet.
     *
     * @param ofWork whether logged work waits by it; drops, jars and fluids that warm leave the hands free until they are due
     * @param ofRounds whether rounds go on after it: the pad stays where it is
     */
    public record Running(Kind kind, Instant dueAt, boolean ofWork, boolean ofRounds) {
        public Running(Kind kind, Instant dueAt, boolean ofWork) {
            this(kind, dueAt, ofWork, false);
        }

        private boolean isOfPad(HeadNow head) {
            return kind == Kind.WAIT
                    && ofWork
                    && !ofRounds
                    && head.kept(NoPower.PAD_UNDER_HEAD).isPresent();
        }
    }

    /**
     * @param closed returned already
     * @param running clocks that run or wait for hands
     * @param sitting rounds that were begun and want hands, or null
     * @param head where the head is and what keeps it from power
     * @param advised what the rules advise; asked only where it is needed
     */
    public static NextStep of(
            boolean closed,
            Collection<Running> running,
            OpenSitting sitting,
            HeadNow head,
            Supplier<Advice> advised,
            Instant now) {
        return of(closed, running, sitting, head, false, advised, now);
    }

    /** @param partsOff whether something that came off, or was laid in, is not back yet */
    public static NextStep of(
            boolean closed,
            Collection<Running> running,
            OpenSitting sitting,
            HeadNow head,
            boolean partsOff,
            Supplier<Advice> advised,
            Instant now) {
        if (closed) {
            return new NextStep(Action.NOTHING, null, null);
        }
        Optional<Running> called = earliest(running, c -> isDue(c, now) || c.kind() == Kind.BURST);
        if (called.isPresent()) {
            boolean due = isDue(called.get(), now);
            // The wait of a pad is over when the pad is out: one tap for both.
            return due && called.get().isOfPad(head)
                    ? new NextStep(Action.TAKE_PAD_OUT, null, null)
                    : inHand(called.get(), due);
        }
        if (sitting != null) {
            return new NextStep(Action.GO_ON, null, null, sitting);
        }
        Advice advice = advised.get();
        Optional<Running> work = earliest(running, Running::ofWork);
        if (work.isPresent()) {
            // What waits leaves the hands free for what needs no power, and for nothing that would judge it.
            NextStep waits = inHand(work.get(), false);
            boolean free = advice.act() == Advice.Act.WORK || advice.act() == Advice.Act.LOOK;
            return free && !advice.needsPower() && !needsRefit(advice, head)
                    ? new NextStep(waits.action(), waits.at(), advice)
                    : waits;
        }
        if (advice.needsPower()) {
            return beforePower(advice, head, partsOff);
        }
        if (head.inHold()) {
            // A head that dries may be worked on without power; that it dries is said first.
            return new NextStep(Action.WAIT_HOLD, head.heldUntil().orElse(null), advice);
        }
        // Nothing is finished while something is still off.
        boolean refit = needsRefit(advice, head) || partsOff && advice.act() == Advice.Act.FINISH;
        return refit ? new NextStep(Action.REFIT, null, advice) : advised(advice);
    }

    private static Optional<Running> earliest(Collection<Running> running, Predicate<Running> which) {
        return running.stream().filter(which).min(Comparator.comparing(Running::dueAt));
    }

    private static boolean isDue(Running clock, Instant now) {
        return !now.isBefore(clock.dueAt());
    }

    private static NextStep inHand(Running clock, boolean due) {
        Action action = switch (clock.kind()) {
            case SOAK -> due ? Action.LIFT_FROM_SOAK : Action.WAIT_SOAK;
            case BURST -> due ? Action.END_BURST : Action.WAIT_BURST;
            case WAIT, HOLD -> due ? Action.END_WAIT : Action.WAIT_WORK;
        };
        return new NextStep(action, clock.dueAt(), null);
    }

    /** What the refit itself ends. */
    private static final Set<NoPower> BACK_BY_HAND = EnumSet.of(NoPower.CABLE_OFF, NoPower.LAID_IN);

    /** Hands first, then the waits, then the refit: only then is power offered at all. */
    private static NextStep beforePower(Advice advice, HeadNow head, boolean partsOff) {
        if (head.kept(NoPower.PAD_UNDER_HEAD).isPresent()) {
            return new NextStep(Action.TAKE_PAD_OUT, null, null);
        }
        if (head.kept(NoPower.SPILL).isPresent()) {
            return new NextStep(Action.WIPE_SPILL, null, null);
        }
        if (head.kept(NoPower.NOT_LOOKED).isPresent()) {
            return new NextStep(Action.LOOK_IF_DRY, null, null);
        }
        if (head.inHold()) {
            return new NextStep(Action.WAIT_HOLD, head.heldUntil().orElse(null), null);
        }
        if (!BACK_BY_HAND.containsAll(head.noPower())) {
            return new NextStep(Action.WAIT_EVAPORATE, head.waitsUntil().orElse(null), null);
        }
        boolean refit = head.site() == Site.ON_BENCH || partsOff || !head.mayHavePower();
        return refit ? new NextStep(Action.REFIT, null, advice) : advised(advice);
    }

    private static boolean needsRefit(Advice advice, HeadNow head) {
        return advice.method() != null
                && head.site() == Site.ON_BENCH
                && !advice.method().goesAt(Site.ON_BENCH);
    }

    private static NextStep advised(Advice advice) {
        Action action = switch (advice.act()) {
            case CHECK -> advice.rule() == Rule.FIRST_CHECK ? Action.FIRST_CHECK : Action.CHECK_AGAIN;
            case LOOK -> Action.LOOK;
            case WORK -> Action.TREAT;
            case STEP -> Action.STEP;
            case ASK_CUSTOMER -> Action.ASK_CUSTOMER;
            case FINISH, STOP_ELECTRICAL, STOP_MONEY, STOP_HOUSE, NOT_RECOVERABLE, ELSEWHERE -> Action.RETURN;
        };
        return new NextStep(action, null, advice);
    }
}
