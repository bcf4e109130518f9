package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.NextStep.Action;
import undoknot.advice.NextStep.Running;
import undoknot.observation.Sign;
import undoknot.treatment.Treatment.Resistance;
import undoknot.visit.StepClock;

class NextStepTest {

    private static final Instant NOW = Instant.parse("2026-03-02T08:00:00Z");

    private static WrittenVisit dried() {
        return new WrittenVisit("TARROW-T4").scattered("C", 6, 0);
    }

    private static NextStep next(WrittenVisit visit, Running... running) {
        return NextStep.of(false, List.of(running), () -> visit.judge().advice().first(), NOW);
    }

    static Stream<Arguments> without_a_clock() {
        return Stream.of(
                Arguments.of("nothing read yet", dried(), Action.FIRST_CHECK),
                Arguments.of(
                        "worked on since the check", dried().check().flush(Resistance.FREE, "C"), Action.CHECK_AGAIN),
                Arguments.of("no check possible", dried().noCheck(), Action.LOOK),
                Arguments.of("crust found", dried().check().found(Sign.STATION_CRUSTED, null), Action.TREAT),
                Arguments.of("accepted, no page yet", dried().clear("C").check(), Action.TREAT),
                Arguments.of(
                        "accepted after a page",
                        dried().clear("C").check().page().check(),
                        Action.RETURN),
                Arguments.of("not the head", dried().check().found(Sign.CARRIAGE_STANDS, null), Action.RETURN));
    }

    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("without_a_clock")
    void follows_the_advice(String name, WrittenVisit visit, Action expected) {
        assertThat(next(visit).action()).isEqualTo(expected);
        assertThat(next(visit).advice()).isEqualTo(visit.judge().advice().first());
    }

    @ParameterizedTest
    @CsvSource({
        // clock, due in s, action, advice goes with it
        "SOAK, 60, WAIT_SOAK,      false",
        "SOAK,  0, LIFT_FROM_SOAK, false",
        "BURST, 5, WAIT_BURST,     false",
        "BURST,-5, END_BURST,      false",
        "HOLD, 60, WAIT_HOLD,      false",
        "HOLD, -1, CHECK_AGAIN,    true",
    })
    void a_clock_comes_first(StepClock.Kind kind, int dueInS, Action expected, boolean advised) {
        NextStep next = next(dried().check().flush(Resistance.FREE, "C"), new Running(kind, NOW.plusSeconds(dueInS)));
        assertThat(next.action()).isEqualTo(expected);
        assertThat(next.advice() != null).isEqualTo(advised);
    }

    @Test
    void of_several_clocks_the_one_that_wants_hands_first() {
        Running hold = new Running(StepClock.Kind.HOLD, NOW.plusSeconds(1));
        Running late = new Running(StepClock.Kind.SOAK, NOW.plusSeconds(90));
        Running soon = new Running(StepClock.Kind.BURST, NOW.plusSeconds(30));
        assertThat(next(dried().check(), hold, late, soon))
                .isEqualTo(new NextStep(Action.WAIT_BURST, NOW.plusSeconds(30), null));
    }

    @Test
    void a_head_that_was_returned_wants_nothing() {
        NextStep next = NextStep.of(
                true,
                List.of(new Running(StepClock.Kind.SOAK, NOW)),
                () -> {
                    throw new AssertionError("nobody needs to be asked");
                },
                NOW);
        assertThat(next).isEqualTo(new NextStep(Action.NOTHING, null, null));
    }

    static Stream<Arguments> in_a_hold() {
        return Stream.of(
                Arguments.of("nothing read yet: a check is printed", dried(), false),
                Arguments.of("worked on: a check is printed", dried().check().flush(Resistance.FREE, "C"), false),
                Arguments.of("accepted: a page is printed", dried().clear("C").check(), false),
                Arguments.of("dried ink: work without power", dried().told(20).check(), true),
                Arguments.of(
                        "crust found: the station is cleaned",
                        dried().check().found(Sign.STATION_CRUSTED, null),
                        true));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("in_a_hold")
    void a_head_that_dries_is_offered_no_power(String name, WrittenVisit visit, boolean advised) {
        NextStep next = next(visit.inHold(), new Running(StepClock.Kind.HOLD, NOW.plusSeconds(60)));
        assertThat(next.action()).isEqualTo(Action.WAIT_HOLD);
        assertThat(next.at()).isEqualTo(NOW.plusSeconds(60));
        assertThat(next.advice() != null).isEqualTo(advised);
        if (advised) {
            assertThat(next.advice().needsPower()).isFalse();
        }
    }
}
