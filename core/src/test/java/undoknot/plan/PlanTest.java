package undoknot.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;
import static undoknot.treatment.Method.*;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.Advice;
import undoknot.advice.WrittenVisit;
import undoknot.diagnosis.Cause;
import undoknot.flow.Formula;
import undoknot.flow.Syringe;
import undoknot.fluid.FluidKind;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.plan.Branch.After;
import undoknot.plan.Branch.Then;
import undoknot.practice.School;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;

/** Heads written down step by step, and the plans that handbook 8, 9, 12 and 18 ask for. */
class PlanTest {

    private static final String LAMINATED = "SKERRIN-L4";
    private static final String DESK = "ORSEL-D6";
    private static final String BLADDER = "VENNICK-B3";
    private static final String OPEN = "TARROW-T4";
    private static final String METERED = "PELLAM-M5";
    private static final String WIDE = "HULVER-W8";

    private static final LocalDate TODAY = LocalDate.parse("2026-03-02");
    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");

    private static Supplies.Bottle bottle(String id, FluidKind kind, boolean food, LocalDate opened, double left) {
        return new Supplies.Bottle(id, id, kind, food, opened, TODAY.plusMonths(6), 500, left, 24.0, null);
    }

    private static final Supplies SHELF = new Supplies(
            List.of(
                    bottle("closed", FluidKind.AQUEOUS_CLEANER, false, null, 500),
                    bottle("open", FluidKind.AQUEOUS_CLEANER, false, TODAY.minusDays(9), 200),
                    bottle("nearly empty", FluidKind.AQUEOUS_CLEANER, false, TODAY.minusDays(30), 2),
                    bottle("water", FluidKind.DEIONISED_WATER, true, TODAY, 900)),
            40,
            Map.of(),
            Map.of(),
            TODAY);

    private static Plan.Basis basis(WrittenVisit bench) {
        return new Plan.Basis(bench.terms(), SHELF, Chances.STARTING, NOW);
    }

    private static Plan plan(WrittenVisit bench) {
        return Plan.of(bench.visit(), bench.judge(), basis(bench));
    }

    /** Every sixth nozzle of cyan and every ninth of yellow, fixed, the head idle for so many days. */
    private static WrittenVisit dried(String family, int idleDays) {
        return new WrittenVisit(family)
                .told(idleDays, Symptom.GAPS_SEVERAL)
                .scattered("C", 6, 0)
                .scattered("Y", 9, 0)
                .check();
    }

    private static PlannedAttempt first(Plan plan, Method method) {
        return plan.attempts().stream()
                .filter(a -> a.method() == method)
                .findFirst()
                .orElseThrow(() -> new AssertionError(method + " is not in " + methods(plan)));
    }

    private static List<Method> methods(Plan plan) {
        return plan.attempts().stream().map(PlannedAttempt::method).toList();
    }

    private static PlanStep step(PlannedAttempt attempt, Doing doing) {
        return attempt.steps().stream()
                .filter(s -> s.doing() == doing)
                .findFirst()
                .orElseThrow(() -> new AssertionError(doing + " is not in " + doings(attempt)));
    }

    private static List<Doing> doings(PlannedAttempt attempt) {
        return attempt.steps().stream().map(PlanStep::doing).toList();
    }

    private static double number(PlanStep step, Formula formula) {
        return step.numbers().stream()
                .filter(s -> s.formula() == formula)
                .findFirst()
                .orElseThrow()
                .value();
    }

    static Stream<Arguments> courses() {
        return Stream.of(
                Arguments.of(LAMINATED, List.of(CYCLE, PAD, PAD, PAD, PAD, DRAW_BACK, TRAY_SOAK, DRAW_BACK, BATH)),
                Arguments.of(
                        DESK,
                        List.of(CYCLE, PAD, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, DRAW_BACK)),
                Arguments.of(
                        BLADDER,
                        List.of(
                                CYCLE, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, TRAY_SOAK, RINSE,
                                BATH, STEAM)),
                Arguments.of(
                        OPEN,
                        List.of(
                                CYCLE, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, TRAY_SOAK, RINSE,
                                BATH, STEAM, DRAW_BACK)),
                Arguments.of(
                        METERED, List.of(CYCLE, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, PRIME)),
                Arguments.of(
                        WIDE,
                        List.of(
                                CYCLE, PAD, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM,
                                DRAW_BACK)));
    }

