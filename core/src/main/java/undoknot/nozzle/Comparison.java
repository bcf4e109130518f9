package undoknot.nozzle;

import java.util.LinkedHashMap;
import java.util.Map;

/** Two readings of one head, before and now, channel by channel and in all. */
public record Comparison(Map<String, Counts> channels, Counts total) {

    /**
     * Compares nozzle by nozzle.
     *
     * @throws IllegalArgumentException when the two are not of one layout; only like is compared with like
     */
    public static Comparison of(NozzleMap before, NozzleMap now) {
        if (!before.channels().keySet().equals(now.channels().keySet())) {
            throw new IllegalArgumentException("the two readings have other channels");
        }
        Map<String, Counts> channels = new LinkedHashMap<>();
        Counts total = Counts.NONE;
        for (Map.Entry<String, ChannelMap> entry : before.channels().entrySet()) {
            Counts counts = compare(entry.getValue(), now.channel(entry.getKey()));
            channels.put(entry.getKey(), counts);
            total = total.plus(counts);
        }
        return new Comparison(channels, total);
    }

    /** Counts of some channels together. */
    public Counts of(java.util.Set<String> codes) {
        return channels.entrySet().stream()
                .filter(e -> codes.contains(e.getKey()))
                .map(Map.Entry::getValue)
                .reduce(Counts.NONE, Counts::plus);
    }

    private static void sameSize(ChannelMap before, ChannelMap now) {
        if (before.size() != now.size()) {
            throw new IllegalArgumentException(
                    "the two readings have " + before.size() + " and " + now.size() + " nozzles");
        }
    }

    static Counts compare(ChannelMap before, ChannelMap now) {
        sameSize(before, now);
        int inBoth = 0, restored = 0, stillOut = 0, newlyOut = 0;
        int deflectedBefore = 0, deflectedNow = 0, weakBefore = 0, weakNow = 0;
        for (int w = 0; w < before.words(); w++) {
            long read = before.inRange(w) & ~before.word(NozzleState.UNREAD, w) & ~now.word(NozzleState.UNREAD, w);
            long a = before.word(NozzleState.MISSING, w) & read;
            long b = now.word(NozzleState.MISSING, w) & read;
            inBoth += Long.bitCount(read);
            restored += Long.bitCount(a & ~b);
            stillOut += Long.bitCount(a & b);
            newlyOut += Long.bitCount(b & ~a);
            deflectedBefore += Long.bitCount(before.word(NozzleState.DEFLECTED, w) & read);
            deflectedNow += Long.bitCount(now.word(NozzleState.DEFLECTED, w) & read);
            weakBefore += Long.bitCount(before.word(NozzleState.WEAK, w) & read);
            weakNow += Long.bitCount(now.word(NozzleState.WEAK, w) & read);
        }
        return new Counts(
                inBoth,
                before.size() - inBoth,
                restored,
                stillOut,
                newlyOut,
                deflectedBefore,
                deflectedNow,
                weakBefore,
                weakNow);
    }

    /**
     * What became of each nozzle of a channel, one letter a nozzle: R restored, S still out, N newly out, U left out
     * since unread in one of the two, and a point where it was out in neither.
     *
     * @throws IllegalArgumentException when the two have different numbers of nozzles
     */
    public static String fates(ChannelMap before, ChannelMap now) {
        sameSize(before, now);
        StringBuilder fates = new StringBuilder(before.size());
        for (int n = 1; n <= before.size(); n++) {
            NozzleState was = before.state(n);
            NozzleState is = now.state(n);
            boolean wasOut = was == NozzleState.MISSING;
            boolean isOut = is == NozzleState.MISSING;
            fates.append(
                    was == NozzleState.UNREAD || is == NozzleState.UNREAD
                            ? 'U'
                            : wasOut ? (isOut ? 'S' : 'R') : (isOut ? 'N' : '.'));
        }
        return fates.toString();
    }
}
