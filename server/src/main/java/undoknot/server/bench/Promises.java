package undoknot.server.bench;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.plan.Promise;
import undoknot.server.plan.PlanMaker;
import undoknot.server.plan.Promised;
import undoknot.server.visit.LoggedVisit;

/** Whether each head of the bench will be ready when it is promised; what a plan takes is kept while its visit does not change. */
@Component
class Promises {

    private static final int MOST = 300;

    /** What other visits teach moves a forecast a little: it is reckoned anew now and then. */
    private static final Duration KEPT = Duration.ofMinutes(5);

    private final PlanMaker plans;
    private final Promised promised;
    private final Cache<UUID, Kept> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(MOST).build();

    Promises(PlanMaker plans, Promised promised) {
        this.plans = plans;
        this.promised = promised;
    }

    private record Kept(LoggedVisit logged, Promised.Takes takes) {}

    Promise.Hours hours() {
        return promised.hours();
    }

    Promise of(LoggedVisit logged, Promise.Hours hours, Instant now) {
        if (logged.visit().closedAt != null) {
            return Promise.HOLDS;
        }
        UUID id = logged.visit().id;
        Kept known = kept.getIfPresent(id);
        if (known == null || known.logged != logged) {
            known = new Kept(logged, Promised.Takes.of(plans.plan(logged).forecast()));
            kept.put(id, known);
        }
        return promised.of(logged, known.takes, hours, now).verdict();
    }
}
