package undoknot.server.visit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import undoknot.treatment.Method;

/**
 * A changed plan as it is kept with its visit.
 *
 * @param at when it was changed
 * @param by who changed it
 */
public record KeptPlan(List<PlannedWork> works, Instant at, String by) {

    /** How long the first stroke of its flush is to stand, minutes; empty when it goes by the rules. */
    public Optional<Integer> soakBetweenMinutes() {
        return works.stream()
                .filter(w -> w.method() == Method.FLUSH || w.method() == Method.WARM)
                .map(PlannedWork::minutes)
                .filter(Objects::nonNull)
                .findFirst();
    }

    /** What is left of it: work that was done since then is planned no more. */
    public List<PlannedWork> left(LoggedVisit logged) {
        List<PlannedWork> left = new ArrayList<>(works);
        for (Attempt attempt : logged.attemptsThatStand()) {
            if (attempt.startedAt.isAfter(at)) {
                var treatment = logged.treatment(attempt);
                left.stream()
                        .filter(w -> w.method() == Method.of(treatment)
                                && (w.channels().isEmpty()
                                        || w.channels().stream().anyMatch(treatment.channels()::contains)))
                        .findFirst()
                        .ifPresent(left::remove);
            }
        }
        return left;
    }
}
