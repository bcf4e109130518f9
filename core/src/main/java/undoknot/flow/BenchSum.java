package undoknot.flow;

import static undoknot.flow.Term.*;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * The sums of the bench that can be had alone (handbook 11, 15 and 18): what each asks, with the value it opens with, and
 * what it answers. Values are in the units of their terms.
 */
public enum BenchSum {
    /** How hard a syringe presses, how hard each may be pressed, and how high a reservoir does the same. */
    SYRINGE(asks(Term.SYRINGE, 10, FORCE, 10, LIMIT, 40), SyringeSums::sums),
    /** How slow a stroke must be as the open share falls. */
    STROKE(
            asks(
                    VOLUME,
                    3,
                    Term.OPEN_SHARE,
                    0.5,
                    NOZZLES,
                    180,
                    BORE,
                    25,
                    PLATE,
                    30,
                    LIMIT,
                    40,
                    TEMPERATURE,
                    22,
                    FACTOR,
                    1),
            NozzleSums::sums),
    VISCOSITY(asks(TEMPERATURE, 45, FACTOR, 1, LIMIT, 40, NOZZLES, 180, BORE, 25, PLATE, 30), NozzleSums::heat),
    OPEN_SHARE(
            asks(
                    VOLUME,
                    2,
                    SECONDS,
                    16,
                    NOZZLES,
                    180,
                    REFERENCE_VOLUME,
                    2,
                    REFERENCE_SECONDS,
                    5,
                    REFERENCE_NOZZLES,
                    180),
            NozzleSums::share),
    /** The same where the force is known and no healthy channel was timed. */
    OPEN_SHARE_BY_FORCE(
            asks(
                    VOLUME,
                    2,
                    SECONDS,
                    16,
                    Term.SYRINGE,
                    30,
                    FORCE,
                    10,
                    NOZZLES,
                    180,
                    BORE,
                    25,
                    PLATE,
                    30,
                    TEMPERATURE,
                    22,
                    FACTOR,
                    1),
            NozzleSums::shareByForce),
    SOAK(asks(DEPTH, 0.5), FluidSums::soak),
    TRAY(asks(AREA, 60, FACE_HEIGHT, 5, CONTACT_HEIGHT, 20), FluidSums::tray),
    LINE(asks(LINE_BORE, 2, LINE_LENGTH, 1, LINES, 1, RESIDUE, 0.01), FluidSums::line),
    MIXING(asks(STOCK, 100, WANTED, 50, WANTED_ML, 100, LEFT_ML, 250), FluidSums::mix),
    SYSTEM(
            asks(
                    RESERVOIRS,
                    5,
                    RESERVOIR_ML,
                    120,
                    FILLS,
                    2,
                    LINE_ML,
                    15,
                    RINSES,
                    5,
                    CYCLES,
                    8,
                    DRAW_ML,
                    40,
                    RESERVE,
                    0.2,
                    WASTE_ML,
                    1000),
            FluidSums::system),
    DOSE_COST(asks(PRICE, 24, BOTTLE_ML, 500, VOLUME, 3, PORTS, 1, HANDS, 15, RATE, 40), FluidSums::cost);

    private final Map<Term, Double> asked;
    private final Function<Values, List<Sum>> sums;

    BenchSum(Map<Term, Double> asked, Function<Values, List<Sum>> sums) {
        this.asked = asked;
        this.sums = sums;
    }

    /** What it asks, in the order in which a person would say it, with the value it opens with. */
    public Map<Term, Double> asked() {
        return asked;
    }

    public enum Reason {
        MISSING,
        OUT_OF_RANGE,
        NO_SUCH_SYRINGE,
        /** The contacts would stand in fluid before the face is wet enough. */
        CONTACT_TOO_LOW,
        /** Water makes nothing stronger. */
        STRONGER_THAN_STOCK
    }

    /** Why a sum is refused, at the entry that is wrong. */
    public record Refusal(Term term, Reason reason) {}

    /** What is wrong with what was entered; empty when the sum can be done. */
    public List<Refusal> refusals(Map<Term, Double> entered) {
        List<Refusal> wrong = new ArrayList<>();
        asked.keySet().forEach(term -> {
            Double value = entered.get(term);
            if (value == null) {
                wrong.add(new Refusal(term, Reason.MISSING));
            } else if (!term.allows(value)) {
                wrong.add(new Refusal(term, Reason.OUT_OF_RANGE));
            } else if (term == Term.SYRINGE && Syringe.holding(value).isEmpty()) {
                wrong.add(new Refusal(term, Reason.NO_SUCH_SYRINGE));
            }
        });
        if (wrong.isEmpty()) {
            Values v = new Values(entered);
            if (this == TRAY && !FluidSums.trayOf(v).isPossible()) {
                wrong.add(new Refusal(CONTACT_HEIGHT, Reason.CONTACT_TOO_LOW));
            }
            if (this == MIXING && !FluidSums.mixingOf(v).isPossible()) {
                wrong.add(new Refusal(WANTED, Reason.STRONGER_THAN_STOCK));
            }
        }
        return wrong;
    }

    /** @throws IllegalArgumentException when it would be refused */
    public List<Sum> of(Map<Term, Double> entered) {
        List<Refusal> wrong = refusals(entered);
        if (!wrong.isEmpty()) {
            throw new IllegalArgumentException(this + " is refused: " + wrong);
        }
        return sums.apply(new Values(entered));
    }

    /** What was entered, by its term. */
    record Values(Map<Term, Double> entered) {
        double get(Term term) {
            return entered.get(term);
        }

        Sum.Given given(Term term) {
            return Sum.given(term, get(term));
        }

        Sum.Given[] given(Term... terms) {
            Sum.Given[] all = new Sum.Given[terms.length];
            for (int i = 0; i < terms.length; i++) {
                all[i] = given(terms[i]);
            }
            return all;
        }
    }

    private static Map<Term, Double> asks(Object... termsAndValues) {
        Map<Term, Double> map = new LinkedHashMap<>();
        for (int i = 0; i < termsAndValues.length; i += 2) {
            map.put((Term) termsAndValues[i], ((Number) termsAndValues[i + 1]).doubleValue());
        }
        return java.util.Collections.unmodifiableMap(map);
    }
}
