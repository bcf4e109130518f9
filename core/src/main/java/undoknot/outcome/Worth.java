package undoknot.outcome;

/**
 * Whether one more attempt is worth its cost: go on while p·V − d·D &gt; c (handbook 13). Money in the shop's currency.
 *
 * @param chance p, chance that the next attempt reaches acceptance, 0 to 1
 * @param low lower end of its 80 % interval
 * @param high upper end of its 80 % interval
 * @param value V, what a recovered head is worth to the customer; never more than a replacement printer
 * @param harmChance d, chance that the attempt harms the head, 0 to 1
 * @param harmCost D, what that would cost from here: what the head can still do, and board or printer at risk
 * @param cost c, minutes of hands × rate + fluids
 * @param spent cost so far
 * @param priceLimit what the customer pays at most, or null when none was told
 */
public record Worth(
        double chance,
        double low,
        double high,
        double value,
        double harmChance,
        double harmCost,
        double cost,
        double spent,
        Double priceLimit) {

    public enum Verdict {
        GO_ON,
        /** Worth it or not within the interval of the chance. */
        CLOSE,
        STOP,
        /** One more attempt would cost more than the customer pays. */
        OVER_LIMIT
    }

    /** Expected gain of the attempt: p·V − d·D − c. */
    public double gain() {
        return chance * value - harmChance * harmCost - cost;
    }

    /** The chance at which stopping is advised: below (c + d·D) / V. At most 1; 1 as well when nothing is to be gained. */
    public double breakEven() {
        return value <= 0 ? 1 : Math.min(1, (cost + harmChance * harmCost) / value);
    }

    public Verdict verdict() {
        if (priceLimit != null && spent + cost > priceLimit) {
            return Verdict.OVER_LIMIT;
        }
        if (gain() <= 0) {
            return Verdict.STOP;
        }
        return low < breakEven() ? Verdict.CLOSE : Verdict.GO_ON;
    }

    public boolean saysStop() {
        return verdict() == Verdict.STOP || verdict() == Verdict.OVER_LIMIT;
    }
}
