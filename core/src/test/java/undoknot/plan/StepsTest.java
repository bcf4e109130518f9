package undoknot.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static undoknot.treatment.Method.*;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.WrittenVisit;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.flow.Term;
import undoknot.fluid.FluidKind;
import undoknot.head.Channel;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Cases;
import undoknot.outcome.Odds;
import undoknot.sitting.Part;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.Treatment.Resistance;
import undoknot.treatment.Treatment.Strength;
import undoknot.visit.HeadNow;

/** Each method in steps: what hands do in which order, minutes, waits and millilitres, added up by hand from handbook 8 and 12. */
class StepsTest {

    private static final String OPEN = "TARROW-T4";
    private static final String WIDE = "HULVER-W8";
    private static final LocalDate TODAY = LocalDate.parse("2026-03-02");
    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");
    private static final Supplies SHELF = new Supplies(
            List.of(), 60, Map.of(Part.DAMPER, 30.0), Map.of(Strength.LIGHT, 1.5, Strength.STRONG, 9.0), TODAY);

    private static WrittenVisit dried(String family) {
        return new WrittenVisit(family)
                .told(10, Symptom.GAPS_ONE_COLOUR)
                .scattered("C", 6, 0)
                .check()
                .found(Sign.WASTE_ROOM, null);
    }

    private static Plan plan(WrittenVisit bench, Supplies shelf, Plan.Chosen... works) {
        Plan.Basis basis = new Plan.Basis(bench.terms(), shelf, Chances.STARTING, NOW);
        return Plan.chosen(bench.visit(), bench.judge(), basis, List.of(works));
    }

    private static Plan plan(WrittenVisit bench, Plan.Chosen... works) {
        return plan(bench, SHELF, works);
    }

    private static Plan.Chosen in(String channel, Method method) {
        return new Plan.Chosen(method, List.of(channel), Dose.USUAL);
    }

    private static String doings(PlannedAttempt attempt) {
        return String.join(
                " ", attempt.steps().stream().map(s -> s.doing().name()).toList());
    }

    private static PlanStep step(PlannedAttempt attempt, Doing doing) {
        return attempt.steps().stream()
                .filter(s -> s.doing() == doing)
                .findFirst()
                .orElseThrow(() -> new AssertionError(doing + " is not in " + doings(attempt)));
    }

    private static Sum number(PlanStep step, Formula formula) {
        return step.numbers().stream()
                .filter(s -> s.formula() == formula)
                .findFirst()
                .orElseThrow();
    }

    private static double given(Sum sum, Term term) {
        return sum.given().stream()
                .filter(g -> g.term() == term)
                .findFirst()
                .orElseThrow()
                .value();
    }

