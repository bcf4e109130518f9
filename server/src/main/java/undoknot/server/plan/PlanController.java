package undoknot.server.plan;

import jakarta.validation.Valid;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.plan.Plan;
import undoknot.plan.PlannedAttempt;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.KeptPlan;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;
import undoknot.server.write.StoredJson;

/** The plan of a visit, and a change to it. */
@RestController
@RequestMapping("/api/visits/{visitId}/plan")
class PlanController {

    private final VisitLoader loader;
    private final PlanMaker maker;
    private final VisitWrites writes;
    private final Visits visits;
    private final StoredJson stored;
    private final Clock clock;

    PlanController(
            VisitLoader loader, PlanMaker maker, VisitWrites writes, Visits visits, StoredJson stored, Clock clock) {
        this.loader = loader;
        this.maker = maker;
        this.writes = writes;
        this.visits = visits;
        this.stored = stored;
        this.clock = clock;
    }

    @GetMapping
    @Transactional(readOnly = true)
    public PlanView plan(@PathVariable UUID visitId) {
        return maker.standing(loader.get(visitId));
    }

    /** What a changed plan would come to, and what stands in its way. Nothing is stored. */
    @PostMapping("/preview")
    @Transactional(readOnly = true)
    public PlanView preview(@PathVariable UUID visitId, @Valid @RequestBody PlanEntry entry) {
        LoggedVisit logged = loader.get(visitId);
        Plan plan = maker.chosen(logged, entry);
        return PlanView.of(plan, null, entry.works(), maker.promise(logged, plan));
    }

    /**
     * Keeps a changed plan.
     *
     * @throws Refused with the numbers of the attempts that are never done or go past a limit
     */
    @PutMapping
    PlanView change(@PathVariable UUID visitId, @Valid @RequestBody PlanEntry entry) {
        writes.on(visitId, logged -> {
            List<Integer> refused = maker.chosen(logged, entry).attempts().stream()
                    .filter(PlannedAttempt::isRefused)
                    .map(PlannedAttempt::number)
                    .toList();
            if (!refused.isEmpty()) {
                throw Refused.because(
                                HttpStatus.UNPROCESSABLE_ENTITY,
                                "plan-refused",
                                "This plan goes past a limit. See the reasons at attempt " + refused + ".")
                        .with("attempts", refused);
            }
            keep(
                    logged,
                    stored.write(new KeptPlan(
                            entry.works(), clock.instant(), SignedIn.now().displayName())));
            return List.of();
        });
        return maker.standing(loader.get(visitId));
    }

    /** Back to the plan by the rules. */
    @DeleteMapping
    PlanView byTheRules(@PathVariable UUID visitId) {
        writes.on(visitId, logged -> {
            keep(logged, null);
            return List.of();
        });
        return maker.standing(loader.get(visitId));
    }

    private void keep(LoggedVisit logged, String plan) {
        logged.visit().plan = plan;
        visits.saveAndFlush(logged.visit());
    }
}
