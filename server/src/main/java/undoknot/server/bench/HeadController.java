package undoknot.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.view.VisitView;
import undoknot.treatment.Wet;
import undoknot.visit.HeadEntry;

/** Where the head is, what lies under it, what got wet: one tap each. */
@RestController
@RequestMapping("/api/visits/{visitId}/head-entries/{id}")
class HeadController {

    private final HeadKeeper keeper;

    HeadController(HeadKeeper keeper) {
        this.keeper = keeper;
    }

    /**
     * @param wet how far it got wet; of a hold alone
     * @param hours how long the hold is to last; absent for what the wetting needs
     * @param note a word with it; why a hold ends before its time
     * @param departureReason why the head comes out against a gate; needed when one is in the way
     * @param doneAnyway that it was taken out although that is never done; a lead logs it
     */
    record HeadEntryRequest(
            @NotNull(message = "Say what happened to the head.")
            HeadEntry entry,

            @Nullable Wet wet,

            @Nullable
            @Min(value = 1, message = "Enter 1 to 336 hours.")
            @Max(value = 336, message = "Enter 1 to 336 hours, two weeks.")
            Integer hours,

            @Nullable @Size(max = 2000, message = "Keep it to {max} signs.")
            String note,

            @Nullable @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String departureReason,

            @Nullable Boolean doneAnyway) {}

    @PutMapping
    VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody HeadEntryRequest entry) {
        return keeper.put(visitId, id, entry);
    }

    /** Takes back an entry made by mistake; it stays in the history. */
    @PutMapping("/withdrawal")
    VisitView withdraw(@PathVariable UUID visitId, @PathVariable UUID id) {
        return keeper.withdraw(visitId, id);
    }
}
