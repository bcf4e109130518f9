package undoknot.diagnosis;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.head.Construction;
import undoknot.observation.Look;
import undoknot.observation.Look.Needs;
import undoknot.observation.Look.Scope;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.BarredWork;
import undoknot.visit.BarredByFinding;

/**
 * What one more look would tell: the information that is expected of it (Kullback–Leibler divergence of the causes' chances
 * after the finding from those before, averaged over its findings) per minute of hands, among what is safe and possible now.
 */
public final class NextLook {

    /** A look that is expected to tell less than this, bits per minute of hands, is not worth the walk. */
    static final double WORTH_BITS_PER_MINUTE = 0.03;

    private NextLook() {}

    /**
     * @param look what to look at
     * @param channel where, or null when it is about the whole head
     * @param bits information expected, bits
     * @param separates the cause it tells most about
     * @param from the likeliest of the others
     */
    public record Proposal(Look look, String channel, double bits, Cause separates, Cause from) {
        public double bitsPerMinute() {
            return bits / look.minutes();
        }

        public boolean isWorthIt() {
            return bitsPerMinute() >= WORTH_BITS_PER_MINUTE;
        }
    }

    /**
     * @param channels channels in which something may be looked for
     * @param powerAllowed nothing that was logged of the head keeps it from power
     * @param inCarriage whether the head is in its carriage
     */
    public record Possible(
            Construction construction, List<String> channels, boolean powerAllowed, boolean inCarriage) {}

    /**
     * Looks that are possible now and were not taken, most telling first. In a look that is taken per channel, the channel
     * where it tells most.
     */
    public static List<Proposal> rank(Ranking ranking, Collection<Observation> observed, Possible possible) {
        Set<String> taken = new LinkedHashSet<>();
        Set<Look> needless = EnumSet.noneOf(Look.class);
        boolean power = possible.powerAllowed();
        for (Observation o : observed) {
            Look.making(o.sign()).ifPresent(look -> taken.add(key(look, o.channel())));
            needless.addAll(Look.needless(o.sign()));
            power &= !BarredByFinding.of(o.sign()).contains(BarredWork.POWER);
        }
        List<Proposal> proposals = new ArrayList<>();
        for (Look look : Look.values()) {
            if (look.isProof()
                    || !look.fits(possible.construction())
                    || needless.contains(look)
                    || look.needs() == Needs.POWER && !power
                    || look.needsCarriage() && !possible.inCarriage()) {
                continue;
            }
            if (look.scope() == Scope.HEAD) {
                if (!taken.contains(key(look, null))) {
                    proposals.add(propose(look, null, ranking.causes()));
                }
                continue;
            }
            Set<String> suspects = ranking.channels().isEmpty()
                    ? new LinkedHashSet<>(possible.channels())
                    : new LinkedHashSet<>(ranking.channels().keySet());
            // Nothing is looked for in a channel that prints.
            suspects.retainAll(possible.channels());
            suspects.stream()
                    .filter(code -> !taken.contains(key(look, code)) && !taken.contains(key(look, null)))
                    .map(code -> propose(look, code, ranking.in(code)))
                    .max(Comparator.comparingDouble(Proposal::bits))
                    .ifPresent(proposals::add);
        }
        proposals.sort(
                Comparator.comparingDouble(Proposal::bitsPerMinute).reversed().thenComparing(Proposal::look));
        return proposals;
    }

    /** The look that settles most for the least handwork; empty when nothing is worth looking at any more. */
    public static Optional<Proposal> best(List<Proposal> ranked) {
        return ranked.stream().findFirst().filter(Proposal::isWorthIt);
    }

    private static String key(Look look, String channel) {
        return look + "/" + channel;
    }

    private static Proposal propose(Look look, String channel, List<Likely> causes) {
        Map<Cause, Double> told = new HashMap<>();
        double bits = 0;
        double sum = causes.stream().mapToDouble(Likely::probability).sum();
        Map<Sign, Double> chances = new HashMap<>();
        double all = 0;
        for (Look.Finding finding : look.usual()) {
            double mixed = Math.max(0, 1 - sum);
            for (Likely likely : causes) {
                mixed += likely.probability() / Math.max(1, sum) * ratio(finding.sign(), likely.cause());
            }
            // However much a finding is expected, it is not made more than always.
            double chance = Math.min(1, finding.share() * mixed);
            chances.put(finding.sign(), chance);
            all += chance;
        }
        for (Map.Entry<Sign, Double> finding : chances.entrySet()) {
            for (Likely likely : causes) {
                double p = likely.probability();
                double odds = p / (1 - p) * ratio(finding.getKey(), likely.cause());
                double part = finding.getValue() / all * divergence(odds / (1 + odds), p);
                told.merge(likely.cause(), part, Double::sum);
                bits += part;
            }
        }
        Cause most = told.entrySet().stream()
                .max(Map.Entry.<Cause, Double>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .orElseThrow()
                .getKey();
        Cause other = causes.stream()
                .map(Likely::cause)
                .filter(c -> c != most)
                .findFirst()
                .orElseThrow();
        return new Proposal(look, channel, bits, most, other);
    }

    private static double ratio(Sign sign, Cause cause) {
        return undoknot.diagnosis.Likelihoods.weight(sign, cause).ratio();
    }

    /** Bits by which a chance of {@code now} differs from one of {@code before}. */
    private static double divergence(double now, double before) {
        return part(now, before) + part(1 - now, 1 - before);
    }

    private static double part(double now, double before) {
        return now <= 0 || before <= 0 ? 0 : now * Math.log(now / before) / Math.log(2);
    }
}
