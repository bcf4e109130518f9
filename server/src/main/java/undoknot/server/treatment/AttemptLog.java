package undoknot.server.treatment;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import undoknot.fluid.Draw;
import undoknot.head.Channel;
import undoknot.server.account.SignedIn;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.Shelf;
import undoknot.server.gate.GateKeeper;
import undoknot.server.outcome.Ledger;
import undoknot.server.problem.Refused;
import undoknot.server.treatment.AttemptController.AttemptEntry;
import undoknot.server.treatment.AttemptController.Preview;
import undoknot.server.treatment.AttemptController.PreviewEntry;
import undoknot.server.treatment.AttemptController.PushView;
import undoknot.server.view.TreatmentEntry;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.Attempts;
import undoknot.server.visit.Departures;
import undoknot.server.visit.HeadEntries;
import undoknot.server.visit.HeadEntryRow;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Sittings;
import undoknot.server.visit.StepClockRow;
import undoknot.server.visit.StepClocks;
import undoknot.server.visit.StoredTreatment;
import undoknot.server.visit.VisitLoader;
import undoknot.server.waste.Waste;
import undoknot.server.write.BegunAt;
import undoknot.server.write.StoredJson;
import undoknot.sitting.Asked;
import undoknot.sitting.Noted;
import undoknot.treatment.Caution;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Push;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.UsualDose;
import undoknot.visit.HeadEntry;
import undoknot.visit.HeadNow;
import undoknot.visit.StepClock;

/** Keeps the attempts: gates first, then fluid, clock and entry in one transaction. */
@Component
class AttemptLog {

    private final Attempts attempts;
    private final StepClocks clocks;
    private final Departures departures;
    private final HeadEntries headEntries;
    private final GateKeeper gates;
    private final Shelf shelf;
    private final VisitLoader loader;
    private final StoredJson stored;
    private final VisitWrites writes;
    private final Ledger ledger;
    private final SittingLog sittings;
    private final Waste waste;
    private final Clock clock;

    AttemptLog(
            Attempts attempts,
            StepClocks clocks,
            Departures departures,
            HeadEntries headEntries,
            GateKeeper gates,
            Shelf shelf,
            VisitLoader loader,
            StoredJson stored,
            VisitWrites writes,
            Ledger ledger,
            SittingLog sittings,
            Waste waste,
            Clock clock) {
        this.attempts = attempts;
        this.clocks = clocks;
        this.departures = departures;
        this.headEntries = headEntries;
        this.gates = gates;
        this.shelf = shelf;
        this.loader = loader;
        this.stored = stored;
        this.writes = writes;
        this.ledger = ledger;
        this.sittings = sittings;
        this.waste = waste;
        this.clock = clock;
    }

    Preview preview(UUID visitId, PreviewEntry entry) {
        LoggedVisit logged = loader.get(visitId);
        FluidLot lot = entry.lotId() == null ? null : shelf.get(entry.lotId());
        double temperatureC = entry.temperatureC() == null ? UsualDose.ROOM_C : entry.temperatureC();
        List<Caution> cautions = Caution.of(new Caution.Work(
                entry.method(),
                lot == null ? null : lot.kind,
                temperatureC,
                logged.food().needsFoodCare()));
        Gates.Situation situation = gates.situation(
                        logged,
                        lot,
                        entry.site(),
                        entry.wet(),
                        entry.begunAt() == null ? clock.instant() : entry.begunAt())
                .with(entry.cartridgesOff());
        List<PushView> pushes = pushes(entry.method(), logged, situation, temperatureC);
        TreatmentEntry whole = entry.treatment();
        // Half typed, the method alone may be wrong for the head; the form itself says what is missing.
        Preview unfinished = new Preview(
                cautions, entry.method() == null ? List.of() : Gates.ofMethod(entry.method(), situation), pushes, null);
        if (whole == null || !whole.hasOneKind()) {
            return unfinished;
        }
        Treatment treatment;
        try {
            treatment = whole.treatment();
        } catch (IllegalArgumentException | NullPointerException halfTyped) {
            return unfinished;
        }
        BigDecimal shortBy = lot == null
                ? BigDecimal.ZERO
                : new Draw(treatment.volumeMl().max(BigDecimal.ZERO), lot.remainingMl).shortByMl();
        return new Preview(
                cautions,
                gates.ofWork(logged, treatment, situation, entry.wasteId(), entry.wasteMl()),
                pushes,
                shortBy.signum() == 0 ? null : shortBy);
    }

