package undoknot.server.treatment;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.Shelf;
import undoknot.server.gate.GateKeeper;
import undoknot.server.problem.Refused;
import undoknot.server.treatment.SittingController.StrokeWrite;
import undoknot.server.view.NotedEntry.TurnEntry;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.Attempts;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Sittings;
import undoknot.server.visit.StoredTreatment;
import undoknot.server.visit.VisitLoader;
import undoknot.server.waste.Waste;
import undoknot.server.write.StoredJson;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment.Flush;
import undoknot.visit.HeadNow;

/** Rounds as they happen: every stroke and turn passes the gates, draws its fluid and is kept before the next begins. */
@Component
public class SittingLog {

    /** What is judged stroke by stroke; a reason given for one is none for the next. */
    private static final Set<Gate.Code> OF_ONE_STROKE = Set.of(
            Gate.Code.PUSH_TOO_HARD, Gate.Code.PUSH_TOO_FAST, Gate.Code.SUCTION_TOO_HARD, Gate.Code.OVER_THE_NEED);

    private final Attempts attempts;
    private final GateKeeper gates;
    private final Shelf shelf;
    private final Waste waste;
    private final VisitLoader loader;
    private final StoredJson stored;
    private final VisitWrites writes;
    private final Clock clock;

    SittingLog(
            Attempts attempts,
            GateKeeper gates,
            Shelf shelf,
            Waste waste,
            VisitLoader loader,
            StoredJson stored,
            VisitWrites writes,
            Clock clock) {
        this.attempts = attempts;
        this.gates = gates;
        this.shelf = shelf;
        this.waste = waste;
        this.loader = loader;
        this.stored = stored;
        this.writes = writes;
        this.clock = clock;
    }

    /** Strokes of work that is logged whole get its time. */
    static Flush timed(Flush flush, Instant at) {
        return new Flush(
                flush.method(),
                flush.planned(),
                flush.pulses(),
                flush.strokes().stream().map(s -> s.at(at)).toList(),
                flush.temperatureC());
    }

    /** Keeps a stroke, or what was seen of one that is kept already. */
    VisitView stroke(UUID visitId, UUID attemptId, UUID id, StrokeWrite entry) {
        return onSitting(visitId, attemptId, (logged, attempt) -> {
            if (!(logged.treatment(attempt) instanceof Flush flush)) {
                throw Refused.notFound("sitting");
            }
            Stroke known = flush.stroke(id).orElse(null);
            Stroke stroke = entry.stroke().stroke(id, known == null ? clock.instant() : known.at());
            if (stroke.equals(known)) {
                return List.of();
            }
            check(logged, attempt, flush, stroke);
            boolean pushed = known == null
                    || !stroke.volumeMl().equals(known.volumeMl())
                    || !Objects.equals(stroke.seconds(), known.seconds())
                    || stroke.syringe() != known.syringe()
                    || stroke.force() != known.force()
                    || !Objects.equals(stroke.suctionKpa(), known.suctionKpa());
            if (pushed) {
                pass(logged, attempt, flush, stroke, entry);
            }
            return kept(logged, attempt, flush.with(stroke), known == null);
        });
    }

    /** Takes back a stroke that was none: its fluid never left the bottle. */
    VisitView strokeBack(UUID visitId, UUID attemptId, UUID id) {
        return onSitting(visitId, attemptId, (logged, attempt) -> {
            if (!(logged.treatment(attempt) instanceof Flush flush)
                    || flush.stroke(id).isEmpty()) {
                return List.of();
            }
            // A stroke asked for a look, a pad, a hold: taking it back gives the head power no sooner.
            HeadNow before = logged.headNow(clock.instant());
            List<Object> written = kept(logged, attempt, flush.without(id), false);
            gates.powerNoSooner(before, loader.with(logged, written).headNow(clock.instant()));
            return written;
        });
    }

    /** Keeps a turn of a rinse, or what was seen of one that is kept already. */
    VisitView turn(UUID visitId, UUID attemptId, UUID id, TurnEntry entry) {
        return onSitting(visitId, attemptId, (logged, attempt) -> {
            if (Method.of(logged.treatment(attempt)) != Method.RINSE) {
                throw Refused.notFound("rinse");
            }
            Instant at = logged.noted(attempt).turns().stream()
                    .filter(t -> id.equals(t.id()))
                    .map(t -> t.at())
                    .findFirst()
                    .orElse(null);
            if (at == null) {
                mayGrow(logged, attempt);
            }
            attempt.noted = stored.write(
                    logged.noted(attempt).with(entry.turn(id, at == null ? clock.instant() : at, logged.family())));
            return ended(logged, attempt, at == null, List.of());
        });
    }

    /** Rounds that are open end with the next thing that touches the head. */
    List<Object> endedBy(LoggedVisit logged, Method method, Instant at) {
        return method.leavesHeadAlone() ? List.of() : end(logged, at);
    }

    /** A printed check ends the rounds before it. */
    public List<Object> end(LoggedVisit logged, Instant at) {
        List<Object> written = new ArrayList<>();
        Sittings.open(logged).stream().filter(a -> a.startedAt.isBefore(at)).forEach(attempt -> {
            attempt.endedAt = at;
            written.add(attempts.saveAndFlush(attempt));
        });
        return written;
    }