    /** Minutes of hands, minutes of waits, mL; a cycle keeps the printer for 3 minutes. */
    @ParameterizedTest(name = "{0}")
    @CsvSource(textBlock = """
        CYCLE,        TARROW-T4,  6,       3,    0,    CYCLE CHECK
        CYCLE_STRONG, TARROW-T4,  7,       3,    0,    CYCLE_STRONG CHECK
        REST,         TARROW-T4,  3,       720,  0,    REST CHECK
        PAGE,         TARROW-T4,  5,       0,    0,    PAGE CHECK
        CHARGE,       TARROW-T4,  8,       3,    0,    CHARGE CHECK
        ALIGN,        TARROW-T4,  10,      0,    0,    ALIGN
        PARTS,        TARROW-T4,  8,       0,    20,   CLEAN_PARTS
        PURGE,        TARROW-T4,  15.0333, 3,    0.5,  PREPARE MAINS_OFF STROKE CARTRIDGE_BACK PAD_OUT LOOK_DRY POWER_ON CHECK CYCLE CHECK
        PRIME,        PELLAM-M5,  12.1,    0,    1.5,  PREPARE MAINS_OFF FREE_CARRIAGE PROTECT FIT_SYRINGE STROKE PAD_OUT LOOK_DRY POWER_ON CHECK
        PORT_SOAK,    TARROW-T4,  18,      13,   1.5,  PREPARE MAINS_OFF FREE_CARRIAGE PROTECT FIT_SYRINGE FILL STAND PAD_OUT LOOK_DRY POWER_ON CHECK CYCLE CHECK
        FLUSH,        TARROW-T4,  20.2667, 13,   4,    PREPARE MAINS_OFF FREE_CARRIAGE PROTECT FIT_SYRINGE STROKE STAND SECOND_STROKE PAD_OUT LOOK_DRY POWER_ON CHECK CYCLE CHECK
        WARM,         TARROW-T4,  23.2667, 23,   4,    PREPARE MAINS_OFF FREE_CARRIAGE PROTECT FIT_SYRINGE WARM_FLUID STROKE STAND SECOND_STROKE PAD_OUT LOOK_DRY POWER_ON CHECK CYCLE CHECK
        TRAY_SOAK,    TARROW-T4,  22,      138,  45,   PREPARE MAINS_OFF TAKE_OUT SEALS_IN_JAR TRAY_IN STAND LIFT_OUT LOOK_DRY HOLD REFIT POWER_ON CHECK CYCLE CHECK
        TRAY_SOAK,    VENNICK-B3, 21,      138,  25,   PREPARE MAINS_OFF TAKE_OUT TRAY_IN STAND LIFT_OUT LOOK_DRY HOLD REFIT POWER_ON CHECK CYCLE CHECK
        RINSE,        TARROW-T4,  31,      723,  0,    PREPARE MAINS_OFF TAKE_OUT RINSE_TURNS LAST_RINSE LOOK_DRY HOLD REFIT POWER_ON CHECK CYCLE CHECK
        BATH,         TARROW-T4,  28.5,    128,  150,  PREPARE MAINS_OFF TAKE_OUT BASKET_IN DEGAS BURSTS LIFT_OUT LOOK_DRY HOLD REFIT POWER_ON CHECK CYCLE CHECK
        STEAM,        TARROW-T4,  23.1667, 123,  0,    PREPARE MAINS_OFF TAKE_OUT STEAM_BURSTS LOOK_DRY HOLD REFIT POWER_ON CHECK CYCLE CHECK
        DRAW_BACK,    SKERRIN-L4, 42,      1443, 5,    PREPARE MAINS_OFF TAKE_OUT PARTS_OFF CLEAN_MANIFOLD WET_PLATE DRAW PARTS_ON LOOK_DRY HOLD REFIT POWER_ON CHECK CYCLE CHECK
        PAD,          ORSEL-D6,   14.5,    13,   3,    PREPARE MAINS_OFF FREE_CARRIAGE PAD_IN STAND PAD_OUT POWER_ON CHECK CYCLE CHECK
        VAPOUR,       HULVER-W8,  15.75,   168,  8,    PREPARE MAINS_OFF FREE_CARRIAGE CARTRIDGES_OFF PAD_IN STAND PAD_OUT AIR_COVERS POWER_ON CHECK CYCLE CHECK
        WIPE,         TARROW-T4,  14.5,     6,    3,    PREPARE MAINS_OFF FREE_CARRIAGE WIPE_DAMP PARK WIPE_DRY PAD_OUT POWER_ON CHECK CYCLE CHECK
        DRAW_IN,      HULVER-W8,  18,      3,    0,    PREPARE MAINS_OFF FREE_CARRIAGE PROTECT DRAW_INK_IN PAD_OUT POWER_ON CHECK CYCLE CHECK
        DAMPER,       HULVER-W8,  26,      3,    0,    PREPARE MAINS_OFF FREE_CARRIAGE PULL_DAMPER POWER_ON CHECK CYCLE CHECK
        LINE,         HULVER-W8,  46,      3,    30,   PREPARE MAINS_OFF FREE_CARRIAGE FLUSH_LINE POWER_ON CHECK CHARGE CHECK
        SYSTEM,       HULVER-W8,  125,     3,    2000, FLUSH_SYSTEM CHECK CHARGE CHECK
        CARTRIDGE,    TARROW-T4,  14,      3,    0,    PREPARE CARTRIDGE CHECK CYCLE CHECK
        STATION,      TARROW-T4,  23,      3,    3,    PREPARE MAINS_OFF CLEAN_STATION POWER_ON CHECK CYCLE CHECK
        UNDERSIDE,    TARROW-T4,  13,      0,    0,    PREPARE MAINS_OFF CLEAN_UNDERSIDE POWER_ON CHECK
        STRIP,        TARROW-T4,  11,      0,    0,    PREPARE MAINS_OFF SWAB_STRIP POWER_ON CHECK
        RESEAT,       TARROW-T4,  12,      15,   0,    PREPARE MAINS_OFF CLEAN_CONTACTS EVAPORATE POWER_ON CHECK
        """)
    void a_method_in_steps(Method method, String family, double hands, double waits, double ml, String doings) {
        PlannedAttempt attempt = plan(dried(family), in("C", method)).attempts().get(0);
        assertThat(doings(attempt)).isEqualTo(doings);
        assertThat(attempt.hands().value()).isCloseTo(hands, within(1e-3));
        assertThat(attempt.waits().value()).isCloseTo(waits, within(1e-9));
        assertThat(attempt.fluid().value()).isCloseTo(ml, within(1e-9));
        // 60 an hour is one a minute; nothing on the shelf has a price.
        assertThat(attempt.cost().value()).isCloseTo(attempt.hands().value(), within(1e-9));
    }

