package undoknot.server.view;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.lang.Nullable;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.StepClockRow;
import undoknot.sitting.Asked;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.visit.StepClock;
import undoknot.visit.Waiting;

/**
 * A clock and its visit, named by its thing. The server's time goes with it, since the screen's clock may be wrong.
 *
 * @param method the work that waits; absent for any other wait
 * @param waiting what else is waited for; absent for work
 * @param keptBy what keeps the head from power until then; absent for any other clock
 * @param warnAt when cartridges that stayed connected have been siphoned for as long as they may; absent where none are
 */
public record ClockView(
        UUID id,
        UUID visitId,
        String tag,
        String headName,
        @Nullable UUID attemptId,
        StepClock.Kind kind,
        @Nullable Method method,
        @Nullable Waiting waiting,
        @Nullable NoPower keptBy,
        List<String> channels,
        Instant startedAt,
        String startedBy,
        Instant dueAt,
        @Nullable Instant warnAt,
        @Nullable Instant stoppedAt,
        @Nullable String stoppedBy,
        String note) {
    /** The dry hold of a head as one more clock, under the visit's own key; empty while none runs or nobody knows its end. */
    public static Optional<ClockView> hold(LoggedVisit logged, Instant now) {
        return keptFromPower(logged, NoPower.HOLD, now);
    }

    /** What keeps a head from power until a time that is known: drying, evaporating, covers open. */
    public static Stream<ClockView> keptFromPower(LoggedVisit logged, Instant now) {
        return Stream.of(NoPower.HOLD, NoPower.EVAPORATING, NoPower.COVERS_OPEN)
                .flatMap(why -> keptFromPower(logged, why, now).stream());
    }

    private static Optional<ClockView> keptFromPower(LoggedVisit logged, NoPower why, Instant now) {
        return logged.headNow(now)
                .kept(why)
                .filter(hold -> hold.until() != null)
                .map(hold -> new ClockView(
                        key(logged.visit().id, why),
                        logged.visit().id,
                        logged.visit().tag,
                        logged.family().name(),
                        null,
                        StepClock.Kind.HOLD,
                        null,
                        null,
                        why,
                        List.of(),
                        hold.since(),
                        "",
                        hold.until(),
                        null,
                        null,
                        null,
                        ""));
    }

    /** A dry hold is known by the visit's own key, what else waits beside it by one made from that. */
    private static UUID key(UUID visit, NoPower why) {
        return why == NoPower.HOLD
                ? visit
                : UUID.nameUUIDFromBytes((visit + why.name()).getBytes(StandardCharsets.UTF_8));
    }

    /** Whether a pad lies under cartridges that nobody said were taken off. */
    private static boolean siphons(StepClockRow row, LoggedVisit logged) {
        return logged.attempts().stream()
                .filter(a -> a.id.equals(row.attemptId) && a.site == Site.IN_CARRIAGE)
                .filter(a -> Asked.CARTRIDGES_OFF.isAskedOf(Method.of(logged.treatment(a))))
                .anyMatch(a -> !logged.noted(a).says(Asked.CARTRIDGES_OFF));
    }

    public static ClockView of(StepClockRow row, LoggedVisit logged) {
        Treatment treatment = row.attemptId == null ? null : logged.treatments().get(row.attemptId);
        return new ClockView(
                row.id,
                row.visitId,
                logged.visit().tag,
                logged.family().name(),
                row.attemptId,
                row.kind,
                treatment == null ? null : Method.of(treatment),
                row.waiting,
                null,
                treatment != null
                        ? List.copyOf(treatment.channels())
                        : row.channel == null ? List.of() : List.of(row.channel),
                row.startedAt,
                row.startedBy,
                row.dueAt(),
                siphons(row, logged) ? row.startedAt.plus(Duration.ofMinutes(Gates.PAD_MINUTES)) : null,
                row.stoppedAt,
                row.stoppedBy,
                row.note);
    }
}
