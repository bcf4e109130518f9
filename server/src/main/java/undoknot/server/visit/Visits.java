package undoknot.server.visit;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface Visits extends JpaRepository<Visit, UUID> {
    List<Visit> findByClosedAtIsNullOrderByOpenedAt();

    /** Locks the visit, so that whatever is written to it is written one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select v from Visit v where v.id = :id")
    Optional<Visit> lock(UUID id);

    List<Visit> findByHeadIdOrderByOpenedAtDesc(UUID headId);

    Optional<Visit> findByTag(String tag);

    boolean existsByTag(String tag);

    @Query(
            "select v from Visit v, Head h, Customer c where h.id = v.headId and c.id = v.customerId and v.closedAt is null"
                    + " and (v.tag like :words or h.serial like :words or c.name like :words) order by v.openedAt desc")
    List<Visit> searchOpen(String words, Limit limit);

    @Query("select v.id from Visit v where v.tag like :words")
    List<UUID> idsByTag(String words, Limit limit);

    @Query("select h.id from Head h where h.serial like :words")
    List<UUID> headsBySerial(String words, Limit limit);

    @Query("select c.id from Customer c where c.name like :words")
    List<UUID> customersByName(String words, Limit limit);

    @Query("select v from Visit v where v.closedAt is not null"
            + " and (v.id in :ids or v.headId in :heads or v.customerId in :customers) order by v.openedAt desc")
    List<Visit> returnedOf(List<UUID> ids, List<UUID> heads, List<UUID> customers, Limit limit);

    @Query("select v from Visit v, Head h where h.id = v.headId and v.closedAt is not null and h.familyCode = :family"
            + " order by v.closedAt desc")
    List<Visit> lastReturned(String family, Limit limit);
}
