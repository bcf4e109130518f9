package undoknot.finish;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.finish.Aftercare.Care.*;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.diagnosis.Cause;
import undoknot.finish.Aftercare.Care;
import undoknot.fluid.InkChemistry;
import undoknot.head.Construction;
import undoknot.outcome.Purpose;

/** Handbook 16. */
class AftercareTest {

    private static final LocalDate RETURNED = LocalDate.of(2026, 3, 2);

    private static List<Aftercare> of(
            Construction construction, Purpose purpose, Map<String, InkChemistry> inks, Cause... causes) {
        return Aftercare.of(new Aftercare.Of(construction, purpose, inks, Set.of(causes), false, null, false, false));
    }

    private static List<Aftercare> of(Cause... causes) {
        return of(Construction.DESK_PIEZO, Purpose.REPAIR, Map.of("C", InkChemistry.DYE), causes);
    }

    private static Aftercare item(List<Aftercare> list, Care care) {
        return list.stream().filter(a -> a.care() == care).findFirst().orElseThrow();
    }

    @Test
    void every_head_prints_weekly_and_a_settling_ink_every_few_days_and_is_shaken() {
        List<Aftercare> dye = of();
        assertThat(item(dye, FULL_PAGE).dates(RETURNED)).hasSize(12).startsWith(LocalDate.of(2026, 3, 9));
        assertThat(dye).extracting(Aftercare::care).doesNotContain(SHAKE);
        List<Aftercare> silver = of(
                Construction.WIDE_PIEZO,
                Purpose.REPAIR,
                Map.of("C", InkChemistry.PIGMENT, "S", InkChemistry.SETTLING_PIGMENT));
        assertThat(item(silver, FULL_PAGE).dates(RETURNED)).hasSize(30).startsWith(LocalDate.of(2026, 3, 5));
        assertThat(item(silver, SHAKE).channels()).containsExactly("S");
        assertThat(item(silver, SHAKE).dates(RETURNED)).last().isEqualTo(RETURNED.plusDays(90));
    }

    @Test
    void the_station_is_cleaned_monthly_and_what_has_no_rhythm_has_no_date() {
        assertThat(item(of(), STATION).dates(RETURNED))
                .containsExactly(LocalDate.of(2026, 4, 1), LocalDate.of(2026, 5, 1), LocalDate.of(2026, 5, 31));
        assertThat(item(of(), CHECK_FIRST).dates(RETURNED)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"CARRIAGE_DIRT, 14", "FACE_DEBRIS, 30"})
    void the_underside_is_wiped_each_fortnight_where_its_dirt_was_the_cause_and_else_monthly(Cause cause, int days) {
        assertThat(item(of(cause), UNDERSIDE).everyDays()).isEqualTo(days);
        assertThat(of()).extracting(Aftercare::care).doesNotContain(UNDERSIDE);
    }

    @ParameterizedTest
    @CsvSource({
        "SERVICE_STATION, LOOK_BEFORE_CLEANING",
        "CARRIAGE_DIRT, LOOK_BEFORE_CLEANING",
        "CARRIAGE_DIRT, UNDERSIDE",
        "FACE_DEBRIS, DUST_COVER",
        "SUPPLY_RESTRICTED, DAMPER_DATES",
        "ALIGNMENT_ENCODER, STRIP_AFTER_EDGELESS",
        "UNSUITABLE_INK, INK_WITH_RECORD",
        "SUPPLY_RESTRICTED, LEVELS_BY_EYE",
        "CONTACTS, NOTE_IF_BACK",
        "ELECTRICAL, NOTE_IF_BACK",
    })
    void a_cause_asks_for_its_own(Cause cause, Care care) {
        assertThat(of(cause)).extracting(Aftercare::care).contains(care);
        assertThat(of()).extracting(Aftercare::care).doesNotContain(care);
    }

    @Test
    void thermal_heads_never_print_empty_dry_rooms_are_humidified_and_setup_cartridges_are_retired() {
        List<Aftercare> list = Aftercare.of(
                new Aftercare.Of(Construction.THERMAL_OPEN, Purpose.REPAIR, Map.of(), Set.of(), true, 2, true, false));
        assertThat(list).extracting(Aftercare::care).contains(NEVER_EMPTY, HUMIDIFY, REFILLS, SETUP_CARTRIDGES);
        assertThat(of()).extracting(Aftercare::care).doesNotContain(NEVER_EMPTY, HUMIDIFY, REFILLS, SETUP_CARTRIDGES);
    }

    @Test
    void what_stands_full_of_cleaner_prints_nothing_and_what_was_changed_over_never_serves_food() {
        List<Aftercare> stored =
                of(Construction.WIDE_PIEZO, Purpose.SYSTEM_FLUSH, Map.of("S", InkChemistry.SETTLING_PIGMENT));
        assertThat(stored).extracting(Aftercare::care).containsExactly(SHAKE, WAKE_IT);
        assertThat(of(Construction.DESK_PIEZO, Purpose.INK_CHANGE, Map.of("C", InkChemistry.FLUORESCENT)))
                .extracting(Aftercare::care)
                .contains(NEVER_FOOD, LABEL_THE_PRINTER);
    }

    @Test
    void nothing_is_said_twice() {
        assertThat(of(Cause.DRIED_INK, Cause.SERVICE_STATION, Cause.CARRIAGE_DIRT))
                .extracting(Aftercare::care)
                .doesNotHaveDuplicates();
    }
}
