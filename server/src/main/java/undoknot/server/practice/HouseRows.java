package undoknot.server.practice;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface HouseRows extends JpaRepository<HouseRow, UUID> {
    Optional<HouseRow> findFirstByOrderByNumberDesc();

    Optional<HouseRow> findByNumber(int number);

    List<HouseRow> findAllByOrderByNumberDesc();
}
