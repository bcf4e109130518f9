package undoknot.server.visit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import undoknot.bench.NextStep;
import undoknot.bench.StepClock;
import undoknot.head.Family;
import undoknot.head.FoodStanding;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.NozzleMap;
import undoknot.outcome.Knot;
import undoknot.server.bench.StepClockRow;
import undoknot.server.diagnosis.DiagnosisRow;
import undoknot.server.fluid.FluidLot;
import undoknot.server.head.Head;
import undoknot.server.nozzle.NozzleCheck;
import undoknot.server.ruleout.FindingRow;
import undoknot.server.treatment.Attempt;
import undoknot.server.treatment.TreatmentEntry;
import undoknot.treatment.Method;
import undoknot.treatment.SoFar;
import undoknot.treatment.Step;
import undoknot.treatment.Treatment;

/**
 * A visit with everything logged on it, in the order of time, and what follows from that. Made by {@link Courses}.
 *
 * @param maps readings by check; a check without one was not possible
 * @param coarse bars, streams and pad prints by check
 * @param readAs what the reader saw, by check that was read from a scan
 * @param foreignInk nozzles with another channel's ink by channel, by check that was read from a scan
 * @param entries what each attempt recorded
 * @param lots bottles that the attempts drew from
 */
public record Course(
        Visit visit,
        Intake intake,
        Head head,
        Family family,
        Customer customer,
        List<NozzleCheck> checks,
        Map<UUID, NozzleMap> maps,
        Map<UUID, CoarseReading> coarse,
        Map<UUID, Map<String, String>> readAs,
        Map<UUID, Map<String, Integer>> foreignInk,
        List<DiagnosisRow> diagnoses,
        List<Attempt> attempts,
        Map<UUID, TreatmentEntry> entries,
        Map<UUID, FluidLot> lots,
        List<StepClockRow> clocks,
        List<FindingRow> findings) {

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
        return map == null ? null : Acceptance.of(map, visit.jobClass);
    }

    public Optional<NozzleCheck> firstMapped() {
        return checks.stream().filter(c -> maps.containsKey(c.id)).findFirst();
    }

    public Optional<NozzleCheck> lastMapped() {
        return checks.stream().filter(c -> maps.containsKey(c.id)).reduce((first, second) -> second);
    }

    /** The last map against the first, when there are two. */
    public Optional<Counts> firstToLast() {
        return firstMapped()
                .filter(first -> !first.id.equals(lastMapped().orElseThrow().id))
                .map(first -> Comparison.of(map(first), map(lastMapped().orElseThrow()))
                        .total());
    }

    /** Attempts that stand, the withdrawn ones left out. */
    public List<Attempt> standing() {
        return attempts.stream().filter(Attempt::stands).toList();
    }

    public Optional<NozzleCheck> judge(Attempt attempt) {
        return checks.stream().filter(c -> c.takenAt.isAfter(attempt.startedAt)).findFirst();
    }

    private Optional<NozzleCheck> mapBefore(Attempt attempt) {
        return checks.stream()
                .filter(c -> !c.takenAt.isAfter(attempt.startedAt) && maps.containsKey(c.id))
                .reduce((first, second) -> second);
    }

    public Knot knot(Attempt attempt) {
        Optional<NozzleCheck> judge = judge(attempt);
        Acceptance acceptance = judge.map(this::acceptance).orElse(null);
        Counts counts = acceptance == null
                ? null
                : mapBefore(attempt)
                        .map(before -> Comparison.of(map(before), map(judge.orElseThrow()))
                                .total())
                        .orElse(null);
        List<Attempt> standing = standing();
        boolean isLast = attempt.id.equals(standing.get(standing.size() - 1).id);
        return Knot.of(
                judge.isPresent(), counts, acceptance == null ? null : acceptance.verdict(), isLast, visit.outcome);
    }

    /** Findings that stand, those taken back left out. */
    public List<FindingRow> standingFindings() {
        return findings.stream().filter(f -> !f.withdrawn).toList();
    }

    /** The visit as the rules of core look at it. */
    public SoFar soFar(Instant now) {
        record At(Instant at, Step step) {}
        List<At> steps = new ArrayList<>();
        checks.forEach(c -> steps.add(new At(
                c.takenAt,
                new Step.Checked(c.id.toString(), map(c), coarse(c), foreignInk.getOrDefault(c.id, Map.of())))));
        standing()
                .forEach(a -> steps.add(new At(
                        a.startedAt,
                        new Step.Worked(a.id.toString(), entries.get(a.id).treatment()))));
        standingFindings().forEach(f -> steps.add(new At(f.foundAt, new Step.Found(f.observation()))));
        return new SoFar(
                family,
                visit.jobClass,
                Told.facts(intake).observations(),
                steps.stream()
                        .sorted(Comparator.comparing(At::at))
                        .map(At::step)
                        .toList(),
                heldUntil(now).isEmpty());
    }

    public FoodStanding food() {
        return FoodStanding.of(
                intake.carriesFoodInk(), head.everNonFood ? FoodStanding.Told.YES : intake.everNonFood());
    }

    public List<StepClockRow> runningClocks() {
        return clocks.stream().filter(c -> c.stoppedAt == null).toList();
    }

    /** When power is allowed again; empty when no hold forbids it now. */
    public Optional<Instant> heldUntil(Instant now) {
        return runningClocks().stream()
                .filter(c -> c.kind == NextStep.Waiting.HOLD && c.clock().phase(now) == StepClock.Phase.RUNNING)
                .map(StepClockRow::dueAt)
                .max(Instant::compareTo);
    }

    public int cyclesRun() {
        return standing().stream()
                .map(a -> entries.get(a.id).treatment())
                .mapToInt(t -> t instanceof Treatment.Cycle cycle ? cycle.count() : 0)
                .sum();
    }

    /** Printer cycles since the last work with hands; those that let a treatment settle are counted anew after each. */
    public int cyclesRunning() {
        int cycles = 0;
        for (Attempt attempt : standing()) {
            Treatment treatment = entries.get(attempt.id).treatment();
            if (treatment instanceof Treatment.Cycle cycle) {
                cycles += cycle.count();
            } else if (!Method.of(treatment).settles()) {
                cycles = 0;
            }
        }
        return cycles;
    }

    public NextStep next(Instant now) {
        // A soak or a burst wants hands; a hold only keeps them off.
        Optional<StepClockRow> clock = runningClocks().stream()
                .min(Comparator.comparing((StepClockRow c) -> c.kind == NextStep.Waiting.HOLD)
                        .thenComparing(StepClockRow::dueAt));
        Instant lastCheck = checks.isEmpty() ? Instant.EPOCH : checks.get(checks.size() - 1).takenAt;
        return NextStep.of(
                new NextStep.Standing(
                        visit.closedAt != null,
                        clock.map(c -> c.kind).orElse(NextStep.Waiting.NONE),
                        clock.map(StepClockRow::dueAt).orElse(null),
                        checks.size(),
                        diagnoses.stream().anyMatch(d -> !d.dropped)
                                || !standing().isEmpty()
                                || !standingFindings().isEmpty(),
                        (int) standing().stream()
                                .filter(a -> a.startedAt.isAfter(lastCheck))
                                .count(),
                        checks.isEmpty()
                                ? null
                                : Optional.ofNullable(acceptance(checks.get(checks.size() - 1)))
                                        .map(Acceptance::verdict)
                                        .orElse(null)),
                now);
    }

    /** The thread of the visit: what happened, in order, each attempt with its knot. */
    public List<Views.Bead> thread() {
        List<Views.Bead> beads = new ArrayList<>();
        beads.add(new Views.Bead(Views.BeadKind.TAKE_IN, visit.id, visit.openedAt, null, null, null, null));
        for (NozzleCheck check : checks) {
            NozzleMap map = map(check);
            Integer out = map == null ? null : map.count(undoknot.nozzle.NozzleState.MISSING);
            beads.add(new Views.Bead(Views.BeadKind.CHECK, check.id, check.takenAt, null, null, out, null));
        }
        for (Attempt attempt : standing()) {
            beads.add(new Views.Bead(
                    Views.BeadKind.ATTEMPT, attempt.id, attempt.startedAt, attempt.kind, knot(attempt), null, null));
        }
        for (StepClockRow clock : clocks) {
            if (clock.kind == NextStep.Waiting.HOLD) {
                beads.add(new Views.Bead(Views.BeadKind.HOLD, clock.id, clock.startedAt, null, null, null, null));
            }
        }
        if (visit.closedAt != null) {
            beads.add(new Views.Bead(Views.BeadKind.RETURN, visit.id, visit.closedAt, null, null, null, visit.outcome));
        }
        beads.sort(Comparator.comparing(Views.Bead::at));
        return beads;
    }
}
