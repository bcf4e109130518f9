package undoknot.server.treatment;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.view.DepartureEntry;
import undoknot.server.view.TreatmentEntry;
import undoknot.server.view.VisitView;
import undoknot.treatment.Caution;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/** Logging attempts. */
@RestController
@RequestMapping("/api/visits/{visitId}/attempts")
class AttemptController {

    private final AttemptLog log;

    AttemptController(AttemptLog log) {
        this.log = log;
    }

    /**
     * @param lotId bottle the fluid comes from; absent for a printer cycle
     * @param departureReason why a gate is departed from; needed when one is
     * @param departure why something else is done than what was advised; kept with the attempt, or not at all
     */
    record AttemptEntry(
            @NotNull @Valid TreatmentEntry treatment,
            @Nullable UUID lotId,

            @Nullable @Size(max = 2000, message = "Keep the note to {max} signs.")
            String note,

            @Nullable @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String departureReason,

            @Nullable @Valid DepartureEntry departure) {}

    record Withdrawal(
            @NotBlank(message = "Say what was wrong with this entry.")
            @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String reason) {}

    /** What is known so far of an attempt that is being entered. */
    record PreviewEntry(
            @NotNull Treatment.Kind kind,
            @Nullable TreatmentEntry treatment,
            @Nullable UUID lotId,
            @Nullable Double temperatureC) {

        /** What is done, as far as it is known; null while no handwork is chosen. */
        @Nullable
        Method method() {
            return switch (kind) {
                case FLUSH -> temperatureC != null && temperatureC > Gates.ROOM_C ? Method.WARM : Method.FLUSH;
                case SOAK ->
                    treatment != null
                                    && treatment.soak() != null
                                    && treatment.soak().place() == Treatment.Place.TRAY
                            ? Method.TRAY_SOAK
                            : Method.PORT_SOAK;
                case BATH -> Method.BATH;
                case CYCLE -> Method.CYCLE;
                case HANDWORK ->
                    treatment == null || treatment.handwork() == null
                            ? null
                            : treatment.handwork().method();
            };
        }
    }

    /** @param shortByMl how much more the bottle would have to hold; absent when it holds enough */
    record Preview(
            List<Caution> cautions,
            List<Gate> gates,
            @Nullable BigDecimal shortByMl) {}

    /** What stands in the way and which cautions go with it. Stores nothing. */
    @PostMapping("/preview")
    Preview preview(@PathVariable UUID visitId, @Valid @RequestBody PreviewEntry entry) {
        return log.preview(visitId, entry);
    }

    @PutMapping("/{id}")
    VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody AttemptEntry entry) {
        return log.put(visitId, id, entry);
    }

    /** Ends a soak or a bath before its clocks have all run. */
    @PutMapping("/{id}/end")
    VisitView end(@PathVariable UUID visitId, @PathVariable UUID id) {
        return log.end(visitId, id);
    }

    /** Takes back an entry made by mistake; it stays readable, and its fluid goes back to the lot. */
    @PutMapping("/{id}/withdrawal")
    VisitView withdraw(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody Withdrawal withdrawal) {
        return log.withdraw(visitId, id, withdrawal.reason().strip());
    }
}
