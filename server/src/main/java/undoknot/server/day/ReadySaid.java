package undoknot.server.day;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** What was reckoned at a take-in about when the head is ready. It is written once. */
@Entity
@Table(name = "ready_said")
class ReadySaid implements Persistable<UUID> {

    /** That of the visit. */
    @Id
    UUID id;

    Instant saidAt;

    /** Nine in ten by the plan alone, from then on. */
    int reckonedMinutes;

    /** What was said, by the shop's record as well. */
    Instant readyBy;

    /** Earlier heads that it was set against. */
    int cases;

    protected ReadySaid() {}

    ReadySaid(UUID visitId) {
        this.id = visitId;
    }

    @Override
    public UUID getId() {
        return id;
    }

    @Override
    public boolean isNew() {
        return true;
    }
}
