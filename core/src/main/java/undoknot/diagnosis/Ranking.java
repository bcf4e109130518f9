package undoknot.diagnosis;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import undoknot.observation.Observation;
import undoknot.observation.Sign;

/**
 * How likely each cause is, and why. Causes may hold together: each has odds of its own, its prior odds times the likelihood
 * ratio of every observation (Bayes' rule in odds form, observations taken as independent given the cause). A channel is
 * judged by what was seen in it and what is known of the head; the head has a cause as surely as the channel where it is
 * surest.
 *
 * @param causes all causes for the whole head, likeliest first
 * @param channels the same for each channel that anything was seen in
 */
public record Ranking(List<Likely> causes, Map<String, List<Likely>> channels) {

    /**
     * @param probability 0 to 1
     * @param odds prior odds times all likelihood ratios, the other causes left out of account
     * @param channel the channel where it is likeliest, or null when it is not about one
     * @param reasons what speaks for it and against it, weightiest first; what says nothing is left out
     */
    public record Likely(
            Cause cause, double probability, double odds, double prior, String channel, List<Reason> reasons) {

        private Likely withOdds(double other) {
            return new Likely(cause, other / (1 + other), other, prior, channel, reasons);
        }

        /** What is explained already needs this one the less. */
        private Likely among(double others) {
            return new Likely(cause, odds / (1 + odds + EXPLAINED_AWAY * others), odds, prior, channel, reasons);
        }
    }

    /**
     * How far other causes count against one that would explain the same: 0 would take causes as unrelated. A second cause beside
     * a sure one is about as likely as one head in thirteen. Chosen on stand-in heads, see docs/judgement.md.
     */
    private static final double EXPLAINED_AWAY = 12;

    private static final double JUST_BELOW = 0.95;

    private static final Comparator<Likely> LIKELIEST_FIRST =
            Comparator.comparingDouble(Likely::probability).reversed().thenComparing(Likely::cause);

    private static final Comparator<Reason> WEIGHTIEST_FIRST = Comparator.comparingDouble((Reason r) -> -strength(r))
            .thenComparing(r -> r.observation().sign());

    public Ranking {
        causes = List.copyOf(causes);
        channels = Collections.unmodifiableMap(new LinkedHashMap<>(channels));
    }

    public static Ranking of(Priors priors, Collection<Observation> observed) {
        // The same thing said twice is one observation; the order in which things were said does not matter.
        Map<Object, Observation> distinct = new LinkedHashMap<>();
        Set<String> codes = new LinkedHashSet<>();
        observed.stream().sorted(Comparator.comparing(Observation::sign)).forEach(o -> {
            distinct.putIfAbsent(o.channel() == null ? o.sign() : List.of(o.sign(), o.channel()), o);
        });
        distinct.values().stream()
                .filter(Ranking::makesSuspect)
                .map(Observation::channel)
                .filter(java.util.Objects::nonNull)
                .sorted()
                .forEach(codes::add);
        List<Observation> all = List.copyOf(distinct.values());
        Map<String, List<Likely>> channels = new LinkedHashMap<>();
        for (String code : codes) {
            channels.put(code, judge(priors, all, code, o -> o.channel() == null || code.equals(o.channel())));
        }
        List<Likely> ofHead = judge(priors, all, null, o -> o.channel() == null);
        return new Ranking(channels.isEmpty() ? ofHead : surest(channels.values()), channels);
    }

    /** A channel is suspected for what shows in it; an ink it carries, or a look that found nothing, is no suspicion. */
    private static boolean makesSuspect(Observation o) {
        return switch (o.sign().kind()) {
            case TOLD -> false;
            case MAP, PAIR, COARSE -> true;
            case FLOW, FINDING ->
                Stream.of(Cause.values())
                        .anyMatch(c -> Likelihoods.weight(o.sign(), c).ratio() >= Weight.MODERATE.ratio());
        };
    }

    private static List<Likely> judge(
            Priors priors, List<Observation> observed, String channel, Predicate<Observation> counts) {
        List<Observation> own = observed.stream().filter(counts).toList();
        List<Likely> alone = Stream.of(Cause.values())
                .map(cause -> {
                    double share = priors.share(cause);
                    double odds = share / (1 - share);
                    List<Reason> reasons = reasons(own, cause);
                    for (Reason reason : reasons) {
                        odds *= reason.weight().ratio();
                    }
                    reasons.sort(WEIGHTIEST_FIRST);
                    return new Likely(cause, odds / (1 + odds), odds, share, channel, List.copyOf(reasons));
                })
                .toList();
        alone = withoutBorder(alone, own);
        List<Likely> judged = alone;
        return judged.stream()
                .map(l -> l.among(rivals(l, judged)))
                .sorted(LIKELIEST_FIRST)
                .toList();
    }

    /** The signs of a drive group: without one of them a dead group is never likelier than dried ink (handbook 7). */
    static final Set<Sign> BORDER = EnumSet.of(Sign.GROUP_FILLED, Sign.DENSITY_STEP);

    private static List<Reason> reasons(List<Observation> own, Cause cause) {
        List<Reason> reasons = new ArrayList<>();
        Map<OneFact, Reason> once = new EnumMap<>(OneFact.class);
        for (Observation o : own) {
            Weight weight = Likelihoods.weight(o.sign(), cause);
            if (weight == Weight.NONE) {
                continue;
            }
            Reason reason = new Reason(o, weight);
            OneFact fact = OneFact.of(reason, cause);
            if (fact == null) {
                reasons.add(reason);
            } else {
                // Of two that weigh the same the later sign is the closer look.
                once.merge(fact, reason, (a, b) -> strength(b) >= strength(a) ? b : a);
            }
        }
        reasons.addAll(once.values());
        return reasons;
    }

    static double strength(Reason reason) {
        return Math.abs(Math.log(reason.weight().ratio()));
    }

    private static List<Likely> withoutBorder(List<Likely> alone, List<Observation> own) {
        if (own.stream().anyMatch(o -> BORDER.contains(o.sign()))) {
            return alone;
        }
        double most = JUST_BELOW * alone.get(Cause.DRIED_INK.ordinal()).odds();
        return alone.stream()
                .map(l -> l.cause() == Cause.ELECTRICAL && l.odds() > most ? l.withOdds(most) : l)
                .toList();
    }

    /**
     * How sure the others are that would explain the same, each at most 1: gaps do not explain smears, nor dirt on the carriage
     * gaps.
     */
    private static double rivals(Likely likely, List<Likely> among) {
        return among.stream()
                .filter(l -> l.cause() != likely.cause()
                        && l.cause().showsInNozzles() == likely.cause().showsInNozzles())
                .mapToDouble(l -> l.odds() / (1 + l.odds()))
                .map(p -> p * p)
                .sum();
    }

    private static List<Likely> surest(Collection<List<Likely>> channels) {
        Map<Cause, Likely> best = new LinkedHashMap<>();
        channels.forEach(list ->
                list.forEach(l -> best.merge(l.cause(), l, (a, b) -> b.probability() > a.probability() ? b : a)));
        return best.values().stream().sorted(LIKELIEST_FIRST).toList();
    }

    public Likely leading() {
        return causes.get(0);
    }

    public Likely of(Cause cause) {
        return causes.stream().filter(l -> l.cause() == cause).findFirst().orElseThrow();
    }

    /** The same for one channel; for the whole head when nothing was seen in the channel. */
    public List<Likely> in(String channel) {
        return channels.getOrDefault(channel, causes);
    }
}
