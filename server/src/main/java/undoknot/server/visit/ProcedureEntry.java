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
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.procedure.Act;
import undoknot.procedure.Done;

/** One entry of an ink change or a whole-system flush. */
@Entity
@Audited
@Table(name = "procedure_entry")
public class ProcedureEntry {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public Act act;

    public String channel;
    public UUID lotId;

    /** What was poured, put by or sent to waste, mL; null where it is not asked. */
    public BigDecimal volumeMl;

    @Enumerated(EnumType.STRING)
    public Act.Finding finding;

    /** The vessel that saved ink is in, its lot and its date. */
    public String vessel;

    public String lotCode;
    public LocalDate inkedOn;
    public String text;
    public UUID wasteId;

    /** Gates it was done against as JSON, and why; null when none was in the way. */
    @Column(columnDefinition = "longtext")
    public String against;

    public String departureReason;

    public Instant enteredAt;
    public String enteredBy;
    public boolean withdrawn;

    protected ProcedureEntry() {}

    public ProcedureEntry(UUID id, UUID visitId, Act act, Instant enteredAt, String enteredBy) {
        this.id = id;
        this.visitId = visitId;
        this.act = act;
        this.enteredAt = enteredAt;
        this.enteredBy = enteredBy;
        this.text = "";
    }

    public Done done() {
        return new Done(act, channel, volumeMl, finding);
    }
}
