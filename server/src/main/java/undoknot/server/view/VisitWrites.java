package undoknot.server.view;

import java.util.Collection;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;
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

    VisitWrites(VisitLoader loader, VisitViews views, RepeatableWrite writes) {
        this.loader = loader;
        this.views = views;
        this.writes = writes;
    }

    /**
     * @param change what is done; it answers with the rows it saved, none when the write was there already
     * @throws undoknot.server.problem.Refused when the head was returned
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
            LoggedVisit logged = loader.getOpen(visitId);
            return loader.with(logged, change.apply(logged));
        }));
    }
}
