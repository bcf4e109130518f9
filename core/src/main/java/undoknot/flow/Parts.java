package undoknot.flow;

import java.util.List;

/**
 * A mixture by parts (handbook 11): one part of this to two of that.
 *
 * @param parts of each fluid, above 0, in the order in which they are poured
 */
public record Parts(List<Double> parts) {

    /** @throws IllegalArgumentException when there are fewer than two, or one is not above 0 and at most 100 */
    public Parts {
        parts = List.copyOf(parts);
        if (parts.size() < 2 || parts.stream().anyMatch(p -> !(p > 0 && p <= 100))) {
            throw new IllegalArgumentException(
                    "a mixture has two parts or more, each above 0 and at most 100: " + parts);
        }
    }

    private double all() {
        return parts.stream().mapToDouble(p -> p).sum();
    }

    /** How much of each goes into so much of the mixture, mL. */
    public List<Double> each(double mixedMl) {
        return parts.stream().map(p -> mixedMl * p / all()).toList();
    }

    /**
     * How much can be made from what is left, mL.
     *
     * @param leftMl of each, in the same order
     */
    public double mostMl(List<Double> leftMl) {
        double most = Double.POSITIVE_INFINITY;
        for (int i = 0; i < parts.size(); i++) {
            most = Math.min(most, leftMl.get(i) / parts.get(i));
        }
        return most * all();
    }
}
