package undoknot.diagnosis;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/**
 * How often a head comes in with each cause, before anything is known of it. The causes may hold together, so the shares
 * need not add up to one.
 *
 * @param shares chance of each cause, above 0 and below 1
 */
public record Priors(Map<Cause, Double> shares) {

    /** Starting beliefs; a shop may set others for a family. */
    public static final Priors DEFAULT = new Priors(Map.ofEntries(
            Map.entry(Cause.DRIED_INK, 0.35),
            Map.entry(Cause.AIR, 0.12),
            Map.entry(Cause.SUPPLY_RESTRICTED, 0.10),
            Map.entry(Cause.CARTRIDGE_FAULT, 0.08),
            Map.entry(Cause.SERVICE_STATION, 0.12),
            Map.entry(Cause.FACE_DEBRIS, 0.06),
            Map.entry(Cause.CARRIAGE_DIRT, 0.03),
            Map.entry(Cause.ELECTRICAL, 0.06),
            Map.entry(Cause.CONTACTS, 0.04),
            Map.entry(Cause.ALIGNMENT_ENCODER, 0.03),
            Map.entry(Cause.PLATE_DAMAGE, 0.03),
            Map.entry(Cause.UNSUITABLE_INK, 0.04),
            Map.entry(Cause.NOT_THE_HEAD, 0.03)));

    public Priors {
        Map<Cause, Double> all = new EnumMap<>(Cause.class);
        for (Cause cause : Cause.values()) {
            Double share = shares.get(cause);
            if (share == null || !(share > 0 && share < 1)) {
                throw new IllegalArgumentException("the share of " + cause + " must lie between 0 and 1, was " + share);
            }
            all.put(cause, share);
        }
        shares = Collections.unmodifiableMap(all);
    }

    /** These with some shares set anew. */
    public Priors with(Map<Cause, Double> changed) {
        Map<Cause, Double> all = new EnumMap<>(shares);
        all.putAll(changed);
        return new Priors(all);
    }

    double share(Cause cause) {
        return shares.get(cause);
    }
}
