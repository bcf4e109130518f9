package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Sign.*;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.observation.Look;
import undoknot.observation.Symptom;
import undoknot.treatment.Method;

/** While no check can be printed (handbook 6): errors, recognition, contacts, two reseats, a rinse where allowed, elsewhere. */
class NoCheckTest {

    private static Advice first(WrittenVisit visit) {
        return visit.judge().advice().first();
    }

    private static WrittenVisit silent(String family) {
        return new WrittenVisit(family).told(40, Symptom.HEAD_ERROR).noCheck();
    }

    /** Everything looks fine, and nothing helps: fluid against dried ink is never advised. */
    @ParameterizedTest
    @CsvSource({"TARROW-T4, true", "VENNICK-B3, true", "ORSEL-D6, false", "HULVER-W8, false", "SKERRIN-L4, false"})
    void goes_its_own_way_to_the_end(String family, boolean rinsed) {
        WrittenVisit visit = silent(family);
        List<String> course = new ArrayList<>();
        Advice advice = first(visit);
        for (int step = 0; step < 30 && advice.act() != Act.ELSEWHERE; step++) {
            assertThat(advice.rule()).isIn(Rule.NO_CHECK, Rule.CHECK_AGAIN);
            if (advice.act() == Act.LOOK) {
                course.add(advice.look().name());
                visit.found(advice.look().fine(), null);
            } else if (advice.act() == Act.CHECK) {
                visit.noCheck();
            } else {
                course.add(advice.method().name());
                visit.hands(advice.method());
            }
            advice = first(visit);
        }
        List<String> expected =
                new ArrayList<>(List.of("ERRORS", "INK_AT_ALL", "RECOGNITION", "CONTACTS", "RESEAT", "RESEAT"));
        if (rinsed) {
            expected.addAll(List.of("RINSE", "RESEAT"));
        }
        assertThat(course).isEqualTo(expected);
        assertThat(advice.act()).isEqualTo(Act.ELSEWHERE);
    }

    /** A stop by heat points upstream: each port's supply is walked before contacts and recognition, and nothing condemns the head. */
    @Test
    void a_stop_by_heat_is_walked_port_by_port_before_the_head_is_touched() {
        WrittenVisit visit =
                new WrittenVisit("HULVER-W8").told(1, Symptom.OVERHEAT_STOP).noCheck();
        List<String> course = new ArrayList<>();
        Advice advice = first(visit);
        while (advice.act() == Act.LOOK) {
            String channel =
                    advice.channels().isEmpty() ? null : advice.channels().get(0);
            course.add(advice.look().name());
            visit.found(
                    advice.look() == Look.COOL_DOWN
                            ? COOL_NO_CHANGE
                            : advice.look().fine(),
                    channel);
            advice = first(visit);
        }
        assertThat(course.stream().distinct())
                .containsExactly(
                        "ERRORS",
                        "INK_AT_ALL",
                        "COOL_DOWN",
                        "INK_LEVEL",
                        "AIR",
                        "DAMPER",
                        "LINE",
                        "SEAT",
                        "RECOGNITION",
                        "CONTACTS");
        assertThat(course).filteredOn("DAMPER"::equals).hasSize(8);
        assertThat(advice.method()).isEqualTo(Method.RESEAT);
    }

    /** A restart that cleared it for a while is what heat does; the blocked damper is mended, not the contacts. */
    @Test
    void an_error_by_heat_is_no_matter_of_contacts() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .told(1, Symptom.OVERHEAT_STOP)
                .noCheck()
                .found(ERROR_EXPECTED_BACK, null);
        assertThat(first(visit).look()).isEqualTo(Look.INK_AT_ALL);
        Advice mend = first(visit.found(PULL_BLOCKED, "O"));
        assertThat(mend.method()).isEqualTo(Method.DAMPER);
        assertThat(mend.channels()).containsExactly("O");
    }

    /** A pin that was cleaned, a head that has cooled: check, there is nothing left to do. */
    @Test
    void recognised_once_cleaned_is_done() {
        WrittenVisit visit = silent("TARROW-T4")
                .found(ERROR_STANDS, null)
                .found(MOVES_FREELY, null)
                .found(RECOGNISED_ONCE_CLEANED, null);
        assertThat(first(visit).act()).isEqualTo(Act.CHECK);
        assertThat(first(visit.noCheck()).look()).isEqualTo(Look.CONTACTS);
        WrittenVisit hot = new WrittenVisit("TARROW-T4")
                .told(1, Symptom.OVERHEAT_STOP)
                .noCheck()
                .found(ERRORS_NONE, null)
                .found(MOVES_FREELY, null);
        assertThat(first(hot).look()).isEqualTo(Look.COOL_DOWN);
        assertThat(first(hot.found(COOL_RUNS, null)).act()).isEqualTo(Act.CHECK);
    }

    /** While it is away a check is read at once; where that prints nothing, or after it, the head is reseated. */
    @Test
    void an_error_that_a_restart_cleared_is_used_for_a_check() {
        WrittenVisit visit = silent("ORSEL-D6").found(ERROR_EXPECTED_BACK, null);
        assertThat(first(visit).act()).isEqualTo(Act.CHECK);
        assertThat(first(visit.noCheck()).method()).isEqualTo(Method.RESEAT);
        WrittenVisit read = silent("ORSEL-D6").found(ERROR_EXPECTED_BACK, null).check();
        assertThat(first(read).method()).isEqualTo(Method.RESEAT);
    }

    /** What was found is mended at once. */
    @ParameterizedTest
    @CsvSource({"CONTACTS_DIRTY", "CABLE_LOOSE", "NOT_RECOGNISED"})
    void what_is_found_is_reseated(undoknot.observation.Sign found) {
        Advice advice = first(silent("ORSEL-D6").found(found, null));
        assertThat(advice.rule()).isEqualTo(Rule.FOUND);
        assertThat(advice.method()).isEqualTo(Method.RESEAT);
    }

    /** A check that was possible once says nothing of a head that prints nothing now. */
    @Test
    void an_older_map_is_not_taken_for_the_present_one() {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6")
                .told(40)
                .scattered("C", 5, 0)
                .check()
                .cycle("C")
                .noCheck();
        assertThat(visit.visit().lastMap()).isEmpty();
        assertThat(visit.visit().affected()).isEmpty();
        assertThat(visit.judge().observations()).noneMatch(o -> o.sign() == SCATTERED);
        assertThat(first(visit).look()).isEqualTo(Look.ERRORS);
        assertThat(first(visit.check()).rule()).isNotEqualTo(Rule.NO_CHECK);
    }

    /** While the contacts dry, what needs the mains waits. */
    @Test
    void a_hold_leaves_what_needs_no_power() {
        assertThat(first(silent("ORSEL-D6").inHold()).look()).isEqualTo(Look.INK_AT_ALL);
    }
}
