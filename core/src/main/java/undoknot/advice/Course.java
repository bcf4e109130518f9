package undoknot.advice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.practice.HouseQuestion;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Method;
import undoknot.visit.VisitLog;

/**
 * What would be done on a visit, one attempt after the other, if none of them helped: what hands mend first, and then the
 * ladders of the likely causes in every affected channel, those that need the same together (handbook 8 and 13). The first
 * that helps enough ends it.
 *
 * @param legs in order
 * @param bars what findings make unsafe now, so that it is left out until they are mended
 */
public record Course(List<Leg> legs, List<BarredWork> bars) {

    /** More attempts than these are no plan. */
    private static final int MOST = 24;

    /**
     * One attempt.
     *
     * @param cause what it is done for; null when it goes on with what helped, or nothing else is left
     * @param percent chance of that cause
     * @param before how often the method was done in these channels already, in earlier legs as well
     * @param alike causes that are as likely, so that the likeliest save per minute of hands decided the order
     * @param lastResort whether nothing else is left
     */
    public record Leg(
            Method method,
            Cause cause,
            int percent,
            List<String> channels,
            WorkStyle style,
            List<HouseQuestion> house,
            int before,
            List<Cause> alike,
            boolean lastResort) {

        public Leg {
            Objects.requireNonNull(method, "method");
            channels = List.copyOf(channels);
            house = List.copyOf(house);
            alike = List.copyOf(alike);
        }
    }

    public Course {
        legs = List.copyOf(legs);
        bars = List.copyOf(bars);
    }

    /** @param judgement of the same visit in the same terms */
    public static Course of(VisitLog visit, Judgement judgement, Terms terms) {
        AdviceContext context = new AdviceContext(visit, judgement.ranking(), terms);
        Builder builder = new Builder(context);
        builder.addFound(judgement.advice());
        builder.addNext(judgement.advice());
        builder.addLadders();
        return new Course(builder.legs, judgement.advice().bars());
    }

    /**
     * What somebody put together: the works in their order, each in the way of the house. What the ladders would do as well
     * keeps the cause that it is done for.
     */
    public static Course chosen(VisitLog visit, Judgement judgement, Terms terms, List<Work> works) {
        AdviceContext context = new AdviceContext(visit, judgement.ranking(), terms);
        List<Leg> usual = of(visit, judgement, terms).legs;
        Builder builder = new Builder(context);
        for (Work work : works) {
            Leg same = usual.stream()
                    .filter(l ->
                            l.method() == work.method() && l.channels().stream().anyMatch(work.channels()::contains))
                    .findFirst()
                    .orElse(null);
            builder.add(
                    work.method(),
                    same == null ? null : same.cause(),
                    same == null ? 0 : same.percent(),
                    work.channels(),
                    List.of(),
                    false);
        }
        return new Course(builder.legs, judgement.advice().bars());
    }

    /** A piece of work that somebody wants in a plan. */
    public record Work(Method method, List<String> channels) {
        public Work {
            Objects.requireNonNull(method, "method");
            channels = List.copyOf(channels);
        }
    }

    /**
     * Before any check: what would be done in so many channels for one cause.
     *
     * @param channels how many are thought to be affected, 1 or more
     */
    public static Course unread(VisitLog visit, Ranking ranking, Cause cause, int channels, Terms terms) {
        AdviceContext context = new AdviceContext(visit, ranking, terms);
        Builder builder = new Builder(context);
        List<String> codes = context.allChannels()
                .subList(0, Math.min(channels, context.allChannels().size()));
        builder.addLadder(ranking.of(cause), codes);
        return new Course(builder.legs, List.copyOf(context.bars));
    }

    private static final class Builder {

        private final AdviceContext context;
        private final List<Leg> legs = new ArrayList<>();
        private final Map<String, List<Method>> planned = new HashMap<>();

        Builder(AdviceContext context) {
            this.context = context;
        }

