package undoknot.server.head;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

/** A physical head; it can come back. */
@Entity
@Audited
@Table(name = "head")
public class Head {
    @Id
    public UUID id;

    @Version
    public Long version;

    public String serial;

    /** Kept by the database, to be found by its end. */
    @NotAudited
    @Column(insertable = false, updatable = false)
    public String serialBackwards;

    public String familyCode;

    /** Once true, true for ever: such a head never serves food. */
    public boolean everNonFood;

    protected Head() {}

    public Head(UUID id, String serial, String familyCode) {
        this.id = id;
        this.serial = serial;
        this.familyCode = familyCode;
    }
}
