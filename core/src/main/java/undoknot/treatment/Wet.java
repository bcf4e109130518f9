package undoknot.treatment;

import java.time.Duration;

/** How far a head got wet, with the time it is then kept from power (handbook 12, hold after wet work). */
public enum Wet {
    /** Removed, and only the base wet; needs moving air. */
    BASE_ONLY(Duration.ofHours(2)),
    /** Body, ports outside or contacts wet. */
    BODY(Duration.ofHours(12)),
    BOARD(Duration.ofHours(24));

    private final Duration hold;

    Wet(Duration hold) {
        this.hold = hold;
    }

    /** Hold of a head that is not laminated. */
    Duration hold() {
        return hold;
    }

    /** The further of two. */
    public Wet or(Wet other) {
        return other == null || compareTo(other) >= 0 ? this : other;
    }
}
