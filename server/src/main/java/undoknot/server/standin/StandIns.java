package undoknot.server.standin;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.server.fluid.FluidLot;
import undoknot.server.problem.Refused;
import undoknot.server.scan.Scans;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.write.StoredJson;
import undoknot.simulator.Fault;
import undoknot.simulator.StandInHead;
import undoknot.simulator.Strokes;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/**
 * Makes the stand-in of a head anew from its faults and from what was logged on the visit, in the order of time. So its
 * state is kept nowhere but in the log, and an attempt that is withdrawn has not happened to it.
 */
@Component
public class StandIns {

    /** A careful push: somewhat below what the construction allows. */
    private static final double PUSH_SHARE = 0.85;

    private static final double PUSH_KPA_WITHOUT_LIMIT = 20;

    private static final double REST_HOURS = 12;

    private final StandInRows rows;
    private final StoredJson stored;
    private final Scans scans;

    StandIns(StandInRows rows, StoredJson stored, Scans scans) {
        this.rows = rows;
        this.stored = stored;
        this.scans = scans;
    }

    public boolean answersFor(UUID headId) {
        return rows.existsById(headId);
    }

    /** A step in the stand-in's life. */
    private record Step(Instant at, Runnable does) {}

    /**
     * The next check of a visit's stand-in.
     *
     * @throws Refused when no stand-in answers for the head, or when it cannot print
     */
    Strokes print(LoggedVisit logged, Instant now) {
        StandInHead head = standing(logged, now);
        if (head.noCheck().isPresent()) {
            throw Refused.entry(
                    "standIn",
                    "NO_CHECK",
                    "The stand-in cannot print: it shows an error. Record that no check is possible.");
        }
        return head.print();
    }

    /** The stand-in as the log has left it. */
    private StandInHead standing(LoggedVisit logged, Instant now) {
        StandInRow row = rows.findById(logged.head().id)
                .orElseThrow(() -> Refused.entry("standIn", "NONE", "No stand-in answers for this head."));
        StandInHead head =
                new StandInHead(logged.family(), Arrays.asList(stored.read(row.faults, Fault[].class)), row.seed);
        List<Step> steps = new ArrayList<>();
        for (Attempt attempt : logged.attemptsThatStand()) {
            Treatment treatment = logged.treatment(attempt);
            FluidLot lot = logged.lots().get(attempt.lotId);
            steps.add(new Step(attempt.startedAt, () -> apply(head, logged, attempt, treatment, lot, now)));
        }
        scans.findByVisitIdAndSimulatedTrue(logged.visit().id)
                .forEach(scan -> steps.add(new Step(scan.addedAt, () -> {
                    if (head.noCheck().isEmpty()) {
                        head.print();
                    }
                })));
        steps.sort(Comparator.comparing(Step::at));
        Instant last = logged.visit().openedAt;
        for (Step step : steps) {
            head.rest(Math.max(0, Duration.between(last, step.at()).toMinutes() / 60.0));
            step.does().run();
            last = step.at();
        }
        head.rest(Math.max(0, Duration.between(last, now).toMinutes() / 60.0));
        return head;
    }

    /**
     * What somebody who looks at the stand-in would find.
     *
     * @throws Refused when no stand-in answers for the head
     */
    Sign look(LoggedVisit logged, Look look, String channel, Instant now) {
        StandInHead head = standing(logged, now);
        // Whoever looks again looks with fresh eyes.
        int before = (int) logged.findingsThatStand().stream()
                .filter(f -> look.findings().contains(f.sign) && Objects.equals(f.channel, channel))
                .count();
        return before == 0 ? head.look(look, channel) : head.lookAgain(look, channel, before);
    }

    /** What shows besides, as {@link StandInHead#seenMeanwhile}. */
    Optional<Sign> seenMeanwhile(LoggedVisit logged, Look look, String channel, Instant now) {
        return standing(logged, now).seenMeanwhile(look, channel);
    }

    private static void apply(
            StandInHead head, LoggedVisit logged, Attempt attempt, Treatment treatment, FluidLot lot, Instant now) {
        Double limit = logged.family().limits().pushKpa();
        Instant end = attempt.endedAt == null ? now : attempt.endedAt;
        head.apply(
                treatment,
                Duration.between(attempt.startedAt, end).toSeconds() / 60.0,
                limit == null ? PUSH_KPA_WITHOUT_LIMIT : PUSH_SHARE * limit,
                lot == null ? 0.5 : fit(lot));
        if (treatment instanceof Treatment.Handwork work && work.method() == Method.REST) {
            // Nobody waits twelve hours at a demo: a rest that was logged has been taken.
            head.rest(REST_HOURS);
        }
    }

    /** How well a fluid suits any ink, roughly. */
    private static double fit(FluidLot lot) {
        return switch (lot.kind) {
            case AQUEOUS_CLEANER, PIGMENT_FLUSH, FOOD_SAFE_CLEANER -> 0.9;
            case DEIONISED_WATER -> 0.5;
            default -> 0.3;
        };
    }
}
