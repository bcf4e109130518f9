package undoknot.server.visit;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** A photo of what was found; it stands apart, so that lists stay light. */
@Entity
@Table(name = "finding_photo")
public class FindingPhoto {
    @Id
    public UUID findingId;

    public String mediaType;

    @jakarta.persistence.Column(columnDefinition = "longblob")
    public byte[] picture;

    protected FindingPhoto() {}

    public FindingPhoto(UUID findingId, String mediaType, byte[] picture) {
        this.findingId = findingId;
        this.mediaType = mediaType;
        this.picture = picture;
    }
}
