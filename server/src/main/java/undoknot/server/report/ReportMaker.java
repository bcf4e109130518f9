package undoknot.server.report;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
import undoknot.server.shop.Shop;
import undoknot.server.shop.Shops;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.words.Words;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadEntry;
import undoknot.visit.VisitLog;

/** Puts together the report of a visit. */
@Component
public class ReportMaker {

    /** So many channels stand one below the other; more stand in two columns. */
    private static final int ONE_COLUMN = 2;

    private final Words words;
    private final PowerWords power;
    private final WorkWords work;
    private final BesidesWords besides;
    private final PlainWords plain;
    private final RecordWords record;
    private final Shops shops;
    private final Clock clock;

    ReportMaker(
            Words words,
            PowerWords power,
            WorkWords work,
            BesidesWords besides,
            PlainWords plain,
            RecordWords record,
            Shops shops,
            Clock clock) {
        this.words = words;
        this.power = power;
        this.work = work;
        this.besides = besides;
        this.plain = plain;
        this.record = record;
        this.shops = shops;
        this.clock = clock;
    }

    public Report of(LoggedVisit logged) {
        Intake intake = logged.intake();
        NozzleCheck first = logged.firstMapped().orElse(null);
        NozzleCheck last = logged.lastMapped().orElse(null);
        // One check is shown by itself, and never beside itself.
        Counts total = first == null || first == last
                ? null
                : Comparison.of(logged.map(first), logged.map(last)).total();
        List<Attempt> standing = logged.attemptsThatStand();
        VisitLog log = logged.log(clock.instant());
        Acceptance.Verdict verdict = log.verdict();
        Shop shop = shops.now();
        return new Report(
                shop.name,
                shop.addressAndHours(),
                logged.visit().tag,
                logged.customer().name,
                logged.family().name(),
                words.of("construction", logged.family().construction()),
                logged.head().serial,
                intake.printer(),
                words.of("purpose", logged.purpose()),
                intake.symptoms().stream().map(s -> besides.symptom(logged, s)).toList(),
                words.of("jobClass", logged.visit().jobClass),
                logged.visit().openedAt,
                logged.visit().promisedOn,
                first == null ? null : first.takenAt,
                last == null ? null : last.takenAt,
                besides.noFirstCheck(logged),
                besides.compared(logged),
                otherReadings(logged),
                logged.checks().stream().anyMatch(c -> c.simulated),
                first == null ? List.of() : channels(logged, logged.map(first), logged.map(last), first == last),
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
                attempts(logged, standing),
                besides.steps(logged),
                besides.alsoFound(logged),
                fluids(logged, standing),
                logged.cyclesRun(),
                soakMinutes(logged, standing),
                words(soakMinutes(logged, standing)),
                verdict,
                logged.visit().outcome,
                logged.visit().outcomeReason,
                logged.food() == FoodStanding.NOT_FOOD ? null : words.of("food", logged.food()),
                logged.headNow(clock.instant()).mayHavePower() ? null : power.of(logged.headNow(clock.instant())),
                logged.visit().closedAt,
                logged.visit().closedBy,
                plain.of(logged, log),
                record.of(logged, log));
    }

