package undoknot.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.view.VisitView;

/** Clocks of a visit: further bursts, and stopping a soak or a burst. */
@RestController
@RequestMapping("/api/visits/{visitId}/clocks")
class ClockController {

    private final ClockKeeper keeper;

    ClockController(ClockKeeper keeper) {
        this.keeper = keeper;
    }

    record BurstEntry(@NotNull UUID attemptId) {}

    @PutMapping("/{id}/burst")
    VisitView burst(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody BurstEntry entry) {
        return keeper.burst(visitId, id, entry.attemptId());
    }

    @PutMapping("/{id}/stop")
    VisitView stop(@PathVariable UUID visitId, @PathVariable UUID id) {
        return keeper.stop(visitId, id);
    }
}
