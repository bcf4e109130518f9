package undoknot.server.visit;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import undoknot.advice.Advice;
import undoknot.advice.NextStep;
import undoknot.finish.OffPart;
import undoknot.fluid.InkChemistry;
import undoknot.head.Family;
import undoknot.head.FoodStanding;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.NozzleMap;
import undoknot.outcome.Knot;
import undoknot.outcome.Purpose;
import undoknot.practice.HouseRules;
import undoknot.server.fluid.FluidLot;
import undoknot.server.head.Head;
import undoknot.sitting.Noted;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadNow;
import undoknot.visit.StepClock;
import undoknot.visit.VisitLog;
import undoknot.visit.Waiting;

/**
 * A visit with everything logged on it, in the order of time, and what follows from that. Made by {@link VisitLoader}.
 *
 * @param house the answers of the shop that it goes by
 * @param rows what was logged
 * @param maps readings by check; a check without one was not possible
 * @param coarse bars, streams and pad prints by check
 * @param readAs what the reader saw, by check that was read from a scan
 * @param foreignInk nozzles with another channel's ink by channel, by check that was read from a scan
 * @param treatments what each attempt recorded
 * @param noted what was noted of attempts besides, where anything was
 * @param against gates that something was done against, by their stored text
 * @param lots bottles that the attempts drew from
 * @param plan what somebody changed of its plan; null while it goes by the rules
 * @param run steps that are, or were last, gone through one by one; null before the first
 * @param need what an ink change or a whole-system flush was worked out from
 */