    @Test
    void numbers_of_the_handbook_stand_at_their_steps() {
        PlannedAttempt bath = plan(dried(OPEN), in("C", BATH)).attempts().get(0);
        assertThat(number(step(bath, Doing.BASKET_IN), Formula.USUAL_TEMPERATURE)
                        .value())
                .isEqualTo(35);
        assertThat(number(step(bath, Doing.BURSTS), Formula.USUAL_COUNT).value())
                .isEqualTo(2);
        assertThat(number(step(bath, Doing.BURSTS), Formula.USUAL_SECONDS).value())
                .isEqualTo(120);
        PlannedAttempt steam = plan(dried(OPEN), in("C", STEAM)).attempts().get(0);
        assertThat(number(step(steam, Doing.STEAM_BURSTS), Formula.USUAL_COUNT).value())
                .isEqualTo(10);
        PlannedAttempt warm = plan(dried(OPEN), in("C", WARM)).attempts().get(0);
        assertThat(number(step(warm, Doing.WARM_FLUID), Formula.USUAL_TEMPERATURE)
                        .value())
                .isEqualTo(45);
        assertThat(number(step(warm, Doing.STROKE), Formula.VISCOSITY).value()).isCloseTo(0.594, within(0.003));
        PlannedAttempt soak = plan(dried(OPEN), in("C", PORT_SOAK)).attempts().get(0);
        // √(10⁻¹⁰ · 600) m
        assertThat(number(step(soak, Doing.STAND), Formula.SOAK_DEPTH).value()).isCloseTo(0.245, within(0.001));
    }

    /** Wetted again every three hours: four times in twelve. */
    @Test
    void a_night_of_vapour_is_wetted_again() {
        Dose night = new Dose(null, Map.of(), null, 720, null, null, null, null);
        PlannedAttempt vapour = plan(dried(WIDE), new Plan.Chosen(VAPOUR, List.of("LK"), night))
                .attempts()
                .get(0);
        assertThat(number(step(vapour, Doing.RE_WET), Formula.USUAL_COUNT).value())
                .isEqualTo(4);
        assertThat(step(vapour, Doing.STAND).waitMinutes()).isEqualTo(720);
    }

    /** The second damper of a plan is a new one, at its price; two channels are two. */
    @Test
    void a_part_that_is_replaced_costs_its_price() {
        Plan.Chosen damper = new Plan.Chosen(DAMPER, List.of("C", "M"), Dose.USUAL);
        Plan plan = plan(dried(WIDE), damper, damper);
        assertThat(doings(plan.attempts().get(1))).contains("NEW_DAMPER");
        PlannedAttempt second = plan.attempts().get(1);
        assertThat(second.cost().value()).isCloseTo(second.hands().value() + 60, within(1e-9));
        PlannedAttempt first = plan.attempts().get(0);
        assertThat(first.cost().value()).isCloseTo(first.hands().value(), within(1e-9));
    }

    @Test
    void waste_is_what_is_poured_and_the_ink_of_the_cycles() {
        Plan plan = plan(dried(OPEN), in("C", CYCLE), in("C", FLUSH), in("C", CYCLE_STRONG), in("C", UNDERSIDE));
        assertThat(plan.attempts()).extracting(a -> a.waste().value()).containsExactly(1.5, 4 + 1.5, 9.0, 0.0);
    }

