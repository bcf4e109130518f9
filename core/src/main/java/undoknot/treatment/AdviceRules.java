package undoknot.treatment;

import static undoknot.treatment.Advice.Rule.*;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Observation;
import undoknot.diagnosis.Ranking;
import undoknot.diagnosis.Sign;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleMap;
import undoknot.outcome.Worth;
import undoknot.ruleout.Look;
import undoknot.ruleout.Look.Bar;
import undoknot.ruleout.NextLook;
import undoknot.treatment.Advice.Act;
import undoknot.treatment.Advice.Rule;
import undoknot.treatment.SoFar.Round;
import undoknot.treatment.Step.Worked;

/**
 * What to do after each check (handbook 13): the rules are asked top down, the first that fits is the advice, the others that
 * fit go with it. Before the rules that judge a treatment stand two that keep them from being asked too early: what was found
 * upstream is mended first, and a look that settles more than a treatment would is taken first.
 */
public final class AdviceRules {

    private static final double GOOD_RECOVERY = 0.20;
    private static final double SOME_RECOVERY = 0.05;
    private static final int LEAST_NEW = 2;

    /** A cause this likely needs no further look. */
    private static final double SURE = 0.85;

    /** A second cause this likely keeps the first from being sure. */
    private static final double RIVAL = 0.35;

    /** A cause that leaves the map good is seen to before the head counts as finished, if it leads and is this likely. */
    private static final double LIKELY_ELSEWHERE = 0.25;

    /** What a finding calls for. */
    private static final Map<Sign, Method> MENDS = Map.ofEntries(
            Map.entry(Sign.SPONGE_DRY, Method.CARTRIDGE),
            Map.entry(Sign.VENT_CLOSED, Method.CARTRIDGE),
            Map.entry(Sign.SEAT_LEAKS, Method.CARTRIDGE),
            Map.entry(Sign.DAMPER_EMPTY, Method.PURGE),
            Map.entry(Sign.PULL_DRAGS, Method.DAMPER),
            Map.entry(Sign.PULL_BLOCKED, Method.DAMPER),
            Map.entry(Sign.LINE_SEDIMENT, Method.LINE),
            Map.entry(Sign.STATION_CRUSTED, Method.STATION),
            Map.entry(Sign.UNDERSIDE_FLAKES, Method.UNDERSIDE),
            Map.entry(Sign.STRIP_SMEARED, Method.STRIP),
            Map.entry(Sign.FACE_DIRTY, Method.VAPOUR),
            Map.entry(Sign.CONTACTS_DIRTY, Method.RESEAT),
            Map.entry(Sign.CABLE_LOOSE, Method.RESEAT),
            Map.entry(Sign.NOT_RECOGNISED, Method.RESEAT),
            Map.entry(Sign.ERROR_EXPECTED_BACK, Method.RESEAT));

    private static final List<Look> UPSTREAM =
            List.of(Look.AIR, Look.DAMPER, Look.LINE, Look.INK_LEVEL, Look.SEAT, Look.DROP_TEST);

    private final SoFar visit;
    private final Ranking ranking;
    private final List<NextLook.Proposal> looks;
    private final HouseRules house;
    private final Worth worth;
    private final boolean food;
    private final Set<Bar> bars = EnumSet.noneOf(Bar.class);
    private final Collection<Observation> found;
    private final List<String> affected;
    private final List<Round> rounds;

    private AdviceRules(
            SoFar visit, Ranking ranking, List<NextLook.Proposal> looks, HouseRules house, Worth worth, boolean food) {
        this.visit = visit;
        this.ranking = ranking;
        this.looks = looks;
        this.house = house;
        this.worth = worth;
        this.food = food;
        this.found = Evidence.found(visit);
        this.affected = Evidence.affected(visit);
        this.rounds = visit.rounds();
        found.forEach(o -> bars.addAll(Look.bars(o.sign())));
        if (!visit.powerAllowed()) {
            bars.add(Bar.POWER);
        }
    }

    /**
     * @param looks looks that are possible, most telling first
     * @param worth money, or null when what the head is worth is not known
     * @param food whether the head serves food
     */
    public static Advice.Answer of(
            SoFar visit, Ranking ranking, List<NextLook.Proposal> looks, HouseRules house, Worth worth, boolean food) {
        AdviceRules rules = new AdviceRules(visit, ranking, looks, house, worth, food);
        List<Advice> fitting = rules.fitting();
        return new Advice.Answer(
                fitting.get(0), fitting.subList(1, fitting.size()), rules.nextWork(fitting), List.copyOf(rules.bars));
    }

