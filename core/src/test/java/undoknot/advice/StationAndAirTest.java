package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Symptom.GAPS_ONE_COLOUR;
import static undoknot.treatment.Treatment.Resistance.*;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Advice.Rule;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/** New gaps in two channels are the station, a channel that takes fluid and prints nothing holds air (handbook 13, rules 2 and 4). */
class StationAndAirTest {

    private static Advice first(WrittenVisit visit) {
        return visit.judge().advice().first();
    }

    /** Two new gaps in each of so many channels, after work of a kind. */
    @ParameterizedTest
    @CsvSource({
        "CYCLE, 2, 2, true",
        "CYCLE, 1, 2, false",
        "CYCLE, 2, 1, false",
        "WIPE, 2, 2, true",
        "PURGE, 2, 2, false",
        "REST, 2, 2, false"
    })
    void newly_out_in_two_channels_after_a_cycle_or_wipe(Method method, int channels, int gaps, boolean station) {
        WrittenVisit visit =
                new WrittenVisit("TARROW-T4").told(3).scattered("K", 20, 0).check();
        if (method == Method.CYCLE) {
            visit.cycle("K", "C", "M", "Y");
        } else {
            visit.hands(method, "K", "C", "M", "Y");
        }
        visit.run("C", 50, 49 + gaps);
        if (channels == 2) {
            visit.run("M", 90, 89 + gaps);
        }
        assertThat(first(visit.check()).rule() == Rule.NEWLY_OUT).isEqualTo(station);
    }

    /** A cycle that brought much back and took some away elsewhere: rule 2 stands before rule 8, which is shown with it. */
    @Test
    void what_a_cycle_took_away_counts_before_what_it_brought_back() {
        WrittenVisit visit = new WrittenVisit("TARROW-T4")
                .told(30)
                .run("K", 1, 40)
                .run("C", 1, 40)
                .check()
                .cycle("K", "C")
                .clear("K")
                .clear("C")
                .run("K", 1, 20)
                .run("C", 1, 20)
                .run("K", 100, 102)
                .run("C", 100, 102)
                .check();
        assertThat(first(visit).rule()).isEqualTo(Rule.NEWLY_OUT);
        assertThat(first(visit).facts()).containsEntry(Fact.NEWLY_OUT, 6).containsEntry(Fact.CHANNELS, 2);
        assertThat(visit.judge().advice().others()).extracting(Advice::rule).contains(Rule.RECOVERING);
        assertThat(first(visit.hands(Method.STATION, "K", "C").check()).rule()).isNotEqualTo(Rule.NEWLY_OUT);
    }

    /** Cleaned twice, it is not cleaned a third time on new gaps alone. */
    @Test
    void the_station_is_cleaned_twice_at_most() {
        WrittenVisit visit =
                new WrittenVisit("TARROW-T4").told(3).scattered("K", 20, 0).check();
        visit.hands(Method.STATION, "K")
                .check()
                .hands(Method.STATION, "K")
                .check()
                .cycle("K", "C", "M");
        visit.run("C", 50, 60).run("M", 90, 99).check();
        assertThat(first(visit).method()).isNotEqualTo(Method.STATION);
    }

    /** Wholly out after a flush that went through, and still after a cycle; a port that took nothing holds no air. */
    @ParameterizedTest
    @CsvSource({"FREE, true", "STIFF, true", "WOULD_NOT_GO, false"})
    void only_what_flowed_can_have_left_air(Treatment.Resistance felt, boolean air) {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6")
                .told(20, GAPS_ONE_COLOUR)
                .scattered("LM", 8, 0)
                .check()
                .flush(felt, "LM")
                .whole("LM")
                .check()
                .cycle("LM")
                .check();
        assertThat(first(visit).rule() == Rule.OUT_AFTER_FLUSH).isEqualTo(air);
    }

    @ParameterizedTest
    @CsvSource({"ORSEL-D6, PURGE", "TARROW-T4, PURGE", "PELLAM-M5, PRIME"})
    void air_goes_the_way_that_the_head_allows(String family, Method way) {
        WrittenVisit visit =
                new WrittenVisit(family).told(20).scattered("M", 8, 0).check();
        visit.flush(FREE, "M").whole("M").check().cycle("M").check();
        assertThat(first(visit).rule()).isEqualTo(Rule.OUT_AFTER_FLUSH);
        assertThat(first(visit).method()).isEqualTo(way);
        assertThat(first(visit).channels()).containsExactly("M");
    }

    /** Nothing is pushed into a laminated head: drawn back and wholly out, it is charged, and the waste store seen before. */
    @Test
    void a_laminated_head_is_charged() {
        WrittenVisit visit =
                new WrittenVisit("SKERRIN-L4").told(20).scattered("M", 8, 0).check();
        visit.hands(Method.DRAW_BACK, "M").whole("M").check().cycle("M").check();
        assertThat(first(visit).look()).isEqualTo(Look.WASTE_STORE);
        assertThat(first(visit.found(Sign.WASTE_ROOM, null)).method()).isEqualTo(Method.CHARGE);
    }

    /** What a shop starts from until it has a record (handbook 8): hands, chance and harm of each method. */
    @Test
    void what_each_method_starts_from() {
        Map<Method, double[]> expected = Map.of(
                Method.CYCLE, new double[] {4, 0.20, 0.002},
                Method.FLUSH, new double[] {15, 0.35, 0.03},
                Method.WARM, new double[] {20, 0.30, 0.04},
                Method.PORT_SOAK, new double[] {10, 0.30, 0.02},
                Method.DRAW_BACK, new double[] {40, 0.30, 0.06},
                Method.BATH, new double[] {25, 0.30, 0.06},
                Method.STATION, new double[] {15, 0.35, 0.005},
                Method.PURGE, new double[] {6, 0.50, 0.01});
        expected.forEach((method, numbers) -> assertThat(
                        new double[] {method.handsMinutes(), method.startChance(), method.harmChance()})
                .as("%s", method)
                .containsExactly(numbers));
        // Nothing gentle harms as often as what shakes, scalds or draws.
        for (Method gentle : new Method[] {Method.CYCLE, Method.REST, Method.PAD, Method.STATION, Method.CARTRIDGE}) {
            assertThat(gentle.harmChance()).isLessThan(Method.FLUSH.harmChance());
        }
    }
}
