package undoknot.finish;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Sign.*;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.WrittenVisit;
import undoknot.finish.Proof.State;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.CoarseReading.Kind;
import undoknot.nozzle.CoarseReading.Level;
import undoknot.nozzle.CoarseReading.Line;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.outcome.Outcome;
import undoknot.outcome.Outcome.Doubt;
import undoknot.outcome.Purpose;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment.Resistance;

/** What is open at the end, and the outcome that what is shown speaks for (handbook 13, rule 0, and 14). */
class SignOffTest {

    private static WrittenVisit flushed() {
        return new WrittenVisit("ORSEL-D6")
                .scattered("C", 6, 0)
                .check()
                .flush(Resistance.FREE, "C")
                .clear("C");
    }

    private static Outcome proposed(WrittenVisit visit, Purpose purpose) {
        return SignOff.proposed(purpose, visit.visit(), true, false);
    }

    @ParameterizedTest
    @CsvSource({
        "TOLD_STARVES,  PAGE_TO_PLACE, PAGE_REACHES,    PAGE_FAILS",
        "TOLD_AT_PLACE, PAGE_TO_PLACE, PAGE_REACHES,    PAGE_FAILS",
        "TOLD_OVERHEAT, LONG_PRINT,    LONG_PRINT_HELD, LONG_PRINT_STOPPED",
        "TOLD_STOPS,    LONG_PRINT,    LONG_PRINT_HELD, LONG_PRINT_STOPPED",
        "TOLD_SMEARS,   CLEAN_PAGE,    PAGE_CLEAN,      PAGE_DIRTY",
    })
    void a_complaint_that_no_check_shows_is_proven_by_its_page(Sign told, Look look, Sign shown, Sign failed) {
        WrittenVisit visit = flushed().told(told, null).check().page().check();
        assertThat(Proof.of(visit.visit())).containsExactly(new Proof(look, State.OPEN));
        assertThat(proposed(visit, Purpose.REPAIR)).isNull();
        assertThat(Proof.of(visit.found(failed, null).visit())).containsExactly(new Proof(look, State.FAILED));
        assertThat(Proof.of(visit.found(shown, null).visit())).containsExactly(new Proof(look, State.SHOWN));
        assertThat(proposed(visit, Purpose.REPAIR)).isEqualTo(Outcome.RECOVERED);
        assertThat(Proof.of(visit.hands(Method.CARTRIDGE, "C").visit()))
                .as("work on what it proved asks for it again")
                .containsExactly(new Proof(look, State.OPEN));
    }

    /** A map that was good before signs no carriage dirt off: dirt that was found asks for a clean page as well. */
    @Test
    void dirt_that_nobody_told_of_is_signed_off_by_a_clean_page() {
        WrittenVisit smear = new WrittenVisit("ORSEL-D6").check();
        assertThat(Proof.of(smear.visit())).isEmpty();
        smear.found(UNDERSIDE_FLAKES, null).hands(Method.UNDERSIDE);
        assertThat(Proof.of(smear.visit())).containsExactly(new Proof(Look.CLEAN_PAGE, State.OPEN));
        assertThat(proposed(smear, Purpose.REPAIR)).isNull();
        assertThat(proposed(smear.found(PAGE_CLEAN, null), Purpose.REPAIR)).isEqualTo(Outcome.FAULT_MENDED);
    }

    @Test
    void aligning_and_a_page_leave_a_proof_standing() {
        WrittenVisit visit = flushed().told(TOLD_STARVES, null).check().found(PAGE_REACHES, null);
        visit.page().hands(Method.ALIGN);
        assertThat(Proof.of(visit.visit())).containsExactly(new Proof(Look.PAGE_TO_PLACE, State.SHOWN));
    }

    @ParameterizedTest
    @CsvSource({
        "CARTRIDGE, true",
        "WIPE,      true",
        "PAD,       true",
        "PAGE,      true",
        "STATION,   false",
        "ALIGN,     false",
        "STRIP,     false",
        "UNDERSIDE, false",
        "REST,      false",
    })
    void work_without_a_check_after_it_is_named(Method method, boolean named) {
        WrittenVisit visit = flushed().check().hands(method, "C");
        assertThat(Unchecked.of(visit.visit())).hasSize(named ? 1 : 0);
        assertThat(SignOff.open(visit.visit()).contains(Doubt.WORK_UNCHECKED)).isEqualTo(named);
    }

