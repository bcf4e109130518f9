package undoknot.outcome;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.nozzle.Acceptance.Verdict;
import undoknot.nozzle.Counts;

class OutcomeTest {

    private static Counts counts(Integer outBefore, Integer restored, Integer newlyOut) {
        return outBefore == null ? null : new Counts(100, 0, restored, outBefore - restored, newlyOut, 0, 0, 0, 0);
    }

    @ParameterizedTest
    @CsvSource({
        "10, 0, 0, NOT_MET, true, , TIGHT",
        "10, 1, 0, NOT_MET, true, , LOOSENED",
        "10, 9, 0, MET, true, RECOVERED, OPEN",
        "10, 0, 0, UNSURE, true, , TIGHT",
        ", , , MET, true, , OPEN",
        ", , , NOT_MET, true, , UNTOLD",
        ", , , , true, , UNTOLD",
        "10, 3, 0, NOT_MET, true, STOPPED_FOR_COST, FRAYED",
        "10, 3, 0, NOT_MET, false, STOPPED_FOR_COST, LOOSENED",
        ", , , , true, NOT_RECOVERABLE, FRAYED",
    })
    void a_knot_tells_how_an_attempt_went(
            Integer out,
            Integer restored,
            Integer newlyOut,
            Verdict verdict,
            boolean last,
            Outcome outcome,
            Knot expected) {
        assertThat(Knot.of(true, counts(out, restored, newlyOut), verdict, last, outcome))
                .isEqualTo(expected);
    }

    /** What each end needs to be believed: a print that is accepted, a stream that is whole, steps that are done. */
    @ParameterizedTest
    @CsvSource({
        "READY_TO_REFIT, , true, true, ",
        "READY_TO_REFIT, MET, false, true, STREAM_NOT_WHOLE",
        "STORED_CLEAN, , false, true, ",
        "STORED_CLEAN, MET, true, false, STEPS_OPEN",
        "CHANGED_OVER, MET, false, true, ",
        "CHANGED_OVER, MET, false, false, STEPS_OPEN",
        "CHANGED_OVER, NOT_MET, false, true, NOT_ACCEPTED",
        "CHANGED_OVER, , false, true, NO_MAP",
        "INK_RETURNED, UNSURE, false, true, ACCEPTANCE_UNSURE",
        "INK_RETURNED, MET, false, true, ",
        "CHECKED, MET, false, true, ",
        "CHECKED, NOT_MET, false, true, NOT_ACCEPTED",
        "LEFT_UNFINISHED, , false, false, ",
        "RECOVERED, MET, false, true, ",
        "FAULT_MENDED, MET, false, true, ",
        "FAULT_MENDED, NOT_MET, false, true, NOT_ACCEPTED",
    })
    void a_claim_is_held_against_what_there_is_to_show(
            Outcome outcome, Verdict verdict, boolean stream, boolean steps, Outcome.Doubt doubt) {
        assertThat(outcome.doubt(new Outcome.Shown(verdict, null, stream, steps))
                        .orElse(null))
                .isEqualTo(doubt);
    }

