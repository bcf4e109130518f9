package undoknot.server;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** Runs with real time, can be set forward, and held for a while. */
public final class MovableClock extends Clock {

    private volatile Duration ahead = Duration.ZERO;
    private volatile Instant held;

    public void forward(Duration by) {
        ahead = ahead.plus(by);
    }

    /** Stands at a moment until {@link #goOn()}. */
    public void holdAt(Instant moment) {
        held = moment;
    }

    public void goOn() {
        held = null;
    }

    @Override
    public ZoneId getZone() {
        return ZoneId.systemDefault();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return held == null ? Clock.offset(Clock.system(zone), ahead) : Clock.fixed(held, zone);
    }

    @Override
    public Instant instant() {
        Instant stands = held;
        return stands == null ? Instant.now().truncatedTo(ChronoUnit.MICROS).plus(ahead) : stands;
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
