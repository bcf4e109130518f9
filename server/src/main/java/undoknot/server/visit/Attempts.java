package undoknot.server.visit;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface Attempts extends JpaRepository<Attempt, UUID> {
    List<Attempt> findByVisitIdIn(Collection<UUID> visitIds);

    /** Holds an attempt for the rest of the transaction, as it stands now: strokes of two screens come one after another. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select a from Attempt a where a.id = :id")
    Optional<Attempt> lock(UUID id);
}
