package undoknot.treatment;

import static undoknot.treatment.Advice.Rule.*;
import static undoknot.treatment.HouseQuestion.AFTER_FLUSH;
import static undoknot.treatment.HouseQuestion.CYCLES_FIRST;
import static undoknot.treatment.HouseQuestion.CYCLE_STRENGTH;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import undoknot.diagnosis.Between;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.ruleout.Look;
import undoknot.ruleout.NextLook;
import undoknot.treatment.Advice.Act;
import undoknot.treatment.SoFar.Round;
import undoknot.treatment.Step.Worked;

/**
 * What to do after each check (handbook 13): the rules are asked top down, the first that fits is the advice, the others that
 * fit go with it. Before the rules that judge a treatment stand two that keep them from being asked too early: what was found
 * upstream is mended first, and a look that settles more than a treatment would is taken first.
 */
public final class AdviceRules {

    private static final int LEAST_NEW = 2;

    /** A cause this likely needs no further look. */
    private static final double SURE = 0.85;

    /** A second cause this likely keeps the first from being sure. */
    private static final double RIVAL = 0.35;

    /** A cause that leaves the map good is seen to before the head counts as finished, if it leads and is this likely. */
    private static final double LIKELY_ELSEWHERE = 0.25;

    private final Standing standing;
    private final List<NextLook.Proposal> looks;
    private final DriveGroups groups;
    private final Recovery recovery;

    private AdviceRules(Standing standing, List<NextLook.Proposal> looks) {
        this.standing = standing;
        this.looks = looks;
        this.groups = new DriveGroups(standing);
        this.recovery = new Recovery(standing, groups);
    }

    /** @param looks looks that are possible, most telling first */
    public static Advice.Answer of(SoFar visit, Ranking ranking, List<NextLook.Proposal> looks, Terms terms) {
        Standing standing = new Standing(visit, ranking, terms);
        AdviceRules rules = new AdviceRules(standing, looks);
        List<Advice> fitting = rules.fitting();
        return new Advice.Answer(
                fitting.get(0),
                fitting.subList(1, fitting.size()),
                rules.nextWork(fitting),
                List.copyOf(standing.bars));
    }

    /** The work that fits, or else what would be first once looks and checks are done. */
    private Advice nextWork(List<Advice> fitting) {
        if (verdictIsIn(fitting.get(0)) || standing.visit.checks().isEmpty()) {
            return fitting.get(0).method() == null ? null : fitting.get(0);
        }
        return Stream.concat(fitting.stream(), Stream.of(recovery.firstRemedy()))
                .filter(a -> a.act() == Act.WORK)
                .findFirst()
                .orElse(null);
    }

    private List<Advice> fitting() {
        if (standing.visit.checks().isEmpty()) {
            return List.of(standing.advise(FIRST_CHECK, Act.CHECK, null, List.of(), Map.of()));
        }
        if (!standing.visit.workSinceCheck().isEmpty()) {
            return List.of(standing.advise(
                    CHECK_AGAIN,
                    Act.CHECK,
                    null,
                    List.of(),
                    Map.of("attempts", "" + standing.visit.workSinceCheck().size())));
        }
        List<Advice> fit = new ArrayList<>();
        for (Optional<Advice> advice : List.of(
                accepted(),
                settleFirst(),
                newlyOut(),
                outAfterFlush(),
                Mending.of(standing),
                lookFirst(),
                wandering(),
                groups.electrical(),
                Stopping.of(standing),
                recovery.next())) {
            advice.ifPresent(fit::add);
        }
        if (fit.isEmpty()) {
            fit.add(recovery.firstRemedy());
        }
        // Once a head is accepted, what is left to be seen about it is no advice.
        return verdictIsIn(fit.get(0)) ? fit.subList(0, 1) : fit;
    }

    private static boolean verdictIsIn(Advice first) {
        return first.rule() == ACCEPTED || first.rule() == NEW_PARTS;
    }