    /** What a push at each port may be, while one is being entered. */
    private static List<PushView> pushes(
            Method method, LoggedVisit logged, Gates.Situation situation, double temperatureC) {
        if (method == null || !method.isPush() || logged.family().limits().pushKpa() == null) {
            return List.of();
        }
        return logged.family().channels().stream()
                .filter(Channel::takesPush)
                .map(c -> PushView.of(
                        Push.of(logged.family(), c, situation.now().open().get(c.code()), temperatureC), temperatureC))
                .toList();
    }

    VisitView put(UUID visitId, UUID id, AttemptEntry entry) {
        return writes.on(
                visitId,
                () -> {
                    // The bottle before the log: two doses of one bottle wait for each other, not in a circle.
                    Stream.of(Optional.ofNullable(entry.lotId()), lotOf(visitId, entry.replaces()))
                            .flatMap(Optional::stream)
                            .distinct()
                            .sorted()
                            .forEach(shelf::lock);
                },
                logged -> entry.replaces() == null || attempts.existsById(id)
                        ? put(logged, id, entry, times(entry, logged))
                        : replace(logged, id, entry));
    }

    private Optional<UUID> lotOf(UUID visitId, UUID attemptId) {
        return Optional.ofNullable(attemptId).map(a -> own(visitId, a)).map(a -> a.lotId);
    }

    /** Takes a mistyped entry back and logs the right one, both or neither; it gives the head power no sooner. */
    private List<Object> replace(LoggedVisit logged, UUID id, AttemptEntry entry) {
        Attempt mistyped = own(logged.visit().id, entry.replaces());
        HeadNow before = logged.headNow(clock.instant());
        Times times = new Times(mistyped.startedAt, mistyped.endedAt, mistyped.enteredAt);
        List<Object> written = new ArrayList<>();
        if (mistyped.stands()) {
            written.addAll(takeBack(logged, mistyped, "Mistyped; entered anew.", false));
        }
        LoggedVisit without = loader.with(logged, written);
        written.addAll(put(without, id, entry, entry.begunAt() == null ? times : times(entry, logged)));
        LoggedVisit after = loader.with(logged, written);
        gates.powerNoSooner(before, after.headNow(clock.instant()));
        ledger.keep(after);
        return written;
    }

    /**
     * When work happened.
     *
     * @param over when it was over, of work that was entered later or again; null while it runs, or took no time
     * @param enteredAt when it was typed, if that was later
     */
    private record Times(Instant begun, Instant over, Instant enteredAt) {}

    private Times times(AttemptEntry entry, LoggedVisit logged) {
        Instant now = clock.instant();
        Instant begun = BegunAt.of(entry.begunAt(), logged.visit().openedAt, now);
        return new Times(begun, BegunAt.endedAt(entry.endedAt(), entry.begunAt(), now), BegunAt.enteredAt(begun, now));
    }

