package undoknot.treatment;

import static undoknot.treatment.Advice.Rule.*;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.diagnosis.Cause;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.treatment.Advice.Act;
import undoknot.treatment.SoFar.Round;
import undoknot.treatment.Step.Worked;

/** What a treatment brought back decides the next one (handbook 13, rules 8 to 11). */
final class Recovery {

    private static final double GOOD_RECOVERY = 0.20;
    private static final double SOME_RECOVERY = 0.05;

    private final Standing standing;
    private final DriveGroups groups;

    Recovery(Standing standing, DriveGroups groups) {
        this.standing = standing;
        this.groups = groups;
    }

    Optional<Advice> next() {
        Optional<Judged> found = judged();
        if (found.isEmpty()) {
            return Optional.empty();
        }
        Judged judged = found.get();
        List<String> left =
                standing.affected.stream().filter(judged.channels()::contains).toList();
        if (left.isEmpty() || groups.missingLook().isPresent()) {
            return Optional.empty();
        }
        Method method = judged.method();
        Counts counts = judged.counts();
        double recovery = counts.recovery().orElse(0);
        Map<String, String> facts = Map.of(
                "restored", "" + counts.restored(),
                "before", "" + counts.outBefore(),
                "stillOut", "" + counts.stillOut(),
                "newlyOut", "" + counts.newlyOut());
        boolean again = standing.mayGoAgain(method, left);
        if (recovery >= GOOD_RECOVERY && again) {
            return Optional.of(standing.advise(RECOVERING, Act.WORK, method, left, facts));
        }
        Cause cause = standing.causeIn(left.get(0));
        if (recovery > SOME_RECOVERY && again) {
            boolean warmer =
                    method == Method.FLUSH && standing.ladder(cause, left).contains(Method.WARM);
            return Optional.of(
                    standing.advise(RECOVERING_SLOWLY, Act.WORK, warmer ? Method.WARM : method, left, facts));
        }
        return Optional.of(next(cause, method, left, facts));
    }

    /** The next rung of a method that did not help, then the next method of the ladder, then what is left. */
    private Advice next(Cause cause, Method method, List<String> left, Map<String, String> facts) {
        List<Method> ladder = standing.ladder(cause, left);
        // Whether a drive group is dead shows in two rounds that leave it as it was; other cycles only while they
        // improve. A port that will not take fluid is not asked twice running in the same way.
        boolean rung = method == Method.CYCLE
                ? cause == Cause.ELECTRICAL && groups.channels.isEmpty()
                : left.stream().noneMatch(standing::portIsStuck);
        if (rung && ladder.contains(method) && standing.mayGoAgain(method, left)) {
            return standing.advise(NO_RECOVERY, Act.WORK, method, left, facts);
        }
        return ladder.stream()
                .filter(m -> m != method && standing.mayGoAgain(m, left))
                .filter(m -> m != Method.CYCLE || standing.visit.times(m, left) == 0)
                .findFirst()
                .map(m -> standing.advise(NO_RECOVERY, Act.WORK, m, left, facts))
                .orElseGet(() -> nothingLeft(cause, left, facts));
    }

    private Advice nothingLeft(Cause cause, List<String> channels, Map<String, String> facts) {
        if (cause == Cause.NOT_THE_HEAD) {
            return standing.advise(NOTHING_LEFT, Act.ELSEWHERE, null, List.of(), facts);
        }
        if (cause == Cause.ELECTRICAL && channels.stream().anyMatch(groups.channels::contains)) {
            return standing.advise(NOTHING_LEFT, Act.STOP_ELECTRICAL, null, channels, facts);
        }
        Method last = Ladder.lastResort(standing.visit.family(), standing.house);
        boolean canDraw = last != null
                && standing.visit.times(last, channels) < last.rungs()
                && (cause == Cause.DRIED_INK || cause == Cause.UNSUITABLE_INK || cause == Cause.SERVICE_STATION);
        return canDraw
                ? standing.advise(NOTHING_LEFT, Act.WORK, last, channels, facts)
                : standing.advise(NOTHING_LEFT, Act.NOT_RECOVERABLE, null, channels, facts);
    }

    /** Nothing was done for it yet: the gentlest remedy of what is likeliest in the channel that is worst. */
    Advice firstRemedy() {
        List<String> affected = standing.affected;
        Cause cause = affected.isEmpty() ? standing.ranking.leading().cause() : standing.causeIn(affected.get(0));
        List<String> channels =
                affected.stream().filter(c -> standing.causeIn(c) == cause).toList();
        List<String> where = channels.isEmpty() ? standing.allChannels() : channels;
        double chance = channels.isEmpty()
                ? standing.ranking.leading().probability()
                : standing.ranking.in(channels.get(0)).get(0).probability();
        Map<String, String> facts = Map.of("cause", cause.name(), "percent", "" + Math.round(100 * chance));
        if (cause == Cause.NOT_THE_HEAD) {
            return standing.advise(FIRST_REMEDY, Act.ELSEWHERE, null, List.of(), facts);
        }
        return standing.ladder(cause, where).stream()
                .filter(m -> standing.mayGoAgain(m, where))
                .findFirst()
                .map(m -> standing.advise(FIRST_REMEDY, Act.WORK, m, where, facts))
                .orElseGet(() -> nothingLeft(cause, where, facts));
    }

    /** The treatment that the last map judges, its channels, and what came of them since the map before it. */
    private record Judged(Method method, Set<String> channels, Counts counts) {}

    private Optional<Judged> judged() {
        if (standing.rounds.isEmpty() || standing.lastRound().work().isEmpty()) {
            return Optional.empty();
        }
        Round first = standing.judgedRound();
        Worked judged = first.work().stream()
                .filter(w -> !w.method().settles())
                .reduce((a, b) -> b)
                .orElse(first.work().get(first.work().size() - 1));
        Set<String> channels = judged.treatment().channels();
        return Optional.of(new Judged(
                judged.method(),
                channels,
                Comparison.of(first.before().map(), standing.lastRound().after().map())
                        .of(channels)));
    }
}
