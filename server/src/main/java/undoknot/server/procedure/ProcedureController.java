package undoknot.server.procedure;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.procedure.Act;
import undoknot.server.view.ProcedureView;
import undoknot.server.view.VisitView;
import undoknot.server.visit.Intake;

/** The steps of an ink change and of a whole-system flush. */
@RestController
@RequestMapping("/api/visits/{visitId}/procedure")
class ProcedureController {

    private final ProcedureLog log;

    ProcedureController(ProcedureLog log) {
        this.log = log;
    }

    /** What is typed for the sum of an ink change; see {@link undoknot.procedure.InkNeed}. */
    record InkEntry(
            @NotNull(message = MISSING) Double channelMl,
            @NotNull(message = MISSING) Double residue,
            @NotNull(message = MISSING) Double reserve) {}

    /** What is typed for the sum of a whole-system flush; see {@link undoknot.procedure.SystemNeed}. */
    record SystemEntry(
            @NotNull(message = MISSING) Double settlingMl,
            @NotNull(message = MISSING) Integer fills,
            @NotNull(message = MISSING) Integer bottles,
            @NotNull(message = MISSING) Double bottleMl,
            @NotNull(message = MISSING) Integer strongCycles,
            @NotNull(message = MISSING) Double strongMl,
            @NotNull(message = MISSING) Double normalMl,
            @NotNull(message = MISSING) Double wipingMl,
            @NotNull(message = MISSING) Double lineMl,
            @NotNull(message = MISSING) Double residue,
            @NotNull(message = MISSING) Double reserve,
            @NotNull(message = MISSING) Double wasteMl) {}

    private static final String MISSING = "Enter a number.";

    /**
     * @param ink of an ink change
     * @param inks what each port will carry
     * @param system of a whole-system flush
     */
    record NeedEntry(
            @Nullable @Valid InkEntry ink,
            @Nullable List<Intake.@Valid PortInk> inks,
            @Nullable @Valid SystemEntry system) {}

    /**
     * @param channel where, for what is done port by port
     * @param lotId bottle the fluid comes from
     * @param volumeMl what was poured, put by or sent to waste, mL
     * @param vessel that saved ink is in, as it is labelled, with its lot and date
     * @param text what the label says, or a note
     * @param wasteId container that takes it, or that was emptied
     */
    record ProcedureStep(
            @NotNull(message = "Say what was done.") Act act,
            @Nullable String channel,
            @Nullable UUID lotId,

            @Nullable
            @DecimalMin(value = "0", message = "Enter 0 mL or more.")
            @DecimalMax(value = "20000", message = "Enter at most 20000 mL.")
            @Digits(integer = 6, fraction = 2, message = "Enter millilitres to the hundredth.")
            BigDecimal volumeMl,

            @Nullable Act.Finding finding,

            @Nullable @Size(max = 200, message = "Keep it to {max} signs.")
            String vessel,

            @Nullable @Size(max = 60, message = "Keep it to {max} signs.")
            String lotCode,

            @Nullable LocalDate inkedOn,

            @Nullable @Size(max = 500, message = "Keep it to {max} signs.")
            String text,

            @Nullable UUID wasteId,

            @Nullable @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String departureReason) {}

    record NeedSum(
            @Nullable ProcedureView.InkSum ink, @Nullable ProcedureView.SystemSum system) {}

    /** The sum of what is typed so far. Stores nothing. */
    @PostMapping("/sum")
    NeedSum sum(@PathVariable UUID visitId, @Valid @RequestBody NeedEntry entry) {
        return log.sum(visitId, entry);
    }

    @PutMapping("/need")
    VisitView need(@PathVariable UUID visitId, @Valid @RequestBody NeedEntry entry) {
        return log.need(visitId, entry);
    }

    @PutMapping("/entries/{id}")
    VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody ProcedureStep entry) {
        return log.put(visitId, id, entry);
    }

    /** Takes back an entry made by mistake; its fluid goes back to the bottle. */
    @PutMapping("/entries/{id}/withdrawal")
    VisitView withdraw(@PathVariable UUID visitId, @PathVariable UUID id) {
        return log.withdraw(visitId, id);
    }
}
