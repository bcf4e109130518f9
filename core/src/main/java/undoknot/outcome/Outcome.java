package undoknot.outcome;

import java.util.Optional;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.Counts;

/** How a visit ends. */
public enum Outcome {
    RECOVERED,
    IMPROVED,
    NOT_RECOVERABLE,
    STOPPED_FOR_COST;

    /** Why a claimed outcome does not agree with the readings. */
    public enum Doubt {
        /** Recovered is claimed, but the last check does not meet acceptance. */
        NOT_ACCEPTED,
        /** Recovered is claimed, but acceptance hangs on nozzles that were not read. */
        ACCEPTANCE_UNSURE,
        /** There is no nozzle map to show for it. */
        NO_MAP,
        /** Improved is claimed, but no fewer nozzles are out than at first. */
        NOT_FEWER_OUT,
        /** The head is given up although the last check meets acceptance. */
        ACCEPTED_AFTER_ALL
    }

    /**
     * Holds the claim against the readings. A doubt may be overruled with a reason, which the report shows.
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
