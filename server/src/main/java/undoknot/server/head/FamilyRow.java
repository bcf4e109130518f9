package undoknot.server.head;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.hibernate.envers.Audited;

/** A family of the shop; every change is kept with who and why. */
@Entity
@Audited
@Table(name = "family")
public class FamilyRow {
    @Id
    public String code;

    public String name;

    /** A {@link undoknot.head.Family} as JSON. */
    @Column(columnDefinition = "longtext")
    public String definition;

    @Version
    public Long version;

    /** Null for one that came with the product. */
    public Instant changedAt;

    public String changedBy;
    public String why;

    protected FamilyRow() {}

    FamilyRow(String code, String name, String definition) {
        this.code = code;
        this.name = name;
        this.definition = definition;
    }
}
