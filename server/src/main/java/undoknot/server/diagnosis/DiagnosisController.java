package undoknot.server.diagnosis;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.diagnosis.Cause;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.server.view.DiagnosisView;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.Diagnoses;
import undoknot.server.visit.DiagnosisRow;
import undoknot.server.write.Versions;

/** Recording what is thought to be wrong, for now by hand. */
@RestController
@RequestMapping("/api/visits/{visitId}/diagnoses")
class DiagnosisController {

    private final Diagnoses diagnoses;
    private final VisitWrites writes;
    private final Clock clock;

    DiagnosisController(Diagnoses diagnoses, VisitWrites writes, Clock clock) {
        this.diagnoses = diagnoses;
        this.writes = writes;
        this.clock = clock;
    }

    /**
     * @param version version seen, absent for a new one
     * @param channels channels it is about; empty when it is about the head
     * @param dropped no longer suspected
     */
    record DiagnosisEntry(
            @Nullable Long version,
            @NotNull(message = "Choose a cause.") Cause cause,
            @NotNull List<String> channels,

            @NotBlank(message = "Write what speaks for it.") @Size(max = 2000, message = "Keep it to {max} signs.")
            String speaksFor,

            @Nullable @Size(max = 2000, message = "Keep the note to {max} signs.")
            String note,

            boolean dropped) {}

    @PutMapping("/{id}")
    VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody DiagnosisEntry entry) {
        return writes.on(visitId, logged -> {
            for (String code : entry.channels()) {
                if (logged.family().channel(code).isEmpty()) {
                    throw Refused.entry("channels", "UNKNOWN", "This head has no channel " + code + ".");
                }
            }
            DiagnosisRow row = diagnoses.findById(id).orElse(null);
            if (row == null) {
                row = new DiagnosisRow(
                        id, visitId, clock.instant(), SignedIn.now().displayName());
            } else {
                if (!row.visitId.equals(visitId)) {
                    throw Refused.notFound("diagnosis");
                }
                if (says(row, entry)) {
                    return List.of();
                }
                DiagnosisRow stands = row;
                Versions.check(row.version, entry.version(), () -> DiagnosisView.of(stands), entry);
            }
            row.cause = entry.cause();
            row.channels = String.join(",", entry.channels());
            row.speaksFor = entry.speaksFor().strip();
            row.note = note(entry);
            row.dropped = entry.dropped();
            return List.of(diagnoses.saveAndFlush(row));
        });
    }

    private static boolean says(DiagnosisRow row, DiagnosisEntry entry) {
        return row.cause == entry.cause()
                && row.channels.equals(String.join(",", entry.channels()))
                && row.speaksFor.equals(entry.speaksFor().strip())
                && row.note.equals(note(entry))
                && row.dropped == entry.dropped();
    }

    private static String note(DiagnosisEntry entry) {
        return Objects.requireNonNullElse(entry.note(), "").strip();
    }
}