    @Test
    void the_waste_store_is_looked_at_once_before_it_is_filled() {
        WrittenVisit bench = new WrittenVisit(OPEN)
                .told(10, Symptom.GAPS_ONE_COLOUR)
                .scattered("C", 6, 0)
                .check();
        Plan plan = plan(bench, in("C", CYCLE), in("C", CHARGE), in("C", CYCLE_STRONG));
        assertThat(doings(plan.attempts().get(0))).startsWith("CYCLE");
        assertThat(plan.attempts().get(1).steps().get(0).look()).isEqualTo(Look.WASTE_STORE);
        assertThat(plan.attempts().get(1).steps().get(0).handsMinutes()).isEqualTo(Look.WASTE_STORE.minutes());
        assertThat(doings(plan.attempts().get(2))).startsWith("CYCLE_STRONG");
    }

    @Test
    void where_a_cleaning_brought_more_gaps_the_station_is_looked_at_as_well() {
        WrittenVisit bench = new WrittenVisit(OPEN)
                .told(10, Symptom.MORE_AFTER_CLEANING)
                .scattered("C", 6, 0)
                .check();
        Plan plan = plan(bench, in("C", CYCLE_STRONG));
        assertThat(plan.attempts().get(0).steps())
                .extracting(PlanStep::look)
                .startsWith(Look.WASTE_STORE, Look.STATION);
    }

    @Test
    void a_head_on_the_bench_is_refitted_first_and_taken_out_no_more() {
        WrittenVisit out = dried(OPEN).head(new HeadNow(Site.ON_BENCH, List.of(), List.of(), null, null));
        Plan plan = plan(out, in("C", CYCLE), in("C", TRAY_SOAK));
        assertThat(doings(plan.attempts().get(0))).startsWith("REFIT POWER_ON CYCLE");
        // After the cycle it stands in its carriage.
        assertThat(doings(plan.attempts().get(1))).startsWith("PREPARE MAINS_OFF TAKE_OUT");
        assertThat(doings(plan(out, in("C", TRAY_SOAK)).attempts().get(0))).startsWith("PREPARE SEALS_IN_JAR");
        PlannedAttempt flush = plan(out, in("C", FLUSH)).attempts().get(0);
        assertThat(flush.site()).isEqualTo(Site.ON_BENCH);
        assertThat(doings(flush)).startsWith("PREPARE PROTECT").contains("LOOK_DRY HOLD REFIT POWER_ON");
        assertThat(step(flush, Doing.HOLD).waitMinutes()).isEqualTo(120);
        assertThat(flush.gates()).isEmpty();
    }

    private static List<Gate.Code> gates(PlannedAttempt attempt) {
        return attempt.gates().stream().map(Gate::code).toList();
    }

    @Test
    void what_is_mended_in_a_plan_bars_nothing_after_it() {
        WrittenVisit bench = dried(OPEN).found(Sign.STATION_CRUSTED, null);
        assertThat(gates(plan(bench, in("C", CYCLE)).attempts().get(0))).contains(Gate.Code.NO_CYCLES_NOW);
        assertThat(gates(plan(bench, in("C", FLUSH), in("C", CYCLE)).attempts().get(1)))
                .contains(Gate.Code.NO_CYCLES_NOW);
        for (Method mend : List.of(STATION, CARTRIDGE, DAMPER, RESEAT)) {
            assertThat(gates(plan(bench, in("C", mend), in("C", CYCLE))
                            .attempts()
                            .get(1)))
                    .as(mend.name())
                    .isEmpty();
        }
    }

    @Test
    void cycles_are_counted_through_the_plan() {
        assertThat(gates(plan(dried(OPEN), in("C", CYCLE_STRONG), in("C", CYCLE_STRONG))
                        .attempts()
                        .get(1)))
                .contains(Gate.Code.STRONG_ONCE);
        WrittenVisit three = dried(OPEN).cycle("C").cycle("C").cycle("C").check();
        assertThat(gates(plan(three, in("C", CYCLE)).attempts().get(0))).contains(Gate.Code.TOO_MANY_CYCLES);
        // Cycles after hands count anew.
        WrittenVisit worked = three.flush(Resistance.STIFF, "C").check();
        assertThat(gates(plan(worked, in("C", CYCLE)).attempts().get(0))).isEmpty();
    }

