package undoknot.server.visit;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface Visits extends JpaRepository<Visit, UUID> {
    List<Visit> findByClosedAtIsNullOrderByOpenedAt();

    List<Visit> findByHeadIdOrderByOpenedAtDesc(UUID headId);

    Optional<Visit> findByTag(String tag);

    boolean existsByTag(String tag);

    /** Open and returned visits whose tag, serial or customer has the words, newest first. */
    @Query(
            "select v from Visit v join Head h on h.id = v.headId join Customer c on c.id = v.customerId"
                    + " where v.tag like concat('%', :words, '%') or h.serial like concat('%', :words, '%')"
                    + " or c.name like concat('%', :words, '%') order by case when v.closedAt is null then 0 else 1 end, v.openedAt desc")
    List<Visit> search(String words, Limit limit);
}
