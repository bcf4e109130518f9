package undoknot.plan;

import static undoknot.flow.Sum.given;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.flow.Term;

/**
 * What a visit is likely to take from here: it is over with the first attempt that suffices, or when none is left.
 *
 * @param hands minutes
 * @param waits minutes
 * @param fluid mL
 * @param cost money
 * @param chance that one of the attempts suffices
 * @param low lower end of its 80 % interval
 * @param high upper end of its 80 % interval
 */
public record Forecast(Span hands, Span waits, Span fluid, Span cost, Sum chance, double low, double high) {

    private static final double TAIL = 0.1;

    /**
     * One attempt as far as its numbers go.
     *
     * @param chance that it suffices, with the ends of its 80 % interval
     */
    public record Turn(
            double handsMinutes,
            double waitMinutes,
            double fluidMl,
            double cost,
            double chance,
            double low,
            double high) {}

    /**
     * What may be wrong and what would then be done.
     *
     * @param weight chance that this is it; those of all ways are 1 together
     */
    public record Way(double weight, List<Turn> turns) {
        public Way {
            turns = List.copyOf(turns);
        }

        private double chance(ToDoubleFunction<Turn> of) {
            return 1 - turns.stream().mapToDouble(t -> 1 - of.applyAsDouble(t)).reduce(1, (a, b) -> a * b);
        }
    }

    /** @param probability that it is over there */
    private record Over(double probability, double amount) {}

    /** @param around what goes before the first and after the last, whatever comes: checks, looks, the page */
    public static Forecast of(List<Way> ways, Turn around) {
        return new Forecast(
                span(Formula.EXPECTED_HANDS, ways, around, Turn::handsMinutes),
                span(Formula.EXPECTED_WAIT, ways, around, Turn::waitMinutes),
                span(Formula.EXPECTED_FLUID, ways, around, Turn::fluidMl),
                span(Formula.EXPECTED_COST, ways, around, Turn::cost),
                Sum.of(Formula.CHANCE_OF_ALL, chance(ways, Turn::chance), given(Term.STEPS, attempts(ways))),
                chance(ways, Turn::low),
                chance(ways, Turn::high));
    }

    private static int attempts(List<Way> ways) {
        return ways.stream().mapToInt(w -> w.turns.size()).max().orElse(0);
    }

    private static double chance(List<Way> ways, ToDoubleFunction<Turn> of) {
        // Shares that were rounded may come to a hair more than one.
        return Math.min(
                1, ways.stream().mapToDouble(w -> w.weight * w.chance(of)).sum());
    }

    private static Span span(Formula formula, List<Way> ways, Turn around, ToDoubleFunction<Turn> part) {
        List<Over> all = new ArrayList<>();
        ways.forEach(way -> over(way, part.applyAsDouble(around), part, all));
        double expected =
                all.stream().mapToDouble(o -> o.probability * o.amount).sum();
        all.sort(Comparator.comparingDouble(Over::amount));
        return new Span(
                Sum.of(formula, expected, given(Term.STEPS, attempts(ways))),
                quantile(all, TAIL),
                quantile(all, 1 - TAIL));
    }

    private static void over(Way way, double around, ToDoubleFunction<Turn> part, List<Over> all) {
        double reached = way.weight;
        double soFar = around;
        for (Turn turn : way.turns) {
            soFar += part.applyAsDouble(turn);
            all.add(new Over(reached * turn.chance, soFar));
            reached *= 1 - turn.chance;
        }
        all.add(new Over(reached, soFar));
    }

    private static double quantile(List<Over> sorted, double share) {
        double sum = 0;
        for (Over over : sorted) {
            sum += over.probability;
            // A hair of rounding must not push it to the next.
            if (sum >= share - 1e-12) {
                return over.amount;
            }
        }
        return sorted.get(sorted.size() - 1).amount;
    }
}
