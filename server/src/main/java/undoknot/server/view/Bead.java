package undoknot.server.view;

import java.time.Instant;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.outcome.Knot;
import undoknot.outcome.Outcome;
import undoknot.treatment.Treatment;

/** One thing on the thread of a visit. */
public record Bead(
        Kind kind,
        UUID id,
        Instant at,
        @Nullable Treatment.Kind treatment,
        @Nullable Knot knot,
        @Nullable Integer out,
        @Nullable Outcome outcome) {

    public enum Kind {
        TAKE_IN,
        CHECK,
        ATTEMPT,
        HOLD,
        RETURN
    }
}
