package undoknot.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import undoknot.advice.Advice;
import undoknot.advice.Course.Leg;
import undoknot.advice.Judgement;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.visit.HeadNow;
import undoknot.visit.VisitLog;

/** What is done before the first attempt of a plan, and once the head is accepted (handbook 3, 6 and 14). */
final class Surroundings {

    private Surroundings() {}

    /** A hold that runs, a check that is not there yet, a look that settles more than a treatment would. */
    static List<PlanStep> before(VisitLog visit, Judgement judgement, Instant now) {
        List<PlanStep> steps = new ArrayList<>();
        visit.head()
                .kept(NoPower.HOLD)
                .ifPresent(kept -> steps.add(Minutes.step(Doing.HOLD, List.of(), minutesOf(kept, now))));
        Advice first = judgement.advice().first();
        boolean asksForPower = first.needsPower();
        if (visit.head().site() == Site.ON_BENCH && asksForPower) {
            steps.add(Minutes.step(Doing.REFIT, List.of(), 0));
            steps.add(Minutes.step(Doing.POWER_ON, List.of(), 0));
        }
        if (first.act() == Advice.Act.LOOK) {
            steps.add(Minutes.look(first.look(), first.channels()));
        } else if (first.act() == Advice.Act.CHECK) {
            steps.add(Minutes.step(Doing.CHECK, List.of(), 0));
        }
        return steps;
    }

    static List<PlanStep> firstCheck() {
        return List.of(Minutes.step(Doing.CHECK, List.of(), 0));
    }

    private static double minutesOf(HeadNow.Kept kept, Instant now) {
        Instant until = kept.until();
        return until == null ? 0 : Math.max(0, Duration.between(now, until).toMinutes());
    }

    /** A saturated page, a check, the station looked at again, and the name under it. */
    static List<PlanStep> after(VisitLog visit) {
        List<String> none = List.of();
        return List.of(
                Minutes.look(Look.STATION, none),
                Minutes.step(Doing.PAGE, none, 0),
                Minutes.step(Doing.CHECK, none, 0),
                Minutes.step(Doing.SIGN_OFF, none, 0));
    }

    /** The head is put back before work that is done in its carriage. */
    static List<PlanStep> refitFor(Outlook outlook, Leg leg) {
        List<PlanStep> steps = new ArrayList<>();
        boolean inCarriage = !leg.method().isBenchWork()
                && (leg.method().needsPower()
                        || leg.style() == null
                        || leg.style().site() == Site.IN_CARRIAGE);
        if (outlook.site() == Site.ON_BENCH && inCarriage && leg.method() != Method.REST) {
            steps.add(Minutes.step(Doing.REFIT, List.of(), 0));
            steps.add(Minutes.step(Doing.POWER_ON, List.of(), 0));
        }
        return steps;
    }

    static boolean sawWasteStore(VisitLog visit) {
        return visit.looks().stream().anyMatch(o -> o.sign() == Sign.WASTE_ROOM || o.sign() == Sign.WASTE_FULL);
    }
}
