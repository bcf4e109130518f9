package undoknot.advice;

import static undoknot.advice.Advice.Rule.*;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.nozzle.Counts;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.treatment.Method;
import undoknot.visit.Round;
import undoknot.visit.Step.Worked;

/**
 * What a treatment brought back decides the next one, channel by channel (handbook 13, rules 8 to 11): each affected channel
 * has a next piece of work of its own, those that need the same get it together, the rule that stands first and the worst
 * channel come first.
 */
final class Recovery {

    private static final double GOOD_RECOVERY = 0.20;
    private static final double SOME_RECOVERY = 0.05;

    /** A cause below this is no ground for work. */
    static final double LIKELY_ENOUGH = 0.05;

    /** A plate this likely to be damaged explains what its channel shows. */
    private static final double DAMAGED = 0.3;

    private final AdviceContext context;
    private final DriveGroups groups;

    Recovery(AdviceContext context, DriveGroups groups) {
        this.context = context;
        this.groups = groups;
    }

    /**
     * What is next in one channel.
     *
     * @param likely the cause it is done for; null when it goes on with what helped
     * @param judged what came of the last round there; null when there was none
     */
    private record Next(String channel, Rule rule, Method method, Likely likely, Counts judged) {}

    /** What is next in every affected channel, the same work together; empty when nothing is affected. */
    List<Advice> fitting() {
        List<Next> all = context.affected.stream()
                .map(this::next)
                .flatMap(Optional::stream)
                .toList();
        if (all.isEmpty()) {
            return context.affected.isEmpty() ? List.of() : List.of(nothingLeft());
        }
        List<Advice> fitting = new ArrayList<>();
        List<Method> seen = new ArrayList<>();
        all.stream().sorted(Comparator.comparing(n -> n.rule.number())).forEach(first -> {
            if (!seen.contains(first.method)) {
                seen.add(first.method);
                fitting.add(together(first, all));
            }
        });
        return fitting;
    }

    private Advice together(Next first, List<Next> all) {
        List<String> channels = all.stream()
                .filter(n -> n.method == first.method)
                .map(Next::channel)
                .toList();
        Map<Fact, Integer> facts = new EnumMap<>(Fact.class);
        if (first.judged != null) {
            facts.put(Fact.RESTORED, first.judged.restored());
            facts.put(Fact.BEFORE, first.judged.outBefore());
            facts.put(Fact.STILL_OUT, first.judged.stillOut());
            facts.put(Fact.NEWLY_OUT, first.judged.newlyOut());
        }
        if (first.likely != null) {
            facts.put(Fact.PERCENT, (int) Math.round(100 * first.likely.probability()));
        }
        Optional<Advice> look = lookBefore(first.method, channels);
        if (look.isPresent()) {
            return look.get();
        }
        Advice advice = context.advise(first.rule, Act.WORK, first.method, channels, facts);
        return first.likely == null || advice.act() != Act.WORK ? advice : advice.against(first.likely.cause());
    }

    /** A look at what would be mended, where nobody has taken it yet. */
    private Optional<Advice> lookBefore(Method method, List<String> channels) {
        return Ladder.lookBefore(method, context.visit.family().construction()).flatMap(look -> {
            List<String> where = channels.stream()
                    .filter(code -> !context.looked(look, code) && !context.isMended(look, code))
                    .toList();
            if (look.scope() == Look.Scope.CHANNEL) {
                return where.stream().findFirst().map(code -> Advice.toLook(look, List.of(code), Map.of(), null, null));
            }
            return where.isEmpty() || context.isMended(look, null)
                    ? Optional.empty()
                    : Optional.of(Advice.toLook(look, List.of(), Map.of(), null, null));
        });
    }

    private Optional<Next> next(String channel) {
        Round judged = context.judged(channel).orElse(null);
        Counts counts = judged == null ? null : judged.counts().get(channel);
        if (counts != null) {
            Method last = judged.lastTreatment(channel).orElseThrow();
            // What comes back while as much goes out elsewhere is no recovery.
            boolean better = counts.outNow() < counts.outBefore() || counts.outBefore() == 0;
            if (counts.gain() >= GOOD_RECOVERY && better && context.mayGoOn(last, channel)) {
                return Optional.of(new Next(channel, RECOVERING, last, null, counts));
            }
            if (counts.gain() > SOME_RECOVERY && better) {
                Optional<Method> longer = longer(last, channel);
                if (longer.isPresent()) {
                    return longer.map(m -> new Next(channel, RECOVERING_SLOWLY, m, null, counts));
                }
            }
        }
        return remedy(channel, counts).or(() -> lastResort(channel, counts));
    }

