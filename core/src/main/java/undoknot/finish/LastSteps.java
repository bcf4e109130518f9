package undoknot.finish;

import java.util.List;
import java.util.Set;
import undoknot.nozzle.Acceptance;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Step;
import undoknot.visit.Step.Worked;
import undoknot.visit.VisitLog;

/** What comes last once acceptance is met, and before a head goes (handbook 13, rules 1 and 2, and 14). */
public final class LastSteps {

    /** What sends ink into the station; a page does not. */
    private static final Set<Method> INTO_STATION = Set.of(Method.CYCLE, Method.CYCLE_STRONG, Method.CHARGE);

    private LastSteps() {}

    /**
     * Whether a station that crusted is to be cleaned once more: what was flushed, and the ink of each cycle, went into it since it
     * was cleaned.
     */
    public static boolean wantStation(VisitLog visit) {
        List<Method> work = visit.work().stream().map(Worked::method).toList();
        int cleaned = work.lastIndexOf(Method.STATION);
        boolean crusted = visit.looks().stream().anyMatch(o -> o.sign() == Sign.STATION_CRUSTED);
        boolean workedSince = cleaned >= 0
                && work.subList(cleaned + 1, work.size()).stream()
                        .anyMatch(m -> m.between() == WorkBetweenChecks.FLUSH || INTO_STATION.contains(m));
        return crusted && workedSince && visit.times(Method.STATION) <= Method.STATION.rungs();
    }

    /** Whether the nozzles were worked on, a check met acceptance, and none has followed a saturated page since. */
    public static boolean wantPage(VisitLog visit) {
        boolean worked = visit.work().stream().anyMatch(w -> !isBeside(w.method()));
        return worked && visit.verdict() == Acceptance.Verdict.MET && !isReadAfterPage(visit);
    }

    /** Whether a check has followed a saturated page, and nothing that reaches the nozzles came after it. */
    public static boolean isReadAfterPage(VisitLog visit) {
        boolean printed = false;
        boolean checked = false;
        for (Step step : visit.steps()) {
            if (step instanceof Worked worked && !isBeside(worked.method())) {
                printed = worked.method() == Method.PAGE;
                checked = false;
            } else if (step instanceof Step.Checked) {
                checked = printed;
            }
        }
        return checked;
    }

    /** Cleaning the station, aligning, wiping the carriage change nothing that a page shows. */
    private static boolean isBeside(Method method) {
        return method.isBesideNozzles() || method == Method.STATION;
    }
}
