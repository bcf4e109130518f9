package undoknot.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.bench.DryHold;
import undoknot.server.visit.Views;
import undoknot.server.visit.VisitReader;

/** Clocks of a visit: dry holds, further bursts, and stopping any of them. */
@RestController
@RequestMapping("/api/visits/{visitId}/clocks")
class ClockController {

    private final ClockKeeper keeper;
    private final VisitReader reader;

    ClockController(ClockKeeper keeper, VisitReader reader) {
        this.keeper = keeper;
        this.reader = reader;
    }

    record HoldEntry(@NotNull(message = "Say what got wet.") DryHold.Wet wet) {}

    record BurstEntry(@NotNull UUID attemptId) {}

    /** @param reason why a hold ends before its time; needed then */
    record StopEntry(
            @Nullable @Size(max = 500, message = "Keep the reason to {max} signs.")
            String reason) {}

    @PutMapping("/{id}/hold")
    Views.VisitView hold(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody HoldEntry entry) {
        keeper.hold(visitId, id, entry.wet());
        return reader.view(visitId);
    }

    @PutMapping("/{id}/burst")
    Views.VisitView burst(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody BurstEntry entry) {
        keeper.burst(visitId, id, entry.attemptId());
        return reader.view(visitId);
    }

    @PutMapping("/{id}/stop")
    Views.VisitView stop(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody StopEntry entry) {
        keeper.stop(visitId, id, entry.reason());
        return reader.view(visitId);
    }
}
