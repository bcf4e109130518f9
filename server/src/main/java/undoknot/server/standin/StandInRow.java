package undoknot.server.standin;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** A head that is not there: its faults and the seed of its luck. What was done to it stands on its visits. */
@Entity
@Table(name = "stand_in")
public class StandInRow {
    @Id
    public UUID headId;

    /** Prepared faults as a JSON list. */
    @Column(columnDefinition = "longtext")
    public String faults;

    public long seed;

    protected StandInRow() {}

    public StandInRow(UUID headId, String faults, long seed) {
        this.headId = headId;
        this.faults = faults;
        this.seed = seed;
    }
}
