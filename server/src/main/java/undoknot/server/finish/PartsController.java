package undoknot.server.finish;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
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
import undoknot.finish.OffPart;
import undoknot.server.view.VisitView;
import undoknot.server.visit.OffPartPhoto;

/** What comes off a machine, or is laid into it, and how it comes back. */
@RestController
@RequestMapping("/api/visits/{visitId}/parts/{id}")
class PartsController {

    private final PartsLog log;

    PartsController(PartsLog log) {
        this.log = log;
    }

    /**
     * @param channel whose it is; absent for parts of the machine
     * @param note length and place of screws, which way a seal faces
     */
    record OffPartEntry(
            @NotNull(message = "Say what kind of thing it is.")
            OffPart.Kind kind,

            @NotBlank(message = "Say what came off.") @Size(max = 120, message = "Keep it to {max} signs.")
            String name,

            @Nullable String channel,

            @Min(value = 1, message = COUNT) @Max(value = 99, message = COUNT)
            int count,

            @Nullable @Size(max = 500, message = "Keep the note to {max} signs.")
            String note) {}

    /**
     * @param count how many are back; 0 when it is off after all
     * @param light whether the machine's light shows a cartridge; absent while nobody looked
     * @param menu whether its menu shows it
     * @param stays that it does not go back; the note says why
     */
    record BackEntry(
            @Min(value = 0, message = BACK) @Max(value = 99, message = BACK)
            int count,

            @Nullable Boolean light,
            @Nullable Boolean menu,
            @Nullable Boolean stays,

            @Nullable @Size(max = 500, message = "Keep the note to {max} signs.")
            String note) {}

    private static final String COUNT = "Enter 1 to 99.";
    private static final String BACK = "Enter 0 to 99.";

    @PutMapping
    VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody OffPartEntry entry) {
        return log.put(visitId, id, entry);
    }

    @PutMapping("/back")
    VisitView back(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody BackEntry entry) {
        return log.back(visitId, id, entry);
    }

    /** Takes back an entry made by mistake; it stays in the history. */
    @PutMapping("/withdrawal")
    VisitView withdraw(@PathVariable UUID visitId, @PathVariable UUID id) {
        return log.withdraw(visitId, id);
    }

    @PutMapping(path = "/photo", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    void photo(@PathVariable UUID visitId, @PathVariable UUID id, @RequestParam("image") MultipartFile image)
            throws IOException {
        log.photo(visitId, id, image);
    }

    @GetMapping("/photo")
    @Transactional(readOnly = true)
    public ResponseEntity<byte[]> photo(@PathVariable UUID visitId, @PathVariable UUID id) {
        OffPartPhoto photo = log.photo(visitId, id);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(photo.mediaType))
                .header("X-Content-Type-Options", "nosniff")
                .body(photo.picture);
    }
}
