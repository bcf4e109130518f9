package undoknot.server.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.treatment.Method;

/**
 * A changed plan as it is kept with its visit.
 *
 * @param at when it was changed
 * @param by who changed it
 */
record KeptPlan(List<PlanEntry.PlannedWork> works, Instant at, String by) {

    /** What is left of it: work that was done since then is planned no more. */
    List<PlanEntry.PlannedWork> left(LoggedVisit logged) {
        List<PlanEntry.PlannedWork> left = new ArrayList<>(works);
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
