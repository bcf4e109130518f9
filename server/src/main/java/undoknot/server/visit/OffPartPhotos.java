package undoknot.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface OffPartPhotos extends JpaRepository<OffPartPhoto, UUID> {
    @Query("select p.partId from OffPartPhoto p where p.partId in ?1")
    List<UUID> withPhoto(Collection<UUID> partIds);
}
