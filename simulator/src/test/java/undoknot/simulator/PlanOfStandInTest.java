package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.Advice;
import undoknot.advice.Judgement;
import undoknot.advice.Terms;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Priors;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.fluid.FluidKind;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.NozzleMap;
import undoknot.plan.Branch;
import undoknot.plan.Chances;
import undoknot.plan.Doing;
import undoknot.plan.Plan;
import undoknot.plan.PlanStep;
import undoknot.plan.PlannedAttempt;
import undoknot.plan.Supplies;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.simulator.Fault.Severity;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.Push;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.visit.VisitLog;

/** Plans of many heads, at any time of their visit, under any house rules: no number stands alone and no gate is gone against. */
class PlanOfStandInTest {

    private static final long SEED = 20261127;
    private static final LocalDate TODAY = LocalDate.parse("2026-03-02");
    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");

    /** What a lead may consent to is planned and marked as such. */
    private static final Set<Gate.Code> LEAD_DECIDES =
            EnumSet.of(Gate.Code.BATH_LEAD_ONLY, Gate.Code.REMOVAL_LEAD_ONLY);

    /** Usual doses, times and counts come from the handbook's table and have no formula. */
    private static final Set<Formula> FROM_THE_TABLE = EnumSet.of(
            Formula.USUAL_DOSE,
            Formula.USUAL_MINUTES,
            Formula.USUAL_TEMPERATURE,
            Formula.USUAL_COUNT,
            Formula.USUAL_SECONDS);

    @Test
    void no_plan_goes_against_a_gate_or_past_a_pressure() {
        Random random = new Random(SEED);
        int attempts = 0;
        for (int i = 0; i < 240; i++) {
            StandInBench bench = head(random);
            bench.check();
            int done = random.nextInt(8);
            for (int n = 0; n < done && bench.follow(bench.judge().advice().first()); n++) {}
            HouseRules house = house(random);
            boolean food = random.nextInt(5) == 0;
            VisitLog visit = bench.visit();
            Plan plan = plan(visit, new Terms(house, null, food, Map.of()));
            for (PlannedAttempt attempt : plan.attempts()) {
                String at =
                        "seed " + SEED + ", turn " + i + ", " + visit.family().code() + " " + attempt.method();
                attempts++;
                assertThat(attempt.gates()).as(at).extracting(Gate::code).allMatch(LEAD_DECIDES::contains);
                pressures(visit, attempt, at);
                unfolds(attempt, at);
            }
        }
        assertThat(attempts).isGreaterThan(1000);
    }

    private static void pressures(VisitLog visit, PlannedAttempt attempt, String at) {
        if (!(attempt.treatment() instanceof Treatment.Flush flush)
                || !flush.method().isPush()) {
            return;
        }
        Map<String, Integer> open =
                visit.completedMap().map(NozzleMap::notMissing).orElse(Map.of());
        for (Stroke stroke : flush.strokes()) {
            Push push = Push.of(
                    visit.family(),
                    visit.family().channel(stroke.channel()).orElseThrow(),
                    open.get(stroke.channel()),
                    flush.temperatureC());
            assertThat(push.pressureKpa(stroke.volumeMl().doubleValue(), stroke.seconds()))
                    .as(at)
                    .isLessThanOrEqualTo(push.limitKpa());
        }
    }

    private static void unfolds(PlannedAttempt attempt, String at) {
        assertThat(attempt.steps()).as(at).isNotEmpty();
        for (PlanStep step : attempt.steps()) {
            for (Sum sum : step.numbers()) {
                boolean explained =
                        FROM_THE_TABLE.contains(sum.formula()) || !sum.given().isEmpty();
                assertThat(explained).as(at + " " + sum).isTrue();
            }
        }
        double hands =
                attempt.steps().stream().mapToDouble(PlanStep::handsMinutes).sum();
        assertThat(attempt.hands().value()).as(at).isEqualTo(hands);
        assertThat(attempt.chance().value()).as(at).isBetween(attempt.low(), attempt.high());
    }

    static Stream<Arguments> heads() {
        return StarterFamilies.ALL.stream()
                .flatMap(family ->
                        Arrays.stream(Cause.values()).map(cause -> Arguments.of(family.code(), family, cause)));
    }

