package undoknot.server.report;

import java.time.ZoneId;
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
import undoknot.server.problem.Refused;
import undoknot.server.shop.Shops;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.visit.VisitLoader;

/** Combs and comparisons as pictures to take along. */
@RestController
@RequestMapping("/api/visits/{visitId}")
@Transactional(readOnly = true)
class CombController {

    static final String SVG = "image/svg+xml";

    private final VisitLoader loader;
    private final Shops shops;

    CombController(VisitLoader loader, Shops shops) {
        this.loader = loader;
        this.shops = shops;
    }

    private ZoneId zone() {
        return shops.now().zoneId();
    }

    @GetMapping(path = "/checks/{id}/comb.svg", produces = SVG)
    public ResponseEntity<String> svg(@PathVariable UUID visitId, @PathVariable UUID id) {
        LoggedVisit logged = loader.get(visitId);
        return answer(
                logged, "comb", "svg", CombFiles.comb(logged, mapped(logged, id), zone()), MediaType.valueOf(SVG));
    }

    @GetMapping(path = "/checks/{id}/comb.png", produces = MediaType.IMAGE_PNG_VALUE)
    public ResponseEntity<byte[]> png(@PathVariable UUID visitId, @PathVariable UUID id) {
        LoggedVisit logged = loader.get(visitId);
        byte[] png = CombFiles.png(CombFiles.comb(logged, mapped(logged, id), zone()));
        return answer(logged, "comb", "png", png, MediaType.IMAGE_PNG);
    }

    @GetMapping(path = "/comparison.svg", produces = SVG)
    public ResponseEntity<String> comparisonSvg(
            @PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        LoggedVisit logged = loader.get(visitId);
        String svg = CombFiles.comparison(logged, mapped(logged, before), mapped(logged, now), zone());
        return answer(logged, "comparison", "svg", svg, MediaType.valueOf(SVG));
    }

    @GetMapping(path = "/comparison.png", produces = MediaType.IMAGE_PNG_VALUE)
    public ResponseEntity<byte[]> comparisonPng(
            @PathVariable UUID visitId, @RequestParam UUID before, @RequestParam UUID now) {
        LoggedVisit logged = loader.get(visitId);
        String svg = CombFiles.comparison(logged, mapped(logged, before), mapped(logged, now), zone());
        return answer(logged, "comparison", "png", CombFiles.png(svg), MediaType.IMAGE_PNG);
    }

    private static NozzleCheck mapped(LoggedVisit logged, UUID id) {
        return logged.checks().stream()
                .filter(c -> c.id.equals(id) && logged.map(c) != null)
                .findFirst()
                .orElseThrow(() -> Refused.notFound("nozzle map"));
    }

    private static <T> ResponseEntity<T> answer(
            LoggedVisit logged, String what, String ending, T body, MediaType type) {
        String name = what + "-" + logged.visit().tag + "." + ending;
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + name + "\"")
                .contentType(type)
                .body(body);
    }
}
