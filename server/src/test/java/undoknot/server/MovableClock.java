package undoknot.server;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** Runs with real time, and can be set forward. */
public final class MovableClock extends Clock {

    private volatile Duration ahead = Duration.ZERO;

    public void forward(Duration by) {
        ahead = ahead.plus(by);
    }

    @Override
    public ZoneId getZone() {
        return ZoneId.systemDefault();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.offset(Clock.system(zone), ahead);
    }

    @Override
    public Instant instant() {
        return Instant.now().truncatedTo(ChronoUnit.MICROS).plus(ahead);
    }

    @TestConfiguration
    static class Config {
        @Bean
        @Primary
        MovableClock movableClock() {
            return new MovableClock();
        }
    }
}
