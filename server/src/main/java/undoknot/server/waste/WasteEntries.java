package undoknot.server.waste;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface WasteEntries extends JpaRepository<WasteEntry, UUID> {
    List<WasteEntry> findBySourceId(UUID sourceId);

    List<WasteEntry> findTop20ByContainerIdOrderByEnteredAtDesc(UUID containerId);
}
