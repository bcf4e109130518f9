package undoknot.server.view;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.lang.Nullable;
import undoknot.advice.Harm;
import undoknot.advice.NextStep;
import undoknot.head.Channel;
import undoknot.head.FoodStanding;
import undoknot.nozzle.CoarseReading;
import undoknot.observation.Look;
import undoknot.outcome.Outcome;
import undoknot.outcome.Purpose;
import undoknot.plan.Promise;
import undoknot.procedure.Act;
import undoknot.server.visit.LoggedVisit;
import undoknot.treatment.Method;
import undoknot.visit.HeadNow;

/**
 * A visit as one strip on the bench.
 *
 * @param purpose what it came in for
 * @param reading the last nozzle map
 * @param coarse bars, stream or pad print, when that was read last
 * @param harm what waiting harms: the bench stands in its order, then in that of the promises
 * @param errorBack when a fault that a restart cleared is expected back; absent when none is
 * @param last what was done last; absent while nothing was
 * @param promise whether it will be ready when it is promised, by its plan
 * @param inHand who has it in hand; absent while nobody has
 */
public record Strip(
        UUID id,
        String tag,
        String customer,
        String family,
        String serial,
        Purpose purpose,
        List<Channel> channels,
        @Nullable Map<String, String> reading,
        @Nullable CoarseReading coarse,
        List<Bead> thread,
        NextView next,
        LocalDate promisedOn,
        @Nullable Instant closedAt,
        @Nullable Outcome outcome,
        FoodStanding food,
        HeadView.Brief head,
        Harm harm,
        @Nullable LocalDate errorBack,
        @Nullable Last last,
        Promise promise,
        @Nullable String inHand) {

    /** What is due first stands first; of heads promised for one day those that want hands. */
    public static final Comparator<Strip> ORDER = Comparator.comparing((Strip s) -> s.closedAt() != null)
            .thenComparing(Strip::harm)
            .thenComparing(Strip::promisedOn)
            .thenComparing(s -> s.next().action());

    /**
     * @param method the work; absent for a check or a step
     * @param step of an ink change or a whole-system flush; absent for anything else
     */
    public record Last(@Nullable Method method, @Nullable Act step, Instant at) {
        static Last of(LoggedVisit c) {
            return Stream.of(
                            c.checks().stream().map(k -> new Last(null, null, k.takenAt)),
                            c.procedureThatStands().stream().map(e -> new Last(null, e.act, e.enteredAt)),
                            c.attemptsThatStand().stream()
                                    .map(a -> new Last(Method.of(c.treatment(a)), null, a.startedAt)))
                    .flatMap(all -> all)
                    .max(Comparator.comparing(Last::at))
                    .orElse(null);
        }
    }

    public static Strip of(LoggedVisit c, NextStep next, Promise promise, Instant now) {
        InHandView inHand = InHandView.of(c);
        HeadNow head = c.headNow(now);
        return new Strip(
                c.visit().id,
                c.visit().tag,
                c.customer().name,
                c.family().name(),
                c.head().serial,
                c.purpose(),
                c.family().channels(),
                c.lastMapped().map(k -> c.map(k).texts()).orElse(null),
                c.checks().stream()
                        .filter(k -> c.map(k) != null || c.coarse(k) != null)
                        .reduce((a, b) -> b)
                        .map(c::coarse)
                        .orElse(null),
                ThreadOfVisit.thread(c, now),
                NextView.of(next),
                c.visit().promisedOn,
                c.visit().closedAt,
                c.visit().outcome,
                c.food(),
                HeadView.Brief.of(head),
                Harm.of(next.action(), head.driesAt() != null && !head.driesAt().isAfter(now)),
                errorBack(c),
                Last.of(c),
                promise,
                inHand == null ? null : inHand.person());
    }

    /** The last word on errors is that a restart cleared one for a while. */
    private static LocalDate errorBack(LoggedVisit c) {
        return c.findingsThatStand().stream()
                .filter(f -> Look.ERRORS.findings().contains(f.sign))
                .reduce((a, b) -> b)
                .map(f -> f.expectedOn)
                .orElse(null);
    }
}
