package undoknot.server.visit;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import org.springframework.lang.Nullable;
import undoknot.flow.Syringe;
import undoknot.plan.Dose;
import undoknot.plan.Plan;
import undoknot.treatment.Method;

/**
 * One piece of work; what is absent goes by the rules.
 *
 * @param ml of each port
 * @param mlAt of single ports by channel
 * @param seconds of each stroke
 * @param minutes of the soak or wait
 */
public record PlannedWork(
        @NotNull(message = "Choose a method.") Method method,

        @NotNull(message = "Choose the channels.") List<@NotNull String> channels,

        @Nullable @DecimalMin(value = "0.05", message = DOSE) @DecimalMax(value = "500", message = DOSE)
        Double ml,

        @Nullable
        Map<
                        String,
                        @NotNull @DecimalMin(value = "0.05", message = DOSE) @DecimalMax(value = "500", message = DOSE)
                        Double>
                mlAt,

        @Nullable
        @Min(value = 1, message = "Enter 1 to 3600 seconds.")
        @Max(value = 3600, message = "Enter 1 to 3600 seconds.")
        Integer seconds,

        @Nullable
        @Min(value = 1, message = "Enter 1 minute to two days.")
        @Max(value = 2880, message = "Enter 1 minute to two days.")
        Integer minutes,

        @Nullable
        @DecimalMin(value = "0", message = "Enter 0 to 100 °C.")
        @DecimalMax(value = "100", message = "Enter 0 to 100 °C.")
        Double temperatureC,

        @Nullable
        @DecimalMin(value = "1", message = "Enter 1 to 500 kPa.")
        @DecimalMax(value = "500", message = "Enter 1 to 500 kPa.")
        Double suctionKpa,

        @Nullable Syringe syringe,
        @Nullable Syringe.Thumb force) {

    private static final String DOSE = "Enter a dose of 0.05 to 500 mL.";

    public Plan.Chosen chosen() {
        return new Plan.Chosen(
                method, channels, new Dose(ml, mlAt, seconds, minutes, temperatureC, suctionKpa, syringe, force));
    }
}
