package undoknot.server.finish;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.finish.FoundAndMended;
import undoknot.finish.OffPart;
import undoknot.finish.SignOff;
import undoknot.finish.Unchecked;
import undoknot.outcome.Outcome;
import undoknot.outcome.Outcome.Doubt;
import undoknot.server.account.SignedIn;
import undoknot.server.finish.ReturnController.Reopening;
import undoknot.server.finish.ReturnController.ReturnEntry;
import undoknot.server.problem.Refused;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitViews;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Procedures;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;
import undoknot.server.words.Words;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;
import undoknot.visit.VisitLog;

/** Signs heads off, and takes that back: the one place through which a visit is closed. */
@Component
class Returns {

    private final Visits visits;
    private final VisitLoader loader;
    private final VisitViews views;
    private final RepeatableWrite writes;
    private final Words words;
    private final Clock clock;

    Returns(Visits visits, VisitLoader loader, VisitViews views, RepeatableWrite writes, Words words, Clock clock) {
        this.visits = visits;
        this.loader = loader;
        this.views = views;
        this.writes = writes;
        this.words = words;
        this.clock = clock;
    }

    VisitView put(UUID visitId, ReturnEntry entry) {
        return views.of(writes.run(() -> {
            LoggedVisit logged = loader.lock(visitId);
            Visit visit = logged.visit();
            String reason = Objects.requireNonNullElse(entry.reason(), "").strip();
            if (visit.closedAt != null) {
                if (isSame(visit, entry, reason)) {
                    return logged;
                }
                throw Refused.because(
                        HttpStatus.CONFLICT,
                        "returned",
                        visit.closedBy + " has signed this head off already: " + words.of("outcome", visit.outcome)
                                + ".");
            }
            Versions.check(visit.version, entry.version(), () -> views.of(logged), entry);
            Instant now = clock.instant();
            mustBeOver(logged, entry.outcome());
            VisitLog log = logged.log(now);
            List<Doubt> doubts = entry.outcome().doubts(SignOff.shown(log, Procedures.isOver(logged)));
            List<Doubt> all = logged.headNow(now).mayHavePower()
                    ? doubts
                    : Stream.concat(Stream.of(Doubt.NO_POWER), doubts.stream()).toList();
            mustBeAnswered(all, entry, reason, log);
            visit.told = told(log, entry, doubts.isEmpty());
            visit.outcome = entry.outcome();
            visit.outcomeReason = reason.isEmpty() ? null : reason;
            visit.overruled = all;
            visit.closedAt = now;
            visit.closedBy = entry.signedBy().strip();
            visits.saveAndFlush(visit);
            return logged;
        }));
    }

    /** Any word overrules nothing: each doubt is read by who signs, and answered by a word after that. */
    private void mustBeAnswered(List<Doubt> doubts, ReturnEntry entry, String reason, VisitLog log) {
        List<Doubt> read = Objects.requireNonNullElse(entry.despite(), List.of());
        doubts.stream()
                .filter(doubt -> reason.isEmpty() || !read.contains(doubt))
                .findFirst()
                .ifPresent(doubt -> {
                    String again = reason.isEmpty() ? "" : " Where your word says why, sign off once more.";
                    throw Refused.entry("reason", doubt.name(), words(doubt, log) + again);
                });
    }

    private static boolean isSame(Visit visit, ReturnEntry entry, String reason) {
        return visit.outcome == entry.outcome()
                && Objects.equals(Objects.requireNonNullElse(visit.outcomeReason, ""), reason)
                && visit.closedBy.equals(entry.signedBy().strip());
    }

    /** What no reason overrules: work that still runs, parts that are still off, an end that is none of this visit. */
    private static void mustBeOver(LoggedVisit logged, Outcome outcome) {
        if (logged.runningClocks().stream().anyMatch(c -> c.attemptId != null)) {
            throw Refused.entry("outcome", "STILL_IN_WORK", "A soak or a bath of this head still runs. End it first.");
        }
        String off = OffPart.reversed(logged.offParts()).stream()
                .map(OffPart::called)
                .distinct()
                .collect(Collectors.joining(", "));
        if (!off.isEmpty()) {
            throw Refused.entry(
                    "outcome",
                    "PARTS_OFF",
                    "Still off: " + off + ". Put it back and tick it, or say there why it stays off.");
        }
        if (!logged.purpose().outcomes().contains(outcome)) {
            throw Refused.entry(
                    "outcome", "OTHER_PURPOSE", "A head that came in for this does not go back so. Choose another.");
        }
    }

