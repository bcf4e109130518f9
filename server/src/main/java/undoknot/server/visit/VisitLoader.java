package undoknot.server.visit;

import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.head.Family;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.NozzleMap;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.FluidLots;
import undoknot.server.head.Families;
import undoknot.server.head.Head;
import undoknot.server.head.Heads;
import undoknot.server.problem.Refused;
import undoknot.server.write.StoredJson;
import undoknot.sitting.Noted;
import undoknot.sitting.PartWork;
import undoknot.treatment.Gate;
import undoknot.treatment.Treatment;

/** Gathers visits with what was logged on them: one query a table, however many visits. */
@Component
public class VisitLoader {

    private final Visits visits;
    private final Heads heads;
    private final Customers customers;
    private final Families families;
    private final NozzleChecks checks;
    private final Diagnoses diagnoses;
    private final Attempts attempts;
    private final StepClocks clocks;
    private final FluidLots lots;
    private final Findings findings;
    private final Departures departures;
    private final HeadEntries headEntries;
    private final ProcedureEntries procedures;
    private final OffParts offParts;
    private final InHandRows inHand;
    private final ShopRules rules;
    private final StoredJson json;

    VisitLoader(
            Visits visits,
            Heads heads,
            Customers customers,
            Families families,
            NozzleChecks checks,
            Diagnoses diagnoses,
            Attempts attempts,
            StepClocks clocks,
            FluidLots lots,
            Findings findings,
            Departures departures,
            HeadEntries headEntries,
            ProcedureEntries procedures,
            OffParts offParts,
            InHandRows inHand,
            ShopRules rules,
            StoredJson json) {
        this.visits = visits;
        this.heads = heads;
        this.customers = customers;
        this.families = families;
        this.checks = checks;
        this.diagnoses = diagnoses;
        this.attempts = attempts;
        this.clocks = clocks;
        this.lots = lots;
        this.findings = findings;
        this.departures = departures;
        this.headEntries = headEntries;
        this.procedures = procedures;
        this.offParts = offParts;
        this.inHand = inHand;
        this.rules = rules;
        this.json = json;
    }

    public LoggedVisit get(UUID visitId) {
        return of(List.of(visits.findById(visitId).orElseThrow(() -> Refused.notFound("visit"))))
                .get(0);
    }

    /**
     * A visit that is about to be written to. Its row is locked before anything of it is read, so that no two writes judge
     * from the same log; to be called first in a transaction.
     */
    public LoggedVisit lock(UUID visitId) {
        lockRow(visitId);
        return get(visitId);
    }

    /** Locks it alone, where more has to be locked before the log is read. */
    public void lockRow(UUID visitId) {
        if (visits.count(visitId) == 0) {
            throw Refused.notFound("visit");
        }
    }

    /** The same for one that is still open; what is returned is not written to any more. */
    public LoggedVisit lockOpen(UUID visitId) {
        return open(lock(visitId));
    }

    /** A visit that is still open, to be looked at; a write locks it. */
    public LoggedVisit getOpen(UUID visitId) {
        return open(get(visitId));
    }

    private static LoggedVisit open(LoggedVisit logged) {
        if (logged.visit().closedAt != null) {
            throw returned();
        }
        return logged;
    }

    public static Refused returned() {
        return Refused.because(
                HttpStatus.CONFLICT, "returned", "This head was returned. Take it in again to go on with it.");
    }

