package undoknot.server.waste;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface WasteContainers extends JpaRepository<WasteContainer, UUID> {

    /** Locks the container, so that two works at once fill it one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select c from WasteContainer c where c.id = :id")
    Optional<WasteContainer> lock(UUID id);

    List<WasteContainer> findAllByOrderByName();
}
