package undoknot.server.scan;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.descriptor.java.Immutability;

/**
 * The pictures of a scan: the file as it is kept, and the sheet laid straight as JPEG when it could be placed. Another picture is another
 * array, never the same one written over: so none is copied to find out whether it was.
 */
@Entity
@Table(name = "scan_picture")
class ScanPicture {
    @Id
    UUID scanId;

    @Column(columnDefinition = "longblob")
    @Mutability(Immutability.class)
    byte[] original;

    @Column(columnDefinition = "longblob")
    @Mutability(Immutability.class)
    byte[] sheet;

    protected ScanPicture() {}

    ScanPicture(UUID scanId) {
        this.scanId = scanId;
    }
}
