package undoknot.nozzle;

import java.util.Arrays;
import java.util.BitSet;

/**
 * The reading of one channel: a state for each nozzle 1..size.
 *
 * <p>Five states need three bits. They are kept as three bit planes, 64 nozzles a word, so that questions about a whole
 * channel (how many out, which are restored) are a few word operations and a population count.
 */
public final class ChannelMap {

    private static final int PLANES = 3;

    private final int size;
    private final long[][] planes;

    private ChannelMap(int size, long[][] planes) {
        this.size = size;
        this.planes = planes;
    }

    /** A channel whose nozzles all have one state. */
    public static ChannelMap filled(int size, NozzleState state) {
        if (size < 1) {
            throw new IllegalArgumentException("size must be at least 1, was " + size);
        }
        char[] text = new char[size];
        Arrays.fill(text, state.letter());
        return of(new String(text));
    }

    /**
     * Reads the compact text: one letter a nozzle, nozzle 1 first.
     *
     * @throws IllegalArgumentException when the text is empty or has another letter than F W D M U
     */
    public static ChannelMap of(String text) {
        if (text.isEmpty()) {
            throw new IllegalArgumentException("a channel has at least one nozzle");
        }
        int size = text.length();
        long[][] planes = new long[PLANES][(size + 63) >>> 6];
        for (int i = 0; i < size; i++) {
            int ordinal = NozzleState.ofLetter(text.charAt(i)).ordinal();
            for (int p = 0; ordinal >>> p != 0; p++) {
                planes[p][i >>> 6] |= (long) (ordinal >>> p & 1) << (i & 63);
            }
        }
        return new ChannelMap(size, planes);
    }

    /** A copy in which the given nozzles (numbered from 1) have another state. */
    public ChannelMap with(BitSet nozzles, NozzleState state) {
        long[][] copy = new long[PLANES][];
        for (int p = 0; p < PLANES; p++) {
            copy[p] = planes[p].clone();
        }
        for (int n = nozzles.nextSetBit(0); n >= 0; n = nozzles.nextSetBit(n + 1)) {
            put(copy, index(n), state);
        }
        return new ChannelMap(size, copy);
    }

    /** The same with the nozzles that it leaves unread as another of its size has them. */
    ChannelMap completedBy(ChannelMap earlier) {
        BitSet unread = nozzles(NozzleState.UNREAD);
        ChannelMap completed = this;
        for (NozzleState state : NozzleState.values()) {
            BitSet known = earlier.nozzles(state);
            known.and(unread);
            completed = known.isEmpty() ? completed : completed.with(known, state);
        }
        return completed;
    }

    private static void put(long[][] planes, int i, NozzleState state) {
        for (int p = 0; p < PLANES; p++) {
            long bit = 1L << (i & 63);
            if ((state.ordinal() >>> p & 1) == 1) {
                planes[p][i >>> 6] |= bit;
            } else {
                planes[p][i >>> 6] &= ~bit;
            }
        }
    }

    public int size() {
        return size;
    }

    /** State of a nozzle, numbered from 1. */
    public NozzleState state(int nozzle) {
        int i = index(nozzle);
        int ordinal = 0;
        for (int p = 0; p < PLANES; p++) {
            ordinal |= (int) (planes[p][i >>> 6] >>> (i & 63) & 1) << p;
        }
        return NozzleState.ofOrdinal(ordinal);
    }

    private int index(int nozzle) {
        if (nozzle < 1 || nozzle > size) {
            throw new IndexOutOfBoundsException("nozzle must be 1 to " + size + ", was " + nozzle);
        }
        return nozzle - 1;
    }

    public int count(NozzleState state) {
        int count = 0;
        for (int w = 0; w < words(); w++) {
            count += Long.bitCount(word(state, w));
        }
        return count;
    }

    /** Nozzles in a state, numbered from 1. */
    public BitSet nozzles(NozzleState state) {
        BitSet found = new BitSet(size + 1);
        for (int w = 0; w < words(); w++) {
            for (long bits = word(state, w); bits != 0; bits &= bits - 1) {
                found.set((w << 6) + Long.numberOfTrailingZeros(bits) + 1);
            }
        }
        return found;
    }

    int words() {
        return planes[0].length;
    }

    /** The 64 nozzles of word w as bits: set where the nozzle has the state. */
    long word(NozzleState state, int w) {
        int code = state.ordinal();
        long bits = -1L;
        for (int p = 0; p < PLANES; p++) {
            bits &= (code >>> p & 1) == 1 ? planes[p][w] : ~planes[p][w];
        }
        return bits & inRange(w);
    }

    /** Bits of word w that stand for a nozzle; the last word is seldom full. */
    long inRange(int w) {
        int left = size - (w << 6);
        return left >= 64 ? -1L : (1L << left) - 1;
    }

    /** The compact text, see {@link #of(String)}. */
    @Override
    public String toString() {
        char[] text = new char[size];
        Arrays.fill(text, NozzleState.FIRING.letter());
        // Most nozzles fire, so only the others are looked up one by one.
        for (int w = 0; w < words(); w++) {
            for (long bits = ~word(NozzleState.FIRING, w) & inRange(w); bits != 0; bits &= bits - 1) {
                int i = (w << 6) + Long.numberOfTrailingZeros(bits);
                text[i] = state(i + 1).letter();
            }
        }
        return new String(text);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ChannelMap map && map.size == size && Arrays.deepEquals(map.planes, planes);
    }

    @Override
    public int hashCode() {
        return 31 * size + Arrays.deepHashCode(planes);
    }
}
