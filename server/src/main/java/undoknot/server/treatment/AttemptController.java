package undoknot.server.treatment;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.flow.OpenNozzles;
import undoknot.flow.Reservoir;
import undoknot.server.view.DepartureEntry;
import undoknot.server.view.NotedEntry;
import undoknot.server.view.TreatmentEntry;
import undoknot.server.view.VisitView;
import undoknot.treatment.Caution;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Push;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.Wet;

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
     * @param doneAnyway that it was done although it is never done; a lead logs it
     * @param site where it was done; absent for where the head is. The other place takes it out, or puts it back
     * @param wet how deep the head went into fluid, in a tray or a bath; absent for the base alone
     * @param noted what was noted of it besides
     * @param open whether rounds go on: strokes or turns follow one by one
     * @param replaces an entry that was mistyped and is entered anew by this one; its fluid is still in the bottle
     * @param begunAt when it was begun, when it is entered later; absent for now
     * @param endedAt when it was over, of work that is entered later; absent when it still runs, or took no time
     * @param wasteId container that takes what it spends; absent where nobody said
     * @param wasteMl how much that is, where it is not what was drawn: a cycle, ink from the lines
     * @param departure why something else is done than what was advised; kept with the attempt, or not at all
     */
    record AttemptEntry(
            @NotNull @Valid TreatmentEntry treatment,
            @Nullable UUID lotId,

            @Nullable @Size(max = 2000, message = "Keep the note to {max} signs.")
            String note,

            @Nullable @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String departureReason,

            @Nullable Boolean doneAnyway,
            @Nullable Site site,
            @Nullable Wet wet,
            @Nullable @Valid NotedEntry noted,
            @Nullable Boolean open,
            @Nullable UUID replaces,
            @Nullable Instant begunAt,
            @Nullable Instant endedAt,
            @Nullable UUID wasteId,

            @Nullable
            @DecimalMin(value = "0", message = "Enter 0 mL or more.")
            @DecimalMax(value = "20000", message = "Enter at most 20000 mL.")
            BigDecimal wasteMl,

            @Nullable @Valid DepartureEntry departure) {}

    record Withdrawal(
            @NotBlank(message = "Say what was wrong with this entry.")
            @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String reason,

            @Nullable Boolean poured) {}

    /**
     * What is known so far of an attempt that is being entered.
     *
     * @param begunAt when it was begun, when it is entered later: it is judged by how it stood then
     */
    record PreviewEntry(
            @NotNull Treatment.Kind kind,
            @Nullable TreatmentEntry treatment,
            @Nullable UUID lotId,
            @Nullable Double temperatureC,
            @Nullable Site site,
            @Nullable Wet wet,
            @Nullable Boolean cartridgesOff,
            @Nullable Instant begunAt,
            @Nullable UUID wasteId,
            @Nullable BigDecimal wasteMl) {

        /** What is done, as far as it is known; null while no handwork is chosen. */
        @Nullable
        Method method() {
            return switch (kind) {
                case FLUSH -> byStrokes();
                case SOAK ->
                    treatment != null
                                    && treatment.soak() != null
                                    && treatment.soak().place() == Treatment.Place.TRAY
                            ? Method.TRAY_SOAK
                            : Method.PORT_SOAK;
                case BATH -> Method.BATH;
                case CYCLE ->
                    treatment != null
                                    && treatment.cycle() != null
                                    && treatment.cycle().strength() == Treatment.Strength.STRONG
                            ? Method.CYCLE_STRONG
                            : Method.CYCLE;
                case HANDWORK ->
                    treatment == null || treatment.handwork() == null
                            ? null
                            : treatment.handwork().method();
            };
        }

        private Method byStrokes() {
            boolean other = treatment != null
                    && treatment.flush() != null
                    && treatment.flush().method() != null
                    && treatment.flush().method() != Method.FLUSH
                    && treatment.flush().method() != Method.WARM;
            if (other) {
                return treatment.flush().method();
            }
            return temperatureC != null && temperatureC > Gates.ROOM_C ? Method.WARM : Method.FLUSH;
        }
    }

    /**
     * A push at one port against the limit, with what goes into the sum.
     *
     * @param open nozzles that the last map does not show as missing; absent without a map
     * @param viscosityMpaS of water at that temperature, mPa·s
     * @param secondsPerMl least time of a stroke for each mL, through what is open
     * @param floorSecondsPerMl the same if every nozzle were open: no stroke may be faster
     * @param reservoirM height of a raised reservoir that gives the limit pressure, m
     */
    record PushView(
            String channel,
            double limitKpa,
            int nozzles,
            @Nullable Integer open,
            double boreUm,
            double plateUm,
            double temperatureC,
            double viscosityMpaS,
            double jetLoss,
            double secondsPerMl,
            double floorSecondsPerMl,
            List<Push.GreatestForce> greatestForces,
            double reservoirM) {
        static PushView of(Push push, double temperatureC) {
            return new PushView(
                    push.channel(),
                    push.limitKpa(),
                    push.nozzles(),
                    push.open(),
                    push.boreUm(),
                    push.plateUm(),
                    temperatureC,
                    push.viscosityPaS() * 1000,
                    OpenNozzles.JET_LOSS,
                    push.leastSeconds(1),
                    push.floorSeconds(1),
                    push.greatestForces(),
                    Reservoir.greatestHeightM(push.limitKpa()));
        }
    }

    /** @param shortByMl how much more the bottle would have to hold; absent when it holds enough */
    record Preview(
            List<Caution> cautions,
            List<Gate> gates,
            List<PushView> pushes,
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

    /** Takes back an entry made by mistake; it stays readable; fluid that was not poured goes back to the lot. */
    @PutMapping("/{id}/withdrawal")
    VisitView withdraw(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody Withdrawal withdrawal) {
        return log.withdraw(visitId, id, withdrawal.reason().strip(), withdrawal.poured());
    }
}