    /** The work that fits, or else what would be first once looks and checks are done. */
    private Advice nextWork(List<Advice> fitting) {
        if (fitting.get(0).rule() == ACCEPTED || visit.checks().isEmpty()) {
            return fitting.get(0).method() == null ? null : fitting.get(0);
        }
        return Stream.concat(fitting.stream(), Stream.of(firstRemedy()))
                .filter(a -> a.act() == Act.WORK)
                .findFirst()
                .orElse(null);
    }

    private List<Advice> fitting() {
        if (visit.checks().isEmpty()) {
            return List.of(advise(FIRST_CHECK, Act.CHECK, null, List.of(), Map.of()));
        }
        if (!visit.workSinceCheck().isEmpty()) {
            return List.of(advise(
                    CHECK_AGAIN,
                    Act.CHECK,
                    null,
                    List.of(),
                    Map.of("attempts", "" + visit.workSinceCheck().size())));
        }
        List<Advice> fit = new ArrayList<>();
        for (Optional<Advice> advice : List.of(
                accepted(),
                settleFirst(),
                newlyOut(),
                outAfterFlush(),
                found(),
                lookFirst(),
                wandering(),
                electrical(),
                notWorthIt(),
                byRecovery())) {
            advice.ifPresent(fit::add);
        }
        if (fit.isEmpty()) {
            fit.add(firstRemedy());
        }
        // Once a head is accepted, what is left to be seen about it is no advice.
        return fit.get(0).rule() == ACCEPTED ? fit.subList(0, 1) : fit;
    }

    private Advice advise(Rule rule, Act act, Method method, List<String> channels, Map<String, String> facts) {
        return new Advice(rule, act, method, null, channels, facts, house(method), List.of());
    }

    private static HouseQuestion house(Method method) {
        return method == null
                ? null
                : switch (method) {
                    case CYCLE -> HouseQuestion.CYCLES_FIRST;
                    case CYCLE_STRONG -> HouseQuestion.CYCLE_STRENGTH;
                    case FLUSH -> HouseQuestion.DOSE;
                    case WARM -> HouseQuestion.WARM_FLUID;
                    case PORT_SOAK -> HouseQuestion.STUCK_PORT;
                    case TRAY_SOAK -> HouseQuestion.SUBMERGE;
                    case DRAW_BACK -> HouseQuestion.PUSH_OR_DRAW;
                    case WIPE -> HouseQuestion.WIPING;
                    case CARTRIDGE, DAMPER -> HouseQuestion.NEW_PARTS;
                    default -> null;
                };
    }

    private Acceptance.Verdict verdict() {
        return visit.lastCheck()
                .filter(c -> c.map() != null)
                .map(c -> Acceptance.of(c.map(), visit.jobClass()).verdict())
                .orElse(null);
    }

    // 1
    private Optional<Advice> accepted() {
        if (verdict() != Acceptance.Verdict.MET || !nothingElseIsWrong()) {
            return Optional.empty();
        }
        boolean afterPage = rounds.stream()
                .reduce((a, b) -> b)
                .filter(r -> r.work().stream().anyMatch(w -> w.method() == Method.PAGE))
                .isPresent();
        Map<String, String> facts = Map.of("out", "" + outNow());
        return Optional.of(
                afterPage
                        ? advise(ACCEPTED, Act.FINISH, null, List.of(), facts)
                        : advise(ACCEPTED, Act.WORK, Method.PAGE, treated(), facts));
    }

    /** A map can be good and the print still bad: dirt on the carriage, the encoder. */
    private boolean nothingElseIsWrong() {
        Cause leading = ranking.leading().cause();
        boolean elsewhere = leading == Cause.CARRIAGE_DIRT
                || leading == Cause.ALIGNMENT_ENCODER
                || leading == Cause.NOT_THE_HEAD
                || leading == Cause.PLATE_DAMAGE
                || leading == Cause.CONTACTS;
        return !(elsewhere && ranking.leading().probability() >= LIKELY_ELSEWHERE)
                || visit.work().stream().anyMatch(w -> ladder(leading).contains(w.method()));
    }

