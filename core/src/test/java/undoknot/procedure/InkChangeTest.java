package undoknot.procedure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static undoknot.procedure.Act.*;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.procedure.Act.Finding;
import undoknot.procedure.InkChange.Row;
import undoknot.procedure.InkChange.Way;

class InkChangeTest {

    private static final InkNeed NEED = new InkNeed(2.4, 0.001, 0.2);

    private static Family family(String code) {
        return StarterFamilies.ALL.stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static final Family DESK = family("ORSEL-D6").having(List.of("K", "C", "M", "Y"));

    private final List<Done> done = new ArrayList<>();

    private InkChange change() {
        return new InkChange(NEED, DESK, done);
    }

    private Row row(String channel) {
        return change().rows().stream()
                .filter(r -> r.channel().equals(channel))
                .findFirst()
                .orElseThrow();
    }

    private void stroke(String channel, String ml, Finding pad) {
        done.add(Done.stroke(channel, new BigDecimal(ml)));
        if (pad != null) {
            done.add(new Done(PAD_SEEN, channel, null, pad));
        }
    }

    @Test
    void the_need_of_the_worked_example() {
        // 2.4 mL to one in a thousand: ln 1000 = 6.908 volumes, 16.6 mL; six channels with a fifth to spare 119.4 mL.
        assertThat(NEED.rinses()).isCloseTo(6.908, within(0.001));
        assertThat(NEED.needMl()).isCloseTo(16.58, within(0.01));
        assertThat(NEED.mostMl()).isCloseTo(19.89, within(0.01));
        assertThat(NEED.totalMl(6)).isCloseTo(119.4, within(0.1));
    }

    @Test
    void light_colours_come_first_and_absent_channels_not_at_all() {
        assertThat(change().rows()).extracting(Row::channel).containsExactly("Y", "C", "M", "K");
    }

    @Test
    void paler_is_not_done_and_not_sure_is_not_done() {
        stroke("Y", "9", Finding.UNSURE);
        assertThat(row("Y").done()).isFalse();
        stroke("Y", "3", Finding.COLOUR);
        assertThat(row("Y").done()).isFalse();
        stroke("Y", "3", Finding.NO_COLOUR);
        assertThat(row("Y").done()).isTrue();
        assertThat(row("Y").ml()).isEqualByComparingTo("15");
    }

    @Test
    void a_stroke_after_a_white_pad_is_looked_at_again() {
        stroke("C", "15", Finding.NO_COLOUR);
        stroke("C", "1", null);
        assertThat(row("C").done()).isFalse();
        assertThat(row("C").pad()).isNull();
    }

    @ParameterizedTest
    @CsvSource({"19.8, false", "19.9, true"})
    void more_than_the_need_with_its_reserve_is_over(String ml, boolean over) {
        stroke("K", ml, Finding.COLOUR);
        assertThat(row("K").over()).isEqualTo(over);
        stroke("K", "0.1", Finding.NO_COLOUR);
        assertThat(row("K").over()).as("a channel that is done is over nothing").isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "SKERRIN-L4, K, DRAW_BACK",
        "ORSEL-D6, K, FLUSH",
        "VENNICK-B3, C, FLUSH",
        "TARROW-T4, K, DRAW_BACK",
        "PELLAM-M5, K, FLUSH",
        "HULVER-W8, K, FLUSH"
    })
    void what_may_not_be_pushed_is_drawn(String family, String channel, Way way) {
        assertThat(new InkChange(NEED, family(family), List.of()).rows())
                .filteredOn(r -> r.channel().equals(channel))
                .extracting(Row::way)
                .containsExactly(way);
    }

    @Test
    void the_steps_lead_to_the_new_ink_in_every_port() {
        assertThat(new InkChange(null, DESK, done).next()).isEmpty();
        for (String code : List.of("Y", "C", "M", "K")) {
            assertThat(change().next()).contains(CARTRIDGE_OUT);
            done.add(Done.in(code, CARTRIDGE_OUT));
        }
        assertThat(change().next()).contains(LAID_IN);
        done.add(Done.of(LAID_IN));
        for (String code : List.of("Y", "C", "M", "K")) {
            assertThat(change().next()).contains(PAD_SEEN);
            stroke(code, "15", Finding.NO_COLOUR);
        }
        assertThat(change().next()).contains(LAID_OUT);
        done.add(Done.of(LAID_OUT));
        assertThat(change().changed()).isEmpty();
        done.add(Done.in("Y", CARTRIDGE_IN));
        assertThat(change().changed()).containsExactly("Y");
        assertThat(change().isOver()).isFalse();
        List.of("C", "M", "K").forEach(c -> done.add(Done.in(c, CARTRIDGE_IN)));
        assertThat(change().isOver()).isTrue();
    }
}
