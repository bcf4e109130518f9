package undoknot.server.head;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface CheckLayoutRows extends JpaRepository<CheckLayoutRow, UUID> {
    List<CheckLayoutRow> findByFamilyCodeOrderByShippedDescNameAsc(String familyCode);
}
