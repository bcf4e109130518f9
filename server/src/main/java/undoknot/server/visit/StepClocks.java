package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface StepClocks extends JpaRepository<StepClockRow, UUID> {
    List<StepClockRow> findByStoppedAtIsNull();

    List<StepClockRow> findByVisitIdIn(Collection<UUID> visitIds);
}
