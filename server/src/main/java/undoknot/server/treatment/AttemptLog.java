package undoknot.server.treatment;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.bench.NextStep;
import undoknot.fluid.Draw;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.bench.StepClockRow;
import undoknot.server.bench.StepClocks;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.Shelf;
import undoknot.server.outcome.Ledger;
import undoknot.server.problem.Refused;
import undoknot.server.treatment.AttemptController.AttemptEntry;
import undoknot.server.treatment.AttemptController.Preview;
import undoknot.server.treatment.AttemptController.PreviewEntry;
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;
import undoknot.server.write.RepeatableWrite;
import undoknot.treatment.Caution;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.Treatment;

/** Keeps the attempts: gates first, then fluid, clock and entry in one transaction. */
@Component
class AttemptLog {

    private final Attempts attempts;
    private final StepClocks clocks;
    private final Shelf shelf;
    private final Courses courses;
    private final RepeatableWrite writes;
    private final Ledger ledger;
    private final Clock clock;

    AttemptLog(
            Attempts attempts,
            StepClocks clocks,
            Shelf shelf,
            Courses courses,
            RepeatableWrite writes,
            Ledger ledger,
            Clock clock) {
        this.attempts = attempts;
        this.clocks = clocks;
        this.shelf = shelf;
        this.courses = courses;
        this.writes = writes;
        this.ledger = ledger;
        this.clock = clock;
    }

    Preview preview(UUID visitId, PreviewEntry entry) {
        Course course = courses.get(visitId);
        FluidLot lot = entry.lotId() == null ? null : shelf.get(entry.lotId());
        double temperatureC = entry.temperatureC() == null ? 20 : entry.temperatureC();
        List<Caution> cautions = Caution.of(new Caution.Work(
                entry.kind(),
                lot == null ? null : lot.kind,
                temperatureC,
                course.food().needsFoodCare()));
        TreatmentEntry whole = entry.treatment();
        if (whole == null || !whole.hasOneKind()) {
            return new Preview(cautions, List.of(), null);
        }
        Treatment treatment = whole.treatment();
        BigDecimal shortBy = lot == null
                ? BigDecimal.ZERO
                : new Draw(treatment.volumeMl().max(BigDecimal.ZERO), lot.remainingMl).shortByMl();
        return new Preview(cautions, gates(course, treatment, lot), shortBy.signum() == 0 ? null : shortBy);
    }

    private List<Gate> gates(Course course, Treatment treatment, FluidLot lot) {
        return Gates.of(
                treatment,
                new Gates.Situation(
                        course.family().limits(),
                        course.food().needsFoodCare(),
                        course.heldUntil(clock.instant()).isPresent(),
                        course.cyclesRunning(),
                        lot == null ? null : Shelf.bottle(lot),
                        LocalDate.now(clock)));
    }

    void put(UUID visitId, UUID id, AttemptEntry entry) {
        writes.run(() -> {
            FluidLot chosen = entry.lotId() == null ? null : shelf.lock(entry.lotId());
            Course course = courses.getOpen(visitId);
            String details = courses.write(entry.treatment());
            Attempt known = attempts.findById(id).orElse(null);
            if (known != null) {
                if (!known.visitId.equals(visitId)) {
                    throw Refused.notFound("attempt");
                }
                if (known.details.equals(details) && Objects.equals(known.lotId, entry.lotId())) {
                    return known;
                }
                throw Refused.conflict(courses.read(known.details, TreatmentEntry.class), entry.treatment());
            }
            if (!entry.treatment().hasOneKind()) {
                throw Refused.entry(
                        "treatment.kind", "MIXED", "Enter what this kind of treatment records, and nothing else.");
            }
            Treatment treatment = entry.treatment().treatment();
            checkChannels(course, treatment.channels());
            FluidLot lot = lotFor(treatment, chosen);
            passGates(gates(course, treatment, lot), entry.departureReason());

            Instant now = clock.instant();
            String by = SignedIn.now().displayName();
            Attempt attempt = new Attempt(id, visitId, now, by);
            attempt.kind = treatment.kind();
            attempt.details = details;
            attempt.lotId = lot == null ? null : lot.id;
            attempt.volumeMl = treatment.volumeMl();
            attempt.note = text(entry.note());
            attempt.departureReason = text(entry.departureReason()).isEmpty() ? null : text(entry.departureReason());
            boolean waits = treatment instanceof Treatment.Soak || treatment instanceof Treatment.Bath;
            attempt.endedAt = waits ? null : now;
            attempts.saveAndFlush(attempt);
            if (lot != null) {
                shelf.draw(lot.id, id, treatment.volumeMl());
            }
            if (treatment instanceof Treatment.Soak soak) {
                startClock(visitId, id, NextStep.Waiting.SOAK, now, by, Duration.ofMinutes(soak.plannedMinutes()));
            } else if (treatment instanceof Treatment.Bath bath) {
                startClock(visitId, id, NextStep.Waiting.BURST, now, by, Duration.ofSeconds(bath.burstSeconds()));
            }
            return attempt;
        });
    }

