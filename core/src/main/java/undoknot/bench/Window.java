package undoknot.bench;

/**
 * A stretch of time.
 *
 * @param from minutes after the start of the day, included
 * @param until minutes after the start of the day, left out
 */
public record Window(int from, int until) {

    public Window {
        if (until < from) {
            throw new IllegalArgumentException("until must not lie before from, was " + from + " and " + until);
        }
    }

    public int minutes() {
        return until - from;
    }

    boolean holds(int start, int end) {
        return from <= start && end <= until;
    }

    boolean meets(int start, int end) {
        return from < end && start < until;
    }
}
