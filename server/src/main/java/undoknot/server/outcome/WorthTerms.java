package undoknot.server.outcome;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import java.math.BigDecimal;
import org.springframework.lang.Nullable;

/**
 * The terms of "worth going on" as far as somebody entered them for a visit; the others are worked out. Money in the shop's
 * currency.
 *
 * @param headPrice what a replacement head costs
 * @param value V, what a recovered head is worth to the customer
 * @param chance p, where the shop knows better than its record, 0 to 1
 * @param harmChance d, chance that the next attempt harms the head, 0 to 1
 * @param harmCost D, what that would cost from here
 * @param minutes minutes of hands of the next attempt
 * @param fluids fluids of the next attempt
 */
public record WorthTerms(
        @Nullable @DecimalMin(value = "0", message = MONEY) BigDecimal headPrice,

        @Nullable @DecimalMin(value = "0", message = MONEY) BigDecimal value,

        @Nullable @DecimalMin(value = "0", message = SHARE) @DecimalMax(value = "1", message = SHARE)
        BigDecimal chance,

        @Nullable @DecimalMin(value = "0", message = SHARE) @DecimalMax(value = "1", message = SHARE)
        BigDecimal harmChance,

        @Nullable @DecimalMin(value = "0", message = MONEY) BigDecimal harmCost,

        @Nullable
        @DecimalMin(value = "0", message = "Enter 0 or more minutes.")
        @DecimalMax(value = "2000", message = "Enter at most {value} minutes.")
        BigDecimal minutes,

        @Nullable @DecimalMin(value = "0", message = MONEY) BigDecimal fluids) {

    static final String MONEY = "Enter 0 or more.";
    static final String SHARE = "Enter 0 to 100 %.";

    static final WorthTerms NONE = new WorthTerms(null, null, null, null, null, null, null);
}
