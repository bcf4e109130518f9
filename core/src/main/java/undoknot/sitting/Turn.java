package undoknot.sitting;

import java.time.Instant;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.UUID;
import undoknot.treatment.Treatment;

/**
 * One turn of a rinse: water one way, and what came out (handbook 8).
 *
 * @param id its key
 * @param at when it was noted; null when nobody said
 * @param way where the water goes in; null when nobody said
 * @param seen channels whose colour came out
 * @param clear channels that ran clear at its end
 * @param lumps whether lumps came out; null when nobody looked
 * @param waterC temperature of the water, °C; null when nobody measured
 * @param deionised whether it was the last rinse with deionised water; null when nobody said
 */
public record Turn(
        UUID id,
        Instant at,
        Way way,
        Set<String> seen,
        Set<String> clear,
        Boolean lumps,
        Double waterC,
        Boolean deionised) {

    /** The way that the water takes. */
    public enum Way {
        IN_AT_PORTS,
        IN_AT_FACE
    }

    /** @throws IllegalArgumentException when the temperature is no number */
    public Turn {
        seen = inOrder(seen);
        clear = inOrder(clear);
        Treatment.number("waterC", waterC == null ? 0 : waterC);
    }

    private static Set<String> inOrder(Collection<String> codes) {
        return Collections.unmodifiableSet(new LinkedHashSet<>(codes));
    }
}