    /** One rung longer or warmer. */
    private Optional<Method> longer(Method last, String channel) {
        if (last == Method.FLUSH) {
            return context.ladder(Cause.DRIED_INK, List.of(channel)).stream()
                    .filter(m -> m == Method.WARM || m == Method.PORT_SOAK)
                    .filter(m -> context.isLeft(m, rungs(m, channel), channel))
                    .max(Comparator.comparing(m -> m == Method.WARM));
        }
        return context.mayGoOn(last, channel) ? Optional.of(last) : Optional.empty();
    }

    private int rungs(Method method, String channel) {
        return (int) context.ladder(Cause.DRIED_INK, List.of(channel)).stream()
                .filter(m -> m == method)
                .count();
    }

    /** The next rung for what is likeliest in the channel, or else for the next cause that is likely enough. */
    private Optional<Next> remedy(String channel, Counts counts) {
        boolean first = true;
        for (Likely likely : grounds(channel)) {
            Rule rule = !first ? NEXT_CAUSE : counts == null ? FIRST_REMEDY : NO_RECOVERY;
            first = false;
            Optional<Method> method = rung(likely.cause(), channel);
            if (method.isPresent()) {
                return method.map(m -> new Next(channel, rule, m, likely, counts));
            }
        }
        return Optional.empty();
    }

    /** Causes that are ground for work in a channel, in the order in which they are seen to. */
    private List<Likely> grounds(String channel) {
        boolean bentAlone = context.bentAlone.contains(channel);
        List<Likely> grounds = context.ranking.in(channel).stream()
                .filter(likely -> isGround(likely, channel) && (!bentAlone || bends(likely.cause())))
                .toList();
        return SavePerMinute.ordered(
                grounds, likely -> rung(likely.cause(), channel).orElse(null));
    }

    /**
     * Whether a cause is likely enough for work. Something keeps the nozzles out: while nothing else explains it that is taken
     * for dried ink, however little speaks for it.
     */
    private boolean isGround(Likely likely, String channel) {
        boolean dried = likely.cause() == Cause.DRIED_INK && !isExplained(channel);
        return likely.cause().showsInNozzles() && (dried || likely.probability() >= LIKELY_ENOUGH);
    }

    /** Whether a dead drive group or a damaged plate explains what is wrong in a channel. */
    private boolean isExplained(String channel) {
        return groups.withBorder().contains(channel) || isDamaged(channel);
    }

    private boolean isDamaged(String channel) {
        Likely likeliest = context.ranking.in(channel).get(0);
        return likeliest.cause() == Cause.PLATE_DAMAGE && likeliest.probability() >= DAMAGED;
    }

    /** Whether a cause bends dashes: what keeps ink away does not. */
    private static boolean bends(Cause cause) {
        return cause == Cause.FACE_DEBRIS || cause == Cause.DRIED_INK || cause == Cause.PLATE_DAMAGE;
    }

    /** The first rung of a ladder that is left in a channel. */
    private Optional<Method> rung(Cause cause, String channel) {
        if (cause == Cause.ELECTRICAL) {
            return groups.testCycle(channel);
        }
        Map<Method, Integer> rungs = new EnumMap<>(Method.class);
        boolean stuckAtOnce = context.portIsStuck(channel);
        Method last =
                context.judged(channel).flatMap(r -> r.lastTreatment(channel)).orElse(null);
        for (Method method : context.ladder(cause, List.of(channel))) {
            int rung = rungs.merge(method, 1, Integer::sum);
            // A port that will not take fluid is not asked twice running in the same way.
            boolean sameAgain = stuckAtOnce && method == last && method.isPush();
            if (!sameAgain && context.isLeft(method, rung, channel)) {
                return Optional.of(method);
            }
        }
        return Optional.empty();
    }

    /**
     * Work for a cause in a channel.
     *
     * @param alike causes that are as likely, so that minutes of hands decided the order
     */
    record Rung(Method method, Likely likely, List<Cause> alike, boolean lastResort) {}

