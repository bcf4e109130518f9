package undoknot.server.finish;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.outcome.Outcome;
import undoknot.server.problem.Refused;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitViews;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Procedures;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;
import undoknot.visit.VisitLog;

/** Handing a head back: outcome and sign-off. */
@RestController
@RequestMapping("/api/visits/{visitId}/return")
class ReturnController {

    private final Visits visits;
    private final VisitLoader loader;
    private final VisitViews views;
    private final RepeatableWrite writes;
    private final Clock clock;

    ReturnController(Visits visits, VisitLoader loader, VisitViews views, RepeatableWrite writes, Clock clock) {
        this.visits = visits;
        this.loader = loader;
        this.views = views;
        this.writes = writes;
        this.clock = clock;
    }

    /**
     * @param version version of the visit that was seen
     * @param reason a word to the customer; needed when the readings say otherwise
     * @param toldWhatBarsHide that the customer was told what bars cannot show; needed when bars alone accept it
     */
    record ReturnEntry(
            long version,
            @NotNull(message = "Choose how it went.") Outcome outcome,

            @Nullable @Size(max = 2000, message = "Keep it to {max} signs.")
            String reason,

            @NotBlank(message = "Sign with your name.") @Size(max = 120, message = "Keep the name to {max} signs.")
            String signedBy,

            @Nullable Boolean toldWhatBarsHide) {}

    @PutMapping
    VisitView put(@PathVariable UUID visitId, @Valid @RequestBody ReturnEntry entry) {
        return views.of(writes.run(() -> {
            LoggedVisit logged = loader.get(visitId);
            Visit visit = logged.visit();
            String reason = Objects.requireNonNullElse(entry.reason(), "").strip();
            if (visit.closedAt != null) {
                if (visit.outcome == entry.outcome()
                        && Objects.equals(Objects.requireNonNullElse(visit.outcomeReason, ""), reason)
                        && visit.closedBy.equals(entry.signedBy().strip())) {
                    return logged;
                }
                throw Refused.because(
                        HttpStatus.CONFLICT,
                        "returned",
                        visit.closedBy + " has signed this head off already, as "
                                + visit.outcome.name().toLowerCase().replace('_', ' ') + ".");
            }
            Versions.check(visit.version, entry.version(), () -> views.of(logged), entry);
            if (!logged.runningClocks().isEmpty()
                    && logged.runningClocks().stream().anyMatch(c -> c.attemptId != null)) {
                throw Refused.entry(
                        "outcome", "STILL_IN_WORK", "A soak or a bath of this head still runs. End it first.");
            }
            if (!logged.purpose().outcomes().contains(entry.outcome())) {
                throw Refused.entry(
                        "outcome",
                        "OTHER_PURPOSE",
                        "A head that came in for this does not go back so. Choose another.");
            }
            VisitLog log = logged.log(clock.instant());
            Optional<Outcome.Doubt> doubt = entry.outcome()
                    .doubt(new Outcome.Shown(
                            log.verdict(),
                            log.firstToLast().orElse(null),
                            log.isReadyToRefit(),
                            Procedures.isOver(logged)));
            boolean byBars = doubt.isEmpty()
                    && entry.outcome().saysAccepted()
                    && log.lastCheck().filter(c -> c.coarse() != null).isPresent();
            if (byBars && !Boolean.TRUE.equals(entry.toldWhatBarsHide())) {
                throw Refused.entry(
                        "toldWhatBarsHide",
                        "BARS",
                        "Bars do not show single gaps. Tell the customer so, and tick that you did.");
            }
            if (!logged.headNow(clock.instant()).mayHavePower() && reason.isEmpty()) {
                throw Refused.entry(
                        "reason",
                        "NO_POWER",
                        "This head may not have power yet. Wait, or say why it goes back now; the report says until when.");
            }
            if (doubt.isPresent() && reason.isEmpty()) {
                throw Refused.entry("reason", doubt.get().name(), words(doubt.get()));
            }
            visit.outcome = entry.outcome();
            visit.outcomeReason = reason.isEmpty() ? null : reason;
            visit.closedAt = clock.instant();
            visit.closedBy = entry.signedBy().strip();
            visits.saveAndFlush(visit);
            return logged;
        }));
    }

    private static String words(Outcome.Doubt doubt) {
        return switch (doubt) {
            case NOT_ACCEPTED -> "The last check does not meet acceptance. Say why it counts as recovered.";
            case ACCEPTANCE_UNSURE ->
                "Acceptance hangs on nozzles that were not read. Read them, or say why it counts as recovered.";
            case NO_MAP -> "There is no nozzle map to show for it. Record a check, or say why not.";
            case NOT_FEWER_OUT -> "No fewer nozzles are out than at first. Say what has improved.";
            case ACCEPTED_AFTER_ALL -> "The last check meets acceptance. Say why the head is given up.";
            case STREAM_NOT_WHOLE ->
                "No reading off the machine shows every channel whole. Read the stream, or say why it goes back so.";
            case STEPS_OPEN -> "Not every step is done. Finish them, or say what was left out and why.";
        };
    }
}
