package undoknot.sitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.sitting.Part.Act;

class PartsTest {

    private static PartWork damper(String channel, Act act) {
        return new PartWork(Part.DAMPER, channel, act);
    }

    /** Cleaned twice: replace. A new one is counted anew, and each channel has its own (handbook 8). */
    @Test
    void each_part_is_counted_for_itself() {
        List<PartWork> works = List.of(
                damper("M", Act.CLEANED),
                damper("C", Act.CLEANED),
                damper("M", Act.CLEANED),
                new PartWork(Part.CARTRIDGE, "M", Act.REFILLED),
                new PartWork(Part.CARTRIDGE, "M", Act.VENTED),
                new PartWork(Part.WIPER, null, Act.CLEANED));
        assertThat(PartCount.of(works))
                .containsExactly(
                        new PartCount(Part.DAMPER, "M", 2, 0),
                        new PartCount(Part.DAMPER, "C", 1, 0),
                        new PartCount(Part.CARTRIDGE, "M", 1, 0),
                        new PartCount(Part.WIPER, null, 1, 0));
        assertThat(PartCount.of(works)).extracting(PartCount::isToReplace).containsExactly(true, false, false, false);
    }

    @Test
    void a_new_part_begins_at_nothing() {
        PartCount count = PartCount.of(
                        List.of(damper("M", Act.CLEANED), damper("M", Act.CLEANED), damper("M", Act.REPLACED)))
                .get(0);
        assertThat(count).isEqualTo(new PartCount(Part.DAMPER, "M", 0, 1));
        assertThat(count.isToReplace()).isFalse();
    }

    @Test
    void what_cannot_be_done_to_a_part_is_refused() {
        assertThatThrownBy(() -> new PartWork(Part.WIPER, null, Act.REFILLED)).hasMessageContaining("cannot be");
        assertThatThrownBy(() -> new PartWork(Part.DAMPER, null, Act.CLEANED)).hasMessageContaining("go together");
        assertThatThrownBy(() -> new PartWork(Part.CAP, "M", Act.CLEANED)).hasMessageContaining("go together");
    }

    @ParameterizedTest(name = "{0} of {1}: {2}")
    @CsvSource({
        "INK_ML, 0, true", "INK_ML, 500, true", "INK_ML, 500.1, false", "INK_ML, -1, false",
        "DRY_PASS, 0, true", "DRY_PASS, 1, true", "DRY_PASS, 0.5, false", "DRY_PASS, 2, false",
        "CONTACTS, 30, true", "CONTACTS, 31, false"
    })
    void an_answer_is_within_bounds(Asked asked, BigDecimal value, boolean takes) {
        assertThat(asked.takes(value)).isEqualTo(takes);
    }

    @Test
    void what_nobody_said_is_neither_yes_nor_no() {
        Noted noted = new Noted(
                Map.of(Asked.DRY_PASS, BigDecimal.ONE, Asked.TANK_REUSED, BigDecimal.ZERO), List.of(), List.of());
        assertThat(noted.says(Asked.DRY_PASS)).isTrue();
        assertThat(noted.says(Asked.TANK_REUSED)).isFalse();
        assertThat(noted.says(Asked.UNASKED)).isFalse();
    }
}
