package undoknot.server.visit;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.procedure.Act;
import undoknot.server.fluid.FluidLot;
import undoknot.sitting.Turn;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadEntry;
import undoknot.visit.HeadEvent;
import undoknot.visit.HeadNow;
import undoknot.visit.HeadWatch;
import undoknot.visit.StepClock;

/** What of a logged visit bears on where the head is and whether it may have power. */
final class HeadLog {

    private HeadLog() {}

    static HeadNow now(LoggedVisit logged, Instant now) {
        return HeadWatch.of(
                events(logged),
                logged.family().construction(),
                logged.house(),
                logged.intake().climate() == Intake.Climate.HOT_DRY,
                now);
    }

    private static List<HeadEvent> events(LoggedVisit logged) {
        List<HeadEvent> events = new ArrayList<>();
        // Entries first: one that work implies has the work's own time, and comes before it.
        logged.headEntriesThatStand().forEach(row -> events.add(row.event()));
        logged.clocks().stream()
                .filter(row -> row.kind == StepClock.Kind.HOLD && row.wet != null)
                .forEach(row -> {
                    events.add(new HeadEvent.Entered(
                            row.startedAt, HeadEntry.HOLD, row.wet, Duration.ofSeconds(row.plannedSeconds)));
                    if (row.stoppedAt != null) {
                        events.add(new HeadEvent.Entered(row.stoppedAt, HeadEntry.HOLD_ENDED, null, null));
                    }
                });
        for (Attempt attempt : logged.attempts()) {
            // Taking back an entry does not take the pad out, nor does it look at the contacts.
            if (!attempt.stands() && attempt.site != Site.IN_CARRIAGE) {
                continue;
            }
            worked(logged, attempt, events);
        }
        logged.checks().stream()
                .filter(check -> logged.map(check) != null
                        || logged.coarse(check) != null
                                && !logged.coarse(check).kind().isOffMachine())
                .forEach(check -> events.add(new HeadEvent.Printed(check.takenAt)));
        // What is laid in under the head for an ink change comes out again before there is power.
        for (ProcedureEntry entry : logged.rows().procedure()) {
            if (entry.act == Act.LAID_IN) {
                events.add(new HeadEvent.DropTested(entry.enteredAt));
            } else if (entry.act == Act.LAID_OUT && !entry.withdrawn) {
                events.add(new HeadEvent.Entered(entry.enteredAt, HeadEntry.PAD_OUT, null, null));
            }
        }
        logged.offParts().stream()
                .filter(part -> part.kind().keepsFromPower() != null)
                .forEach(part -> {
                    events.add(new HeadEvent.PartOff(
                            part.offAt(), part.id(), part.kind().keepsFromPower()));
                    if (!part.isOpen()) {
                        events.add(new HeadEvent.PartBack(backAt(logged, part.id()), part.id()));
                    }
                });
        for (FindingRow finding : logged.findings()) {
            // Nor does taking back a finding.
            if (Look.making(finding.sign).filter(look -> look == Look.DROP_TEST).isPresent()) {
                events.add(new HeadEvent.DropTested(finding.foundAt));
            } else if (!finding.withdrawn && finding.sign == Sign.RECOGNISED_ONCE_CLEANED) {
                events.add(new HeadEvent.ContactsCleaned(finding.foundAt));
            }
        }
        return events;
    }

    private static Instant backAt(LoggedVisit logged, String id) {
        return logged.rows().offParts().stream()
                .filter(row -> row.id.toString().equals(id))
                .findFirst()
                .orElseThrow()
                .backAt;
    }

    /** Every round is work of its own: a look between two strokes says nothing of the second. */
    private static void worked(LoggedVisit logged, Attempt attempt, List<HeadEvent> events) {
        FluidLot lot = attempt.lotId == null ? null : logged.lots().get(attempt.lotId);
        List<Instant> rounds = rounds(logged, attempt);
        for (int i = 0; i < rounds.size(); i++) {
            boolean last = i == rounds.size() - 1;
            events.add(new HeadEvent.Worked(
                    rounds.get(i),
                    last ? attempt.endedAt : rounds.get(i),
                    Method.of(logged.treatment(attempt)),
                    attempt.site,
                    attempt.wet,
                    lot != null && lot.kind.givesVapour()));
        }
    }

    private static List<Instant> rounds(LoggedVisit logged, Attempt attempt) {
        Stream<Instant> later = logged.treatment(attempt) instanceof Treatment.Flush flush
                ? flush.strokes().stream().map(Stroke::at)
                : logged.noted(attempt).turns().stream().map(Turn::at);
        return Stream.concat(
                        Stream.of(attempt.startedAt), later.filter(at -> at != null && at.isAfter(attempt.startedAt)))
                .sorted()
                .distinct()
                .toList();
    }
}