    /** A twentieth of a channel that shows nothing, a quarter of one that nobody read, else what the map shows. */
    @Test
    void a_stroke_reckons_with_what_is_open() {
        WrittenVisit dead = new WrittenVisit(OPEN).told(10).whole("C").check();
        WrittenVisit unread = new WrittenVisit(OPEN).told(10);
        Channel cyan = dead.visit().family().channel("C").orElseThrow();
        int all = cyan.nozzles();
        assertThat(open(dead)).isEqualTo(Math.ceil(0.05 * all));
        assertThat(open(unread)).isEqualTo(Math.ceil(0.25 * all));
        assertThat(open(dried(OPEN)))
                .isEqualTo(dried(OPEN)
                        .visit()
                        .completedMap()
                        .orElseThrow()
                        .notMissing()
                        .get("C")
                        .doubleValue());
    }

    private static double open(WrittenVisit bench) {
        PlanStep stroke = step(plan(bench, in("C", FLUSH)).attempts().get(0), Doing.STROKE);
        return given(number(stroke, Formula.STROKE_SECONDS), Term.NOZZLES);
    }

    /** A stroke of minutes is no work for a thumb: the reservoir presses, and the hands are free meanwhile. */
    @Test
    void a_very_slow_stroke_is_left_to_the_reservoir() {
        WrittenVisit dead = new WrittenVisit("VENNICK-B3").told(10).whole("C").check();
        PlanStep stroke = step(plan(dead, in("C", FLUSH)).attempts().get(0), Doing.STROKE);
        double seconds = number(stroke, Formula.STROKE_SECONDS).value();
        assertThat(seconds).isGreaterThan(60);
        assertThat(stroke.waitMinutes()).isCloseTo(seconds / 60, within(1e-9));
        assertThat(stroke.handsMinutes()).isEqualTo(2);
        PlannedStroke planned = PlannedStroke.of(dead.visit().family(), cyan(dead), 0, 3, 1.002e-3);
        assertThat(planned.syringe()).isNull();
        assertThat(planned.pressureKpa()).isBetween(10.0, 15.0);
        // Each mL takes a third of it.
        assertThat(PlannedStroke.secondsPerMl(dead.visit().family(), cyan(dead), 0))
                .isCloseTo(seconds / 3, within(seconds / 30));
    }

    /** What somebody chose is what the step says and what the hands are counted by; 45 s twice, as it would be logged. */
    @Test
    void a_chosen_time_and_heat_are_what_the_steps_say() {
        Dose slow = new Dose(null, Map.of(), 45, null, null, null, null, null);
        PlannedAttempt flush = plan(dried(OPEN), new Plan.Chosen(FLUSH, List.of("C"), slow))
                .attempts()
                .get(0);
        PlanStep stroke = step(flush, Doing.STROKE);
        assertThat(number(stroke, Formula.STROKE_SECONDS).value()).isEqualTo(45);
        assertThat(stroke.handsMinutes()).isCloseTo(2 + 45 / 60.0, within(1e-9));
        assertThat(((Treatment.Flush) flush.treatment()).strokes())
                .extracting(s -> s.seconds())
                .containsExactly(45.0, 45.0);
        Dose hot = new Dose(null, Map.of(), null, null, 41.0, null, null, null);
        PlannedAttempt bath = plan(dried(OPEN), new Plan.Chosen(BATH, List.of("C"), hot))
                .attempts()
                .get(0);
        assertThat(number(step(bath, Doing.BASKET_IN), Formula.USUAL_TEMPERATURE)
                        .value())
                .isEqualTo(41);
        assertThat(gates(bath)).containsExactly(Gate.Code.BATH_TOO_HOT);
    }

    private static Channel cyan(WrittenVisit bench) {
        return bench.visit().family().channel("C").orElseThrow();
    }

