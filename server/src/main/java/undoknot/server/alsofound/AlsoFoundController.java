package undoknot.server.alsofound;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.lang.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.server.scan.Photos;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.RepeatableWrite;

/** Things found besides: a motor, a spill, rollers, borrowed cartridges. */
@RestController
@RequestMapping("/api/visits/{visitId}/also-found")
class AlsoFoundController {

    private final AlsoFounds found;
    private final AlsoFoundPhotos photos;
    private final Photos shots;
    private final VisitLoader loader;
    private final RepeatableWrite writes;
    private final Clock clock;

    AlsoFoundController(
            AlsoFounds found,
            AlsoFoundPhotos photos,
            Photos shots,
            VisitLoader loader,
            RepeatableWrite writes,
            Clock clock) {
        this.found = found;
        this.photos = photos;
        this.shots = shots;
        this.loader = loader;
        this.writes = writes;
        this.clock = clock;
    }

    record AlsoFoundEntry(
            @NotNull(message = "Say what it is about.") AlsoFound.What what,

            @NotBlank(message = "Say where it is.") @Size(max = 120, message = "Keep it to {max} signs.")
            String place,

            @Nullable @Size(max = 2000, message = "Keep the note to {max} signs.")
            String note) {

        static AlsoFoundEntry of(AlsoFound row) {
            return new AlsoFoundEntry(row.what, row.place, row.note);
        }
    }

    record AlsoFoundView(
            UUID id,
            AlsoFound.What what,
            String place,
            String note,
            Instant foundAt,
            String foundBy,
            boolean withdrawn,
            boolean hasPhoto) {}

    @GetMapping
    List<AlsoFoundView> all(@PathVariable UUID visitId) {
        return found.findByVisitIdOrderByFoundAt(visitId).stream()
                .map(f -> new AlsoFoundView(
                        f.id, f.what, f.place, f.note, f.foundAt, f.foundBy, f.withdrawn, photos.existsById(f.id)))
                .toList();
    }

    @PutMapping("/{id}")
    List<AlsoFoundView> put(
            @PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody AlsoFoundEntry entry) {
        writes.run(() -> {
            loader.lockRow(visitId);
            AlsoFound fresh =
                    new AlsoFound(id, visitId, clock.instant(), SignedIn.now().displayName());
            fresh.what = entry.what();
            fresh.place = entry.place().strip();
            fresh.note = Objects.requireNonNullElse(entry.note(), "").strip();
            AlsoFound known = found.findById(id).orElse(null);
            if (known != null) {
                own(known, visitId);
                if (!known.says(fresh)) {
                    throw Refused.conflict(AlsoFoundEntry.of(known), AlsoFoundEntry.of(fresh));
                }
                return known;
            }
            loader.getOpen(visitId);
            return found.saveAndFlush(fresh);
        });
        return all(visitId);
    }

    @PutMapping("/{id}/withdrawal")
    List<AlsoFoundView> withdraw(@PathVariable UUID visitId, @PathVariable UUID id) {
        writes.run(() -> {
            loader.lockOpen(visitId);
            AlsoFound row = get(visitId, id);
            row.withdrawn = true;
            return found.saveAndFlush(row);
        });
        return all(visitId);
    }

    @PutMapping(path = "/{id}/photo", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    void photo(@PathVariable UUID visitId, @PathVariable UUID id, @RequestParam("image") MultipartFile image)
            throws IOException {
        Photos.Photo taken = shots.of(image);
        writes.run(() -> {
            loader.lockOpen(visitId);
            return photos.saveAndFlush(new AlsoFoundPhoto(get(visitId, id).id, taken.mediaType(), taken.picture()));
        });
    }

    @GetMapping("/{id}/photo")
    @Transactional(readOnly = true)
    public ResponseEntity<byte[]> photo(@PathVariable UUID visitId, @PathVariable UUID id) {
        get(visitId, id);
        AlsoFoundPhoto photo = photos.findById(id).orElseThrow(() -> Refused.notFound("photo"));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(photo.mediaType))
                .header("X-Content-Type-Options", "nosniff")
                .body(photo.picture);
    }

    private AlsoFound get(UUID visitId, UUID id) {
        return own(found.findById(id).orElseThrow(() -> Refused.notFound("entry")), visitId);
    }

    private static AlsoFound own(AlsoFound row, UUID visitId) {
        if (!row.visitId.equals(visitId)) {
            throw Refused.notFound("entry");
        }
        return row;
    }
}
