package undoknot.flow;

import java.util.List;
import java.util.Objects;

/**
 * A number of the bench, the formula that it comes from and what went in, so that it can be unfolded.
 *
 * @param formula how it came about; its unit is the unit of the value
 * @param value in the unit of the formula
 * @param unit of the formula, so that whoever is told the number knows it
 * @param of what it is told of where there are several of them: a size of syringe, a share, a channel; null for the one
 * @param given what went in
 */
public record Sum(Formula formula, double value, Unit unit, String of, List<Given> given) {

    /** @param value in the unit of the term */
    public record Given(Term term, double value, Unit unit) {}

    public Sum {
        Objects.requireNonNull(formula, "formula");
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException(formula + " must be a number, was " + value);
        }
        given = List.copyOf(given);
    }

    public static Sum of(Formula formula, double value, Given... given) {
        return new Sum(formula, value, formula.unit(), null, List.of(given));
    }

    public static Given given(Term term, double value) {
        return new Given(term, value, term.unit());
    }

    /** The same number, told of one of several. */
    public Sum of(String one) {
        return new Sum(formula, value, unit, one, given);
    }
}
