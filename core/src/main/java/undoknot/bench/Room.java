package undoknot.bench;

import java.util.BitSet;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;

/** Whose hands and which places are free when, while a day is laid out. */
final class Room {

    /** Somebody is free then. */
    record Free(int person, int start) {}

    private final int horizon;
    private final BitSet[] busy;
    private final Map<Place, int[]> taken = new EnumMap<>(Place.class);
    private final Map<Place, Integer> have;

    /** @param horizon minutes looked ahead */
    Room(Bench bench, int horizon) {
        this.horizon = horizon;
        this.have = new EnumMap<>(Place.class);
        // More may stand there already than there is room for; no more than that.
        bench.have().forEach((place, most) -> have.put(place, Math.max(most, bench.standing(place))));
        this.busy = new BitSet[bench.people().size()];
        for (int p = 0; p < busy.length; p++) {
            busy[p] = new BitSet(horizon);
            busy[p].set(0, horizon);
            for (Window w : bench.people().get(p).atWork()) {
                busy[p].clear(clip(w.from()), clip(w.until()));
            }
        }
        for (Place place : Place.values()) {
            taken.put(place, new int[horizon]);
        }
    }

    private int clip(int minute) {
        return Math.max(0, Math.min(horizon, minute));
    }

    boolean isFree(int person, int start, int end) {
        int next = busy[person].nextSetBit(clip(start));
        return next < 0 ? end <= horizon : next >= end;
    }

    /** The first time from a minute on at which somebody has so long without a break; null within the horizon. */
    Free first(int from, int minutes) {
        Free best = null;
        for (int p = 0; p < busy.length; p++) {
            int start = busy[p].nextClearBit(clip(from));
            while (start + minutes <= horizon && (best == null || start < best.start)) {
                int end = busy[p].nextSetBit(start);
                if (end < 0 || end - start >= minutes) {
                    best = new Free(p, start);
                } else {
                    start = busy[p].nextClearBit(end);
                }
            }
        }
        return best;
    }

    /** The last minute of a stretch at which one of the places is full; -1 when none is. */
    int lastFull(Set<Place> places, int start, int end) {
        int last = -1;
        for (Place place : places) {
            int[] counts = taken.get(place);
            int most = have.get(place);
            for (int minute = clip(end) - 1; minute >= clip(start) && minute > last; minute--) {
                if (counts[minute] >= most) {
                    last = minute;
                }
            }
        }
        return last;
    }

    void work(int person, int start, int end) {
        busy[person].set(clip(start), clip(end));
    }

    void take(Set<Place> places, int start, int end) {
        for (Place place : places) {
            int[] counts = taken.get(place);
            for (int minute = clip(start); minute < clip(end); minute++) {
                counts[minute]++;
            }
        }
    }

    /** Whether nobody is at work or everybody has something else to do: what keeps a stint from a minute. */
    boolean isSomebodyFree(int minute) {
        for (BitSet one : busy) {
            if (!one.get(clip(minute))) {
                return true;
            }
        }
        return false;
    }
}