    private Acceptance.Verdict verdict() {
        return standing.visit
                .lastCheck()
                .filter(c -> c.map() != null)
                .map(c -> Acceptance.of(c.map(), standing.visit.jobClass()).verdict())
                .orElse(null);
    }

    // 1
    private Optional<Advice> accepted() {
        if (verdict() != Acceptance.Verdict.MET || !nothingElseIsWrong()) {
            return Optional.empty();
        }
        boolean afterPage = standing.rounds.stream()
                .reduce((a, b) -> b)
                .filter(r -> r.work().stream().anyMatch(w -> w.method() == Method.PAGE))
                .isPresent();
        Map<String, String> facts = Map.of("out", "" + standing.outNow());
        if (!afterPage) {
            return Optional.of(standing.advise(ACCEPTED, Act.WORK, Method.PAGE, standing.treated(), facts));
        }
        return newParts().or(() -> Optional.of(standing.advise(ACCEPTED, Act.FINISH, null, List.of(), facts)));
    }

    /** Some shops never hand a cleaned channel back with its old cartridge. */
    private Optional<Advice> newParts() {
        List<String> old = standing.visit.work().stream()
                .filter(w -> w.method().between() == Between.FLUSH)
                .flatMap(w -> w.treatment().channels().stream())
                .distinct()
                .filter(code -> standing.visit.times(Method.CARTRIDGE, List.of(code)) == 0)
                .sorted()
                .toList();
        return old.isEmpty() || !standing.house.says(HouseQuestion.NEW_PARTS, "ALWAYS")
                ? Optional.empty()
                : Optional.of(standing.advise(
                        NEW_PARTS, Act.WORK, Method.CARTRIDGE, old, Map.of("channels", "" + old.size())));
    }

    /** A map can be good and the print still bad: dirt on the carriage, the encoder. */
    private boolean nothingElseIsWrong() {
        Cause leading = standing.ranking.leading().cause();
        boolean elsewhere = leading == Cause.CARRIAGE_DIRT
                || leading == Cause.ALIGNMENT_ENCODER
                || leading == Cause.NOT_THE_HEAD
                || leading == Cause.PLATE_DAMAGE
                || leading == Cause.CONTACTS;
        return !(elsewhere && standing.ranking.leading().probability() >= LIKELY_ELSEWHERE)
                || standing.visit.work().stream()
                        .anyMatch(
                                w -> standing.ladder(leading, standing.affected).contains(w.method()));
    }

    // 2
    private Optional<Advice> settleFirst() {
        if (standing.rounds.isEmpty() || verdict() == Acceptance.Verdict.MET) {
            return Optional.empty();
        }
        Round last = standing.lastRound();
        if (last.work().isEmpty()
                || last.work().get(last.work().size() - 1).method().settles()) {
            return Optional.empty();
        }
        Method before = last.work().get(last.work().size() - 1).method();
        Method settling = settling(before, last.channels());
        List<HouseQuestion> asked = before.between() == Between.FLUSH && settling != Method.REST
                ? List.of(AFTER_FLUSH, CYCLE_STRENGTH)
                : HouseManner.questions(settling, List.of(), standing);
        return Optional.of(standing.advise(
                SETTLE_FIRST,
                Act.WORK,
                settling,
                last.channels().stream().sorted().toList(),
                Map.of("out", "" + standing.outNow()),
                asked,
                List.of()));
    }

    /** Fresh ink as the head and the shop need it, or else a light cycle, or else a rest. */
    private Method settling(Method last, Set<String> channels) {
        // A port that would not take the cleaner takes no ink either.
        Optional<Method> ink = Ladder.inkAfter(last, standing.visit.family(), standing.house)
                .filter(standing::isPossible)
                .filter(m -> channels.stream().noneMatch(standing::portIsStuck));
        boolean cycle = standing.isPossible(Method.CYCLE) && !standing.house.says(CYCLES_FIRST, "NONE");
        return ink.orElse(cycle ? Method.CYCLE : Method.REST);
    }