    /** Where the visit does not end at once, there is something to do, and the first of it is what is advised next. */
    @ParameterizedTest(name = "{0} {2}")
    @MethodSource("heads")
    void every_construction_has_a_plan_for_every_cause(String code, Family family, Cause cause) {
        String channel = family.channels().get(1).code();
        StandInBench bench =
                new StandInBench(family, List.of(new Fault(cause, Severity.FIRM, channel)), SEED, Noise.USUAL);
        bench.check();
        bench.cycleAndCheck();
        bench.lookWhereTold(4);
        Judgement judgement = bench.judge();
        Plan plan = plan(bench.visit(), Terms.DEFAULT);
        Advice next = judgement.advice().next();
        boolean goesOn = next != null && next.act() == Advice.Act.WORK;
        if (goesOn) {
            assertThat(plan.attempts()).isNotEmpty();
            assertThat(plan.attempts().get(0).method()).isEqualTo(next.method());
        }
        plan.attempts().forEach(attempt -> unfolds(attempt, code + " " + cause + " " + attempt.method()));
        assertThat(plan.attempts())
                .allSatisfy(
                        a -> assertThat(a.branches()).extracting(Branch::after).contains(Branch.After.ACCEPTED));
        assertThat(plan.after()).extracting(PlanStep::doing).contains(Doing.CHECK);
    }

    /** The same minutes by another count: those that the ranking of works by minutes of hands reckons with. */
    @Test
    void the_steps_of_an_attempt_take_about_what_the_method_is_known_to_take() {
        Random random = new Random(SEED);
        Map<Method, List<Double>> planned = new EnumMap<>(Method.class);
        for (int i = 0; i < 200; i++) {
            StandInBench bench = head(random);
            bench.check();
            for (PlannedAttempt attempt : plan(bench.visit(), Terms.DEFAULT).attempts()) {
                if (attempt.channels().size() == 1) {
                    double work = attempt.steps().stream()
                            .takeWhile(s -> s.doing() != Doing.CHECK)
                            .mapToDouble(PlanStep::handsMinutes)
                            .sum();
                    planned.computeIfAbsent(attempt.method(), m -> new ArrayList<>())
                            .add(work);
                }
            }
        }
        assertThat(planned).hasSizeGreaterThan(10);
        planned.forEach((method, minutes) -> {
            double median = minutes.stream().sorted().toList().get(minutes.size() / 2);
            assertThat(median / method.handsMinutes()).as(method + " " + median).isBetween(0.75, 1.3);
        });
    }

    private static StandInBench head(Random random) {
        Family family = StarterFamilies.ALL.get(random.nextInt(StarterFamilies.ALL.size()));
        Cause cause = random.nextInt(3) == 0 ? Cause.DRIED_INK : Cause.values()[random.nextInt(Cause.values().length)];
        Severity severity = Severity.values()[random.nextInt(Severity.values().length)];
        String channel =
                family.channels().get(random.nextInt(family.channels().size())).code();
        return new StandInBench(family, List.of(new Fault(cause, severity, channel)), random.nextLong(), Noise.HARD);
    }

    private static HouseRules house(Random random) {
        Map<HouseQuestion, School> answers = new EnumMap<>(HouseQuestion.class);
        for (HouseQuestion question : HouseQuestion.values()) {
            List<School> schools = question.schools();
            answers.put(question, schools.get(random.nextInt(schools.size())));
        }
        return new HouseRules(answers);
    }

    private static Plan plan(VisitLog visit, Terms terms) {
        Judgement judgement = Judgement.of(visit, Priors.DEFAULT, terms);
        return Plan.of(visit, judgement, new Plan.Basis(terms, shelf(), Chances.STARTING, NOW));
    }

    private static Supplies shelf() {
        List<Supplies.Bottle> bottles = Arrays.stream(FluidKind.values())
                .map(kind -> new Supplies.Bottle(
                        kind.name(),
                        kind.name(),
                        kind,
                        kind.forFood(),
                        TODAY,
                        TODAY.plusYears(1),
                        500,
                        400,
                        20.0,
                        null))
                .toList();
        return new Supplies(bottles, 40, Map.of(), Map.of(), TODAY);
    }
}
