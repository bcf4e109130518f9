package undoknot.plan;

import java.util.ArrayList;
import java.util.List;
import undoknot.advice.Course;
import undoknot.diagnosis.Priors;
import undoknot.diagnosis.Ranking;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.visit.VisitLog;

/**
 * What a visit is likely to take before anything was read, from what the customer tells alone: every likely cause with the
 * ladder that it would get, each by its chance.
 *
 * @param forecast from the plans of the likely causes
 * @param ways those plans, each with its weight
 * @param around what goes before and after, whatever comes
 * @param causes that it reckons with, the likeliest first
 * @param channels how many are thought to be affected
 */
public record TakeIn(
        Forecast forecast, List<Forecast.Way> ways, Forecast.Turn around, List<Likely> causes, int channels) {

    /** Causes below this would hardly move the sums. */
    private static final double LIKELY_ENOUGH = 0.05;

    private static final int SEVERAL = 2;

    public TakeIn {
        ways = List.copyOf(ways);
        causes = List.copyOf(causes);
    }

    /** @param visit with what was told, and nothing else */
    public static TakeIn of(VisitLog visit, Priors priors, Plan.Basis basis) {
        return of(visit, Ranking.of(priors, visit.told()), basis);
    }

    static TakeIn of(VisitLog visit, Ranking ranking, Plan.Basis basis) {
        List<Likely> likely = new ArrayList<>(ranking.causes().stream()
                .filter(l -> l.probability() >= LIKELY_ENOUGH)
                .toList());
        if (likely.isEmpty()) {
            likely.add(ranking.leading());
        }
        double all = likely.stream().mapToDouble(Likely::probability).sum();
        int channels = channels(visit);
        List<Forecast.Way> ways = likely.stream()
                .map(l -> new Forecast.Way(
                        l.probability() / all,
                        new Plan.Maker(visit, basis, false)
                                .turns(Course.unread(visit, ranking, l.cause(), channels, basis.terms()))))
                .toList();
        Forecast.Turn around = Plan.around(Surroundings.firstCheck(), visit, basis);
        return new TakeIn(Forecast.of(ways, around), ways, around, likely, channels);
    }

    private static int channels(VisitLog visit) {
        int all = visit.family().channels().size();
        if (tells(visit, Sign.TOLD_EVERYTHING_BLANK)) {
            return all;
        }
        boolean one = tells(visit, Sign.TOLD_GAPS_ONE_COLOUR)
                || tells(visit, Sign.TOLD_ONE_COLOUR_GONE)
                || tells(visit, Sign.TOLD_HALF_PALE);
        return one && !tells(visit, Sign.TOLD_GAPS_SEVERAL) ? 1 : Math.min(SEVERAL, all);
    }

    private static boolean tells(VisitLog visit, Sign sign) {
        return visit.told().stream().map(Observation::sign).anyMatch(sign::equals);
    }
}
