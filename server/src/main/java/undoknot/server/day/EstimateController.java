package undoknot.server.day;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import undoknot.diagnosis.Cause;
import undoknot.outcome.Outcome;
import undoknot.plan.Forecast;
import undoknot.plan.TakeIn;
import undoknot.server.visit.Intake;
import undoknot.server.visit.Visit;
import undoknot.server.visit.Visits;

/** What a visit is likely to take, before anything is agreed with the customer. Nothing is stored. */
@RestController
class EstimateController {

    /** So many of the last heads of a family speak for it. */
    private static final int LAST = 200;

    private static final double HOURS_PER_DAY = 24;

    private final TakeInForecast forecast;
    private final ReadyPromises promises;
    private final Visits visits;
    private final Clock clock;

    EstimateController(TakeInForecast forecast, ReadyPromises promises, Visits visits, Clock clock) {
        this.forecast = forecast;
        this.promises = promises;
        this.visits = visits;
        this.clock = clock;
    }

    record LikelyCause(Cause cause, int percent) {}

    /**
     * The last heads of the family that went back.
     *
     * @param days until half of them were back; absent without any
     * @param lateDays until nine in ten were back; absent without any
     */
    record FamilyRecord(
            int heads,
            int recovered,
            @Nullable Double days,
            @Nullable Double lateDays) {}

    /**
     * By when it is ready.
     *
     * @param by nine times in ten
     * @param half one time in two
     * @param cases earlier heads that the plan was set against
     * @param byRecord whether there were enough of them; else it is the plan alone
     */
    record ReadyView(Instant by, Instant half, int cases, boolean byRecord) {
        static ReadyView of(ReadyPromises.Said said) {
            return new ReadyView(
                    said.by(), said.half(), said.date().cases(), said.date().byRecord());
        }
    }

    /**
     * @param channels how many are thought to be affected
     * @param ready absent when the bench has no room at all
     */
    record Estimate(
            Forecast forecast,
            List<LikelyCause> causes,
            int channels,
            FamilyRecord record,
            @Nullable ReadyView ready) {}

    /** @param told what the form of a take-in holds so far; everything but the family may be absent */
    @PostMapping("/api/take-in/estimate")
    Estimate estimate(@RequestBody Intake told) {
        TakeIn takeIn = forecast.of(told);
        return new Estimate(
                takeIn.forecast(),
                takeIn.causes().stream()
                        .map(l -> new LikelyCause(l.cause(), (int) Math.round(100 * l.probability())))
                        .toList(),
                takeIn.channels(),
                record(told.familyCode()),
                promises.of(takeIn, clock.instant()).map(ReadyView::of).orElse(null));
    }

    private FamilyRecord record(String familyCode) {
        List<Visit> last = visits.lastReturned(familyCode, Limit.of(LAST));
        List<Double> days =
                last.stream().map(v -> days(v.openedAt, v.closedAt)).sorted().toList();
        int recovered =
                (int) last.stream().filter(v -> v.outcome == Outcome.RECOVERED).count();
        return new FamilyRecord(last.size(), recovered, at(days, 0.5), at(days, 0.9));
    }

    private static double days(Instant from, Instant to) {
        return Duration.between(from, to).toHours() / HOURS_PER_DAY;
    }

    private static Double at(List<Double> sorted, double share) {
        return sorted.isEmpty()
                ? null
                : sorted.get((int) Math.min(sorted.size() - 1.0, Math.floor(share * sorted.size())));
    }
}
