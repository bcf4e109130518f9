package undoknot.server.head;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Heads extends JpaRepository<Head, UUID> {
    Optional<Head> findBySerialIgnoreCase(String serial);
}
