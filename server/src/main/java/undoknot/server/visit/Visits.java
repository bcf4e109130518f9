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

    /**
     * Open and returned visits whose tag, serial or customer has the words, open ones first, then the newest. Heads and
     * customers are looked through on their own: joined to every visit of many years, the search would take seconds.
     */
    @Query("select v from Visit v where v.tag like concat('%', :words, '%')"
            + " or v.headId in (select h.id from Head h where h.serial like concat('%', :words, '%'))"
            + " or v.customerId in (select c.id from Customer c where c.name like concat('%', :words, '%'))"
            + " order by case when v.closedAt is null then 0 else 1 end, v.openedAt desc")
    List<Visit> search(String words, Limit limit);
}
