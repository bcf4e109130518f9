package undoknot.server.day;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

/** The day as it was proposed last. There is one row at most. */
@Entity
@Audited
@Table(name = "proposed_day")
class ProposedDay {

    static final int ONLY = 1;

    @Id
    int id = ONLY;

    @Version
    Long version;

    /** A {@link KeptDay} as JSON. */
    @NotAudited
    @Column(columnDefinition = "longtext")
    String day;

    Instant madeAt;
    String madeBy;
}
