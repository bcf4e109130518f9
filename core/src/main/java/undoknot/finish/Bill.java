package undoknot.finish;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * What a visit costs (handbook 12, when to stop, and 14): hours of hands at the rate of the house, fluids and parts with its
 * margin, and tax on all of it. Money in the shop's currency, two places, half up.
 *
 * @param minutes of hands
 * @param hands minutes ÷ 60 × rate
 * @param fluids what left the bottles, at cost
 * @param parts new parts, at cost
 * @param margin on fluids and parts
 * @param net before tax; the price that was agreed where there is one
 * @param agreed whether the net price was agreed instead of worked out
 * @param total with tax
 * @param limit what the customer said to pay at most; null where nobody said
 * @param overLimit by how much the total goes over it; null where it does not
 */
public record Bill(
        int minutes,
        BigDecimal hands,
        BigDecimal fluids,
        BigDecimal parts,
        BigDecimal margin,
        BigDecimal net,
        boolean agreed,
        BigDecimal tax,
        BigDecimal total,
        BigDecimal limit,
        BigDecimal overLimit) {

    /**
     * What the house reckons with.
     *
     * @param ratePerHour an hour of hands
     * @param marginShare on fluids and parts, 0 to 5
     * @param taxShare on the whole, 0 to 1
     */
    public record Terms(BigDecimal ratePerHour, BigDecimal marginShare, BigDecimal taxShare) {}

    /**
     * @param agreed net price that was agreed with the customer; null for the sum
     * @param limit with tax; null where nobody said
     */
    public static Bill of(
            Terms terms, int minutes, BigDecimal fluids, BigDecimal parts, BigDecimal agreed, BigDecimal limit) {
        BigDecimal hands = money(terms.ratePerHour()
                .multiply(BigDecimal.valueOf(minutes))
                .divide(BigDecimal.valueOf(60), 6, RoundingMode.HALF_UP));
        BigDecimal fluidCost = money(fluids);
        BigDecimal partCost = money(parts);
        BigDecimal margin = money(fluidCost.add(partCost).multiply(terms.marginShare()));
        BigDecimal net = agreed == null ? hands.add(fluidCost).add(partCost).add(margin) : money(agreed);
        BigDecimal tax = money(net.multiply(terms.taxShare()));
        BigDecimal total = net.add(tax);
        BigDecimal over = limit == null ? BigDecimal.ZERO : total.subtract(limit);
        return new Bill(
                minutes,
                hands,
                fluidCost,
                partCost,
                margin,
                net,
                agreed != null,
                tax,
                total,
                limit,
                over.signum() > 0 ? money(over) : null);
    }

    private static BigDecimal money(BigDecimal amount) {
        return amount.setScale(2, RoundingMode.HALF_UP);
    }
}
