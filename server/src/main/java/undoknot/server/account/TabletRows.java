package undoknot.server.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface TabletRows extends JpaRepository<Tablet, UUID> {
    Optional<Tablet> findByTokenHash(String hash);

    List<Tablet> findAllByOrderByTrustedAtDesc();
}