    // 2
    private Optional<Advice> settleFirst() {
        if (rounds.isEmpty() || verdict() == Acceptance.Verdict.MET) {
            return Optional.empty();
        }
        Round last = rounds.get(rounds.size() - 1);
        if (last.work().isEmpty()
                || last.work().get(last.work().size() - 1).method().settles()) {
            return Optional.empty();
        }
        boolean cycle = !Method.CYCLE.barredBy(bars) && !house.says(HouseQuestion.CYCLES_FIRST, "NONE");
        return Optional.of(advise(
                SETTLE_FIRST,
                Act.WORK,
                cycle ? Method.CYCLE : Method.REST,
                last.channels().stream().sorted().toList(),
                Map.of("out", "" + outNow())));
    }

    // 3
    private Optional<Advice> newlyOut() {
        if (rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = rounds.get(rounds.size() - 1);
        boolean cycledOrWiped = last.work().stream()
                .map(Worked::method)
                .anyMatch(m -> m == Method.CYCLE || m == Method.CYCLE_STRONG || m == Method.WIPE);
        List<String> channels = channelsWhere(last, c -> c.newlyOut() >= LEAST_NEW && c.restored() < c.newlyOut());
        if (!cycledOrWiped || channels.size() < 2) {
            return Optional.empty();
        }
        int newly =
                Comparison.of(last.before().map(), last.after().map()).total().newlyOut();
        return Optional.of(advise(
                NEWLY_OUT,
                Act.WORK,
                Method.STATION,
                allChannels(),
                Map.of("newlyOut", "" + newly, "channels", "" + channels.size())));
    }

    // 4
    private Optional<Advice> outAfterFlush() {
        if (rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = rounds.get(rounds.size() - 1);
        List<String> out = judgedRound().flowed().stream()
                .filter(code ->
                        ChannelFeatures.of(last.after().map().channel(code), 1).whollyOut())
                .sorted()
                .toList();
        if (out.isEmpty()) {
            return Optional.empty();
        }
        Method method = Method.PURGE.allowedBy(visit.family().limits()) ? Method.PURGE : Method.DRAW_IN;
        return Optional.of(advise(OUT_AFTER_FLUSH, Act.WORK, method, out, Map.of("channels", "" + out.size())));
    }

    private Optional<Advice> found() {
        Optional<Observation> carriage =
                found.stream().filter(o -> o.sign() == Sign.CARRIAGE_STANDS).findFirst();
        if (carriage.isPresent()) {
            return Optional.of(new Advice(
                    FOUND, Act.ELSEWHERE, null, null, List.of(), Map.of(), null, List.of(Sign.CARRIAGE_STANDS)));
        }
        for (Map.Entry<Sign, Method> entry : inOrder(MENDS)) {
            List<Observation> own =
                    found.stream().filter(o -> o.sign() == entry.getKey()).toList();
            if (own.isEmpty()) {
                continue;
            }
            Method method = possible(entry.getValue());
            List<String> channels = own.stream()
                    .map(Observation::channel)
                    .filter(java.util.Objects::nonNull)
                    .distinct()
                    .toList();
            if (visit.times(method, channels.isEmpty() ? allChannels() : channels) >= method.rungs()) {
                continue;
            }
            return Optional.of(new Advice(
                    FOUND,
                    Act.WORK,
                    method,
                    null,
                    channels.isEmpty() ? allChannels() : channels,
                    Map.of("channels", "" + channels.size()),
                    house(method),
                    List.of(entry.getKey())));
        }
        if (found.stream().anyMatch(o -> o.sign() == Sign.FACE_DAMAGED)
                && ranking.leading().cause() == Cause.PLATE_DAMAGE) {
            return Optional.of(new Advice(
                    FOUND, Act.NOT_RECOVERABLE, null, null, affected, Map.of(), null, List.of(Sign.FACE_DAMAGED)));
        }
        return Optional.empty();
    }

    private static List<Map.Entry<Sign, Method>> inOrder(Map<Sign, Method> table) {
        return table.entrySet().stream().sorted(Map.Entry.comparingByKey()).toList();
    }

    /** The same aim by a way that the family allows and the head may have. */
    private Method possible(Method wanted) {
        if (!wanted.allowedBy(visit.family().limits())) {
            return wanted == Method.PURGE ? Method.DRAW_IN : Method.REST;
        }
        if (wanted == Method.PURGE && visit.times(Method.PURGE) >= Method.PURGE.rungs()) {
            return Method.DRAW_IN;
        }
        return wanted == Method.VAPOUR && food ? Method.PAD : wanted;
    }

    private Optional<Advice> lookFirst() {
        Optional<Look> missing = missingForElectrical();
        if (missing.isPresent()) {
            return Optional.of(new Advice(
                    LOOK_FIRST,
                    Act.LOOK,
                    null,
                    missing.get(),
                    missing.get().scope() == Look.Scope.CHANNEL
                            ? groupChannels().subList(0, 1)
                            : List.of(),
                    Map.of("rounds", "" + Evidence.ROUNDS_UNCHANGED),
                    null,
                    List.of()));
        }
        boolean sure = ranking.leading().probability() >= SURE
                && ranking.causes().get(1).probability() < RIVAL;
        return sure
                ? Optional.empty()
                : NextLook.best(looks)
                        .map(p -> new Advice(
                                LOOK_FIRST,
                                Act.LOOK,
                                null,
                                p.look(),
                                p.channel() == null ? List.of() : List.of(p.channel()),
                                Map.of(
                                        "separates", p.separates().name(),
                                        "from", p.from().name(),
                                        "minutes", "" + p.look().minutes()),
                                null,
                                List.of()));
    }

    // 5
    private Optional<Advice> wandering() {
        if (rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = rounds.get(rounds.size() - 1);
        List<String> channels = channelsWhere(
                last,
                c -> Movement.of(c, Movement.Thresholds.DEFAULT) == Movement.WANDERING
                        && c.recovery().orElse(0) > 0);
        if (channels.isEmpty()) {
            return Optional.empty();
        }
        double air = ranking.of(Cause.AIR).probability();
        double supply = ranking.of(Cause.SUPPLY_RESTRICTED).probability();
        List<Method> ways = new ArrayList<>(ladder(air >= supply ? Cause.AIR : Cause.SUPPLY_RESTRICTED));
        ways.addAll(ladder(air >= supply ? Cause.SUPPLY_RESTRICTED : Cause.AIR));
        Counts total = Comparison.of(last.before().map(), last.after().map()).total();
        return ways.stream()
                .filter(m -> mayGoAgain(m, channels))
                .findFirst()
                .map(m -> advise(
                        WANDERING,
                        Act.WORK,
                        m,
                        channels,
                        Map.of("restored", "" + total.restored(), "newlyOut", "" + total.newlyOut())));
    }

    // 6
    private Optional<Advice> electrical() {
        List<String> groups = groupChannels();
        if (groups.isEmpty() || missingForElectrical().isPresent() || !facesFine()) {
            return Optional.empty();
        }
        return Optional.of(advise(
                ELECTRICAL,
                Act.STOP_ELECTRICAL,
                null,
                groups,
                Map.of(
                        "rounds",
                        ""
                                + groups.stream()
                                        .mapToInt(Evidence.unchangedRounds(rounds)::get)
                                        .min()
                                        .orElse(0))));
    }

    /** Channels whose gaps keep to drive groups and have not moved over two rounds. */
    private List<String> groupChannels() {
        Map<String, Integer> unchanged = Evidence.unchangedRounds(rounds);
        NozzleMap map = visit.lastMap().orElse(null);
        if (map == null) {
            return List.of();
        }
        return allChannels().stream()
                .filter(code -> unchanged.getOrDefault(code, 0) >= Evidence.ROUNDS_UNCHANGED)
                .filter(code -> {
                    ChannelFeatures f =
                            ChannelFeatures.of(map.channel(code), visit.family().driveGroups());
                    return f.filledGroups().isPresent() || !f.densitySteps().isEmpty();
                })
                .toList();
    }

    /** Upstream, station and face must have been looked at before a head is called electrically dead. */
    private Optional<Look> missingForElectrical() {
        List<String> groups = groupChannels();
        if (groups.isEmpty()) {
            return Optional.empty();
        }
        String code = groups.get(0);
        if (!looked(Look.STATION, code)) {
            return Optional.of(Look.STATION);
        }
        if (!looked(Look.FACE, code)) {
            return Optional.of(Look.FACE);
        }
        List<Look> fitting = UPSTREAM.stream()
                .filter(l -> l.fits(visit.family().construction()))
                .toList();
        return fitting.stream().anyMatch(l -> looked(l, code)) ? Optional.empty() : Optional.of(fitting.get(0));
    }

    private boolean looked(Look look, String code) {
        return found.stream()
                .anyMatch(o -> look.findings().contains(o.sign())
                        && (o.channel() == null || o.channel().equals(code)));
    }

    private boolean facesFine() {
        return found.stream().noneMatch(o -> o.sign() == Sign.FACE_DIRTY || o.sign() == Sign.STATION_CRUSTED);
    }

    // 7
    private Optional<Advice> notWorthIt() {
        if (house.says(HouseQuestion.WHEN_TO_STOP, "TWO_UNCHANGED")) {
            Map<String, Integer> unchanged = Evidence.unchangedRounds(rounds);
            boolean all = !affected.isEmpty()
                    && affected.stream().allMatch(c -> unchanged.getOrDefault(c, 0) >= Evidence.ROUNDS_UNCHANGED);
            if (all) {
                return Optional.of(new Advice(
                        HOUSE_STOP,
                        Act.STOP_HOUSE,
                        null,
                        null,
                        affected,
                        Map.of("rounds", "" + Evidence.ROUNDS_UNCHANGED),
                        HouseQuestion.WHEN_TO_STOP,
                        List.of()));
            }
        }
        if (worth == null || !worth.saysStop() || house.says(HouseQuestion.WHEN_TO_STOP, "NEVER")) {
            return Optional.empty();
        }
        return Optional.of(new Advice(
                NOT_WORTH_IT,
                Act.STOP_MONEY,
                null,
                null,
                List.of(),
                Map.of(
                        "chance", String.format(Locale.ROOT, "%.0f", 100 * worth.chance()),
                        "cost", String.format(Locale.ROOT, "%.2f", worth.cost()),
                        "gain", String.format(Locale.ROOT, "%.2f", worth.gain())),
                HouseQuestion.WHEN_TO_STOP,
                List.of()));
    }

    // 8 to 11
    private Optional<Advice> byRecovery() {
        Optional<Judged> found = judged();
        if (found.isEmpty()) {
            return Optional.empty();
        }
        Judged judged = found.get();
        List<String> left =
                affected.stream().filter(judged.channels()::contains).toList();
        if (left.isEmpty() || missingForElectrical().isPresent()) {
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
        boolean again = mayGoAgain(method, left);
        if (recovery >= GOOD_RECOVERY && again) {
            return Optional.of(advise(RECOVERING, Act.WORK, method, left, facts));
        }
        Cause cause = causeIn(left.get(0));
        if (recovery > SOME_RECOVERY && again) {
            Method longer =
                    method == Method.FLUSH && ladder(cause).contains(Method.WARM) && stiff() ? Method.WARM : method;
            return Optional.of(advise(RECOVERING_SLOWLY, Act.WORK, longer, left, facts));
        }
        return Optional.of(next(cause, method, left, facts));
    }

    /** The next rung of a method that did not help, then the next method of the ladder, then what is left. */
    private Advice next(Cause cause, Method method, List<String> left, Map<String, String> facts) {
        List<Method> ladder = ladder(cause);
        // Whether a drive group is dead shows in two rounds that leave it as it was; other cycles only while they
        // improve.
        boolean rung = method != Method.CYCLE
                || cause == Cause.ELECTRICAL && groupChannels().isEmpty();
        if (rung && ladder.contains(method) && mayGoAgain(method, left)) {
            return advise(NO_RECOVERY, Act.WORK, method, left, facts);
        }
        return ladder.stream()
                .filter(m -> m != method && mayGoAgain(m, left))
                .filter(m -> m != Method.CYCLE || visit.times(m, left) == 0)
                .findFirst()
                .map(m -> advise(NO_RECOVERY, Act.WORK, m, left, facts))
                .orElseGet(() -> nothingLeft(cause, left, facts));
    }

    private boolean stiff() {
        return ranking.causes().stream()
                .flatMap(l -> l.reasons().stream())
                .anyMatch(r -> r.observation().sign() == Sign.FLOW_STIFF
                        || r.observation().sign() == Sign.IDLE_OVER_MONTH);
    }

    private boolean mayGoAgain(Method method, List<String> channels) {
        int rungs = method.rungs();
        if (method == Method.CYCLE && !house.says(HouseQuestion.CYCLES_FIRST, "UP_TO_THREE")) {
            rungs = ranking.leading().cause() == Cause.ELECTRICAL ? Evidence.ROUNDS_UNCHANGED : 0;
        }
        return visit.times(method, channels) < rungs
                && !method.barredBy(bars)
                && method.allowedBy(visit.family().limits());
    }

    private Advice nothingLeft(Cause cause, List<String> channels, Map<String, String> facts) {
        if (cause == Cause.NOT_THE_HEAD) {
            return advise(NOTHING_LEFT, Act.ELSEWHERE, null, List.of(), facts);
        }
        if (cause == Cause.ELECTRICAL && channels.stream().anyMatch(groupChannels()::contains)) {
            return advise(NOTHING_LEFT, Act.STOP_ELECTRICAL, null, channels, facts);
        }
        Method last = Ladder.lastResort(visit.family());
        boolean canDraw = last != null
                && visit.times(last, channels) < last.rungs()
                && (cause == Cause.DRIED_INK || cause == Cause.UNSUITABLE_INK || cause == Cause.SERVICE_STATION);
        return canDraw
                ? advise(NOTHING_LEFT, Act.WORK, last, channels, facts)
                : advise(NOTHING_LEFT, Act.NOT_RECOVERABLE, null, channels, facts);
    }

    /** Nothing was done for it yet: the gentlest remedy of what is likeliest in the channel that is worst. */
    private Advice firstRemedy() {
        Cause cause = affected.isEmpty() ? ranking.leading().cause() : causeIn(affected.get(0));
        List<String> channels =
                affected.stream().filter(c -> causeIn(c) == cause).toList();
        List<String> where = channels.isEmpty() ? allChannels() : channels;
        double chance = channels.isEmpty()
                ? ranking.leading().probability()
                : ranking.in(channels.get(0)).get(0).probability();
        Map<String, String> facts = Map.of("cause", cause.name(), "percent", "" + Math.round(100 * chance));
        if (cause == Cause.NOT_THE_HEAD) {
            return advise(FIRST_REMEDY, Act.ELSEWHERE, null, List.of(), facts);
        }
        return ladder(cause).stream()
                .filter(m -> mayGoAgain(m, where))
                .findFirst()
                .map(m -> advise(FIRST_REMEDY, Act.WORK, m, where, facts))
                .orElseGet(() -> nothingLeft(cause, where, facts));
    }

    /** What is likeliest in a channel. */
    private Cause causeIn(String channel) {
        return ranking.in(channel).get(0).cause();
    }

    /** The treatment that the last map judges, its channels, and what came of them since the map before it. */
    private record Judged(Method method, Set<String> channels, Counts counts) {}

    /** The round of the treatment that the last map judges: a cycle or a rest that only let it settle belongs to it. */
    private Round judgedRound() {
        Round last = rounds.get(rounds.size() - 1);
        if (last.work().stream().allMatch(w -> w.method().settles()) && rounds.size() > 1) {
            Round before = rounds.get(rounds.size() - 2);
            if (!before.work().isEmpty()
                    && !before.work().get(before.work().size() - 1).method().settles()) {
                return before;
            }
        }
        return last;
    }

    private Optional<Judged> judged() {
        if (rounds.isEmpty()) {
            return Optional.empty();
        }
        Round last = rounds.get(rounds.size() - 1);
        if (last.work().isEmpty()) {
            return Optional.empty();
        }
        Round first = judgedRound();
        Worked judged = first.work().stream()
                .filter(w -> !w.method().settles())
                .reduce((a, b) -> b)
                .orElse(first.work().get(first.work().size() - 1));
        Set<String> channels = judged.treatment().channels();
        return Optional.of(new Judged(
                judged.method(),
                channels,
                Comparison.of(first.before().map(), last.after().map()).of(channels)));
    }

    private List<Method> ladder(Cause cause) {
        return Ladder.of(cause, visit.family(), house, food);
    }

    private List<String> channelsWhere(Round round, java.util.function.Predicate<Counts> fits) {
        return Comparison.of(round.before().map(), round.after().map()).channels().entrySet().stream()
                .filter(e -> fits.test(e.getValue()))
                .map(Map.Entry::getKey)
                .toList();
    }

    private List<String> treated() {
        Set<String> treated = new LinkedHashSet<>();
        visit.work().forEach(w -> treated.addAll(w.treatment().channels()));
        return treated.isEmpty() ? allChannels() : treated.stream().sorted().toList();
    }

    private List<String> allChannels() {
        return visit.family().channels().stream()
                .map(undoknot.head.Channel::code)
                .toList();
    }

    private int outNow() {
        return visit.lastMap()
                .map(m -> m.count(undoknot.nozzle.NozzleState.MISSING))
                .orElse(0);
    }
}
