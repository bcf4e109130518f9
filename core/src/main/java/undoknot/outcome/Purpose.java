package undoknot.outcome;

import java.util.EnumSet;
import java.util.Set;

/** What a head comes in for (handbook 3), and how such a visit can end. */
public enum Purpose {
    REPAIR(
            Outcome.RECOVERED,
            Outcome.IMPROVED,
            Outcome.FAULT_MENDED,
            Outcome.READY_TO_REFIT,
            Outcome.NOT_RECOVERABLE,
            Outcome.STOPPED_FOR_COST),
    INK_CHANGE(Outcome.CHANGED_OVER, Outcome.READY_TO_REFIT, Outcome.LEFT_UNFINISHED),
    SYSTEM_FLUSH(Outcome.STORED_CLEAN, Outcome.INK_RETURNED, Outcome.LEFT_UNFINISHED),
    CHECK_OVER(
            Outcome.CHECKED,
            Outcome.RECOVERED,
            Outcome.IMPROVED,
            Outcome.FAULT_MENDED,
            Outcome.READY_TO_REFIT,
            Outcome.NOT_RECOVERABLE,
            Outcome.STOPPED_FOR_COST);

    private final Set<Outcome> outcomes;

    Purpose(Outcome... outcomes) {
        this.outcomes = EnumSet.noneOf(Outcome.class);
        this.outcomes.addAll(Set.of(outcomes));
    }

    /** In the order of {@link Outcome}. */
    public Set<Outcome> outcomes() {
        return EnumSet.copyOf(outcomes);
    }

    /** A symptom is asked of a repair alone. */
    public boolean asksSymptom() {
        return this == REPAIR;
    }

    /** Whether it is led by steps of its own instead of by what is wrong. */
    public boolean isProcedure() {
        return this == INK_CHANGE || this == SYSTEM_FLUSH;
    }
}