    /** Bars, streams and pad prints in words, in the order of time. */
    private List<String> otherReadings(LoggedVisit logged) {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < logged.checks().size(); i++) {
            CoarseReading coarse = logged.coarse(logged.checks().get(i));
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

    private static List<Report.ChannelLine> channels(
            LoggedVisit logged, NozzleMap first, NozzleMap last, boolean onlyOne) {
        Comparison comparison = Comparison.of(first, last);
        List<Report.ChannelLine> lines = new ArrayList<>();
        // All combs of a head stand on page one.
        CombSvg.Size size = logged.family().channels().size() > ONE_COLUMN ? CombSvg.HALF : CombSvg.WIDE;
        for (Channel channel : logged.family().channels()) {
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
                    Pages.described(
                            onlyOne
                                    ? CombSvg.single(last.channel(channel.code()), channel.ink(), size)
                                    : CombSvg.facing(
                                            first.channel(channel.code()),
                                            last.channel(channel.code()),
                                            channel.ink(),
                                            size),
                            channel.colour() + ": " + counts.outBefore() + " out, now " + counts.outNow() + " of "
                                    + channel.nozzles())));
        }
        return lines;
    }

    private List<Report.AttemptLine> attempts(LoggedVisit logged, List<Attempt> standing) {
        List<Report.AttemptLine> lines = new ArrayList<>();
        for (Attempt attempt : standing) {
            FluidLot lot = attempt.lotId == null ? null : logged.lots().get(attempt.lotId);
            lines.add(new Report.AttemptLine(
                    lines.size() + 1,
                    attempt.startedAt,
                    words.of("method", Method.of(logged.treatment(attempt))),
                    Stream.of(
                                    lines(logged, attempt).stream(),
                                    work.noted(logged.noted(attempt)).stream(),
                                    spent(attempt).stream())
                            .flatMap(l -> l)
                            .toList(),
                    lot == null ? null : lot.name + ", lot " + lot.lotCode,
                    lot == null ? null : attempt.volumeMl,
                    note(attempt),
                    attempt.departureReason,
                    against(logged.gates(attempt.against)),
                    logged.knot(attempt),
                    Method.of(logged.treatment(attempt)).isBesideNozzles()
                            ? "no check needed"
                            : words.of("knot", logged.knot(attempt))));
        }
        return lines;
    }

    /** What was noted, and that it was entered later than it was begun. */
    private static String note(Attempt attempt) {
        String later = attempt.enteredAt == null ? "" : "Entered later.";
        String note = (attempt.note + " " + later).strip();
        return note.isEmpty() ? null : note;
    }

    /** The gates something was done against, in words. */
    private List<String> against(List<Gate> gates) {
        return gates.stream().map(words::gate).toList();
    }

    private List<String> lines(LoggedVisit logged, Attempt attempt) {
        Treatment treatment = logged.treatment(attempt);
        String where = channels(treatment.channels(), logged);
        if (treatment instanceof Treatment.Flush flush) {
            return work.strokes(flush);
        }
        if (treatment instanceof Treatment.Soak soak) {
            return List.of(where + ": planned " + words(soak.plannedMinutes()) + actual(logged, attempt));
        }
        if (treatment instanceof Treatment.Bath b) {
            return List.of(where + ": " + b.bursts() + " × " + b.burstSeconds() + " s, " + number(b.levelMm())
                    + " mm over the face, " + number(b.temperatureC()) + " °C");
        }
        if (treatment instanceof Treatment.Handwork hands) {
            return List.of(where + waited(logged, hands, attempt));
        }
        Treatment.Cycle cycle = (Treatment.Cycle) treatment;
        return List.of(where + ": " + cycle.count() + " × " + words.of("strength", cycle.strength()));
    }

    /** How long rounds took in all, and what of it went to waste. */
    private static List<String> spent(Attempt attempt) {
        List<String> lines = new ArrayList<>();
        boolean rounds = attempt.kind == Treatment.Kind.FLUSH || attempt.kind == Treatment.Kind.BATH;
        long minutes = attempt.endedAt == null
                ? 0
                : Duration.between(attempt.startedAt, attempt.endedAt).toMinutes();
        if (rounds && minutes > 0) {
            lines.add("In all " + words(minutes) + ".");
        }
        if (attempt.wasteId != null) {
            BigDecimal ml = attempt.wasteMl == null ? attempt.volumeMl : attempt.wasteMl;
            lines.add("To waste: " + Shelf.plain(ml) + " mL.");
        }
        return lines;
    }

    /** Planned and real time of work that waited. */
    private static String waited(LoggedVisit logged, Treatment.Handwork work, Attempt attempt) {
        if (work.plannedMinutes() != null) {
            return ", planned " + words(work.plannedMinutes()) + actual(logged, attempt);
        }
        return soaks(work.method()) ? actual(logged, attempt) : "";
    }

    private static String channels(java.util.Set<String> codes, LoggedVisit logged) {
        return logged.family().channels().stream()
                .map(Channel::code)
                .filter(codes::contains)
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
    }

    private static String actual(LoggedVisit logged, Attempt attempt) {
        Instant over = over(logged, attempt);
        return over == null
                ? ", still in"
                : ", took " + words(Duration.between(attempt.startedAt, over).toMinutes());
    }

    /** Minutes as a person says them: "25 min", "10 h 30 min". */
    static String words(long minutes) {
        return minutes < 120
                ? minutes + " min"
                : minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
    }

    /** When work was really over: a pad or vapour without a clock lasts until the pad is out. */
    private static Instant over(LoggedVisit logged, Attempt attempt) {
        Method method = Method.of(logged.treatment(attempt));
        boolean untimed = attempt.endedAt != null && !attempt.endedAt.isAfter(attempt.startedAt);
        return untimed && soaks(method) && attempt.site != null && method.leavesPad(attempt.site)
                ? logged.headEntriesThatStand().stream()
                        .filter(e -> e.entry == HeadEntry.PAD_OUT && e.enteredAt.isAfter(attempt.startedAt))
                        .map(e -> e.enteredAt)
                        .findFirst()
                        .orElse(null)
                : attempt.endedAt;
    }

    /** Soaks, pads and vapour together, as long as they really lasted. */
    private static long soakMinutes(LoggedVisit logged, List<Attempt> standing) {
        return standing.stream()
                .filter(a -> soaks(Method.of(logged.treatment(a))) && over(logged, a) != null)
                .mapToLong(a -> Duration.between(a.startedAt, over(logged, a)).toMinutes())
                .sum();
    }

    private static boolean soaks(Method method) {
        return method == Method.PORT_SOAK
                || method == Method.TRAY_SOAK
                || method == Method.PAD
                || method == Method.VAPOUR;
    }

    /** What left the bottles: by the work that stands, then what was poured for entries that were taken back. */
    private static List<Report.FluidLine> fluids(LoggedVisit logged, List<Attempt> standing) {
        Map<String, BigDecimal> sums = new LinkedHashMap<>();
        standing.forEach(attempt -> addFluid(sums, logged, attempt, ""));
        logged.procedureThatStands().stream()
                .filter(e -> e.lotId != null)
                .forEach(e -> add(sums, logged, e.lotId, e.volumeMl, ""));
        logged.findingsThatStand().stream()
                .filter(f -> f.lotId != null)
                .forEach(f -> add(sums, logged, f.lotId, f.volumeMl, ""));
        logged.attempts().stream()
                .filter(Attempt::pouredInVain)
                .forEach(attempt -> addFluid(sums, logged, attempt, ", poured in vain"));
        return sums.entrySet().stream()
                .map(e -> new Report.FluidLine(e.getKey(), e.getValue()))
                .toList();
    }

    private static void addFluid(Map<String, BigDecimal> sums, LoggedVisit logged, Attempt attempt, String besides) {
        // A tank that was used again, or a pull that took nothing, left no bottle.
        if (attempt.lotId != null && attempt.volumeMl.signum() > 0) {
            add(sums, logged, attempt.lotId, attempt.volumeMl, besides);
        }
    }

    private static void add(
            Map<String, BigDecimal> sums, LoggedVisit logged, UUID lotId, BigDecimal ml, String besides) {
        FluidLot lot = logged.lots().get(lotId);
        sums.merge(lot.name + ", lot " + lot.lotCode + besides, ml, BigDecimal::add);
    }

    private static Long percent(OptionalDouble share) {
        return share.isPresent() ? Math.round(share.getAsDouble() * 100) : null;
    }

    private static String number(double value) {
        return Shelf.plain(BigDecimal.valueOf(value));
    }
}
