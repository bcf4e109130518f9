package undoknot.visit;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Step.Checked;
import undoknot.visit.Step.Worked;

/** Two maps that follow one another, and the work between them. */
public record Round(Checked before, List<Worked> work, Checked after) {

    public Round {
        Objects.requireNonNull(before, "before");
        work = List.copyOf(work);
        Objects.requireNonNull(after, "after");
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

    public Set<String> channels() {
        return work.stream().flatMap(w -> w.treatment().channels().stream()).collect(Collectors.toSet());
    }

    /** Channels whose port took fluid. */
    public Set<String> flowed() {
        return work.stream()
                .map(Worked::treatment)
                .filter(t -> t instanceof Treatment.Flush flush && flush.isFlush())
                .flatMap(t -> ((Treatment.Flush) t).strokes().stream())
                .filter(s -> !s.wouldNotGo())
                .map(Stroke::channel)
                .collect(Collectors.toSet());
    }
}