    @Test
    void a_chance_comes_with_its_interval_and_its_cases() {
        WrittenVisit bench = dried(OPEN);
        Chances record = (method, channel, number) -> Odds.of(new Cases(10, 6), Cases.NONE, Cases.NONE, 0.5);
        Plan.Basis basis = new Plan.Basis(bench.terms(), SHELF, record, NOW);
        PlannedAttempt first =
                Plan.of(bench.visit(), bench.judge(), basis).attempts().get(0);
        // Two of four believed and six of ten seen: 8 of 14.
        assertThat(first.chance().value()).isCloseTo(8 / 14.0, within(1e-9));
        assertThat(first.low()).isBetween(0.3, 8 / 14.0);
        assertThat(first.high()).isBetween(8 / 14.0, 0.8);
        assertThat(first.cases()).isEqualTo(10);
        assertThat(Plan.of(bench.visit(), bench.judge(), basis).forecast().low())
                .isLessThan(
                        Plan.of(bench.visit(), bench.judge(), basis).forecast().high());
    }

    private static Supplies.Bottle bottle(String id, boolean food, LocalDate opened, LocalDate expires, double left) {
        return new Supplies.Bottle(id, id, FluidKind.AQUEOUS_CLEANER, food, opened, expires, 500, left, 25.0, 3.0);
    }

    /** Good, enough in it, an open one before a closed one, the one that ends first. */
    @Test
    void the_bottle_is_one_that_is_good_and_holds_enough() {
        LocalDate later = TODAY.plusDays(90);
        Supplies shelf = new Supplies(
                List.of(
                        bottle("expired", true, TODAY, TODAY.minusDays(1), 400),
                        bottle("closed", true, null, TODAY, 400),
                        bottle("later", false, TODAY, later.plusDays(1), 400),
                        bottle("sooner", false, TODAY, later, 100)),
                60,
                Map.of(),
                Map.of(),
                TODAY);
        FluidKind cleaner = FluidKind.AQUEOUS_CLEANER;
        assertThat(shelf.bottle(cleaner, 100, false)).map(Supplies.Bottle::id).hasValue("sooner");
        assertThat(shelf.bottle(cleaner, 100.5, false)).map(Supplies.Bottle::id).hasValue("later");
        // Good through its last day.
        assertThat(shelf.bottle(cleaner, 100, true)).map(Supplies.Bottle::id).hasValue("closed");
        assertThat(shelf.bottle(FluidKind.DEIONISED_WATER, 1, false)).isEmpty();
        assertThat(shelf.viscosityFactor(cleaner, false)).isEqualTo(3);
        assertThat(shelf.viscosityFactor(FluidKind.DEIONISED_WATER, false)).isEqualTo(1);
        assertThat(shelf.viscosityFactor(null, false)).isEqualTo(1);
        PlannedAttempt flush =
                plan(dried(OPEN), shelf, in("C", FLUSH)).attempts().get(0);
        // 25 for 500 mL is 0.05 each, four of them, and a minute of hands for each of 60 an hour.
        assertThat(flush.cost().value()).isCloseTo(flush.hands().value() + 0.2, within(1e-9));
        assertThat(given(number(step(flush, Doing.STROKE), Formula.VISCOSITY), Term.FACTOR))
                .isEqualTo(3);
    }

    @Test
    void a_hold_that_runs_is_waited_for_to_its_end_and_a_look_goes_first() {
        WrittenVisit held = dried(OPEN).inHold();
        Plan.Basis basis = new Plan.Basis(held.terms(), SHELF, Chances.STARTING, NOW);
        PlanStep hold = Plan.of(held.visit(), held.judge(), basis).before().get(0);
        assertThat(hold.doing()).isEqualTo(Doing.HOLD);
        // From nine to eighteen hours.
        assertThat(hold.waitMinutes()).isEqualTo(9 * 60);
        WrittenVisit gone = new WrittenVisit(OPEN)
                .told(10, Symptom.ONE_COLOUR_GONE)
                .whole("C")
                .check();
        Plan plan = Plan.of(gone.visit(), gone.judge(), new Plan.Basis(gone.terms(), SHELF, Chances.STARTING, NOW));
        assertThat(plan.before())
                .extracting(PlanStep::look)
                .containsExactly(gone.judge().advice().first().look());
        assertThat(plan.before().get(0).look()).isNotNull();
        double around = plan.before().get(0).handsMinutes()
                + plan.after().stream().mapToDouble(PlanStep::handsMinutes).sum();
        assertThat(plan.forecast().hands().low()).isGreaterThan(around);
        assertThat(plan.forecast().cost().expected().value())
                .isCloseTo(plan.forecast().hands().expected().value(), within(5.0));
    }
}
