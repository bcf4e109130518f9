package undoknot.server.visit;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface InHandRows extends JpaRepository<InHandRow, UUID> {}
