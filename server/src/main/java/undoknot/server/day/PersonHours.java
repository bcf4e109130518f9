package undoknot.server.day;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;

/** When a person is at the bench. */
@Entity
@Audited
@Table(name = "person_hours")
class PersonHours {

    /** That of the account. */
    @Id
    UUID id;

    @Version
    Long version;

    /** Whether work is planned for this person at all. */
    boolean works;

    /** As HH:mm; null for the hours of the shop, like {@link #closes} and {@link #openDays}. */
    String opens;

    String closes;

    /** Days of the week by their names with commas. */
    String openDays;

    /** Days away as JSON, a list of dates. */
    @Column(columnDefinition = "longtext")
    String off;

    Instant changedAt;
    String changedBy;

    protected PersonHours() {}

    PersonHours(UUID id) {
        this.id = id;
    }
}
