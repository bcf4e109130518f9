package undoknot.bench;

import java.util.List;

/** How a head stands to the day that was made: whether that still is its day. */
public enum Since {
    AS_PLANNED,
    /** It came after the day was made. */
    NEW,
    /** Other work is left than what was planned. */
    CHANGED,
    /** What should be over by now is not. */
    BEHIND,
    /** Nothing is left to do. */
    DONE;

    /** Later than this is behind, minutes. */
    private static final int LATE = 15;

    /**
     * A stint as it was planned.
     *
     * @param end minutes from now, before now when it should be over
     */
    public record Planned(String key, int end) {}

    /**
     * @param planned in the day that was made; empty when the head was not in it
     * @param left what it takes now, by key
     */
    public static Since of(List<Planned> planned, List<String> left) {
        if (left.isEmpty()) {
            return DONE;
        }
        if (planned.isEmpty()) {
            return NEW;
        }
        List<String> keys = planned.stream().map(Planned::key).toList();
        int done = keys.size() - left.size();
        // Work that is done falls away from the front.
        if (done < 0 || !keys.subList(done, keys.size()).equals(left)) {
            return CHANGED;
        }
        return planned.get(done).end() < -LATE ? BEHIND : AS_PLANNED;
    }
}
