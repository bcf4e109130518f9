package undoknot.server.practice;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.EnumMap;
import java.util.Map;
import org.springframework.lang.Nullable;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Priors;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.head.Machine;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.sitting.Part;
import undoknot.treatment.Treatment;

/**
 * What a shop has settled for itself.
 *
 * @param answers school chosen for each question; the default where none is
 * @param priors by family code: how often a head comes in with a cause, where it differs from the starting beliefs
 * @param limits by family code: limits that differ from those of the construction
 * @param ratePerHour what an hour of hands costs
 * @param partPrices what a new part costs, where the shop has said
 * @param marginShare what the shop adds to fluids and parts, as a share of their cost
 * @param taxShare tax on the whole bill, as a share of it
 * @param cycleInkMl by family code: ink that one cycle burns, by strength, mL, where the shop has said
 * @param riskShare what harm to board or printer would cost, as a share of a replacement printer
 */
public record HouseBook(
        @NotNull Map<HouseQuestion, String> answers,
        @NotNull Map<String, Map<Cause, Double>> priors,
        @NotNull Map<String, Limits> limits,

        @NotNull(message = "Enter what an hour of hands costs.")
        @DecimalMin(value = "0", message = "Enter 0 or more.")
        @DecimalMax(value = "1000", message = "Enter at most 1000.")
        BigDecimal ratePerHour,

        @NotNull(message = "Enter a share between 0 and 1.")
        @DecimalMin(value = "0", message = "Enter 0 to 1.")
        @DecimalMax(value = "1", message = "Enter 0 to 1.")
        BigDecimal riskShare,

        @Nullable Map<Part, BigDecimal> partPrices,
        @Nullable Map<String, Map<Treatment.Strength, BigDecimal>> cycleInkMl,

        @Nullable
        @DecimalMin(value = "0", message = "Enter 0 to 500 %.")
        @DecimalMax(value = "5", message = "Enter 0 to 500 %.")
        BigDecimal marginShare,

        @Nullable
        @DecimalMin(value = "0", message = "Enter 0 to 100 %.")
        @DecimalMax(value = "1", message = "Enter 0 to 100 %.")
        BigDecimal taxShare) {

    public HouseBook {
        partPrices = partPrices == null ? Map.of() : partPrices;
        cycleInkMl = cycleInkMl == null ? Map.of() : cycleInkMl;
        marginShare = marginShare == null ? BigDecimal.ZERO : marginShare;
        taxShare = taxShare == null ? BigDecimal.ZERO : taxShare;
    }

    /** What a new shop starts from. */
    static final HouseBook START = new HouseBook(
            Map.of(), Map.of(), Map.of(), new BigDecimal("36"), new BigDecimal("0.2"), Map.of(), Map.of(), null, null);

    public HouseRules rules() {
        return HouseRules.named(answers);
    }

    /** Ink that one cycle of a family burns, mL: what the shop has said, or else what the family says. */
    public Map<Treatment.Strength, BigDecimal> cycleInk(Family family) {
        Map<Treatment.Strength, BigDecimal> ink = new EnumMap<>(Treatment.Strength.class);
        Machine.CycleInk usual = family.machine().cycleInk();
        put(ink, Treatment.Strength.LIGHT, usual.lightMl());
        put(ink, Treatment.Strength.NORMAL, usual.normalMl());
        put(ink, Treatment.Strength.STRONG, usual.strongMl());
        ink.putAll(cycleInkMl.getOrDefault(family.code(), Map.of()));
        return ink;
    }

    private static void put(Map<Treatment.Strength, BigDecimal> ink, Treatment.Strength strength, Double ml) {
        if (ml != null) {
            ink.put(strength, BigDecimal.valueOf(ml));
        }
    }

    /** The answer to every question, by its name. */
    public Map<HouseQuestion, String> names() {
        Map<HouseQuestion, String> names = new EnumMap<>(HouseQuestion.class);
        rules().answers().forEach((question, school) -> names.put(question, school.name()));
        return names;
    }

    public Priors priorsFor(String family) {
        return Priors.DEFAULT.with(priors.getOrDefault(family, Map.of()));
    }
}
