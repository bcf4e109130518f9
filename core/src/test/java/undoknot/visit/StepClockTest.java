package undoknot.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.bench.DryHold;
import undoknot.bench.DryHold.Wet;
import undoknot.head.Construction;
import undoknot.practice.HouseRules;
import undoknot.practice.School;

class StepClockTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");

    @Test
    void is_due_at_an_absolute_time() {
        StepClock clock = new StepClock(START, Duration.ofMinutes(40), Optional.empty());
        assertThat(clock.dueAt()).isEqualTo("2026-03-02T08:40:00Z");
        assertThat(clock.phase(clock.dueAt().minusMillis(1))).isEqualTo(StepClock.Phase.RUNNING);
        assertThat(clock.phase(clock.dueAt())).isEqualTo(StepClock.Phase.DUE);
        assertThat(clock.elapsed(START.plusSeconds(90))).isEqualTo(Duration.ofSeconds(90));
        assertThat(clock.elapsed(START.minusSeconds(5))).isZero();
    }

    @Test
    void a_stopped_clock_keeps_its_actual_time() {
        StepClock clock = new StepClock(START, Duration.ofMinutes(40), Optional.of(START.plusSeconds(3000)));
        assertThat(clock.phase(START.plusSeconds(9000))).isEqualTo(StepClock.Phase.STOPPED);
        assertThat(clock.elapsed(START.plusSeconds(9000))).isEqualTo(Duration.ofMinutes(50));
        assertThatThrownBy(() -> new StepClock(START, Duration.ZERO, Optional.of(START.minusSeconds(1))))
                .hasMessageContaining("before its start");
    }

    /** Hours from handbook 12; a laminated head waits 24 h once it left the carriage. */
    @ParameterizedTest
    @CsvSource({
        "IN_PLACE, DESK_PIEZO, 0",
        "BASE_ONLY, THERMAL_OPEN, 2",
        "BODY, THERMAL_OPEN, 12",
        "BOARD, DESK_PIEZO, 24",
        "BASE_ONLY, LAMINATED_PIEZO, 24",
        "BODY, LAMINATED_PIEZO, 24",
        "IN_PLACE, LAMINATED_PIEZO, 0",
    })
    void a_dry_hold_by_what_was_wet(Wet wet, Construction construction, int hours) {
        assertThat(DryHold.of(wet, construction, Duration.ZERO)).hasHours(hours);
    }

    /** A house rule lengthens a hold and never shortens it; dry contacts in place need none. */
    @ParameterizedTest
    @CsvSource({
        "IN_PLACE, DESK_PIEZO, 0",
        "BASE_ONLY, THERMAL_OPEN, 12",
        "BODY, THERMAL_OPEN, 12",
        "BOARD, DESK_PIEZO, 24",
        "BASE_ONLY, LAMINATED_PIEZO, 24"
    })
    void a_shop_that_always_waits_overnight(Wet wet, Construction construction, int hours) {
        Duration atLeast = HouseRules.DEFAULT.with(School.Hold.OVERNIGHT).leastHold();
        assertThat(DryHold.of(wet, construction, atLeast)).hasHours(hours);
    }
}
