package undoknot.server.bench;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface WallLinks extends JpaRepository<WallLink, UUID> {

    Optional<WallLink> findByTokenHash(String hash);

    List<WallLink> findAllByOrderByMadeAtDesc();
}
