package undoknot.server.bench;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.util.RawValue;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import undoknot.plan.Promise;
import undoknot.server.advice.AdviceCache;
import undoknot.server.view.ClockView;
import undoknot.server.view.Strip;
import undoknot.server.visit.LoggedVisit;

/**
 * Visits as the bench shows them. They follow from the visit and the time alone, so that within a second they are worked out
 * once for everybody who looks.
 */
@Component
class ShownVisits {

    private static final int MOST = 300;

    private final AdviceCache advice;
    private final Promises promises;
    private final ObjectMapper json;
    private final Cache<UUID, Shown> shown =
            Caffeine.newBuilder().maximumSize(MOST).build();

    ShownVisits(AdviceCache advice, Promises promises, ObjectMapper json) {
        this.promises = promises;
        this.advice = advice;
        this.json = json;
    }

    /**
     * @param second when it was worked out
     * @param json of the strip
     * @param waits clocks and the hold, for the bench; none of a returned head
     * @param clocks the same with what dries and evaporates, for the strip on every page
     */
    record Shown(
            LoggedVisit logged,
            Instant second,
            Strip strip,
            RawValue json,
            List<ClockView> waits,
            List<ClockView> clocks) {}

    List<Shown> of(List<LoggedVisit> visits, Instant now) {
        Promise.Hours hours = promises.hours();
        return visits.stream().map(logged -> of(logged, hours, now)).toList();
    }

    private Shown of(LoggedVisit logged, Promise.Hours hours, Instant now) {
        Instant second = now.truncatedTo(ChronoUnit.SECONDS);
        UUID id = logged.visit().id;
        Shown before = shown.getIfPresent(id);
        if (before != null && before.logged == logged && before.second.equals(second)) {
            return before;
        }
        Strip strip =
                Strip.of(logged, logged.next(() -> advice.of(logged, now), now), promises.of(logged, hours, now), now);
        Shown fresh = new Shown(
                logged,
                second,
                strip,
                before != null && strip.equals(before.strip) ? before.json : written(strip),
                logged.visit().closedAt != null ? List.of() : clocks(logged, ClockView.hold(logged, now).stream()),
                clocks(logged, ClockView.keptFromPower(logged, now)));
        shown.put(id, fresh);
        return fresh;
    }

    private static List<ClockView> clocks(LoggedVisit logged, Stream<ClockView> more) {
        return Stream.concat(logged.runningClocks().stream().map(c -> ClockView.of(c, logged)), more)
                .toList();
    }

    private RawValue written(Strip strip) {
        try {
            return new RawValue(json.writeValueAsString(strip));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a strip cannot be written", e);
        }
    }
}
