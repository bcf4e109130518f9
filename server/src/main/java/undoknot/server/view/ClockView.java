package undoknot.server.view;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.StepClockRow;
import undoknot.treatment.NoPower;
import undoknot.visit.StepClock;

/**
 * A clock and its visit. The server's time goes with it, since the screen's clock may be wrong.
 */
public record ClockView(
        UUID id,
        UUID visitId,
        String tag,
        String headName,
        @Nullable UUID attemptId,
        StepClock.Kind kind,
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
                        hold.since(),
                        "",
                        hold.until(),
                        null,
                        null,
                        ""));
    }

    public static ClockView of(StepClockRow row, LoggedVisit logged) {
        return new ClockView(
                row.id,
                row.visitId,
                logged.visit().tag,
                logged.family().name(),
                row.attemptId,
                row.kind,
                row.startedAt,
                row.startedBy,
                row.dueAt(),
                row.stoppedAt,
                row.stoppedBy,
                row.note);
    }
}
