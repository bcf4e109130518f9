package undoknot.advice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.treatment.Method;

/**
 * Where the rules leave a choice of order, the likeliest save per minute of hands goes first: causes are seen to by their
 * chance (handbook 13, rule 11), but chances that lie this near say nothing of the order.
 */
final class SavePerMinute {

    /** Chances within this of the likeliest are as good as alike. */
    static final double ALIKE = 0.05;

    private SavePerMinute() {}

    /** Chance that one go saves it, for each minute of hands. */
    static double of(double causeChance, Method method) {
        return causeChance * method.startChance() / method.handsMinutes();
    }

    /**
     * @param causes likeliest first
     * @param first what would be done first for a cause; null when nothing is left
     */
    static List<Likely> ordered(List<Likely> causes, Function<Likely, Method> first) {
        List<Likely> ordered = new ArrayList<>();
        List<Likely> left = new ArrayList<>(causes);
        while (!left.isEmpty()) {
            double likeliest = left.get(0).probability();
            List<Likely> alike = left.stream()
                    .filter(l -> likeliest - l.probability() <= ALIKE)
                    .sorted(Comparator.comparingDouble(l -> -perMinute(l, first.apply(l))))
                    .toList();
            ordered.addAll(alike);
            left.removeAll(alike);
        }
        return ordered;
    }

    /** Causes whose chance says nothing of the order against this one. */
    static List<Cause> alike(Likely likely, List<Likely> causes) {
        return causes.stream()
                .filter(l -> l.cause() != likely.cause() && Math.abs(l.probability() - likely.probability()) <= ALIKE)
                .map(Likely::cause)
                .toList();
    }

    private static double perMinute(Likely likely, Method method) {
        return method == null ? 0 : of(likely.probability(), method);
    }
}
