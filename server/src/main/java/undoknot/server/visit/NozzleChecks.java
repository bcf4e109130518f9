package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface NozzleChecks extends JpaRepository<NozzleCheck, UUID> {
    List<NozzleCheck> findByVisitIdIn(Collection<UUID> visitIds);

    /** Whether a head of a family was ever read: then its channels stay as they are. */
    @Query("select count(c) > 0 from NozzleCheck c, Visit v, Head h where v.id = c.visitId and h.id = v.headId"
            + " and h.familyCode = :family and (c.reading is not null or c.coarse is not null)")
    boolean anyOf(String family);
}
