package undoknot.server.nozzle;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.LinkedHashMap;
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
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleMap;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
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
    private final VisitReader reader;
    private final RepeatableWrite writes;
    private final Clock clock;

    CheckController(NozzleChecks checks, Courses courses, VisitReader reader, RepeatableWrite writes, Clock clock) {
        this.checks = checks;
        this.courses = courses;
        this.reader = reader;
        this.writes = writes;
        this.clock = clock;
    }

    /**
     * @param version version seen, absent for a new check
     * @param reading one letter a nozzle for each channel: F firing, W weak, D deflected, M missing, U unread
     * @param notPossible why no check could be printed; instead of a reading
     */
    record CheckEntry(
            @Nullable Long version,
            @Nullable Map<String, String> reading,

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
            if (reading == null && reason == null) {
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
                        && Objects.equals(check.notPossible, reason)
                        && check.note.equals(note)) {
                    return check;
                }
                NozzleCheck stands = check;
                Versions.check(check.version, entry.version(), () -> entryOf(stands), entry);
            }
            check.reading = reading;
            check.notPossible = reading == null ? reason : null;
            check.note = note;
            return checks.saveAndFlush(check);
        });
        return reader.view(visitId);
    }

    private CheckEntry entryOf(NozzleCheck check) {
        return new CheckEntry(
                check.version,
                check.reading == null ? null : courses.readings(check.reading),
                check.notPossible,
                check.note);
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

    private static NozzleCheck find(Course course, UUID id, String field) {
        NozzleCheck check = course.checks().stream()
                .filter(c -> c.id.equals(id))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("check"));
        if (course.map(check) == null) {
            throw Refused.entry(
                    field,
                    "NO_MAP",
                    "No check was possible then, so there is nothing to compare. Choose another check.");
        }
        return check;
    }
}