    @ParameterizedTest
    @MethodSource("courses")
    void dried_ink_is_gone_through_gentlest_first_as_the_construction_allows(String family, List<Method> course) {
        Plan plan = plan(dried(family, 45));
        assertThat(plan.attempts().stream()
                        .filter(a -> a.cause() == Cause.DRIED_INK || a.lastResort())
                        .map(PlannedAttempt::method)
                        .toList())
                .startsWith(course.toArray(Method[]::new));
        assertThat(plan.attempts().get(0).channels()).containsExactly("C", "Y");
    }

    /** A flush in the carriage, from preparation to the verdict (handbook 8). */
    @Test
    void a_flush_is_prepared_dosed_left_to_soak_dosed_again_and_judged() {
        PlannedAttempt flush = first(plan(dried(OPEN, 10)), FLUSH);
        assertThat(doings(flush))
                .containsExactly(
                        Doing.PREPARE,
                        Doing.MAINS_OFF,
                        Doing.FREE_CARRIAGE,
                        Doing.PROTECT,
                        Doing.FIT_SYRINGE,
                        Doing.STROKE,
                        Doing.STAND,
                        Doing.SECOND_STROKE,
                        Doing.PAD_OUT,
                        Doing.LOOK_DRY,
                        Doing.POWER_ON,
                        Doing.CHECK,
                        Doing.CYCLE,
                        Doing.CHECK);
        PlanStep stroke = step(flush, Doing.STROKE);
        // Light colours first.
        assertThat(stroke.channels()).containsExactly("Y", "C");
        assertThat(stroke.ml()).isEqualTo(6);
        assertThat(step(flush, Doing.SECOND_STROKE).ml()).isEqualTo(2);
        assertThat(flush.fluid().value()).isEqualTo(8);
        assertThat(flush.waste().value()).isEqualTo(8);
        assertThat(flush.site()).isEqualTo(Site.IN_CARRIAGE);
        assertThat(flush.bottle().id()).isEqualTo("open");
        // 24 for 500 mL, and hands at 40 an hour.
        assertThat(flush.cost().value())
                .isCloseTo(8 * 24 / 500.0 + flush.hands().value() * 40 / 60, within(1e-9));
    }

    /** Short idle: the ladder from its foot. Over a month: the rungs that take the same hands and less time are left out. */
    @ParameterizedTest
    @CsvSource({"10, '10, 40, 180, 720, 720'", "45, '180, 720, 720, 720, 720'"})
    void soaks_grow_about_fourfold(int idleDays, String minutes) {
        List<String> stands = plan(dried(OPEN, idleDays)).attempts().stream()
                .filter(a -> a.method() == PORT_SOAK
                        || a.method() == FLUSH && !a.style().pulses())
                .map(a -> String.valueOf(a.style().plannedMinutes()))
                .toList();
        assertThat(String.join(", ", stands)).isEqualTo(minutes);
    }

    /** Limits of handbook 9: at 15 kPa no thumb is safe on any syringe, and a reservoir 1.53 m up does it. */
    @Test
    void a_tight_limit_is_kept_by_height_and_not_by_thumb() {
        PlanStep stroke = step(first(plan(dried(BLADDER, 10)), FLUSH), Doing.STROKE);
        assertThat(number(stroke, Formula.RESERVOIR_HEIGHT)).isCloseTo(1.53, within(0.005));
        assertThat(number(stroke, Formula.GREATEST_FORCE)).isCloseTo(8.4, within(0.05));
    }

    /** At 60 kPa a firm thumb needs 60 mL (33.6 N); at 40 kPa none takes it firmly, and 60 mL takes 22.4 N. */
    @ParameterizedTest
    @CsvSource({DESK + ", 33.6", OPEN + ", 22.4"})
    void the_syringe_is_one_that_a_thumb_can_hold_below_the_limit(String family, double newton) {
        PlanStep stroke = step(first(plan(dried(family, 10)), FLUSH), Doing.STROKE);
        assertThat(number(stroke, Formula.GREATEST_FORCE)).isCloseTo(newton, within(0.05));
    }

