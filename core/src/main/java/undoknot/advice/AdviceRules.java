package undoknot.advice;

import static undoknot.advice.Advice.Rule.*;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.NextLook;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.outcome.Worth;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.visit.Round;
import undoknot.visit.Step.Worked;
import undoknot.visit.UnchangedRounds;

/**
 * What to do after each check (handbook 13): the rules are asked in the order of {@link #fitting}, the first that fits is the
 * advice, the others that fit go with it. Before the rules that judge a treatment stand two that keep them from being asked
 * too early: what was found upstream is mended first, and a look that settles more than a treatment would is taken first.
 */
public final class AdviceRules {

    private static final int LEAST_NEW = 2;

    /** A look that was taken in so many channels is not proposed in a third. */
    private static final int ENOUGH_CHANNELS = 2;

    private static final Set<Act> GIVEN_UP = EnumSet.of(Act.NOT_RECOVERABLE, Act.ELSEWHERE);

    /** A cause this likely needs no further look. */
    private static final double SURE = 0.85;

    /** A second cause this likely keeps the first from being sure. */
    private static final double RIVAL = 0.35;

    private final AdviceContext context;
    private final List<NextLook.Proposal> looks;
    private final DriveGroups groups;
    private final Recovery recovery;
    private final Settling settling;
    private final Finishing finishing;

    private AdviceRules(AdviceContext context, List<NextLook.Proposal> looks) {
        this.context = context;
        this.looks = looks;
        this.groups = new DriveGroups(context);
        this.recovery = new Recovery(context, groups);
        this.settling = new Settling(context);
        this.finishing = new Finishing(context);
    }

    /**
     * @param looks looks that are possible, most telling first
     * @param worthOf what the work that would be next is worth; asked once, unless the terms say it already
     */
    static Advice.Answer of(AdviceContext context, List<NextLook.Proposal> looks, Function<Advice, Worth> worthOf) {
        AdviceRules rules = new AdviceRules(context, looks);
        Advice.Answer free = rules.answer(context.terms.worth());
        // What the next attempt costs depends on which it would be, and that is asked first without money.
        Worth worth = context.terms.worth() == null && free.next() != null ? worthOf.apply(free.next()) : null;
        return worth == null ? free : rules.answer(worth);
    }

    private Advice.Answer answer(Worth worth) {
        List<Advice> fitting = fitting(worth);
        return new Advice.Answer(
                fitting.get(0), fitting.subList(1, fitting.size()), nextWork(fitting), List.copyOf(context.bars));
    }

    /** The work that fits, or else what would be first once looks and checks are done. */
    private Advice nextWork(List<Advice> fitting) {
        if (verdictIsIn(fitting.get(0)) || context.visit.checks().isEmpty()) {
            return fitting.get(0).method() == null ? null : fitting.get(0);
        }
        // No sum speaks for going on with a head that is given up, or whose drive group is dead.
        boolean given = GIVEN_UP.contains(fitting.get(0).act());
        if (given || fitting.stream().anyMatch(a -> a.act() == Act.STOP_ELECTRICAL) || groups.isDoubted()) {
            return null;
        }
        return Stream.of(fitting, recovery.fitting(), List.of(recovery.ofHead()))
                .flatMap(List::stream)
                .filter(a -> a.act() == Act.WORK)
                .findFirst()
                .orElse(null);
    }

    private List<Advice> fitting(Worth worth) {
        if (context.visit.checks().isEmpty()) {
            return List.of(context.advise(FIRST_CHECK, Act.CHECK, null, List.of(), Map.of()));
        }
        Optional<Advice> prime = Priming.of(context);
        if (prime.isPresent()) {
            return mendedFirst(prime.get());
        }
        if (!context.visit.workSinceCheck().isEmpty() && !finishing.needsNoCheckSince()) {
            Advice check = context.advise(
                    CHECK_AGAIN,
                    Act.CHECK,
                    null,
                    List.of(),
                    Map.of(Fact.ATTEMPTS, context.visit.workSinceCheck().size()));
            return mendedFirst(check);
        }
        if (context.visit.isRefittedUnread() || context.visit.isReadyToRefit()) {
            return List.of(context.advise(CHECK_AFTER_REFIT, Act.CHECK, null, List.of(), Map.of()));
        }
        List<Advice> fit = new ArrayList<>();
        Stream.<Supplier<Optional<Advice>>>of(
                        () -> RepairOfFinding.of(context),
                        () -> LookAgain.of(context),
                        this::noCheck,
                        finishing::readAgain,
                        finishing::accepted,
                        finishing::flushInk,
                        this::newlyOut,
                        settling::settleFirst,
                        settling::outAfterFlush,
                        groups::electrical,
                        () -> Complaint.beforeTreatment(context),
                        this::lookFirst,
                        this::wandering,
                        () -> WhenToStop.of(context, worth))
                .forEach(rule -> rule.get().ifPresent(fit::add));
        if (groups.missingLook().isEmpty()) {
            fit.addAll(recovery.fitting());
        }
        if (fit.isEmpty()) {
            fit.add(recovery.ofHead());
        }
        // Once a head is accepted, what is left to be seen about it is no advice.
        return verdictIsIn(fit.get(0)) ? fit.subList(0, 1) : fit;
    }

