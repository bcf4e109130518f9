package undoknot.server.plan;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.springframework.lang.Nullable;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.plan.Dose;
import undoknot.plan.Plan;
import undoknot.server.problem.Refused;
import undoknot.treatment.Method;

/**
 * A plan as somebody wants it.
 *
 * @param works in the order in which they are to be done
 */
record PlanEntry(
        @NotNull(message = "Give the works of the plan; the list may be empty.")
        @Size(max = MOST, message = "Plan at most {max} attempts.")
        List<@Valid @NotNull PlannedWork> works) {

    private static final int MOST = 24;
    private static final String DOSE = "Enter a dose of 0.05 to 500 mL.";

    /**
     * One piece of work; what is absent goes by the rules.
     *
     * @param ml of each port
     * @param mlAt of single ports by channel
     * @param seconds of each stroke
     * @param minutes of the soak or wait
     */
    record PlannedWork(
            @NotNull(message = "Choose a method.") Method method,

            @NotNull(message = "Choose the channels.") List<@NotNull String> channels,

            @Nullable @DecimalMin(value = "0.05", message = DOSE) @DecimalMax(value = "500", message = DOSE)
            Double ml,

            @Nullable
            Map<
                            String,
                            @NotNull @DecimalMin(value = "0.05", message = DOSE)
                            @DecimalMax(value = "500", message = DOSE) Double>
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
            Double suctionKpa) {

        Plan.Chosen chosen() {
            return new Plan.Chosen(method, channels, new Dose(ml, mlAt, seconds, minutes, temperatureC, suctionKpa));
        }
    }

    /** @throws Refused at a channel that the family does not have */
    List<Plan.Chosen> chosen(Family family) {
        List<String> codes = family.channels().stream().map(Channel::code).toList();
        for (int i = 0; i < works.size(); i++) {
            PlannedWork work = works.get(i);
            if (!codes.containsAll(work.channels) || work.channels.isEmpty() && !work.method.isWholeHead()) {
                throw Refused.entry(
                        "works[" + i + "].channels", "CHANNELS", "Choose channels that this head has: " + codes + ".");
            }
        }
        return works.stream().map(PlannedWork::chosen).toList();
    }
}
