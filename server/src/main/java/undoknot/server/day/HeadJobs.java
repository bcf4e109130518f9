package undoknot.server.day;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import undoknot.bench.HeadJob;
import undoknot.bench.LeftToDo;
import undoknot.bench.WorkingHours;
import undoknot.head.Channel;
import undoknot.outcome.Purpose;
import undoknot.plan.LedSteps;
import undoknot.plan.PlanStep;
import undoknot.plan.ProcedureSteps;
import undoknot.plan.Promise;
import undoknot.procedure.Stage;
import undoknot.server.outcome.Ledger;
import undoknot.server.plan.StandingPlans;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.KeptRun;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Procedures;
import undoknot.server.visit.StepClockRow;
import undoknot.treatment.Method;

/** What each head of the bench still takes. */
@Component
class HeadJobs {

    private final StandingPlans plans;
    private final Ledger ledger;

    HeadJobs(StandingPlans plans, Ledger ledger) {
        this.plans = plans;
        this.ledger = ledger;
    }

    /**
     * @param job what it takes
     * @param inHandOf who has hands on it just now; null for nobody
     */
    record Left(LoggedVisit logged, HeadJob job, String inHandOf) {}

    Left of(LoggedVisit logged, Instant now, Promise.Hours hours) {
        KeptRun run = logged.run() == null || logged.run().leftAt() != null ? null : logged.run();
        List<LedSteps.Led> led = run == null ? List.of() : run.state(logged, now);
        Optional<LedSteps.Led> step = LedSteps.now(led);
        LeftToDo.Running running = running(logged, now);
        LeftToDo.InHand inHand =
                step.isEmpty() ? null : inHand(logged, run, step.get().number());
        int due = WorkingHours.closing(hours, now, logged.visit().promisedOn);
        LeftToDo.Head head = new LeftToDo.Head(
                logged.visit().id.toString(),
                logged.visit().tag,
                logged.headNow(now).site(),
                logged.attemptsThatStand().size(),
                due);
        HeadJob job = Procedures.isOver(logged)
                ? LeftToDo.of(head, plans.of(logged), inHand, running)
                : LeftToDo.procedure(head, plans.of(logged), stepsLeft(logged), running);
        boolean underHands = running == null
                && step.isPresent()
                && LeftToDo.isUnderHands(step.get().step());
        String who = logged.rows().inHand() == null ? null : logged.rows().inHand().person;
        return new Left(logged, job, underHands && !job.stints().isEmpty() ? who : null);
    }

    private static List<PlanStep> stepsLeft(LoggedVisit logged) {
        boolean isInkChange = logged.purpose() == Purpose.INK_CHANGE;
        List<Stage> stages = isInkChange
                ? Procedures.inkChange(logged).stages()
                : Procedures.systemFlush(logged).stages();
        return ProcedureSteps.of(
                stages,
                isInkChange,
                logged.family().channels().stream().map(Channel::code).toList());
    }

    private LeftToDo.InHand inHand(LoggedVisit logged, KeptRun run, int now) {
        long done = logged.attemptsThatStand().stream()
                .filter(a -> isOf(run, logged, a))
                .count();
        int before = (int) logged.attemptsThatStand().stream()
                .filter(a -> Method.of(logged.treatment(a)) == run.method() && !isOf(run, logged, a))
                .count();
        String channel = run.channels().isEmpty()
                ? logged.family().channels().get(0).code()
                : run.channels().get(0);
        double chance = ledger.odds(logged, run.method(), channel, before + 1).mean();
        return new LeftToDo.InHand(run.method(), run.steps(), now, done > 0, chance);
    }

    private static boolean isOf(KeptRun run, LoggedVisit logged, Attempt attempt) {
        return !attempt.startedAt.isBefore(run.begunAt()) && Method.of(logged.treatment(attempt)) == run.method();
    }

    /** The clock that is over last: nothing else is done to the head before. */
    private static LeftToDo.Running running(LoggedVisit logged, Instant now) {
        return logged.runningClocks().stream()
                .max(Comparator.comparing(StepClockRow::dueAt))
                .map(clock -> new LeftToDo.Running(
                        (int) -Math.floorDiv(
                                -Duration.between(now, clock.dueAt()).toSeconds(), 60L),
                        method(logged, clock)))
                .orElse(null);
    }

    private static Method method(LoggedVisit logged, StepClockRow clock) {
        return clock.attemptId == null || logged.treatments().get(clock.attemptId) == null
                ? null
                : Method.of(logged.treatments().get(clock.attemptId));
    }
}
