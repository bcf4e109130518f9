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
 * @throws IllegalArgumentException when a chance is not 0 to 1, low is above high, or an amount is negative or no number
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

    public Worth {
        share("chance", chance);
        share("low", low);
        share("high", high);
        share("harmChance", harmChance);
        if (low > high) {
            throw new IllegalArgumentException("low must not be above high, were " + low + " and " + high);
        }
        amount("value", value);
        amount("harmCost", harmCost);
        amount("cost", cost);
        amount("spent", spent);
        if (priceLimit != null) {
            amount("priceLimit", priceLimit);
        }
    }

    private static void share(String name, double value) {
        if (!(value >= 0 && value <= 1)) {
            throw new IllegalArgumentException(name + " must be 0 to 1, was " + value);
        }
    }

    private static void amount(String name, double value) {
        if (!(value >= 0 && value < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException(name + " must be 0 or more and finite, was " + value);
        }
    }

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

    /** Whether one more attempt would be worth it, and only costs more than the customer said to pay: the customer is asked. */
    public boolean isOverLimitAlone() {
        return verdict() == Verdict.OVER_LIMIT && gain() > 0;
    }

    public boolean saysStop() {
        return verdict() == Verdict.STOP || verdict() == Verdict.OVER_LIMIT;
    }
}
