package undoknot.server.day;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PersonHoursRows extends JpaRepository<PersonHours, UUID> {}
