package undoknot.server.report;

import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import undoknot.head.Channel;
import undoknot.head.FoodStanding;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.NozzleMap;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.Shelf;
import undoknot.server.nozzle.NozzleCheck;
import undoknot.server.treatment.Attempt;
import undoknot.server.treatment.TreatmentEntry;
import undoknot.server.visit.Course;
import undoknot.server.visit.Intake;
import undoknot.treatment.Treatment;

/** Puts together the report of a visit. */
@Component
public class ReportMaker {

    private final Words words;
    private final String shop;

    ReportMaker(Words words, @Value("${undoknot.shop}") String shop) {
        this.words = words;
        this.shop = shop;
    }

    public Report of(Course course) {
        Intake intake = course.intake();
        NozzleCheck first = course.firstMapped().orElse(null);
        NozzleCheck last = course.lastMapped().orElse(null);
        Counts total = first == null
                ? null
                : Comparison.of(course.map(first), course.map(last)).total();
        List<Attempt> standing = course.standing();
        Acceptance acceptance = last == null ? null : course.acceptance(last);
        return new Report(
                shop,
                course.visit().tag,
                course.customer().name,
                course.family().name(),
                words.of("construction", course.family().construction()),
                course.head().serial,
                intake.printer(),
                intake.symptoms().stream().map(s -> words.of("symptom", s)).toList(),
                words.of("jobClass", course.visit().jobClass),
                course.visit().openedAt,
                course.visit().promisedOn,
                first == null ? null : first.takenAt,
                last == null ? null : last.takenAt,
                course.checks().isEmpty() ? null : course.checks().get(0).notPossible,
                otherReadings(course),
                course.checks().stream().anyMatch(c -> c.simulated),
                first == null ? List.of() : channels(course, course.map(first), course.map(last), first == last),
                total == null
                        ? null
                        : new Report.Sum(
                                total.outBefore(),
                                total.outNow(),
                                total.restored(),
                                total.stillOut(),
                                total.newlyOut(),
                                total.leftOut(),
                                percent(total.recovery())),
                course.diagnoses().stream()
                        .filter(d -> !d.dropped)
                        .map(d -> words.of("cause", d.cause)
                                + (d.channels.isEmpty() ? "" : " (" + d.channels.replace(",", ", ") + ")"))
                        .toList(),
                attempts(course, standing),
                fluids(course, standing),
                course.cyclesRun(),
                soakMinutes(standing),
                acceptance == null ? null : acceptance.verdict(),
                course.visit().outcome,
                course.visit().outcomeReason,
                course.food() == FoodStanding.NOT_FOOD ? null : words.of("food", course.food()),
                course.visit().closedAt,
                course.visit().closedBy);
    }

