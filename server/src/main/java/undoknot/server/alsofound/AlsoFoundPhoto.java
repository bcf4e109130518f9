package undoknot.server.alsofound;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** A photo of something found besides; it stands apart, so that lists stay light. */
@Entity
@Table(name = "also_found_photo")
class AlsoFoundPhoto {
    @Id
    public UUID foundId;

    public String mediaType;

    @Column(columnDefinition = "longblob")
    public byte[] picture;

    protected AlsoFoundPhoto() {}

    AlsoFoundPhoto(UUID foundId, String mediaType, byte[] picture) {
        this.foundId = foundId;
        this.mediaType = mediaType;
        this.picture = picture;
    }
}
