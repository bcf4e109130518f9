package undoknot.server.view;

import java.time.Instant;
import org.springframework.lang.Nullable;
import undoknot.server.visit.InHandRow;
import undoknot.server.visit.LoggedVisit;

/** @param takenFrom who had it before; absent when nobody had */
public record InHandView(
        String person, Instant since, @Nullable String takenFrom) {

    /** Null while nobody has it, or it was returned. */
    @Nullable
    static InHandView of(LoggedVisit logged) {
        InHandRow row = logged.rows().inHand();
        return row == null || row.person == null || logged.visit().closedAt != null
                ? null
                : new InHandView(row.person, row.since, row.takenFrom);
    }
}
