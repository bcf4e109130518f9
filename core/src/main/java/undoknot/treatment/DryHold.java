package undoknot.treatment;

import java.time.Duration;
import java.util.Objects;
import undoknot.head.Construction;
import undoknot.practice.HouseRules;
import undoknot.practice.School;

/** How long a head is kept from power after it got wet (handbook 12, hold after wet work). */
public final class DryHold {

    /** Laminated heads, and every head that was drawn through. */
    private static final Duration A_DAY = Duration.ofHours(24);

    private static final Duration RINSED_IN_MOVING_AIR = Duration.ofHours(2);

    /** Volatile fluid at contacts, or of a pad that was taken out, is gone after that. */
    public static final Duration EVAPORATES = Duration.ofMinutes(15);

    private DryHold() {}

    /**
     * @param by the work that wetted it; null when something else did
     * @param contactsSeenDry whether somebody looked at contacts and board afterwards and found them dry
     */
    public static Duration of(
            Wet wet, Method by, Construction construction, HouseRules house, boolean contactsSeenDry) {
        Objects.requireNonNull(wet, "wet");
        Duration needed = wet.hold();
        boolean openAndRinsed = by == Method.RINSE && construction == Construction.THERMAL_OPEN && wet == Wet.BODY;
        if (openAndRinsed && contactsSeenDry && house.says(School.Hold.RINSED_OPEN_TWO_HOURS)) {
            needed = RINSED_IN_MOVING_AIR;
        }
        if (construction == Construction.LAMINATED_PIEZO || by == Method.DRAW_BACK) {
            needed = A_DAY;
        }
        Duration atLeast = house.leastHold();
        return needed.compareTo(atLeast) < 0 ? atLeast : needed;
    }
}
