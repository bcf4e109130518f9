package undoknot.outcome;

import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * Chance that the next attempt reaches acceptance, from the shop's own record (handbook 13 and 18): a Beta posterior whose
 * prior is pooled, from a starting belief over all families and the family to the cell family × ink × method × attempt number.
 * Where a cell has few cases its neighbours speak for it; where it has many they hardly count.
 *
 * @param alpha shape of the posterior
 * @param beta shape of the posterior
 * @param cell cases of the cell itself
 * @param family further cases of the method in the family
 * @param all further cases of the method in any family
 * @param start starting belief, 0 to 1
 */
public record Odds(double alpha, double beta, Cases cell, Cases family, Cases all, double start) {

    /** @throws IllegalArgumentException when a shape is not above 0 and finite */
    public Odds {
        if (!(alpha > 0 && beta > 0 && alpha + beta < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException("shapes must be above 0, were " + alpha + " and " + beta);
        }
    }

    /** How many cases a starting belief is worth. */
    private static final double START_CASES = 4;

    /** How many cases the neighbours' mean is worth. */
    private static final double POOLED_CASES = 6;

    private static final double TAIL = 0.1;

    /**
     * @param cell cases of the cell
     * @param family cases of the method in the family, those of the cell left out
     * @param all cases of the method in other families
     * @param start starting belief, above 0 and below 1
     */
    public static Odds of(Cases cell, Cases family, Cases all, double start) {
        if (!(start > 0 && start < 1)) {
            throw new IllegalArgumentException("start must lie between 0 and 1, was " + start);
        }
        double mean = pooled(start, START_CASES, all);
        mean = pooled(mean, POOLED_CASES, family);
        // With little on record a starting belief must not look surer than it is.
        double weight = Math.min(POOLED_CASES, START_CASES + all.tried() + family.tried());
        return new Odds(
                weight * mean + cell.reached(),
                weight * (1 - mean) + cell.tried() - cell.reached(),
                cell,
                family,
                all,
                start);
    }

    private static double pooled(double prior, double weight, Cases cases) {
        return (weight * prior + cases.reached()) / (weight + cases.tried());
    }

    /**
     * The same after so many attempts on the same head that did not suffice: heads differ, and each failure says that this one
     * is of the harder kind. With many cases on record it hardly counts.
     */
    public Odds after(int failures) {
        return new Odds(alpha, beta + failures, cell, family, all, start);
    }

    public double mean() {
        return alpha / (alpha + beta);
    }

    /** Lower end of the 80 % interval. */
    public double low() {
        return BetaDistribution.of(alpha, beta).inverseCumulativeProbability(TAIL);
    }

    /** Upper end of the 80 % interval. */
    public double high() {
        return BetaDistribution.of(alpha, beta).inverseCumulativeProbability(1 - TAIL);
    }

    /** Cases behind it, near and far. */
    public int cases() {
        return cell.tried() + family.tried() + all.tried();
    }
}
