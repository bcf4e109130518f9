package undoknot.sitting;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import undoknot.treatment.Method;

/**
 * What a method is asked besides channels, fluid and time (handbook 8), one line each: for which methods, and between which
 * bounds. A yes or no is kept as 1 or 0. None is ever filled in beforehand.
 */
public enum Asked {
    /** Ink burned, mL. */
    INK_ML(500, Method.CYCLE, Method.CYCLE_STRONG, Method.CHARGE, Method.PAGE, Method.SYSTEM),
    /** A cycle that the machine started by itself. */
    UNASKED(Method.CYCLE),
    /** A cycle that was started only to free the carriage. */
    TO_FREE_CARRIAGE(Method.CYCLE),
    /** Times that steam touched the face. */
    CONTACTS(30, Method.STEAM),
    /** Length of a contact, s. */
    CONTACT_SECONDS(30, Method.STEAM),
    /** Pause between contacts, s. */
    PAUSE_SECONDS(600, Method.STEAM),
    /** Cartridges taken off while a pad lies under the head: it siphons ink out of connected ones. */
    CARTRIDGES_OFF(Method.PAD, Method.VAPOUR),
    /** Strokes of a pad or a swab. */
    STROKES(100, Method.WIPE, Method.UNDERSIDE, Method.VAPOUR, Method.STRIP),
    /** A dry lint-free pass at the end. */
    DRY_PASS(Method.WIPE),
    /** Fluid of a bath that stood in the tank already: none is drawn for it. */
    TANK_REUSED(Method.BATH),
    /** Time the tank ran before the head went in, min. */
    DEGASSED_MINUTES(60, Method.BATH);

    private final int most;
    private final boolean yesNo;
    private final List<Method> methods;

    Asked(int most, Method... methods) {
        this.most = most;
        this.yesNo = false;
        this.methods = List.of(methods);
    }

    Asked(Method... methods) {
        this.most = 1;
        this.yesNo = true;
        this.methods = List.of(methods);
    }

    /** Greatest value that makes sense, in its unit. */
    public int most() {
        return most;
    }

    public boolean isYesNo() {
        return yesNo;
    }

    public boolean isAskedOf(Method method) {
        return methods.contains(method);
    }

    public static List<Asked> of(Method method) {
        return Arrays.stream(values()).filter(a -> a.isAskedOf(method)).toList();
    }

    /** Whether a value can be an answer: 0 to the most, and nothing between yes and no. */
    public boolean takes(BigDecimal value) {
        boolean within = value.signum() >= 0 && value.compareTo(BigDecimal.valueOf(most)) <= 0;
        return within && (!yesNo || value.signum() == 0 || value.compareTo(BigDecimal.ONE) == 0);
    }
}
