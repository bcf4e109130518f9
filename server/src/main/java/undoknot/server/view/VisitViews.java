package undoknot.server.view;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.server.advice.Judge;
import undoknot.server.practice.House;
import undoknot.server.standin.StandIns;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;

/** Shows one visit whole, with its judgement: one load of its log, judged once. */
@Component
public class VisitViews {

    private final VisitLoader loader;
    private final Visits visits;
    private final StandIns standIns;
    private final Judge judge;
    private final JudgementViews judgements;
    private final House house;
    private final Clock clock;

    VisitViews(
            VisitLoader loader,
            Visits visits,
            StandIns standIns,
            Judge judge,
            JudgementViews judgements,
            House house,
            Clock clock) {
        this.loader = loader;
        this.visits = visits;
        this.standIns = standIns;
        this.judge = judge;
        this.judgements = judgements;
        this.house = house;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public VisitView of(UUID id) {
        return of(loader.get(id));
    }

    /** A visit that was loaded already, for instance because something was just written on it. */
    @Transactional(readOnly = true)
    public VisitView of(LoggedVisit logged) {
        Instant now = clock.instant();
        List<Visit> ofThisHead = visits.findByHeadIdOrderByOpenedAtDesc(logged.head().id);
        return VisitView.of(
                logged,
                ofThisHead,
                standIns.answersFor(logged.head().id),
                judgements.of(logged, judge.of(logged, now), now),
                UsualView.of(logged, house.of(logged.visit().houseRules), logged.log(now)),
                PartCountView.of(loader.partWorks(logged, ofThisHead)),
                now);
    }
}
