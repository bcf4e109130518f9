package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.bench.Stints.Round;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.plan.Doing;
import undoknot.plan.PlanStep;
import undoknot.treatment.Method;
import undoknot.treatment.Site;

class StintsTest {

    private static PlanStep step(Doing doing, double hands, double waits) {
        return new PlanStep(
                doing, List.of(), null, null, 0, List.of(), Sum.of(Formula.HANDS, hands), Sum.of(Formula.WAIT, waits));
    }

    private static PlanStep step(Doing doing, double hands) {
        return step(doing, hands, 0);
    }

    private static final List<PlanStep> FLUSH = List.of(
            step(Doing.PREPARE, 2),
            step(Doing.MAINS_OFF, 0.5),
            step(Doing.STROKE, 8.2),
            step(Doing.STAND, 0, 40),
            step(Doing.SECOND_STROKE, 6),
            step(Doing.POWER_ON, 0.5),
            step(Doing.CHECK, 2),
            step(Doing.CYCLE, 4, 3),
            step(Doing.CHECK, 2));

    private static Stints.Cut cut(Site site, Method method, int done, List<PlanStep> steps) {
        return Stints.of(site, List.of(new Round("1", method, steps, done)));
    }

    @Test
    void a_flush_in_place_is_hands_a_soak_up_to_a_night_hands_and_the_printing() {
        assertThat(cut(Site.IN_CARRIAGE, Method.FLUSH, 0, FLUSH))
                .isEqualTo(new Stints.Cut(
                        List.of(
                                new Stint(
                                        "1-PREPARE",
                                        Doing.PREPARE,
                                        Method.FLUSH,
                                        11,
                                        40,
                                        960,
                                        Set.of(Place.PRINTER),
                                        true),
                                new Stint(
                                        "1-SECOND_STROKE",
                                        Doing.SECOND_STROKE,
                                        Method.FLUSH,
                                        7,
                                        0,
                                        Stint.ANY,
                                        Set.of(Place.PRINTER),
                                        false),
                                // Check, cycle, check: a cycle of three minutes is stood by.
                                new Stint(
                                        "1-CHECK",
                                        Doing.CHECK,
                                        Method.FLUSH,
                                        11,
                                        0,
                                        Stint.ANY,
                                        Set.of(Place.TEST_SLOT),
                                        false)),
                        0,
                        Stint.ANY,
                        Set.of()));
    }

    @Test
    void steps_that_are_done_are_left_out_and_the_keys_stay() {
        Stints.Cut cut = cut(Site.IN_CARRIAGE, Method.FLUSH, 2, FLUSH);

        assertThat(cut.stints().get(0).key()).isEqualTo("1-PREPARE");
        assertThat(cut.stints().get(0).doing()).isEqualTo(Doing.STROKE);
        assertThat(cut.stints().get(0).hands()).isEqualTo(9);
        assertThat(cut.stints().get(0).least()).isEqualTo(40);
    }

    @Test
    void a_soak_in_hand_is_waited_for_and_keeps_its_place() {
        Stints.Cut cut = cut(Site.IN_CARRIAGE, Method.FLUSH, 3, FLUSH);

        assertThat(cut.waits()).isEqualTo(40);
        assertThat(cut.slack()).isEqualTo(960 - 40);
        assertThat(cut.runsIn()).containsExactly(Place.PRINTER);
        assertThat(cut.stints()).extracting(Stint::key).containsExactly("1-SECOND_STROKE", "1-CHECK");
    }

    @Test
    void a_tray_soak_holds_the_tray_until_the_head_is_lifted_out_and_the_hold_no_place() {
        List<PlanStep> tray = List.of(
                step(Doing.PREPARE, 2),
                step(Doing.TAKE_OUT, 3),
                step(Doing.TRAY_IN, 1.5),
                step(Doing.STAND, 0, 180),
                step(Doing.LIFT_OUT, 1),
                step(Doing.LOOK_DRY, 1),
                step(Doing.HOLD, 0, 120),
                step(Doing.REFIT, 3),
                step(Doing.POWER_ON, 0.5),
                step(Doing.CHECK, 2));

        List<Stint> stints = cut(Site.IN_CARRIAGE, Method.TRAY_SOAK, 0, tray).stints();

        assertThat(stints)
                .extracting(Stint::key)
                .containsExactly(
                        "1-PREPARE", "1-TRAY_IN", "1-LIFT_OUT", "1-LOOK_DRY", "1-REFIT", "1-POWER_ON", "1-CHECK");
        assertThat(stints)
                .extracting(Stint::places)
                .containsExactly(
                        Set.of(Place.PRINTER),
                        Set.of(Place.TRAY),
                        Set.of(Place.TRAY),
                        Set.of(),
                        Set.of(Place.PRINTER),
                        Set.of(Place.PRINTER),
                        Set.of(Place.TEST_SLOT));
        assertThat(stints).extracting(Stint::kept).containsExactly(false, true, false, false, false, false, false);
        assertThat(stints.get(3).least()).isEqualTo(120);
        assertThat(stints.get(3).most()).isEqualTo(Stint.ANY);
    }

