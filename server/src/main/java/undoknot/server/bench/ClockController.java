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
import undoknot.server.view.VisitView;

/** Clocks of a visit: dry holds, further bursts, and stopping any of them. */
@RestController
@RequestMapping("/api/visits/{visitId}/clocks")
class ClockController {

    private final ClockKeeper keeper;

    ClockController(ClockKeeper keeper) {
        this.keeper = keeper;
    }

    record HoldEntry(@NotNull(message = "Say what got wet.") DryHold.Wet wet) {}

    record BurstEntry(@NotNull UUID attemptId) {}

    /** @param reason why a hold ends before its time; needed then */
    record StopEntry(
            @Nullable @Size(max = 500, message = "Keep the reason to {max} signs.")
            String reason) {}

    @PutMapping("/{id}/hold")
    VisitView hold(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody HoldEntry entry) {
        return keeper.hold(visitId, id, entry.wet());
    }

    @PutMapping("/{id}/burst")
    VisitView burst(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody BurstEntry entry) {
        return keeper.burst(visitId, id, entry.attemptId());
    }

    @PutMapping("/{id}/stop")
    VisitView stop(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody StopEntry entry) {
        return keeper.stop(visitId, id, entry.reason());
    }
}
