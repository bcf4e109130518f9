package undoknot.procedure;

import java.math.BigDecimal;
import java.util.Objects;
import undoknot.procedure.Act.Finding;

/**
 * Something that was done, in the order of time.
 *
 * @param act null for a stroke at a port
 * @param channel where; null when it is about the machine
 * @param ml how much; null where it is not asked
 * @param finding what was seen; null where nobody looked
 */
public record Done(Act act, String channel, BigDecimal ml, Finding finding) {

    /** @throws IllegalArgumentException when it names a finding that cannot be seen there */
    public Done {
        if (act != null && finding != null && !act.findings().contains(finding)) {
            throw new IllegalArgumentException(finding + " cannot be seen at " + act);
        }
    }

    public static Done of(Act act) {
        return new Done(act, null, null, null);
    }

    public static Done of(Act act, Finding finding) {
        return new Done(act, null, null, finding);
    }

    public static Done in(String channel, Act act) {
        return new Done(act, channel, null, null);
    }

    /** Fluid through a channel. */
    public static Done stroke(String channel, BigDecimal ml) {
        return new Done(null, Objects.requireNonNull(channel, "channel"), Objects.requireNonNull(ml, "ml"), null);
    }

    boolean is(Act other) {
        return act == other;
    }
}
