package undoknot.advice;

import static undoknot.advice.Advice.Rule.*;
import static undoknot.practice.HouseQuestion.AFTER_FLUSH;
import static undoknot.practice.HouseQuestion.CYCLE_STRENGTH;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.NextLook;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.outcome.Worth;
import undoknot.practice.HouseQuestion;
import undoknot.practice.School;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.WorkBetweenChecks;
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

    /** A cause this likely needs no further look. */
    private static final double SURE = 0.85;

    /** A second cause this likely keeps the first from being sure. */
    private static final double RIVAL = 0.35;

    /** A cause that leaves the map good is seen to before the head counts as finished, if it leads and is this likely. */
    private static final double LIKELY_ELSEWHERE = 0.25;

    private final AdviceContext context;
    private final List<NextLook.Proposal> looks;
    private final DriveGroups groups;
    private final Recovery recovery;

    private AdviceRules(AdviceContext context, List<NextLook.Proposal> looks) {
        this.context = context;
        this.looks = looks;
        this.groups = new DriveGroups(context);
        this.recovery = new Recovery(context, groups);
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
        return Stream.concat(fitting.stream(), Stream.of(recovery.firstRemedy()))
                .filter(a -> a.act() == Act.WORK)
                .findFirst()
                .orElse(null);
    }

    private List<Advice> fitting(Worth worth) {
        if (context.visit.checks().isEmpty()) {
            return List.of(context.advise(FIRST_CHECK, Act.CHECK, null, List.of(), Map.of()));
        }
        if (!context.visit.workSinceCheck().isEmpty()) {
            Advice check = context.advise(
                    CHECK_AGAIN,
                    Act.CHECK,
                    null,
                    List.of(),
                    Map.of(Fact.ATTEMPTS, context.visit.workSinceCheck().size()));
            // What was found and hands can mend is mended first, all of it, before the next check.
            return RepairOfFinding.of(context)
                    .filter(a -> a.act() == Act.WORK && !a.needsPower())
                    .or(this::levelsAfterPad)
                    .map(first -> List.of(first, check))
                    .orElse(List.of(check));
        }
        if (context.visit.isRefittedUnread() || context.visit.isReadyToRefit()) {
            return List.of(context.advise(CHECK_AFTER_REFIT, Act.CHECK, null, List.of(), Map.of()));
        }
        List<Advice> fit = new ArrayList<>();
        for (Optional<Advice> advice : List.of(
                RepairOfFinding.of(context),
                accepted(),
                newlyOut(),
                settleFirst(),
                outAfterFlush(),
                lookFirst(),
                wandering(),
                groups.electrical(),
                WhenToStop.of(context, worth),
                recovery.next())) {
            advice.ifPresent(fit::add);
        }
        if (fit.isEmpty()) {
            fit.add(recovery.firstRemedy());
        }
        // Once a head is accepted, what is left to be seen about it is no advice.
        return verdictIsIn(fit.get(0)) ? fit.subList(0, 1) : fit;
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

    private Acceptance.Verdict verdict() {
        return context.visit
                .lastCheck()
                .filter(c -> c.map() != null)
                .map(c -> context.visit.acceptance(c.map()).verdict())
                .orElse(null);
    }

    // 1
    private Optional<Advice> accepted() {
        if (verdict() != Acceptance.Verdict.MET || !nothingElseIsWrong()) {
            return Optional.empty();
        }
        boolean afterPage = context.rounds.stream()
                .reduce((a, b) -> b)
                .filter(r -> r.work().stream().anyMatch(w -> w.method() == Method.PAGE))
                .isPresent();
        Map<Fact, Integer> facts = Map.of(Fact.OUT, context.outNow());
        if (!afterPage) {
            return Optional.of(context.advise(ACCEPTED, Act.WORK, Method.PAGE, context.treated(), facts));
        }
        return newParts().or(() -> Optional.of(context.advise(ACCEPTED, Act.FINISH, null, List.of(), facts)));
    }

    /** Some shops never hand a cleaned channel back with its old cartridge. */
    private Optional<Advice> newParts() {
        List<String> old = context.visit.work().stream()
                .filter(w -> w.method().between() == WorkBetweenChecks.FLUSH)
                .flatMap(w -> w.treatment().channels().stream())
                .distinct()
                .filter(code -> context.visit.times(Method.CARTRIDGE, List.of(code)) == 0)
                .sorted()
                .toList();
        return old.isEmpty() || !context.house.says(School.NewParts.ALWAYS)
                ? Optional.empty()
                : Optional.of(
                        context.advise(NEW_PARTS, Act.WORK, Method.CARTRIDGE, old, Map.of(Fact.CHANNELS, old.size())));
    }

    /** A map can be good and the print still bad: dirt on the carriage, the encoder. */
    private boolean nothingElseIsWrong() {
        Cause leading = context.ranking.leading().cause();
        boolean elsewhere = leading == Cause.CARRIAGE_DIRT
                || leading == Cause.ALIGNMENT_ENCODER
                || leading == Cause.NOT_THE_HEAD
                || leading == Cause.PLATE_DAMAGE
                || leading == Cause.CONTACTS;
        return !(elsewhere && context.ranking.leading().probability() >= LIKELY_ELSEWHERE)
                || context.visit.work().stream()
                        .anyMatch(w -> context.ladder(leading, context.affected).contains(w.method()));
    }

    // 3
    private Optional<Advice> settleFirst() {
        if (context.rounds.isEmpty() || verdict() == Acceptance.Verdict.MET) {
            return Optional.empty();
        }
        Round last = context.lastRound();
        if (last.work().isEmpty()
                || last.work().get(last.work().size() - 1).method().settles()) {
            return Optional.empty();
        }
        Method before = last.work().get(last.work().size() - 1).method();
        Method settling = settling(before, last.channels());
        List<HouseQuestion> asked = before.between() == WorkBetweenChecks.FLUSH && settling != Method.REST
                ? List.of(AFTER_FLUSH, CYCLE_STRENGTH)
                : HouseWorkStyle.questions(settling, List.of(), context);
        return Optional.of(context.advise(
                SETTLE_FIRST,
                Act.WORK,
                settling,
                last.channels().stream().sorted().toList(),
                Map.of(Fact.OUT, context.outNow()),
                asked,
                List.of()));
    }

    /** Fresh ink as the head and the shop need it, or else a light cycle, or else a rest. */
    private Method settling(Method last, Set<String> channels) {
        // A port that would not take the cleaner takes no ink either.
        Optional<Method> ink = Ladder.inkAfter(last, context.visit.family(), context.house)
                .filter(context::isPossible)
                .filter(m -> channels.stream().noneMatch(context::portIsStuck));
        boolean cycle = context.isPossible(Method.CYCLE) && !context.house.says(School.CyclesFirst.NONE);
        return ink.orElse(cycle ? Method.CYCLE : Method.REST);
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
        List<String> channels =
                AdviceContext.channelsWhere(last, c -> c.newlyOut() >= LEAST_NEW && c.restored() < c.newlyOut());
        if (!cycledOrWiped || channels.size() < 2) {
            return Optional.empty();
        }
        int newly =
                Comparison.of(last.before().map(), last.after().map()).total().newlyOut();
        return Optional.of(context.advise(
                NEWLY_OUT,
                Act.WORK,
                Method.STATION,
                context.allChannels(),
                Map.of(Fact.NEWLY_OUT, newly, Fact.CHANNELS, channels.size())));
    }

    // 4
    private Optional<Advice> outAfterFlush() {
        if (context.rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = context.lastRound();
        List<String> out = context.judgedRound().flowed().stream()
                .filter(code ->
                        ChannelFeatures.of(last.after().map().channel(code), 1).whollyOut())
                .sorted()
                .toList();
        if (out.isEmpty()) {
            return Optional.empty();
        }
        Method method = Method.PURGE.allowedBy(context.visit.family()) ? Method.PURGE : Method.DRAW_IN;
        return Optional.of(context.advise(OUT_AFTER_FLUSH, Act.WORK, method, out, Map.of(Fact.CHANNELS, out.size())));
    }

    private Optional<Advice> lookFirst() {
        Optional<Look> missing = groups.missingLook();
        if (missing.isPresent()) {
            Look look = missing.get();
            List<String> where = look.scope() == Look.Scope.CHANNEL ? groups.channels.subList(0, 1) : List.of();
            return Optional.of(Advice.toLook(look, where, Map.of(Fact.ROUNDS, UnchangedRounds.ENOUGH), null, null));
        }
        boolean sure = context.ranking.leading().probability() >= SURE
                && context.ranking.causes().get(1).probability() < RIVAL;
        return sure
                ? Optional.empty()
                : NextLook.best(looks)
                        .map(p -> Advice.toLook(
                                p.look(),
                                p.channel() == null ? List.of() : List.of(p.channel()),
                                Map.of(Fact.MINUTES, p.look().minutes()),
                                p.separates(),
                                p.from()));
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
                        && c.recovery().orElse(0) > 0);
        if (channels.isEmpty()) {
            return Optional.empty();
        }
        double air = context.ranking.of(Cause.AIR).probability();
        double supply = context.ranking.of(Cause.SUPPLY_RESTRICTED).probability();
        List<Method> ways =
                new ArrayList<>(context.ladder(air >= supply ? Cause.AIR : Cause.SUPPLY_RESTRICTED, channels));
        ways.addAll(context.ladder(air >= supply ? Cause.SUPPLY_RESTRICTED : Cause.AIR, channels));
        Counts total = Comparison.of(last.before().map(), last.after().map()).total();
        return ways.stream()
                .filter(m -> context.mayGoAgain(m, channels))
                .findFirst()
                .map(m -> context.advise(
                        WANDERING,
                        Act.WORK,
                        m,
                        channels,
                        Map.of(Fact.RESTORED, total.restored(), Fact.NEWLY_OUT, total.newlyOut())));
    }
}
