package undoknot.server.changes;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** A line on which a page hears what has changed (server-sent events). */
@RestController
class ChangesController {

    private final ChangeWatch watch;

    ChangesController(ChangeWatch watch) {
        this.watch = watch;
    }

    /**
     * Events: {@code changed} with keys of visits, and {@code beat} at the beginning and as a sign of life.
     *
     * @param ageMs how old what the page shows is, in milliseconds: it is told at once what changed since
     */
    @Hidden
    @GetMapping(path = "/api/changes", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter changes(
            @RequestParam(name = "age", defaultValue = "0") long ageMs,
            HttpServletRequest request,
            HttpServletResponse response) {
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        // A proxy hands each event on at once.
        response.setHeader("X-Accel-Buffering", "no");
        var session = request.getSession(false);
        Duration age = Duration.ofMillis(Math.max(0, Math.min(ChangeWatch.OLDEST.toMillis(), ageMs)));
        return watch.open(session == null ? "" : session.getId(), age);
    }
}
