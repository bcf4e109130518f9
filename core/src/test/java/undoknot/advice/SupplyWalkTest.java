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
import undoknot.treatment.Treatment.Resistance;

/**
 * A sound head that stops between one page and the next, or by heat, points upstream: it cools, then damper by damper and line
 * by line, before the head is touched (handbook 6; 13, rule 0).
 */
class SupplyWalkTest {

    private static final String EIGHT = "K C M Y LK O S W";

    private static Advice first(WrittenVisit visit) {
        return visit.judge().advice().first();
    }

    /** Looks that are asked for in a row by the supply's walk, "LOOK channels", each found fine. */
    private static List<String> walk(WrittenVisit visit) {
        List<String> course = new ArrayList<>();
        for (Advice advice = first(visit);
                advice.rule() == Rule.COMPLAINT && advice.look() != Look.STATION;
                advice = first(visit)) {
            String channel = String.join(" ", advice.channels());
            String said = advice.look() + " " + channel;
            int last = course.size() - 1;
            if (last >= 0 && course.get(last).startsWith(advice.look() + " ")) {
                course.set(last, course.get(last) + " " + channel);
            } else {
                course.add(said.strip());
            }
            visit.found(advice.look().fine(), channel.isEmpty() ? null : channel);
        }
        return course;
    }

    /** A check draws little: a full one does not say that ink keeps coming. */
    @ParameterizedTest
    @CsvSource({
        "HULVER-W8, STOPS_BETWEEN_PAGES, false",
        "HULVER-W8, STARVES_DOWN_THE_SHEET, false",
        "HULVER-W8, OVERHEAT_STOP,       true",
    })
    void a_full_check_sends_nobody_home_whose_ink_stopped(String family, Symptom told, boolean cools) {
        List<String> expected = new ArrayList<>(cools ? List.of("COOL_DOWN") : List.of());
        List.of("INK_LEVEL", "AIR", "DAMPER", "LINE", "SEAT").forEach(look -> expected.add(look + " " + EIGHT));
        WrittenVisit visit = new WrittenVisit(family).told(1, told).check();
        assertThat(walk(visit)).isEqualTo(expected);
        // Neither flakes nor the strip stop a print: the station, and then it is printed long.
        assertThat(first(visit).look()).isEqualTo(Look.STATION);
        assertThat(first(visit.found(STATION_CLEAN, null)).method()).isEqualTo(Method.PAGE);
    }

    @Test
    void a_head_without_dampers_and_lines_is_walked_as_far_as_it_has_parts() {
        List<String> course = walk(new WrittenVisit("TARROW-T4")
                .told(1, Symptom.STOPS_BETWEEN_PAGES)
                .check());
        assertThat(course).noneMatch(look -> look.startsWith("DAMPER") || look.startsWith("LINE"));
        assertThat(course.get(0)).isEqualTo("INK_LEVEL K C M Y");
    }

    @ParameterizedTest
    @CsvSource({"STOPS_BETWEEN_PAGES", "STARVES_DOWN_THE_SHEET"})
    void what_was_told_of_one_colour_is_walked_in_that_colour(Symptom told) {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .told(1, told)
                .told(TOLD_IN_CHANNEL, "S")
                .check();
        assertThat(walk(visit)).containsExactly("INK_LEVEL S", "AIR S", "DAMPER S", "LINE S", "SEAT S");
    }

    private static WrittenVisit stoppedWithGaps() {
        return new WrittenVisit("HULVER-W8")
                .told(1, Symptom.STOPS_BETWEEN_PAGES)
                .scattered("M", 9, 0)
                .check();
    }

    /** Gaps say where: no look in a channel that prints. */
    @Test
    void gaps_say_where_to_look() {
        assertThat(walk(stoppedWithGaps())).containsExactly("INK_LEVEL M", "AIR M", "DAMPER M", "LINE M", "SEAT M");
    }

    /** Fluid may have ended it: what proves that is the long print at the end, not every port. */
    @Test
    void hands_work_leaves_it_to_the_long_print() {
        WrittenVisit visit =
                stoppedWithGaps().flush(Resistance.STIFF, "M").clear("M").check();
        assertThat(walk(visit)).isEmpty();
        visit.found(STATION_CLEAN, null).page().check();
        assertThat(first(visit).look()).isEqualTo(Look.LONG_PRINT);
    }

    /** Seven dampers pulled: one drags and is cleaned, one is blocked and is new; both before anything is printed. */
    private static WrittenVisit twoDampersMended() {
        WrittenVisit visit =
                new WrittenVisit("HULVER-W8").told(1, Symptom.OVERHEAT_STOP).check();
        visit.found(COOL_RUNS, null).found(INK_THERE, null);
        List.of(EIGHT.split(" ")).forEach(code -> visit.found(DAMPER_FULL, code));
        visit.found(PULL_FREE, "K").found(PULL_DRAGS, "O").found(PULL_BLOCKED, "M");
        assertThat(first(visit).act()).isEqualTo(Act.WORK);
        assertThat(first(visit).method()).isEqualTo(Method.DAMPER);
        assertThat(first(visit).channels()).containsAnyOf("M", "O");
        visit.hands(Method.DAMPER, "O").hands(Method.DAMPER, "M");
        assertThat(first(visit).act()).isEqualTo(Act.CHECK);
        return visit.check();
    }

    @Test
    void mended_it_is_proven_by_a_long_print() {
        WrittenVisit visit = twoDampersMended();
        assertThat(walk(visit)).isEmpty();
        visit.found(STATION_CLEAN, null).page().check();
        assertThat(first(visit).look()).isEqualTo(Look.LONG_PRINT);
        assertThat(first(visit.found(LONG_PRINT_HELD, null)).act()).isEqualTo(Act.FINISH);
    }

    /** Cool again, then the line of the port whose damper was dirty, the rest of the ports after it; never the nozzles. */
    @Test
    void a_stop_that_comes_back_goes_on_upstream_where_something_was_found() {
        WrittenVisit visit = twoDampersMended();
        visit.found(STATION_CLEAN, null).page().check().found(LONG_PRINT_STOPPED, null);
        assertThat(walk(visit))
                .containsExactly(
                        "COOL_DOWN",
                        "LINE M O",
                        "SEAT M O",
                        "DAMPER C Y LK S W",
                        "LINE K C Y LK S W",
                        "SEAT K C Y LK S W");
        assertThat(first(visit).rule()).isEqualTo(Rule.PROOF_FAILED);
        // Both dampers were done: their lines, and no other port's.
        assertThat(first(visit).method()).isEqualTo(Method.LINE);
        assertThat(first(visit).channels()).containsExactly("M", "O");
    }

    @Test
    void what_is_found_on_the_second_walk_is_mended_and_proven_anew() {
        WrittenVisit visit = twoDampersMended();
        visit.found(STATION_CLEAN, null).page().check().found(LONG_PRINT_STOPPED, null);
        visit.found(COOL_RUNS, null).found(LINE_SEDIMENT, "O");
        assertThat(first(visit).method()).isEqualTo(Method.LINE);
        assertThat(first(visit).channels()).containsExactly("O");
        visit.hands(Method.LINE, "O").check();
        assertThat(walk(visit)).isEmpty();
    }
}
