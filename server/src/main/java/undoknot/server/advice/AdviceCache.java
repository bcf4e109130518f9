package undoknot.server.advice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.advice.Advice;
import undoknot.server.visit.LoggedVisit;
import undoknot.visit.HeadNow;

/**
 * What is advised on each open visit, kept in memory while nothing logged on it changes. The bench asks for all of them at
 * once; what other visits add to the shop's record may move a verdict about money, so nothing is kept for long.
 */
@Component
public class AdviceCache {

    private static final Duration KEPT = Duration.ofMinutes(10);
    private static final int MOST = 1000;

    private final Judge judge;
    private final Cache<UUID, Kept> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(MOST).build();

    AdviceCache(Judge judge) {
        this.judge = judge;
    }

    /** @param decidedBy keys and versions of everything the advice rests on */
    private record Kept(List<Object> decidedBy, Advice advice) {}

    public Advice of(LoggedVisit logged, Instant now) {
        List<Object> decidedBy = decidedBy(logged, now);
        Kept known = kept.getIfPresent(logged.visit().id);
        if (known == null || !known.decidedBy.equals(decidedBy)) {
            known = new Kept(
                    decidedBy, judge.of(logged, now).judgement().advice().first());
            kept.put(logged.visit().id, known);
        }
        return known.advice;
    }

    private static List<Object> decidedBy(LoggedVisit logged, Instant now) {
        List<Object> decidedBy = new ArrayList<>();
        decidedBy.add(logged.visit().version);
        decidedBy.add(logged.family());
        decidedBy.add(logged.food());
        HeadNow head = logged.headNow(now);
        decidedBy.add(head.site());
        decidedBy.add(head.noPower());
        logged.headEntriesThatStand().forEach(e -> decidedBy.add(List.of(e.id, e.version)));
        logged.checks().forEach(c -> decidedBy.add(List.of(c.id, c.version)));
        logged.attempts().forEach(a -> decidedBy.add(List.of(a.id, a.version)));
        logged.findings().forEach(f -> decidedBy.add(List.of(f.id, f.version)));
        return decidedBy;
    }
}
