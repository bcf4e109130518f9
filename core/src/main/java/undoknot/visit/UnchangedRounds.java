package undoknot.visit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;

/** Rounds in a row that left a channel's gaps as they were (handbook 5 and 13). */
public final class UnchangedRounds {

    /** So many speak for something that fluid does not reach (handbook 13, rule 6). */
    public static final int ENOUGH = 2;

    private UnchangedRounds() {}

    /**
     * How many of the last rounds that reached a channel left its gaps unchanged, without a break. A channel that was never
     * treated has none.
     */
    public static Map<String, Integer> of(List<Round> rounds) {
        Map<String, Integer> unchanged = new LinkedHashMap<>();
        for (Round round : rounds) {
            round.counts().forEach((code, counts) -> {
                if (round.touches(code)) {
                    unchanged.merge(code, isUnchanged(counts) ? 1 : 0, (before, one) -> one == 0 ? 0 : before + 1);
                }
            });
        }
        return unchanged;
    }

    /** Gaps that stayed; where nothing is out, pale dashes that stayed pale. */
    private static boolean isUnchanged(Counts counts) {
        Movement.Thresholds t = Movement.Thresholds.DEFAULT;
        return switch (Movement.of(counts, t)) {
            case UNCHANGED -> true;
            case NOTHING_OUT ->
                counts.weakBefore() > 0
                        && Math.abs(counts.weakNow() - counts.weakBefore())
                                <= t.unchangedRecovery() * counts.weakBefore();
            default -> false;
        };
    }
}
