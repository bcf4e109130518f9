package undoknot.sitting;

import java.util.List;
import java.util.Objects;
import undoknot.head.Machine;

/**
 * One printed pass of an alignment: the step that looks best at each position (handbook 14).
 *
 * @param scale as it was printed
 * @param best chosen steps, one a position, within the scale
 * @param accepted whether a technician lets it stand although it did not settle
 */
public record AlignmentPass(Machine.Alignment scale, List<Integer> best, boolean accepted) {

    /** @throws IllegalArgumentException when a position has no step, or one that is off the scale */
    public AlignmentPass {
        Objects.requireNonNull(scale, "scale");
        best = List.copyOf(best);
        if (best.size() != scale.positions()) {
            throw new IllegalArgumentException(
                    "a pass has a step for each of its " + scale.positions() + " positions, had " + best.size());
        }
        for (int step : best) {
            if (step < scale.least() || step > scale.most()) {
                throw new IllegalArgumentException(
                        "a step lies on the scale " + scale.least() + " to " + scale.most() + ", was " + step);
            }
        }
    }
}