    static Stream<Arguments> holds() {
        return Stream.of(
                Arguments.of(OPEN, TRAY_SOAK, 2 * 60),
                Arguments.of(OPEN, RINSE, 12 * 60),
                Arguments.of(OPEN, BATH, 2 * 60),
                Arguments.of(OPEN, STEAM, 2 * 60),
                Arguments.of(OPEN, DRAW_BACK, 24 * 60),
                Arguments.of(LAMINATED, TRAY_SOAK, 24 * 60),
                Arguments.of(LAMINATED, DRAW_BACK, 24 * 60));
    }

    @ParameterizedTest
    @MethodSource("holds")
    void bench_work_ends_with_a_look_a_hold_and_the_refit(String family, Method method, int minutes) {
        PlannedAttempt attempt = first(plan(dried(family, 45)), method);
        assertThat(attempt.site()).isEqualTo(Site.ON_BENCH);
        assertThat(step(attempt, Doing.HOLD).waitMinutes()).isEqualTo(minutes);
        assertThat(doings(attempt)).containsSubsequence(Doing.TAKE_OUT, Doing.LOOK_DRY, Doing.HOLD, Doing.REFIT);
    }

    /** Worst first in a draw-back, at most the family's suction; manifold and plate come before it. */
    @Test
    void a_draw_back_goes_worst_first_over_a_wet_plate() {
        PlannedAttempt draw = first(plan(dried(LAMINATED, 45)), DRAW_BACK);
        assertThat(doings(draw)).containsSubsequence(Doing.CLEAN_MANIFOLD, Doing.WET_PLATE, Doing.DRAW);
        assertThat(step(draw, Doing.DRAW).channels()).containsExactly("C", "Y");
        assertThat(number(step(draw, Doing.DRAW), Formula.FAMILY_SUCTION)).isEqualTo(40);
        assertThat(draw.fluid().value()).isEqualTo(10);
    }

    /** A pad drains connected cartridges: they come off for more than two hours. */
    @Test
    void cartridges_come_off_for_a_long_pad() {
        List<PlannedAttempt> pads = plan(dried(LAMINATED, 10)).attempts().stream()
                .filter(a -> a.method() == PAD)
                .toList();
        assertThat(pads).extracting(a -> a.style().plannedMinutes()).containsExactly(10, 40, 180, 720);
        assertThat(pads)
                .extracting(a -> doings(a).contains(Doing.CARTRIDGES_OFF))
                .containsExactly(false, false, true, true);
    }

    @Test
    void every_attempt_branches_by_what_its_check_says() {
        Plan plan = plan(dried(OPEN, 10));
        assertThat(first(plan, CYCLE).branches())
                .extracting(Branch::after, Branch::then, Branch::method)
                .containsExactly(
                        tuple(After.ACCEPTED, Then.FINISH, null),
                        tuple(After.GOOD, Then.SAME_AGAIN, CYCLE),
                        tuple(After.NONE, Then.NEXT, FLUSH),
                        tuple(After.WORSE, Then.STATION, STATION));
        assertThat(first(plan, FLUSH).branches())
                .extracting(Branch::after, Branch::then, Branch::method)
                .containsExactly(
                        tuple(After.ACCEPTED, Then.FINISH, null),
                        tuple(After.GOOD, Then.SAME_AGAIN, FLUSH),
                        tuple(After.SOME, Then.LONGER, PORT_SOAK),
                        tuple(After.NONE, Then.NEXT, PORT_SOAK));
        assertThat(plan.attempts().get(plan.attempts().size() - 1).branches())
                .extracting(Branch::then)
                .contains(Then.GIVE_UP)
                .doesNotContain(Then.NEXT);
    }

    /** Starting beliefs are worth four cases: cycle 0.20, then flush 1.4 of 5, soak 1.2 of 6; each failure before counts against it. */
    @Test
    void what_failed_before_counts_against_the_next() {
        List<PlannedAttempt> attempts = plan(dried(OPEN, 10)).attempts();
        assertThat(attempts.get(0).chance().value()).isCloseTo(0.20, within(1e-9));
        assertThat(attempts.get(1).chance().value()).isCloseTo(1.4 / 5, within(1e-9));
        assertThat(attempts.get(2).chance().value()).isCloseTo(1.2 / 6, within(1e-9));
        assertThat(attempts.get(2).reached()).isCloseTo(0.8 * 3.6 / 5, within(1e-9));
    }

