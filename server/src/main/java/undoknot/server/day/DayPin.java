package undoknot.server.day;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;

/** A step of a head that somebody wants done by someone at a time. */
@Entity
@Audited
@Table(name = "day_pin")
class DayPin {

    @Id
    UUID id;

    @Version
    Long version;

    UUID visitId;

    /** Key of the step within its head. */
    String step;

    UUID personId;
    Instant startsAt;
    Instant pinnedAt;
    String pinnedBy;

    protected DayPin() {}

    DayPin(UUID visitId, String step) {
        this.id = UUID.randomUUID();
        this.visitId = visitId;
        this.step = step;
    }
}
