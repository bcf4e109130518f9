package undoknot.server.visit;

import java.util.Collection;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Which findings have a photo. */
@Component
public class PhotoIndex {

    private final FindingPhotos photos;

    PhotoIndex(FindingPhotos photos) {
        this.photos = photos;
    }

    public Set<UUID> of(Collection<UUID> findings) {
        return findings.isEmpty() ? Set.of() : Set.copyOf(photos.withPhoto(findings));
    }
}
