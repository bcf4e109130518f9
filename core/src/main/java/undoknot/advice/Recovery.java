package undoknot.advice;

import static undoknot.advice.Advice.Rule.*;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.observation.Fact;
import undoknot.treatment.Method;
import undoknot.visit.Round;
import undoknot.visit.Step.Worked;

/** What a treatment brought back decides the next one (handbook 13, rules 8 to 11). */
final class Recovery {

    private static final double GOOD_RECOVERY = 0.20;
    private static final double SOME_RECOVERY = 0.05;

    private final AdviceContext context;
    private final DriveGroups groups;

    Recovery(AdviceContext context, DriveGroups groups) {
        this.context = context;
        this.groups = groups;
    }

    Optional<Advice> next() {
        Optional<Judged> found = judged();
        if (found.isEmpty()) {
            return Optional.empty();
        }
        Judged judged = found.get();
        List<String> left =
                context.affected.stream().filter(judged.channels()::contains).toList();
        if (left.isEmpty() || groups.missingLook().isPresent()) {
            return Optional.empty();
        }
        Method method = judged.method();
        Counts counts = judged.counts();
        double recovery = counts.recovery().orElse(0);
        Map<Fact, Integer> facts = Map.of(
                Fact.RESTORED, counts.restored(),
                Fact.BEFORE, counts.outBefore(),
                Fact.STILL_OUT, counts.stillOut(),
                Fact.NEWLY_OUT, counts.newlyOut());
        boolean again = context.mayGoAgain(method, left);
        if (recovery >= GOOD_RECOVERY && context.mayGoOn(method, left)) {
            return Optional.of(context.advise(RECOVERING, Act.WORK, method, left, facts));
        }
        Cause cause = context.causeIn(left.get(0));
        if (recovery > SOME_RECOVERY && again) {
            boolean warmer =
                    method == Method.FLUSH && context.ladder(cause, left).contains(Method.WARM);
            return Optional.of(context.advise(RECOVERING_SLOWLY, Act.WORK, warmer ? Method.WARM : method, left, facts));
        }
        return Optional.of(next(cause, method, left, facts));
    }

    /** The next rung of a method that did not help, then the next method of the ladder, then what is left. */
    private Advice next(Cause cause, Method method, List<String> left, Map<Fact, Integer> facts) {
        List<Method> ladder = context.ladder(cause, left);
        // Whether a drive group is dead shows in two rounds that leave it as it was; other cycles only while they
        // improve. A port that will not take fluid is not asked twice running in the same way.
        boolean rung = method == Method.CYCLE
                ? cause == Cause.ELECTRICAL && groups.channels.isEmpty()
                : left.stream().noneMatch(context::portIsStuck);
        if (rung && ladder.contains(method) && context.mayGoAgain(method, left)) {
            return context.advise(NO_RECOVERY, Act.WORK, method, left, facts);
        }
        return ladder.stream()
                .filter(m -> m != method && context.mayGoAgain(m, left))
                .filter(m -> m != Method.CYCLE || context.visit.times(m, left) == 0)
                .findFirst()
                .map(m -> context.advise(NO_RECOVERY, Act.WORK, m, left, facts))
                .orElseGet(() -> nothingLeft(cause, left, facts));
    }

    /** A cause below this is no ground for work. */
    static final double LIKELY_ENOUGH = 0.05;

    /**
     * The remedy of the next likely cause, in every channel that may still have it, the worst first (handbook 13, rule 11):
     * a head is given up only when no cause of five per cent or more has a remedy left in any affected channel.
     */
    private Optional<Advice> nextCause(Map<Fact, Integer> facts) {
        for (String worst : context.affected) {
            for (Ranking.Likely likely : context.ranking.in(worst)) {
                if (likely.probability() < LIKELY_ENOUGH || likely.cause() == Cause.NOT_THE_HEAD) {
                    continue;
                }
                for (Method method : context.ladder(likely.cause(), List.of(worst))) {
                    List<String> where = context.affected.stream()
                            .filter(code -> isLikely(likely.cause(), code) && isLeft(method, code))
                            .toList();
                    if (where.contains(worst)) {
                        Map<Fact, Integer> why = new EnumMap<>(Fact.class);
                        why.putAll(facts);
                        why.put(Fact.PERCENT, (int) Math.round(100 * likely.probability()));
                        return Optional.of(context.advise(NEXT_CAUSE, Act.WORK, method, where, why)
                                .against(likely.cause()));
                    }
                }
            }
        }
        return Optional.empty();
    }

