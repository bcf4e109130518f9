package undoknot.server.plan;

import java.time.Instant;
import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.advice.WorkStyle;
import undoknot.diagnosis.Cause;
import undoknot.flow.Sum;
import undoknot.plan.Branch;
import undoknot.plan.Forecast;
import undoknot.plan.Plan;
import undoknot.plan.PlanStep;
import undoknot.plan.PlannedAttempt;
import undoknot.plan.Promise;
import undoknot.plan.Supplies;
import undoknot.practice.HouseQuestion;
import undoknot.server.visit.KeptPlan;
import undoknot.server.visit.PlannedWork;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.Site;

/**
 * A plan as the screens are told it.
 *
 * @param works the same as it would be sent back, so that it can be changed
 * @param promise whether it will be ready when it is promised, and what that rests on
 * @param changedAt when somebody changed it; absent while it goes by the rules
 */
record PlanView(
        List<PlanStep> before,
        List<AttemptPlan> attempts,
        List<PlanStep> after,
        Forecast forecast,
        List<BarredWork> bars,
        List<PlannedWork> works,
        @Nullable Instant changedAt,
        @Nullable String changedBy,
        Promise.Reckoned promise) {

    /**
     * One attempt of a plan.
     *
     * @param bottle absent when the shelf has none with enough, or nothing is drawn
     * @param reached chance that it comes to it, 0 to 1
     * @param refused whether it is never done, or goes past a limit
     */
    record AttemptPlan(
            int number,
            Method method,
            @Nullable Cause cause,
            int percent,
            List<String> channels,
            Site site,
            WorkStyle style,
            List<HouseQuestion> house,
            List<Cause> alike,
            boolean lastResort,
            @Nullable Supplies.Bottle bottle,
            List<PlanStep> steps,
            List<Branch> branches,
            List<Gate> gates,
            Sum hands,
            Sum waits,
            Sum fluid,
            Sum waste,
            Sum cost,
            Sum chance,
            double low,
            double high,
            int cases,
            double reached,
            boolean added,
            boolean refused) {

        static AttemptPlan of(PlannedAttempt a) {
            return new AttemptPlan(
                    a.number(),
                    a.method(),
                    a.cause(),
                    a.percent(),
                    a.channels(),
                    a.site(),
                    a.style(),
                    a.house(),
                    a.alike(),
                    a.lastResort(),
                    a.bottle(),
                    a.steps(),
                    a.branches(),
                    a.gates(),
                    a.hands(),
                    a.waits(),
                    a.fluid(),
                    a.waste(),
                    a.cost(),
                    a.chance(),
                    a.low(),
                    a.high(),
                    a.cases(),
                    a.reached(),
                    a.added(),
                    a.isRefused());
        }
    }

    static PlanView of(Plan plan, @Nullable KeptPlan kept, List<PlannedWork> works, Promise.Reckoned promise) {
        return new PlanView(
                plan.before(),
                plan.attempts().stream().map(AttemptPlan::of).toList(),
                plan.after(),
                plan.forecast(),
                plan.bars(),
                works,
                kept == null ? null : kept.at(),
                kept == null ? null : kept.by(),
                promise);
    }

    /** A plan by the rules, as it would be sent back. */
    static List<PlannedWork> works(Plan plan) {
        return plan.attempts().stream()
                .map(a -> new PlannedWork(a.method(), a.channels(), null, null, null, null, null, null, null, null))
                .toList();
    }
}
