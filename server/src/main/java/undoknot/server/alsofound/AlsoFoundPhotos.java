package undoknot.server.alsofound;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface AlsoFoundPhotos extends JpaRepository<AlsoFoundPhoto, UUID> {}
