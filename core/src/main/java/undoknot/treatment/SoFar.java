package undoknot.treatment;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.diagnosis.Between;
import undoknot.diagnosis.Observation;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.treatment.Step.Checked;
import undoknot.treatment.Step.Worked;

/**
 * A visit so far: what was told, and what happened, in order.
 *
 * @param told what was told at take-in, or otherwise observed without a look
 * @param powerAllowed no hold forbids the mains now
 */
public record SoFar(Family family, JobClass jobClass, List<Observation> told, List<Step> steps, boolean powerAllowed) {

    public SoFar {
        told = List.copyOf(told);
        steps = List.copyOf(steps);
    }

    /** Two maps that follow one another, and the work between them. */
    public record Round(Checked before, List<Worked> work, Checked after) {

        /** What the work between tells; work that lets the head settle gives way to what it follows. */
        public Between between() {
            Set<Between> kinds = work.stream()
                    .filter(w -> !w.method().settles())
                    .map(w -> w.method().between())
                    .collect(Collectors.toSet());
            if (kinds.size() == 1) {
                return kinds.iterator().next();
            }
            if (!kinds.isEmpty()) {
                return Between.OTHER;
            }
            if (work.isEmpty()) {
                return Between.NOTHING;
            }
            return work.stream().allMatch(w -> w.method() == Method.REST) ? Between.REST : Between.CYCLE;
        }

        public Set<String> channels() {
            return work.stream().flatMap(w -> w.treatment().channels().stream()).collect(Collectors.toSet());
        }

        /** Channels whose port took fluid. */
        public Set<String> flowed() {
            return work.stream()
                    .map(Worked::treatment)
                    .filter(Treatment.Flush.class::isInstance)
                    .flatMap(t -> ((Treatment.Flush) t).strokes().stream())
                    .filter(s -> s.resistance() != Treatment.Resistance.WOULD_NOT_GO)
                    .map(Treatment.Stroke::channel)
                    .collect(Collectors.toSet());
        }
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
    int times(Method method, Collection<String> channels) {
        return work().stream()
                .filter(w -> w.method() == method)
                .filter(w -> w.treatment().channels().stream().anyMatch(channels::contains))
                .mapToInt(w -> w.treatment() instanceof Treatment.Cycle cycle ? cycle.count() : 1)
                .sum();
    }
}
