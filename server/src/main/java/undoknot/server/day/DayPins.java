package undoknot.server.day;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface DayPins extends JpaRepository<DayPin, UUID> {

    List<DayPin> findByVisitIdIn(Collection<UUID> visits);

    Optional<DayPin> findByVisitIdAndStep(UUID visitId, String step);
}
