package undoknot.server.visit;

import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.procedure.InkNeed;
import undoknot.procedure.SystemNeed;

/**
 * What an ink change or a whole-system flush was worked out from: one of the two.
 *
 * @param ink of an ink change
 * @param inks what each port will carry after an ink change
 * @param system of a whole-system flush
 */
public record Need(
        @Nullable InkNeed ink,
        List<Intake.PortInk> inks,
        @Nullable SystemNeed system) {

    public static final Need NONE = new Need(null, List.of(), null);

    public Need {
        inks = inks == null ? List.of() : List.copyOf(inks);
    }
}