    void endIfOver(LoggedVisit after, Attempt attempt, Instant at) {
        if (Sittings.goesByRounds(after.treatment(attempt)) && Sittings.isOver(after, attempt)) {
            attempt.endedAt = at;
            attempts.saveAndFlush(attempt);
        }
    }

    private interface Change {
        List<Object> on(LoggedVisit logged, Attempt attempt);
    }

    private VisitView onSitting(UUID visitId, UUID attemptId, Change change) {
        return writes.on(
                visitId,
                () -> {
                    UUID lotId = attempts.lock(attemptId).map(a -> a.lotId).orElse(null);
                    if (lotId != null) {
                        shelf.lock(lotId);
                    }
                },
                logged -> {
                    Attempt attempt = own(visitId, attemptId);
                    if (!attempt.stands()) {
                        throw conflict("This was taken back. Begin another.");
                    }
                    return change.on(logged, attempt);
                });
    }

    private Attempt own(UUID visitId, UUID id) {
        return attempts.findById(id)
                .filter(a -> a.visitId.equals(visitId))
                .orElseThrow(() -> Refused.notFound("attempt"));
    }

    private static Refused conflict(String text) {
        return Refused.because(HttpStatus.CONFLICT, "over", text);
    }

    /** Rounds grow until something else happens to the head: then it is another sitting. */
    private static void mayGrow(LoggedVisit logged, Attempt attempt) {
        boolean checked = logged.judge(attempt).isPresent();
        boolean worked = logged.attemptsThatStand().stream()
                .anyMatch(a -> a.startedAt.isAfter(attempt.startedAt)
                        && !Method.of(logged.treatment(a)).leavesHeadAlone());
        if (checked || worked) {
            throw conflict(
                    checked ? "The head was checked since. Begin another." : "Other work came since. Begin another.");
        }
    }

    private static void check(LoggedVisit logged, Attempt attempt, Flush flush, Stroke stroke) {
        if (logged.family().channel(stroke.channel()).isEmpty()) {
            throw Refused.entry("stroke.channel", "UNKNOWN", "This head has no channel " + stroke.channel() + ".");
        }
        if (flush.isFlush() && stroke.volumeMl().signum() == 0) {
            throw Refused.entry("stroke.volumeMl", "RANGE", "Enter more than 0 mL.");
        }
        if (attempt.lotId == null && stroke.volumeMl().signum() > 0) {
            throw Refused.entry(
                    "stroke.volumeMl",
                    "LOT",
                    "No bottle was chosen for this. Enter 0 mL, or begin anew with a bottle.");
        }
        if (flush.stroke(stroke.id()).isEmpty()) {
            mayGrow(logged, attempt);
        }
    }

    /** The gates of this one stroke; what the sitting was begun against needs no second reason. */
    private void pass(LoggedVisit logged, Attempt attempt, Flush flush, Stroke stroke, StrokeWrite entry) {
        Flush alone = new Flush(flush.method(), Set.of(), flush.pulses(), List.of(stroke), flush.temperatureC());
        FluidLot lot = attempt.lotId == null ? null : shelf.get(attempt.lotId);
        Gates.Situation situation = gates.situation(logged, lot, attempt.site, attempt.wet);
        List<Gate> before = logged.gates(attempt.against);
        List<Gate> shut = gates.ofWork(logged, alone, situation, attempt.wasteId, null).stream()
                .filter(g -> OF_ONE_STROKE.contains(g.code())
                        || before.stream()
                                .noneMatch(b -> b.code() == g.code() && Objects.equals(b.channel(), g.channel())))
                .toList();
        GateKeeper.Departure why =
                new GateKeeper.Departure(entry.departureReason(), Boolean.TRUE.equals(entry.doneAnyway()));
        if (gates.pass(shut, why) != null) {
            attempt.against = stored.write(
                    Stream.concat(before.stream(), shut.stream()).distinct().toList());
            attempt.departureReason = attempt.departureReason == null || attempt.departureReason.equals(why.text())
                    ? why.text()
                    : attempt.departureReason + " " + why.text();
        }
    }

    private List<Object> kept(LoggedVisit logged, Attempt attempt, Flush next, boolean grown) {
        List<Object> written = new ArrayList<>();
        BigDecimal more = next.volumeMl().subtract(attempt.volumeMl);
        if (attempt.lotId != null && more.signum() != 0) {
            shelf.draw(attempt.lotId, attempt.id, more);
            written.add(shelf.get(attempt.lotId));
        }
        attempt.record = stored.write(StoredTreatment.of(next));
        attempt.volumeMl = next.volumeMl();
        if (attempt.wasteId != null && attempt.wasteMl == null) {
            waste.fill(attempt.wasteId, attempt.id, next.volumeMl());
        }
        return ended(logged, attempt, grown, written);
    }

    /** Rounds end by themselves when their channels are done, and go on when one more is given or a slip is mended. */
    private List<Object> ended(LoggedVisit logged, Attempt attempt, boolean grown, List<Object> written) {
        boolean wasOver = Sittings.isOver(logged, attempt);
        List<Object> rows = new ArrayList<>(written);
        rows.add(attempt);
        boolean isOver = Sittings.isOver(loader.with(logged, rows), attempt);
        if (isOver && attempt.endedAt == null) {
            attempt.endedAt = clock.instant();
        } else if (!isOver && (grown || wasOver)) {
            attempt.endedAt = null;
        }
        rows.remove(attempt);
        rows.add(attempts.saveAndFlush(attempt));
        return rows;
    }
}
