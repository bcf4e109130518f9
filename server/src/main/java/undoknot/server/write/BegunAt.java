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

    /** When it was typed, if that is to be kept. */
    public static Instant enteredAt(Instant begun, Instant now) {
        return begun.equals(now) ? null : now;
    }
}
