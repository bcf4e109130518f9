package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface NozzleChecks extends JpaRepository<NozzleCheck, UUID> {
    List<NozzleCheck> findByVisitIdIn(Collection<UUID> visitIds);
}
