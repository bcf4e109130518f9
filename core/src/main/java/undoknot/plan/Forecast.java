package undoknot.plan;

import static undoknot.flow.Sum.given;

import java.util.List;
import java.util.function.ToDoubleFunction;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.flow.Term;

/**
 * What a visit is likely to take from here: every attempt's own numbers, times the chance that it comes to it.
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
     * @param chance that it suffices, with its interval
     */
    public record Turn(
            double handsMinutes,
            double waitMinutes,
            double fluidMl,
            double cost,
            double chance,
            double low,
            double high) {}

    /** @param around what goes before the first and after the last, whatever comes: checks, looks, the page */
    public static Forecast of(List<Turn> turns, Turn around) {
        double none = turns.stream().mapToDouble(t -> 1 - t.chance).reduce(1, (a, b) -> a * b);
        double noneLow = turns.stream().mapToDouble(t -> 1 - t.low).reduce(1, (a, b) -> a * b);
        double noneHigh = turns.stream().mapToDouble(t -> 1 - t.high).reduce(1, (a, b) -> a * b);
        return new Forecast(
                span(Formula.EXPECTED_HANDS, turns, around.handsMinutes, Turn::handsMinutes),
                span(Formula.EXPECTED_WAIT, turns, around.waitMinutes, Turn::waitMinutes),
                span(Formula.EXPECTED_FLUID, turns, around.fluidMl, Turn::fluidMl),
                span(Formula.EXPECTED_COST, turns, around.cost, Turn::cost),
                Sum.of(Formula.CHANCE_OF_ALL, 1 - none, given(Term.STEPS, turns.size())),
                1 - noneLow,
                1 - noneHigh);
    }

    private static Span span(Formula formula, List<Turn> turns, double around, ToDoubleFunction<Turn> part) {
        double reached = 1;
        double expected = around;
        double soFar = around;
        double low = Double.NaN;
        double high = Double.NaN;
        for (Turn turn : turns) {
            expected += reached * part.applyAsDouble(turn);
            soFar += part.applyAsDouble(turn);
            reached *= 1 - turn.chance;
            // One visit in ten is over by now, and nine in ten.
            low = Double.isNaN(low) && 1 - reached >= TAIL ? soFar : low;
            high = Double.isNaN(high) && reached <= TAIL ? soFar : high;
        }
        low = Double.isNaN(low) ? soFar : low;
        high = Double.isNaN(high) ? soFar : high;
        return new Span(
                Sum.of(formula, expected, given(Term.STEPS, turns.size())),
                Math.min(low, expected),
                Math.max(high, expected));
    }
}
