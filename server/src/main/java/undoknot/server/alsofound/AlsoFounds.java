package undoknot.server.alsofound;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface AlsoFounds extends JpaRepository<AlsoFound, UUID> {
    List<AlsoFound> findByVisitIdOrderByFoundAt(UUID visitId);
}
