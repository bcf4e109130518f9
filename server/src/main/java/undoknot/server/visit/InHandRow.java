package undoknot.server.visit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;

/** Who has a head in hand, and the steps that are gone through one by one. */
@Entity(name = "InHand")
@Audited
@Table(name = "in_hand")
public class InHandRow {
    /** That of the visit: there is one row for each at most. */
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    /** Null while nobody has it. */
    public String person;

    public Instant since;

    /** Who had it before; null when nobody had. */
    public String takenFrom;

    /** A {@link KeptRun} as JSON; null before the first. */
    @Column(columnDefinition = "longtext")
    public String run;

    protected InHandRow() {}

    public InHandRow(UUID visitId) {
        this.id = visitId;
        this.visitId = visitId;
    }

    /** Takes it in hand; whoever had it is kept. */
    public void takenBy(String who, Instant at) {
        if (!who.equals(person)) {
            takenFrom = person;
            person = who;
            since = at;
        }
    }
}
