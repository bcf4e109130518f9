package undoknot.server.nozzle;

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
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;

/** Nozzle maps as files: out of a check, and into the comb editor. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class MapFileController {

    private final Courses courses;
    private final MapFiles files;

    MapFileController(Courses courses, MapFiles files) {
        this.courses = courses;
        this.files = files;
    }

    /** @param text content of a CSV or JSON file */
    record MapText(String text) {}

    record MapRead(Map<String, String> reading) {}

    /** Reads a file and stores nothing: what it says goes into the comb editor first. */
    @PostMapping("/maps/read")
    MapRead read(@PathVariable UUID visitId, @RequestBody MapText file) {
        Course course = courses.get(visitId);
        return new MapRead(files.read(course.family(), file.text() == null ? "" : file.text())
                .texts());
    }

    @GetMapping("/checks/{id}/map.json")
    ResponseEntity<NozzleMapFile> json(@PathVariable UUID visitId, @PathVariable UUID id) {
        Course course = courses.get(visitId);
        NozzleCheck check = mapped(course, id);
        return answer(
                course,
                "json",
                NozzleMapFile.of(course.family(), course.map(check), check.takenAt, check.simulated),
                MediaType.APPLICATION_JSON);
    }

    @GetMapping(path = "/checks/{id}/map.csv", produces = "text/csv")
    ResponseEntity<String> csv(@PathVariable UUID visitId, @PathVariable UUID id) {
        Course course = courses.get(visitId);
        NozzleCheck check = mapped(course, id);
        return answer(
                course,
                "csv",
                files.csv(course.family(), course.map(check)),
                MediaType.parseMediaType("text/csv;charset=UTF-8"));
    }

    private static NozzleCheck mapped(Course course, UUID id) {
        return course.checks().stream()
                .filter(c -> c.id.equals(id) && course.map(c) != null)
                .findFirst()
                .orElseThrow(() -> Refused.notFound("nozzle map"));
    }

    private static <T> ResponseEntity<T> answer(Course course, String ending, T body, MediaType type) {
        String name = "nozzle-map-" + course.visit().tag + "." + ending;
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .contentType(type)
                .body(body);
    }
}
