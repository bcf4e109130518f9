package undoknot.server.run;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.advice.WorkStyle;
import undoknot.plan.Doing;
import undoknot.plan.DoneBy;
import undoknot.plan.LedSteps;
import undoknot.plan.Plan;
import undoknot.plan.PlanStep;
import undoknot.plan.PlannedAttempt;
import undoknot.server.account.SignedIn;
import undoknot.server.plan.PlanMaker;
import undoknot.server.problem.Refused;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.InHandRow;
import undoknot.server.visit.InHandRows;
import undoknot.server.visit.KeptRun;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.PlannedWork;
import undoknot.server.write.StoredJson;

/**
 * Keeps how far somebody is in the steps of a plan. Only what nothing else records is kept here: strokes, soaks, cycles, looks and what
 * was done to the head go to the record by their own ways, past the same gates as from any other page.
 */
@Component
class RunKeeper {

    /** What is waited for or put back before an attempt is part of its steps; a look or a check may change the plan. */
    private static final Set<Doing> MAY_LEAD = Set.of(
            Doing.LIFT_OUT,
            Doing.PAD_OUT,
            Doing.LOOK_DRY,
            Doing.AIR_COVERS,
            Doing.EVAPORATE,
            Doing.HOLD,
            Doing.REFIT,
            Doing.POWER_ON);

    private final InHandRows rows;
    private final PlanMaker plans;
    private final VisitWrites writes;
    private final StoredJson stored;
    private final Clock clock;

    RunKeeper(InHandRows rows, PlanMaker plans, VisitWrites writes, StoredJson stored, Clock clock) {
        this.rows = rows;
        this.plans = plans;
        this.writes = writes;
        this.stored = stored;
        this.clock = clock;
    }

    VisitView begin(UUID visitId, UUID id) {
        return writes.on(visitId, logged -> {
            KeptRun known = logged.run();
            if (known != null && known.id().equals(id)) {
                return List.of();
            }
            if (known != null && known.leftAt() == null && !isOver(known, logged)) {
                throw conflict("Other steps are gone through on this head already. Go on with those, or leave them.");
            }
            Plan plan = plans.plan(logged);
            PlannedAttempt next =
                    plan.attempts().isEmpty() ? null : plan.attempts().get(0);
            List<PlanStep> first = plan.before().stream()
                    .filter(step -> MAY_LEAD.contains(step.doing()))
                    .toList();
            // Who changed the plan wants its first attempt now, whatever the rules would look at before.
            if (next == null
                    || logged.plan() == null && first.size() < plan.before().size()) {
                throw conflict("A check or a look comes first, or nothing is left to do. See what now.");
            }
            InHandRow row = rowOf(logged);
            Instant now = clock.instant();
            row.takenBy(me(), now);
            row.run = stored.write(new KeptRun(
                    id,
                    next.method(),
                    next.channels(),
                    style(
                            next,
                            logged.plan() == null
                                    ? null
                                    : logged.plan().left(logged).get(0)),
                    LedSteps.of(next.method(), first, next.steps()).steps(),
                    now,
                    me(),
                    List.of(),
                    null));
            return List.of(rows.saveAndFlush(row));
        });
    }

    /** The shop's way, with what somebody changed of the doses in the plan. */
    private static WorkStyle style(PlannedAttempt next, PlannedWork changed) {
        WorkStyle usual = next.style();
        if (usual == null || changed == null) {
            return usual;
        }
        return new WorkStyle(
                usual.site(),
                usual.fluid(),
                usual.strength(),
                changed.ml() == null ? usual.strokeMl() : changed.ml(),
                changed.temperatureC() == null ? usual.temperatureC() : changed.temperatureC(),
                usual.afterSoakMl(),
                usual.pulsesAtMostMl(),
                changed.minutes() == null ? usual.plannedMinutes() : changed.minutes(),
                usual.act(),
                usual.leadDecides());
    }

    private boolean isOver(KeptRun run, LoggedVisit logged) {
        return LedSteps.now(run.state(logged, clock.instant())).isEmpty();
    }

    VisitView tick(UUID visitId, UUID id, int step) {
        return change(visitId, id, (run, logged) -> {
            if (step < 0 || step >= run.steps().size()) {
                throw Refused.notFound("step");
            }
            DoneBy by = run.led().doneBy(step);
            if (by.isFromRecord()) {
                throw conflict("This step is done when it stands in the record. Log it there.");
            }
            if (by == DoneBy.POWER && !logged.headNow(clock.instant()).mayHavePower()) {
                throw conflict("Something keeps this head from power. See what it is, and until when.");
            }
            return run.ticked(step, clock.instant(), me());
        });
    }

    VisitView tickBack(UUID visitId, UUID id, int step) {
        return change(visitId, id, (run, logged) -> run.tickedBack(step, clock.instant()));
    }

    VisitView leave(UUID visitId, UUID id) {
        return change(visitId, id, (run, logged) -> run.left(clock.instant()));
    }

    private interface Change {
        KeptRun of(KeptRun run, LoggedVisit logged);
    }

    private VisitView change(UUID visitId, UUID id, Change change) {
        return writes.on(visitId, logged -> {
            KeptRun run = logged.run();
            if (run == null || !run.id().equals(id)) {
                throw conflict("These steps were left, and others were begun. Look at the head again.");
            }
            KeptRun next = change.of(run, logged);
            return next.equals(run)
                    ? List.of()
                    : keep(logged, row -> {
                        row.run = stored.write(next);
                        return row;
                    });
        });
    }

    VisitView take(UUID visitId) {
        return writes.on(visitId, logged -> {
            InHandRow row = logged.rows().inHand();
            return row != null && me().equals(row.person)
                    ? List.of()
                    : keep(logged, one -> {
                        one.takenBy(me(), clock.instant());
                        return one;
                    });
        });
    }

    VisitView putDown(UUID visitId) {
        return writes.on(visitId, logged -> {
            InHandRow row = logged.rows().inHand();
            if (row == null || row.person == null) {
                return List.of();
            }
            if (!row.person.equals(me())) {
                throw conflict(row.person + " has this head in hand. Take it over first.");
            }
            return keep(logged, one -> {
                one.takenFrom = one.person;
                one.person = null;
                one.since = null;
                return one;
            });
        });
    }

    private List<Object> keep(LoggedVisit logged, UnaryOperator<InHandRow> change) {
        return List.of(rows.saveAndFlush(change.apply(rowOf(logged))));
    }

    private InHandRow rowOf(LoggedVisit logged) {
        return rows.findById(logged.visit().id).orElseGet(() -> new InHandRow(logged.visit().id));
    }

    private static String me() {
        return SignedIn.now().displayName();
    }

    private static Refused conflict(String text) {
        return Refused.because(HttpStatus.CONFLICT, "steps", text);
    }
}
