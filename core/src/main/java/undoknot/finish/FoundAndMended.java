package undoknot.finish;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.toList;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Likelihoods;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.visit.CurrentFindings;
import undoknot.visit.VisitLog;

/**
 * What a look found wrong and work put right: no guess of a ranking, and so the first that a report names (handbook 6, 10).
 */
public final class FoundAndMended {

    private FoundAndMended() {}

    /** The causes that were found and put right, each with what was found, in the order of the causes. */
    public static Map<Cause, List<Observation>> of(VisitLog visit) {
        return CurrentFindings.mended(visit).stream()
                .filter(o ->
                        Look.making(o.sign()).filter(FoundAndMended::tellsWhy).isPresent())
                .filter(o -> Likelihoods.toldBy(o.sign()).isPresent())
                .collect(groupingBy(
                        o -> Likelihoods.toldBy(o.sign()).orElseThrow(), () -> new EnumMap<>(Cause.class), toList()));
    }

    /** What a look found and hands can mend, and that still stands; a damaged plate is mended by nobody. */
    public static List<Observation> left(VisitLog visit) {
        return CurrentFindings.of(visit).stream()
                .filter(FoundAndMended::namesACause)
                .filter(o -> Likelihoods.toldBy(o.sign()).orElseThrow() != Cause.PLATE_DAMAGE)
                .toList();
    }

    private static boolean namesACause(Observation o) {
        return Look.making(o.sign())
                        .filter(look -> look.fine() != o.sign() && tellsWhy(look))
                        .isPresent()
                && Likelihoods.toldBy(o.sign()).isPresent();
    }

    /**
     * A drop test says that a channel is narrowed and not by what, an error that it stands and not why; a page at the end shows
     * that a complaint is there.
     */
    private static boolean tellsWhy(Look look) {
        return look != Look.DROP_TEST && look != Look.ERRORS && !look.isProof();
    }
}
