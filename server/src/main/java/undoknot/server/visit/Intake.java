package undoknot.server.visit;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.lang.Nullable;
import undoknot.fluid.InkChemistry;
import undoknot.head.FoodStanding.Answer;
import undoknot.nozzle.JobClass;
import undoknot.observation.Symptom;

/**
 * What matters later (handbook 4), in the order in which a technician asks. What nobody knows stays out.
 *
 * @param customerId key of a customer chosen from the list, or a new one made by the client
 * @param headId key for a head not seen before; a known serial keeps its own
 * @param printerPrice what a whole replacement printer costs
 * @param idleDays how long idle, days
 * @param inkAgeMonths age of the ink, months
 * @param cyclesBefore printer cycles already run, unasked ones included
 * @param damperAgeMonths age of the dampers, months
 * @param priceLimit what the customer will pay at most
 */
public record Intake(
        @NotNull UUID customerId,

        @NotBlank(message = "Enter the customer's name.") @Size(max = 200, message = TOO_LONG)
        String customerName,

        @NotBlank(message = "Enter a phone number or an address, so that the head can go back.")
        @Size(max = 200, message = TOO_LONG)
        String contact,

        @NotBlank(message = "Choose a family.") @Size(max = 24, message = TOO_LONG)
        String familyCode,

        @NotNull UUID headId,

        @NotBlank(message = "Enter the serial. No serial on the head: write one on its tag.")
        @Size(max = 80, message = TOO_LONG)
        String serial,

        @Nullable @Size(max = 200, message = TOO_LONG) String printer,

        @Nullable @DecimalMin(value = "0", message = NOT_NEGATIVE)
        BigDecimal printerPrice,

        @NotEmpty(message = "Say what each port carries.") @Valid
        List<PortInk> ports,

        @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 600, message = "Enter at most 600 months.")
        Integer inkAgeMonths,

        @Nullable @Size(max = 200, message = TOO_LONG) String lastShaken,

        @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 20000, message = "Enter at most 20000 days.")
        Integer idleDays,

        @Nullable Climate climate,
        @Nullable Answer mainsPower,
        @Nullable @Size(max = 500, message = TOO_LONG) String printingWhenFailed,
        @NotEmpty(message = "Choose at least one symptom.") List<Symptom> symptoms,
        @Nullable @Size(max = 500, message = TOO_LONG) String errorShown,

        @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 999, message = "Enter at most 999 cycles.")
        Integer cyclesBefore,

        @Nullable @Size(max = 500, message = TOO_LONG) String pouredIn,
        @Nullable @Size(max = 500, message = TOO_LONG) String cartridges,

        @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 99, message = "Enter at most 99 refills.")
        Integer refills,

        @Nullable Answer leftOut,
        @Nullable Answer setupCartridges,

        @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 600, message = "Enter at most 600 months.")
        Integer damperAgeMonths,

        @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 99, message = "Enter at most 99 times.")
        Integer dampersCleaned,

        @Nullable Answer printedEmpty,

        @NotNull(message = "Say whether the head ever carried ink that is not for food, or that nobody knows.")
        Answer everNonFood,

        @NotNull(message = "Choose what the head must be good for.")
        JobClass jobClass,

        @NotNull(message = "Enter the day it is promised for.")
        LocalDate promisedOn,

        @Nullable @DecimalMin(value = "0", message = NOT_NEGATIVE)
        BigDecimal priceLimit,

        @Nullable @Size(max = 500, message = TOO_LONG) String accessories,

        @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 999, message = "Enter at most 999 parts.")
        Integer screwsAndClips) {

    static final String TOO_LONG = "This is too long. Keep it to {max} signs.";
    static final String NOT_NEGATIVE = "Enter 0 or more.";

    /**
     * What one port carries. The colour on the machine's label is the family's; the ink in the line need not agree.
     */
    public record PortInk(
            @NotBlank String channel,

            @NotBlank(message = "Say which colour is in the line.") @Size(max = 60, message = TOO_LONG)
            String inkInLine,

            @NotNull(message = "Choose the kind of ink.") InkChemistry chemistry,
            boolean makersOwn) {}

    public enum Climate {
        HOT_DRY,
        TEMPERATE,
        DAMP
    }

    public boolean carriesFoodInk() {
        return ports.stream().anyMatch(port -> port.chemistry().food());
    }

    /** Ink of each channel by its code. */
    public Map<String, InkChemistry> inks() {
        return ports.stream().collect(Collectors.toMap(PortInk::channel, PortInk::chemistry, (a, b) -> a));
    }
}
