package undoknot.server.scan;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ScanPictures extends JpaRepository<ScanPicture, UUID> {}
