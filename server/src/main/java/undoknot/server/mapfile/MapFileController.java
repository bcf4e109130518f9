package undoknot.server.mapfile;

import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.problem.Refused;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.visit.VisitLoader;

/** Nozzle maps as files: out of a check, and into the comb editor. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class MapFileController {

    private final VisitLoader loader;
    private final MapFiles files;

    MapFileController(VisitLoader loader, MapFiles files) {
        this.loader = loader;
        this.files = files;
    }

    /** @param text content of a CSV or JSON file */
    record MapText(String text) {}

    record MapRead(Map<String, String> reading) {}

    /** Reads a file and stores nothing: what it says goes into the comb editor first. */
    @PostMapping("/maps/read")
    MapRead read(@PathVariable UUID visitId, @RequestBody MapText file) {
        LoggedVisit logged = loader.get(visitId);
        return new MapRead(files.read(logged.family(), file.text() == null ? "" : file.text())
                .texts());
    }

    @GetMapping("/checks/{id}/map.json")
    ResponseEntity<NozzleMapFile> json(@PathVariable UUID visitId, @PathVariable UUID id) {
        LoggedVisit logged = loader.get(visitId);
        NozzleCheck check = mapped(logged, id);
        return answer(
                logged,
                "json",
                NozzleMapFile.of(logged.family(), logged.map(check), check.takenAt, check.simulated),
                MediaType.APPLICATION_JSON);
    }

    @GetMapping(path = "/checks/{id}/map.csv", produces = "text/csv")
    ResponseEntity<String> csv(@PathVariable UUID visitId, @PathVariable UUID id) {
        LoggedVisit logged = loader.get(visitId);
        NozzleCheck check = mapped(logged, id);
        return answer(
                logged,
                "csv",
                files.csv(logged.family(), logged.map(check)),
                MediaType.parseMediaType("text/csv;charset=UTF-8"));
    }

    private static NozzleCheck mapped(LoggedVisit logged, UUID id) {
        return logged.checks().stream()
                .filter(c -> c.id.equals(id) && logged.map(c) != null)
                .findFirst()
                .orElseThrow(() -> Refused.notFound("nozzle map"));
    }

    private static <T> ResponseEntity<T> answer(LoggedVisit logged, String ending, T body, MediaType type) {
        String name = "nozzle-map-" + logged.visit().tag + "." + ending;
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .contentType(type)
                .body(body);
    }
}
