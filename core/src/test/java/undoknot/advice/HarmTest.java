package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.NextStep.Action;

class HarmTest {

    /** A burst overdue comes before a head that dries, that before one that lies too long, that before open rounds. */
    @ParameterizedTest
    @CsvSource({
        "END_BURST, false, BURST_OVERDUE",
        "END_BURST, true, BURST_OVERDUE",
        "LIFT_FROM_SOAK, false, TOO_LONG_IN_FLUID",
        "LIFT_FROM_SOAK, true, DRIES",
        "END_WAIT, false, TOO_LONG_IN_FLUID",
        "TAKE_PAD_OUT, false, TOO_LONG_IN_FLUID",
        "GO_ON, false, ROUNDS_OPEN",
        "GO_ON, true, DRIES",
        "WAIT_BURST, false, NONE",
        "FIRST_CHECK, false, NONE",
        "TREAT, true, DRIES",
        "WAIT_HOLD, false, NONE",
        "RETURN, false, NONE",
        "NOTHING, false, NONE",
    })
    void waiting_harms(Action next, boolean dries, Harm harm) {
        assertThat(Harm.of(next, dries)).isEqualTo(harm);
    }
}
