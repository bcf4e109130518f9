package undoknot.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.view.VisitView;
import undoknot.visit.Waiting;

/** Clocks of a visit: further bursts, and stopping a soak or a burst. */
@RestController
@RequestMapping("/api/visits/{visitId}/clocks")
class ClockController {

    private final ClockKeeper keeper;

    ClockController(ClockKeeper keeper) {
        this.keeper = keeper;
    }

    /**
     * @param channel the port it is about; needed for drops on a port
     * @param attemptId the rounds that it is part of; needed for fluid that stands between strokes
     * @param minutes how long it is given
     */
    record WaitEntry(
            @NotNull(message = "Say what is waited for.") Waiting waiting,
            @Nullable String channel,
            @Nullable UUID attemptId,

            @NotNull(message = "Enter how many minutes are planned.")
            @Min(value = 1, message = "Plan at least 1 minute.")
            @Max(value = 2880, message = "Plan at most 2880 minutes, two days.")
            Integer minutes) {}

    record BurstEntry(@NotNull UUID attemptId) {}

    /** Starts a clock for something that waits and is no logged work. */
    @PutMapping("/{id}/wait")
    VisitView wait(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody WaitEntry entry) {
        return keeper.wait(visitId, id, entry);
    }

    /** Lets a clock that was stopped by mistake go on as if it had never been. */
    @PutMapping("/{id}/resume")
    VisitView resume(@PathVariable UUID visitId, @PathVariable UUID id) {
        return keeper.resume(visitId, id);
    }

    @PutMapping("/{id}/burst")
    VisitView burst(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody BurstEntry entry) {
        return keeper.burst(visitId, id, entry.attemptId());
    }

    @PutMapping("/{id}/stop")
    VisitView stop(@PathVariable UUID visitId, @PathVariable UUID id) {
        return keeper.stop(visitId, id);
    }
}
