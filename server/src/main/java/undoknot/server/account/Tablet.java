package undoknot.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A device on the bench on which people change over by PIN, because a lead has trusted it. */
@Entity
@Table(name = "tablet")
class Tablet {
    @Id
    UUID id;

    String name;

    /** SHA-256 of the secret in its cookie, hexadecimal; the secret has 256 bits, so that a quick hash is enough. */
    String tokenHash;

    String trustedBy;
    Instant trustedAt;

    protected Tablet() {}

    Tablet(UUID id, String name, String tokenHash, String trustedBy, Instant trustedAt) {
        this.id = id;
        this.name = name;
        this.tokenHash = tokenHash;
        this.trustedBy = trustedBy;
        this.trustedAt = trustedAt;
    }
}
