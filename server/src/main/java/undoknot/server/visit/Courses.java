package undoknot.server.visit;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.head.Family;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.NozzleMap;
import undoknot.server.bench.StepClockRow;
import undoknot.server.bench.StepClocks;
import undoknot.server.diagnosis.Diagnoses;
import undoknot.server.diagnosis.DiagnosisRow;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.FluidLots;
import undoknot.server.head.Families;
import undoknot.server.head.Head;
import undoknot.server.head.Heads;
import undoknot.server.nozzle.NozzleCheck;
import undoknot.server.nozzle.NozzleChecks;
import undoknot.server.problem.Refused;
import undoknot.server.ruleout.FindingRow;
import undoknot.server.ruleout.Findings;
import undoknot.server.treatment.Attempt;
import undoknot.server.treatment.Attempts;
import undoknot.server.treatment.TreatmentEntry;

/** Gathers visits with what was logged on them: one query a table, however many visits. */
@Component
public class Courses {

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
    private final ObjectMapper json;

    Courses(
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
            ObjectMapper json) {
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
        this.json = json;
    }

    public Course get(UUID visitId) {
        return of(List.of(visits.findById(visitId).orElseThrow(() -> Refused.notFound("visit"))))
                .get(0);
    }

    /** A visit that is still open; what is returned is not written to any more. */
    public Course getOpen(UUID visitId) {
        Course course = get(visitId);
        if (course.visit().closedAt != null) {
            throw Refused.because(
                    org.springframework.http.HttpStatus.CONFLICT,
                    "returned",
                    "This head was returned. Take it in again to go on with it.");
        }
        return course;
    }

    public List<Course> of(List<Visit> wanted) {
        List<UUID> ids = wanted.stream().map(v -> v.id).toList();
        Map<UUID, Head> headsById =
                byId(heads.findAllById(wanted.stream().map(v -> v.headId).toList()), h -> h.id);
        Map<UUID, Customer> customersById = byId(
                customers.findAllById(wanted.stream().map(v -> v.customerId).toList()), c -> c.id);
        Map<String, Family> familiesByCode = families.byCode();
        Map<UUID, List<NozzleCheck>> checksOf = inOrder(checks.findByVisitIdIn(ids), c -> c.visitId, c -> c.takenAt);
        Map<UUID, List<DiagnosisRow>> diagnosesOf =
                inOrder(diagnoses.findByVisitIdIn(ids), d -> d.visitId, d -> d.madeAt);
        Map<UUID, List<Attempt>> attemptsOf = inOrder(attempts.findByVisitIdIn(ids), a -> a.visitId, a -> a.startedAt);
        Map<UUID, List<StepClockRow>> clocksOf = inOrder(clocks.findByVisitIdIn(ids), c -> c.visitId, c -> c.startedAt);
        Map<UUID, List<FindingRow>> findingsOf = inOrder(findings.findByVisitIdIn(ids), f -> f.visitId, f -> f.foundAt);
        Map<UUID, FluidLot> lotsById = byId(
                lots.findAllById(attemptsOf.values().stream()
                        .flatMap(List::stream)
                        .map(a -> a.lotId)
                        .filter(java.util.Objects::nonNull)
                        .distinct()
                        .toList()),
                l -> l.id);
        return wanted.stream()
                .map(visit -> {
                    Head head = headsById.get(visit.headId);
                    Family family = familiesByCode.get(head.familyCode);
                    List<NozzleCheck> own = checksOf.getOrDefault(visit.id, List.of());
                    List<Attempt> tried = attemptsOf.getOrDefault(visit.id, List.of());
                    return new Course(
                            visit,
                            read(visit.intake, Intake.class),
                            head,
                            family,
                            customersById.get(visit.customerId),
                            own,
                            maps(family, own),
                            stored(own, c -> c.coarse, text -> read(text, CoarseReading.class)),
                            stored(own, c -> c.readAs, this::readings),
                            stored(own, c -> c.foreignInk, this::counts),
                            diagnosesOf.getOrDefault(visit.id, List.of()),
                            tried,
                            tried.stream()
                                    .collect(Collectors.toMap(a -> a.id, a -> read(a.details, TreatmentEntry.class))),
                            lotsById,
                            clocksOf.getOrDefault(visit.id, List.of()),
                            findingsOf.getOrDefault(visit.id, List.of()));
                })
                .toList();
    }

    private Map<UUID, NozzleMap> maps(Family family, List<NozzleCheck> own) {
        Map<UUID, NozzleMap> maps = new HashMap<>();
        for (NozzleCheck check : own) {
            if (check.reading != null) {
                maps.put(check.id, NozzleMap.of(family, readings(check.reading)));
            }
        }
        return maps;
    }

    private static <T> Map<UUID, T> stored(
            List<NozzleCheck> own, Function<NozzleCheck, String> text, Function<String, T> read) {
        return own.stream()
                .filter(c -> text.apply(c) != null)
                .collect(Collectors.toMap(c -> c.id, c -> read.apply(text.apply(c))));
    }

    public Map<String, String> readings(String text) {
        try {
            return json.readValue(text, new TypeReference<Map<String, String>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a stored reading cannot be read", e);
        }
    }

    private Map<String, Integer> counts(String text) {
        try {
            return json.readValue(text, new TypeReference<Map<String, Integer>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("stored counts cannot be read", e);
        }
    }

    public <T> T read(String text, Class<T> type) {
        try {
            return json.readValue(text, type);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a stored " + type.getSimpleName() + " cannot be read", e);
        }
    }

    public String write(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(value.getClass().getSimpleName() + " cannot be written", e);
        }
    }

    private static <T> Map<UUID, T> byId(Collection<T> rows, Function<T, UUID> id) {
        return rows.stream().collect(Collectors.toMap(id, Function.identity()));
    }

    private static <T> Map<UUID, List<T>> inOrder(List<T> rows, Function<T, UUID> visit, Function<T, Instant> at) {
        return rows.stream().sorted(Comparator.comparing(at)).collect(Collectors.groupingBy(visit));
    }
}