    @Test
    void food_heads_are_planned_with_bottles_that_may_serve_them() {
        PlannedAttempt flush = first(plan(dried(OPEN, 10).food()), FLUSH);
        assertThat(flush.bottle().id()).isEqualTo("water");
        assertThat(flush.gates()).isEmpty();
    }

    @Test
    void what_a_bottle_does_not_hold_comes_from_another_and_what_no_bottle_holds_is_said() {
        assertThat(first(plan(dried(OPEN, 10)), BATH).bottle().id()).isEqualTo("open");
        Supplies empty = Supplies.none(TODAY);
        WrittenVisit bench = dried(OPEN, 10);
        Plan plan = Plan.of(bench.visit(), bench.judge(), new Plan.Basis(bench.terms(), empty, Chances.STARTING, NOW));
        assertThat(first(plan, FLUSH).bottle()).isNull();
        assertThat(SHELF.bottle(FluidKind.AQUEOUS_CLEANER, 300, false))
                .map(Supplies.Bottle::id)
                .hasValue("closed");
        assertThat(SHELF.bottle(FluidKind.AQUEOUS_CLEANER, 501, false)).isEmpty();
    }

    /** What was done already is not planned again: the ladder goes on behind it. */
    @Test
    void a_plan_goes_on_where_the_visit_stands() {
        WrittenVisit bench = dried(OPEN, 10)
                .cycle("C", "Y")
                .check()
                .flush(Treatment.Resistance.STIFF, "C", "Y")
                .check();
        Plan plan = plan(bench);
        assertThat(methods(plan)).doesNotContain(CYCLE_STRONG).startsWith(CYCLE, PORT_SOAK, PORT_SOAK, FLUSH);
    }

    @Test
    void a_crusted_station_is_cleaned_before_anything_is_cycled() {
        Plan plan = plan(dried(OPEN, 10).found(Sign.STATION_CRUSTED, null));
        assertThat(plan.attempts().get(0).method()).isEqualTo(STATION);
        assertThat(plan.bars()).contains(BarredWork.CYCLES);
        assertThat(methods(plan)).doesNotContain(CYCLE);
    }

    @Test
    void a_head_in_a_hold_waits_first_and_an_accepted_one_has_only_its_page_left() {
        assertThat(plan(dried(OPEN, 10).inHold()).before())
                .extracting(PlanStep::doing)
                .contains(Doing.HOLD);
        WrittenVisit sound = dried(OPEN, 10)
                .flush(Treatment.Resistance.STIFF, "C", "Y")
                .clear("C")
                .clear("Y")
                .check()
                .found(Sign.STATION_CLEAN, null);
        Plan plan = plan(sound);
        assertThat(sound.judge().advice().first().rule()).isEqualTo(Advice.Rule.ACCEPTED);
        assertThat(methods(plan)).containsExactly(PAGE);
        assertThat(plan.after()).extracting(PlanStep::doing).endsWith(Doing.CHECK, Doing.SIGN_OFF);
    }

    @Test
    void before_the_first_check_a_plan_has_no_attempts_and_is_reckoned_from_what_was_told() {
        Plan plan = plan(new WrittenVisit(OPEN).told(45, Symptom.GAPS_ONE_COLOUR));
        assertThat(plan.attempts()).isEmpty();
        assertThat(plan.before()).extracting(PlanStep::doing).containsExactly(Doing.CHECK);
        assertThat(plan.forecast().chance().value()).isGreaterThan(0.5);
        assertThat(plan.forecast().hands().expected().value()).isGreaterThan(20);
    }

    private static Plan chosen(WrittenVisit bench, Plan.Chosen... works) {
        return Plan.chosen(bench.visit(), bench.judge(), basis(bench), List.of(works));
    }

