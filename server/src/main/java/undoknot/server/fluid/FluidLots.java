package undoknot.server.fluid;

import jakarta.persistence.LockModeType;
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

    List<FluidLot> findAllByOrderByNameAscLotCodeAsc();
}
