package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Attempts extends JpaRepository<Attempt, UUID> {
    List<Attempt> findByVisitIdIn(Collection<UUID> visitIds);
}
