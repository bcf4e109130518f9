package undoknot.flow;

import static undoknot.flow.Unit.C;
import static undoknot.flow.Unit.CM2;
import static undoknot.flow.Unit.KPA;
import static undoknot.flow.Unit.M;
import static undoknot.flow.Unit.MIN;
import static undoknot.flow.Unit.ML;
import static undoknot.flow.Unit.ML_PER_S;
import static undoknot.flow.Unit.MM;
import static undoknot.flow.Unit.MONEY;
import static undoknot.flow.Unit.MONEY_PER_H;
import static undoknot.flow.Unit.MPA_S;
import static undoknot.flow.Unit.N;
import static undoknot.flow.Unit.PERCENT;
import static undoknot.flow.Unit.S;
import static undoknot.flow.Unit.SHARE;
import static undoknot.flow.Unit.TIMES;
import static undoknot.flow.Unit.UM;

/**
 * What goes into a sum, with the range in which it makes sense at a bench: outside it is a slip of the finger, and the sum is
 * refused. Both ends belong to the range.
 */
public enum Term {
    SYRINGE(ML, 1, 60),
    BARREL(MM, 1, 100),
    FORCE(N, 0.1, 500),
    LIMIT(KPA, 0.1, 500),
    PRESSURE(KPA, 0, 1_000_000),
    VOLUME(ML, 0.05, 500),
    SECONDS(S, 0.2, 3600),
    NOZZLES(TIMES, 1, 20_000),
    OPEN_SHARE(SHARE, 0.001, 1),
    BORE(UM, 5, 500),
    PLATE(UM, 1, 2000),
    TEMPERATURE(C, 0, 100),
    FACTOR(TIMES, 0.2, 50),
    VISCOSITY(MPA_S, 0.05, 500),
    REFERENCE_VOLUME(ML, 0.05, 500),
    REFERENCE_SECONDS(S, 0.2, 3600),
    REFERENCE_NOZZLES(TIMES, 1, 20_000),
    DEPTH(MM, 0.001, 5),
    MINUTES(MIN, 0, 20_000),
    AREA(CM2, 1, 2000),
    FACE_HEIGHT(MM, 0, 200),
    CONTACT_HEIGHT(MM, 0, 300),
    LEVEL(MM, 0, 300),
    LINE_BORE(MM, 0.2, 20),
    LINE_LENGTH(M, 0.01, 20),
    LINES(TIMES, 1, 24),
    RESIDUE(SHARE, 0.0001, 0.5),
    STOCK(PERCENT, 0.1, 100),
    WANTED(PERCENT, 0.01, 100),
    WANTED_ML(ML, 1, 100_000),
    LEFT_ML(ML, 0, 100_000),
    RESERVOIRS(TIMES, 1, 24),
    RESERVOIR_ML(ML, 1, 5000),
    FILLS(TIMES, 1, 10),
    LINE_ML(ML, 0, 5000),
    RINSES(TIMES, 0, 20),
    CYCLES(TIMES, 0, 40),
    DRAW_ML(ML, 0, 200),
    RESERVE(SHARE, 0, 1),
    WASTE_ML(ML, 10, 100_000),
    PRICE(MONEY, 0, 100_000),
    BOTTLE_ML(ML, 1, 100_000),
    PORTS(TIMES, 1, 24),
    HANDS(MIN, 0, 10_000),
    RATE(MONEY_PER_H, 0, 10_000),
    /** What a plan adds up. */
    FLOW(ML_PER_S, 0, 1000),
    FLUID_COST(MONEY, 0, 1_000_000),
    HANDS_COST(MONEY, 0, 1_000_000),
    PARTS_COST(MONEY, 0, 1_000_000),
    CHANCE(SHARE, 0, 1),
    STEPS(TIMES, 0, 1000);

    private final Unit unit;
    private final double low;
    private final double high;

    Term(Unit unit, double low, double high) {
        this.unit = unit;
        this.low = low;
        this.high = high;
    }

    public Unit unit() {
        return unit;
    }

    public double low() {
        return low;
    }

    public double high() {
        return high;
    }

    public boolean allows(double value) {
        return value >= low && value <= high;
    }
}
