package undoknot.server.fluid;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface LotDraws extends JpaRepository<LotDraw, UUID> {
    List<LotDraw> findByAttemptId(UUID attemptId);

    List<LotDraw> findByDrawnFor(UUID drawnFor);
}
