package undoknot.server.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A link that opens the board on a wall until a time. */
@Entity
@Table(name = "wall_link")
class WallLink {
    @Id
    UUID id;

    /** Where the screen hangs. */
    String name;

    String tokenHash;
    String madeBy;
    Instant madeAt;
    Instant untilAt;

    /** When a lead ended it before its time; null when nobody did. */
    Instant endedAt;

    protected WallLink() {}

    WallLink(UUID id, String name, String tokenHash, String madeBy, Instant madeAt, Instant untilAt) {
        this.id = id;
        this.name = name;
        this.tokenHash = tokenHash;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
        this.untilAt = untilAt;
    }

    boolean stands(Instant now) {
        return endedAt == null && now.isBefore(untilAt);
    }
}
