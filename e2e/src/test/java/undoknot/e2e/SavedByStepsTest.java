package undoknot.e2e;

import org.junit.jupiter.api.Test;

/** A stand-in head led from its first check to its return by its steps. */
class SavedByStepsTest extends ByTheSteps {

    @Test
    void a_clogged_head_is_led_by_its_steps_to_its_return() {
        signIn(page, "wenna");
        visit = takeInByScreen(page, "Saved By Steps Press", "Orsel D6", "Gaps in one colour");
        standIn("DRIED_INK FIRM C");
        leadToTheEnd();
    }
}
