package undoknot.server.nozzle;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
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
import undoknot.server.account.SignedIn;
import undoknot.server.outcome.Ledger;
import undoknot.server.problem.Refused;
import undoknot.server.scan.Scan;
import undoknot.server.scan.ScanKeeper;
import undoknot.server.scan.ScanResult;
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;
import undoknot.server.visit.Views;
import undoknot.server.visit.VisitReader;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;

/** Recording nozzle checks and comparing two of them. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class CheckController {

    private final NozzleChecks checks;
    private final Courses courses;
    private final ScanKeeper scans;
    private final VisitReader reader;
    private final RepeatableWrite writes;
    private final Ledger ledger;
    private final Clock clock;

    CheckController(
            NozzleChecks checks,
            Courses courses,
            ScanKeeper scans,
            VisitReader reader,
            RepeatableWrite writes,
            Ledger ledger,
            Clock clock) {
        this.checks = checks;
        this.courses = courses;
        this.scans = scans;
        this.reader = reader;
        this.writes = writes;
        this.ledger = ledger;
        this.clock = clock;
    }

    /**
     * @param version version seen, absent for a new check
     * @param reading one letter a nozzle for each channel: F firing, W weak, D deflected, M missing, U unread
     * @param scanId the scan that the reading was accepted from; corrections by hand are the differences to it
     * @param coarse bars, stream or pad print; instead of a reading
     * @param notPossible why no check could be printed; instead of a reading
     */
    record CheckEntry(
            @Nullable Long version,
            @Nullable Map<String, String> reading,
            @Nullable UUID scanId,
            @Nullable CoarseReading coarse,

            @Nullable @Size(max = 500, message = "Keep the reason to {max} signs.")
            String notPossible,

            @Nullable @Size(max = 2000, message = "Keep the note to {max} signs.")
            String note) {}

    @PutMapping("/checks/{id}")
    Views.VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody CheckEntry entry) {
        writes.run(() -> {
            Course course = courses.getOpen(visitId);
            String reading = entry.reading() == null ? null : courses.write(readingOf(course, entry));
            String reason = entry.notPossible() == null || entry.notPossible().isBlank()
                    ? null
                    : entry.notPossible().strip();
            String coarse = reading != null || entry.coarse() == null ? null : courses.write(coarseOf(course, entry));
            if (reading == null && coarse == null && reason == null) {
                throw Refused.entry("notPossible", "EMPTY", "Record a reading, or say why no check is possible.");
            }
            String note = Objects.requireNonNullElse(entry.note(), "").strip();
            NozzleCheck check = checks.findById(id).orElse(null);
            if (check == null) {
                check = new NozzleCheck(
                        id, visitId, clock.instant(), SignedIn.now().displayName());
            } else {
                if (!check.visitId.equals(visitId)) {
                    throw Refused.notFound("check");
                }
                if (Objects.equals(check.reading, reading)
                        && Objects.equals(check.coarse, coarse)
                        && Objects.equals(check.notPossible, reason)
                        && check.note.equals(note)) {
                    return check;
                }
                NozzleCheck stands = check;
                Versions.check(check.version, entry.version(), () -> entryOf(stands), entry);
            }
            if (entry.scanId() != null && reading != null && !entry.scanId().equals(check.scanId)) {
                Scan scan = scans.get(visitId, entry.scanId());
                check.scanId = scan.id;
                ScanResult result = placed(scan);
                check.readAs = courses.write(result.states());
                check.foreignInk = courses.write(result.foreign());
                check.simulated = scan.simulated;
            }
            check.reading = reading;
            check.coarse = coarse;
            check.notPossible = reading == null && coarse == null ? reason : null;
            check.note = note;
            NozzleCheck kept = checks.saveAndFlush(check);
            ledger.keep(visitId);
            return kept;
        });
        return reader.view(visitId);
    }

    private CheckEntry entryOf(NozzleCheck check) {
        return new CheckEntry(
                check.version,
                check.reading == null ? null : courses.readings(check.reading),
                check.scanId,
                check.coarse == null ? null : courses.read(check.coarse, CoarseReading.class),
                check.notPossible,
                check.note);
    }

    private ScanResult placed(Scan scan) {
        ScanResult result = courses.read(scan.result, ScanResult.class);
        if (result.notFound() != null) {
            throw Refused.entry(
                    "scanId", "NOT_PLACED", "The sheet was not found on this scan. Place its corners first.");
        }
        return result;
    }

    private static CoarseReading coarseOf(Course course, CheckEntry entry) {
        Map<String, CoarseReading.Line> channels = new LinkedHashMap<>();
        boolean any = false;
        for (Channel channel : course.family().channels()) {
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

    private static Map<String, String> readingOf(Course course, CheckEntry entry) {
        try {
            return NozzleMap.of(course.family(), entry.reading()).texts();
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
            Views.CheckView before,
            Views.CheckView now,
            CountsView total,
            Map<String, CountsView> channels,
            Map<String, String> fates) {}

    @GetMapping("/comparison")
    ComparisonView compare(@PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        Course course = courses.get(visitId);
        NozzleCheck first = find(course, before, "before");
        NozzleCheck second = find(course, now, "now");
        Comparison comparison = Comparison.of(course.map(first), course.map(second));
        Map<String, CountsView> channels = new LinkedHashMap<>();
        Map<String, String> fates = new LinkedHashMap<>();
        comparison.channels().forEach((code, counts) -> {
            channels.put(code, CountsView.of(counts));
            fates.put(
                    code,
                    Comparison.fates(
                            course.map(first).channel(code), course.map(second).channel(code)));
        });
        return new ComparisonView(
                Views.CheckView.of(first, course),
                Views.CheckView.of(second, course),
                CountsView.of(comparison.total()),
                channels,
                fates);
    }

    /** How the gaps moved from one map to the next. */
    record MovementView(UUID before, UUID now, CountsView total, Map<String, CountsView> channels) {}

    /** Each nozzle map of the visit against the one before it. */
    @GetMapping("/movements")
    List<MovementView> movements(@PathVariable UUID visitId) {
        Course course = courses.get(visitId);
        List<NozzleCheck> mapped =
                course.checks().stream().filter(c -> course.map(c) != null).toList();
        List<MovementView> movements = new ArrayList<>();
        for (int i = 1; i < mapped.size(); i++) {
            Comparison comparison = Comparison.of(course.map(mapped.get(i - 1)), course.map(mapped.get(i)));
            Map<String, CountsView> channels = new LinkedHashMap<>();
            comparison.channels().forEach((code, counts) -> channels.put(code, CountsView.of(counts)));
            movements.add(new MovementView(
                    mapped.get(i - 1).id, mapped.get(i).id, CountsView.of(comparison.total()), channels));
        }
        return movements;
    }

    /** @param changes what became of each channel */
    record CoarseComparisonView(
            Views.CheckView before, Views.CheckView now, Map<String, CoarseReading.Change> changes) {}

    @GetMapping("/coarse-comparison")
    CoarseComparisonView compareCoarse(@PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        Course course = courses.get(visitId);
        NozzleCheck first = check(course, before);
        NozzleCheck second = check(course, now);
        CoarseReading was = course.coarse(first);
        CoarseReading is = course.coarse(second);
        if (was == null || is == null || was.kind() != is.kind()) {
            throw Refused.entry("before", "KIND", "Only readings of one kind can be compared. Choose another one.");
        }
        return new CoarseComparisonView(
                Views.CheckView.of(first, course), Views.CheckView.of(second, course), CoarseReading.compare(was, is));
    }

    private static NozzleCheck check(Course course, UUID id) {
        return course.checks().stream()
                .filter(c -> c.id.equals(id))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("check"));
    }

    private static NozzleCheck find(Course course, UUID id, String field) {
        NozzleCheck check = check(course, id);
        if (course.map(check) == null) {
            throw Refused.entry(
                    field,
                    "NO_MAP",
                    "There is no nozzle map of that one, so there is nothing to compare tooth to tooth. Choose another check.");
        }
        return check;
    }
}
