package undoknot.visit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Step.Checked;
import undoknot.visit.Step.Worked;

/** Two readings of one kind that follow one another, and the work between them. */
public record Round(Checked before, List<Worked> work, Checked after) {

    public Round {
        Objects.requireNonNull(before, "before");
        work = List.copyOf(work);
        Objects.requireNonNull(after, "after");
    }

    /** Whether both readings say one thing a nozzle. */
    public boolean isOfMaps() {
        return before.map() != null && after.map() != null;
    }

    /** What came of each channel that was read in both; a coarse reading counts its levels as if they were nozzles. */
    public Map<String, Counts> counts() {
        if (isOfMaps()) {
            return Comparison.of(before.map(), after.map()).channels();
        }
        return CoarseReading.counts(before.coarse(), after.coarse());
    }

    public Counts total() {
        return counts().values().stream().reduce(Counts.NONE, Counts::plus);
    }

    /** Whether it only let the head settle: cycles, fresh ink, a page or a rest. A strong cycle is a treatment of its own. */
    public boolean settles() {
        return work.stream().map(Worked::method).allMatch(m -> m.settles() && m != Method.CYCLE_STRONG);
    }

    public boolean touches(String channel) {
        return work.stream().anyMatch(w -> w.touches(channel));
    }

    /** Treatments that reached a channel, in order; what let it settle takes no credit beside them. */
    public List<Method> treatments(String channel) {
        List<Method> own = work.stream()
                .filter(w -> w.touches(channel))
                .map(Worked::method)
                .distinct()
                .toList();
        List<Method> treatments = own.stream()
                .filter(m -> !m.settles() || m == Method.CYCLE_STRONG)
                .toList();
        return treatments.isEmpty() ? own : treatments;
    }

    /** The last treatment that reached a channel. */
    public Optional<Method> lastTreatment(String channel) {
        return treatments(channel).stream().reduce((a, b) -> b);
    }

    /** The same treatment, judged by a later reading: what was done meanwhile belongs to it. */
    Round and(Round settled) {
        return new Round(
                before,
                java.util.stream.Stream.concat(work.stream(), settled.work.stream())
                        .toList(),
                settled.after);
    }

    /** What the work between tells; work that lets the head settle gives way to what it follows. */
    public WorkBetweenChecks between() {
        Set<WorkBetweenChecks> kinds = work.stream()
                .filter(w -> !w.method().settles())
                .map(w -> w.method().between())
                .collect(Collectors.toSet());
        if (kinds.size() == 1) {
            return kinds.iterator().next();
        }
        if (!kinds.isEmpty()) {
            return WorkBetweenChecks.OTHER;
        }
        if (work.isEmpty()) {
            return WorkBetweenChecks.NOTHING;
        }
        return work.stream().allMatch(w -> w.method() == Method.REST)
                ? WorkBetweenChecks.REST
                : WorkBetweenChecks.CYCLE;
    }

    /** What the work in one channel tells. */
    public WorkBetweenChecks between(String channel) {
        return new Round(before, work.stream().filter(w -> w.touches(channel)).toList(), after).between();
    }

    public Set<String> channels() {
        return work.stream().flatMap(w -> w.treatment().channels().stream()).collect(Collectors.toSet());
    }

    /** Channels whose port took fluid, or through which fluid went on the bench. */
    public Set<String> flowed() {
        Map<String, Boolean> flowed = new LinkedHashMap<>();
        for (Worked worked : work) {
            if (worked.treatment() instanceof Treatment.Flush flush && flush.isFlush()) {
                for (Stroke stroke : flush.strokes()) {
                    flowed.merge(stroke.channel(), !stroke.wouldNotGo(), Boolean::logicalOr);
                }
            } else if (worked.method() == Method.DRAW_BACK || worked.method() == Method.RINSE) {
                worked.treatment().channels().forEach(code -> flowed.put(code, true));
            }
        }
        return flowed.entrySet().stream()
                .filter(Map.Entry::getValue)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }
}
