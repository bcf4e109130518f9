package undoknot.server.waste;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.UUID;

/** Fluid that went into a container, or the container emptied. Only ever added to. */
@Entity
@Table(name = "waste_entry")
class WasteEntry {
    @Id
    public UUID id;

    public UUID containerId;

    /** The work or step it came from; null when it was emptied at the shelf. */
    public UUID sourceId;

    public boolean emptied;

    /** What went in, or what was in it when it was emptied, mL; below zero where less went in than was thought. */
    public BigDecimal volumeMl;

    public Instant enteredAt;
    public String enteredBy;

    protected WasteEntry() {}

    WasteEntry(
            UUID id,
            UUID containerId,
            UUID sourceId,
            boolean emptied,
            BigDecimal volumeMl,
            Instant enteredAt,
            String enteredBy) {
        this.id = id;
        this.containerId = containerId;
        this.sourceId = sourceId;
        this.emptied = emptied;
        this.volumeMl = volumeMl;
        this.enteredAt = enteredAt;
        this.enteredBy = enteredBy;
    }
}
