package undoknot.server.fluid;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface FluidLots extends JpaRepository<FluidLot, UUID> {

    /** Locks the lot, so that two doses at once are drawn one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select l from FluidLot l where l.id = :id")
    Optional<FluidLot> lock(UUID id);

    /** Which state of a bottle is the newest. */
    record Version(UUID id, Long version) {}

    @Query("select new undoknot.server.fluid.FluidLots$Version(l.id, l.version) from FluidLot l where l.id in :ids")
    List<Version> versions(Collection<UUID> ids);

    List<FluidLot> findAllByOrderByNameAscLotCodeAsc();
}
