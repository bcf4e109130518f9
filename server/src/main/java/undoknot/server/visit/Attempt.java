package undoknot.server.visit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.Wet;

/** One treatment of named channels. What was logged is never deleted: a slip is withdrawn, with its reason. */
@Entity
@Audited
@Table(name = "attempt")
public class Attempt {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public Treatment.Kind kind;

    /** A {@link StoredTreatment} as JSON. */
    @Column(columnDefinition = "longtext")
    public String record;

    /** Version of the schema of {@link #record}. */
    @Column(columnDefinition = "smallint")
    public int recordVersion = StoredTreatment.VERSION;

    /** A {@link undoknot.sitting.Noted} as JSON; null for nothing. */
    @Column(columnDefinition = "longtext")
    public String noted;

    public UUID lotId;
    public BigDecimal volumeMl;
    public Instant startedAt;

    /** When it was typed, when that was later than it was begun; null when it was logged as it happened. */
    public Instant enteredAt;

    public String startedBy;

    /** Null while a clock of it runs or waits for hands. */
    public Instant endedAt;

    /** Where it was done; null for what was logged before that was asked. */
    @Enumerated(EnumType.STRING)
    public Site site;

    /** How deep the head went into fluid; null where it is not asked. */
    @Enumerated(EnumType.STRING)
    public Wet wet;

    public String note;

    /** Why a gate was departed from. */
    public String departureReason;

    /** Those gates as JSON, as they stood then; null when none was in the way. */
    @Column(columnDefinition = "longtext")
    public String against;

    /** Container that takes what it spends, and how much that is where it is not what was drawn; null where nobody said. */
    public UUID wasteId;

    public BigDecimal wasteMl;

    public String withdrawnReason;

    /** Whether the fluid of an entry that was taken back left its bottle all the same; null while the entry stands. */
    public Boolean withdrawnPoured;

    protected Attempt() {}

    public Attempt(UUID id, UUID visitId, Instant startedAt, String startedBy) {
        this.id = id;
        this.visitId = visitId;
        this.startedAt = startedAt;
        this.startedBy = startedBy;
    }

    public boolean stands() {
        return withdrawnReason == null;
    }

    /** Fluid that is gone although the entry was taken back. */
    public boolean pouredInVain() {
        return Boolean.TRUE.equals(withdrawnPoured);
    }
}
