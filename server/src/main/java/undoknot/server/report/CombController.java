package undoknot.server.report;

import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.nozzle.NozzleCheck;
import undoknot.server.problem.Refused;
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;

/** Combs and comparisons as pictures to take along. */
@RestController
@RequestMapping("/api/visits/{visitId}")
@Transactional(readOnly = true)
class CombController {

    static final String SVG = "image/svg+xml";

    private final Courses courses;

    CombController(Courses courses) {
        this.courses = courses;
    }

    @GetMapping(path = "/checks/{id}/comb.svg", produces = SVG)
    public ResponseEntity<String> svg(@PathVariable UUID visitId, @PathVariable UUID id) {
        Course course = courses.get(visitId);
        return answer(course, "comb", "svg", CombFiles.comb(course, mapped(course, id)), MediaType.valueOf(SVG));
    }

    @GetMapping(path = "/checks/{id}/comb.png", produces = MediaType.IMAGE_PNG_VALUE)
    public ResponseEntity<byte[]> png(@PathVariable UUID visitId, @PathVariable UUID id) {
        Course course = courses.get(visitId);
        byte[] png = CombFiles.png(CombFiles.comb(course, mapped(course, id)));
        return answer(course, "comb", "png", png, MediaType.IMAGE_PNG);
    }

    @GetMapping(path = "/comparison.svg", produces = SVG)
    public ResponseEntity<String> comparisonSvg(
            @PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        Course course = courses.get(visitId);
        String svg = CombFiles.comparison(course, mapped(course, before), mapped(course, now));
        return answer(course, "comparison", "svg", svg, MediaType.valueOf(SVG));
    }

    @GetMapping(path = "/comparison.png", produces = MediaType.IMAGE_PNG_VALUE)
    public ResponseEntity<byte[]> comparisonPng(
            @PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        Course course = courses.get(visitId);
        String svg = CombFiles.comparison(course, mapped(course, before), mapped(course, now));
        return answer(course, "comparison", "png", CombFiles.png(svg), MediaType.IMAGE_PNG);
    }

    private static NozzleCheck mapped(Course course, UUID id) {
        return course.checks().stream()
                .filter(c -> c.id.equals(id) && course.map(c) != null)
                .findFirst()
                .orElseThrow(() -> Refused.notFound("nozzle map"));
    }

    private static <T> ResponseEntity<T> answer(Course course, String what, String ending, T body, MediaType type) {
        String name = what + "-" + course.visit().tag + "." + ending;
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + name + "\"")
                .contentType(type)
                .body(body);
    }
}