    /** Bars, streams and pad prints in words, in the order of time. */
    private List<String> otherReadings(Course course) {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < course.checks().size(); i++) {
            CoarseReading coarse = course.coarse(course.checks().get(i));
            if (coarse != null) {
                lines.add("Check " + (i + 1) + ", " + words.of("coarseKind", coarse.kind()) + ": "
                        + coarse.channels().entrySet().stream()
                                .filter(e -> e.getValue().level() != null)
                                .map(e -> e.getKey() + " "
                                        + words.of("coarseLevel", e.getValue().level())
                                        + (e.getValue().where() == null
                                                ? ""
                                                : " "
                                                        + words.of(
                                                                "coarseWhere",
                                                                e.getValue().where())))
                                .collect(Collectors.joining(", ")));
            }
        }
        return lines;
    }

    private static List<Report.ChannelLine> channels(Course course, NozzleMap first, NozzleMap last, boolean onlyOne) {
        Comparison comparison = Comparison.of(first, last);
        List<Report.ChannelLine> lines = new ArrayList<>();
        for (Channel channel : course.family().channels()) {
            Counts counts = comparison.channels().get(channel.code());
            lines.add(new Report.ChannelLine(
                    channel.code(),
                    channel.colour(),
                    channel.nozzles(),
                    counts.outBefore(),
                    counts.outNow(),
                    counts.restored(),
                    counts.stillOut(),
                    counts.newlyOut(),
                    counts.deflectedNow(),
                    counts.leftOut(),
                    percent(counts.recovery()),
                    onlyOne
                            ? CombSvg.single(last.channel(channel.code()), channel.ink())
                            : CombSvg.facing(
                                    first.channel(channel.code()), last.channel(channel.code()), channel.ink())));
        }
        return lines;
    }

    private List<Report.AttemptLine> attempts(Course course, List<Attempt> standing) {
        List<Report.AttemptLine> lines = new ArrayList<>();
        for (Attempt attempt : standing) {
            FluidLot lot = attempt.lotId == null ? null : course.lots().get(attempt.lotId);
            lines.add(new Report.AttemptLine(
                    lines.size() + 1,
                    attempt.startedAt,
                    words.of("treatment", attempt.kind),
                    lines(course, attempt),
                    lot == null ? null : lot.name + ", lot " + lot.lotCode,
                    lot == null ? null : attempt.volumeMl,
                    attempt.note.isEmpty() ? null : attempt.note,
                    attempt.departureReason,
                    course.knot(attempt),
                    words.of("knot", course.knot(attempt))));
        }
        return lines;
    }

    private List<String> lines(Course course, Attempt attempt) {
        TreatmentEntry entry = course.entries().get(attempt.id);
        if (entry.flush() != null) {
            return entry.flush().strokes().stream()
                    .map(s ->
                            s.channel() + ": " + Shelf.plain(s.volumeMl()) + " mL in " + number(s.seconds()) + " s at "
                                    + number(entry.flush().temperatureC()) + " °C; "
                                    + words.of("resistance", s.resistance()) + "; "
                                    + words.of("effluent", s.effluent()) + ", " + words.of("stream", s.stream()))
                    .toList();
        }
        if (entry.soak() != null) {
            return List.of(channels(entry.soak().channels(), course) + ": "
                    + words.of("place", entry.soak().place()) + ", planned "
                    + entry.soak().plannedMinutes() + " min" + actual(attempt));
        }
        if (entry.bath() != null) {
            TreatmentEntry.BathEntry b = entry.bath();
            return List.of(channels(b.channels(), course) + ": " + b.bursts() + " × " + b.burstSeconds() + " s, "
                    + number(b.levelMm()) + " mm over the face, " + number(b.temperatureC()) + " °C");
        }
        if (entry.handwork() != null) {
            return List.of(words.of("method", entry.handwork().method()) + ": "
                    + channels(entry.handwork().channels(), course));
        }
        return List.of(channels(entry.cycle().channels(), course) + ": "
                + entry.cycle().count() + " × "
                + words.of("strength", entry.cycle().strength()));
    }

    private static String channels(java.util.Set<String> codes, Course course) {
        return course.family().channels().stream()
                .map(Channel::code)
                .filter(codes::contains)
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
    }

    private static String actual(Attempt attempt) {
        return attempt.endedAt == null
                ? ", still in"
                : ", took "
                        + Duration.between(attempt.startedAt, attempt.endedAt).toMinutes() + " min";
    }

    private static long soakMinutes(List<Attempt> standing) {
        return standing.stream()
                .filter(a -> a.kind == Treatment.Kind.SOAK && a.endedAt != null)
                .mapToLong(a -> Duration.between(a.startedAt, a.endedAt).toMinutes())
                .sum();
    }

    private static List<Report.FluidLine> fluids(Course course, List<Attempt> standing) {
        Map<String, BigDecimal> sums = new LinkedHashMap<>();
        for (Attempt attempt : standing) {
            if (attempt.lotId != null) {
                FluidLot lot = course.lots().get(attempt.lotId);
                sums.merge(lot.name + ", lot " + lot.lotCode, attempt.volumeMl, BigDecimal::add);
            }
        }
        return sums.entrySet().stream()
                .map(e -> new Report.FluidLine(e.getKey(), e.getValue()))
                .toList();
    }

    private static Long percent(OptionalDouble share) {
        return share.isPresent() ? Math.round(share.getAsDouble() * 100) : null;
    }

    private static String number(double value) {
        return Shelf.plain(BigDecimal.valueOf(value));
    }
}
