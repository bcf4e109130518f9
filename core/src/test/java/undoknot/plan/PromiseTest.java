package undoknot.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.plan.Promise.Hours;
import undoknot.plan.Promise.Left;

/** Waits go on by night; hands work while the shop is open. 2026-03-06 is a Friday. */
class PromiseTest {

    private static final Hours WEEKDAYS = new Hours(
            ZoneId.of("UTC"),
            LocalTime.of(8, 0),
            LocalTime.of(17, 0),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY));

    @ParameterizedTest
    @CsvSource({
        // what is left, and when it is ready: half of the hands, the wait, the other half
        "2026-03-06T09:00:00Z,  60,    0, 2026-03-06T10:00:00Z",
        "2026-03-06T09:00:00Z,  60,  120, 2026-03-06T12:00:00Z",
        // begun an hour before closing: 30 minutes today, a night's wait, the rest on Monday
        "2026-03-06T16:00:00Z,  60, 1440, 2026-03-09T08:30:00Z",
        // before opening and after closing nothing is done by hands
        "2026-03-06T06:00:00Z,  30,    0, 2026-03-06T08:30:00Z",
        "2026-03-06T18:00:00Z,  30,    0, 2026-03-09T08:30:00Z",
        // longer than a day: 8 h on Friday, 2 h on Monday
        "2026-03-06T09:00:00Z, 600,    0, 2026-03-09T10:00:00Z",
        // nothing left
        "2026-03-07T09:00:00Z,   0,    0, 2026-03-07T09:00:00Z"
    })
    void ready(Instant now, double hands, double wait, Instant ready) {
        assertThat(Promise.ready(now, new Left(hands, wait), WEEKDAYS)).isEqualTo(ready);
    }

    @ParameterizedTest
    @CsvSource({
        // a soak of a night: promised for Monday it holds, for Saturday not even the best case does
        "2026-03-09, 30,  720, 60, 1440, HOLDS",
        "2026-03-06, 30,  720, 60, 1440, MISSED",
        // goes well: today at 15:30; on average over the weekend
        "2026-03-06, 30,  360, 60, 1440, AT_RISK"
    })
    void promise(LocalDate day, double hands, double wait, double usualHands, double usualWait, Promise promise) {
        Instant now = Instant.parse("2026-03-06T09:00:00Z");
        assertThat(Promise.of(now, day, new Left(hands, wait), new Left(usualHands, usualWait), WEEKDAYS)
                        .verdict())
                .isEqualTo(promise);
    }

    @Test
    void a_verdict_says_by_when_and_when_it_is_ready() {
        Instant now = Instant.parse("2026-03-06T09:00:00Z");
        assertThat(Promise.of(now, LocalDate.of(2026, 3, 6), new Left(60, 0), new Left(60, 1440), WEEKDAYS))
                .isEqualTo(new Promise.Reckoned(
                        Promise.AT_RISK,
                        Instant.parse("2026-03-06T17:00:00Z"),
                        Instant.parse("2026-03-06T10:00:00Z"),
                        // half an hour today, a day's wait, the other half when the shop opens again
                        Instant.parse("2026-03-09T08:30:00Z")));
    }

    @Test
    void where_no_day_is_said_the_shop_is_open_every_day() {
        Hours daily = new Hours(ZoneId.of("UTC"), LocalTime.of(8, 0), LocalTime.of(17, 0), Set.of());
        assertThat(Promise.ready(Instant.parse("2026-03-07T16:30:00Z"), new Left(60, 0), daily))
                .isEqualTo("2026-03-08T08:30:00Z");
    }

    @Test
    void more_work_is_never_ready_sooner_and_no_hand_works_outside_the_hours() {
        Random seeded = new Random(17);
        for (int i = 0; i < 500; i++) {
            Instant now = Instant.parse("2026-03-02T00:00:00Z").plusSeconds(seeded.nextInt(14 * 86_400));
            Left left = new Left(1 + seeded.nextInt(900), seeded.nextInt(3000));
            Instant ready = Promise.ready(now, left, WEEKDAYS);
            assertThat(Promise.ready(now, new Left(left.hands() + 30, left.waiting()), WEEKDAYS))
                    .isAfter(ready);
            assertThat(Promise.ready(now, new Left(left.hands(), left.waiting() + 30), WEEKDAYS))
                    .isAfterOrEqualTo(ready);
            var end = ready.atZone(ZoneId.of("UTC"));
            assertThat(end.getDayOfWeek()).isNotIn(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY);
            assertThat(end.toLocalTime()).isBetween(LocalTime.of(8, 0), LocalTime.of(17, 0));
        }
    }

    @Test
    void hours_that_close_before_they_open_are_refused() {
        assertThatThrownBy(() -> new Hours(ZoneId.of("UTC"), LocalTime.of(17, 0), LocalTime.of(8, 0), Set.of()))
                .hasMessageContaining("opens must be before closes");
    }
}
