package undoknot.nozzle;

import java.util.BitSet;

/** Neighbouring nozzles first..first+length-1; length 0 when there is none. */
public record Run(int first, int length) {

    /** The longest run of set bits, the first of equals. */
    public static Run longestIn(BitSet nozzles) {
        Run longest = new Run(0, 0);
        for (int first = nozzles.nextSetBit(0); first >= 0; ) {
            int end = nozzles.nextClearBit(first);
            if (end - first > longest.length) {
                longest = new Run(first, end - first);
            }
            first = nozzles.nextSetBit(end);
        }
        return longest;
    }
}
