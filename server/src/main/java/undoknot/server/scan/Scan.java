package undoknot.server.scan;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

/** A scanned check of a visit and what the reader saw in it. A person's corrections stand in the check, not here. */
@Entity
@Audited
@Table(name = "scan")
public class Scan {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;
    public UUID layoutId;
    public String fileName;

    @NotAudited
    public String mediaType;

    @NotAudited
    public int widthPx;

    @NotAudited
    public int heightPx;

    /** Pages of the file, and the one that was read, from 1. */
    @NotAudited
    public int pages = 1;

    public int page = 1;

    /** SHA-256 of the file as it was sent, so that a repeated upload is known. */
    @NotAudited
    @Column(columnDefinition = "char(64)")
    public String contentHash;

    /** Corners placed by a person as JSON, or null. */
    @Column(columnDefinition = "longtext")
    public String byHand;

    /** A {@link ScanResult} as JSON. */
    @NotAudited
    @Column(columnDefinition = "longtext")
    public String result;

    public boolean simulated;
    public Instant addedAt;
    public String addedBy;

    protected Scan() {}

    Scan(UUID id, UUID visitId, UUID layoutId, Instant addedAt, String addedBy) {
        this.id = id;
        this.visitId = visitId;
        this.layoutId = layoutId;
        this.addedAt = addedAt;
        this.addedBy = addedBy;
    }
}
