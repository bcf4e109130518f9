package undoknot.server.visit;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.treatment.Wet;
import undoknot.visit.HeadEntry;
import undoknot.visit.HeadEvent;

/** Where the head went, what was under it, what was seen wet or dry. */
@Entity(name = "HeadEntry")
@Audited
@Table(name = "head_entry")
public class HeadEntryRow {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public HeadEntry entry;

    /** How far it got wet; of a hold alone. */
    @Enumerated(EnumType.STRING)
    public Wet wet;

    /** How long; of a hold alone. */
    public Integer plannedMinutes;

    public String note;
    public Instant enteredAt;
    public String enteredBy;

    /** Taken back: entered by mistake. */
    public boolean withdrawn;

    protected HeadEntryRow() {}

    public HeadEntryRow(UUID id, UUID visitId, HeadEntry entry, String note, Instant enteredAt, String enteredBy) {
        this.id = id;
        this.visitId = visitId;
        this.entry = entry;
        this.note = note;
        this.enteredAt = enteredAt;
        this.enteredBy = enteredBy;
    }

    HeadEvent event() {
        return new HeadEvent.Entered(
                enteredAt, entry, wet, plannedMinutes == null ? null : Duration.ofMinutes(plannedMinutes));
    }
}
