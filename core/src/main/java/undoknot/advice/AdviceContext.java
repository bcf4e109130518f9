package undoknot.advice;

import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.head.Channel;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Fact;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.sitting.Part;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.visit.BarredByFinding;
import undoknot.visit.CurrentFindings;
import undoknot.visit.Round;
import undoknot.visit.UnchangedRounds;
import undoknot.visit.VisitLog;

/** Where a visit stands: what the rules of handbook 13 share. */
final class AdviceContext {

    final VisitLog visit;
    final Ranking ranking;
    final Terms terms;
    final HouseRules house;

    /** Findings that still hold. */
    final Collection<Observation> found;

    /** What those findings, or a hold, make unsafe. */
    final Set<BarredWork> bars = EnumSet.noneOf(BarredWork.class);

    /** Channels with nozzles out, worst first. */
    final List<String> affected;

    final List<Round> rounds;

    AdviceContext(VisitLog visit, Ranking ranking, Terms terms) {
        this.visit = visit;
        this.ranking = ranking;
        this.terms = terms;
        this.house = terms.house();
        this.found = CurrentFindings.of(visit);
        this.affected = visit.affected();
        this.rounds = visit.rounds();
        bars.addAll(BarredByFinding.of(found));
        if (visit.head().inHold()) {
            bars.add(BarredWork.POWER);
        }
    }

    Advice advise(Rule rule, Act act, Method method, List<String> channels, Map<Fact, Integer> facts) {
        return advise(rule, act, method, channels, facts, HouseWorkStyle.questions(method, channels, this), List.of());
    }

    Advice advise(
            Rule rule,
            Act act,
            Method method,
            List<String> channels,
            Map<Fact, Integer> facts,
            List<HouseQuestion> asked,
            List<Sign> findings) {
        WorkStyle style = method == null ? null : HouseWorkStyle.of(method, channels, this);
        return Advice.to(rule, act, method, channels, facts, asked, findings, style);
    }

    Round lastRound() {
        return rounds.get(rounds.size() - 1);
    }

    /** The round of the treatment that the last map judges: a cycle or a rest that only let it settle belongs to it. */
    Round judgedRound() {
        Round last = lastRound();
        if (last.work().stream().allMatch(w -> w.method().settles()) && rounds.size() > 1) {
            Round before = rounds.get(rounds.size() - 2);
            if (!before.work().isEmpty()
                    && !before.work().get(before.work().size() - 1).method().settles()) {
                return before;
            }
        }
        return last;
    }

    List<Method> ladder(Cause cause, List<String> channels) {
        return Ladder.of(
                cause,
                new Ladder.Head(
                        visit.family(),
                        house,
                        terms.food(),
                        isStiff(),
                        channels.stream().anyMatch(this::portIsStuck)));
    }

    /** Fluid went in stiffly, or the head stood for more than a month. */
    private boolean isStiff() {
        return ranking.causes().stream()
                .flatMap(l -> l.reasons().stream())
                .anyMatch(r -> r.observation().sign() == Sign.FLOW_STIFF
                        || r.observation().sign() == Sign.IDLE_OVER_MONTH);
    }

    /** Whether the port of a channel would not take fluid at the last stroke. */
    boolean portIsStuck(String channel) {
        return flushesOf(channel).stream()
                .reduce((a, b) -> b)
                .filter(Stroke::wouldNotGo)
                .isPresent();
    }

    /** Whether the port of a channel would not take fluid in two flushes running. */
    boolean portStaysStuck(String channel) {
        List<Stroke> last = flushesOf(channel);
        return last.size() >= 2
                && last.subList(last.size() - 2, last.size()).stream().allMatch(Stroke::wouldNotGo);
    }

    /** The last stroke of every flush in a channel at which the resistance was felt. */
    private List<Stroke> flushesOf(String channel) {
        return visit.flushes()
                .flatMap(flush -> flush.strokes().stream()
                        .filter(s -> s.channel().equals(channel) && s.resistance() != null)
                        .reduce((a, b) -> b)
                        .stream())
                .toList();
    }

    /** Whether what a method mends was replaced in all of these channels: a new part is not mended again. */
    boolean isReplaced(Method method, List<String> channels) {
        return !channels.isEmpty()
                && Part.ofChannel(method)
                        .filter(part -> channels.stream()
                                .allMatch(code -> visit.count(part, code).replaced() > 0))
                        .isPresent();
    }

    boolean mayGoAgain(Method method, List<String> channels) {
        if (isReplaced(method, channels)) {
            return false;
        }
        int rungs = method.rungs();
        if (method == Method.CYCLE && !house.says(School.CyclesFirst.UP_TO_THREE)) {
            rungs = ranking.leading().cause() == Cause.ELECTRICAL ? UnchangedRounds.ENOUGH : 0;
        }
        return visit.times(method, channels) < rungs && isPossible(method);
    }

    /** Whether what brings much back may go on: within its own cap, which is more than the rungs of what does not help. */
    boolean mayGoOn(Method method, List<String> channels) {
        boolean wanted = method != Method.CYCLE || mayGoAgain(method, channels);
        return wanted
                && isPossible(method)
                && !isReplaced(method, channels)
                && channels.stream().anyMatch(code -> visit.times(method, List.of(code)) < method.cap());
    }

    /** Whether the family allows it and nothing found forbids it. */
    boolean isPossible(Method method) {
        return !method.barredBy(bars) && method.allowedBy(visit.family());
    }

    /** What is likeliest in a channel. */
    Cause causeIn(String channel) {
        return ranking.in(channel).get(0).cause();
    }

    static List<String> channelsWhere(Round round, Predicate<Counts> fits) {
        return Comparison.of(round.before().map(), round.after().map()).channels().entrySet().stream()
                .filter(e -> fits.test(e.getValue()))
                .map(Map.Entry::getKey)
                .toList();
    }

    List<String> treated() {
        Set<String> treated = new LinkedHashSet<>();
        visit.work().forEach(w -> treated.addAll(w.treatment().channels()));
        return treated.isEmpty() ? allChannels() : treated.stream().sorted().toList();
    }

    List<String> allChannels() {
        return visit.family().channels().stream().map(Channel::code).toList();
    }

    int outNow() {
        return visit.lastMap().map(m -> m.count(NozzleState.MISSING)).orElse(0);
    }
}