        /** Everything that was found and hands mend, before the next check (rule 0); the likeliest save per minute first. */
        void addFound(Advice.Answer answer) {
            List<Advice> found = new ArrayList<>(answer.others());
            found.add(0, answer.first());
            found.stream()
                    .filter(a -> a.rule() == Advice.Rule.FOUND && a.act() == Advice.Act.WORK)
                    .forEach(a -> add(a.method(), a.cause(), 0, a.channels(), List.of(), false));
        }

        /** What is next anyhow: fresh ink after a flush, a page, one more of what helped. */
        void addNext(Advice.Answer answer) {
            Advice next = answer.next();
            boolean stands = next == null
                    || legs.stream().anyMatch(l -> l.method() == next.method())
                    || next.rule() == Advice.Rule.FIRST_REMEDY
                    || next.rule() == Advice.Rule.NO_RECOVERY
                    || next.rule() == Advice.Rule.NEXT_CAUSE
                    || next.rule() == Advice.Rule.NOTHING_LEFT;
            if (!stands || next != null && context.affected.isEmpty() && legs.isEmpty()) {
                int percent = next.cause() == null ? 0 : percent(context.ranking.of(next.cause()));
                add(next.method(), next.cause(), percent, next.channels(), List.of(), false);
            }
        }

        void addLadders() {
            DriveGroups groups = new DriveGroups(context);
            Recovery recovery = new Recovery(context, groups);
            Map<String, List<Recovery.Rung>> left = new LinkedHashMap<>();
            for (String code : context.affected) {
                List<Recovery.Rung> rungs = new ArrayList<>(recovery.course(code));
                // What is next anyhow is a rung of its ladder as well, and is not planned twice.
                planned.getOrDefault(code, List.of())
                        .forEach(method -> rungs.stream()
                                .filter(r -> r.method() == method)
                                .findFirst()
                                .ifPresent(rungs::remove));
                left.put(code, rungs);
            }
            while (legs.size() < MOST) {
                Recovery.Rung first = left.values().stream()
                        .filter(rungs -> !rungs.isEmpty())
                        .map(rungs -> rungs.get(0))
                        .findFirst()
                        .orElse(null);
                if (first == null) {
                    return;
                }
                List<String> together = left.entrySet().stream()
                        .filter(e ->
                                !e.getValue().isEmpty() && e.getValue().get(0).method() == first.method())
                        .map(Map.Entry::getKey)
                        .toList();
                together.forEach(code -> left.get(code).remove(0));
                Likely likely = first.likely();
                add(
                        first.method(),
                        likely == null ? null : likely.cause(),
                        likely == null ? 0 : percent(likely),
                        together,
                        first.alike(),
                        first.lastResort());
            }
        }

        void addLadder(Likely likely, List<String> channels) {
            Map<Method, Integer> rungs = new HashMap<>();
            for (Method method : context.ladder(likely.cause(), channels)) {
                int rung = rungs.merge(method, 1, Integer::sum);
                if (context.isLeft(method, rung, channels.get(0))) {
                    add(method, likely.cause(), percent(likely), channels, List.of(), false);
                }
            }
        }

        private static int percent(Likely likely) {
            return (int) Math.round(100 * likely.probability());
        }

        private void add(
                Method method, Cause cause, int percent, List<String> codes, List<Cause> alike, boolean lastResort) {
            List<String> channels = codes.isEmpty() ? context.allChannels() : codes;
            // Work on the whole head reaches every channel; a ladder asks for it once.
            List<Method> before = channels.stream()
                    .map(code -> planned.getOrDefault(code, List.of()))
                    .reduce((a, b) -> a.size() >= b.size() ? a : b)
                    .orElse(List.of());
            int times = context.visit.times(method, channels)
                    + (int) before.stream().filter(m -> m == method).count();
            legs.add(new Leg(
                    method,
                    cause,
                    percent,
                    channels,
                    HouseWorkStyle.of(method, channels, context, before),
                    HouseWorkStyle.questions(method, channels, context),
                    times,
                    alike,
                    lastResort));
            channels.forEach(code ->
                    planned.computeIfAbsent(code, k -> new ArrayList<>()).add(method));
        }
    }
}
