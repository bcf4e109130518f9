package undoknot.flow;

import static undoknot.flow.Sum.given;

import java.util.ArrayList;
import java.util.List;

/** What a thumb, or a raised reservoir in its place, does at a port (handbook 18). */
public final class SyringeSums {

    /** The softest push that a thumb can hold, N: below it no thumb is safe. */
    public static final double SOFTEST_N = 10;

    private SyringeSums() {}

    static List<Sum> sums(BenchSum.Values v) {
        Syringe syringe = Syringe.holding(v.get(Term.SYRINGE)).orElseThrow();
        List<Sum> sums = new ArrayList<>();
        sums.add(Sum.of(
                Formula.SYRINGE_PRESSURE,
                syringe.pressureKpa(v.get(Term.FORCE)),
                v.given(Term.FORCE),
                given(Term.BARREL, syringe.boreMm())));
        sums.add(reservoir(v.get(Term.LIMIT)));
        for (Syringe size : Syringe.values()) {
            sums.add(greatestForce(size, v.get(Term.LIMIT)).of(size.name()));
        }
        return sums;
    }

    /** Greatest force on a syringe that stays within a pressure. */
    public static Sum greatestForce(Syringe syringe, double limitKpa) {
        return Sum.of(
                Formula.GREATEST_FORCE,
                syringe.greatestForceN(limitKpa),
                given(Term.LIMIT, limitKpa),
                given(Term.BARREL, syringe.boreMm()));
    }

    /** Height of a reservoir that presses as much. */
    public static Sum reservoir(double limitKpa) {
        return Sum.of(Formula.RESERVOIR_HEIGHT, Reservoir.greatestHeightM(limitKpa), given(Term.LIMIT, limitKpa));
    }
}
