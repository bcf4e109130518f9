package undoknot.visit;

import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.LookFirst;
import undoknot.treatment.Method;

/**
 * What nobody has looked at that comes before strong work: the waste store always (handbook 8), the service station where more gaps came
 * after a cleaning (handbook 7: then the station is dirty, and a strong cycle brings spent ink back on the face).
 */
public final class NotLooked {

    private NotLooked() {}

    /** In the order of {@link LookFirst}; a set of the caller's own. */
    public static Set<LookFirst> of(VisitLog log) {
        Set<LookFirst> notLooked = EnumSet.noneOf(LookFirst.class);
        if (!holds(log.looks(), Sign.WASTE_ROOM, Sign.WASTE_FULL)) {
            notLooked.add(LookFirst.WASTE_STORE);
        }
        if (holds(log.told(), Sign.TOLD_MORE_AFTER_CLEANING)
                && !holds(log.looks(), Sign.STATION_CLEAN, Sign.STATION_CRUSTED)
                && log.times(Method.STATION) == 0) {
            notLooked.add(LookFirst.STATION);
        }
        return notLooked;
    }

    private static boolean holds(Collection<Observation> observations, Sign... anyOf) {
        return observations.stream().anyMatch(o -> Set.of(anyOf).contains(o.sign()));
    }
}
