package undoknot.server.write;

import java.time.Instant;
import undoknot.server.problem.Refused;

/** When something was begun that is entered later: never in the future, never before the head was taken in. */
public final class BegunAt {

    private BegunAt() {}

    /**
     * @param said when it was begun; null for now
     * @throws Refused on the entry {@code begunAt} when that cannot be
     */
    public static Instant of(Instant said, Instant takenInAt, Instant now) {
        if (said == null) {
            return now;
        }
        if (said.isAfter(now)) {
            throw Refused.entry("begunAt", "FUTURE", "This is still to come. Enter when it was begun.");
        }
        if (said.isBefore(takenInAt)) {
            throw Refused.entry("begunAt", "BEFORE", "The head was not here yet. Enter a time after its take-in.");
        }
        return said;
    }

    /**
     * When work that is entered later was over; null when it still runs.
     *
     * @throws Refused on the entry {@code endedAt} when it lies before its begin or in the future, or when it was not begun before
     */
    public static Instant endedAt(Instant said, Instant begun, Instant now) {
        if (said == null) {
            return null;
        }
        if (begun == null || said.isBefore(begun) || said.isAfter(now)) {
            throw Refused.entry(
                    "endedAt", "RANGE", "Enter when it was over: after it was begun, and not in the future.");
        }
        return said;
    }

    /** When it was typed, if that is to be kept. */
    public static Instant enteredAt(Instant begun, Instant now) {
        return begun.equals(now) ? null : now;
    }
}