    public List<LoggedVisit> of(List<Visit> wanted) {
        List<UUID> ids = wanted.stream().map(v -> v.id).toList();
        Map<UUID, Head> headsById =
                byId(heads.findAllById(wanted.stream().map(v -> v.headId).toList()), h -> h.id);
        Map<UUID, Customer> customersById = byId(
                customers.findAllById(wanted.stream().map(v -> v.customerId).toList()), c -> c.id);
        Map<String, Family> familiesByCode = families.byCode();
        Map<Boolean, List<NozzleCheck>> byTold =
                checks.findByVisitIdIn(ids).stream().collect(Collectors.partitioningBy(c -> c.toldOn != null));
        Map<UUID, List<NozzleCheck>> checksOf = inOrder(byTold.get(false), c -> c.visitId, c -> c.takenAt);
        Map<UUID, List<NozzleCheck>> keptOf = inOrder(byTold.get(true), c -> c.visitId, c -> c.takenAt);
        Map<UUID, List<DiagnosisRow>> diagnosesOf =
                inOrder(diagnoses.findByVisitIdIn(ids), d -> d.visitId, d -> d.madeAt);
        Map<UUID, List<Attempt>> attemptsOf = inOrder(attempts.findByVisitIdIn(ids), a -> a.visitId, a -> a.startedAt);
        Map<UUID, List<StepClockRow>> clocksOf = inOrder(clocks.findByVisitIdIn(ids), c -> c.visitId, c -> c.startedAt);
        Map<UUID, List<FindingRow>> findingsOf = inOrder(findings.findByVisitIdIn(ids), f -> f.visitId, f -> f.foundAt);
        Map<UUID, List<DepartureRow>> departuresOf =
                inOrder(departures.findByVisitIdIn(ids), d -> d.visitId, d -> d.madeAt);
        Map<UUID, List<HeadEntryRow>> headEntriesOf =
                inOrder(headEntries.findByVisitIdIn(ids), e -> e.visitId, e -> e.enteredAt);
        Map<UUID, List<ProcedureEntry>> procedureOf =
                inOrder(procedures.findByVisitIdIn(ids), e -> e.visitId, e -> e.enteredAt);
        Map<UUID, List<OffPartRow>> offPartsOf = inOrder(offParts.findByVisitIdIn(ids), p -> p.visitId, p -> p.offAt);
        Map<UUID, InHandRow> inHandOf = byId(inHand.findAllById(ids), r -> r.visitId);
        Map<UUID, FluidLot> lotsById = byId(
                lots.findAllById(Stream.of(
                                attemptsOf.values().stream()
                                        .flatMap(List::stream)
                                        .map(a -> a.lotId),
                                procedureOf.values().stream()
                                        .flatMap(List::stream)
                                        .map(e -> e.lotId),
                                findingsOf.values().stream()
                                        .flatMap(List::stream)
                                        .map(f -> f.lotId))
                        .flatMap(kept -> kept)
                        .filter(Objects::nonNull)
                        .distinct()
                        .toList()),
                l -> l.id);
        return wanted.stream()
                .map(visit -> {
                    Head head = headsById.get(visit.headId);
                    return logged(
                            visit,
                            head,
                            familiesByCode.get(head.familyCode),
                            customersById.get(visit.customerId),
                            new LoggedVisit.Rows(
                                    checksOf.getOrDefault(visit.id, List.of()),
                                    diagnosesOf.getOrDefault(visit.id, List.of()),
                                    attemptsOf.getOrDefault(visit.id, List.of()),
                                    clocksOf.getOrDefault(visit.id, List.of()),
                                    findingsOf.getOrDefault(visit.id, List.of()),
                                    departuresOf.getOrDefault(visit.id, List.of()),
                                    headEntriesOf.getOrDefault(visit.id, List.of()),
                                    procedureOf.getOrDefault(visit.id, List.of()),
                                    keptOf.getOrDefault(visit.id, List.of()),
                                    offPartsOf.getOrDefault(visit.id, List.of()),
                                    inHandOf.get(visit.id)),
                            lotsById);
                })
                .toList();
    }

    /**
     * The same visit after a write, without asking the database again.
     *
     * @param written rows as they were saved: checks, attempts, clocks, findings, diagnoses, departures, and bottles drawn from
     */
    public LoggedVisit with(LoggedVisit logged, Collection<?> written) {
        LoggedVisit.Rows rows = logged.rows();
        Map<UUID, FluidLot> lotsById = new HashMap<>(logged.lots());
        for (Object row : written) {
            rows = rows.with(row);
            if (row instanceof FluidLot lot) {
                lotsById.put(lot.id, lot);
            }
        }
        return logged(logged.visit(), logged.head(), logged.family(), logged.customer(), rows, lotsById);
    }

    /** Work of an earlier visit with what it recorded. */
    public record Earlier(Attempt attempt, Treatment treatment, Noted noted) {}