    private boolean isLikely(Cause cause, String channel) {
        return context.ranking.in(channel).stream()
                .anyMatch(l -> l.cause() == cause && l.probability() >= LIKELY_ENOUGH);
    }

    /** Whether a method has a go left in this channel: one used on another is free here; cycles only while they improve. */
    private boolean isLeft(Method method, String channel) {
        boolean usedUp = method == Method.CYCLE && context.visit.times(method, List.of(channel)) > 0;
        return !usedUp && context.mayGoAgain(method, List.of(channel));
    }

    private Advice nothingLeft(Cause cause, List<String> channels, Map<Fact, Integer> facts) {
        Optional<Advice> other = cause == Cause.ELECTRICAL && channels.stream().anyMatch(groups.channels::contains)
                ? Optional.empty()
                : nextCause(facts);
        if (other.isPresent()) {
            return other.get();
        }
        if (cause == Cause.NOT_THE_HEAD) {
            return context.advise(NOTHING_LEFT, Act.ELSEWHERE, null, List.of(), facts);
        }
        if (cause == Cause.ELECTRICAL && channels.stream().anyMatch(groups.channels::contains)) {
            return context.advise(NOTHING_LEFT, Act.STOP_ELECTRICAL, null, channels, facts);
        }
        Method last = Ladder.lastResort(context.visit.family(), context.house);
        boolean canDraw = last != null && context.visit.times(last, channels) < last.rungs();
        return canDraw
                ? context.advise(NOTHING_LEFT, Act.WORK, last, channels, facts)
                : context.advise(NOTHING_LEFT, Act.NOT_RECOVERABLE, null, channels, facts);
    }

    /** Nothing was done for it yet: the gentlest remedy of what is likeliest in the channel that is worst. */
    Advice firstRemedy() {
        List<String> affected = context.affected;
        Cause cause = affected.isEmpty() ? context.ranking.leading().cause() : context.causeIn(affected.get(0));
        List<String> channels =
                affected.stream().filter(c -> context.causeIn(c) == cause).toList();
        List<String> where = channels.isEmpty() ? context.allChannels() : channels;
        double chance = channels.isEmpty()
                ? context.ranking.leading().probability()
                : context.ranking.in(channels.get(0)).get(0).probability();
        Map<Fact, Integer> facts = Map.of(Fact.PERCENT, (int) Math.round(100 * chance));
        if (cause == Cause.NOT_THE_HEAD) {
            return context.advise(FIRST_REMEDY, Act.ELSEWHERE, null, List.of(), facts)
                    .against(cause);
        }
        return context.ladder(cause, where).stream()
                .filter(m -> context.mayGoAgain(m, where))
                .findFirst()
                .map(m ->
                        context.advise(FIRST_REMEDY, Act.WORK, m, where, facts).against(cause))
                .orElseGet(() -> nothingLeft(cause, where, facts));
    }

    /** The treatment that the last map judges, its channels, and what came of them since the map before it. */
    private record Judged(Method method, Set<String> channels, Counts counts) {}

    private Optional<Judged> judged() {
        if (context.rounds.isEmpty() || context.lastRound().work().isEmpty()) {
            return Optional.empty();
        }
        Round first = context.judgedRound();
        Worked judged = first.work().stream()
                .filter(w -> !w.method().settles())
                .reduce((a, b) -> b)
                .orElse(first.work().get(first.work().size() - 1));
        Set<String> channels = judged.treatment().channels();
        return Optional.of(new Judged(
                judged.method(),
                channels,
                Comparison.of(first.before().map(), context.lastRound().after().map())
                        .of(channels)));
    }
}
