package undoknot.server.bench;

import java.time.Instant;
import org.springframework.stereotype.Component;
import undoknot.plan.Promise;
import undoknot.server.plan.Promised;
import undoknot.server.plan.StandingPlans;
import undoknot.server.visit.LoggedVisit;

/** Whether each head of the bench will be ready when it is promised. */
@Component
class Promises {

    private final StandingPlans plans;
    private final Promised promised;

    Promises(StandingPlans plans, Promised promised) {
        this.plans = plans;
        this.promised = promised;
    }

    Promise.Hours hours() {
        return promised.hours();
    }

    Promise of(LoggedVisit logged, Promise.Hours hours, Instant now) {
        if (logged.visit().closedAt != null) {
            return Promise.HOLDS;
        }
        Promised.Takes takes = Promised.Takes.of(plans.of(logged).forecast());
        return promised.of(logged, takes, hours, now).verdict();
    }
}
