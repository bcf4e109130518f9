package undoknot.server.visit;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import undoknot.head.Family;
import undoknot.server.fluid.FluidLots;
import undoknot.server.head.Families;
import undoknot.server.problem.Refused;

/**
 * Visits to be looked at, kept in memory while nothing they are made of changes. One short question tells whether that is so,
 * whichever server wrote: every write to a visit counts its changes, see {@link VisitLoader#lock}.
 */
@Component
public class LookedAt {

    private static final int MOST = 300;
    private static final Duration UNASKED = Duration.ofMinutes(15);

    private final Visits visits;
    private final VisitLoader loader;
    private final Families families;
    private final FluidLots lots;
    private final Cache<UUID, Kept> kept =
            Caffeine.newBuilder().expireAfterAccess(UNASKED).maximumSize(MOST).build();

    LookedAt(Visits visits, VisitLoader loader, Families families, FluidLots lots) {
        this.visits = visits;
        this.loader = loader;
        this.families = families;
        this.lots = lots;
    }

    /** @param family whole, as it stood when the visit was loaded */
    private record Kept(VisitStamp stamp, Family family, LoggedVisit logged) {

        boolean stands(VisitStamp now, Map<String, Family> families, Map<UUID, Long> lots) {
            return stamp.equals(now)
                    && Objects.equals(family, families.get(now.familyCode()))
                    && logged.lots().values().stream().allMatch(lot -> lot.version.equals(lots.get(lot.id)));
        }
    }

    /** @throws Refused when there is none */
    public LoggedVisit get(UUID visitId) {
        return of(List.of(visitId)).stream().findFirst().orElseThrow(() -> Refused.notFound("visit"));
    }

    /** Every open visit, the first opened first. */
    public List<LoggedVisit> open() {
        return stamped(visits.openStamps());
    }

    /** In the order asked for; an id that is none is left out. */
    public List<LoggedVisit> of(Collection<UUID> ids) {
        Map<UUID, VisitStamp> stamps =
                visits.stamps(ids).stream().collect(Collectors.toMap(VisitStamp::id, stamp -> stamp));
        return stamped(ids.stream().map(stamps::get).filter(Objects::nonNull).toList());
    }

    private List<LoggedVisit> stamped(List<VisitStamp> stamps) {
        // What a write sees before it is committed may never come to be.
        boolean mayKeep = TransactionSynchronizationManager.isCurrentTransactionReadOnly();
        Map<UUID, Kept> known = mayKeep
                ? new HashMap<>(
                        kept.getAllPresent(stamps.stream().map(VisitStamp::id).toList()))
                : new HashMap<>();
        Map<String, Family> now = families.byCode();
        Map<UUID, Long> drawnFrom = versions(known.values());
        List<VisitStamp> changed = stamps.stream()
                .filter(stamp -> {
                    Kept before = known.get(stamp.id());
                    return before == null || !before.stands(stamp, now, drawnFrom);
                })
                .toList();
        if (!changed.isEmpty()) {
            Map<UUID, VisitStamp> stampOf = changed.stream().collect(Collectors.toMap(VisitStamp::id, s -> s));
            for (LoggedVisit logged : loader.of(visits.findAllById(stampOf.keySet()))) {
                VisitStamp stamp = stampOf.get(logged.visit().id);
                Kept fresh = new Kept(stamp, now.get(stamp.familyCode()), logged);
                known.put(stamp.id(), fresh);
                if (mayKeep) {
                    kept.put(stamp.id(), fresh);
                }
            }
        }
        return stamps.stream().map(stamp -> known.get(stamp.id()).logged).toList();
    }

    private Map<UUID, Long> versions(Collection<Kept> known) {
        List<UUID> ids = known.stream()
                .flatMap(k -> k.logged.lots().keySet().stream())
                .distinct()
                .toList();
        return ids.isEmpty()
                ? Map.of()
                : lots.versions(ids).stream()
                        .collect(Collectors.toMap(FluidLots.Version::id, FluidLots.Version::version));
    }
}
