package undoknot.server.visit;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import undoknot.advice.NextStep.OpenSitting;
import undoknot.sitting.Rinse;
import undoknot.sitting.Sitting;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/** Rounds of a logged visit: how far each sitting is, and which one is open. */
public final class Sittings {

    private Sittings() {}

    /** A flush or other work by strokes as it stands; empty for other work. */
    public static Optional<Sitting> of(LoggedVisit logged, Attempt attempt) {
        if (!(logged.treatment(attempt) instanceof Treatment.Flush flush)) {
            return Optional.empty();
        }
        List<Instant> soaked = logged.clocks().stream()
                .filter(c -> attempt.id.equals(c.attemptId) && c.stoppedAt != null)
                .map(c -> c.stoppedAt)
                .toList();
        return Optional.of(Sitting.of(flush, soaked));
    }

    /** A rinse as it stands; empty for other work. */
    public static Optional<Rinse> rinse(LoggedVisit logged, Attempt attempt) {
        Treatment treatment = logged.treatment(attempt);
        return Method.of(treatment) == Method.RINSE
                ? Optional.of(
                        Rinse.of(treatment.channels(), logged.noted(attempt).turns()))
                : Optional.empty();
    }

    /** Whether it goes by rounds at all. */
    public static boolean goesByRounds(Treatment treatment) {
        return treatment instanceof Treatment.Flush || Method.of(treatment) == Method.RINSE;
    }

    /** Whether its channels are at their end point. */
    public static boolean isOver(LoggedVisit logged, Attempt attempt) {
        return of(logged, attempt)
                .map(Sitting::isOver)
                .orElseGet(() -> rinse(logged, attempt).map(Rinse::isOver).orElse(true));
    }

    public static boolean isOpen(LoggedVisit logged, Attempt attempt) {
        return attempt.stands() && attempt.endedAt == null && goesByRounds(logged.treatment(attempt));
    }

    public static List<Attempt> open(LoggedVisit logged) {
        return logged.attempts().stream().filter(a -> isOpen(logged, a)).toList();
    }

    /** The sitting begun last that is open and waits for hands, not for fluid that stands in a channel. */
    static Optional<OpenSitting> wantsHands(LoggedVisit logged) {
        return open(logged).stream()
                .filter(a -> logged.runningClocks().stream().noneMatch(c -> a.id.equals(c.attemptId)))
                .reduce((a, b) -> b)
                .map(a -> next(logged, a));
    }

    private static OpenSitting next(LoggedVisit logged, Attempt attempt) {
        String id = attempt.id.toString();
        Method method = Method.of(logged.treatment(attempt));
        return of(logged, attempt)
                .map(sitting -> new OpenSitting(
                        id,
                        method,
                        sitting.open(),
                        sitting.turn().map(Sitting.Row::channel).orElse(null),
                        sitting.turn().map(Sitting.Row::next).orElse(Sitting.Next.DONE)))
                .orElseGet(() -> new OpenSitting(
                        id,
                        method,
                        rinse(logged, attempt).map(Rinse::open).orElse(List.of()),
                        null,
                        Sitting.Next.STROKE));
    }
}
