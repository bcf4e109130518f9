package undoknot.server.treatment;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Departures extends JpaRepository<DepartureRow, UUID> {
    List<DepartureRow> findByVisitIdOrderByMadeAt(UUID visitId);
}