    @Test
    void a_bath_is_one_go_from_the_basket_to_lifting_out() {
        List<PlanStep> bath = List.of(
                step(Doing.PREPARE, 2),
                step(Doing.TAKE_OUT, 3),
                step(Doing.BASKET_IN, 3),
                step(Doing.DEGAS, 0.5, 5),
                step(Doing.BURSTS, 11),
                step(Doing.LIFT_OUT, 1));

        assertThat(cut(Site.IN_CARRIAGE, Method.BATH, 0, bath).stints())
                .extracting(Stint::hands, Stint::least, Stint::places)
                .containsExactly(tuple(5, 0, Set.of(Place.PRINTER)), tuple(21, 0, Set.of(Place.BATH)));
    }

    @Test
    void a_hold_that_runs_comes_before_anything() {
        Stints.Cut cut = Stints.of(
                Site.ON_BENCH,
                List.of(
                        new Round("before", null, List.of(step(Doing.HOLD, 0, 300)), 0),
                        new Round("1", Method.CYCLE, List.of(step(Doing.REFIT, 3), step(Doing.POWER_ON, 0.5)), 0)));

        assertThat(cut.waits()).isEqualTo(300);
        assertThat(cut.slack()).isEqualTo(Stint.ANY);
        assertThat(cut.runsIn()).isEmpty();
        assertThat(cut.stints()).extracting(Stint::key).containsExactly("1-REFIT", "1-POWER_ON");
    }

    @Test
    void work_of_hours_can_be_left_between_two_parts() {
        assertThat(cut(Site.IN_CARRIAGE, Method.LINE, 0, List.of(step(Doing.FLUSH_LINE, 257)))
                        .stints())
                .extracting(Stint::key, Stint::hands)
                .containsExactly(tuple("1-FLUSH_LINE", 86), tuple("1-FLUSH_LINE.1", 86), tuple("1-FLUSH_LINE.2", 85));
    }

    /** How long a wait of so many minutes may become (handbook 8); 0 stands for as long as one likes. */
    @ParameterizedTest
    @CsvSource({
        "PORT_SOAK, STAND, 40, 960",
        "TRAY_SOAK, STAND, 720, 960",
        "FLUSH, STAND, 10, 960",
        "VAPOUR, STAND, 150, 180",
        "VAPOUR, STAND, 720, 720",
        "PAD, STAND, 10, 120",
        "FLUSH, WARM_FLUID, 10, 20",
        "WIPE, PARK, 6, 6",
        "BATH, DEGAS, 6, 6",
        "REST, REST, 720, 0",
        "DRAW_BACK, HOLD, 1440, 0",
        "VAPOUR, AIR_COVERS, 15, 0",
        "RESEAT, EVAPORATE, 15, 0"
    })
    void every_wait_has_its_end(Method method, Doing doing, int minutes, int most) {
        List<PlanStep> steps = List.of(step(Doing.MAINS_OFF, 1), step(doing, 0, minutes), step(Doing.PAD_OUT, 1));

        Stint waits = cut(Site.IN_CARRIAGE, method, 0, steps).stints().get(0);

        assertThat(waits.least()).isEqualTo(minutes);
        assertThat(waits.most()).isEqualTo(most == 0 ? Stint.ANY : most);
    }

    @Test
    void a_pad_with_the_cartridges_off_may_lie_overnight() {
        List<PlanStep> pad = List.of(
                step(Doing.MAINS_OFF, 1),
                step(Doing.CARTRIDGES_OFF, 1),
                step(Doing.STAND, 0, 600),
                step(Doing.PAD_OUT, 1));

        assertThat(cut(Site.IN_CARRIAGE, Method.PAD, 0, pad).stints().get(0).most())
                .isEqualTo(960);
    }
}
