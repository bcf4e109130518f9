package undoknot.server.family;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.head.Machine;
import undoknot.server.problem.Refused;

/**
 * A family as it is typed, and as it stands in a file (family.schema.json).
 *
 * @param channels in the order of the ports as seen from the front
 * @param limits those of the construction where absent
 */
record FamilyFile(
        @NotBlank(message = "Enter a short code.")
        @Pattern(regexp = "[A-Z0-9][A-Z0-9-]{1,23}", message = "Use 2 to 24 capitals, digits and dashes.")
        String code,

        @NotBlank(message = "Enter the name.") @Size(max = 120, message = "Keep it to {max} signs.")
        String name,

        @NotNull(message = "Choose how it is built.") Construction construction,

        @NotEmpty(message = "Enter at least one channel.") @Size(max = 16, message = "Enter at most {max} channels.")
        List<@Valid PortFile> channels,

        @Min(value = 1, message = WHOLE) @Max(value = 400, message = WHOLE)
        int stairs,

        @Min(value = 1, message = WHOLE) @Max(value = 400, message = WHOLE)
        int steps,

        @Min(value = 1, message = "Enter 1 to 16.") @Max(value = 16, message = "Enter 1 to 16.")
        int driveGroups,

        @DecimalMin(value = "5", message = "Enter 5 to 100 µm.")
        @DecimalMax(value = "100", message = "Enter 5 to 100 µm.")
        double boreUm,

        @DecimalMin(value = "5", message = "Enter 5 to 300 µm.")
        @DecimalMax(value = "300", message = "Enter 5 to 300 µm.")
        double plateUm,

        @NotNull(message = "Enter the ways, or none.")
        List<@NotBlank(message = "Enter the way.") @Size(max = 200, message = "Keep it to {max} signs.") String>
                freeCarriage,

        @Nullable Limits limits,
        @Nullable Machine machine) {

    private static final String WHOLE = "Enter a whole number from 1 to 400.";

    /** A channel with its port and what fits it. */
    record PortFile(
            @NotBlank(message = "Enter its letters.")
            @Pattern(regexp = "[A-Za-z]{1,3}", message = "Use one to three letters.")
            String code,

            @NotBlank(message = "Enter its colour.") @Size(max = 60, message = "Keep it to {max} signs.")
            String colour,

            @NotBlank(message = "Choose a colour.")
            @Pattern(regexp = "#[0-9a-fA-F]{6}", message = "Enter it as #rrggbb.")
            String ink,

            @NotBlank(message = "Say what ink enters by.") @Size(max = 200, message = "Keep it to {max} signs.")
            String port,

            @NotNull(message = "Choose what fits.") Channel.Fitting fitting) {}

    static FamilyFile of(Family f) {
        return new FamilyFile(
                f.code(),
                f.name(),
                f.construction(),
                f.channels().stream()
                        .map(c -> new PortFile(c.code(), c.colour(), c.ink(), c.port(), c.fitting()))
                        .toList(),
                f.stairs(),
                f.steps(),
                f.driveGroups(),
                f.boreUm(),
                f.plateUm(),
                f.freeCarriage(),
                f.ownLimits(),
                f.machine());
    }

    /** @throws Refused on the entry that makes no family */
    Family family() {
        int nozzles = stairs * steps;
        if (nozzles > 4096) {
            throw Refused.entry(
                    "family.stairs", "RANGE", "Stairs × steps make " + nozzles + " nozzles. Enter up to 4096.");
        }
        if (nozzles % driveGroups != 0) {
            throw Refused.entry(
                    "family.driveGroups",
                    "RANGE",
                    nozzles + " nozzles do not part into " + driveGroups + " equal groups. Enter another number.");
        }
        long distinct = channels.stream().map(PortFile::code).distinct().count();
        if (distinct < channels.size()) {
            throw Refused.entry(
                    "family.channels", "TWICE", "Each channel has letters of its own. Change the double ones.");
        }
        return new Family(
                code,
                name.strip(),
                construction,
                channels.stream()
                        .map(c -> new Channel(
                                c.code(),
                                c.colour().strip(),
                                c.ink().toLowerCase(),
                                c.port().strip(),
                                nozzles,
                                c.fitting()))
                        .toList(),
                stairs,
                steps,
                driveGroups,
                boreUm,
                plateUm,
                freeCarriage,
                limits,
                machine);
    }
}
