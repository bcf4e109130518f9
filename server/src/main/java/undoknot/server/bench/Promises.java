package undoknot.server.bench;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.plan.Forecast;
import undoknot.plan.Promise;
import undoknot.server.plan.PlanMaker;
import undoknot.server.shop.Shops;
import undoknot.server.view.ClockView;
import undoknot.server.visit.LoggedVisit;

/** Whether each head will be ready when it is promised, by its plan. */
@Component
class Promises {

    private static final int MOST = 300;
    private static final double SECONDS_PER_MINUTE = 60;

    /** What other visits teach moves a forecast a little: it is reckoned anew now and then, and whenever the visit changes. */
    private static final Duration KEPT = Duration.ofMinutes(5);

    private final PlanMaker plans;
    private final Shops shops;
    private final Cache<UUID, Left> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(MOST).build();

    Promises(PlanMaker plans, Shops shops) {
        this.plans = plans;
        this.shops = shops;
    }

    private record Left(LoggedVisit logged, Promise.Left well, Promise.Left onAverage) {}

    /** When somebody is there; asked once for all visits of a page. */
    Promise.Hours hours() {
        return shops.now().hours();
    }

    Promise of(LoggedVisit logged, Promise.Hours hours, Instant now) {
        if (logged.visit().closedAt != null) {
            return Promise.HOLDS;
        }
        UUID id = logged.visit().id;
        Left left = kept.getIfPresent(id);
        if (left == null || left.logged != logged) {
            Forecast forecast = plans.plan(logged).forecast();
            left = new Left(
                    logged,
                    new Promise.Left(forecast.hands().low(), forecast.waits().low()),
                    new Promise.Left(
                            forecast.hands().expected().value(),
                            forecast.waits().expected().value()));
            kept.put(id, left);
        }
        double running = running(logged, now);
        return Promise.of(
                now, logged.visit().promisedOn, left.well.andWait(running), left.onAverage.andWait(running), hours);
    }

    /** What a soak or another work in hand still takes, min: it is over before what the plan has comes. */
    private static double running(LoggedVisit logged, Instant now) {
        return logged.runningClocks().stream()
                .map(c -> ClockView.of(c, logged).dueAt())
                .filter(due -> due.isAfter(now))
                .map(due -> Duration.between(now, due).toSeconds() / SECONDS_PER_MINUTE)
                .max(Double::compare)
                .orElse(0.0);
    }
}
