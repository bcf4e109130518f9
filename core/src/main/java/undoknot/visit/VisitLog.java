package undoknot.visit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import undoknot.head.Family;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
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

    /** Everything that looks found, in order, or that was seen meanwhile. */
    public List<Observation> looks() {
        return steps.stream()
                .filter(Step.Found.class::isInstance)
                .map(step -> ((Step.Found) step).observation())
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
        NozzleMap map = null;
        for (Checked check : checks()) {
            map = check.notPossible() ? null : check.map() == null ? map : check.map();
        }
        return Optional.ofNullable(map);
    }

    /**
     * The last map, with the nozzles that it leaves unread as they were read before, as long as nothing was done in between:
     * a second reading completes the first.
     */
    public Optional<NozzleMap> completedMap() {
        NozzleMap map = null;
        for (Step step : steps) {
            if (step instanceof Worked || step instanceof Checked check && check.notPossible()) {
                map = null;
            } else if (step instanceof Checked check && check.map() != null) {
                map = map == null ? check.map() : check.map().completedBy(map);
            }
        }
        return map == null ? lastMap() : Optional.of(map);
    }

    /** How many readings in a row were taken since anything was done. */
    public int readingsInARow() {
        int readings = 0;
        for (Step step : steps) {
            readings = step instanceof Worked ? 0 : step instanceof Checked ? readings + 1 : readings;
        }
        return readings;
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

    /** The first reading that is like the last one; empty when the last has none before it. */
    public Optional<Checked> firstLikeLast() {
        Checked last = lastRead().orElse(null);
        return last == null
                ? Optional.empty()
                : checks().stream().filter(c -> c != last && isLike(c, last)).findFirst();
    }

    /** The last reading of any kind. */
    public Optional<Checked> lastRead() {
        return checks().stream()
                .filter(c -> c.map() != null || c.coarse() != null)
                .reduce((a, b) -> b);
    }

    private static boolean isLike(Checked a, Checked b) {
        return a.map() != null && b.map() != null
                || a.coarse() != null
                        && b.coarse() != null
                        && a.coarse().kind() == b.coarse().kind();
    }

    /** The last reading against the first that is like it, by nozzles or by steps of a coarse reading; empty without two. */
    public Optional<Counts> firstToLast() {
        return firstLikeLast().map(first -> {
            Checked last = lastRead().orElseThrow();
            return first.map() != null
                    ? Comparison.of(first.map(), last.map()).total()
                    : CoarseReading.counts(first.coarse(), last.coarse()).values().stream()
                            .reduce(Counts.NONE, Counts::plus);
        });
    }

    /** Pairs of maps in order; readings that are not maps are passed over, their work belongs to the round. */
    public List<Round> rounds() {
        return rounds(c -> c.map() != null);
    }

    /** Pairs of readings like the last one: only like is compared with like. */
    public List<Round> roundsLikeLast() {
        CoarseReading.Kind kind =
                lastCheck().map(Checked::coarse).map(CoarseReading::kind).orElse(null);
        return kind == null
                ? rounds()
                : rounds(c -> c.coarse() != null && c.coarse().kind() == kind);
    }

    private List<Round> rounds(Predicate<Checked> counts) {
        List<Round> rounds = new ArrayList<>();
        Checked before = null;
        List<Worked> work = new ArrayList<>();
        for (Step step : steps) {
            if (step instanceof Worked worked) {
                work.add(worked);
            } else if (step instanceof Checked check && counts.test(check)) {
                if (before != null) {
                    rounds.add(new Round(before, List.copyOf(work), check));
                }
                before = check;
                work.clear();
            }
        }
        return rounds;
    }

    /**
     * Rounds from verdict to verdict (handbook 13, rule 3): the checks, cycles and rests that let a treatment settle belong to
     * its round and take no credit of their own; a cycle that no treatment went before is one itself.
     */
    public static List<Round> verdicts(List<Round> rounds) {
        List<Round> verdicts = new ArrayList<>();
        for (Round round : rounds) {
            Round last = verdicts.isEmpty() ? null : verdicts.get(verdicts.size() - 1);
            boolean belongs = last != null && (round.work().isEmpty() || round.settles() && !last.settles());
            if (belongs) {
                verdicts.set(verdicts.size() - 1, last.and(round));
            } else if (!round.work().isEmpty()) {
                verdicts.add(round);
            }
        }
        return verdicts;
    }

    public int times(Method method) {
        return (int) work().stream().filter(w -> w.method() == method).count();
    }

    /** How often a method was used on any of these channels; a printer cycle counts as often as it was run. */
    public int times(Method method, Collection<String> channels) {
        return work().stream()
                .filter(w -> w.method() == method)
                .filter(w -> channels.stream().anyMatch(w::touches))
                .mapToInt(VisitLog::goes)
                .sum();
    }

    private static int goes(Worked work) {
        return work.treatment() instanceof Treatment.Cycle cycle ? cycle.count() : 1;
    }

    /**
     * Printer cycles that a channel had before any work with hands, those told at take-in included (handbook 4 and 8). Cycles
     * after work with hands let it settle and count anew.
     */
    public int cleaningCycles(String channel) {
        int cycles = told.stream()
                .mapToInt(o -> o.facts().getOrDefault(Fact.CYCLES, 0))
                .max()
                .orElse(0);
        for (Worked work : work()) {
            if (work.touches(channel) && !work.method().settles()) {
                return cycles;
            }
            cycles += work.method() == Method.CYCLE && work.touches(channel) ? goes(work) : 0;
        }
        return cycles;
    }

    /** Whether hands have worked on a channel: cycles after that are no cleaning of their own. */
    public boolean isWorkedByHand(String channel) {
        return work().stream().anyMatch(w -> w.touches(channel) && !w.method().settles());
    }

    /** Cycles of one channel since hands last worked on it. */
    public int cyclesSinceHands(String channel) {
        int cycles = 0;
        for (Worked work : work()) {
            if (work.touches(channel)) {
                cycles = !work.method().settles() ? 0 : cycles + (work.method() == Method.CYCLE ? goes(work) : 0);
            }
        }
        return cycles;
    }

    /** How a map stands against what the head prints. */
    public Acceptance acceptance(NozzleMap map) {
        return Acceptance.of(map, jobClass, family.driveGroups());
    }

    /** How the last reading stands against what the head prints; null when it shows no print, or none is possible. */
    public Acceptance.Verdict verdict() {
        Checked last = lastCheck().orElse(null);
        if (last == null || last.notPossible() || last.notTaken() || last.isOffMachine()) {
            return null;
        }
        if (last.coarse() != null) {
            return affected().isEmpty() ? Acceptance.Verdict.MET : Acceptance.Verdict.NOT_MET;
        }
        return completedMap().map(map -> acceptance(map).verdict()).orElse(null);
    }

    /**
     * Channels that fail what they print, worst first; one allowed gap is left alone. By bars and streams those that are not
     * at their best; channels that such a reading left out stand as the last map has them.
     */
    public List<String> affected() {
        Optional<CoarseReading> coarse = lastCheck().map(Checked::coarse);
        if (coarse.isEmpty()) {
            return isUnread() ? suspected() : affectedByMap();
        }
        List<String> affected = new ArrayList<>(coarse.get().channels().entrySet().stream()
                .filter(e ->
                        e.getValue().level() != null && !e.getValue().level().isBest())
                .sorted(Comparator.comparing(
                        (Map.Entry<String, CoarseReading.Line> e) ->
                                e.getValue().level(),
                        Comparator.reverseOrder()))
                .map(Map.Entry::getKey)
                .toList());
        affectedByMap().stream()
                .filter(code -> !coarse.get().channels().containsKey(code)
                        || coarse.get().channels().get(code).level() == null)
                .forEach(affected::add);
        return affected;
    }

    /** Whether nothing was read so far, although no fault forbids it. */
    public boolean isUnread() {
        return lastCheck().filter(Checked::notTaken).isPresent()
                && checks().stream().allMatch(Checked::notTaken);
    }

    /** Channels that a symptom was told of; every channel where none was named. */
    public List<String> suspected() {
        List<String> all =
                family.channels().stream().map(channel -> channel.code()).toList();
        List<String> named = all.stream()
                .filter(code ->
                        told.stream().anyMatch(o -> o.sign() == Sign.TOLD_IN_CHANNEL && code.equals(o.channel())))
                .toList();
        return named.isEmpty() ? all : named;
    }

    /** Whether a channel prints nothing at all. */
    public boolean isWhollyOut(String channel) {
        Optional<CoarseReading> coarse = lastCheck().map(Checked::coarse);
        if (coarse.isPresent()) {
            CoarseReading.Line line = coarse.get().channels().get(channel);
            return line != null && line.level() == CoarseReading.Level.BAR_ABSENT;
        }
        return completedMap()
                .filter(map -> ChannelFeatures.of(map.channel(channel), 1).whollyOut())
                .isPresent();
    }

    /** Channels that fail by their bent dashes alone, if they fail. */
    public Set<String> bentAlone() {
        if (lastCheck().map(Checked::coarse).isPresent()) {
            return Set.of();
        }
        return completedMap().stream()
                .flatMap(map -> acceptance(map).channels().entrySet().stream())
                .filter(e -> e.getValue().out() <= e.getValue().allowedOut()
                        && e.getValue().weak() <= e.getValue().allowedWeak()
                        && !e.getValue().densityStep())
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    private List<String> affectedByMap() {
        return completedMap()
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
