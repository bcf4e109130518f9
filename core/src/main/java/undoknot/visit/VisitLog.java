package undoknot.visit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import undoknot.head.Family;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.sitting.Asked;
import undoknot.sitting.Part;
import undoknot.sitting.PartCount;
import undoknot.sitting.PartWork;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.visit.Step.Checked;
import undoknot.visit.Step.Worked;

/**
 * A visit so far: what was told, and what happened, in order.
 *
 * @param told what was told at take-in, or otherwise observed without a look
 * @param head where the head is now, and what keeps it from power
 */
public record VisitLog(Family family, JobClass jobClass, List<Observation> told, List<Step> steps, HeadNow head) {

    public VisitLog {
        Objects.requireNonNull(family, "family");
        Objects.requireNonNull(jobClass, "jobClass");
        told = List.copyOf(told);
        steps = List.copyOf(steps);
        Objects.requireNonNull(head, "head");
    }

    public List<Worked> work() {
        return steps.stream()
                .filter(Worked.class::isInstance)
                .map(Worked.class::cast)
                .toList();
    }

    /** What was done to a part of a channel on this visit. */
    public PartCount count(Part part, String channel) {
        List<PartWork> own = work().stream()
                .flatMap(w -> PartWork.of(w.treatment(), w.noted()).stream())
                .filter(p -> p.part() == part && channel.equals(p.channel()))
                .toList();
        return own.isEmpty()
                ? new PartCount(part, channel, 0, 0)
                : PartCount.of(own).get(0);
    }

    /** Flushes and warm flushes, at which the thumb feels the channel. */
    public Stream<Treatment.Flush> flushes() {
        return work().stream()
                .map(Worked::treatment)
                .filter(Treatment.Flush.class::isInstance)
                .map(Treatment.Flush.class::cast)
                .filter(Treatment.Flush::isFlush);
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

    /** Whether a pad lay under connected cartridges, and nobody has looked how much they hold since. */
    public boolean siphonedUnseen() {
        boolean siphoned = false;
        for (Step step : steps) {
            if (step instanceof Worked worked) {
                siphoned |= worked.noted().denies(Asked.CARTRIDGES_OFF);
            } else if (step instanceof Step.Found found
                    && Look.making(found.observation().sign())
                            .filter(look -> look == Look.INK_LEVEL)
                            .isPresent()) {
                siphoned = false;
            }
        }
        return siphoned;
    }

    /** Whether the head was worked on and refitted since it last printed; what was read on the bench is not the check after that. */
    public boolean isRefittedUnread() {
        boolean worked = false;
        boolean refitted = false;
        for (Step step : steps) {
            if (step instanceof Checked check && !check.isOffMachine()) {
                worked = false;
                refitted = false;
            } else if (step instanceof Worked) {
                worked = true;
            } else if (step instanceof Step.Moved moved) {
                refitted = worked && moved.to() == Site.IN_CARRIAGE;
            }
        }
        return refitted;
    }

    /** Whether the last reading was taken off the machine and shows every channel it looked at whole: ready to refit. */
    public boolean isReadyToRefit() {
        List<CoarseReading.Level> seen = lastCheck().filter(Checked::isOffMachine).map(Checked::coarse).stream()
                .flatMap(c -> c.channels().values().stream())
                .map(CoarseReading.Line::level)
                .filter(Objects::nonNull)
                .toList();
        return !seen.isEmpty() && seen.stream().allMatch(CoarseReading.Level::isBest);
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

    /** How a map stands against what the head prints. */
    public Acceptance acceptance(NozzleMap map) {
        return Acceptance.of(map, jobClass, family.driveGroups());
    }

    /** Channels of the last map that fail what they print, worst first; one allowed gap is left alone. */
    public List<String> affected() {
        return lastMap()
                .map(map -> acceptance(map).channels().entrySet().stream()
                        .filter(e -> e.getValue().verdict() == Acceptance.Verdict.NOT_MET)
                        .sorted(Comparator.comparing((Map.Entry<String, Acceptance.ChannelVerdict> e) ->
                                        -e.getValue().out())
                                .thenComparing(e -> -e.getValue().weak())
                                .thenComparing(e -> -e.getValue().deflected()))
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toList()))
                .orElse(List.of());
    }
}
