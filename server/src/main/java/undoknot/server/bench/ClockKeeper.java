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
import undoknot.bench.DryHold;
import undoknot.server.account.SignedIn;
import undoknot.server.practice.House;
import undoknot.server.problem.Refused;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.Attempts;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.StepClockRow;
import undoknot.server.visit.StepClocks;
import undoknot.treatment.Treatment;
import undoknot.visit.StepClock;

/** Starts and stops clocks. A clock stores when it started and how long it should run, so a restart changes nothing. */
@Component
class ClockKeeper {

    private final StepClocks clocks;
    private final Attempts attempts;
    private final House house;
    private final VisitWrites writes;
    private final Clock clock;

    ClockKeeper(StepClocks clocks, Attempts attempts, House house, VisitWrites writes, Clock clock) {
        this.clocks = clocks;
        this.attempts = attempts;
        this.house = house;
        this.writes = writes;
        this.clock = clock;
    }

    VisitView hold(UUID visitId, UUID id, DryHold.Wet wet) {
        return writes.on(visitId, logged -> {
            if (clocks.existsById(id)) {
                return List.of();
            }
            Duration atLeast = house.of(logged.visit().houseRules).rules().leastHold();
            Duration hold = DryHold.of(wet, logged.family().construction(), atLeast);
            if (hold.isZero()) {
                throw Refused.entry(
                        "wet", "NO_HOLD", "Treated in place with dry contacts, looked at: no hold is needed.");
            }
            return List.of(start(visitId, id, null, StepClock.Kind.HOLD, hold, wet));
        });
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
            return List.of(start(visitId, id, attemptId, StepClock.Kind.BURST, Duration.ofSeconds(seconds), null));
        });
    }

    private StepClockRow start(
            UUID visitId, UUID id, UUID attemptId, StepClock.Kind kind, Duration planned, DryHold.Wet wet) {
        return clocks.saveAndFlush(new StepClockRow(
                id, visitId, attemptId, kind, clock.instant(), SignedIn.now().displayName(), planned, wet));
    }

    VisitView stop(UUID visitId, UUID id, String reason) {
        return writes.on(visitId, logged -> {
            StepClockRow row = logged.clocks().stream()
                    .filter(c -> c.id.equals(id))
                    .findFirst()
                    .orElseThrow(() -> Refused.notFound("clock"));
            if (row.stoppedAt != null) {
                return List.of();
            }
            Instant now = clock.instant();
            boolean early = row.clock().phase(now) == StepClock.Phase.RUNNING;
            boolean hasReason = reason != null && !reason.isBlank();
            if (row.kind == StepClock.Kind.HOLD && early && !hasReason) {
                throw Refused.entry(
                        "reason",
                        "EARLY",
                        "This hold still runs, and power on a damp head can cost head, ribbon and board. Say why it ends now.");
            }
            row.stoppedAt = now;
            row.stoppedBy = SignedIn.now().displayName();
            if (hasReason) {
                row.note = reason.strip();
            }
            List<Object> written = new ArrayList<>();
            written.add(clocks.saveAndFlush(row));
            if (row.attemptId != null) {
                endAttempt(logged, row.attemptId, now).ifPresent(written::add);
            }
            return written;
        });
    }

    /** A soak ends with its clock, a bath with the clock of its last burst. */
    private Optional<Attempt> endAttempt(LoggedVisit logged, UUID attemptId, Instant now) {
        Attempt attempt = attempts.findById(attemptId).orElseThrow();
        if (attempt.endedAt != null) {
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
