package undoknot.visit;

/** What is waited for besides logged work (handbook 6 and 8), each with the time it is usually given. */
public enum Waiting {
    /** Drops on a port: through within the hour, or blocked. */
    DROP_TEST(60, true),
    COOL_DOWN(30, false),
    /** Fluid in hot water. */
    WARMING(10, false),
    /** Fluid left standing in a channel between two strokes of a flush. */
    BETWEEN_STROKES(10, false),
    /** Seals and small parts in a closed jar. */
    JAR(40, false);

    private final int minutes;
    private final boolean perChannel;

    Waiting(int minutes, boolean perChannel) {
        this.minutes = minutes;
        this.perChannel = perChannel;
    }

    /** Usual time, minutes. */
    public int minutes() {
        return minutes;
    }

    /** Whether it goes port by port. */
    public boolean perChannel() {
        return perChannel;
    }
}
