package undoknot.server.head;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface Heads extends JpaRepository<Head, UUID> {
    /** The collation makes no difference between large and small letters. */
    @Query("select h from Head h where h.serial = :serial")
    Optional<Head> findBySerial(String serial);

    /** Locks the head, so that it is not taken in twice at once. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select h from Head h where h.serial = :serial")
    Optional<Head> lockBySerial(String serial);
}
