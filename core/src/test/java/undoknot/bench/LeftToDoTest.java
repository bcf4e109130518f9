package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.bench.LeftToDo.InHand;
import undoknot.bench.LeftToDo.Running;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.plan.Doing;
import undoknot.plan.Forecast;
import undoknot.plan.Plan;
import undoknot.plan.PlanStep;
import undoknot.plan.PlannedAttempt;
import undoknot.treatment.Method;
import undoknot.treatment.Site;

class LeftToDoTest {

    private static final LeftToDo.Head FRESH = new LeftToDo.Head("v", "K7M2", Site.IN_CARRIAGE, 0, 500);

    private static PlanStep step(Doing doing, double hands, double waits) {
        return new PlanStep(
                doing, List.of(), null, null, 0, List.of(), Sum.of(Formula.HANDS, hands), Sum.of(Formula.WAIT, waits));
    }

    private static PlannedAttempt attempt(int number, Method method, double reached, PlanStep... steps) {
        List<PlanStep> all = List.of(steps);
        double hands = all.stream().mapToDouble(PlanStep::handsMinutes).sum();
        Sum none = Sum.of(Formula.WAIT, 0);
        return new PlannedAttempt(
                number,
                method,
                null,
                0,
                List.of("C"),
                Site.IN_CARRIAGE,
                null,
                List.of(),
                List.of(),
                false,
                null,
                null,
                all,
                List.of(),
                List.of(),
                Sum.of(Formula.HANDS, hands),
                none,
                none,
                none,
                none,
                none,
                null,
                reached,
                false);
    }

    private static final PlannedAttempt CYCLE = attempt(1, Method.CYCLE, 1, step(Doing.CYCLE, 3, 0));
    private static final PlanStep[] PAD_STEPS = {
        step(Doing.PAD_IN, 4, 0), step(Doing.STAND, 0, 40), step(Doing.PAD_OUT, 2, 0), step(Doing.CHECK, 2, 0)
    };
    private static final PlannedAttempt PAD = attempt(2, Method.PAD, 0.8, PAD_STEPS);
    private static final PlannedAttempt FLUSH =
            attempt(3, Method.FLUSH, 0.4, step(Doing.PREPARE, 5, 0), step(Doing.CHECK, 2, 0));

    private static Plan plan(PlannedAttempt... attempts) {
        return new Plan(
                List.of(step(Doing.CHECK, 2, 0)),
                List.of(attempts),
                List.of(step(Doing.SIGN_OFF, 3, 0)),
                (Forecast) null,
                List.of(),
                false);
    }

    private static List<String> keys(HeadJob job) {
        return job.stints().stream().map(Stint::key).toList();
    }

    @Test
    void what_more_than_half_of_such_heads_come_to_is_planned_and_the_rest_is_a_chance() {
        HeadJob job = LeftToDo.of(FRESH, plan(CYCLE, PAD, FLUSH), null, null);

        assertThat(keys(job))
                .containsExactly("before-CHECK", "1-CYCLE", "2-PAD_IN", "2-PAD_OUT", "2-CHECK", "after-SIGN_OFF");
        assertThat(job.again()).isEqualTo(0.4);
        assertThat(job.againHands()).isEqualTo(7);
        assertThat(job.due()).isEqualTo(500);
    }

    @Test
    void the_first_attempt_is_planned_however_rarely_it_comes_to_it() {
        HeadJob job =
                LeftToDo.of(FRESH, plan(attempt(1, Method.CYCLE, 0.2, step(Doing.CYCLE, 3, 0)), FLUSH), null, null);

        assertThat(keys(job)).containsExactly("before-CHECK", "1-CYCLE", "after-SIGN_OFF");
    }

    @Test
    void a_key_stays_the_same_once_the_attempts_before_it_are_logged() {
        LeftToDo.Head later = new LeftToDo.Head("v", "K7M2", Site.IN_CARRIAGE, 1, 500);

        HeadJob job = LeftToDo.of(later, plan(attempt(1, Method.PAD, 1, PAD_STEPS)), null, null);

        assertThat(keys(job)).contains("2-PAD_IN", "2-PAD_OUT", "2-CHECK");
    }

    @Test
    void steps_in_hand_go_on_where_they_are_and_are_not_planned_again() {
        Plan plan =
                plan(attempt(1, Method.PAD, 1, PAD_STEPS), attempt(2, Method.FLUSH, 0.6, step(Doing.PREPARE, 5, 0)));

        HeadJob begun = LeftToDo.of(FRESH, plan, new InHand(Method.PAD, List.of(PAD_STEPS), 0, false, 0.3), null);
        LeftToDo.Head logged = new LeftToDo.Head("v", "K7M2", Site.IN_CARRIAGE, 1, 500);
        HeadJob soaks = LeftToDo.of(
                logged,
                plan(attempt(1, Method.FLUSH, 1, step(Doing.PREPARE, 5, 0))),
                new InHand(Method.PAD, List.of(PAD_STEPS), 1, true, 0.3),
                new Running(25, Method.PAD));

        assertThat(keys(begun)).containsExactly("1-PAD_IN", "1-PAD_OUT", "1-CHECK", "2-PREPARE", "after-SIGN_OFF");
        // Of ten such pads seven do not suffice: the flush after it is planned.
        assertThat(keys(soaks)).containsExactly("1-PAD_OUT", "1-CHECK", "2-PREPARE", "after-SIGN_OFF");
        assertThat(soaks.from()).isEqualTo(25);
        assertThat(soaks.runsIn()).containsExactly(Place.PRINTER);
        // A pad of forty minutes may lie for a night of sixteen hours.
        assertThat(soaks.until()).isEqualTo(25 + 960 - 40);
    }

    /** Minutes left of a clock of a tray soak that nobody leads step by step; a night of sixteen hours more is no harm. */
    @ParameterizedTest
    @CsvSource({
        "30, TRAY_SOAK, 30, 990, TRAY",
        "-60, TRAY_SOAK, 0, 900, TRAY",
        "6, BATH, 6, 6, BATH",
        "-5, BATH, 0, 0, BATH",
        "90, VAPOUR, 90, 90, PRINTER",
        "20, FLUSH, 20, 980, PRINTER"
    })
    void a_clock_that_runs_is_waited_for_and_ended_in_time(int left, Method method, int from, int until, Place place) {
        HeadJob job = LeftToDo.of(FRESH, plan(CYCLE), null, new Running(left, method));

        assertThat(job.from()).isEqualTo(from);
        assertThat(job.until()).isEqualTo(until);
        assertThat(job.runsIn()).isEqualTo(Set.of(place));
    }

    @Test
    void a_wait_of_no_work_does_no_harm_when_it_lasts_longer() {
        HeadJob job = LeftToDo.of(FRESH, plan(CYCLE), null, new Running(120, null));

        assertThat(job.from()).isEqualTo(120);
        assertThat(job.until()).isEqualTo(Stint.ANY);
        assertThat(job.runsIn()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"STROKE, 8, 0, true", "STAND, 0, 40, false", "HOLD, 0, 0, false", "CYCLE, 1, 3, true"})
    void hands_are_on_it_while_it_does_not_wait(Doing doing, double hands, double waits, boolean under) {
        assertThat(LeftToDo.isUnderHands(step(doing, hands, waits))).isEqualTo(under);
    }
}
