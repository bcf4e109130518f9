package undoknot.nozzle;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Whether a reading is good enough for a job class. Unread nozzles are never guessed: when the verdict hangs on them it
 * is {@link Verdict#UNSURE}.
 */
public record Acceptance(JobClass jobClass, Map<String, ChannelVerdict> channels, Verdict verdict) {

    public enum Verdict {
        /** Met, even if every unread nozzle were out. */
        MET,
        /** Depends on nozzles that were not read. */
        UNSURE,
        /** Not met, even if every unread nozzle fired. */
        NOT_MET
    }

    /**
     * @param out nozzles out
     * @param allowedOut greatest number out that the class allows in this channel
     * @param longestRun longest run out
     * @param unread nozzles that were not read
     * @param weak nozzles that print weak
     * @param allowedWeak greatest number of them
     * @param deflected nozzles that print beside their place
     * @param allowedDeflected greatest number of them that does no harm
     * @param densityStep whether the dashes turn weaker at a border of drive groups: such a channel is half pale
     */
    public record ChannelVerdict(
            Verdict verdict,
            int out,
            int allowedOut,
            int longestRun,
            int unread,
            int weak,
            int allowedWeak,
            int deflected,
            int allowedDeflected,
            boolean densityStep) {}

    /** @param driveGroups drive groups of a channel, 1 when it has only one */
    public static Acceptance of(NozzleMap map, JobClass jobClass, int driveGroups) {
        Map<String, ChannelVerdict> channels = new LinkedHashMap<>();
        Verdict worst = Verdict.MET;
        for (Map.Entry<String, ChannelMap> entry : map.channels().entrySet()) {
            ChannelVerdict verdict = judge(entry.getValue(), jobClass, driveGroups);
            channels.put(entry.getKey(), verdict);
            worst = verdict.verdict().compareTo(worst) > 0 ? verdict.verdict() : worst;
        }
        return new Acceptance(jobClass, channels, worst);
    }

    private static ChannelVerdict judge(ChannelMap map, JobClass jobClass, int driveGroups) {
        BitSet out = map.nozzles(NozzleState.MISSING);
        BitSet weak = map.nozzles(NozzleState.WEAK);
        BitSet deflected = map.nozzles(NozzleState.DEFLECTED);
        BitSet unread = map.nozzles(NozzleState.UNREAD);
        Limits limits = new Limits(
                allowed(jobClass.maxShareOut(), map),
                jobClass.maxRun(),
                allowed(jobClass.maxShareWeak(), map),
                allowed(JobClass.MAX_SHARE_DEFLECTED, map),
                jobClass.maxRunDeflected());
        boolean step = !ChannelFeatures.of(map, driveGroups).densitySteps().isEmpty();
        // A nozzle that was not read may be out, weak or deflected: the verdict is sure only if none of that matters.
        Verdict verdict = step || !limits.allow(out, weak, deflected)
                ? Verdict.NOT_MET
                : limits.allow(or(out, unread), or(weak, unread), or(deflected, unread)) ? Verdict.MET : Verdict.UNSURE;
        return new ChannelVerdict(
                verdict,
                out.cardinality(),
                limits.out(),
                Run.longestIn(out).length(),
                unread.cardinality(),
                weak.cardinality(),
                limits.weak(),
                deflected.cardinality(),
                limits.deflected(),
                step);
    }

    /** What a channel of a size may show, in nozzles. */
    private record Limits(int out, int runOut, int weak, int deflected, int runDeflected) {
        boolean allow(BitSet isOut, BitSet isWeak, BitSet isDeflected) {
            return isOut.cardinality() <= out
                    && Run.longestIn(isOut).length() <= runOut
                    && isWeak.cardinality() <= weak
                    && isDeflected.cardinality() <= deflected
                    && Run.longestIn(isDeflected).length() <= runDeflected;
        }
    }

    private static int allowed(double share, ChannelMap map) {
        // The small term keeps 1 % of 200 at 2 when the product falls a hair below it.
        return (int) Math.floor(share * map.size() + 1e-9);
    }

    private static BitSet or(BitSet some, BitSet more) {
        BitSet both = (BitSet) some.clone();
        both.or(more);
        return both;
    }
}
