package undoknot.advice;

import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.head.Channel;
import undoknot.nozzle.Counts;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Fact;
import undoknot.observation.Look;
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
import undoknot.visit.Step.Checked;
import undoknot.visit.VisitLog;

/** Where a visit stands: what the rules of handbook 13 share. */
final class AdviceContext {

    /** So few gaps in a head may be strays (handbook 5). */
    static final int FEW_GAPS = 3;

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

    /** Channels that fail by their bent dashes alone. */
    final Set<String> bentAlone;

    /** Readings like the last one, pair by pair. */
    final List<Round> rounds;

    /** The same from verdict to verdict. */
    final List<Round> verdicts;

    AdviceContext(VisitLog visit, Ranking ranking, Terms terms) {
        this.visit = visit;
        this.ranking = ranking;
        this.terms = terms;
        this.house = terms.house();
        this.found = CurrentFindings.of(visit);
        this.affected = visit.affected();
        this.bentAlone = visit.bentAlone();
        this.rounds = visit.roundsLikeLast();
        this.verdicts = VisitLog.verdicts(rounds);
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
        if (method != null && method.fillsWaste() && !looked(Look.WASTE_STORE, null)) {
            return Advice.toLook(Look.WASTE_STORE, List.of(), Map.of(), null, null);
        }
        WorkStyle style = method == null ? null : HouseWorkStyle.of(method, channels, this);
        return Advice.to(rule, act, method, channels, facts, asked, findings, style);
    }

    Round lastRound() {
        return rounds.get(rounds.size() - 1);
    }

    /** The last round, from verdict to verdict, that reached a channel: what came of it there decides what is next there. */
    Optional<Round> judged(String channel) {
        return verdicts.stream().filter(r -> r.touches(channel)).reduce((a, b) -> b);
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

    /**
     * Whether a rung of a ladder is left in a channel: what was used on another channel is free here.
     *
     * @param rung how often the method stands in the ladder up to there
     */
    boolean isLeft(Method method, int rung, String channel) {
        if (method == Method.CYCLE) {
            return isPossible(method) && mayCycle(channel) && visit.times(method, List.of(channel)) == 0;
        }
        return visit.times(method, List.of(channel)) < rung
                && isPossible(method)
                && !isReplaced(method, List.of(channel));
    }

    /** Whether one more go may follow one that brought much back: within the method's own cap (handbook 13, rule 8). */
    boolean mayGoOn(Method method, String channel) {
        return isPossible(method)
                && !isReplaced(method, List.of(channel))
                && (method == Method.CYCLE ? mayCycle(channel) : visit.times(method, List.of(channel)) < method.cap());
    }

    /** Cycles clean up to three times before hands do, those told at take-in among them; later ones only let hands' work settle. */
    private boolean mayCycle(String channel) {
        return house.says(School.CyclesFirst.UP_TO_THREE)
                && !visit.isWorkedByHand(channel)
                && visit.cleaningCycles(channel) < Method.CYCLE.rungs();
    }

    /** Whether the family allows it and nothing found forbids it. */
    boolean isPossible(Method method) {
        // A head whose stream was read is on the bench: nothing there is run by the machine.
        boolean streamRead = visit.lastCheck().filter(Checked::isOffMachine).isPresent();
        return !method.barredBy(bars)
                && !(streamRead && method.needsPower())
                && method.allowedBy(visit.family())
                && Ladder.hasPartsFor(method, visit.family().construction());
    }

    /** What is likeliest in a channel. */
    Cause causeIn(String channel) {
        return ranking.in(channel).get(0).cause();
    }

    static List<String> channelsWhere(Round round, Predicate<Counts> fits) {
        return round.counts().entrySet().stream()
                .filter(e -> fits.test(e.getValue()))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** Whether a look was taken in a channel, or for the whole head. */
    boolean looked(Look look, String channel) {
        return found.stream()
                .anyMatch(o -> look.findings().contains(o.sign())
                        && (o.channel() == null || o.channel().equals(channel)));
    }

    boolean isMended(Look look, String channel) {
        return CurrentFindings.isMended(visit, look, channel);
    }

    boolean isPowerAllowed() {
        return visit.head().mayHavePower() && !bars.contains(BarredWork.POWER);
    }

    /** Whether something was told of a channel, or of the whole head. */
    boolean toldOf(Sign sign, String channel) {
        return visit.told().stream()
                .anyMatch(o ->
                        o.sign() == sign && (o.channel() == null || o.channel().equals(channel)));
    }

    boolean told(Sign sign) {
        return visit.told().stream().anyMatch(o -> o.sign() == sign);
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
        return visit.completedMap().map(m -> m.count(NozzleState.MISSING)).orElse(0);
    }
}
