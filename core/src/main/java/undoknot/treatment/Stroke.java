package undoknot.treatment;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Objects;
import java.util.UUID;
import undoknot.flow.Syringe;

/**
 * Fluid pushed in, or drawn, at one port.
 *
 * @param id its key while a sitting grows; null for one logged before strokes had any
 * @param at when it ended; null when nobody said
 * @param volumeMl dose, mL; zero where nothing is drawn from a bottle
 * @param seconds time of the stroke, s; null when it was not timed
 * @param syringe which was used, null when nobody said
 * @param force how hard the thumb pushed, null when nobody said
 * @param suctionKpa greatest suction, kPa; null where it is not asked, or nobody read a gauge
 */
public record Stroke(
        UUID id,
        Instant at,
        String channel,
        BigDecimal volumeMl,
        Double seconds,
        Seen seen,
        Syringe syringe,
        Syringe.Thumb force,
        Double suctionKpa) {

    public Stroke(
            String channel,
            BigDecimal volumeMl,
            double seconds,
            Treatment.Resistance resistance,
            Treatment.Effluent effluent,
            Treatment.Stream stream) {
        this(null, null, channel, volumeMl, seconds, Seen.of(resistance, effluent, stream), null, null, null);
    }

    /** @throws IllegalArgumentException when the volume, seconds or suction are negative or no number */
    public Stroke {
        Objects.requireNonNull(channel, "channel");
        Treatment.notNegative("volumeMl", volumeMl);
        Treatment.notNegative("seconds", seconds == null ? 0 : seconds);
        Treatment.notNegative("suctionKpa", suctionKpa == null ? 0 : suctionKpa);
        seen = Objects.requireNonNullElse(seen, Seen.NOTHING);
    }

    /** The same, ended at another time. */
    public Stroke at(Instant when) {
        return new Stroke(id, when, channel, volumeMl, seconds, seen, syringe, force, suctionKpa);
    }

    public Treatment.Resistance resistance() {
        return seen.resistance();
    }

    public boolean wouldNotGo() {
        return seen.resistance() == Treatment.Resistance.WOULD_NOT_GO;
    }
}
