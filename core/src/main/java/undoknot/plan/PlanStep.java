package undoknot.plan;

import java.util.List;
import java.util.Objects;
import undoknot.flow.Sum;
import undoknot.fluid.FluidKind;
import undoknot.observation.Look;

/**
 * One step of an attempt.
 *
 * @param channels ports or channels it is done at, in the order in which they are done; empty when it is about the head
 * @param look what is looked at; null for other steps
 * @param fluid kind of fluid; null when none goes with it
 * @param ml fluid in all, mL
 * @param numbers every number of the step with its formula: doses, seconds, force, temperature, times
 * @param hands minutes of hands
 * @param waiting minutes that nothing is to be done; the hands are free
 */
public record PlanStep(
        Doing doing,
        List<String> channels,
        Look look,
        FluidKind fluid,
        double ml,
        List<Sum> numbers,
        Sum hands,
        Sum waiting) {

    public PlanStep {
        Objects.requireNonNull(doing, "doing");
        channels = List.copyOf(channels);
        numbers = List.copyOf(numbers);
    }

    public double handsMinutes() {
        return hands.value();
    }

    public double waitMinutes() {
        return waiting.value();
    }
}
