package undoknot.server.report;

import java.time.Clock;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;

/** The plain page behind the code of a tag: whether the head may have power. No sign-in, and nothing of the customer. */
@RestController
class TagPageController {

    private final Visits visits;
    private final VisitLoader loader;
    private final Pages pages;
    private final PowerWords power;
    private final Clock clock;

    TagPageController(Visits visits, VisitLoader loader, Pages pages, PowerWords power, Clock clock) {
        this.visits = visits;
        this.loader = loader;
        this.pages = pages;
        this.power = power;
        this.clock = clock;
    }

    @GetMapping(path = "/t/{tag}", produces = MediaType.TEXT_HTML_VALUE + ";charset=UTF-8")
    @Transactional(readOnly = true)
    public ResponseEntity<String> tag(@PathVariable String tag) {
        Optional<Visit> visit = visits.findByTag(tag.toUpperCase(Locale.ROOT));
        Map<String, Object> data = new HashMap<>();
        data.put("tag", visit.map(v -> v.tag).orElse(null));
        data.put("now", clock.instant());
        data.put("returned", visit.filter(v -> v.closedAt != null).isPresent());
        data.put(
                "power",
                visit.map(v -> power.of(loader.get(v.id).headNow(clock.instant())))
                        .orElse(null));
        data.put("visit", visit.map(v -> v.id).orElse(null));
        return ResponseEntity.status(visit.isPresent() ? HttpStatus.OK : HttpStatus.NOT_FOUND)
                .cacheControl(CacheControl.noStore())
                .body(pages.html("tag", data));
    }
}
