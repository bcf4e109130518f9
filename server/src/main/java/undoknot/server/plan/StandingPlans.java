package undoknot.server.plan;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.plan.Plan;
import undoknot.server.visit.LoggedVisit;

/** The plan of each visit of the bench, kept while the visit does not change. */
@Component
public class StandingPlans {

    private static final int MOST = 300;

    /** What other visits teach moves a forecast a little: it is reckoned anew now and then. */
    private static final Duration KEPT = Duration.ofMinutes(5);

    private final PlanMaker plans;
    private final Cache<UUID, Kept> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(MOST).build();

    StandingPlans(PlanMaker plans) {
        this.plans = plans;
    }

    private record Kept(LoggedVisit logged, Plan plan) {}

    /** A wait that runs is as long in it as it was when the plan was made, minutes ago at most: never shorter than it is. */
    public Plan of(LoggedVisit logged) {
        UUID id = logged.visit().id;
        Kept known = kept.getIfPresent(id);
        if (known == null || known.logged != logged) {
            known = new Kept(logged, plans.plan(logged));
            kept.put(id, known);
        }
        return known.plan;
    }
}
