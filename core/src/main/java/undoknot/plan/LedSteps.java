package undoknot.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import undoknot.observation.Look;
import undoknot.treatment.Method;

/**
 * The steps of one attempt, gone through one by one at the bench.
 *
 * @param steps in their order, up to the check that judges them
 */
public record LedSteps(Method method, List<PlanStep> steps) {

    /** How far a step is. */
    public enum State {
        DONE,
        /** Nobody tapped it, but what comes after it is in the record. */
        PASSED,
        NOW,
        LATER
    }

    /** @param number its place, from 0 */
    public record Led(int number, PlanStep step, DoneBy doneBy, State state) {}

    public LedSteps {
        Objects.requireNonNull(method, "method");
        steps = List.copyOf(steps);
    }

    /** An attempt as it is led: what judges it is advised anew after its first check (handbook 13, rule 3). */
    public static LedSteps of(Method method, List<PlanStep> before, List<PlanStep> attempt) {
        List<PlanStep> led = new ArrayList<>(before);
        for (PlanStep step : attempt) {
            led.add(step);
            if (step.doing() == Doing.CHECK) {
                break;
            }
        }
        return new LedSteps(method, led);
    }

    /**
     * How far it is. What the record holds needs no tap, and what was taken back there is open again.
     *
     * @param tapped numbers of the steps that were tapped
     * @param happened what the record shows since these steps were begun
     * @param looked the looks at which something was found since: another look is none
     */
    public List<Led> state(Set<Integer> tapped, Set<DoneBy> happened, Set<Look> looked) {
        Set<DoneBy> seen = happened.isEmpty() ? EnumSet.noneOf(DoneBy.class) : EnumSet.copyOf(happened);
        int reached = -1;
        for (int i = 0; i < steps.size(); i++) {
            DoneBy by = doneBy(i);
            if (by.isFromRecord() && !by.isTimeAlone() && isDone(i, seen, looked)) {
                reached = i;
            }
        }
        List<Led> led = new ArrayList<>();
        boolean isNow = false;
        for (int i = 0; i < steps.size(); i++) {
            DoneBy by = doneBy(i);
            boolean done = by.isFromRecord() ? isDone(i, seen, looked) : tapped.contains(i);
            State state = done ? State.DONE : i < reached && !by.isFromRecord() ? State.PASSED : State.LATER;
            if (isNow) {
                state = State.LATER;
            } else if (state == State.LATER) {
                state = State.NOW;
                isNow = true;
            }
            led.add(new Led(i, steps.get(i), by, state));
        }
        return led;
    }

    private boolean isDone(int number, Set<DoneBy> seen, Set<Look> looked) {
        DoneBy by = doneBy(number);
        return by == DoneBy.LOOKED ? looked.contains(steps.get(number).look()) : seen.contains(by);
    }

    public DoneBy doneBy(int number) {
        return DoneBy.of(steps.get(number).doing(), method);
    }

    /** The step in hand; empty when all are done. */
    public static Optional<Led> now(List<Led> led) {
        return led.stream().filter(step -> step.state == State.NOW).findFirst();
    }
}
