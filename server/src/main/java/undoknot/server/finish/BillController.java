package undoknot.server.finish;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.outcome.BillTerms;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.Visits;
import undoknot.server.write.StoredJson;

/** What is entered of a bill: real minutes, an agreed price, a word with it. */
@RestController
class BillController {

    private final Visits visits;
    private final VisitWrites writes;
    private final StoredJson stored;

    BillController(Visits visits, VisitWrites writes, StoredJson stored) {
        this.visits = visits;
        this.writes = writes;
        this.stored = stored;
    }

    @PutMapping("/api/visits/{visitId}/bill")
    VisitView put(@PathVariable UUID visitId, @Valid @RequestBody BillTerms terms) {
        return writes.on(visitId, logged -> {
            logged.visit().bill = stored.write(terms);
            visits.saveAndFlush(logged.visit());
            return List.of();
        });
    }
}
