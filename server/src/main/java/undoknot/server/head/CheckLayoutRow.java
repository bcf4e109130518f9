package undoknot.server.head;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;

@Entity
@Audited
@Table(name = "check_layout")
public class CheckLayoutRow {
    @Id
    public UUID id;

    @Version
    public Long version;

    public String familyCode;
    public String name;

    /** A {@link undoknot.head.CheckLayout} as JSON. */
    @Column(columnDefinition = "longtext")
    public String definition;

    /** Came with the product; a lead makes a new one instead of changing it. */
    public boolean shipped;

    public Instant changedAt;
    public String changedBy;

    protected CheckLayoutRow() {}

    CheckLayoutRow(UUID id, String familyCode) {
        this.id = id;
        this.familyCode = familyCode;
    }
}
