package undoknot.server.nozzle;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.head.Channel;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleMap;
import undoknot.scan.LookFirst;
import undoknot.server.account.SignedIn;
import undoknot.server.gate.GateKeeper;
import undoknot.server.outcome.Ledger;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.scan.Scan;
import undoknot.server.scan.ScanKeeper;
import undoknot.server.scan.ScanResult;
import undoknot.server.treatment.SittingLog;
import undoknot.server.view.CheckView;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NotTaken;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.visit.NozzleChecks;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.BegunAt;
import undoknot.server.write.StoredJson;
import undoknot.server.write.Versions;

/** Recording nozzle checks and comparing two of them. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class CheckController {

    private final NozzleChecks checks;
    private final VisitLoader loader;
    private final StoredJson stored;
    private final ScanKeeper scans;
    private final GateKeeper gates;
    private final VisitWrites writes;
    private final Ledger ledger;
    private final SittingLog sittings;
    private final Clock clock;

    CheckController(
            NozzleChecks checks,
            VisitLoader loader,
            StoredJson stored,
            ScanKeeper scans,
            GateKeeper gates,
            VisitWrites writes,
            Ledger ledger,
            SittingLog sittings,
            Clock clock) {
        this.checks = checks;
        this.loader = loader;
        this.stored = stored;
        this.scans = scans;
        this.gates = gates;
        this.writes = writes;
        this.ledger = ledger;
        this.sittings = sittings;
        this.clock = clock;
    }

    /**
     * @param version version seen, absent for a new check
     * @param reading one letter a nozzle for each channel: F firing, W weak, D deflected, M missing, U unread
     * @param scanId the scan that the reading was accepted from; corrections by hand are the differences to it
     * @param coarse bars, stream or pad print; instead of a reading
     * @param notPossible why no check could be printed; instead of a reading
     * @param departureReason why it was printed against a gate; needed when one is in the way
     * @param begunAt when it was read, when that is entered later; absent for now
     * @param doneAnyway that it was printed although that is never done; a lead logs it
     * @param notTaken why nothing was read although no fault forbids it; instead of a reading
     * @param toldOn day of a check that the customer kept; it is told, and judges nothing
     * @param looked what of the scan somebody looked at, as the scan asks under {@code lookFirst}
     */
    record CheckEntry(
            @Nullable Long version,
            @Nullable Map<String, String> reading,
            @Nullable UUID scanId,
            @Nullable CoarseReading coarse,

            @Nullable @Size(max = 500, message = "Keep the reason to {max} signs.")
            String notPossible,

            @Nullable @Size(max = 2000, message = "Keep the note to {max} signs.")
            String note,

            @Nullable @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String departureReason,

            @Nullable Boolean doneAnyway,
            @Nullable Instant begunAt,
            @Nullable NotTaken notTaken,
            @Nullable LocalDate toldOn,
            @Nullable List<String> looked) {}

    @PutMapping("/checks/{id}")
    VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody CheckEntry entry) {
        return writes.on(visitId, logged -> {
            String reading = entry.reading() == null ? null : stored.write(readingOf(logged, entry));
            String reason = entry.notPossible() == null || entry.notPossible().isBlank()
                    ? null
                    : entry.notPossible().strip();
            String coarse = reading != null || entry.coarse() == null ? null : stored.write(coarseOf(logged, entry));
            boolean isRead = reading != null || coarse != null;
            NotTaken notTaken = isRead || reason != null ? null : entry.notTaken();
            if (!isRead && reason == null && notTaken == null) {
                throw Refused.entry("notPossible", "EMPTY", "Record a reading, or say why no check is possible.");
            }
            checkTold(entry, isRead);
            boolean isFirst = logged.checks().stream().allMatch(c -> c.id.equals(id))
                    && logged.attemptsThatStand().isEmpty();
            if (notTaken != null && !isFirst) {
                throw Refused.entry(
                        "notTaken",
                        "NOT_FIRST",
                        "Only the first reading can be left out, before anything is done. Read one, or say why none is possible.");
            }
            String note = Objects.requireNonNullElse(entry.note(), "").strip();
            NozzleCheck check = checks.findById(id).orElse(null);
            boolean prints = false;
            if (check == null) {
                Instant now = clock.instant();
                Instant taken = BegunAt.of(entry.begunAt(), logged.visit().openedAt, now);
                check = new NozzleCheck(id, visitId, taken, SignedIn.now().displayName());
                check.enteredAt = BegunAt.enteredAt(taken, now);
                check.toldOn = entry.toldOn();
                // What the customer kept was printed elsewhere, with whatever power it had there.
                prints = entry.toldOn() == null
                        && (reading != null
                                || coarse != null && !entry.coarse().kind().isOffMachine());
                if (prints) {
                    GateKeeper.Departure why =
                            new GateKeeper.Departure(entry.departureReason(), Boolean.TRUE.equals(entry.doneAnyway()));
                    check.against = gates.pass(gates.ofPrint(logged, taken), why);
                    check.departureReason = check.against == null ? null : why.text();
                }
            } else {
                if (!check.visitId.equals(visitId)) {
                    throw Refused.notFound("check");
                }
                if (Objects.equals(check.reading, reading)
                        && Objects.equals(check.coarse, coarse)
                        && Objects.equals(check.notPossible, reason)
                        && check.notTaken == notTaken
                        && (check.toldOn == null || check.toldOn.equals(entry.toldOn()))
                        && check.note.equals(note)) {
                    return List.of();
                }
                NozzleCheck stands = check;
                Versions.check(check.version, entry.version(), () -> entryOf(stands), entry);
            }
            if (entry.scanId() != null && reading != null && !entry.scanId().equals(check.scanId)) {
                Scan scan = scans.get(visitId, entry.scanId());
                check.scanId = scan.id;
                ScanResult result = placed(scan);
                checkLooked(result, entry.looked());
                check.readAs = stored.write(result.states());
                check.foreignInk = stored.write(result.foreign());
                check.simulated = scan.simulated;
            }
            check.reading = reading;
            check.coarse = coarse;
            check.notPossible = reading == null && coarse == null ? reason : null;
            check.notTaken = notTaken;
            if (check.toldOn != null && entry.toldOn() != null) {
                check.toldOn = entry.toldOn();
            }
            check.note = note;
            List<Object> kept = new ArrayList<>();
            if (prints) {
                kept.addAll(sittings.end(logged, check.takenAt));
            }
            kept.add(checks.saveAndFlush(check));
            ledger.keep(loader.with(logged, kept));
            return kept;
        });
    }

    private void checkTold(CheckEntry entry, boolean isRead) {
        if (entry.toldOn() == null) {
            return;
        }
        if (!isRead) {
            throw Refused.entry("reading", "EMPTY", "Read the check that the customer kept.");
        }
        LocalDate today = LocalDate.now(clock);
        if (entry.toldOn().isAfter(today)) {
            throw Refused.entry("toldOn", "FUTURE", "This day is still to come. Enter the day on the sheet.");
        }
    }

    private CheckEntry entryOf(NozzleCheck check) {
        return new CheckEntry(
                check.version,
                check.reading == null ? null : stored.readings(check.reading),
                check.scanId,
                check.coarse == null ? null : stored.read(check.coarse, CoarseReading.class),
                check.notPossible,
                check.note,
                check.departureReason,
                null,
                null,
                check.notTaken,
                check.toldOn,
                null);
    }

    /** What the reader saw of a whole channel, or hardly saw, counts only once somebody has looked at it. */
    private static void checkLooked(ScanResult result, @Nullable List<String> looked) {
        List<FieldProblem> unseen = result.mustBeLookedAt().stream()
                .filter(what -> looked == null || !looked.contains(what))
                .map(what -> new FieldProblem(
                        "looked",
                        what,
                        what.equals(LookFirst.SHEET)
                                ? "More than a third of the sheet is unread. Look at it, and say that you did."
                                : "Channel " + what
                                        + " reads wholly missing. Look at its block, and say that you did."))
                .toList();
        if (!unseen.isEmpty()) {
            throw Refused.entries(unseen);
        }
    }

    private ScanResult placed(Scan scan) {
        ScanResult result = stored.read(scan.result, ScanResult.class);
        if (result.notFound() != null) {
            throw Refused.entry(
                    "scanId", "NOT_PLACED", "The sheet was not found on this scan. Place its corners first.");
        }
        return result;
    }

    private static CoarseReading coarseOf(LoggedVisit logged, CheckEntry entry) {
        Map<String, CoarseReading.Line> channels = new LinkedHashMap<>();
        boolean any = false;
        for (Channel channel : logged.family().channels()) {
            CoarseReading.Line line = entry.coarse().channels().get(channel.code());
            channels.put(channel.code(), line == null ? new CoarseReading.Line(null, null) : line);
            any |= line != null && line.level() != null;
        }
        for (String code : entry.coarse().channels().keySet()) {
            if (!channels.containsKey(code)) {
                throw Refused.entry("coarse." + code, "MISMATCH", "The family has no channel " + code + ".");
            }
        }
        if (!any) {
            throw Refused.entry("coarse", "EMPTY", "Say for at least one channel what you saw.");
        }
        return new CoarseReading(entry.coarse().kind(), channels);
    }

    private static Map<String, String> readingOf(LoggedVisit logged, CheckEntry entry) {
        try {
            return NozzleMap.of(logged.family(), entry.reading()).texts();
        } catch (NozzleMap.MapMismatch e) {
            throw Refused.entry("reading." + e.channel(), "MISMATCH", e.getMessage());
        }
    }

    /** Counts of two readings laid tooth to tooth. Recovery is absent when nothing was out before. */
    record CountsView(
            int readInBoth,
            int leftOut,
            int outBefore,
            int outNow,
            int restored,
            int stillOut,
            int newlyOut,
            int deflectedBefore,
            int deflectedNow,
            int weakBefore,
            int weakNow,
            @Nullable Double recovery,
            double wander,
            Movement movement) {
        static CountsView of(Counts c) {
            return new CountsView(
                    c.readInBoth(),
                    c.leftOut(),
                    c.outBefore(),
                    c.outNow(),
                    c.restored(),
                    c.stillOut(),
                    c.newlyOut(),
                    c.deflectedBefore(),
                    c.deflectedNow(),
                    c.weakBefore(),
                    c.weakNow(),
                    c.recovery().isPresent() ? c.recovery().getAsDouble() : null,
                    c.wander(),
                    Movement.of(c, Movement.Thresholds.DEFAULT));
        }
    }

    /** @param fates one letter a nozzle: R restored, S still out, N newly out, U left out, point where out in neither */
    record ComparisonView(
            CheckView before,
            CheckView now,
            CountsView total,
            Map<String, CountsView> channels,
            Map<String, String> fates) {}

    @GetMapping("/comparison")
    ComparisonView compare(@PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        LoggedVisit logged = loader.get(visitId);
        NozzleCheck first = find(logged, before, "before");
        NozzleCheck second = find(logged, now, "now");
        Comparison comparison = Comparison.of(logged.map(first), logged.map(second));
        Map<String, CountsView> channels = new LinkedHashMap<>();
        Map<String, String> fates = new LinkedHashMap<>();
        comparison.channels().forEach((code, counts) -> {
            channels.put(code, CountsView.of(counts));
            fates.put(
                    code,
                    Comparison.fates(
                            logged.map(first).channel(code), logged.map(second).channel(code)));
        });
        return new ComparisonView(
                CheckView.of(first, logged),
                CheckView.of(second, logged),
                CountsView.of(comparison.total()),
                channels,
                fates);
    }

    /** How the gaps moved from one map to the next. */
    record MovementView(UUID before, UUID now, CountsView total, Map<String, CountsView> channels) {}

    /** Each nozzle map of the visit against the one before it. */
    @GetMapping("/movements")
    List<MovementView> movements(@PathVariable UUID visitId) {
        LoggedVisit logged = loader.get(visitId);
        List<NozzleCheck> mapped =
                logged.checks().stream().filter(c -> logged.map(c) != null).toList();
        List<MovementView> movements = new ArrayList<>();
        for (int i = 1; i < mapped.size(); i++) {
            Comparison comparison = Comparison.of(logged.map(mapped.get(i - 1)), logged.map(mapped.get(i)));
            Map<String, CountsView> channels = new LinkedHashMap<>();
            comparison.channels().forEach((code, counts) -> channels.put(code, CountsView.of(counts)));
            movements.add(new MovementView(
                    mapped.get(i - 1).id, mapped.get(i).id, CountsView.of(comparison.total()), channels));
        }
        return movements;
    }

    /** @param changes what became of each channel */
    record CoarseComparisonView(CheckView before, CheckView now, Map<String, CoarseReading.Change> changes) {}

    @GetMapping("/coarse-comparison")
    CoarseComparisonView compareCoarse(@PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        LoggedVisit logged = loader.get(visitId);
        NozzleCheck first = check(logged, before);
        NozzleCheck second = check(logged, now);
        CoarseReading was = logged.coarse(first);
        CoarseReading is = logged.coarse(second);
        if (was == null || is == null || was.kind() != is.kind()) {
            throw Refused.entry("before", "KIND", "Only readings of one kind can be compared. Choose another one.");
        }
        return new CoarseComparisonView(
                CheckView.of(first, logged), CheckView.of(second, logged), CoarseReading.compare(was, is));
    }

    private static NozzleCheck check(LoggedVisit logged, UUID id) {
        return Stream.concat(logged.checks().stream(), logged.keptChecks().stream())
                .filter(c -> c.id.equals(id))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("check"));
    }

    private static NozzleCheck find(LoggedVisit logged, UUID id, String field) {
        NozzleCheck check = check(logged, id);
        if (logged.map(check) == null) {
            throw Refused.entry(
                    field,
                    "NO_MAP",
                    "There is no nozzle map of that one, so there is nothing to compare tooth to tooth. Choose another check.");
        }
        return check;
    }
}
