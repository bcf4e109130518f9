package undoknot.outcome;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.Counts;

/** How a visit ends. */
public enum Outcome {
    RECOVERED,
    IMPROVED,
    /** The nozzles were sound from the start; what was complained of is mended. */
    FAULT_MENDED,
    NOT_RECOVERABLE,
    STOPPED_FOR_COST,
    /** Its stream or draw is whole, and no print has shown it: a head that cannot print here (handbook 5). */
    READY_TO_REFIT,
    /** Another ink runs in it. */
    CHANGED_OVER,
    /** Its system stands full of cleaner. */
    STORED_CLEAN,
    /** Its system was flushed and the saved ink runs again. */
    INK_RETURNED,
    /** Nothing was wrong with it, or nothing was asked for. */
    CHECKED,
    /** An ink change or a flush that was not brought to its end. */
    LEFT_UNFINISHED;

    /** Whether it claims that a print was accepted. */
    public boolean saysAccepted() {
        return this == RECOVERED
                || this == FAULT_MENDED
                || this == CHANGED_OVER
                || this == INK_RETURNED
                || this == CHECKED;
    }

    /** Why a claimed outcome does not agree with the readings. */
    public enum Doubt {
        /** It is kept from power: it is held, or something lies under it. */
        NO_POWER,
        /** Recovered is claimed, but the last check does not meet acceptance. */
        NOT_ACCEPTED,
        /** Recovered is claimed, but acceptance hangs on nozzles that were not read. */
        ACCEPTANCE_UNSURE,
        /** There is no nozzle map to show for it. */
        NO_MAP,
        /** Improved is claimed, but no fewer nozzles are out than at first. */
        NOT_FEWER_OUT,
        /** The head is given up although the last check meets acceptance. */
        ACCEPTED_AFTER_ALL,
        /** Ready to refit is claimed, but no stream or draw shows every channel whole. */
        STREAM_NOT_WHOLE,
        /** The steps of an ink change or a flush are not all done. */
        STEPS_OPEN,
        /** Work was done that no check has followed. */
        WORK_UNCHECKED,
        /** A complaint that no check shows is not proven gone by a page. */
        NOT_PROVEN,
        /** What a look found and hands can mend is not mended (handbook 13, rule 0). */
        FOUND_LEFT,
        /** A station that crusted is not cleaned once more after what went into it (rule 2). */
        STATION_LEFT,
        /** Nobody has seen acceptance hold after one saturated page (rule 1). */
        PAGE_LEFT,
        /** Passes of an alignment were printed that did not settle, and nobody let them stand. */
        ALIGNMENT_OPEN;

        /** Whether it speaks against a claim while it is open. */
        public boolean holdsAgainst(Outcome claim) {
            return switch (this) {
                case WORK_UNCHECKED -> claim.saysAccepted() || claim == IMPROVED || claim == READY_TO_REFIT;
                case NOT_PROVEN, FOUND_LEFT, STATION_LEFT, ALIGNMENT_OPEN -> claim.saysAccepted();
                case PAGE_LEFT -> claim == RECOVERED || claim == FAULT_MENDED;
                default -> false;
            };
        }
    }

    /**
     * What there is to show for a claim.
     *
     * @param verdict acceptance of the last print, by map or by bars; null when there is none
     * @param firstToLast the last reading against the first of its kind, null when there are not two
     * @param readyToRefit whether the last reading off the machine shows every channel whole
     * @param stepsDone whether every step of an ink change or a flush is done
     * @param open what a good last reading does not show and is still open
     */
    public record Shown(
            Acceptance.Verdict verdict, Counts firstToLast, boolean readyToRefit, boolean stepsDone, Set<Doubt> open) {

        public Shown {
            open = Set.copyOf(open);
        }

        /** With nothing left open at the end. */
        public Shown(Acceptance.Verdict verdict, Counts firstToLast, boolean readyToRefit, boolean stepsDone) {
            this(verdict, firstToLast, readyToRefit, stepsDone, Set.of());
        }
    }

    /** The first of {@link #doubts}. */
    public Optional<Doubt> doubt(Shown shown) {
        return doubts(shown).stream().findFirst();
    }

    /**
     * Holds the claim against what there is to show: the readings first, then what is open, in the order in which it is seen to. A
     * doubt may be overruled with a reason, which the report shows.
     */
    public List<Doubt> doubts(Shown shown) {
        return Stream.concat(
                        ofReadings(shown).stream(),
                        shown.open().stream()
                                .filter(doubt -> doubt.holdsAgainst(this))
                                .sorted())
                .toList();
    }

    private Optional<Doubt> ofReadings(Shown shown) {
        return switch (this) {
            case READY_TO_REFIT -> shown.readyToRefit() ? Optional.empty() : Optional.of(Doubt.STREAM_NOT_WHOLE);
            case STORED_CLEAN -> shown.stepsDone() ? Optional.empty() : Optional.of(Doubt.STEPS_OPEN);
            case CHANGED_OVER, INK_RETURNED ->
                shown.stepsDone() ? accepted(shown.verdict()) : Optional.of(Doubt.STEPS_OPEN);
            case CHECKED, FAULT_MENDED -> accepted(shown.verdict());
            case LEFT_UNFINISHED -> Optional.empty();
            default -> doubt(shown.verdict(), shown.firstToLast());
        };
    }

    private static Optional<Doubt> accepted(Acceptance.Verdict verdict) {
        return RECOVERED.doubt(verdict, null);
    }

    /**
     * Holds the claim against the readings alone.
     *
     * @param verdict acceptance of the last map, null when there is no map
     * @param firstToLast the last map against the first, null when there are not two
     */
    public Optional<Doubt> doubt(Acceptance.Verdict verdict, Counts firstToLast) {
        switch (this) {
            case RECOVERED:
                if (verdict == null) {
                    return Optional.of(Doubt.NO_MAP);
                }
                return switch (verdict) {
                    case MET -> Optional.empty();
                    case UNSURE -> Optional.of(Doubt.ACCEPTANCE_UNSURE);
                    case NOT_MET -> Optional.of(Doubt.NOT_ACCEPTED);
                };
            case IMPROVED:
                if (firstToLast == null) {
                    return Optional.of(Doubt.NO_MAP);
                }
                return firstToLast.outNow() < firstToLast.outBefore()
                        ? Optional.empty()
                        : Optional.of(Doubt.NOT_FEWER_OUT);
            default:
                return verdict == Acceptance.Verdict.MET ? Optional.of(Doubt.ACCEPTED_AFTER_ALL) : Optional.empty();
        }
    }
}
