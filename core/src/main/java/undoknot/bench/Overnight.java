package undoknot.bench;

import java.util.List;
import undoknot.plan.Doing;
import undoknot.plan.PlanStep;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;

/**
 * How long a wait may become when nobody comes to end it (handbook 8): a soak may run up to the last rung of its ladder, which is a night;
 * a bath may not run on, and a fluid that was warmed goes cold.
 */
final class Overnight {

    /** A rung of twelve hours has to be ended by somebody: from one closing to the next opening. */
    static final int NIGHT = 16 * 60;

    /** Wetted again every three hours, or it dries (handbook 8). */
    private static final int VAPOUR = 180;

    private static final int WARM_FLUID = 10;

    /** A raised reservoir that ran out leaves fluid standing in the channel. */
    private static final int RUNNING_OUT = 30;

    private Overnight() {}

    /**
     * @param steps of the stint that the wait ends, in their order
     * @param wait the step that waits
     * @param minutes planned
     * @return minutes after which somebody has to go on; {@link Stint#ANY} where waiting on does no harm
     */
    static int most(Method method, List<PlanStep> steps, PlanStep wait, int minutes) {
        return switch (wait.doing()) {
            case HOLD, REST, AIR_COVERS, EVAPORATE, FLUSH_SYSTEM -> Stint.ANY;
            case STAND -> stand(method, steps, minutes);
            case WARM_FLUID -> minutes + WARM_FLUID;
            case STROKE, PULSES, SECOND_STROKE -> minutes + RUNNING_OUT;
            default -> minutes;
        };
    }

    /** How much longer than planned what runs may run, minutes; {@link Stint#ANY} where that does no harm. */
    static int slack(Method method) {
        if (method == null) {
            return Stint.ANY;
        }
        return switch (method) {
            case BATH, VAPOUR -> 0;
            case FLUSH, PORT_SOAK, WARM, PAD, TRAY_SOAK -> NIGHT;
            default -> Stint.ANY;
        };
    }

    private static int stand(Method method, List<PlanStep> steps, int minutes) {
        if (method == Method.VAPOUR) {
            return Math.max(minutes, VAPOUR);
        }
        boolean siphons = method == Method.PAD
                && steps.stream().anyMatch(s -> s.doing() == Doing.MAINS_OFF)
                && steps.stream().noneMatch(s -> s.doing() == Doing.CARTRIDGES_OFF);
        return siphons ? Math.max(minutes, Gates.PAD_MINUTES) : Math.max(minutes, NIGHT);
    }
}