    private void startClock(
            UUID visitId, UUID attemptId, NextStep.Waiting kind, Instant now, String by, Duration planned) {
        clocks.save(new StepClockRow(UUID.randomUUID(), visitId, attemptId, kind, now, by, planned, ""));
    }

    private static void checkChannels(Course course, Set<String> channels) {
        for (String code : channels) {
            if (course.family().channel(code).isEmpty()) {
                throw Refused.entry("treatment.channels", "UNKNOWN", "This head has no channel " + code + ".");
            }
        }
    }

    private static FluidLot lotFor(Treatment treatment, FluidLot chosen) {
        if (treatment instanceof Treatment.Cycle) {
            return null;
        }
        if (treatment instanceof Treatment.Handwork work) {
            if (chosen == null && work.volumeMl().signum() > 0) {
                throw Refused.entry("lotId", "MISSING", "Choose the bottle that the fluid comes from.");
            }
            return work.volumeMl().signum() > 0 ? chosen : null;
        }
        if (chosen == null) {
            throw Refused.entry("lotId", "MISSING", "Choose the bottle that the fluid comes from.");
        }
        return chosen;
    }

    private static void passGates(List<Gate> gates, String reason) {
        boolean isLead = SignedIn.now().role() == Role.LEAD;
        boolean hasReason = !text(reason).isEmpty();
        List<Gate> shut = gates.stream()
                .filter(gate -> switch (gate.weight()) {
                    case REFUSED -> true;
                    case NEEDS_LEAD -> !(isLead && hasReason);
                    case NEEDS_REASON -> !hasReason;
                })
                .toList();
        if (!shut.isEmpty()) {
            throw Refused.because(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "gates",
                            "Something stands in the way of this treatment. See the reasons beside the form.")
                    .with("gates", shut);
        }
    }

    void end(UUID visitId, UUID id) {
        writes.run(() -> {
            courses.getOpen(visitId);
            Attempt attempt = own(visitId, id);
            stop(attempt);
            return attempts.saveAndFlush(attempt);
        });
    }

    void withdraw(UUID visitId, UUID id, String reason) {
        writes.run(() -> {
            Attempt attempt = own(visitId, id);
            if (attempt.lotId != null) {
                shelf.lock(attempt.lotId);
            }
            courses.getOpen(visitId);
            if (!attempt.stands()) {
                return attempt;
            }
            stop(attempt);
            attempt.withdrawnReason = reason;
            if (attempt.lotId != null) {
                shelf.putBack(attempt.lotId, id);
            }
            Attempt kept = attempts.saveAndFlush(attempt);
            ledger.keep(visitId);
            return kept;
        });
    }

    /** Stops the clocks of an attempt that still run, and ends it. */
    private void stop(Attempt attempt) {
        if (attempt.endedAt != null) {
            return;
        }
        Instant now = clock.instant();
        for (StepClockRow row : clocks.findByVisitIdIn(List.of(attempt.visitId))) {
            if (attempt.id.equals(row.attemptId) && row.stoppedAt == null) {
                row.stoppedAt = now;
                row.stoppedBy = SignedIn.now().displayName();
            }
        }
        attempt.endedAt = now;
    }

    private Attempt own(UUID visitId, UUID id) {
        return attempts.findById(id)
                .filter(a -> a.visitId.equals(visitId))
                .orElseThrow(() -> Refused.notFound("attempt"));
    }

    private static String text(String typed) {
        return Objects.requireNonNullElse(typed, "").strip();
    }
}
