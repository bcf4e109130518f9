package undoknot.server.finish;

import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.diagnosis.Reason;
import undoknot.finish.FoundAndMended;
import undoknot.nozzle.Acceptance;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.server.advice.Judge;
import undoknot.server.visit.LoggedVisit;

/**
 * What was wrong with a head and how that is known: what somebody wrote down; or else what was found and put right, and what
 * the ranking holds likeliest besides.
 */
@Component
public class WhatWasWrong {

    /** A cause less likely than this explains nothing to a customer. */
    private static final double LIKELY = 0.25;

    private static final int MOST_REASONS = 3;

    private final Judge judge;
    private final Clock clock;

    WhatWasWrong(Judge judge, Clock clock) {
        this.judge = judge;
        this.clock = clock;
    }

    /**
     * @param channels where; empty for the whole head
     * @param mended whether it was found by a look and put right
     * @param percent chance by the ranking; absent where somebody wrote the cause down or it was found
     * @param reasons what was found, or else the strongest observations that speak for it
     */
    public record Wrong(
            Cause cause,
            List<String> channels,
            boolean mended,
            @Nullable Integer percent,
            List<Observation> reasons) {}

    /** Empty where no cause is asked, and where nothing was found wrong. */
    public List<Wrong> with(LoggedVisit logged) {
        if (logged.purpose().isProcedure()) {
            return List.of();
        }
        Ranking ranking = judge.of(logged, clock.instant()).judgement().ranking();
        List<Wrong> written = logged.diagnoses().stream()
                .filter(d -> !d.dropped)
                .map(d -> new Wrong(
                        d.cause,
                        d.channels.isEmpty() ? List.of() : List.of(d.channels.split(",")),
                        false,
                        null,
                        reasons(ranking.of(d.cause))))
                .toList();
        if (!written.isEmpty()) {
            return written;
        }
        if (isSound(logged)) {
            return List.of();
        }
        Map<Cause, List<Observation>> mended = FoundAndMended.of(logged.log(clock.instant()));
        return Stream.concat(
                        mended.entrySet().stream().map(e -> mended(e.getKey(), e.getValue())),
                        likely(ranking, mended.keySet()).stream())
                .toList();
    }

    private static Wrong mended(Cause cause, List<Observation> found) {
        List<String> channels = found.stream()
                .map(Observation::channel)
                .filter(Objects::nonNull)
                .distinct()
                .sorted()
                .toList();
        // Where is said beside the cause; what is said once for all.
        List<Observation> what = found.stream()
                .map(o -> new Observation(o.sign(), null, o.facts(), null))
                .distinct()
                .toList();
        return new Wrong(cause, channels, true, null, what);
    }

    /** The likeliest besides what was found anyway. */
    private static Optional<Wrong> likely(Ranking ranking, Set<Cause> found) {
        return ranking.causes().stream()
                .filter(likely -> !found.contains(likely.cause()))
                .findFirst()
                .filter(likely ->
                        likely.probability() >= LIKELY && !reasons(likely).isEmpty())
                .map(likely -> new Wrong(
                        likely.cause(),
                        channels(ranking, likely.cause()),
                        false,
                        (int) Math.round(100 * likely.probability()),
                        reasons(likely)));
    }

    /** A head that came in without a complaint, whose first check was accepted, and on which no look found anything. */
    private static boolean isSound(LoggedVisit logged) {
        boolean accepted = logged.firstMapped()
                .map(logged::verdict)
                .filter(verdict -> verdict == Acceptance.Verdict.MET)
                .isPresent();
        return !logged.purpose().asksSymptom()
                && accepted
                && logged.findingsThatStand().stream()
                        .allMatch(f -> Look.making(f.sign)
                                .filter(look -> look.fine() == f.sign)
                                .isPresent());
    }

    private static List<String> channels(Ranking ranking, Cause cause) {
        List<String> where = ranking.channels().keySet().stream()
                .filter(code -> ranking.in(code).get(0).cause() == cause)
                .sorted()
                .toList();
        return where.size() == ranking.channels().size() && where.size() > 3 ? List.of() : where;
    }

    private static List<Observation> reasons(Ranking.Likely likely) {
        return likely.reasons().stream()
                .filter(Reason::speaksFor)
                .sorted(Comparator.comparing((Reason r) -> r.weight()).reversed())
                .map(Reason::observation)
                .distinct()
                .limit(MOST_REASONS)
                .toList();
    }
}
