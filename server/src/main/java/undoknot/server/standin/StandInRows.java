package undoknot.server.standin;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface StandInRows extends JpaRepository<StandInRow, UUID> {}
