package undoknot.visit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;

/** Rounds in a row that left a channel's gaps as they were (handbook 5 and 13). */
public final class UnchangedRounds {

    /** So many speak for something that fluid does not reach (handbook 13, rule 6). */
    public static final int ENOUGH = 2;

    private UnchangedRounds() {}

    /** How many of the last rounds with work in them left a channel's gaps unchanged, without a break. */
    public static Map<String, Integer> of(List<Round> rounds) {
        Map<String, Integer> unchanged = new LinkedHashMap<>();
        for (Round round : rounds) {
            if (round.work().isEmpty()) {
                continue;
            }
            Comparison.of(round.before().map(), round.after().map())
                    .channels()
                    .forEach((code, counts) -> unchanged.merge(
                            code, isUnchanged(counts) ? 1 : 0, (before, one) -> one == 0 ? 0 : before + 1));
        }
        return unchanged;
    }

    private static boolean isUnchanged(Counts counts) {
        return Movement.of(counts, Movement.Thresholds.DEFAULT) == Movement.UNCHANGED;
    }
}
