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
     */
    public record ChannelVerdict(Verdict verdict, int out, int allowedOut, int longestRun, int unread) {}

    public static Acceptance of(NozzleMap map, JobClass jobClass) {
        Map<String, ChannelVerdict> channels = new LinkedHashMap<>();
        Verdict worst = Verdict.MET;
        for (Map.Entry<String, ChannelMap> entry : map.channels().entrySet()) {
            ChannelVerdict verdict = judge(entry.getValue(), jobClass);
            channels.put(entry.getKey(), verdict);
            worst = verdict.verdict().compareTo(worst) > 0 ? verdict.verdict() : worst;
        }
        return new Acceptance(jobClass, channels, worst);
    }

    private static ChannelVerdict judge(ChannelMap map, JobClass jobClass) {
        BitSet out = map.nozzles(NozzleState.MISSING);
        BitSet unread = map.nozzles(NozzleState.UNREAD);
        BitSet atWorst = (BitSet) out.clone();
        atWorst.or(unread);
        // The small term keeps 1 % of 200 at 2 when the product falls a hair below it.
        int allowed = (int) Math.floor(jobClass.maxShareOut() * map.size() + 1e-9);
        Verdict verdict = !meets(out, allowed, jobClass)
                ? Verdict.NOT_MET
                : meets(atWorst, allowed, jobClass) ? Verdict.MET : Verdict.UNSURE;
        return new ChannelVerdict(
                verdict, out.cardinality(), allowed, Run.longestIn(out).length(), unread.cardinality());
    }

    private static boolean meets(BitSet out, int allowed, JobClass jobClass) {
        return out.cardinality() <= allowed && Run.longestIn(out).length() <= jobClass.maxRun();
    }
}
