package undoknot.bench;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import undoknot.plan.Doing;
import undoknot.plan.PlanStep;
import undoknot.treatment.Method;

/** Steps without a break, and the wait that ends them. */
final class Piece {

    /** Nobody leaves for less, minutes: such a wait is stood by. */
    private static final int STOOD_BY = 5;

    private final Method method;
    private final List<PlanStep> steps = new ArrayList<>();
    private final Set<Place> places = EnumSet.noneOf(Place.class);
    private PlanStep firstOpen;
    private boolean isWaitOver = true;
    private double hands;
    private int least;
    private int most = Stint.ANY;

    Piece(Method method) {
        this.method = method;
    }

    /** @param done whether it is done already */
    void take(PlanStep step, boolean done, Set<Place> needs) {
        steps.add(step);
        places.addAll(needs);
        if (waits(step)) {
            int minutes = (int) Math.ceil(step.waitMinutes());
            least = minutes;
            most = Overnight.most(method, steps, step, minutes);
        }
        if (!done) {
            firstOpen = firstOpen == null ? step : firstOpen;
            hands += step.handsMinutes() + (waits(step) ? 0 : step.waitMinutes());
            isWaitOver = false;
        }
    }

    static boolean waits(PlanStep step) {
        return step.waitMinutes() > STOOD_BY;
    }

    boolean isEmpty() {
        return steps.isEmpty();
    }

    Doing begins() {
        return steps.get(0).doing();
    }

    Doing last() {
        return steps.get(steps.size() - 1).doing();
    }

    Doing firstOpen() {
        return firstOpen.doing();
    }

    /** Minutes of hands that are left. */
    int hands() {
        return (int) Math.ceil(hands - 1e-9);
    }

    /** Minutes of the wait; none once it is over. */
    int least() {
        return isWaitOver ? 0 : least;
    }

    int most() {
        return most;
    }

    Set<Place> places() {
        return places;
    }
}
