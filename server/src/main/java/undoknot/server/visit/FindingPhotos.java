package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface FindingPhotos extends JpaRepository<FindingPhoto, UUID> {
    @Query("select p.findingId from FindingPhoto p where p.findingId in ?1")
    List<UUID> withPhoto(Collection<UUID> findingIds);
}
