package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface HeadEntries extends JpaRepository<HeadEntryRow, UUID> {
    List<HeadEntryRow> findByVisitIdIn(Collection<UUID> visitIds);
}
