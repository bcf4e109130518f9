package undoknot.server.alsofound;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;

/** Something found besides that is none of this job: it stands in the report and decides nothing. */
@Entity
@Audited
@Table(name = "also_found")
public class AlsoFound {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public What what;

    public String place;
    public String note;
    public Instant foundAt;
    public String foundBy;
    public boolean withdrawn;

    /** What it is about. */
    public enum What {
        MOTOR,
        SPILL,
        ROLLERS,
        BORROWED_CARTRIDGES,
        CABLE,
        WASTE_STORE,
        HOUSING,
        OTHER
    }

    protected AlsoFound() {}

    AlsoFound(UUID id, UUID visitId, Instant foundAt, String foundBy) {
        this.id = id;
        this.visitId = visitId;
        this.foundAt = foundAt;
        this.foundBy = foundBy;
    }

    boolean says(AlsoFound other) {
        return what == other.what && place.equals(other.place) && note.equals(other.note);
    }
}