    private List<Object> put(LoggedVisit logged, UUID id, AttemptEntry entry, Times times) {
        Attempt known = attempts.findById(id).orElse(null);
        if (known != null && !known.visitId.equals(logged.visit().id)) {
            throw Refused.notFound("attempt");
        }
        if (!entry.treatment().hasOneKind()) {
            throw Refused.entry(
                    "treatment.kind", "MIXED", "Enter what this kind of treatment records, and nothing else.");
        }
        Treatment treatment = entry.treatment().treatment();
        if (known != null) {
            if (EnteredWork.isThere(logged, known, treatment)
                    && Objects.equals(known.lotId, entry.lotId())
                    && known.note.equals(text(entry.note()))) {
                return List.of();
            }
            throw Refused.conflict(TreatmentEntry.of(logged.treatment(known)), entry.treatment());
        }
        Method method = Method.of(treatment);
        EnteredWork.checkChannels(logged, treatment instanceof Treatment.Flush f ? f.planned() : treatment.channels());
        Noted noted = entry.noted() == null ? Noted.NOTHING : entry.noted().noted(method, logged.family());
        EnteredWork.checkParts(treatment, noted);
        EnteredWork.checkDoses(treatment);
        // The gates ask the bottle that was named, also where too little of it was used to be measured.
        FluidLot given = entry.lotId() == null ? null : shelf.get(entry.lotId());
        FluidLot lot = EnteredWork.lotFor(treatment, given);
        Instant begun = times.begun();
        Instant over = times.over();
        if (treatment instanceof Treatment.Flush flush) {
            treatment = SittingLog.timed(flush, begun);
        }
        Gates.Situation situation = gates.situation(logged, given, entry.site(), entry.wet(), begun)
                .with(noted.says(Asked.CARTRIDGES_OFF) ? Boolean.TRUE : null);
        GateKeeper.Departure why =
                new GateKeeper.Departure(EnteredWork.reason(entry, noted), Boolean.TRUE.equals(entry.doneAnyway()));
        String against = gates.pass(gates.ofWork(logged, treatment, situation, entry.wasteId(), entry.wasteMl()), why);
        EnteredWork.checkPass(method, noted, entry.note());
        EnteredWork.checkLetStand(logged.log(clock.instant()), treatment, noted);

        List<Object> written = new ArrayList<>();
        UUID visitId = logged.visit().id;
        Site site = situation.siteFor(method);
        if (site != situation.now().site()) {
            written.add(moved(site, id, visitId, begun));
        }
        Attempt attempt = new Attempt(id, visitId, begun, SignedIn.now().displayName());
        attempt.kind = treatment.kind();
        attempt.record = stored.write(StoredTreatment.of(treatment));
        attempt.noted = noted.equals(Noted.NOTHING) ? null : stored.write(noted);
        attempt.lotId = lot == null ? null : lot.id;
        boolean reused = noted.says(Asked.TANK_REUSED);
        attempt.volumeMl = reused ? BigDecimal.ZERO : treatment.volumeMl().setScale(2, RoundingMode.HALF_UP);
        attempt.note = text(entry.note());
        attempt.wasteId = entry.wasteId();
        attempt.wasteMl = entry.wasteMl();
        attempt.enteredAt = times.enteredAt();
        attempt.site = site;
        attempt.wet = entry.wet();
        attempt.departureReason = why.text();
        attempt.against = against;
        Duration waits = EnteredWork.waits(treatment);
        boolean rounds = Boolean.TRUE.equals(entry.open()) && Sittings.goesByRounds(treatment);
        attempt.endedAt = over != null ? over : waits == null && !rounds ? begun : null;
        written.addAll(sittings.endedBy(logged, method, begun));
        written.add(attempts.saveAndFlush(attempt));
        if (lot != null) {
            if (attempt.volumeMl.signum() > 0) {
                shelf.draw(lot.id, id, attempt.volumeMl);
            }
            written.add(lot);
        }
        fillWaste(attempt);
        if (waits != null) {
            written.add(startClock(attempt, waits, over));
        }
        if (rounds && over == null) {
            sittings.endIfOver(loader.with(logged, written), attempt, begun);
        }
        if (entry.departure() != null) {
            // Under the attempt's own key: one attempt departs from one advice, and both are kept or neither.
            written.add(departures.saveAndFlush(entry.departure().row(id, visitId, clock.instant())));
        }
        return written;
    }

    /** What was spent went into the container that was named. */
    private void fillWaste(Attempt attempt) {
        if (attempt.wasteId != null) {
            waste.fill(attempt.wasteId, attempt.id, attempt.wasteMl == null ? attempt.volumeMl : attempt.wasteMl);
        }
    }

