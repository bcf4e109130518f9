package undoknot.server.head;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "family")
class FamilyRow {
    @Id
    public String code;

    public String name;

    /** A {@link undoknot.head.Family} as JSON. */
    @Column(columnDefinition = "longtext")
    public String definition;

    protected FamilyRow() {}

    FamilyRow(String code, String name, String definition) {
        this.code = code;
        this.name = name;
        this.definition = definition;
    }
}
