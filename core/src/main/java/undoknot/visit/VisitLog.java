package undoknot.visit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Observation;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.visit.Step.Checked;
import undoknot.visit.Step.Worked;

/**
 * A visit so far: what was told, and what happened, in order.
 *
 * @param told what was told at take-in, or otherwise observed without a look
 * @param powerAllowed no hold forbids the mains now
 */
public record VisitLog(
        Family family, JobClass jobClass, List<Observation> told, List<Step> steps, boolean powerAllowed) {

    public VisitLog {
        Objects.requireNonNull(family, "family");
        Objects.requireNonNull(jobClass, "jobClass");
        told = List.copyOf(told);
        steps = List.copyOf(steps);
    }

    public List<Worked> work() {
        return steps.stream()
                .filter(Worked.class::isInstance)
                .map(Worked.class::cast)
                .toList();
    }

    public List<Checked> checks() {
        return steps.stream()
                .filter(Checked.class::isInstance)
                .map(Checked.class::cast)
                .toList();
    }

    public Optional<Checked> lastCheck() {
        return checks().stream().reduce((a, b) -> b);
    }

    /** The last nozzle map, when nothing later than it says that no check is possible. */
    public Optional<NozzleMap> lastMap() {
        return checks().stream()
                .filter(c -> c.map() != null)
                .reduce((a, b) -> b)
                .map(Checked::map);
    }

    /** Work done after the last reading of any kind. */
    public List<Worked> workSinceCheck() {
        List<Worked> since = new ArrayList<>();
        for (Step step : steps) {
            if (step instanceof Checked) {
                since.clear();
            } else if (step instanceof Worked worked) {
                since.add(worked);
            }
        }
        return since;
    }

    /** Pairs of maps in order; readings that are not maps are passed over, their work belongs to the round. */
    public List<Round> rounds() {
        List<Round> rounds = new ArrayList<>();
        Checked before = null;
        List<Worked> work = new ArrayList<>();
        for (Step step : steps) {
            if (step instanceof Worked worked) {
                work.add(worked);
            } else if (step instanceof Checked check && check.map() != null) {
                if (before != null) {
                    rounds.add(new Round(before, List.copyOf(work), check));
                }
                before = check;
                work.clear();
            }
        }
        return rounds;
    }

    public int times(Method method) {
        return (int) work().stream().filter(w -> w.method() == method).count();
    }

    /** How often a method was used on any of these channels; a printer cycle counts as often as it was run. */
    public int times(Method method, Collection<String> channels) {
        return work().stream()
                .filter(w -> w.method() == method)
                .filter(w -> w.treatment().channels().stream().anyMatch(channels::contains))
                .mapToInt(w -> w.treatment() instanceof Treatment.Cycle cycle ? cycle.count() : 1)
                .sum();
    }

    /** Channels of the last map in which enough nozzles are out to matter, worst first. */
    public List<String> affected() {
        return lastMap()
                .map(map -> map.channels().entrySet().stream()
                        .filter(e -> e.getValue().count(NozzleState.MISSING) > 0)
                        .sorted(Comparator.comparing(e -> -e.getValue().count(NozzleState.MISSING)))
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toList()))
                .orElse(List.of());
    }
}
