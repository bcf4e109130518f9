package undoknot.outcome;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
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

    /** What a good last reading does not show (handbook 13, rule 0, and 14). */
    @ParameterizedTest
    @CsvSource({
        "RECOVERED,        true,  false, false, WORK_UNCHECKED",
        "RECOVERED,        false, true,  false, NOT_PROVEN",
        "RECOVERED,        false, false, true,  ALIGNMENT_OPEN",
        "RECOVERED,        true,  true,  true,  WORK_UNCHECKED",
        "FAULT_MENDED,     false, true,  false, NOT_PROVEN",
        "CHANGED_OVER,     true,  false, false, WORK_UNCHECKED",
        "CHECKED,          false, true,  false, NOT_PROVEN",
        "READY_TO_REFIT,   true,  false, false, WORK_UNCHECKED",
        "READY_TO_REFIT,   false, true,  true,  ",
        "STORED_CLEAN,     true,  true,  true,  ",
        "LEFT_UNFINISHED,  true,  true,  true,  ",
    })
    void what_is_open_is_named_before_it_goes(
            Outcome outcome, boolean unchecked, boolean unproven, boolean alignment, Outcome.Doubt doubt) {
        assertThat(outcome.doubt(new Outcome.Shown(Verdict.MET, null, true, true, unchecked, unproven, alignment))
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
