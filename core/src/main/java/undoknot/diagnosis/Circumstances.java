package undoknot.diagnosis;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.visit.VisitLog;

/** The same print says other things after months idle, or when one channel alone is out (handbook 6 and 7). */
final class Circumstances {

    private static final Set<Sign> BLANK = Set.of(Sign.WHOLLY_OUT, Sign.STREAM_NONE);

    private Circumstances() {}

    /** @param shown what the last reading shows */
    static List<Observation> of(VisitLog visit, List<Observation> shown) {
        boolean idle = visit.told().stream().anyMatch(o -> o.sign() == Sign.IDLE_OVER_MONTH);
        long out = shown.stream().filter(o -> BLANK.contains(o.sign())).count();
        boolean allOut = out > 1 && out == visit.family().channels().size();
        boolean alone = out == 1 && shown.stream().allMatch(o -> o.channel() == null || BLANK.contains(o.sign()));
        List<Observation> seen = shown.stream()
                .filter(o -> !(allOut && !idle && o.sign() == Sign.WHOLLY_OUT))
                .map(o -> as(o, idle, alone))
                .collect(Collectors.toList());
        if (allOut && !idle) {
            seen.add(new Observation(
                    Sign.ALL_BLANK, null, java.util.Map.of(), shown.get(0).from()));
        }
        return seen;
    }

    private static Observation as(Observation o, boolean idle, boolean alone) {
        return switch (o.sign()) {
            case WHOLLY_OUT -> idle ? o.as(Sign.WHOLLY_OUT_IDLE) : alone ? o.as(Sign.WHOLLY_OUT_ALONE) : o;
            case GAPS_IN_MOST -> idle ? o.as(Sign.GAPS_IN_MOST_IDLE) : o;
            default -> o;
        };
    }
}
