package undoknot.server.view;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.StepClockRow;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Treatment;
import undoknot.visit.StepClock;
import undoknot.visit.Waiting;

/**
 * A clock and its visit, named by its thing. The server's time goes with it, since the screen's clock may be wrong.
 *
 * @param method the work that waits; absent for any other wait
 * @param waiting what else is waited for; absent for work
 */
public record ClockView(
        UUID id,
        UUID visitId,
        String tag,
        String headName,
        @Nullable UUID attemptId,
        StepClock.Kind kind,
        @Nullable Method method,
        @Nullable Waiting waiting,
        List<String> channels,
        Instant startedAt,
        String startedBy,
        Instant dueAt,
        @Nullable Instant stoppedAt,
        @Nullable String stoppedBy,
        String note) {
    /** The dry hold of a head as one more clock, under the visit's own key; empty while none runs or nobody knows its end. */
    public static Optional<ClockView> hold(LoggedVisit logged, Instant now) {
        return logged.headNow(now)
                .kept(NoPower.HOLD)
                .filter(hold -> hold.until() != null)
                .map(hold -> new ClockView(
                        logged.visit().id,
                        logged.visit().id,
                        logged.visit().tag,
                        logged.family().name(),
                        null,
                        StepClock.Kind.HOLD,
                        null,
                        null,
                        List.of(),
                        hold.since(),
                        "",
                        hold.until(),
                        null,
                        null,
                        ""));
    }

    public static ClockView of(StepClockRow row, LoggedVisit logged) {
        Treatment treatment = row.attemptId == null ? null : logged.treatments().get(row.attemptId);
        return new ClockView(
                row.id,
                row.visitId,
                logged.visit().tag,
                logged.family().name(),
                row.attemptId,
                row.kind,
                treatment == null ? null : Method.of(treatment),
                row.waiting,
                treatment != null
                        ? List.copyOf(treatment.channels())
                        : row.channel == null ? List.of() : List.of(row.channel),
                row.startedAt,
                row.startedBy,
                row.dueAt(),
                row.stoppedAt,
                row.stoppedBy,
                row.note);
    }
}
