package undoknot.server.visit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** A photo of something before it came off; it stands apart, so that lists stay light. */
@Entity
@Table(name = "off_part_photo")
public class OffPartPhoto {
    @Id
    public UUID partId;

    public String mediaType;

    @Column(columnDefinition = "longblob")
    public byte[] picture;

    protected OffPartPhoto() {}

    public OffPartPhoto(UUID partId, String mediaType, byte[] picture) {
        this.partId = partId;
        this.mediaType = mediaType;
        this.picture = picture;
    }
}