    /** Work that is done elsewhere than where the head was has taken it out, or has put it back. */
    private HeadEntryRow moved(Site site, UUID attemptId, UUID visitId, Instant now) {
        HeadEntry entry = site == Site.ON_BENCH ? HeadEntry.HEAD_OUT : HeadEntry.HEAD_IN;
        return headEntries.saveAndFlush(new HeadEntryRow(
                attemptId, visitId, entry, "", now, SignedIn.now().displayName()));
    }

    private StepClockRow startClock(Attempt attempt, Duration planned, Instant over) {
        StepClock.Kind kind = switch (attempt.kind) {
            case SOAK -> StepClock.Kind.SOAK;
            case BATH -> StepClock.Kind.BURST;
            default -> StepClock.Kind.WAIT;
        };
        StepClockRow row = new StepClockRow(
                UUID.randomUUID(), attempt.visitId, attempt.id, kind, attempt.startedAt, attempt.startedBy, planned);
        if (over != null) {
            row.stoppedAt = over;
            row.stoppedBy = attempt.startedBy;
        }
        return clocks.save(row);
    }

    VisitView end(UUID visitId, UUID id) {
        return writes.on(visitId, logged -> {
            Attempt attempt = own(visitId, id);
            List<Object> written = new ArrayList<>(stop(logged, attempt));
            written.add(attempts.saveAndFlush(attempt));
            return written;
        });
    }

    /** Takes an entry back; whether its fluid was poured must be said when it drew any. */
    VisitView withdraw(UUID visitId, UUID id, String reason, Boolean poured) {
        return writes.on(
                visitId,
                () -> {
                    UUID lotId = own(visitId, id).lotId;
                    if (lotId != null) {
                        shelf.lock(lotId);
                    }
                },
                logged -> {
                    Attempt attempt = own(visitId, id);
                    if (!attempt.stands()) {
                        return List.of();
                    }
                    if (attempt.lotId != null && poured == null) {
                        throw Refused.entry(
                                "poured", "MISSING", "Say where its fluid is: poured, or still in the bottle.");
                    }
                    // Before the row changes: the log holds the same one.
                    HeadNow before = logged.headNow(clock.instant());
                    List<Object> written = takeBack(logged, attempt, reason, poured);
                    LoggedVisit after = loader.with(logged, written);
                    gates.powerNoSooner(before, after.headNow(clock.instant()));
                    ledger.keep(after);
                    return written;
                });
    }

    private List<Object> takeBack(LoggedVisit logged, Attempt attempt, String reason, Boolean poured) {
        List<Object> written = new ArrayList<>(stop(logged, attempt));
        attempt.withdrawnReason = reason;
        // The move that this entry implied was no more real than the entry.
        headEntries.findById(attempt.id).filter(row -> !row.withdrawn).ifPresent(row -> {
            row.withdrawn = true;
            written.add(headEntries.saveAndFlush(row));
        });
        if (attempt.wasteId != null && !Boolean.TRUE.equals(poured)) {
            waste.fill(attempt.wasteId, attempt.id, BigDecimal.ZERO);
        }
        if (attempt.lotId != null) {
            attempt.withdrawnPoured = poured;
            if (!poured) {
                shelf.putBack(attempt.lotId, attempt.id);
                written.add(shelf.get(attempt.lotId));
            }
        }
        written.add(attempts.saveAndFlush(attempt));
        return written;
    }

    /** Stops the clocks of an attempt that still run, and ends it. */
    private List<StepClockRow> stop(LoggedVisit logged, Attempt attempt) {
        if (attempt.endedAt != null) {
            return List.of();
        }
        Instant now = clock.instant();
        List<StepClockRow> stopped = logged.runningClocks().stream()
                .filter(row -> attempt.id.equals(row.attemptId))
                .toList();
        stopped.forEach(row -> {
            row.stoppedAt = now;
            row.stoppedBy = SignedIn.now().displayName();
        });
        attempt.endedAt = now;
        return stopped;
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
