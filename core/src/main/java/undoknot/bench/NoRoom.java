package undoknot.bench;

/** A day cannot be made: some work fits nowhere. */
public final class NoRoom extends RuntimeException {

    private static final long serialVersionUID = 1;

    /** Why it cannot. */
    public enum Why {
        /** No stretch of anybody's hours is long enough, or a place that it needs is missing. */
        FITS_NOWHERE,
        /** It would have to begin before what comes before it is over. */
        FIXED_TOO_EARLY,
        /** What soaks before it may not run so long. */
        FIXED_TOO_LATE,
        /** Who should do it has other work then, or is not there. */
        PERSON_BUSY,
        /** The place that it needs is taken then. */
        PLACE_TAKEN
    }

    private final Why why;
    private final String key;

    NoRoom(Why why, String key) {
        super(why + " " + key);
        this.why = why;
        this.key = key;
    }

    public Why why() {
        return why;
    }

    /** Of the stint, as {@link Bench#key}. */
    public String key() {
        return key;
    }
}
