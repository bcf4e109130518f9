package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Departures extends JpaRepository<DepartureRow, UUID> {
    List<DepartureRow> findByVisitIdIn(Collection<UUID> visitIds);
}
