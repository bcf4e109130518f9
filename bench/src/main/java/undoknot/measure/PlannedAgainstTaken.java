package undoknot.measure;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import undoknot.advice.Advice;
import undoknot.advice.Judgement;
import undoknot.advice.Terms;
import undoknot.nozzle.Acceptance;
import undoknot.outcome.Cases;
import undoknot.outcome.Odds;
import undoknot.plan.Chances;
import undoknot.plan.Plan;
import undoknot.plan.PlannedAttempt;
import undoknot.plan.Span;
import undoknot.plan.Supplies;
import undoknot.simulator.StandInBench;
import undoknot.treatment.Method;

/**
 * Plans of stand-in heads against what carrying them out took: for each attempt, and for the visit from its first treatment to
 * its end. The chances come from a record of other heads, as a shop has one.
 */
final class PlannedAgainstTaken {

    private static final int STEPS = 200;
    private static final double A_FIFTH = 0.2;

    private final Map<Method, int[]> record = new EnumMap<>(Method.class);
    private final List<Double> attemptHands = new ArrayList<>();
    private final List<Double> attemptFluid = new ArrayList<>();
    private final List<Double> visitHands = new ArrayList<>();
    private final List<Double> visitFluid = new ArrayList<>();
    private int within;
    private int visits;

    /** @param seed of the heads that are planned; those of the record have others */
    PlannedAgainstTaken(long seed, int heads) {
        for (int n = 0; n < heads; n++) {
            learn(TrialHead.of(seed + 1_000_000 + n).bench());
        }
        for (int n = 0; n < heads; n++) {
            measure(TrialHead.of(seed + n).bench());
        }
    }

    private static boolean treats(Advice advice) {
        return advice.act() == Advice.Act.WORK && !advice.method().settles() || startsLadder(advice);
    }

    private static boolean startsLadder(Advice advice) {
        return advice.method() == Method.CYCLE && advice.rule() != Advice.Rule.SETTLE_FIRST;
    }

    private void learn(StandInBench bench) {
        Method last = null;
        for (int step = 0; step < STEPS; step++) {
            Advice advice = bench.judge().advice().first();
            if (treats(advice)) {
                close(last, bench);
                last = advice.method();
            }
            if (!bench.follow(advice)) {
                break;
            }
        }
        close(last, bench);
    }

    private void close(Method method, StandInBench bench) {
        if (method != null) {
            int[] cases = record.computeIfAbsent(method, m -> new int[2]);
            cases[0]++;
            cases[1] += bench.visit().verdict() == Acceptance.Verdict.MET ? 1 : 0;
        }
    }

    private Odds odds(Method method, String channel, int number) {
        int[] cases = record.getOrDefault(method, new int[2]);
        return Odds.of(Cases.NONE, Cases.NONE, new Cases(cases[0], cases[1]), method.startChance());
    }

    private Plan plan(StandInBench bench, Judgement judgement) {
        Chances chances = this::odds;
        Supplies shelf = Supplies.none(LocalDate.EPOCH);
        return Plan.of(bench.visit(), judgement, new Plan.Basis(Terms.DEFAULT, shelf, chances, Instant.EPOCH));
    }

    private void measure(StandInBench bench) {
        Plan first = null;
        int handsFirst = 0;
        double fluidFirst = 0;
        PlannedAttempt planned = null;
        int handsBefore = 0;
        double fluidBefore = 0;
        for (int step = 0; step < STEPS; step++) {
            Judgement judgement = bench.judge();
            Advice advice = judgement.advice().first();
            if (treats(advice)) {
                if (planned != null) {
                    compare(planned, bench.handsMinutes() - handsBefore, bench.fluidMl() - fluidBefore);
                }
                Plan plan = plan(bench, judgement);
                planned = plan.attempts().stream()
                        .filter(a -> a.method() == advice.method())
                        .findFirst()
                        .orElse(null);
                handsBefore = bench.handsMinutes();
                fluidBefore = bench.fluidMl();
                if (first == null) {
                    first = plan;
                    handsFirst = handsBefore;
                    fluidFirst = fluidBefore;
                }
            }
            if (!bench.follow(advice)) {
                break;
            }
        }
        if (first != null) {
            visit(first, bench.handsMinutes() - handsFirst, bench.fluidMl() - fluidFirst);
        }
    }

    private void compare(PlannedAttempt planned, double hands, double fluid) {
        attemptHands.add(hands / planned.hands().value());
        if (planned.fluid().value() > 0 || fluid > 0) {
            attemptFluid.add(fluid / Math.max(0.1, planned.fluid().value()));
        }
    }

    private void visit(Plan plan, double hands, double fluid) {
        Span span = plan.forecast().hands();
        visits++;
        within += hands >= span.low() * (1 - A_FIFTH) && hands <= span.high() * (1 + A_FIFTH) ? 1 : 0;
        visitHands.add(hands / span.expected().value());
        if (plan.forecast().fluid().expected().value() > 0 && fluid > 0) {
            visitFluid.add(fluid / plan.forecast().fluid().expected().value());
        }
    }

    String table() {
        return "\n| taken against planned | count | a tenth below | median | a tenth above | within a fifth |\n"
                + "|---|---|---|---|---|---|\n"
                + row("hands of an attempt, until its verdict", attemptHands)
                + row("fluid of an attempt", attemptFluid)
                + row("hands of a visit, from its first treatment", visitHands)
                + row("fluid of a visit", visitFluid)
                + String.format(
                        Locale.ROOT,
                        "%nHands of %.0f %% of %d visits lie between the two ends that the plan gave.%n",
                        100.0 * within / visits,
                        visits);
    }

    private static String row(String what, List<Double> ratios) {
        List<Double> sorted = ratios.stream().sorted().toList();
        long near = sorted.stream().filter(r -> Math.abs(r - 1) <= A_FIFTH).count();
        return String.format(
                Locale.ROOT,
                "| %s | %d | %.2f | %.2f | %.2f | %.0f %% |%n",
                what,
                sorted.size(),
                at(sorted, 0.1),
                at(sorted, 0.5),
                at(sorted, 0.9),
                sorted.isEmpty() ? 0 : 100.0 * near / sorted.size());
    }

    private static double at(List<Double> sorted, double share) {
        return sorted.isEmpty() ? Double.NaN : sorted.get((int) (share * (sorted.size() - 1)));
    }
}
