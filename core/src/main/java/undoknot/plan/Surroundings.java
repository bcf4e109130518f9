package undoknot.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import undoknot.advice.Advice;
import undoknot.advice.Course.Leg;
import undoknot.advice.Judgement;
import undoknot.observation.Look;
import undoknot.treatment.DryHold;
import undoknot.treatment.LookFirst;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.visit.HeadNow;
import undoknot.visit.VisitLog;

/** What is done before the first attempt of a plan, and once the head is accepted (handbook 3, 6 and 14). */
final class Surroundings {

    private Surroundings() {}

    private static final double SECONDS_PER_MINUTE = 60;

    /**
     * What ends what soaks and what keeps the head from power, in the order in which that can be done; a check that is not there yet, a
     * look that settles more than a treatment would.
     */
    static List<PlanStep> before(VisitLog visit, Judgement judgement, Plan.Basis basis) {
        HeadNow head = visit.head();
        List<PlanStep> steps = new ArrayList<>();
        boolean soaks = head.wettings().stream().anyMatch(w -> w.until() == null);
        if (soaks && head.site() == Site.ON_BENCH) {
            add(steps, Doing.LIFT_OUT, 0);
        }
        if (head.kept(NoPower.PAD_UNDER_HEAD).isPresent()) {
            add(steps, Doing.PAD_OUT, 0);
        }
        if (head.kept(NoPower.NOT_LOOKED).isPresent()
                || head.kept(NoPower.SPILL).isPresent()) {
            add(steps, Doing.LOOK_DRY, 0);
        }
        head.kept(NoPower.COVERS_OPEN).ifPresent(kept -> add(steps, Doing.AIR_COVERS, minutesUntil(kept, basis.now())));
        head.kept(NoPower.EVAPORATING).ifPresent(kept -> add(steps, Doing.EVAPORATE, minutesUntil(kept, basis.now())));
        head.kept(NoPower.HOLD)
                .ifPresent(kept -> add(
                        steps,
                        Doing.HOLD,
                        kept.until() == null ? fullHold(visit, basis) : minutesUntil(kept, basis.now())));
        Advice first = judgement.advice().first();
        boolean asksForPower = first.needsPower();
        if (head.site() == Site.ON_BENCH && asksForPower) {
            add(steps, Doing.REFIT, 0);
            add(steps, Doing.POWER_ON, 0);
        }
        if (first.act() == Advice.Act.LOOK) {
            steps.add(Minutes.look(first.look(), first.channels()));
        } else if (first.act() == Advice.Act.CHECK) {
            add(steps, Doing.CHECK, 0);
        }
        return steps;
    }

    private static void add(List<PlanStep> steps, Doing doing, double waitMinutes) {
        steps.add(Minutes.step(doing, List.of(), waitMinutes));
    }

    /** While it still soaks the hold is all to come, min. */
    private static double fullHold(VisitLog visit, Plan.Basis basis) {
        return visit.head().wettings().stream()
                .filter(w -> w.until() == null)
                .mapToDouble(w -> DryHold.of(
                                w.wet(),
                                w.by(),
                                visit.family().construction(),
                                basis.terms().house(),
                                false)
                        .toMinutes())
                .max()
                .orElse(0);
    }

    private static double minutesUntil(HeadNow.Kept kept, Instant now) {
        return kept.until() == null
                ? 0
                : Math.max(0, Duration.between(now, kept.until()).toSeconds() / SECONDS_PER_MINUTE);
    }

    static List<PlanStep> firstCheck() {
        return List.of(Minutes.step(Doing.CHECK, List.of(), 0));
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

    static Look look(LookFirst first) {
        return switch (first) {
            case WASTE_STORE -> Look.WASTE_STORE;
            case STATION -> Look.STATION;
        };
    }
}
