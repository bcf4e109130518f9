package undoknot.nozzle;

import java.util.BitSet;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What one channel's reading says (handbook 5).
 *
 * @param filledGroups the drive groups that the outage fills exactly, as a share of the channel; empty when it does not
 */
public record ChannelFeatures(
        int nozzles,
        int firing,
        int weak,
        int deflected,
        int out,
        int unread,
        Run longestRun,
        Optional<FilledGroups> filledGroups) {

    /** Groups {@code first}..{@code first+count-1} of {@code of} are wholly out, and nothing else is. */
    public record FilledGroups(int first, int count, int of) {}

    /** @param driveGroups drive groups per channel, 1 when the channel has only one */
    public static ChannelFeatures of(ChannelMap map, int driveGroups) {
        BitSet out = map.nozzles(NozzleState.MISSING);
        return new ChannelFeatures(
                map.size(),
                map.count(NozzleState.FIRING),
                map.count(NozzleState.WEAK),
                map.count(NozzleState.DEFLECTED),
                out.cardinality(),
                map.count(NozzleState.UNREAD),
                Run.longestIn(out),
                filledGroups(out, map.size(), driveGroups));
    }

    private static Optional<FilledGroups> filledGroups(BitSet out, int size, int driveGroups) {
        if (out.isEmpty() || driveGroups < 2 || size % driveGroups != 0) {
            return Optional.empty();
        }
        int perGroup = size / driveGroups;
        int first = out.nextSetBit(0);
        int end = out.nextClearBit(first);
        boolean oneRun = out.nextSetBit(end) < 0;
        int count = (end - first) / perGroup;
        boolean onBorders = (first - 1) % perGroup == 0 && (end - first) % perGroup == 0;
        // A channel that is out as a whole says nothing about its drive groups.
        return oneRun && onBorders && count < driveGroups
                ? Optional.of(new FilledGroups((first - 1) / perGroup + 1, count, driveGroups))
                : Optional.empty();
    }

    public int read() {
        return nozzles - unread;
    }

    /** Out among the nozzles that were read; empty when none was. */
    public OptionalDouble shareOut() {
        return Share.of(out, read());
    }

    public boolean whollyOut() {
        return read() > 0 && out == read();
    }
}
