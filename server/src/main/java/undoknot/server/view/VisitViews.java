package undoknot.server.view;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.server.advice.Judge;
import undoknot.server.outcome.Money;
import undoknot.server.practice.House;
import undoknot.server.standin.StandIns;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.LookedAt;
import undoknot.server.visit.OffPartPhotos;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;
import undoknot.visit.VisitLog;

/** Shows one visit whole, with its judgement: one load of its log, judged once. */
@Component
public class VisitViews {

    private final VisitLoader loader;
    private final LookedAt looked;
    private final Visits visits;
    private final StandIns standIns;
    private final Judge judge;
    private final JudgementViews judgements;
    private final House house;
    private final Money money;
    private final OffPartPhotos photos;
    private final Clock clock;

    VisitViews(
            VisitLoader loader,
            LookedAt looked,
            Visits visits,
            StandIns standIns,
            Judge judge,
            JudgementViews judgements,
            House house,
            Money money,
            OffPartPhotos photos,
            Clock clock) {
        this.loader = loader;
        this.looked = looked;
        this.visits = visits;
        this.standIns = standIns;
        this.judge = judge;
        this.judgements = judgements;
        this.house = house;
        this.money = money;
        this.photos = photos;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public VisitView of(UUID id) {
        return of(looked.get(id));
    }

    /** What the readings say and what is advised, alone. */
    @Transactional(readOnly = true)
    public JudgementView judgement(UUID id) {
        LoggedVisit logged = looked.get(id);
        Instant now = clock.instant();
        return judgements.of(logged, judge.of(logged, now), now);
    }

    /** A visit that was loaded already, for instance because something was just written on it. */
    @Transactional(readOnly = true)
    public VisitView of(LoggedVisit logged) {
        Instant now = clock.instant();
        List<Visit> ofThisHead = visits.findByHeadIdOrderByOpenedAtDesc(logged.head().id);
        VisitLog log = logged.log(now);
        List<VisitLoader.Earlier> earlier = loader.earlierWork(logged, ofThisHead);
        return VisitView.of(
                logged,
                ofThisHead,
                standIns.answersFor(logged.head().id),
                judgements.of(logged, judge.of(logged, now), now),
                UsualView.of(logged, house.of(logged.visit().houseRules), log),
                PartCountView.of(loader.partWorks(logged, earlier)),
                FinishView.of(logged, log, photographed(logged), earlier, money),
                followUp(logged, ofThisHead),
                now);
    }

    private Set<UUID> photographed(LoggedVisit logged) {
        List<UUID> ids = logged.rows().offParts().stream().map(row -> row.id).toList();
        return ids.isEmpty() ? Set.of() : Set.copyOf(photos.withPhoto(ids));
    }

    /** A head that comes back soon opens with what was done before (handbook 16). */
    private FollowUp followUp(LoggedVisit logged, List<Visit> ofThisHead) {
        return ofThisHead.stream()
                .filter(v -> v.closedAt != null && v.openedAt.isBefore(logged.visit().openedAt))
                .max(Comparator.comparing(v -> v.closedAt))
                .filter(v -> FollowUp.isSoon(v, logged.visit()))
                .map(v -> FollowUp.of(looked.get(v.id), logged.visit()))
                .orElse(null);
    }
}
