package undoknot.bench;

import java.time.Duration;
import java.util.Objects;
import undoknot.head.Construction;

/** How long a head may not be powered after wet work (handbook 12, hold after wet work). */
public final class DryHold {

    /** What got wet. */
    public enum Wet {
        /** Treated in place, contacts dry, looked at. */
        IN_PLACE(Duration.ZERO),
        /** Head removed and only the base wet; needs moving air. */
        BASE_ONLY(Duration.ofHours(2)),
        /** Body, ports or contacts wet. */
        BODY(Duration.ofHours(12)),
        BOARD(Duration.ofHours(24));

        private final Duration hold;

        Wet(Duration hold) {
            this.hold = hold;
        }
    }

    private static final Duration LAMINATED = Duration.ofHours(24);

    private DryHold() {}

    /**
     * The hold a part needs. A laminated head always takes the longest once it was wet outside the carriage.
     *
     * @param atLeast what the shop holds every head for that was wet outside the carriage; it only lengthens
     */
    public static Duration of(Wet wet, Construction construction, Duration atLeast) {
        Objects.requireNonNull(wet, "wet");
        Objects.requireNonNull(construction, "construction");
        if (atLeast.isNegative()) {
            throw new IllegalArgumentException("atLeast must not be negative, was " + atLeast);
        }
        if (wet == Wet.IN_PLACE) {
            return wet.hold;
        }
        Duration needed = construction == Construction.LAMINATED_PIEZO ? LAMINATED : wet.hold;
        return needed.compareTo(atLeast) < 0 ? atLeast : needed;
    }
}