    // 3
    private Optional<Advice> newlyOut() {
        if (standing.rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = standing.lastRound();
        boolean cycledOrWiped = last.work().stream()
                .map(Worked::method)
                .anyMatch(m -> m == Method.CYCLE || m == Method.CYCLE_STRONG || m == Method.WIPE);
        List<String> channels =
                Standing.channelsWhere(last, c -> c.newlyOut() >= LEAST_NEW && c.restored() < c.newlyOut());
        if (!cycledOrWiped || channels.size() < 2) {
            return Optional.empty();
        }
        int newly =
                Comparison.of(last.before().map(), last.after().map()).total().newlyOut();
        return Optional.of(standing.advise(
                NEWLY_OUT,
                Act.WORK,
                Method.STATION,
                standing.allChannels(),
                Map.of("newlyOut", "" + newly, "channels", "" + channels.size())));
    }

    // 4
    private Optional<Advice> outAfterFlush() {
        if (standing.rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = standing.lastRound();
        List<String> out = standing.judgedRound().flowed().stream()
                .filter(code ->
                        ChannelFeatures.of(last.after().map().channel(code), 1).whollyOut())
                .sorted()
                .toList();
        if (out.isEmpty()) {
            return Optional.empty();
        }
        Method method = Method.PURGE.allowedBy(standing.visit.family().limits()) ? Method.PURGE : Method.DRAW_IN;
        return Optional.of(
                standing.advise(OUT_AFTER_FLUSH, Act.WORK, method, out, Map.of("channels", "" + out.size())));
    }

    private Optional<Advice> lookFirst() {
        Optional<Look> missing = groups.missingLook();
        if (missing.isPresent()) {
            return Optional.of(new Advice(
                    LOOK_FIRST,
                    Act.LOOK,
                    null,
                    missing.get(),
                    missing.get().scope() == Look.Scope.CHANNEL ? groups.channels.subList(0, 1) : List.of(),
                    Map.of("rounds", "" + Evidence.ROUNDS_UNCHANGED),
                    List.of(),
                    List.of(),
                    null));
        }
        boolean sure = standing.ranking.leading().probability() >= SURE
                && standing.ranking.causes().get(1).probability() < RIVAL;
        return sure
                ? Optional.empty()
                : NextLook.best(looks)
                        .map(p -> new Advice(
                                LOOK_FIRST,
                                Act.LOOK,
                                null,
                                p.look(),
                                p.channel() == null ? List.of() : List.of(p.channel()),
                                Map.of(
                                        "separates", p.separates().name(),
                                        "from", p.from().name(),
                                        "minutes", "" + p.look().minutes()),
                                List.of(),
                                List.of(),
                                null));
    }

    // 5
    private Optional<Advice> wandering() {
        if (standing.rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = standing.lastRound();
        List<String> channels = Standing.channelsWhere(
                last,
                c -> Movement.of(c, Movement.Thresholds.DEFAULT) == Movement.WANDERING
                        && c.recovery().orElse(0) > 0);
        if (channels.isEmpty()) {
            return Optional.empty();
        }
        double air = standing.ranking.of(Cause.AIR).probability();
        double supply = standing.ranking.of(Cause.SUPPLY_RESTRICTED).probability();
        List<Method> ways =
                new ArrayList<>(standing.ladder(air >= supply ? Cause.AIR : Cause.SUPPLY_RESTRICTED, channels));
        ways.addAll(standing.ladder(air >= supply ? Cause.SUPPLY_RESTRICTED : Cause.AIR, channels));
        Counts total = Comparison.of(last.before().map(), last.after().map()).total();
        return ways.stream()
                .filter(m -> standing.mayGoAgain(m, channels))
                .findFirst()
                .map(m -> standing.advise(
                        WANDERING,
                        Act.WORK,
                        m,
                        channels,
                        Map.of("restored", "" + total.restored(), "newlyOut", "" + total.newlyOut())));
    }
}
