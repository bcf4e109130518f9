package undoknot.server.visit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.observation.Observation;
import undoknot.observation.Sign;

/** What a look found, or what was seen meanwhile. */
@Entity(name = "Finding")
@Audited
@Table(name = "finding")
public class FindingRow {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public Sign sign;

    /** Null when it is about the whole head. */
    public String channel;

    public String note;
    public Instant foundAt;
    public String foundBy;

    /** Gates it was looked against as JSON, and why; null when none was in the way. */
    @Column(columnDefinition = "longtext")
    public String against;

    public String departureReason;

    /** Fluid that the look used; null for none. */
    public UUID lotId;

    public java.math.BigDecimal volumeMl;

    /** When a fault that a restart cleared is expected back; null for any other finding. */
    public java.time.LocalDate expectedOn;

    /** Taken back: entered by mistake. */
    public boolean withdrawn;

    protected FindingRow() {}

    public FindingRow(UUID id, UUID visitId, Sign sign, String channel, Instant foundAt, String foundBy) {
        this.id = id;
        this.visitId = visitId;
        this.sign = sign;
        this.channel = channel;
        this.foundAt = foundAt;
        this.foundBy = foundBy;
        this.note = "";
    }

    public Observation observation() {
        return new Observation(sign, channel, Map.of(), id.toString());
    }
}
