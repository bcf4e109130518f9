package undoknot.server.finish;

import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;

/** The aftercare of a head as a calendar file, to give to the customer. */
@RestController
class AftercareController {

    static final String CALENDAR = "text/calendar";

    private final VisitLoader loader;
    private final CareCalendar calendar;

    AftercareController(VisitLoader loader, CareCalendar calendar) {
        this.loader = loader;
        this.calendar = calendar;
    }

    @GetMapping(path = "/api/visits/{visitId}/aftercare.ics", produces = CALENDAR)
    @Transactional(readOnly = true)
    public ResponseEntity<String> calendar(@PathVariable UUID visitId) {
        LoggedVisit logged = loader.get(visitId);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"aftercare-" + logged.visit().tag + ".ics\"")
                .contentType(MediaType.parseMediaType(CALENDAR + ";charset=UTF-8"))
                .body(calendar.of(logged));
    }
}