public record LoggedVisit(
        Visit visit,
        Intake intake,
        Head head,
        Family family,
        HouseRules house,
        Customer customer,
        Rows rows,
        Map<UUID, NozzleMap> maps,
        Map<UUID, CoarseReading> coarse,
        Map<UUID, Map<String, String>> readAs,
        Map<UUID, Map<String, Integer>> foreignInk,
        Map<UUID, Treatment> treatments,
        Map<UUID, Noted> noted,
        Map<String, List<Gate>> against,
        Map<UUID, FluidLot> lots,
        KeptPlan plan,
        Need need,
        KeptRun run) {

    /**
     * The rows of one visit, each kind in the order of time.
     *
     * @param inHand who has the head in hand; null while nobody ever had
     */
    public record Rows(
            List<NozzleCheck> checks,
            List<DiagnosisRow> diagnoses,
            List<Attempt> attempts,
            List<StepClockRow> clocks,
            List<FindingRow> findings,
            List<DepartureRow> departures,
            List<HeadEntryRow> headEntries,
            List<ProcedureEntry> procedure,
            List<NozzleCheck> kept,
            List<OffPartRow> offParts,
            InHandRow inHand) {

        /** These with one row added, or put in the place of the one with its key. */
        Rows with(Object row) {
            return new Rows(
                    row instanceof NozzleCheck r && r.toldOn == null
                            ? put(checks, r, c -> c.id, c -> c.takenAt)
                            : checks,
                    row instanceof DiagnosisRow r ? put(diagnoses, r, d -> d.id, d -> d.madeAt) : diagnoses,
                    row instanceof Attempt r ? put(attempts, r, a -> a.id, a -> a.startedAt) : attempts,
                    row instanceof StepClockRow r ? put(clocks, r, c -> c.id, c -> c.startedAt) : clocks,
                    row instanceof FindingRow r ? put(findings, r, f -> f.id, f -> f.foundAt) : findings,
                    row instanceof DepartureRow r ? put(departures, r, d -> d.id, d -> d.madeAt) : departures,
                    row instanceof HeadEntryRow r ? put(headEntries, r, e -> e.id, e -> e.enteredAt) : headEntries,
                    row instanceof ProcedureEntry r ? put(procedure, r, e -> e.id, e -> e.enteredAt) : procedure,
                    row instanceof NozzleCheck r && r.toldOn != null ? put(kept, r, c -> c.id, c -> c.takenAt) : kept,
                    row instanceof OffPartRow r ? put(offParts, r, p -> p.id, p -> p.offAt) : offParts,
                    row instanceof InHandRow r ? r : inHand);
        }

        private static <T> List<T> put(List<T> rows, T row, Function<T, UUID> id, Function<T, Instant> at) {
            return Stream.concat(rows.stream().filter(r -> !id.apply(r).equals(id.apply(row))), Stream.of(row))
                    .sorted(Comparator.comparing(at))
                    .toList();
        }
    }

    /** Readings taken here. */
    public List<NozzleCheck> checks() {
        return rows.checks();
    }

    /** Checks that the customer kept: told, shown, and no verdict on anything. */
    public List<NozzleCheck> keptChecks() {
        return rows.kept();
    }

    /** Entries of an ink change or a whole-system flush that stand. */
    public List<ProcedureEntry> procedureThatStands() {
        return rows.procedure().stream().filter(e -> !e.withdrawn).toList();
    }

    /** What came off, or was laid in, entries taken back left out. */
    public List<OffPart> offParts() {
        return rows.offParts().stream()
                .filter(row -> !row.withdrawn)
                .map(OffPartRow::part)
                .toList();
    }

    /** Whether anything that came off, or was laid in, is still so. */
    public boolean isPartOff() {
        return offParts().stream().anyMatch(OffPart::isOpen);
    }

    public Purpose purpose() {
        return visit.purpose;
    }

    /** Ink of each channel as it is now: an ink change sets it port by port. */
    public Map<String, InkChemistry> inks() {
        Map<String, InkChemistry> inks = new HashMap<>(intake.inks());
        if (purpose() == Purpose.INK_CHANGE && need.ink() != null) {
            List<String> changed = Procedures.inkChange(this).changed();
            need.inks().stream()
                    .filter(p -> changed.contains(p.channel()))
                    .forEach(p -> inks.put(p.channel(), p.chemistry()));
        }
        return inks;
    }

    public List<DiagnosisRow> diagnoses() {
        return rows.diagnoses();
    }

    public List<Attempt> attempts() {
        return rows.attempts();
    }

    public List<StepClockRow> clocks() {
        return rows.clocks();
    }

    public List<FindingRow> findings() {
        return rows.findings();
    }

    /** Where something else was done than what was advised. */
    public List<DepartureRow> departures() {
        return rows.departures();
    }

    /** Entries about the head itself that stand, those taken back left out. */
    public List<HeadEntryRow> headEntriesThatStand() {
        return rows.headEntries().stream().filter(e -> !e.withdrawn).toList();
    }

    /** What an attempt recorded. */
    public Treatment treatment(Attempt attempt) {
        return treatments.get(attempt.id);
    }

    /** What was noted of an attempt besides. */
    public Noted noted(Attempt attempt) {
        return noted.getOrDefault(attempt.id, Noted.NOTHING);
    }

    /** Gates that something was done against; empty for none. */
    public List<Gate> gates(String stored) {
        return stored == null ? List.of() : against.get(stored);
    }

    public NozzleMap map(NozzleCheck check) {
        return maps.get(check.id);
    }

    /** Bars, stream or pad print; null for any other check. */
    public CoarseReading coarse(NozzleCheck check) {
        return coarse.get(check.id);
    }

    /** What the reader saw before a person corrected it; null for a check entered by hand. */
    public Map<String, String> readAs(NozzleCheck check) {
        return readAs.get(check.id);
    }

    public Acceptance acceptance(NozzleCheck check) {
        NozzleMap map = map(check);
        return map == null ? null : Acceptance.of(map, visit.jobClass, family.driveGroups());
    }

    public Optional<NozzleCheck> firstMapped() {
        return checks().stream().filter(c -> maps.containsKey(c.id)).findFirst();
    }

    public Optional<NozzleCheck> lastMapped() {
        return checks().stream().filter(c -> maps.containsKey(c.id)).reduce((first, second) -> second);
    }

    /** The last map against the first, when there are two. */
    public Optional<Counts> firstToLast() {
        return firstMapped()
                .filter(first -> !first.id.equals(lastMapped().orElseThrow().id))
                .map(first -> Comparison.of(map(first), map(lastMapped().orElseThrow()))
                        .total());
    }

    /** Attempts that stand, the withdrawn ones left out. */
    public List<Attempt> attemptsThatStand() {
        return attempts().stream().filter(Attempt::stands).toList();
    }

    public Optional<NozzleCheck> judge(Attempt attempt) {
        return checks().stream()
                .filter(c -> c.takenAt.isAfter(attempt.startedAt))
                .findFirst();
    }

    /** How a printed check stands against what the head prints, by map or by bars; null for any other reading. */
    public Acceptance.Verdict verdict(NozzleCheck check) {
        Acceptance acceptance = acceptance(check);
        if (acceptance != null) {
            return acceptance.verdict();
        }
        CoarseReading coarse = coarse(check);
        if (coarse == null || coarse.kind().isOffMachine()) {
            return null;
        }
        boolean full = coarse.channels().values().stream()
                .allMatch(line -> line.level() != null && line.level().isBest());
        return full ? Acceptance.Verdict.MET : Acceptance.Verdict.NOT_MET;
    }

    /** A reading against the last one like it before an attempt; null when there is none. */
    private Counts before(Attempt attempt, NozzleCheck now) {
        CoarseReading is = coarse(now);
        return checks().stream()
                .filter(c -> !c.takenAt.isAfter(attempt.startedAt))
                .filter(c -> map(now) != null ? map(c) != null : isLike(coarse(c), is))
                .reduce((first, second) -> second)
                .map(c -> map(now) != null
                        ? Comparison.of(map(c), map(now)).total()
                        : CoarseReading.counts(coarse(c), is).values().stream().reduce(Counts.NONE, Counts::plus))
                .orElse(null);
    }

    private static boolean isLike(CoarseReading a, CoarseReading b) {
        return a != null && b != null && a.kind() == b.kind();
    }

    public Knot knot(Attempt attempt) {
        Optional<NozzleCheck> judge = judge(attempt);
        List<Attempt> all = attemptsThatStand();
        boolean isLast = attempt.id.equals(all.get(all.size() - 1).id);
        return Knot.of(
                judge.isPresent(),
                judge.map(check -> before(attempt, check)).orElse(null),
                judge.map(this::verdict).orElse(null),
                isLast,
                visit.outcome);
    }

    /** Findings that stand, those taken back left out. */
    public List<FindingRow> findingsThatStand() {
        return findings().stream().filter(f -> !f.withdrawn).toList();
    }

    /** The visit as the rules of core look at it. */
    public VisitLog log(Instant now) {
        return LoggedSteps.log(this, now);
    }

    /** Nozzles with another channel's ink by channel, where a scan was looked at for it. */
    Map<String, Integer> foreignInk(NozzleCheck check) {
        return foreignInk.getOrDefault(check.id, Map.of());
    }

    /** What was told at take-in, with the ink that an ink change has put in since. */
    public Intake intakeNow() {
        if (purpose() != Purpose.INK_CHANGE || need.ink() == null) {
            return intake;
        }
        List<String> changed = Procedures.inkChange(this).changed();
        return intake.with(intake.ports().stream()
                .map(p -> need.inks().stream()
                        .filter(n -> n.channel().equals(p.channel()) && changed.contains(n.channel()))
                        .findFirst()
                        .orElse(p))
                .toList());
    }

    public FoodStanding food() {
        // An ink that is to come in is as strict about what touches the head as one that is in it.
        boolean edible = intake.carriesFoodInk()
                || need.inks().stream().anyMatch(p -> p.chemistry().food());
        return FoodStanding.of(edible, head.everNonFood ? FoodStanding.Answer.YES : intake.everNonFood());
    }

    /** Clocks of soaks and bursts that nobody has stopped yet. */
    public List<StepClockRow> runningClocks() {
        return clocks().stream()
                .filter(c -> c.stoppedAt == null && c.kind != StepClock.Kind.HOLD)
                .toList();
    }

    /** Where the head is, and what keeps it from power. */
    public HeadNow headNow(Instant now) {
        return HeadLog.now(this, now);
    }

    public int cyclesRun() {
        return attemptsThatStand().stream()
                .map(this::treatment)
                .mapToInt(t -> t instanceof Treatment.Cycle cycle ? cycle.count() : 0)
                .sum();
    }

    /** Strong cycles of the visit; those of a system flush are its own. */
    public int strongCycles() {
        return attemptsThatStand().stream()
                .map(this::treatment)
                .mapToInt(t -> t instanceof Treatment.Cycle cycle && cycle.strength() == Treatment.Strength.STRONG
                        ? cycle.count()
                        : 0)
                .sum();
    }

    /** Printer cycles since the last work with hands; those that let a treatment settle are counted anew after each. */
    public int cyclesRunning() {
        int cycles = 0;
        for (Attempt attempt : attemptsThatStand()) {
            Treatment treatment = treatment(attempt);
            if (treatment instanceof Treatment.Cycle cycle) {
                cycles += cycle.count();
            } else if (!Method.of(treatment).settles()) {
                cycles = 0;
            }
        }
        return cycles;
    }

    /** What is next; the advice is asked only where no clock comes first. */
    public NextStep next(Supplier<Advice> advised, Instant now) {
        return NextStep.of(
                visit.closedAt != null,
                runningClocks().stream()
                        .map(c -> new NextStep.Running(
                                c.kind, c.dueAt(), c.attemptId != null, c.waiting == Waiting.BETWEEN_STROKES))
                        .toList(),
                Sittings.wantsHands(this).orElse(null),
                headNow(now),
                isPartOff(),
                advised,
                now);
    }
}
