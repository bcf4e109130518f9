package undoknot.server.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.bench.DryHold;
import undoknot.bench.NextStep;
import undoknot.bench.StepClock;
import undoknot.server.account.SignedIn;
import undoknot.server.house.House;
import undoknot.server.problem.Refused;
import undoknot.server.treatment.Attempt;
import undoknot.server.treatment.Attempts;
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;
import undoknot.server.write.RepeatableWrite;
import undoknot.treatment.Treatment;

/** Starts and stops clocks. A clock stores when it started and how long it should run, so a restart changes nothing. */
@Component
class ClockKeeper {

    private final StepClocks clocks;
    private final Attempts attempts;
    private final Courses courses;
    private final House house;
    private final RepeatableWrite writes;
    private final Clock clock;

    ClockKeeper(
            StepClocks clocks, Attempts attempts, Courses courses, House house, RepeatableWrite writes, Clock clock) {
        this.clocks = clocks;
        this.attempts = attempts;
        this.courses = courses;
        this.house = house;
        this.writes = writes;
        this.clock = clock;
    }

    void hold(UUID visitId, UUID id, DryHold.Wet wet) {
        writes.run(() -> {
            Course course = courses.getOpen(visitId);
            if (clocks.existsById(id)) {
                return null;
            }
            Duration atLeast = house.of(course.visit().houseRules).rules().leastHold();
            Duration hold = DryHold.of(wet, course.family().construction(), atLeast);
            if (hold.isZero()) {
                throw Refused.entry(
                        "wet", "NO_HOLD", "Treated in place with dry contacts, looked at: no hold is needed.");
            }
            return start(visitId, id, null, NextStep.Waiting.HOLD, hold, wet.name());
        });
    }

    void burst(UUID visitId, UUID id, UUID attemptId) {
        writes.run(() -> {
            Course course = courses.getOpen(visitId);
            if (clocks.existsById(id)) {
                return null;
            }
            Attempt attempt = course.attempts().stream()
                    .filter(a -> a.id.equals(attemptId) && a.kind == Treatment.Kind.BATH)
                    .findFirst()
                    .orElseThrow(() -> Refused.notFound("bath"));
            boolean running = course.runningClocks().stream().anyMatch(c -> attemptId.equals(c.attemptId));
            if (attempt.endedAt != null || running) {
                throw Refused.because(
                        HttpStatus.CONFLICT,
                        "bath-busy",
                        running ? "A burst is running already." : "This bath has ended.");
            }
            int seconds = course.entries().get(attemptId).bath().burstSeconds();
            return start(visitId, id, attemptId, NextStep.Waiting.BURST, Duration.ofSeconds(seconds), "");
        });
    }

    private StepClockRow start(
            UUID visitId, UUID id, UUID attemptId, NextStep.Waiting kind, Duration planned, String note) {
        return clocks.saveAndFlush(new StepClockRow(
                id, visitId, attemptId, kind, clock.instant(), SignedIn.now().displayName(), planned, note));
    }

    void stop(UUID visitId, UUID id, String reason) {
        writes.run(() -> {
            Course course = courses.getOpen(visitId);
            StepClockRow row = clocks.findById(id)
                    .filter(c -> c.visitId.equals(visitId))
                    .orElseThrow(() -> Refused.notFound("clock"));
            if (row.stoppedAt != null) {
                return row;
            }
            Instant now = clock.instant();
            boolean early = row.clock().phase(now) == StepClock.Phase.RUNNING;
            boolean hasReason = reason != null && !reason.isBlank();
            if (row.kind == NextStep.Waiting.HOLD && early && !hasReason) {
                throw Refused.entry(
                        "reason",
                        "EARLY",
                        "This hold still runs, and power on a damp head can cost head, ribbon and board. Say why it ends now.");
            }
            row.stoppedAt = now;
            row.stoppedBy = SignedIn.now().displayName();
            if (hasReason) {
                row.note = (row.note + " " + reason.strip()).strip();
            }
            clocks.saveAndFlush(row);
            if (row.attemptId != null) {
                endAttempt(course, row.attemptId, now);
            }
            return row;
        });
    }

    /** A soak ends with its clock, a bath with the clock of its last burst. */
    private void endAttempt(Course course, UUID attemptId, Instant now) {
        Attempt attempt = attempts.findById(attemptId).orElseThrow();
        if (attempt.endedAt != null) {
            return;
        }
        boolean soak = attempt.kind == Treatment.Kind.SOAK;
        long burstsDone = course.clocks().stream()
                .filter(c -> attemptId.equals(c.attemptId) && c.stoppedAt != null)
                .count();
        if (soak || burstsDone >= course.entries().get(attemptId).bath().bursts()) {
            attempt.endedAt = now;
            attempts.saveAndFlush(attempt);
        }
    }
}
