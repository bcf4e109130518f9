package undoknot.nozzle;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What one channel's reading says (handbook 5).
 *
 * @param filledGroups the drive groups that the outage fills exactly, as a share of the channel; empty when it does not
 * @param densitySteps borders of drive groups at which the dashes turn weaker or stronger
 */
public record ChannelFeatures(
        int nozzles,
        int firing,
        int weak,
        int deflected,
        int out,
        int unread,
        Run longestRun,
        Optional<FilledGroups> filledGroups,
        List<DensityStep> densitySteps) {

    /** Groups differ in strength when their means lie this far apart; a firing nozzle counts 1, a weak one ½. */
    private static final double LEAST_STEP = 0.3;

    /** A group with fewer printing nozzles says nothing about its strength. */
    private static final int LEAST_PRINTING = 5;

    /** The strength of the dashes changes between group {@code group} and the next, both counted from 1. */
    public record DensityStep(int group, int of, double before, double after) {}

    /**
     * Groups {@code first}..{@code first+count-1} of {@code of} are out, and nothing else is, but for a few nozzles: a real check
     * misses one here, has a stray there, or the band begins a little off the border (handbook 7).
     */
    public record FilledGroups(int first, int count, int of) {}

    /** @param driveGroups drive groups per channel, 1 when the channel has only one */
    public static ChannelFeatures of(ChannelMap map, int driveGroups) {
        if (driveGroups < 1) {
            throw new IllegalArgumentException("driveGroups must be 1 or more, was " + driveGroups);
        }
        BitSet out = map.nozzles(NozzleState.MISSING);
        return new ChannelFeatures(
                map.size(),
                map.count(NozzleState.FIRING),
                map.count(NozzleState.WEAK),
                map.count(NozzleState.DEFLECTED),
                out.cardinality(),
                map.count(NozzleState.UNREAD),
                Run.longestIn(out),
                filledGroups(out, map.nozzles(NozzleState.UNREAD), map.size(), driveGroups),
                densitySteps(map, driveGroups));
    }

    private static List<DensityStep> densitySteps(ChannelMap map, int driveGroups) {
        if (driveGroups < 2 || map.size() % driveGroups != 0) {
            return List.of();
        }
        List<DensityStep> steps = new ArrayList<>();
        double before = strength(map, 0, driveGroups);
        for (int group = 1; group < driveGroups; group++) {
            double now = strength(map, group, driveGroups);
            if (Math.abs(now - before) >= LEAST_STEP) {
                steps.add(new DensityStep(group, driveGroups, before, now));
            }
            before = now;
        }
        return steps;
    }

    /** Mean strength of a group's printing nozzles; not a number when too few print. */
    private static double strength(ChannelMap map, int group, int groups) {
        int perGroup = map.size() / groups;
        int printing = 0;
        double sum = 0;
        for (int n = group * perGroup + 1; n <= (group + 1) * perGroup; n++) {
            NozzleState state = map.state(n);
            if (state == NozzleState.FIRING || state == NozzleState.WEAK || state == NozzleState.DEFLECTED) {
                printing++;
                sum += state == NozzleState.WEAK ? 0.5 : 1;
            }
        }
        return printing < LEAST_PRINTING ? Double.NaN : sum / printing;
    }

    /** Share of the other groups that may be out besides. */
    private static final double MOST_STRAYS = 0.35;

    /** So many nozzles of a group may print though it is dead, or be out though it is not: a twelfth of it, within bounds. */
    private static int slack(int perGroup) {
        return Math.min(4, perGroup / 12);
    }

    /**
     * Nozzles that were not read neither fill a group nor leave it unfilled, as long as half of it was read as out. Other gaps
     * in the channel do not hide a dead group as long as they are scattered and the border shows.
     */
    private static Optional<FilledGroups> filledGroups(BitSet out, BitSet unread, int size, int driveGroups) {
        if (out.isEmpty() || driveGroups < 2 || size % driveGroups != 0) {
            return Optional.empty();
        }
        int perGroup = size / driveGroups;
        int first = 0;
        int count = 0;
        int strays = 0;
        for (int group = 1; group <= driveGroups; group++) {
            int from = (group - 1) * perGroup + 1;
            int missing = out.get(from, from + perGroup).cardinality();
            int notRead = unread.get(from, from + perGroup).cardinality();
            boolean filled = missing + notRead >= perGroup - slack(perGroup) && 2 * missing >= perGroup;
            if (!filled) {
                strays += missing;
                continue;
            }
            if (count > 0 && group != first + count) {
                return Optional.empty();
            }
            first = count == 0 ? group : first;
            count++;
        }
        // A channel that is out as a whole says nothing about its drive groups.
        double mostStrays = slack(perGroup) == 0 ? 0 : MOST_STRAYS * (driveGroups - count) * perGroup;
        boolean alone = count > 0 && count < driveGroups && strays <= mostStrays;
        return alone && endsAtBorders(out, first, count, perGroup, driveGroups)
                ? Optional.of(new FilledGroups(first, count, driveGroups))
                : Optional.empty();
    }

    /** Whether the nozzles beside the filled groups print: what runs on over the border is no drive group. */
    private static boolean endsAtBorders(BitSet out, int first, int count, int perGroup, int driveGroups) {
        int beside = 2 * slack(perGroup);
        int low = (first - 1) * perGroup + 1;
        int high = (first + count - 1) * perGroup + 1;
        boolean clearBelow = first == 1 || out.get(low - beside, low).cardinality() <= slack(perGroup);
        boolean clearAbove =
                first + count > driveGroups || out.get(high, high + beside).cardinality() <= slack(perGroup);
        return clearBelow && clearAbove;
    }

    /** Whether the outage keeps to drive groups, or the dashes change strength at a border of them. */
    public boolean hasBorder() {
        return filledGroups.isPresent() || !densitySteps.isEmpty();
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
