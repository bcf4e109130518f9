package undoknot.server.scan;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** The pictures of a scan: the file as it is kept, and the sheet laid straight as JPEG when it could be placed. */
@Entity
@Table(name = "scan_picture")
class ScanPicture {
    @Id
    UUID scanId;

    @Column(columnDefinition = "longblob")
    byte[] original;

    @Column(columnDefinition = "longblob")
    byte[] sheet;

    protected ScanPicture() {}

    ScanPicture(UUID scanId) {
        this.scanId = scanId;
    }
}
