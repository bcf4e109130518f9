package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface OffParts extends JpaRepository<OffPartRow, UUID> {
    List<OffPartRow> findByVisitIdIn(Collection<UUID> visitIds);
}
