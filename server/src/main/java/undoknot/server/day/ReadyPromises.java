package undoknot.server.day;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import undoknot.bench.FreeHands;
import undoknot.bench.NoRoom;
import undoknot.bench.ReadyDate;
import undoknot.bench.WorkingHours;
import undoknot.plan.Promise;
import undoknot.plan.TakeIn;
import undoknot.server.visit.Intake;
import undoknot.server.write.RepeatableWrite;

/** By when a head that has just come is ready nine times in ten: from its plan, the hands that are free, and the shop's own record. */
@Component
public class ReadyPromises {

    private static final Logger LOG = LoggerFactory.getLogger(ReadyPromises.class);

    /** So many of the heads that went back last speak for the shop. */
    private static final int LAST = 200;

    private static final int SEED = 19;

    private static final double SECONDS_PER_MINUTE = 60;

    private final BenchNow bench;
    private final DaySetup setup;
    private final TakeInForecast forecast;
    private final ReadySaids saids;
    private final RepeatableWrite writes;
    private final Clock clock;

    ReadyPromises(
            BenchNow bench,
            DaySetup setup,
            TakeInForecast forecast,
            ReadySaids saids,
            RepeatableWrite writes,
            Clock clock) {
        this.forecast = forecast;
        this.clock = clock;
        this.bench = bench;
        this.setup = setup;
        this.saids = saids;
        this.writes = writes;
    }

    /**
     * @param by a time at which the shop is open
     * @param half when half of such heads are ready
     */
    record Said(ReadyDate date, Instant by, Instant half) {}

    /** Of a head that is not on the bench yet. Empty when the bench has no room at all. */
    Optional<Said> of(TakeIn takeIn, Instant now) {
        return of(takeIn, () -> bench.asked(now));
    }

    private Optional<Said> of(TakeIn takeIn, Supplier<BenchNow.Asked> others) {
        try {
            BenchNow.Asked asked = others.get();
            ReadyDate date = ReadyDate.of(
                    takeIn.ways(), takeIn.around(), FreeHands.of(asked.bench().unpinned()), ratios(), SEED);
            Promise.Hours hours = setup.shopHours();
            return Optional.of(new Said(
                    date,
                    WorkingHours.said(hours, asked.start().plus(Duration.ofMinutes(date.by()))),
                    WorkingHours.said(hours, asked.start().plus(Duration.ofMinutes(date.half())))));
        } catch (NoRoom none) {
            LOG.debug("nothing can be promised", none);
            return Optional.empty();
        }
    }

    private List<Double> ratios() {
        return saids.lastReturned(Limit.of(LAST)).stream()
                .map(s -> Duration.between(s.saidAt(), s.closedAt()).toSeconds()
                        / SECONDS_PER_MINUTE
                        / Math.max(1, s.reckonedMinutes()))
                .toList();
    }

    /** Keeps what was said of a head that was just taken in, once. Without it the head is taken in all the same. */
    public void keep(UUID visitId, Intake intake) {
        if (intake.purpose().isProcedure() || saids.existsById(visitId)) {
            return;
        }
        Instant now = clock.instant();
        try {
            // The head is on the bench by now: its own work must not stand in its own way.
            of(forecast.of(intake), () -> bench.besides(visitId, now))
                    .ifPresent(said -> writes.run(() -> saids.saveAndFlush(row(visitId, said, now))));
        } catch (DataIntegrityViolationException twice) {
            LOG.debug("it was said a moment before", twice);
        }
    }

    private static ReadySaid row(UUID visitId, Said said, Instant now) {
        ReadySaid row = new ReadySaid(visitId);
        row.saidAt = now;
        row.reckonedMinutes = said.date().reckoned();
        row.readyBy = said.by();
        row.cases = said.date().cases();
        return row;
    }
}
