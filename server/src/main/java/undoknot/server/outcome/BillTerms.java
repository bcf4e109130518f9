package undoknot.server.outcome;

import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import org.springframework.lang.Nullable;

/**
 * What was entered of a bill; the rest is worked out.
 *
 * @param minutes of hands as they were really spent; absent for the sum of what was logged
 * @param agreed price before tax that was agreed with the customer; absent for the sum
 * @param note a word with the price
 */
public record BillTerms(
        @Nullable @Min(value = 0, message = MINUTES) @Max(value = 20000, message = MINUTES)
        Integer minutes,

        @Nullable @DecimalMin(value = "0", message = WorthTerms.MONEY)
        BigDecimal agreed,

        @Nullable @Size(max = 500, message = "Keep it to {max} signs.")
        String note) {

    private static final String MINUTES = "Enter 0 to 20000 minutes.";

    static final BillTerms NONE = new BillTerms(null, null, null);
}
