package undoknot.server.practice;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface HouseRows extends JpaRepository<HouseRow, UUID> {
    @Query("select max(h.number) from HouseRulesBook h")
    Optional<Integer> lastNumber();

    Optional<HouseRow> findByNumber(int number);

    List<HouseRow> findAllByOrderByNumberDesc();
}
