package undoknot.advice;

import static undoknot.advice.Advice.Rule.OUT_AFTER_FLUSH;
import static undoknot.advice.Advice.Rule.SETTLE_FIRST;
import static undoknot.practice.HouseQuestion.AFTER_FLUSH;
import static undoknot.practice.HouseQuestion.CYCLE_STRENGTH;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.advice.Advice.Act;
import undoknot.head.Construction;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.Counts;
import undoknot.observation.Fact;
import undoknot.practice.HouseQuestion;
import undoknot.practice.School;
import undoknot.treatment.Method;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Round;
import undoknot.visit.Step.Worked;

/** The first check after a treatment is no verdict (handbook 13, rules 3 and 4): it settles first, and air is driven out. */
final class Settling {

    private static final double IMPROVES = 0.05;

    private final AdviceContext context;

    Settling(AdviceContext context) {
        this.context = context;
    }

    // 3
    Optional<Advice> settleFirst() {
        if (context.rounds.isEmpty() || context.visit.verdict() != Acceptance.Verdict.NOT_MET) {
            return Optional.empty();
        }
        Round last = context.lastRound();
        List<String> channels = context.affected.stream().filter(last::touches).toList();
        if (last.work().isEmpty() || channels.isEmpty()) {
            return Optional.empty();
        }
        Method before = last.work().get(last.work().size() - 1).method();
        if (before.settles()) {
            return again(last, channels);
        }
        return before.between() == WorkBetweenChecks.OTHER ? Optional.empty() : Optional.of(settle(before, channels));
    }

    /** Up to three cycles after a treatment while each improves, and a rest when they are used up. */
    private Optional<Advice> again(Round last, List<String> channels) {
        List<String> worked =
                channels.stream().filter(context.visit::isWorkedByHand).toList();
        boolean improves = worked.stream()
                .map(code -> last.counts().get(code))
                .anyMatch(counts -> counts != null && improves(counts));
        if (!improves) {
            return Optional.empty();
        }
        int cycles =
                worked.stream().mapToInt(context.visit::cyclesSinceHands).max().orElse(0);
        boolean rested = last.work().stream().anyMatch(w -> w.method() == Method.REST);
        if (cycles < Method.CYCLE.rungs() && canCycle()) {
            return Optional.of(advise(Method.CYCLE, worked, List.of()));
        }
        return cycles == 0 || rested ? Optional.empty() : Optional.of(advise(Method.REST, worked, List.of()));
    }

    private static boolean improves(Counts counts) {
        return counts.gain() > IMPROVES && counts.outNow() <= counts.outBefore();
    }

    private Advice settle(Method before, List<String> channels) {
        // A port that would not take the cleaner takes no ink either.
        Method settling = Ladder.inkAfter(before, context.visit.family(), context.house)
                .filter(context::isPossible)
                .filter(m -> channels.stream().noneMatch(context::portIsStuck))
                .orElse(canCycle() ? Method.CYCLE : Method.REST);
        List<HouseQuestion> asked = before.between() == WorkBetweenChecks.FLUSH && settling != Method.REST
                ? List.of(AFTER_FLUSH, CYCLE_STRENGTH)
                : HouseWorkStyle.questions(settling, List.of(), context);
        return advise(settling, channels, asked);
    }

    private boolean canCycle() {
        return context.isPossible(Method.CYCLE) && !context.house.says(School.CyclesFirst.NONE);
    }

    private Advice advise(Method method, List<String> channels, List<HouseQuestion> asked) {
        return context.advise(
                SETTLE_FIRST,
                Act.WORK,
                method,
                channels.stream().sorted().toList(),
                Map.of(Fact.OUT, context.outNow()),
                asked.isEmpty() ? HouseWorkStyle.questions(method, List.of(), context) : asked,
                List.of());
    }

    // 4
    Optional<Advice> outAfterFlush() {
        if (context.verdicts.isEmpty() || !context.lastRound().isOfMaps()) {
            return Optional.empty();
        }
        Round judged = context.verdicts.get(context.verdicts.size() - 1);
        List<String> out = judged.flowed().stream()
                .filter(code -> context.affected.contains(code) && isOut(judged, code))
                .sorted()
                .toList();
        return out.isEmpty()
                ? Optional.empty()
                : ways().stream()
                        .filter(m -> context.isPossible(m)
                                && judged.work().stream().map(Worked::method).noneMatch(m::equals)
                                && out.stream()
                                        .anyMatch(code -> context.visit.times(m, List.of(code)) < Method.PURGE.rungs()))
                        .findFirst()
                        .map(m -> context.advise(OUT_AFTER_FLUSH, Act.WORK, m, out, Map.of(Fact.CHANNELS, out.size())));
    }

    private static boolean isOut(Round judged, String code) {
        return undoknot.nozzle.ChannelFeatures.of(judged.after().map().channel(code), 1)
                .whollyOut();
    }

    /** Air out of a channel that took fluid and prints nothing. */
    private List<Method> ways() {
        Construction construction = context.visit.family().construction();
        if (construction == Construction.METERED_PIEZO) {
            return List.of(Method.PRIME, Method.PURGE);
        }
        return Method.PURGE.allowedBy(context.visit.family())
                ? List.of(Method.PURGE, Method.CARTRIDGE)
                : List.of(Method.CHARGE, Method.DRAW_IN);
    }
}