    /** What was done on visits of a head before this one, in the order of time. */
    public List<Earlier> earlierWork(LoggedVisit logged, List<Visit> ofThisHead) {
        List<UUID> earlier = ofThisHead.stream()
                .filter(v -> v.openedAt.isBefore(logged.visit().openedAt))
                .map(v -> v.id)
                .toList();
        return earlier.isEmpty()
                ? List.of()
                : attempts.findByVisitIdIn(earlier).stream()
                        .filter(Attempt::stands)
                        .sorted(Comparator.comparing(a -> a.startedAt))
                        .map(a -> new Earlier(
                                a,
                                StoredTreatment.read(a.kind, a.recordVersion, a.record, json),
                                a.noted == null ? Noted.NOTHING : json.read(a.noted, Noted.class)))
                        .toList();
    }

    /** What was done to parts of a head, on this visit and those before it, in the order of time. */
    public List<PartWork> partWorks(LoggedVisit logged, List<Earlier> earlier) {
        return Stream.concat(
                        earlier.stream().flatMap(e -> PartWork.of(e.treatment(), e.noted()).stream()),
                        logged.attemptsThatStand().stream()
                                .flatMap(a -> PartWork.of(logged.treatment(a), logged.noted(a)).stream()))
                .toList();
    }

    private LoggedVisit logged(
            Visit visit,
            Head head,
            Family whole,
            Customer customer,
            LoggedVisit.Rows rows,
            Map<UUID, FluidLot> lotsById) {
        Intake intake = json.read(visit.intake, Intake.class);
        // What this printer does not carry counts nowhere, from here on.
        Family family = whole.having(intake.channels());
        List<NozzleCheck> own =
                Stream.concat(rows.checks().stream(), rows.kept().stream()).toList();
        return new LoggedVisit(
                visit,
                intake,
                head,
                family,
                rules.numbered(visit.houseRules),
                customer,
                rows,
                stored(own, c -> c.reading, text -> NozzleMap.of(family, json.readings(text))),
                stored(own, c -> c.coarse, text -> json.read(text, CoarseReading.class)),
                stored(own, c -> c.readAs, json::readings),
                stored(own, c -> c.foreignInk, json::counts),
                rows.attempts().stream()
                        .collect(Collectors.toMap(
                                a -> a.id, a -> StoredTreatment.read(a.kind, a.recordVersion, a.record, json))),
                rows.attempts().stream()
                        .filter(a -> a.noted != null)
                        .collect(Collectors.toMap(a -> a.id, a -> json.read(a.noted, Noted.class))),
                against(rows),
                lotsById,
                visit.plan == null ? null : json.read(visit.plan, KeptPlan.class),
                visit.need == null ? Need.NONE : json.read(visit.need, Need.class),
                rows.inHand() == null || rows.inHand().run == null
                        ? null
                        : json.read(rows.inHand().run, KeptRun.class));
    }

    private Map<String, List<Gate>> against(LoggedVisit.Rows rows) {
        Map<String, List<Gate>> gates = new HashMap<>();
        Stream.of(
                        rows.attempts().stream().map(a -> a.against),
                        rows.checks().stream().map(c -> c.against),
                        rows.findings().stream().map(f -> f.against),
                        rows.procedure().stream().map(e -> e.against))
                .flatMap(texts -> texts)
                .filter(Objects::nonNull)
                .forEach(text -> gates.computeIfAbsent(text, t -> List.of(json.read(t, Gate[].class))));
        return gates;
    }

    private static <T> Map<UUID, T> stored(
            List<NozzleCheck> own, Function<NozzleCheck, String> text, Function<String, T> read) {
        return own.stream()
                .filter(c -> text.apply(c) != null)
                .collect(Collectors.toMap(c -> c.id, c -> read.apply(text.apply(c))));
    }

    private static <T> Map<UUID, T> byId(Collection<T> rows, Function<T, UUID> id) {
        return rows.stream().collect(Collectors.toMap(id, Function.identity()));
    }

    private static <T> Map<UUID, List<T>> inOrder(List<T> rows, Function<T, UUID> visit, Function<T, Instant> at) {
        return rows.stream().sorted(Comparator.comparing(at)).collect(Collectors.groupingBy(visit));
    }
}
