package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Findings extends JpaRepository<FindingRow, UUID> {
    List<FindingRow> findByVisitIdIn(Collection<UUID> visitIds);
}
