package undoknot.server.view;

import java.time.Instant;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.outcome.Outcome;
import undoknot.server.visit.Visit;

/** An earlier stay of the same head. */
public record EarlierVisit(
        UUID id,
        String tag,
        Instant openedAt,
        @Nullable Instant closedAt,
        @Nullable Outcome outcome) {
    public static EarlierVisit of(Visit visit) {
        return new EarlierVisit(visit.id, visit.tag, visit.openedAt, visit.closedAt, visit.outcome);
    }
}