    /** All that is left in a channel, in order, as if nothing helped. */
    List<Rung> course(String channel) {
        List<Rung> course = new ArrayList<>();
        List<Likely> grounds = grounds(channel);
        for (Likely likely : grounds) {
            List<Cause> alike = SavePerMinute.alike(likely, grounds);
            if (likely.cause() == Cause.ELECTRICAL) {
                groups.testCycle(channel).ifPresent(m -> course.add(new Rung(m, likely, alike, false)));
                continue;
            }
            Map<Method, Integer> rungs = new EnumMap<>(Method.class);
            for (Method method : context.ladder(likely.cause(), List.of(channel))) {
                int rung = rungs.merge(method, 1, Integer::sum);
                long planned = course.stream().filter(r -> r.method == method).count();
                boolean cycledAlready = method == Method.CYCLE && planned > 0;
                if (!cycledAlready && context.isLeft(method, rung - (int) planned, channel)) {
                    course.add(new Rung(method, likely, alike, false));
                }
            }
        }
        lastResort(channel, null)
                .filter(last -> course.stream().noneMatch(r -> r.method == last.method))
                .ifPresent(last -> course.add(new Rung(last.method, null, List.of(), true)));
        return course;
    }

    /** Fluid drawn back through the face, when no remedy is left (handbook 13, rule 11). */
    private Optional<Next> lastResort(String channel, Counts counts) {
        Method last = Ladder.lastResort(context.visit.family(), context.house);
        return last != null
                        && context.isLeft(last, 1, channel)
                        && !groups.channels.contains(channel)
                        && !isDamaged(channel)
                ? Optional.of(new Next(channel, NOTHING_LEFT, last, null, counts))
                : Optional.empty();
    }

    private Advice nothingLeft() {
        Optional<Advice> face = context.affected.stream()
                .filter(this::isDamaged)
                .filter(code -> LookAgain.timesLooked(context, Look.FACE, code) < 2)
                .findFirst()
                .map(code -> Advice.toLook(LOOK_AGAIN, Look.FACE, List.of(code), Map.of(), null, null));
        if (face.isPresent()) {
            return face.get();
        }
        List<String> dead =
                context.affected.stream().filter(groups.channels::contains).toList();
        boolean electrical =
                !dead.isEmpty() && context.ranking.in(dead.get(0)).get(0).cause() == Cause.ELECTRICAL;
        return context.advise(
                        NOTHING_LEFT,
                        electrical ? Act.STOP_ELECTRICAL : Act.NOT_RECOVERABLE,
                        null,
                        context.affected,
                        Map.of(Fact.ATTEMPTS, context.visit.work().size()))
                .after(tried());
    }

    /** What was tried for every cause that was ground for work, channel by channel. */
    private List<Advice.Tried> tried() {
        List<Advice.Tried> tried = new ArrayList<>();
        Method last = Ladder.lastResort(context.visit.family(), context.house);
        for (String channel : context.affected) {
            for (Likely likely : context.ranking.in(channel)) {
                if (isGround(likely, channel)) {
                    List<Method> ladder = context.ladder(likely.cause(), List.of(channel));
                    tried.add(new Advice.Tried(
                            channel,
                            likely.cause(),
                            (int) Math.round(100 * likely.probability()),
                            context.visit.work().stream()
                                    .filter(w -> w.touches(channel))
                                    .map(Worked::method)
                                    .filter(m -> ladder.contains(m) || m == last)
                                    .distinct()
                                    .toList()));
                }
            }
        }
        return tried;
    }

    /** No channel shows anything: the gentlest remedy of what is likeliest in the head. */
    Advice ofHead() {
        for (Likely likely : context.ranking.causes()) {
            if (likely.probability() < LIKELY_ENOUGH) {
                break;
            }
            Map<Fact, Integer> facts = Map.of(Fact.PERCENT, (int) Math.round(100 * likely.probability()));
            if (likely.cause() == Cause.NOT_THE_HEAD) {
                return context.advise(FIRST_REMEDY, Act.ELSEWHERE, null, List.of(), facts)
                        .against(likely.cause());
            }
            Map<Method, Integer> rungs = new EnumMap<>(Method.class);
            for (Method method : context.ladder(likely.cause(), List.of())) {
                int rung = rungs.merge(method, 1, Integer::sum);
                boolean left = context.allChannels().stream().anyMatch(code -> context.isLeft(method, rung, code));
                if (left) {
                    Advice advice = context.advise(FIRST_REMEDY, Act.WORK, method, context.allChannels(), facts);
                    return advice.act() == Act.WORK ? advice.against(likely.cause()) : advice;
                }
            }
        }
        return context.advise(
                NOTHING_LEFT,
                Act.NOT_RECOVERABLE,
                null,
                List.of(),
                Map.of(Fact.ATTEMPTS, context.visit.work().size()));
    }
}
