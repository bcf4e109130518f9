package undoknot.advice;

import static undoknot.advice.Advice.Rule.*;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.finish.Alignment;
import undoknot.finish.LastSteps;
import undoknot.finish.Proof;
import undoknot.fluid.FluidUse;
import undoknot.nozzle.Acceptance;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.practice.School;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Step;
import undoknot.visit.Step.Worked;

/** Acceptance met, and still met after a saturated page; before that, all that a check does not show (handbook 13, rules 0 and 1). */
final class Finishing {

    /** A cause that leaves the map good is seen to before the head counts as finished, if it leads and is this likely. */
    private static final double LIKELY_ELSEWHERE = 0.25;

    /** An ink that sets again is flushed out of every channel that is this likely to carry it. */
    private static final double LIKELY_INK = 0.5;

    private final AdviceContext context;

    Finishing(AdviceContext context) {
        this.context = context;
    }

    /** An unsure reading is read again, never treated; so are a few gaps that only moved (handbook 5 and 13). */
    Optional<Advice> readAgain() {
        Acceptance.Verdict verdict = context.visit.verdict();
        if (verdict == Acceptance.Verdict.UNSURE) {
            return Optional.of(again(Map.of(Fact.OUT, context.outNow())));
        }
        if (verdict != Acceptance.Verdict.NOT_MET
                || context.rounds.isEmpty()
                || !context.lastRound().isOfMaps()
                || context.visit.readingsInARow() > 1) {
            return Optional.empty();
        }
        int moved = context.lastRound().total().newlyOut();
        boolean few = context.outNow() > 0 && context.outNow() <= AdviceContext.FEW_GAPS;
        return few && moved > 0
                ? Optional.of(again(Map.of(Fact.OUT, context.outNow(), Fact.NEWLY_OUT, moved)))
                : Optional.empty();
    }

    private Advice again(Map<Fact, Integer> facts) {
        return context.advise(READ_AGAIN, Act.CHECK, null, List.of(), facts);
    }

    // 1
    Optional<Advice> accepted() {
        if (context.visit.verdict() != Acceptance.Verdict.MET) {
            return Optional.empty();
        }
        Optional<Advice> first = Complaint.open(context).or(this::lookAtStation).or(this::stationAtEnd);
        if (first.isPresent()) {
            return first;
        }
        if (!nothingElseIsWrong()) {
            return Optional.empty();
        }
        Map<Fact, Integer> facts = Map.of(Fact.OUT, context.outNow());
        if (!LastSteps.isReadAfterPage(context.visit)) {
            return Optional.of(context.advise(ACCEPTED, Act.WORK, Method.PAGE, context.treated(), facts));
        }
        return aligned()
                .or(this::proven)
                .or(this::newParts)
                .or(() -> Optional.of(context.advise(ACCEPTED, Act.FINISH, null, List.of(), facts)));
    }

    /**
     * Whether nothing that a check shows was touched since an accepted one: the station was cleaned, the head aligned, dirt
     * wiped off the carriage.
     */
    boolean needsNoCheckSince() {
        return context.visit.verdict() == Acceptance.Verdict.MET
                && context.visit.workSinceCheck().stream().allMatch(w -> isBeside(w.method()));
    }

    private static boolean isBeside(Method method) {
        return method == Method.STATION || method.isBesideNozzles();
    }

    /** A head that was out, or whose passes have not settled, is aligned (handbook 14). */
    private Optional<Advice> aligned() {
        Alignment alignment = Alignment.of(context.visit);
        boolean wasOut = context.visit.steps().stream()
                .anyMatch(s -> s instanceof Step.Moved moved && moved.to() == Site.IN_CARRIAGE);
        boolean wanted = alignment.isOpen() || wasOut && !alignment.unmeasured();
        if (alignment.isOver() || !wanted || !context.isPossible(Method.ALIGN)) {
            return Optional.empty();
        }
        Map<Fact, Integer> facts = Map.of(Fact.ROUNDS, alignment.passes().size());
        return Optional.of(
                switch (alignment.state()) {
                    case CLEAN_STRIP -> context.advise(ALIGN_STRIP, Act.WORK, Method.STRIP, List.of(), facts);
                    case NOTE_OR_ELSEWHERE -> context.advise(ALIGN_STANDS, Act.WORK, Method.ALIGN, List.of(), facts);
                    default -> context.advise(ALIGN_HEAD, Act.WORK, Method.ALIGN, List.of(), facts);
                });
    }

