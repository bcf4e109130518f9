package undoknot.server.view;

import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.UUID;
import java.util.function.Function;
import org.hibernate.Session;
import org.springframework.stereotype.Component;
import undoknot.server.problem.Refused;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.RepeatableWrite;

/**
 * Writes on an open visit. Its log is loaded once, the feature changes it, and the answer is the visit as it stands then with
 * its judgement.
 */
@Component
public class VisitWrites {

    private final VisitLoader loader;
    private final VisitViews views;
    private final RepeatableWrite writes;

    private final EntityManager entities;

    VisitWrites(VisitLoader loader, VisitViews views, RepeatableWrite writes, EntityManager entities) {
        this.entities = entities;
        this.loader = loader;
        this.views = views;
        this.writes = writes;
    }

    /**
     * @param change what is done; it answers with the rows it saved, none when the write was there already
     * @throws undoknot.server.problem.Refused when the head was returned, and this is not a write from before sent again
     */
    public VisitView on(UUID visitId, Function<LoggedVisit, Collection<?>> change) {
        return on(visitId, () -> {}, change);
    }

    /** @param before what must be locked before the log is read */
    public VisitView on(UUID visitId, Runnable before, Function<LoggedVisit, Collection<?>> change) {
        return views.of(writes.run(() -> {
            // The visit before the bottle, and both before the log is read.
            loader.lockRow(visitId);
            before.run();
            LoggedVisit logged = loader.get(visitId);
            return logged.visit().closedAt == null
                    ? loader.with(logged, change.apply(logged))
                    : sentAgain(logged, change);
        }));
    }

    /** After the return nothing is changed any more; a write that was there before is answered as it was then. */
    private LoggedVisit sentAgain(LoggedVisit logged, Function<LoggedVisit, Collection<?>> change) {
        Long version = logged.visit().version;
        boolean isThere;
        try {
            isThere = change.apply(logged).isEmpty()
                    && logged.visit().version.equals(version)
                    && !entities.unwrap(Session.class).isDirty();
        } catch (Refused refused) {
            isThere = false;
        }
        if (!isThere) {
            throw VisitLoader.returned();
        }
        return logged;
    }
}
