package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface ProcedureEntries extends JpaRepository<ProcedureEntry, UUID> {
    List<ProcedureEntry> findByVisitIdIn(Collection<UUID> visitIds);
}
