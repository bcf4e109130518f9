package undoknot.server.scan;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Scans extends JpaRepository<Scan, UUID> {
    List<Scan> findByVisitIdAndSimulatedTrue(UUID visitId);
}
