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
import undoknot.outcome.Purpose;

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
 * @param purpose what it comes in for; absent in what was told before that was asked, which is a repair
 * @param lastShaken in words, as it was told before a day was asked for
 * @param symptomAt where a symptom shows, and in which channels
 * @param ports channels that this printer carries; those of the family that are not named are not there
 */
@SymptomOfRepair
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
        @Nullable List<Symptom> symptoms,
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
        Integer screwsAndClips,

        @Nullable Purpose purpose,
        @Nullable LocalDate lastShakenOn,
        @Nullable List<@Valid SymptomAt> symptomAt) {

    public Intake {
        purpose = purpose == null ? Purpose.REPAIR : purpose;
        symptoms = symptoms == null ? List.of() : symptoms;
        symptomAt = symptomAt == null ? List.of() : symptomAt;
    }

    /** Where on the sheet a symptom shows. */
    public enum SheetPlace {
        TOP,
        MIDDLE,
        FOOT,
        LEFT_EDGE,
        RIGHT_EDGE,
        SAME_HEIGHT,
        ALL_OVER
    }

    /**
     * A symptom more closely.
     *
     * @param channels those that show it; empty where nobody said
     */
    public record SymptomAt(
            @NotNull Symptom symptom,
            List<String> channels,
            @Nullable SheetPlace place) {
        public SymptomAt {
            channels = channels == null ? List.of() : List.copyOf(channels);
        }
    }

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
            boolean makersOwn,

            @Nullable @Min(value = 0, message = NOT_NEGATIVE) @Max(value = 99, message = "Enter at most 99 refills.")
            Integer refills) {

        public PortInk(String channel, String inkInLine, InkChemistry chemistry, boolean makersOwn) {
            this(channel, inkInLine, chemistry, makersOwn, null);
        }
    }

    public enum Climate {
        HOT_DRY,
        TEMPERATE,
        DAMP
    }

    /** The same with the keys that the shop already has for this head and this customer. */
    public Intake with(UUID customer, UUID head) {
        return with(customer, head, ports);
    }

    /** The same with other ink at the ports. */
    public Intake with(List<PortInk> inks) {
        return with(customerId, headId, inks);
    }

    private Intake with(UUID customer, UUID head, List<PortInk> inks) {
        return new Intake(
                customer,
                customerName,
                contact,
                familyCode,
                head,
                serial,
                printer,
                printerPrice,
                inks,
                inkAgeMonths,
                lastShaken,
                idleDays,
                climate,
                mainsPower,
                printingWhenFailed,
                symptoms,
                errorShown,
                cyclesBefore,
                pouredIn,
                cartridges,
                refills,
                leftOut,
                setupCartridges,
                damperAgeMonths,
                dampersCleaned,
                printedEmpty,
                everNonFood,
                jobClass,
                promisedOn,
                priceLimit,
                accessories,
                screwsAndClips,
                purpose,
                lastShakenOn,
                symptomAt);
    }

    /** Channels that this printer carries. */
    public List<String> channels() {
        return ports == null ? List.of() : ports.stream().map(PortInk::channel).toList();
    }

    public boolean carriesFoodInk() {
        return ports.stream().anyMatch(port -> port.chemistry().food());
    }

    /** Ink of each channel by its code. */
    public Map<String, InkChemistry> inks() {
        return ports.stream().collect(Collectors.toMap(PortInk::channel, PortInk::chemistry, (a, b) -> a));
    }
}
