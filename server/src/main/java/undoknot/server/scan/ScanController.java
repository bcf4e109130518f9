package undoknot.server.scan;

import com.fasterxml.jackson.core.JsonProcessingException;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.nozzle.NozzleMap;
import undoknot.scan.Point;
import undoknot.scan.ScanReader;
import undoknot.server.entry.EntryReader;
import undoknot.server.head.Families;
import undoknot.server.head.Layouts;
import undoknot.server.mapfile.NozzleMapFile;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.write.StoredJson;

/** Scanned checks: reading one without keeping it, and keeping them with a visit. */
@RestController
class ScanController {

    private final ScanKeeper keeper;
    private final Layouts layouts;
    private final Families families;
    private final StoredJson stored;
    private final EntryReader entries;

    ScanController(ScanKeeper keeper, Layouts layouts, Families families, StoredJson stored, EntryReader entries) {
        this.keeper = keeper;
        this.layouts = layouts;
        this.families = families;
        this.stored = stored;
        this.entries = entries;
    }

    /** @param map absent when the sheet could not be placed */
    record ReadAnswer(@Nullable NozzleMapFile map, ScanResult reading) {}

    @Operation(
            summary = "Reads a scanned check without storing anything",
            description = "Takes PNG, JPEG, or a page of a TIFF or PDF, at most 40 MB and 150 megapixels. "
                    + "Answers with the nozzle map, and for each nozzle how sure its state is. When the sheet cannot be "
                    + "placed, `reading.notFound` says why: send the corners of the sheet as well.")
    @PostMapping(path = "/api/scans/read", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ReadAnswer read(
            @RequestPart("image") MultipartFile image,
            @Parameter(
                            description = "A check layout as JSON, or the id of a stored one",
                            schema = @Schema(type = "string"),
                            examples =
                                    @ExampleObject(
                                            name = "stored layout",
                                            value = "0195d2a4-7c1e-7b52-9d0a-3f5e8f6a1b2c"))
                    @RequestParam("layout")
                    String layout,
            @Parameter(
                            description =
                                    "Corners placed by hand as JSON: pixels, clockwise from the sheet's own top left",
                            schema = @Schema(type = "string"),
                            examples =
                                    @ExampleObject(
                                            name = "sheet",
                                            value =
                                                    "{\"sheet\":[{\"x\":31,\"y\":18},{\"x\":2440,\"y\":25},{\"x\":2436,\"y\":3490},{\"x\":27,\"y\":3481}],\"blocks\":{}}"))
                    @RequestParam(name = "corners", required = false)
                    String corners,
            @RequestParam(name = "page", defaultValue = "1") int page) {
        CheckLayout wanted = layoutOf(layout);
        Family family = families.get(wanted.family(), "layout");
        List<CheckLayout.Problem> problems = wanted.problems(family);
        if (!problems.isEmpty()) {
            throw Refused.entries(problems.stream()
                    .map(p -> new FieldProblem(
                            "layout", p.fault().name(), p.fault() + " " + p.channel() + ": " + p.detail()))
                    .toList());
        }
        ScanResult result = keeper.read(
                SentFile.of(image),
                page,
                wanted,
                corners == null || corners.isBlank() ? ScanReader.ByHand.NOTHING : byHand(corners));
        return new ReadAnswer(
                result.notFound() != null
                        ? null
                        : NozzleMapFile.of(family, NozzleMap.of(family, result.states()), null, false),
                result);
    }

    /** @param before how many people's pictures are read first */
    record TurnView(int before) {}

    @Operation(summary = "Says how many people's pictures are read before the one this person has sent")
    @GetMapping("/api/scans/turn")
    TurnView turn() {
        return new TurnView(keeper.before());
    }

    @Operation(summary = "Shows a scan without storing it: upright, as JPEG, at most 1600 pixels along its longer side")
    @PostMapping(path = "/api/scans/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ResponseEntity<byte[]> previewOf(
            @RequestPart("image") MultipartFile image, @RequestParam(name = "page", defaultValue = "1") int page) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).body(keeper.preview(SentFile.of(image), page));
    }

    private CheckLayout layoutOf(String text) {
        try {
            return layouts.get(UUID.fromString(text.strip()));
        } catch (IllegalArgumentException noId) {
            return parse(
                    text, CheckLayout.class, "layout", "This is neither the id of a check layout nor one as JSON.");
        }
    }

    private ScanReader.ByHand byHand(String text) {
        return parse(text, Corners.class, "corners", "Give four corners of the sheet as JSON.")
                .byHand();
    }

    private <T> T parse(String text, Class<T> type, String field, String message) {
        try {
            return entries.read(text, type);
        } catch (JsonProcessingException e) {
            throw Refused.entry(field, "not-readable", message);
        }
    }

    /**
     * Corners in the picture, pixels, clockwise from the sheet's or block's own top left.
     *
     * @param sheet four corners, or none
     * @param blocks four corners each, by channel
     */
    record Corners(@Nullable List<Point> sheet, @Nullable Map<String, List<Point>> blocks) {
        ScanReader.ByHand byHand() {
            ScanReader.ByHand byHand =
                    new ScanReader.ByHand(sheet == null ? List.of() : sheet, blocks == null ? Map.of() : blocks);
            boolean four = (byHand.sheet().isEmpty() || byHand.sheet().size() == 4)
                    && byHand.blocks().values().stream().allMatch(b -> b.size() == 4);
            if (!four || byHand.sheet().isEmpty() && byHand.blocks().isEmpty()) {
                throw Refused.entry("corners", "FOUR", "Place all four corners.");
            }
            return byHand;
        }
    }

    /**
     * @param pages of the file
     * @param page the one that was read, from 1
     * @param lookFirst channels, and SHEET for the whole, that a person looks at before it is accepted
     * @param sheetPerMm pixels a millimetre of the straight sheet
     */
    record ScanView(
            UUID id,
            UUID layoutId,
            String fileName,
            int widthPx,
            int heightPx,
            int pages,
            int page,
            boolean simulated,
            Instant addedAt,
            String addedBy,
            @Nullable Corners byHand,
            ScanResult result,
            List<String> lookFirst,
            CheckLayout layout,
            double sheetPerMm) {}

    @Operation(summary = "Keeps a scanned check with a visit and reads it")
    @PutMapping(path = "/api/visits/{visitId}/scans/{id}", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ScanView put(
            @PathVariable UUID visitId,
            @PathVariable UUID id,
            @RequestPart("image") MultipartFile image,
            @RequestParam("layout") UUID layout,
            @RequestParam(name = "page", defaultValue = "1") int page) {
        String name = image.getOriginalFilename() == null ? "scan" : image.getOriginalFilename();
        String shortName = name.replaceFirst(".*[/\\\\]", "");
        return view(keeper.add(
                visitId,
                id,
                layout,
                new ScanKeeper.Sent(
                        shortName.length() > 200 ? shortName.substring(0, 200) : shortName, SentFile.of(image), page),
                false));
    }

    /** @param page from 1 */
    record PageEntry(@NotNull(message = "Choose a page.") Integer page) {}

    @Operation(summary = "Reads another page of a kept scan")
    @PutMapping("/api/visits/{visitId}/scans/{id}/page")
    ScanView page(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody PageEntry entry) {
        return view(keeper.turnTo(visitId, id, entry.page()));
    }

    @GetMapping("/api/visits/{visitId}/scans/{id}")
    ScanView get(@PathVariable UUID visitId, @PathVariable UUID id) {
        return view(keeper.get(visitId, id));
    }

    @Operation(summary = "Reads a kept scan again with corners placed by hand")
    @PutMapping("/api/visits/{visitId}/scans/{id}/corners")
    ScanView corners(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @NotNull @RequestBody Corners corners) {
        return view(keeper.readAgain(visitId, id, corners.byHand()));
    }

    /** The file as it was sent, without position data. */
    @GetMapping("/api/visits/{visitId}/scans/{id}/image")
    ResponseEntity<Resource> image(@PathVariable UUID visitId, @PathVariable UUID id) {
        Scan scan = keeper.get(visitId, id);
        SentOut file = keeper.original(scan);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        org.springframework.http.ContentDisposition.inline()
                                .filename(scan.fileName, java.nio.charset.StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .cacheControl(CacheControl.noCache().cachePrivate())
                .contentType(MediaType.parseMediaType(scan.mediaType))
                .contentLength(file.bytes())
                .body(new InputStreamResource(file.stream()));
    }

    /** The picture as a browser shows it: upright, as JPEG, at most 1600 pixels along its longer side. */
    @GetMapping(path = "/api/visits/{visitId}/scans/{id}/preview")
    ResponseEntity<byte[]> preview(@PathVariable UUID visitId, @PathVariable UUID id) {
        Scan scan = keeper.get(visitId, id);
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache().cachePrivate())
                .contentType(MediaType.IMAGE_JPEG)
                .body(keeper.preview(scan));
    }

    /** The sheet laid straight, as JPEG; absent when it could not be placed. */
    @GetMapping(path = "/api/visits/{visitId}/scans/{id}/sheet")
    ResponseEntity<byte[]> sheet(@PathVariable UUID visitId, @PathVariable UUID id) {
        keeper.get(visitId, id);
        byte[] sheet = keeper.picture(id).sheet;
        if (sheet == null) {
            throw Refused.notFound("straight sheet");
        }
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache().cachePrivate())
                .contentType(MediaType.IMAGE_JPEG)
                .body(sheet);
    }

    ScanView view(Scan scan) {
        ScanResult result = stored.read(scan.result, ScanResult.class);
        return new ScanView(
                scan.id,
                scan.layoutId,
                scan.fileName,
                scan.widthPx,
                scan.heightPx,
                scan.pages,
                scan.page,
                scan.simulated,
                scan.addedAt,
                scan.addedBy,
                scan.byHand == null ? null : stored.read(scan.byHand, Corners.class),
                result,
                result.mustBeLookedAt(),
                layouts.get(scan.layoutId),
                ScanKeeper.SHEET_PER_MM);
    }
}
