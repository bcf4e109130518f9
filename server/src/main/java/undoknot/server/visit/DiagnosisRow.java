package undoknot.server.visit;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.diagnosis.Cause;

/** A suspected cause. Changing it keeps the earlier word in the history. */
@Entity(name = "Diagnosis")
@Audited
@Table(name = "diagnosis")
public class DiagnosisRow {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public Cause cause;

    /** Channel codes parted by commas; empty when it is about the head. */
    public String channels;

    public String speaksFor;
    public String note;

    /** No longer suspected. */
    public boolean dropped;

    public Instant madeAt;
    public String madeBy;

    protected DiagnosisRow() {}

    public DiagnosisRow(UUID id, UUID visitId, Instant madeAt, String madeBy) {
        this.id = id;
        this.visitId = visitId;
        this.madeAt = madeAt;
        this.madeBy = madeBy;
    }
}
