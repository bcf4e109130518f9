package undoknot.observation;

import java.util.Map;
import java.util.Objects;

/**
 * One thing observed.
 *
 * @param sign what
 * @param channel code of the channel it was seen in, or null when it is about the whole head
 * @param facts the counts behind it, by name
 * @param from key of the check, finding or attempt it comes from, or null when it was told
 */
public record Observation(Sign sign, String channel, Map<Fact, Integer> facts, String from) {

    public Observation {
        Objects.requireNonNull(sign, "sign");
        facts = Map.copyOf(facts);
    }

    /** The same seen as another sign. */
    public Observation as(Sign other) {
        return new Observation(other, channel, facts, from);
    }

    public static Observation of(Sign sign, String channel) {
        return new Observation(sign, channel, Map.of(), null);
    }

    /** About the whole head. */
    public static Observation of(Sign sign) {
        return of(sign, null);
    }
}
