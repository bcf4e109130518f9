package undoknot.server.diagnosis;

import jakarta.validation.Valid;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.outcome.WorthTerms;
import undoknot.server.practice.House;
import undoknot.server.problem.Refused;
import undoknot.server.view.DepartureEntry;
import undoknot.server.view.JudgementView;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitViews;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.DepartureRow;
import undoknot.server.visit.Departures;
import undoknot.server.visit.Visits;
import undoknot.server.write.StoredJson;

/** What is wrong with a head on the bench, what to look at and what to do. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class JudgementController {

    private final VisitViews views;
    private final VisitWrites writes;
    private final House house;
    private final Departures departures;
    private final Visits visits;
    private final StoredJson stored;
    private final Clock clock;

    JudgementController(
            VisitViews views,
            VisitWrites writes,
            House house,
            Departures departures,
            Visits visits,
            StoredJson stored,
            Clock clock) {
        this.views = views;
        this.writes = writes;
        this.house = house;
        this.departures = departures;
        this.visits = visits;
        this.stored = stored;
        this.clock = clock;
    }

    @GetMapping("/judgement")
    JudgementView judgement(@PathVariable UUID visitId) {
        return views.judgement(visitId);
    }

    /** Keeps why something else is done than what was advised, where nothing else is logged with it. */
    @PutMapping("/departures/{id}")
    VisitView depart(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody DepartureEntry entry) {
        return writes.on(visitId, logged -> {
            DepartureRow row = entry.row(id, visitId, clock.instant());
            DepartureRow known = departures.findById(id).orElse(null);
            if (known == null) {
                return List.of(departures.saveAndFlush(row));
            }
            if (!known.says(row)) {
                throw Refused.conflict(known.reason, entry);
            }
            return List.of();
        });
    }

    /** Sets the terms of "worth going on" for the visit; a term that is absent is worked out. */
    @PutMapping("/worth")
    VisitView worth(@PathVariable UUID visitId, @Valid @RequestBody WorthTerms terms) {
        return writes.on(visitId, logged -> {
            logged.visit().worth = stored.write(terms);
            visits.saveAndFlush(logged.visit());
            return List.of();
        });
    }

    /** Judges the visit by the house rules of today from now on; for a lead. */
    @PutMapping("/house-rules")
    VisitView judgeByToday(@PathVariable UUID visitId) {
        if (SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(
                    HttpStatus.FORBIDDEN, "lead-only", "Only a lead changes the rules that a visit is judged by.");
        }
        return writes.on(visitId, logged -> {
            logged.visit().houseRules = house.number() == 0 ? null : house.number();
            visits.saveAndFlush(logged.visit());
            return List.of();
        });
    }
}
