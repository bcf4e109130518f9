package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.plan.Promise;

class WorkingHoursTest {

    private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");
    private static final Promise.Hours HOURS = new Promise.Hours(
            BERLIN,
            LocalTime.of(9, 0),
            LocalTime.of(17, 0),
            Set.of(DayOfWeek.FRIDAY, DayOfWeek.SATURDAY, DayOfWeek.MONDAY));

    @Test
    void closed_days_and_days_off_are_left_out_and_what_is_past_is_cut_off() {
        // A Friday at 12:00.
        Instant start = Instant.parse("2026-11-27T11:00:00Z");

        assertThat(WorkingHours.of(HOURS, start, LocalDate.of(2026, 11, 27), 4, Set.of(LocalDate.of(2026, 11, 28))))
                .containsExactly(new Window(0, 300), new Window(3 * 1440 - 180, 3 * 1440 + 300));
    }

    @Test
    void after_closing_the_day_has_nothing_left() {
        Instant start = Instant.parse("2026-11-27T16:00:00Z");

        assertThat(WorkingHours.of(HOURS, start, LocalDate.of(2026, 11, 27), 1, Set.of()))
                .isEmpty();
    }

    @Test
    void the_night_in_which_clocks_go_forward_is_an_hour_shorter() {
        // Saturday 28 March 2026, 09:00 in Berlin; on Sunday clocks go forward, so that Monday 09:00 is 47 hours later.
        Instant start = Instant.parse("2026-03-28T08:00:00Z");

        assertThat(WorkingHours.of(HOURS, start, LocalDate.of(2026, 3, 28), 3, Set.of()))
                .containsExactly(new Window(0, 480), new Window(47 * 60, 47 * 60 + 480));
    }

    /** Open on Friday, Saturday and Monday from 9 to 17 in Berlin, an hour ahead of UTC in November. */
    @ParameterizedTest
    @CsvSource({
        "2026-11-27T12:01:00Z, 2026-11-27T12:30:00Z",
        "2026-11-27T12:30:00Z, 2026-11-27T12:30:00Z",
        "2026-11-27T15:50:00Z, 2026-11-27T16:00:00Z",
        "2026-11-27T16:00:00Z, 2026-11-27T16:00:00Z",
        "2026-11-27T16:01:00Z, 2026-11-28T08:00:00Z",
        "2026-11-27T03:00:00Z, 2026-11-27T08:00:00Z",
        "2026-11-28T17:00:00Z, 2026-11-30T08:00:00Z",
        "2026-11-30T20:00:00Z, 2026-12-04T08:00:00Z"
    })
    void a_time_is_said_as_a_half_hour_at_which_the_shop_is_open(Instant ready, Instant said) {
        assertThat(WorkingHours.said(HOURS, ready)).isEqualTo(said);
    }

    @Test
    void a_promise_for_another_age_is_kept_and_not_missed() {
        Instant start = Instant.parse("2026-11-27T11:00:00Z");
        assertThat(WorkingHours.closing(HOURS, start, LocalDate.of(9999, 12, 31)))
                .isEqualTo(WorkingHours.FAR);
        assertThat(WorkingHours.minute(start, Instant.MIN)).isEqualTo(-WorkingHours.FAR);
        assertThat(WorkingHours.minute(start, start.minusSeconds(1))).isEqualTo(-1);
    }

    @Test
    void a_day_ends_when_the_shop_closes() {
        assertThat(WorkingHours.closing(HOURS, Instant.parse("2026-11-27T11:00:00Z"), LocalDate.of(2026, 11, 27)))
                .isEqualTo(300);
    }
}
