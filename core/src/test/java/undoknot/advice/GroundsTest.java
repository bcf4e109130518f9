package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Sign.*;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Cause;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Symptom;
import undoknot.practice.School;
import undoknot.sitting.Noted;
import undoknot.sitting.Part;
import undoknot.sitting.PartWork;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment.Resistance;

/** What is ground for a piece of work, and what is not (handbook 7, 8 and 13). */
class GroundsTest {

    private static Advice first(WrittenVisit visit) {
        return visit.judge().advice().first();
    }

    private static List<Advice> all(WrittenVisit visit) {
        Advice.Answer answer = visit.judge().advice();
        return Stream.concat(Stream.of(answer.first()), answer.others().stream())
                .toList();
    }

    /** Bent dashes alone: nothing that keeps ink away explains them, whatever was told. */
    @Test
    void what_keeps_ink_away_bends_no_dash() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8").told(3, Symptom.GAPS_WANDER, Symptom.STARVES_DOWN_THE_SHEET);
        for (int n = 5; n < 200; n += 9) {
            visit.run("C", n, n, NozzleState.DEFLECTED);
        }
        visit.check()
                .found(FACE_CLEAN, "C")
                .found(STATION_CLEAN, null)
                .found(DAMPER_FULL, "C")
                .found(PULL_FREE, "C");
        visit.found(LINE_CLEAR, "C")
                .found(INK_THERE, "C")
                .found(SEAT_SOUND, "C")
                .found(DROPS_THROUGH, "C");
        assertThat(visit.visit().bentAlone()).contains("C");
        assertThat(all(visit))
                .filteredOn(a -> a.act() == Act.WORK)
                .extracting(Advice::method)
                .doesNotContain(Method.PURGE, Method.DAMPER, Method.LINE, Method.CARTRIDGE, Method.DRAW_IN);
    }

    /** A plate that is likely damaged is neither pushed nor drawn through. */
    @Test
    void nothing_is_pushed_or_drawn_through_a_damaged_plate() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .told(3)
                .run("M", 20, 60, NozzleState.DEFLECTED)
                .check();
        visit.found(FACE_CLEAN, "M").found(STATION_CLEAN, null).found(DROPS_THROUGH, "M");
        assertThat(visit.judge().ranking().in("M").get(0).cause()).isEqualTo(Cause.PLATE_DAMAGE);
        assertThat(all(visit))
                .extracting(Advice::method)
                .doesNotContain(Method.DRAW_BACK, Method.FLUSH, Method.WARM, Method.PURGE);
    }

    /** Where nothing else explains gaps they are taken for dried ink, even when every look speaks against it. */
    @Test
    void gaps_that_nothing_explains_are_taken_for_dried_ink() {
        WrittenVisit visit =
                new WrittenVisit("ORSEL-D6").told(1).scattered("C", 7, 0).check();
        visit.found(DROPS_THROUGH, "C")
                .found(STATION_CLEAN, null)
                .found(LINE_CLEAR, "C")
                .found(DAMPER_FULL, "C");
        visit.found(PULL_FREE, "C").found(INK_THERE, "C").found(SEAT_SOUND, "C").found(FACE_CLEAN, "C");
        visit.cycle("C").check();
        Advice work =
                all(visit).stream().filter(a -> a.act() == Act.WORK).findFirst().orElseThrow();
        assertThat(work.cause()).isEqualTo(Cause.DRIED_INK);
        assertThat(work.method()).isEqualTo(Method.PAD);
    }

    /** Nothing is stiff and it stood for days: one rung longer is a soak, not a warm flush. */
    @ParameterizedTest
    @CsvSource({"12, FREE, PORT_SOAK", "12, STIFF, WARM", "40, FREE, WARM"})
    void fluid_is_warmed_where_it_went_in_stiffly_or_the_head_stood_for_a_month(
            int idle, Resistance felt, Method longer) {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6")
                .told(idle)
                .run("C", 1, 100)
                .check()
                .flush(felt, "C")
                .run("C", 1, 10, NozzleState.FIRING)
                .check()
                .cycle("C")
                .check()
                .found(STATION_CLEAN, null)
                .found(FACE_CLEAN, "C");
        assertThat(all(visit))
                .filteredOn(a -> a.rule() == Rule.RECOVERING_SLOWLY)
                .extracting(Advice::method)
                .containsExactly(longer);
    }

    /** The page is printed in the treated colours, or in all where none was. */
    @Test
    void the_page_carries_the_treated_colours() {
        WrittenVisit treated =
                new WrittenVisit("ORSEL-D6").told(20).scattered("C", 6, 0).check();
        treated.flush(Resistance.FREE, "C").clear("C").check().found(STATION_CLEAN, null);
        assertThat(first(treated).channels()).containsExactly("C");
        WrittenVisit none = new WrittenVisit("ORSEL-D6").check();
        none.found(STATION_CLEAN, null).found(UNDERSIDE_CLEAN, null).found(STRIP_CLEAN, null);
        assertThat(first(none).method()).isEqualTo(Method.PAGE);
        assertThat(first(none).channels()).hasSize(6);
    }

    /** A damper is cleaned first, then a new one is fitted, and a new one is not mended again. */
    @Test
    void a_damper_is_cleaned_then_replaced_then_left_alone() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8").told(5).ends("S", 34).check();
        visit.found(PULL_DRAGS, "S");
        assertThat(first(visit).style().act()).isEqualTo(Part.Act.CLEANED);
        visit.hands(Method.DAMPER, part(Part.Act.CLEANED), "S").check().found(PULL_DRAGS, "S");
        assertThat(first(visit).method()).isEqualTo(Method.DAMPER);
        assertThat(first(visit).style().act()).isEqualTo(Part.Act.REPLACED);
        visit.hands(Method.DAMPER, part(Part.Act.REPLACED), "S").check().found(PULL_DRAGS, "S");
        assertThat(all(visit)).extracting(Advice::method).doesNotContain(Method.DAMPER);
    }

    private static Noted part(Part.Act act) {
        return new Noted(Map.of(), List.of(new PartWork(Part.DAMPER, "S", act)), List.of());
    }

    /** One flush that would not go stops nothing; two running do, where the shop stops there. */
    @ParameterizedTest
    @CsvSource({"1, false", "2, true"})
    void a_port_that_stays_stuck(int flushes, boolean stops) {
        WrittenVisit visit =
                new WrittenVisit("TARROW-T4").told(90).scattered("K", 5, 0).check();
        for (int n = 0; n < flushes; n++) {
            visit.flush(Resistance.WOULD_NOT_GO, "K").check().cycle("K").check();
        }
        visit.house(School.StopWhen.NO_FLOW);
        assertThat(all(visit).stream().anyMatch(a -> a.rule() == Rule.STOP_NO_FLOW))
                .isEqualTo(stops);
    }

    /** Three at work on a head that carries its own cartridges and may not be pushed: none is proposed that it has not got. */
    @Test
    void a_look_goes_before_what_hands_would_mend() {
        WrittenVisit visit = new WrittenVisit("TARROW-T4")
                .told(1, Symptom.ONE_COLOUR_GONE)
                .whole("C")
                .check();
        assertThat(first(visit).look()).isEqualTo(Look.INK_LEVEL);
        visit.found(INK_THERE, "C");
        assertThat(first(visit).look()).isEqualTo(Look.STATION);
        visit.found(STATION_CLEAN, null);
        assertThat(all(visit)).noneMatch(a -> a.look() == Look.INK_LEVEL || a.look() == Look.STATION);
    }

    /** What leaves the map good leads, and is likely: it is seen to before the page, once. */
    @Test
    void dirt_on_the_carriage_is_seen_to_before_the_page() {
        WrittenVisit visit =
                new WrittenVisit("ORSEL-D6").told(2, Symptom.SMEARS).check().found(UNDERSIDE_FLAKES, null);
        assertThat(first(visit).method()).isEqualTo(Method.UNDERSIDE);
        visit.hands(Method.UNDERSIDE).found(UNDERSIDE_CLEAN, null).check().found(STATION_CLEAN, null);
        assertThat(first(visit).method()).isEqualTo(Method.PAGE);
    }

    /** The percent told with a remedy is that of its cause in the channel. */
    @Test
    void a_first_remedy_tells_how_likely_its_cause_is() {
        WrittenVisit visit =
                new WrittenVisit("ORSEL-D6").told(35).scattered("C", 6, 0).check();
        Advice advice = first(visit);
        double chance = visit.judge().ranking().in("C").get(0).probability();
        assertThat(advice.facts()).containsEntry(Fact.PERCENT, (int) Math.round(100 * chance));
        assertThat(advice.cause()).isEqualTo(Cause.DRIED_INK);
    }
}
