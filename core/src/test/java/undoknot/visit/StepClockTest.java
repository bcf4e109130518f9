package undoknot.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

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
}
