package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.bench.NextStep.Action;
import undoknot.bench.NextStep.Standing;
import undoknot.bench.NextStep.Waiting;
import undoknot.nozzle.Acceptance.Verdict;

class NextStepTest {

    private static final Instant NOW = Instant.parse("2026-03-02T08:00:00Z");

    @ParameterizedTest
    @CsvSource({
        // closed, clock, due in s, checks, diagnosed, attempts since, verdict, action
        "true,  NONE,  0, 3, true,  0, MET,     NOTHING",
        "false, NONE,  0, 0, false, 0, ,        FIRST_CHECK",
        "false, NONE,  0, 1, false, 0, NOT_MET, DIAGNOSE",
        "false, NONE,  0, 1, false, 0, ,        DIAGNOSE",
        "false, NONE,  0, 1, true,  0, NOT_MET, TREAT",
        "false, NONE,  0, 1, true,  0, UNSURE,  TREAT",
        "false, NONE,  0, 1, true,  2, NOT_MET, CHECK_AGAIN",
        "false, NONE,  0, 2, true,  0, MET,     RETURN",
        "false, NONE,  0, 1, false, 0, MET,     RETURN",
        "false, SOAK, 60, 1, true,  0, NOT_MET, WAIT_SOAK",
        "false, SOAK,  0, 1, true,  0, NOT_MET, LIFT_FROM_SOAK",
        "false, BURST, 5, 1, true,  0, NOT_MET, WAIT_BURST",
        "false, BURST,-5, 1, true,  0, NOT_MET, END_BURST",
        "false, HOLD, 60, 1, true,  1, NOT_MET, WAIT_HOLD",
        "false, HOLD, -1, 1, true,  1, NOT_MET, CHECK_AGAIN",
    })
    void follows_the_course_of_a_visit(
            boolean closed,
            Waiting waiting,
            int dueInS,
            int checks,
            boolean diagnosed,
            int attempts,
            Verdict verdict,
            Action expected) {
        Standing standing =
                new Standing(closed, waiting, NOW.plusSeconds(dueInS), checks, diagnosed, attempts, verdict);
        assertThat(NextStep.of(standing, NOW).action()).isEqualTo(expected);
    }
}
