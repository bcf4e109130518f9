package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

public interface Visits extends JpaRepository<Visit, UUID> {
    /**
     * Counts a change of the visit, and so locks its row: whatever is written to it is written one after the other.
     *
     * @return 0 when there is no such visit
     */
    @Modifying
    @Query("update Visit v set v.changes = v.changes + 1 where v.id = :id")
    int count(UUID id);

    String STAMP =
            "select new undoknot.server.visit.VisitStamp(v.id, v.changes, v.version, h.version, h.familyCode, c.version)"
                    + " from Visit v, Head h, Customer c where h.id = v.headId and c.id = v.customerId";

    @Query(STAMP + " and v.closedAt is null order by v.openedAt")
    List<VisitStamp> openStamps();

    @Query(STAMP + " and v.id in :ids")
    List<VisitStamp> stamps(Collection<UUID> ids);

    List<Visit> findByHeadIdOrderByOpenedAtDesc(UUID headId);

    Optional<Visit> findByTag(String tag);

    boolean existsByTag(String tag);

    @Query(
            "select v.id from Visit v, Head h, Customer c where h.id = v.headId and c.id = v.customerId and v.closedAt is null"
                    + " and (v.tag like :words or h.serial like :words or c.name like :words) order by v.openedAt desc")
    List<UUID> searchOpen(String words, Limit limit);

    @Query("select v.id from Visit v where v.tag like :words")
    List<UUID> idsByTag(String words, Limit limit);

    @Query("select v.id from Visit v where v.tagBackwards like :words")
    List<UUID> idsByTagBackwards(String words, Limit limit);

    @Query("select h.id from Head h where h.serial like :words")
    List<UUID> headsBySerial(String words, Limit limit);

    @Query("select h.id from Head h where h.serialBackwards like :words")
    List<UUID> headsBySerialBackwards(String words, Limit limit);

    @Query("select c.id from Customer c where c.name like :words")
    List<UUID> customersByName(String words, Limit limit);

    @Query("select v.id from Visit v where v.closedAt is not null"
            + " and (v.id in :ids or v.headId in :heads or v.customerId in :customers) order by v.openedAt desc")
    List<UUID> returnedOf(Collection<UUID> ids, Collection<UUID> heads, Collection<UUID> customers, Limit limit);

    @Query("select v from Visit v, Head h where h.id = v.headId and v.closedAt is not null and h.familyCode = :family"
            + " order by v.closedAt desc")
    List<Visit> lastReturned(String family, Limit limit);
}
