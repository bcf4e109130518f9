package undoknot.server.account;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface AppUsers extends JpaRepository<AppUser, UUID> {

    Optional<AppUser> findByName(String name);

    /** Locks the row, so that tries made at the same time are all counted. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select u from AppUser u where u.name = :name")
    Optional<AppUser> lockByName(String name);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select u from AppUser u where u.role = :role")
    List<AppUser> lockByRole(Role role);
}
