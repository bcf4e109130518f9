package undoknot.server.diagnosis;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.server.visit.Course;
import undoknot.treatment.Advice;

/**
 * What is advised on each open visit, kept in memory while nothing logged on it changes. The bench asks for all of them at
 * once; what other visits add to the shop's record may move a verdict about money, so nothing is kept for long.
 */
@Component
public class StandingAdvice {

    private static final Duration KEPT = Duration.ofMinutes(10);
    private static final int MOST = 1000;

    private final Judge judge;
    private final Cache<UUID, Kept> kept =
            Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(MOST).build();

    StandingAdvice(Judge judge) {
        this.judge = judge;
    }

    /** @param decidedBy keys and versions of everything the advice rests on */
    private record Kept(List<Object> decidedBy, Advice advice) {}

    public Advice of(Course course, Instant now) {
        List<Object> decidedBy = decidedBy(course, now);
        Kept known = kept.getIfPresent(course.visit().id);
        if (known == null || !known.decidedBy.equals(decidedBy)) {
            known = new Kept(
                    decidedBy, judge.of(course, now).judgement().advice().first());
            kept.put(course.visit().id, known);
        }
        return known.advice;
    }

    private static List<Object> decidedBy(Course course, Instant now) {
        List<Object> decidedBy = new ArrayList<>();
        decidedBy.add(course.visit().version);
        decidedBy.add(course.family());
        decidedBy.add(course.food());
        decidedBy.add(course.heldUntil(now).isPresent());
        course.checks().forEach(c -> decidedBy.add(List.of(c.id, c.version)));
        course.attempts().forEach(a -> decidedBy.add(List.of(a.id, a.version)));
        course.findings().forEach(f -> decidedBy.add(List.of(f.id, f.version)));
        return decidedBy;
    }
}
