package undoknot.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static undoknot.procedure.Act.*;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.procedure.Act.Finding;
import undoknot.procedure.SystemFlush.NotYet;

class SystemFlushTest {

    /** The worked example: a pod of 400 mL twice, five bottles of 180, six strong cycles of 110, two of 25, wiping 40, a tenth. */
    private static final SystemNeed NEED = new SystemNeed(400, 2, 5, 180, 6, 110, 25, 40, 0, 0.01, 0.1, 500);

    private static final List<String> COLOURS = List.of("K", "C", "M", "Y", "O");

    private static final List<Act> RESERVOIR =
            List.of(STIRRER_OFF, INK_SAVED, RESERVOIR_DRY, STIRRER_WIPED, FILLED, RETURN_FOUND, RAN_CLEAR, REFILLED);

    private final List<Done> done = new ArrayList<>();

    private SystemFlush flush() {
        return new SystemFlush(NEED, COLOURS, done);
    }

    private void act(Act... acts) {
        Arrays.stream(acts).map(Done::of).forEach(done::add);
    }

    private void strong(int times) {
        for (int i = 0; i < times; i++) {
            act(STRONG_CYCLE, WASTE_EMPTIED);
        }
    }

    private void toTheTest() {
        RESERVOIR.forEach(this::act);
        COLOURS.forEach(c -> done.add(Done.in(c, SWAPPED)));
        strong(6);
        done.add(Done.of(LINES_SEEN, Finding.SLIGHT_STAIN));
    }

    private void test(Finding finding) {
        act(WASTE_WASHED, NORMAL_CYCLE, NORMAL_CYCLE);
        done.add(Done.of(COMPARED, finding));
    }

    @Test
    void the_need_of_the_worked_example() {
        // (800 + 900 + 660 + 50 + 40) × 1.1 = 2695 mL, in bottles of half a litre six.
        assertThat(NEED.needMl()).isCloseTo(2695, within(0.5));
        assertThat(NEED.wasteBottles()).isEqualTo(6);
    }

    @Test
    void lines_are_rinsed_to_their_residue() {
        // 8.8 mL of line to 1 %: ln 100 = 4.605 volumes, 40.5 mL.
        SystemNeed lines = new SystemNeed(0, 0, 0, 0, 3, 0, 0, 0, 8.8, 0.01, 0, 500);
        assertThat(lines.rinses()).isCloseTo(4.605, within(0.001));
        assertThat(lines.needMl()).isCloseTo(40.5, within(0.05));
    }

    @ParameterizedTest
    @CsvSource({"strongCycles, 2, 0.01", "strongCycles, 11, 0.01", "residue, 6, 0.6", "residue, 6, 0"})
    void a_number_that_makes_no_sense_names_its_entry(String entry, int strong, double residue) {
        assertThatThrownBy(() -> new SystemNeed(400, 2, 5, 180, strong, 110, 25, 40, 0, residue, 0.1, 500))
                .isInstanceOfSatisfying(
                        SystemNeed.OutOfRange.class, e -> assertThat(e.entry()).isEqualTo(entry));
    }

    @Test
    void nothing_goes_before_the_sum() {
        SystemFlush unknown = new SystemFlush(null, COLOURS, List.of());
        assertThat(unknown.next()).isEmpty();
        assertThat(unknown.stages()).isEmpty();
        assertThat(unknown.notYet(STIRRER_OFF)).contains(NotYet.SUM_FIRST);
    }

