package undoknot.server.view;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import undoknot.diagnosis.Cause;
import undoknot.server.visit.DiagnosisRow;

/** A cause that somebody suspects. */
public record DiagnosisView(
        UUID id,
        long version,
        Cause cause,
        List<String> channels,
        String speaksFor,
        String note,
        boolean dropped,
        Instant madeAt,
        String madeBy) {
    public static DiagnosisView of(DiagnosisRow row) {
        return new DiagnosisView(
                row.id,
                row.version,
                row.cause,
                row.channels.isEmpty() ? List.of() : List.of(row.channels.split(",")),
                row.speaksFor,
                row.note,
                row.dropped,
                row.madeAt,
                row.madeBy);
    }
}