    /** What a good last reading does not show (handbook 13, rules 0 to 2, and 14). */
    @ParameterizedTest
    @CsvSource({
        "RECOVERED,        WORK_UNCHECKED,                WORK_UNCHECKED",
        "RECOVERED,        NOT_PROVEN,                    NOT_PROVEN",
        "RECOVERED,        FOUND_LEFT,                    FOUND_LEFT",
        "RECOVERED,        STATION_LEFT,                  STATION_LEFT",
        "RECOVERED,        PAGE_LEFT,                     PAGE_LEFT",
        "RECOVERED,        ALIGNMENT_OPEN,                ALIGNMENT_OPEN",
        "RECOVERED,        ALIGNMENT_OPEN PAGE_LEFT NOT_PROVEN WORK_UNCHECKED, WORK_UNCHECKED",
        "RECOVERED,        PAGE_LEFT STATION_LEFT,        STATION_LEFT",
        "FAULT_MENDED,     NOT_PROVEN,                    NOT_PROVEN",
        "FAULT_MENDED,     PAGE_LEFT,                     PAGE_LEFT",
        "CHANGED_OVER,     WORK_UNCHECKED,                WORK_UNCHECKED",
        "CHANGED_OVER,     PAGE_LEFT,                     ",
        "CHANGED_OVER,     STATION_LEFT,                  STATION_LEFT",
        "INK_RETURNED,     PAGE_LEFT FOUND_LEFT,          FOUND_LEFT",
        "CHECKED,          NOT_PROVEN,                    NOT_PROVEN",
        "CHECKED,          PAGE_LEFT,                     ",
        "CHECKED,          FOUND_LEFT,                    FOUND_LEFT",
        "READY_TO_REFIT,   WORK_UNCHECKED,                WORK_UNCHECKED",
        "READY_TO_REFIT,   NOT_PROVEN ALIGNMENT_OPEN FOUND_LEFT STATION_LEFT PAGE_LEFT, ",
        "STORED_CLEAN,     WORK_UNCHECKED NOT_PROVEN ALIGNMENT_OPEN FOUND_LEFT STATION_LEFT PAGE_LEFT, ",
        "LEFT_UNFINISHED,  WORK_UNCHECKED NOT_PROVEN ALIGNMENT_OPEN FOUND_LEFT STATION_LEFT PAGE_LEFT, ",
    })
    void what_is_open_is_named_before_it_goes(Outcome outcome, String open, Outcome.Doubt doubt) {
        Set<Outcome.Doubt> doubts =
                Arrays.stream(open.split(" ")).map(Outcome.Doubt::valueOf).collect(Collectors.toSet());
        assertThat(outcome.doubt(new Outcome.Shown(Verdict.MET, null, true, true, doubts))
                        .orElse(null))
                .isEqualTo(doubt);
    }

    @Test
    void every_end_belongs_to_a_purpose_and_a_repair_alone_asks_a_symptom() {
        assertThat(Arrays.stream(Purpose.values()).flatMap(p -> p.outcomes().stream()))
                .containsAll(List.of(Outcome.values()));
        assertThat(Purpose.INK_CHANGE.outcomes()).doesNotContain(Outcome.RECOVERED);
        assertThat(Arrays.stream(Purpose.values()).filter(Purpose::asksSymptom)).containsExactly(Purpose.REPAIR);
    }

    @ParameterizedTest
    @CsvSource({
        "RECOVERED, MET, 10, 10, 0, ",
        "RECOVERED, NOT_MET, 10, 5, 0, NOT_ACCEPTED",
        "RECOVERED, UNSURE, 10, 5, 0, ACCEPTANCE_UNSURE",
        "RECOVERED, , , , , NO_MAP",
        "IMPROVED, NOT_MET, 10, 5, 0, ",
        "IMPROVED, NOT_MET, 10, 5, 5, NOT_FEWER_OUT",
        "IMPROVED, NOT_MET, , , , NO_MAP",
        "NOT_RECOVERABLE, NOT_MET, 10, 0, 0, ",
        "NOT_RECOVERABLE, MET, 10, 10, 0, ACCEPTED_AFTER_ALL",
        "STOPPED_FOR_COST, , , , , ",
    })
    void a_claim_is_held_against_the_readings(
            Outcome outcome, Verdict verdict, Integer out, Integer restored, Integer newlyOut, Outcome.Doubt doubt) {
        assertThat(outcome.doubt(verdict, counts(out, restored, newlyOut)).orElse(null))
                .isEqualTo(doubt);
    }

    @Test
    void an_attempt_that_no_check_judged_yet_is_waiting() {
        assertThat(Knot.of(false, null, null, true, null)).isEqualTo(Knot.WAITING);
        assertThat(Knot.of(false, null, null, true, Outcome.NOT_RECOVERABLE)).isEqualTo(Knot.FRAYED);
    }
}