    /** What was found and hands can mend is mended first, all of it, before ink runs and the next check is printed. */
    private List<Advice> mendedFirst(Advice then) {
        return RepairOfFinding.of(context)
                .filter(a -> a.act() == Act.WORK && !a.needsPower())
                .or(this::levelsAfterPad)
                .map(first -> List.of(first, then))
                .orElse(List.of(then));
    }

    private Optional<Advice> noCheck() {
        return context.visit.lastCheck().filter(c -> c.notPossible()).map(c -> NoCheck.of(context));
    }

    /** A pad siphons ink out of cartridges that stayed connected: once it is out, somebody looks how much they hold. */
    private Optional<Advice> levelsAfterPad() {
        return context.visit.siphonedUnseen()
                        && context.visit.head().kept(NoPower.PAD_UNDER_HEAD).isEmpty()
                ? Optional.of(Advice.toLook(LEVELS_AFTER_PAD, Look.INK_LEVEL, List.of(), Map.of(), null, null))
                : Optional.empty();
    }

    private static boolean verdictIsIn(Advice first) {
        return first.rule() == ACCEPTED || first.rule() == NEW_PARTS;
    }

    // 2
    private Optional<Advice> newlyOut() {
        if (context.rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = context.lastRound();
        boolean cycledOrWiped = last.work().stream()
                .map(Worked::method)
                .anyMatch(m -> m == Method.CYCLE || m == Method.CYCLE_STRONG || m == Method.WIPE);
        if (context.visit.times(Method.STATION) >= Method.STATION.rungs()) {
            return Optional.empty();
        }
        // A bar or a stream that is a step worse counts as much as some new gaps.
        int least = last.isOfMaps() ? LEAST_NEW : 1;
        List<String> channels = AdviceContext.channelsWhere(last, c -> c.newlyOut() >= least);
        if (!cycledOrWiped || channels.size() < 2) {
            return Optional.empty();
        }
        int newly = last.total().newlyOut();
        return Optional.of(context.advise(
                NEWLY_OUT,
                Act.WORK,
                Method.STATION,
                context.allChannels(),
                Map.of(Fact.NEWLY_OUT, newly, Fact.CHANNELS, channels.size())));
    }

    private Optional<Advice> lookFirst() {
        Optional<Look> missing = groups.missingLook();
        if (missing.isPresent()) {
            Look look = missing.get();
            List<String> where = look.scope() == Look.Scope.CHANNEL ? groups.channels.subList(0, 1) : List.of();
            return Optional.of(Advice.toLook(look, where, Map.of(Fact.ROUNDS, UnchangedRounds.ENOUGH), null, null));
        }
        if (context.visit.lastCheck().filter(c -> c.notPossible()).isPresent()) {
            return Optional.empty();
        }
        boolean sure = context.ranking.leading().probability() >= SURE
                && context.ranking.causes().get(1).probability() < RIVAL;
        return sure
                ? Optional.empty()
                : NextLook.best(looks.stream().filter(this::isNews).toList())
                        .map(p -> Advice.toLook(
                                p.look(),
                                p.channel() == null ? List.of() : List.of(p.channel()),
                                Map.of(Fact.MINUTES, p.look().minutes()),
                                p.separates(),
                                p.from()));
    }

    private static int count(List<Method> ways, Method method) {
        return (int) ways.stream().filter(m -> m == method).count();
    }

    /** What a look found in one channel tells enough of another that looks the same, and in two of any other. */
    private boolean isNews(NextLook.Proposal proposal) {
        if (proposal.channel() == null) {
            return true;
        }
        List<String> taken = context.affected.stream()
                .filter(code -> context.found.stream()
                        .anyMatch(o -> code.equals(o.channel())
                                && proposal.look().findings().contains(o.sign())))
                .toList();
        return taken.size() < ENOUGH_CHANNELS
                && taken.stream().noneMatch(other -> context.causeIn(other) == context.causeIn(proposal.channel()));
    }

    // 5
    private Optional<Advice> wandering() {
        if (context.rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = context.lastRound();
        List<String> channels = AdviceContext.channelsWhere(
                        last,
                        c -> Movement.of(c, Movement.Thresholds.DEFAULT) == Movement.WANDERING
                                && c.recovery().orElse(0) > 0)
                .stream()
                .filter(context.affected::contains)
                .toList();
        if (channels.isEmpty()) {
            return Optional.empty();
        }
        double air = context.ranking.of(Cause.AIR).probability();
        double supply = context.ranking.of(Cause.SUPPLY_RESTRICTED).probability();
        List<Method> ways =
                new ArrayList<>(context.ladder(air >= supply ? Cause.AIR : Cause.SUPPLY_RESTRICTED, channels));
        ways.addAll(context.ladder(air >= supply ? Cause.SUPPLY_RESTRICTED : Cause.AIR, channels));
        Counts total = last.total();
        return ways.stream()
                .filter(m -> m != Method.CYCLE
                        && channels.stream().anyMatch(code -> context.isLeft(m, count(ways, m), code)))
                .findFirst()
                .map(m -> context.advise(
                        WANDERING,
                        Act.WORK,
                        m,
                        channels,
                        Map.of(Fact.RESTORED, total.restored(), Fact.NEWLY_OUT, total.newlyOut())));
    }
}