    @Test
    void the_steps_come_in_the_order_of_the_handbook() {
        for (Act step : RESERVOIR) {
            assertThat(flush().next()).contains(step);
            act(step);
        }
        for (String colour : COLOURS) {
            assertThat(flush().next()).contains(SWAPPED);
            done.add(Done.in(colour, SWAPPED));
        }
        for (int i = 0; i < 6; i++) {
            assertThat(flush().next()).contains(STRONG_CYCLE);
            act(STRONG_CYCLE);
            assertThat(flush().next()).as("emptied after each").contains(WASTE_EMPTIED);
            act(WASTE_EMPTIED);
        }
        assertThat(flush().next()).contains(LINES_SEEN);
        done.add(Done.of(LINES_SEEN, Finding.CLEAN));
        assertThat(flush().next()).contains(WASTE_WASHED);
        act(WASTE_WASHED);
        assertThat(flush().next()).contains(NORMAL_CYCLE);
        act(NORMAL_CYCLE);
        assertThat(flush().next()).contains(NORMAL_CYCLE);
        act(NORMAL_CYCLE);
        assertThat(flush().next()).contains(COMPARED);
        done.add(Done.of(COMPARED, Finding.SAME_AS_FRESH));
        assertThat(flush().next()).contains(STORED);
        act(STORED);
        assertThat(flush().isOver()).isTrue();
        assertThat(flush().next()).isEmpty();
    }

    @Test
    void lines_that_still_show_ink_ask_for_another_strong_cycle() {
        toTheTest();
        done.set(done.size() - 1, Done.of(LINES_SEEN, Finding.STILL_INK));
        assertThat(flush().strongLeft()).isEqualTo(1);
        assertThat(flush().next()).contains(STRONG_CYCLE);
        strong(1);
        assertThat(flush().next()).contains(LINES_SEEN);
    }

    @Test
    void what_is_tinted_asks_for_two_strong_cycles_and_the_same_test_again() {
        toTheTest();
        test(Finding.TINTED);
        assertThat(flush().isClean()).isFalse();
        assertThat(flush().strongLeft()).isEqualTo(2);
        act(NORMAL_CYCLE, NORMAL_CYCLE);
        assertThat(flush().notYet(COMPARED))
                .as("normal cycles alone are not the same test")
                .contains(NotYet.NOT_THE_TEST);
        strong(2);
        assertThat(flush().notYet(COMPARED)).as("the bottle is not washed").contains(NotYet.NOT_THE_TEST);
        test(Finding.SAME_AS_FRESH);
        assertThat(flush().isClean()).isTrue();
        assertThat(flush().next()).contains(STORED);
    }

    @Test
    void a_bottle_washed_too_early_spoils_the_test() {
        toTheTest();
        act(WASTE_WASHED);
        strong(1);
        act(NORMAL_CYCLE, NORMAL_CYCLE);
        assertThat(flush().notYet(COMPARED)).contains(NotYet.NOT_THE_TEST);
        assertThat(flush().next()).contains(LINES_SEEN);
    }

    @Test
    void a_machine_is_neither_stored_nor_filled_with_ink_before_it_is_clean() {
        toTheTest();
        assertThat(flush().notYet(STORED)).contains(NotYet.NOT_CLEAN);
        assertThat(flush().notYet(INK_BACK)).contains(NotYet.NOT_CLEAN);
        test(Finding.SAME_AS_FRESH);
        assertThat(flush().notYet(INK_BACK)).isEmpty();
        act(INK_BACK);
        assertThat(flush().isOver()).isTrue();
        assertThat(flush().isInkBack()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "INK_SAVED, STIRRER_RUNS",
        "RESERVOIR_DRY, STIRRER_RUNS",
        "STIRRER_WIPED, STIRRER_RUNS",
        "FILLED, STIRRER_RUNS",
        "RAN_CLEAR, RETURN_UNPROVED"
    })
    void hands_wait_for_the_stirrer_and_waste_for_the_return(Act act, NotYet why) {
        assertThat(flush().notYet(act)).contains(why);
        act(STIRRER_OFF, RETURN_FOUND);
        assertThat(flush().notYet(act)).isEmpty();
    }

    @Test
    void a_machine_without_settling_ink_begins_with_its_bottles() {
        SystemNeed none = new SystemNeed(0, 0, 5, 180, 6, 110, 25, 40, 0, 0.01, 0.1, 500);
        SystemFlush flush = new SystemFlush(none, COLOURS, List.of());
        assertThat(flush.next()).contains(SWAPPED);
        assertThat(flush.stages().get(0).left()).isEqualTo(COLOURS);
        assertThat(flush.notYet(RAN_CLEAR)).isEmpty();
    }
}
