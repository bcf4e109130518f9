package undoknot.server.head;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FamilyRows extends JpaRepository<FamilyRow, String> {

    /** Which state of a family is the newest. The time is told too: a version that came to nothing is used again. */
    record Version(String code, Long version, Instant changedAt) {}

    @Query(
            "select new undoknot.server.head.FamilyRows$Version(f.code, f.version, f.changedAt) from FamilyRow f order by f.code")
    List<Version> versions();
}
