package undoknot.server.finish;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.outcome.Outcome;
import undoknot.outcome.Outcome.Doubt;
import undoknot.server.view.VisitView;
import undoknot.server.visit.Visit;

/** Handing a head back: outcome and sign-off, and taking that back. */
@RestController
@RequestMapping("/api/visits/{visitId}/return")
class ReturnController {

    private final Returns returns;

    ReturnController(Returns returns) {
        this.returns = returns;
    }

    /**
     * @param version version of the visit that was seen
     * @param reason a word to the customer; needed when the readings say otherwise
     * @param told what the customer was told of what the readings cannot show; needed when bars alone accept it, and when
     *     it leaves not proven by print
     * @param despite doubts that were read by who signs, and that the word answers
     */
    record ReturnEntry(
            long version,
            @NotNull(message = "Choose how it went.") Outcome outcome,

            @Nullable @Size(max = 2000, message = "Keep it to {max} signs.")
            String reason,

            @NotBlank(message = "Sign with your name.") @Size(max = 120, message = "Keep the name to {max} signs.")
            String signedBy,

            @Nullable Visit.Told told,

            @Nullable @Size(max = 20, message = "Name each doubt once.")
            List<@NotNull(message = "Name the doubt.") Doubt> despite) {}

    /** @param version version of the visit that was seen */
    record Reopening(
            long version,

            @NotBlank(message = "Say why the return is taken back.")
            @Size(max = 2000, message = "Keep it to {max} signs.")
            String why) {}

    @PutMapping
    VisitView put(@PathVariable UUID visitId, @Valid @RequestBody ReturnEntry entry) {
        return returns.put(visitId, entry);
    }

    /** Takes a return back: the visit goes on, and what was signed stays in its history. */
    @PutMapping("/reopening")
    VisitView reopen(@PathVariable UUID visitId, @Valid @RequestBody Reopening entry) {
        return returns.reopen(visitId, entry);
    }
}
