package undoknot.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.plan.Doing.*;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.observation.Look;
import undoknot.plan.LedSteps.Led;
import undoknot.plan.LedSteps.State;
import undoknot.treatment.Method;

/** Steps gone through one by one: what a tap ends, what the record ends, and what is open again. */
class LedStepsTest {

    private static LedSteps steps(Method method, Doing... doings) {
        return new LedSteps(
                method,
                Arrays.stream(doings).map(d -> Minutes.step(d, List.of(), 0)).toList());
    }

    private static final LedSteps FLUSH = steps(
            Method.FLUSH,
            PREPARE,
            MAINS_OFF,
            PROTECT,
            STROKE,
            STAND,
            SECOND_STROKE,
            PAD_OUT,
            LOOK_DRY,
            POWER_ON,
            CHECK);

    private static Doing now(LedSteps steps, Set<Integer> tapped, DoneBy... happened) {
        Set<DoneBy> seen = EnumSet.noneOf(DoneBy.class);
        seen.addAll(List.of(happened));
        return LedSteps.now(steps.state(tapped, seen, Set.of()))
                .map(led -> led.step().doing())
                .orElse(null);
    }

    @Test
    void a_flush_goes_from_step_to_step() {
        assertThat(now(FLUSH, Set.of())).isEqualTo(PREPARE);
        assertThat(now(FLUSH, Set.of(0))).isEqualTo(MAINS_OFF);
        assertThat(now(FLUSH, Set.of(0, 1, 2))).isEqualTo(STROKE);
        // A tap is no stroke.
        assertThat(now(FLUSH, Set.of(0, 1, 2, 3, 4, 5))).isEqualTo(STROKE);
        assertThat(now(FLUSH, Set.of(0, 1, 2), DoneBy.STROKES)).isEqualTo(PAD_OUT);
        assertThat(now(FLUSH, Set.of(0, 1, 2), DoneBy.STROKES, DoneBy.PAD_OUT)).isEqualTo(LOOK_DRY);
        assertThat(now(FLUSH, Set.of(0, 1, 2), DoneBy.STROKES, DoneBy.PAD_OUT, DoneBy.LOOKED_DRY))
                .isEqualTo(POWER_ON);
        assertThat(now(FLUSH, Set.of(0, 1, 2, 8), DoneBy.STROKES, DoneBy.PAD_OUT, DoneBy.LOOKED_DRY))
                .isEqualTo(CHECK);
        assertThat(now(FLUSH, Set.of(0, 1, 2, 8), DoneBy.STROKES, DoneBy.PAD_OUT, DoneBy.LOOKED_DRY, DoneBy.CHECKED))
                .isNull();
    }

    @Test
    void what_was_logged_elsewhere_is_not_asked_again_and_says_that_nobody_tapped_it() {
        List<Led> led = FLUSH.state(Set.of(0), EnumSet.of(DoneBy.STROKES), Set.of());
        assertThat(led).extracting(Led::state).startsWith(State.DONE, State.PASSED, State.PASSED, State.DONE);
        assertThat(now(FLUSH, Set.of(0), DoneBy.STROKES)).isEqualTo(PAD_OUT);
    }

    @Test
    void a_look_at_contacts_is_never_passed_over() {
        assertThat(now(FLUSH, Set.of(0, 1, 2, 8), DoneBy.STROKES, DoneBy.PAD_OUT, DoneBy.CHECKED))
                .isEqualTo(LOOK_DRY);
    }

    @Test
    void an_entry_taken_back_opens_its_step_again() {
        Set<Integer> tapped = Set.of(0, 1, 2);
        assertThat(now(FLUSH, tapped, DoneBy.STROKES, DoneBy.PAD_OUT)).isEqualTo(LOOK_DRY);
        assertThat(now(FLUSH, tapped, DoneBy.STROKES)).isEqualTo(PAD_OUT);
        assertThat(now(FLUSH, Set.of(0, 1))).isEqualTo(PROTECT);
    }

    @Test
    void a_look_is_done_by_what_is_found_at_it_and_by_no_other() {
        LedSteps steps = new LedSteps(
                Method.CYCLE_STRONG,
                List.of(Minutes.look(Look.WASTE_STORE, List.of()), Minutes.step(CYCLE_STRONG, List.of(), 0)));
        assertThat(LedSteps.now(steps.state(Set.of(), Set.of(), Set.of(Look.FACE)))
                        .orElseThrow()
                        .step()
                        .doing())
                .isEqualTo(LOOK);
        assertThat(LedSteps.now(steps.state(Set.of(), Set.of(), Set.of(Look.WASTE_STORE)))
                        .orElseThrow()
                        .step()
                        .doing())
                .isEqualTo(CYCLE_STRONG);
    }

    @Test
    void that_no_hold_runs_passes_nothing_over() {
        LedSteps steps = steps(Method.TRAY_SOAK, PREPARE, TRAY_IN, STAND, LIFT_OUT, LOOK_DRY, HOLD, REFIT, POWER_ON);
        assertThat(now(steps, Set.of(), DoneBy.HOLD_OVER)).isEqualTo(PREPARE);
        assertThat(now(steps, Set.of(0, 3), DoneBy.WORK, DoneBy.WORK_OVER, DoneBy.LOOKED_DRY))
                .isEqualTo(HOLD);
        assertThat(now(steps, Set.of(0, 3), DoneBy.WORK, DoneBy.WORK_OVER, DoneBy.LOOKED_DRY, DoneBy.HOLD_OVER))
                .isEqualTo(REFIT);
    }

    @ParameterizedTest
    @CsvSource({
        // between strokes the clock is one of the strokes; under a pad, in a tray, in a port it ends the work
        "FLUSH, STROKES",
        "WARM, STROKES",
        "PAD, WORK_OVER",
        "VAPOUR, WORK_OVER",
        "TRAY_SOAK, WORK_OVER",
        "PORT_SOAK, WORK_OVER"
    })
    void a_stand(Method method, DoneBy by) {
        assertThat(DoneBy.of(STAND, method)).isEqualTo(by);
    }

    @ParameterizedTest
    @EnumSource(
            value = Doing.class,
            names = {
                "STROKE",
                "PULSES",
                "SECOND_STROKE",
                "DRAW",
                "PAD_OUT",
                "LOOK_DRY",
                "TAKE_OUT",
                "REFIT",
                "HOLD",
                "CYCLE",
                "CYCLE_STRONG",
                "CHARGE",
                "PAGE",
                "REST",
                "CHECK",
                "LOOK",
                "SIGN_OFF"
            })
    void what_the_record_must_hold_is_never_done_by_a_tap(Doing doing) {
        assertThat(DoneBy.of(doing, Method.FLUSH).isFromRecord()).isTrue();
    }

    @Test
    void it_ends_at_the_first_check() {
        LedSteps led = LedSteps.of(
                Method.CYCLE,
                List.of(Minutes.step(REFIT, List.of(), 0)),
                steps(Method.CYCLE, CYCLE, CHECK, CYCLE, CHECK).steps());
        assertThat(led.steps()).extracting(PlanStep::doing).containsExactly(REFIT, CYCLE, CHECK);
    }
}
