package undoknot.server.day;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ReadySaids extends JpaRepository<ReadySaid, UUID> {

    /** What was reckoned for a head that went back, and when it did. */
    record Took(Instant saidAt, int reckonedMinutes, Instant closedAt) {}

    @Query(
            "select new undoknot.server.day.ReadySaids$Took(s.saidAt, s.reckonedMinutes, v.closedAt) from ReadySaid s, Visit v"
                    + " where v.id = s.id and v.closedAt is not null order by v.closedAt desc")
    List<Took> lastReturned(Limit limit);
}
