package undoknot.server.practice;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** The house rules as they stood from one change to the next. Rows are added, never changed. */
@Entity(name = "HouseRulesBook")
@Table(name = "house_rules")
class HouseRow {
    @Id
    public UUID id;

    public int number;

    /** A {@link HouseBook} as JSON. */
    @Column(columnDefinition = "longtext")
    public String definition;

    public String why;
    public Instant madeAt;
    public String madeBy;

    protected HouseRow() {}

    HouseRow(UUID id, int number, String definition, String why, Instant madeAt, String madeBy) {
        this.id = id;
        this.number = number;
        this.definition = definition;
        this.why = why;
        this.madeAt = madeAt;
        this.madeBy = madeBy;
    }
}
