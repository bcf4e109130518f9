package undoknot.scan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;

/**
 * What of a reading a person looks at before it is accepted. The reader may well be right; but a dead channel sends a head to
 * cleaning, and a sheet that was hardly read says little.
 */
public final class LookFirst {

    /** Stands for the whole sheet among the channels. */
    public static final String SHEET = "SHEET";

    private static final double MOST_UNREAD = 1.0 / 3;

    private LookFirst() {}

    /** Channels that read wholly missing, in their order, and {@link #SHEET} when more than a third of it is unread. */
    public static List<String> at(NozzleMap read) {
        List<String> look = new ArrayList<>();
        int all = 0;
        for (Map.Entry<String, ChannelMap> entry : read.channels().entrySet()) {
            ChannelMap channel = entry.getValue();
            all += channel.size();
            int missing = channel.count(NozzleState.MISSING);
            if (missing > 0 && missing + channel.count(NozzleState.UNREAD) == channel.size()) {
                look.add(entry.getKey());
            }
        }
        if (read.count(NozzleState.UNREAD) > MOST_UNREAD * all) {
            look.add(SHEET);
        }
        return look;
    }
}
