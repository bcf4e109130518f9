package undoknot.server.view;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.advice.NextStep;
import undoknot.head.Channel;
import undoknot.head.FoodStanding;
import undoknot.outcome.Outcome;
import undoknot.server.visit.LoggedVisit;

/**
 * A visit as one strip on the bench.
 *
 * @param reading the last nozzle map
 */
public record Strip(
        UUID id,
        String tag,
        String customer,
        String family,
        String serial,
        List<Channel> channels,
        @Nullable Map<String, String> reading,
        List<Bead> thread,
        NextView next,
        LocalDate promisedOn,
        @Nullable Instant closedAt,
        @Nullable Outcome outcome,
        FoodStanding food,
        HeadView.Brief head) {
    public static Strip of(LoggedVisit c, NextStep next, Instant now) {
        return new Strip(
                c.visit().id,
                c.visit().tag,
                c.customer().name,
                c.family().name(),
                c.head().serial,
                c.family().channels(),
                c.lastMapped().map(k -> c.map(k).texts()).orElse(null),
                ThreadOfVisit.thread(c, now),
                NextView.of(next),
                c.visit().promisedOn,
                c.visit().closedAt,
                c.visit().outcome,
                c.food(),
                HeadView.Brief.of(c.headNow(now)));
    }
}