    private static Dose of(Double ml, Integer seconds, Integer minutes, Double celsius, Double suction) {
        return new Dose(ml, Map.of(), seconds, minutes, celsius, suction, null, null);
    }

    @Test
    void a_changed_plan_keeps_its_order_and_doses_and_what_was_dropped_stays_out() {
        Plan plan = chosen(
                dried(OPEN, 10),
                new Plan.Chosen(PORT_SOAK, List.of("Y"), of(null, null, 90, null, null)),
                new Plan.Chosen(
                        FLUSH, List.of("C", "Y"), new Dose(null, Map.of("C", 5.0), null, null, null, null, null, null)),
                new Plan.Chosen(STATION, List.of(), Dose.USUAL));
        assertThat(plan.isChosen()).isTrue();
        assertThat(methods(plan)).containsExactly(PORT_SOAK, FLUSH, STATION);
        assertThat(plan.attempts().get(0).cause()).isEqualTo(Cause.DRIED_INK);
        assertThat(plan.attempts().get(0).added()).isFalse();
        assertThat(plan.attempts().get(2).added()).isTrue();
        assertThat(step(plan.attempts().get(0), Doing.STAND).waitMinutes()).isEqualTo(90);
        // 3 mL in yellow, 5 in cyan; 1 mL in each after the soak.
        assertThat(plan.attempts().get(1).fluid().value()).isEqualTo(10);
        assertThat(plan.attempts()).noneMatch(PlannedAttempt::isRefused);
    }

    private static Dose pushed(Syringe syringe, Syringe.Thumb force) {
        return new Dose(null, Map.of(), null, null, null, null, syringe, force);
    }

    static Stream<Arguments> breaches() {
        return Stream.of(
                Arguments.of(OPEN, FLUSH, of(3.0, 1, null, null, null), Gate.Code.PUSH_TOO_HARD),
                // 25 N on the 10 mL syringe are 151 kPa; on the 60 mL one 44.7, and 10 N there 17.9.
                Arguments.of(BLADDER, FLUSH, pushed(Syringe.ML_10, Syringe.Thumb.LIGHT), Gate.Code.PUSH_TOO_HARD),
                Arguments.of(BLADDER, FLUSH, pushed(Syringe.ML_60, Syringe.Thumb.LIGHT), Gate.Code.PUSH_TOO_HARD),
                Arguments.of(OPEN, WARM, of(null, null, null, 65.0, null), Gate.Code.TOO_HOT),
                Arguments.of(OPEN, DRAW_BACK, of(null, null, null, null, 31.0), Gate.Code.SUCTION_TOO_HARD),
                Arguments.of(OPEN, BATH, of(null, null, null, 41.0, null), Gate.Code.BATH_TOO_HOT),
                Arguments.of(LAMINATED, FLUSH, Dose.USUAL, Gate.Code.NO_PUSH),
                Arguments.of(LAMINATED, RINSE, Dose.USUAL, Gate.Code.NO_RINSE),
                Arguments.of(DESK, BATH, Dose.USUAL, Gate.Code.NO_BATH),
                Arguments.of(METERED, DRAW_BACK, Dose.USUAL, Gate.Code.NO_SUCTION));
    }

    @ParameterizedTest(name = "{0} {1} {3}")
    @MethodSource("breaches")
    void a_chosen_breach_shows_the_gate_that_it_goes_against(String family, Method method, Dose dose, Gate.Code code) {
        Plan plan = chosen(dried(family, 10), new Plan.Chosen(method, List.of("C"), dose));
        assertThat(plan.attempts().get(0).gates()).extracting(Gate::code).contains(code);
        boolean atALimit = dose != Dose.USUAL;
        assertThat(plan.attempts().get(0).isRefused()).isEqualTo(atALimit);
    }

    /** The house pushes in pulses: three of 4 mL are planned for each channel, and the pad print ends it. */
    @Test
    void a_house_that_pulses_is_planned_so() {
        PlannedAttempt flush = first(plan(dried(OPEN, 10).house(School.Dose.LONG_PULSING)), FLUSH);
        assertThat(doings(flush)).contains(Doing.PULSES).doesNotContain(Doing.STAND);
        assertThat(flush.fluid().value()).isEqualTo(2 * 3 * 4);
    }
}