    /** Rule 1: a head that passes once and fails after a page is not finished. Rule 0 and 2: what was found is put right first. */
    @Test
    void a_head_is_not_recovered_before_its_page_its_findings_and_its_station() {
        WrittenVisit visit = flushed().check();
        assertThat(SignOff.open(visit.visit())).containsExactly(Doubt.PAGE_LEFT);
        assertThat(proposed(visit, Purpose.REPAIR)).isNull();
        visit.page();
        assertThat(SignOff.open(visit.visit())).containsExactly(Doubt.WORK_UNCHECKED, Doubt.PAGE_LEFT);
        visit.check();
        assertThat(SignOff.open(visit.visit())).isEmpty();
        visit.found(STATION_CRUSTED, null);
        assertThat(SignOff.open(visit.visit())).containsExactly(Doubt.FOUND_LEFT);
        assertThat(SignOff.open(visit.hands(Method.STATION).visit())).isEmpty();
        assertThat(proposed(visit, Purpose.REPAIR)).isEqualTo(Outcome.RECOVERED);
        visit.cycle("C").check();
        assertThat(SignOff.open(visit.visit())).containsExactly(Doubt.STATION_LEFT, Doubt.PAGE_LEFT);
        visit.page().check().hands(Method.STATION);
        assertThat(SignOff.open(visit.visit())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "STATION_CRUSTED, true",
        "PULL_BLOCKED,    true",
        "LINE_SEDIMENT,   true",
        "CONTACTS_DIRTY,  true",
        "FACE_DIRTY,      true",
        "FACE_MARKED,     false",
        "FACE_DAMAGED,    false",
        "DROPS_SLOW,      false",
        "WASTE_FULL,      false",
        "ERROR_EXPECTED_BACK, false",
        "STATION_CLEAN,   false",
    })
    void what_hands_can_mend_and_nobody_has_mended_is_left(Sign found, boolean left) {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .check()
                .found(found, Look.making(found).orElseThrow().scope() == Look.Scope.HEAD ? null : "M");
        assertThat(SignOff.open(visit.visit()).contains(Doubt.FOUND_LEFT)).isEqualTo(left);
    }

    private static CoarseReading stream(Level level) {
        return new CoarseReading(Kind.STREAM, Map.of("C", new Line(level, null)));
    }

    @Test
    void a_head_that_cannot_print_here_is_ready_to_refit_and_no_more() {
        WrittenVisit bench = new WrittenVisit("ORSEL-D6").told(TOLD_STARVES, null);
        bench.coarse(stream(Level.STREAM_BROKEN)).flush(Resistance.FREE, "C");
        assertThat(proposed(bench, Purpose.REPAIR)).isNull();
        bench.coarse(stream(Level.STREAM_WHOLE));
        assertThat(proposed(bench, Purpose.REPAIR)).isEqualTo(Outcome.READY_TO_REFIT);
    }

    @Test
    void each_purpose_ends_in_its_own_way() {
        WrittenVisit sound = new WrittenVisit("ORSEL-D6").check();
        assertThat(proposed(sound, Purpose.CHECK_OVER)).isEqualTo(Outcome.CHECKED);
        assertThat(proposed(sound, Purpose.INK_CHANGE)).isEqualTo(Outcome.CHANGED_OVER);
        assertThat(proposed(sound, Purpose.SYSTEM_FLUSH)).isEqualTo(Outcome.STORED_CLEAN);
        assertThat(SignOff.proposed(Purpose.SYSTEM_FLUSH, sound.visit(), true, true))
                .isEqualTo(Outcome.INK_RETURNED);
        assertThat(SignOff.proposed(Purpose.INK_CHANGE, sound.visit(), false, false))
                .isNull();
        assertThat(proposed(flushed().check().page().check(), Purpose.CHECK_OVER))
                .isEqualTo(Outcome.RECOVERED);
    }
}
