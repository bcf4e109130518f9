package undoknot.server.view;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import undoknot.advice.Advice;
import undoknot.server.account.SignedIn;
import undoknot.server.visit.DepartureRow;

/**
 * Why something else is done than what was advised.
 *
 * @param advised the method, the look or the act that was advised
 */
public record DepartureEntry(
        @NotNull Advice.Rule rule,
        @NotBlank @Size(max = 60) String advised,

        @NotBlank(message = "Say in a word why.") @Size(max = 2000, message = "Keep the reason to {max} signs.")
        String reason) {

    public DepartureRow row(UUID id, UUID visitId, Instant now) {
        return new DepartureRow(
                id, visitId, rule, advised, reason.strip(), now, SignedIn.now().displayName());
    }
}
