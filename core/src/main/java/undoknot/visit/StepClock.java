package undoknot.visit;

import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;

/**
 * A clock of a step that waits: a soak, a burst, a hold. It knows instants only, so it survives whatever shows it.
 *
 * @param startedAt when it started
 * @param planned how long it should run
 * @param stoppedAt when a person stopped it, empty while it runs or waits for hands
 */
public record StepClock(Instant startedAt, Duration planned, Optional<Instant> stoppedAt) {

    /** What it is a clock of. */
    public enum Kind {
        SOAK,
        BURST,
        /** Work or a look that waits: a pad, a rest, drops on a port, seals in a jar. */
        WAIT,
        /** As holds were kept before they followed from the work. */
        HOLD
    }

    public enum Phase {
        RUNNING,
        DUE,
        STOPPED
    }

    public StepClock {
        Objects.requireNonNull(startedAt, "startedAt");
        Objects.requireNonNull(planned, "planned");
        Objects.requireNonNull(stoppedAt, "stoppedAt");
        if (planned.isNegative()) {
            throw new IllegalArgumentException("planned must not be negative, was " + planned);
        }
        if (stoppedAt.isPresent() && stoppedAt.get().isBefore(startedAt)) {
            throw new IllegalArgumentException("stopped at " + stoppedAt.get() + ", before its start at " + startedAt);
        }
    }

    public Instant dueAt() {
        return startedAt.plus(planned);
    }

    public Phase phase(Instant now) {
        if (stoppedAt.isPresent()) {
            return Phase.STOPPED;
        }
        return now.isBefore(dueAt()) ? Phase.RUNNING : Phase.DUE;
    }

    /** Time that it has run, or ran; never negative, whatever clock the caller has. */
    public Duration elapsed(Instant now) {
        Duration ran = Duration.between(startedAt, stoppedAt.orElse(now));
        return ran.isNegative() ? Duration.ZERO : ran;
    }
}
