package undoknot.server.view;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.diagnosis.Cause;
import undoknot.finish.Aftercare;
import undoknot.outcome.Outcome;
import undoknot.server.fluid.FluidLot;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Visit;
import undoknot.treatment.Method;

/**
 * What was done on the visit before, for a head that came back soon.
 *
 * @param days between its return and the new take-in
 * @param causes that were written down as what was wrong
 * @param work in order
 */
public record FollowUp(
        UUID id,
        String tag,
        Instant closedAt,
        long days,
        Outcome outcome,
        @Nullable String outcomeReason,
        List<Cause> causes,
        List<EarlierWork> work) {

    /** @param fluid name of the fluid; absent where none was used */
    public record EarlierWork(
            Method method, List<String> channels, @Nullable String fluid) {}

    static boolean isSoon(Visit before, Visit now) {
        return daysBetween(before, now) <= Aftercare.FOLLOW_UP_DAYS;
    }

    private static long daysBetween(Visit before, Visit now) {
        return Duration.between(before.closedAt, now.openedAt).toDays();
    }

    static FollowUp of(LoggedVisit before, Visit now) {
        Visit visit = before.visit();
        return new FollowUp(
                visit.id,
                visit.tag,
                visit.closedAt,
                daysBetween(visit, now),
                visit.outcome,
                visit.outcomeReason,
                before.diagnoses().stream()
                        .filter(d -> !d.dropped)
                        .map(d -> d.cause)
                        .distinct()
                        .toList(),
                before.attemptsThatStand().stream().map(a -> work(before, a)).toList());
    }

    private static EarlierWork work(LoggedVisit before, Attempt attempt) {
        FluidLot lot = attempt.lotId == null ? null : before.lots().get(attempt.lotId);
        return new EarlierWork(
                Method.of(before.treatment(attempt)),
                before.treatment(attempt).channels().stream().sorted().toList(),
                lot == null ? null : lot.name);
    }
}
