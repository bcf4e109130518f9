package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Diagnoses extends JpaRepository<DiagnosisRow, UUID> {
    List<DiagnosisRow> findByVisitIdIn(Collection<UUID> visitIds);
}
