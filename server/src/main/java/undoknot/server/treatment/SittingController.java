package undoknot.server.treatment;

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
import undoknot.server.view.NotedEntry.TurnEntry;
import undoknot.server.view.StrokeEntry;
import undoknot.server.view.VisitView;

/** The rounds of a sitting, one by one. */
@RestController
@RequestMapping("/api/visits/{visitId}/attempts/{attemptId}")
class SittingController {

    private final SittingLog log;

    SittingController(SittingLog log) {
        this.log = log;
    }

    /**
     * @param departureReason why a gate is departed from by this stroke; needed when one is
     * @param doneAnyway that it was done although it is never done; a lead logs it
     */
    record StrokeWrite(
            @NotNull @Valid StrokeEntry stroke,

            @Nullable @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String departureReason,

            @Nullable Boolean doneAnyway) {}

    /** Keeps a stroke, or what was seen of one that is kept already. */
    @PutMapping("/strokes/{id}")
    VisitView stroke(
            @PathVariable UUID visitId,
            @PathVariable UUID attemptId,
            @PathVariable UUID id,
            @Valid @RequestBody StrokeWrite entry) {
        return log.stroke(visitId, attemptId, id, entry);
    }

    /** Takes back a stroke that was none: nothing was pushed. */
    @PutMapping("/strokes/{id}/withdrawal")
    VisitView strokeBack(@PathVariable UUID visitId, @PathVariable UUID attemptId, @PathVariable UUID id) {
        return log.strokeBack(visitId, attemptId, id);
    }

    /** Keeps a turn of a rinse, or what was seen of one that is kept already. */
    @PutMapping("/turns/{id}")
    VisitView turn(
            @PathVariable UUID visitId,
            @PathVariable UUID attemptId,
            @PathVariable UUID id,
            @Valid @RequestBody TurnEntry entry) {
        return log.turn(visitId, attemptId, id, entry);
    }
}
