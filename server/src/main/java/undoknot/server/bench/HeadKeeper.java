package undoknot.server.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.bench.HeadController.HeadEntryRequest;
import undoknot.server.gate.GateKeeper;
import undoknot.server.problem.Refused;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.HeadEntries;
import undoknot.server.visit.HeadEntryRow;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;
import undoknot.treatment.DryHold;
import undoknot.treatment.Gates;
import undoknot.visit.HeadEntry;
import undoknot.visit.HeadNow;

/** Keeps the entries about the head itself. */
@Component
class HeadKeeper {

    private final HeadEntries entries;
    private final GateKeeper gates;
    private final VisitLoader loader;
    private final ClockKeeper clocks;
    private final VisitWrites writes;
    private final Clock clock;

    HeadKeeper(
            HeadEntries entries,
            GateKeeper gates,
            VisitLoader loader,
            ClockKeeper clocks,
            VisitWrites writes,
            Clock clock) {
        this.entries = entries;
        this.gates = gates;
        this.loader = loader;
        this.clocks = clocks;
        this.writes = writes;
        this.clock = clock;
    }

    VisitView put(UUID visitId, UUID id, HeadEntryRequest asked) {
        return writes.on(visitId, logged -> {
            HeadEntryRow known = entries.findById(id).orElse(null);
            if (known != null) {
                if (!known.visitId.equals(visitId)) {
                    throw Refused.notFound("entry");
                }
                if (says(known, asked)) {
                    return List.of();
                }
                throw Refused.conflict(known.entry, asked);
            }
            String note = stripped(asked.note());
            HeadEntryRow row = new HeadEntryRow(
                    id,
                    visitId,
                    asked.entry(),
                    note,
                    clock.instant(),
                    SignedIn.now().displayName());
            if (asked.entry() == HeadEntry.HEAD_OUT) {
                GateKeeper.Departure why =
                        new GateKeeper.Departure(asked.departureReason(), Boolean.TRUE.equals(asked.doneAnyway()));
                gates.pass(Gates.ofTakingOut(gates.situation(logged, null, null, null)), why);
                row.note = why.text() == null ? note : why.text();
            } else if (asked.entry() == HeadEntry.HOLD) {
                row.wet = asked.wet();
                row.plannedMinutes = (int) holdOf(logged, asked).toMinutes();
            } else if (asked.entry() == HeadEntry.HOLD_ENDED) {
                mayEnd(logged, note);
            }
            List<Object> written = new ArrayList<>();
            if (asked.entry() == HeadEntry.PAD_OUT) {
                written.addAll(clocks.padIsOut(logged, row.enteredAt));
            }
            written.add(entries.saveAndFlush(row));
            return written;
        });
    }

    /** Whether an entry that comes under the key of another says the same. */
    private static boolean says(HeadEntryRow known, HeadEntryRequest asked) {
        String why = stripped(asked.departureReason());
        boolean isHold = asked.entry() == HeadEntry.HOLD;
        return known.entry == asked.entry()
                && (known.note.equals(stripped(asked.note()))
                        || asked.entry() == HeadEntry.HEAD_OUT && known.note.equals(why))
                && (!isHold
                        || known.wet == asked.wet()
                                && (asked.hours() == null || known.plannedMinutes == 60 * asked.hours()));
    }

    private static String stripped(String text) {
        return Objects.requireNonNullElse(text, "").strip();
    }

    /** As long as somebody wishes, and never shorter than what got wet needs. */
    private static Duration holdOf(LoggedVisit logged, HeadEntryRequest asked) {
        if (asked.wet() == null) {
            throw Refused.entry("wet", "MISSING", "Say what got wet.");
        }
        Duration needed = DryHold.of(asked.wet(), null, logged.family().construction(), logged.house(), false);
        if (asked.hours() == null) {
            return needed;
        }
        Duration wished = Duration.ofHours(asked.hours());
        if (wished.compareTo(needed) < 0) {
            throw Refused.entry(
                    "hours",
                    "TOO_SHORT",
                    "This needs " + needed.toHours() + " h at least. Enter more hours, or leave them empty.");
        }
        return wished;
    }

    private void mayEnd(LoggedVisit logged, String note) {
        if (!logged.headNow(clock.instant()).inHold()) {
            throw Refused.entry("entry", "NO_HOLD", "No dry hold runs, so there is none to end.");
        }
        if (SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(
                    HttpStatus.FORBIDDEN,
                    "lead-only",
                    "Only a lead ends a dry hold before its time. Power on a damp head can cost head, ribbon and board.");
        }
        if (note.isEmpty()) {
            throw Refused.entry(
                    "note",
                    "EARLY",
                    "This hold still runs, and power on a damp head can cost head, ribbon and board. Say why it ends now.");
        }
    }

    VisitView withdraw(UUID visitId, UUID id) {
        return writes.on(visitId, logged -> {
            HeadEntryRow row = entries.findById(id)
                    .filter(r -> r.visitId.equals(visitId))
                    .orElseThrow(() -> Refused.notFound("entry"));
            if (row.withdrawn) {
                return List.of();
            }
            Instant now = clock.instant();
            // Before the row changes: the log holds the same one.
            HeadNow before = logged.headNow(now);
            row.withdrawn = true;
            List<HeadEntryRow> written = List.of(entries.saveAndFlush(row));
            gates.powerNoSooner(before, loader.with(logged, written).headNow(now));
            return written;
        });
    }
}
