package undoknot.server.view;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.advice.WorkStyle;
import undoknot.plan.LedSteps;
import undoknot.server.visit.KeptRun;
import undoknot.server.visit.LoggedVisit;
import undoknot.treatment.Method;

/**
 * Steps that are gone through one by one, as far as they are.
 *
 * @param workId the attempt that they came to; absent while it is not logged
 */
public record RunView(
        UUID id,
        Method method,
        List<String> channels,
        @Nullable WorkStyle style,
        Instant begunAt,
        String begunBy,
        List<LedSteps.Led> steps,
        @Nullable UUID workId) {

    /** Null where none are gone through, or somebody left them. */
    @Nullable
    static RunView of(LoggedVisit logged, Instant now) {
        KeptRun run = logged.run();
        if (run == null || run.leftAt() != null) {
            return null;
        }
        return new RunView(
                run.id(),
                run.method(),
                run.channels(),
                run.style(),
                run.begunAt(),
                run.begunBy(),
                run.state(logged, now),
                logged.attemptsThatStand().stream()
                        .filter(a ->
                                !a.startedAt.isBefore(run.begunAt()) && Method.of(logged.treatment(a)) == run.method())
                        .map(a -> a.id)
                        .reduce((first, second) -> second)
                        .orElse(null));
    }
}
