package undoknot.server.plan;

import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;
import undoknot.plan.Forecast;
import undoknot.plan.Promise;
import undoknot.server.shop.Shops;
import undoknot.server.visit.LoggedVisit;

/** Whether a head will be ready when it is promised: what its plan takes, in the hours of the shop. */
@Component
public class Promised {

    private static final double SECONDS_PER_MINUTE = 60;

    private final Shops shops;

    Promised(Shops shops) {
        this.shops = shops;
    }

    /** What a plan takes where all goes well, and on average. */
    public record Takes(Promise.Left well, Promise.Left onAverage) {
        public static Takes of(Forecast forecast) {
            return new Takes(
                    new Promise.Left(forecast.hands().low(), forecast.waits().low()),
                    new Promise.Left(
                            forecast.hands().expected().value(),
                            forecast.waits().expected().value()));
        }
    }

    /** When work can be done; asked once for all visits of a page. */
    public Promise.Hours hours() {
        return shops.now().hours();
    }

    public Promise.Reckoned of(LoggedVisit logged, Takes takes, Promise.Hours hours, Instant now) {
        double running = running(logged, now);
        return Promise.of(
                now, logged.visit().promisedOn, takes.well.andWait(running), takes.onAverage.andWait(running), hours);
    }

    /** What a soak or another work in hand still takes, min: it is over before what the plan has comes. */
    private static double running(LoggedVisit logged, Instant now) {
        return logged.runningClocks().stream()
                .map(c -> c.dueAt())
                .filter(due -> due.isAfter(now))
                .map(due -> Duration.between(now, due).toSeconds() / SECONDS_PER_MINUTE)
                .max(Double::compare)
                .orElse(0.0);
    }
}