    /** What the readings cannot show is told to the customer, and that it was told is kept. */
    private static Visit.Told told(VisitLog log, ReturnEntry entry, boolean undoubted) {
        boolean byBars = undoubted
                && entry.outcome().saysAccepted()
                && log.lastCheck().filter(c -> c.coarse() != null).isPresent();
        Visit.Told needed = byBars
                ? Visit.Told.WHAT_BARS_HIDE
                : entry.outcome() == Outcome.READY_TO_REFIT ? Visit.Told.NOT_PROVEN_BY_PRINT : null;
        if (needed != null && entry.told() != needed) {
            throw Refused.entry(
                    "told",
                    needed == Visit.Told.WHAT_BARS_HIDE ? "BARS" : "NOT_PROVEN_BY_PRINT",
                    needed == Visit.Told.WHAT_BARS_HIDE
                            ? "Bars do not show single gaps. Tell the customer so, and tick that you did."
                            : "No print has shown this head. Tell the customer so, and tick that you did.");
        }
        return needed;
    }

    VisitView reopen(UUID visitId, Reopening entry) {
        return views.of(writes.run(() -> {
            LoggedVisit logged = loader.lock(visitId);
            Visit visit = logged.visit();
            String why = entry.why().strip();
            if (visit.closedAt == null) {
                if (why.equals(visit.reopenedWhy)) {
                    return logged;
                }
                throw Refused.because(HttpStatus.CONFLICT, "open", "This visit is open: nothing is to be taken back.");
            }
            Versions.check(visit.version, entry.version(), () -> views.of(logged), entry);
            boolean isInAgain = visits.findByHeadIdOrderByOpenedAtDesc(visit.headId).stream()
                    .anyMatch(v -> !v.id.equals(visit.id) && v.openedAt.isAfter(visit.closedAt));
            if (isInAgain) {
                throw Refused.because(
                        HttpStatus.CONFLICT,
                        "in-again",
                        "This head was taken in again since. Go on with that visit; this one stays as it was signed.");
            }
            visit.outcome = null;
            visit.outcomeReason = null;
            visit.overruled = List.of();
            visit.told = null;
            visit.closedAt = null;
            visit.closedBy = null;
            visit.reopenedAt = clock.instant();
            visit.reopenedBy = SignedIn.now().displayName();
            visit.reopenedWhy = why;
            visits.saveAndFlush(visit);
            return logged;
        }));
    }

    private String words(Doubt doubt, VisitLog log) {
        return switch (doubt) {
            case NO_POWER ->
                "This head may not have power yet. Wait, or say why it goes back now; the report says until when.";
            case NOT_ACCEPTED -> "The last check does not meet acceptance. Say why it counts as recovered.";
            case ACCEPTANCE_UNSURE ->
                "Acceptance hangs on nozzles that were not read. Read them, or say why it counts as recovered.";
            case NO_MAP -> "There is no nozzle map to show for it. Record a check, or say why not.";
            case NOT_FEWER_OUT -> "No fewer nozzles are out than at first. Say what has improved.";
            case ACCEPTED_AFTER_ALL -> "The last check meets acceptance. Say why the head is given up.";
            case STREAM_NOT_WHOLE ->
                "No reading off the machine shows every channel whole. Read the stream, or say why it goes back so.";
            case STEPS_OPEN -> "Not every step is done. Finish them, or say what was left out and why.";
            case WORK_UNCHECKED ->
                "No check has followed: "
                        + Unchecked.of(log).stream()
                                .map(w -> words.of("method", w.method()))
                                .distinct()
                                .collect(Collectors.joining(", "))
                        + ". Read one, or say why it goes without.";
            case NOT_PROVEN ->
                "What was complained of is not proven gone. Print the page that shows it, or say why it goes without.";
            case FOUND_LEFT ->
                "Not put right yet: "
                        + FoundAndMended.left(log).stream()
                                .map(words::observation)
                                .distinct()
                                .collect(Collectors.joining(", "))
                        + ". Mend it, look again, or say why it goes so.";
            case STATION_LEFT ->
                "The station had crusted, and the head was worked on since. Clean it once more, or say why it goes without.";
            case PAGE_LEFT ->
                "A head that passes once and fails after a page is not finished. Print a full page, check again, or say why it goes without.";
            case ALIGNMENT_OPEN ->
                "The alignment has not settled. Print another pass, or let it stand with a note, or say why it goes so.";
        };
    }
}