    /** A complaint that no check shows is proven gone; what fails the proof goes back into the course. */
    private Optional<Advice> proven() {
        return Proof.of(context.visit).stream()
                .filter(p -> p.state() != Proof.State.SHOWN)
                .findFirst()
                .map(p -> p.state() == Proof.State.OPEN
                        ? Advice.toLook(PROOF, p.look(), List.of(), Map.of(), null, null)
                        : afterFailed(p.look()));
    }

    /** The supply of the channels that were told of; dirt that two cleanings left is not the head's. */
    private Advice afterFailed(Look look) {
        List<String> told = new SupplyWalk(context).suspects();
        List<Method> ways = look == Look.CLEAN_PAGE
                ? List.of(Method.UNDERSIDE)
                : List.of(Method.DAMPER, Method.LINE, Method.CARTRIDGE);
        return ways.stream()
                .filter(m -> context.isPossible(m)
                        && !context.isReplaced(m, told)
                        && context.visit.times(m, told) < m.rungs())
                .findFirst()
                .map(m -> context.advise(
                        PROOF_FAILED,
                        Act.WORK,
                        m,
                        m.isWholeHead() ? List.of() : told,
                        Map.of(Fact.CHANNELS, told.size())))
                .orElseGet(() -> context.advise(PROOF_FAILED, Act.ELSEWHERE, null, List.of(), Map.of()));
    }

    /** The station is looked at before and after a head is cleaned: a dirty one clogs it again at once. */
    private Optional<Advice> lookAtStation() {
        boolean looked = true;
        for (Step step : context.visit.steps()) {
            if (step instanceof Worked worked) {
                looked &= worked.method().between() != WorkBetweenChecks.FLUSH;
            } else if (step instanceof Step.Found found) {
                looked |= Look.STATION.findings().contains(found.observation().sign());
            }
        }
        return looked
                ? Optional.empty()
                : Optional.of(Advice.toLook(LOOK_AGAIN, Look.STATION, List.of(), Map.of(), null, null));
    }

    private Optional<Advice> stationAtEnd() {
        return LastSteps.wantStation(context.visit)
                ? Optional.of(context.advise(
                        STATION_AT_END,
                        Act.WORK,
                        Method.STATION,
                        context.allChannels(),
                        Map.of(),
                        List.of(),
                        List.of(Sign.STATION_CRUSTED)))
                : Optional.empty();
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

    /** A map can be good and the print still bad: dirt on the carriage, the encoder, an ink that sets again. */
    private boolean nothingElseIsWrong() {
        if (!withInk().isEmpty() && inkRemedy().isPresent()) {
            return false;
        }
        Likely leading = context.ranking.leading();
        if (leading.cause().showsInNozzles() || leading.probability() < LIKELY_ELSEWHERE) {
            return true;
        }
        return context.visit.work().stream()
                .anyMatch(w -> context.ladder(leading.cause(), context.affected).contains(w.method()));
    }

    /** Channels that are likely to carry an unsuitable ink and were not flushed since the visit began. */
    private List<String> withInk() {
        List<String> likely = context.ranking.channels().keySet().stream()
                .filter(code -> context.ranking.in(code).stream()
                        .anyMatch(l -> l.cause() == Cause.UNSUITABLE_INK && l.probability() >= LIKELY_INK))
                .toList();
        // An ink comes in sets: where two channels gel, the others of that ink are no better.
        return context.allChannels().stream()
                .filter(code ->
                        likely.contains(code) || likely.size() > 1 && context.toldOf(Sign.THIRD_PARTY_INK, code))
                .filter(code -> context.visit.work().stream()
                        .noneMatch(w -> w.touches(code) && w.method().fluidUse() == FluidUse.FLUSH))
                .toList();
    }

    /** Channels whose ink would set again, flushed although they print. */
    Optional<Advice> flushInk() {
        List<String> channels = withInk();
        if (context.visit.verdict() != Acceptance.Verdict.MET || channels.isEmpty()) {
            return Optional.empty();
        }
        double chance = context.ranking.of(Cause.UNSUITABLE_INK).probability();
        return inkRemedy()
                .map(m -> context.advise(
                                NEXT_CAUSE, Act.WORK, m, channels, Map.of(Fact.PERCENT, (int) Math.round(100 * chance)))
                        .against(Cause.UNSUITABLE_INK));
    }

    private Optional<Method> inkRemedy() {
        return context.ladder(Cause.UNSUITABLE_INK, context.allChannels()).stream()
                .filter(m -> m.fluidUse() == FluidUse.FLUSH && m != Method.SYSTEM && context.isPossible(m))
                .findFirst();
    }
}
