package undoknot.server.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.server.account.SignedIn;
import undoknot.server.bench.ClockController.WaitEntry;
import undoknot.server.problem.Refused;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.Attempts;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Sittings;
import undoknot.server.visit.StepClockRow;
import undoknot.server.visit.StepClocks;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.visit.StepClock;
import undoknot.visit.Waiting;

/** Starts and stops clocks. A clock stores when it started and how long it should run, so a restart changes nothing. */
@Component
class ClockKeeper {

    /** A clock stopped by mistake may go on for so long. */
    private static final Duration RESUMABLE = Duration.ofMinutes(10);

    private final StepClocks clocks;
    private final Attempts attempts;
    private final VisitWrites writes;
    private final Clock clock;

    ClockKeeper(StepClocks clocks, Attempts attempts, VisitWrites writes, Clock clock) {
        this.clocks = clocks;
        this.attempts = attempts;
        this.writes = writes;
        this.clock = clock;
    }

    VisitView wait(UUID visitId, UUID id, WaitEntry entry) {
        return writes.on(visitId, logged -> {
            if (clocks.existsById(id)) {
                return List.of();
            }
            boolean known = entry.channel() != null
                    && logged.family().channel(entry.channel()).isPresent();
            if (entry.waiting().perChannel() && !known) {
                throw Refused.entry("channel", "MISSING", "Say at which port.");
            }
            boolean ofRounds = entry.waiting() == Waiting.BETWEEN_STROKES;
            if (ofRounds && Sittings.open(logged).stream().noneMatch(a -> a.id.equals(entry.attemptId()))) {
                throw Refused.entry("attemptId", "OVER", "These rounds have ended. Give another stroke first.");
            }
            StepClockRow row = new StepClockRow(
                    id,
                    visitId,
                    ofRounds ? entry.attemptId() : null,
                    StepClock.Kind.WAIT,
                    clock.instant(),
                    SignedIn.now().displayName(),
                    Duration.ofMinutes(entry.minutes()));
            row.waiting = entry.waiting();
            row.channel = entry.waiting().perChannel() ? entry.channel() : null;
            return List.of(clocks.saveAndFlush(row));
        });
    }

    VisitView resume(UUID visitId, UUID id) {
        return writes.on(visitId, logged -> {
            StepClockRow row = own(logged, id);
            if (row.stoppedAt == null) {
                return List.of();
            }
            if (row.stoppedAt.plus(RESUMABLE).isBefore(clock.instant())) {
                throw Refused.because(
                        HttpStatus.CONFLICT,
                        "over",
                        "This ended more than " + RESUMABLE.toMinutes() + " min ago. Start it anew.");
            }
            Instant stopped = row.stoppedAt;
            row.stoppedAt = null;
            row.stoppedBy = null;
            List<Object> written = new ArrayList<>();
            written.add(clocks.saveAndFlush(row));
            if (row.attemptId != null) {
                Attempt attempt = attempts.findById(row.attemptId).orElseThrow();
                if (stopped.equals(attempt.endedAt)) {
                    attempt.endedAt = null;
                    written.add(attempts.saveAndFlush(attempt));
                }
            }
            return written;
        });
    }

    /** The clocks of work that lies on the pad end when the pad is out. */
    List<Object> padIsOut(LoggedVisit logged, Instant now) {
        List<Object> written = new ArrayList<>();
        for (StepClockRow row : logged.runningClocks()) {
            Attempt attempt = logged.attempts().stream()
                    .filter(a -> a.id.equals(row.attemptId) && a.site == Site.IN_CARRIAGE)
                    .findFirst()
                    .orElse(null);
            if (attempt != null && Method.of(logged.treatment(attempt)).leavesPad(Site.IN_CARRIAGE)) {
                written.addAll(stopped(logged, row, now));
            }
        }
        return written;
    }

    private static StepClockRow own(LoggedVisit logged, UUID id) {
        return logged.clocks().stream()
                .filter(c -> c.id.equals(id) && c.kind != StepClock.Kind.HOLD)
                .findFirst()
                .orElseThrow(() -> Refused.notFound("clock"));
    }

    VisitView burst(UUID visitId, UUID id, UUID attemptId) {
        return writes.on(visitId, logged -> {
            if (clocks.existsById(id)) {
                return List.of();
            }
            Attempt attempt = logged.attempts().stream()
                    .filter(a -> a.id.equals(attemptId) && a.kind == Treatment.Kind.BATH)
                    .findFirst()
                    .orElseThrow(() -> Refused.notFound("bath"));
            boolean running = logged.runningClocks().stream().anyMatch(c -> attemptId.equals(c.attemptId));
            if (attempt.endedAt != null || running) {
                throw Refused.because(
                        HttpStatus.CONFLICT,
                        "bath-busy",
                        running ? "A burst is running already." : "This bath has ended.");
            }
            int seconds = ((Treatment.Bath) logged.treatment(attempt)).burstSeconds();
            return List.of(start(visitId, id, attemptId, StepClock.Kind.BURST, Duration.ofSeconds(seconds)));
        });
    }

    private StepClockRow start(UUID visitId, UUID id, UUID attemptId, StepClock.Kind kind, Duration planned) {
        return clocks.saveAndFlush(new StepClockRow(
                id, visitId, attemptId, kind, clock.instant(), SignedIn.now().displayName(), planned));
    }

    VisitView stop(UUID visitId, UUID id) {
        return writes.on(visitId, logged -> {
            StepClockRow row = own(logged, id);
            return row.stoppedAt == null ? stopped(logged, row, clock.instant()) : List.of();
        });
    }

    private List<Object> stopped(LoggedVisit logged, StepClockRow row, Instant now) {
        row.stoppedAt = now;
        row.stoppedBy = SignedIn.now().displayName();
        List<Object> written = new ArrayList<>();
        written.add(clocks.saveAndFlush(row));
        if (row.attemptId != null) {
            endAttempt(logged, row.attemptId, now).ifPresent(written::add);
        }
        return written;
    }

    /** A soak ends with its clock, rounds go on after theirs, a bath with the clock of its last burst. */
    private Optional<Attempt> endAttempt(LoggedVisit logged, UUID attemptId, Instant now) {
        Attempt attempt = attempts.findById(attemptId).orElseThrow();
        if (attempt.endedAt != null || Sittings.goesByRounds(logged.treatment(attempt))) {
            return Optional.empty();
        }
        long burstsDone = logged.clocks().stream()
                .filter(c -> attemptId.equals(c.attemptId) && c.stoppedAt != null)
                .count();
        boolean over = !(logged.treatment(attempt) instanceof Treatment.Bath bath) || burstsDone >= bath.bursts();
        if (!over) {
            return Optional.empty();
        }
        attempt.endedAt = now;
        return Optional.of(attempts.saveAndFlush(attempt));
    }
}
