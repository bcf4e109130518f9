package undoknot.flow;

/** How a number came about (handbook 8, 11, 13, 15 and 18); the words for it stand in the table of words. */
public enum Formula {
    /** P = F / (π·D²/4). */
    SYRINGE_PRESSURE(Unit.KPA),
    /** F = P·π·D²/4. */
    GREATEST_FORCE(Unit.N),
    /** h = P / (ρ·g). */
    RESERVOIR_HEIGHT(Unit.M),
    /** t = V / Q, Q at the limit through what is open. */
    LEAST_SECONDS(Unit.S),
    /** The least time, with a tenth to spare; never faster than the shop's usual stroke. */
    STROKE_SECONDS(Unit.S),
    /** μ(T) of water × the fluid's factor. */
    VISCOSITY(Unit.MPA_S),
    /** How much thinner than at 20 °C. */
    THINNER(Unit.TIMES),
    VISCOUS_PRESSURE(Unit.KPA),
    JET_PRESSURE(Unit.KPA),
    FLOW(Unit.ML_PER_S),
    /** (V/t) / (V/t) of the reference, per nozzle. */
    OPEN_SHARE(Unit.SHARE),
    OPEN_SHARE_LOW(Unit.SHARE),
    OPEN_SHARE_HIGH(Unit.SHARE),
    /** t = L² / D. */
    SOAK_MINUTES(Unit.MIN),
    /** L = √(D·t). */
    SOAK_DEPTH(Unit.MM),
    TRAY_LEAST_LEVEL(Unit.MM),
    TRAY_GREATEST_LEVEL(Unit.MM),
    /** Area × level. */
    TRAY_VOLUME(Unit.ML),
    /** π/4·ID²·length. */
    LINE_VOLUME(Unit.ML),
    /** n = ln(1/residue), worst case well mixed. */
    RINSES(Unit.TIMES),
    RINSE_VOLUME(Unit.ML),
    /** C₁V₁ = C₂V₂. */
    STOCK_VOLUME(Unit.ML),
    WATER_VOLUME(Unit.ML),
    WATER_PARTS(Unit.TIMES),
    MOST_MIXED(Unit.ML),
    SYSTEM_NEED(Unit.ML),
    WASTE_BOTTLES(Unit.TIMES),
    DOSE_COST(Unit.MONEY),
    HANDS_COST(Unit.MONEY),
    ALL_COST(Unit.MONEY),
    /** The shop's usual dose, time or temperature (handbook 8). */
    USUAL_DOSE(Unit.ML),
    USUAL_MINUTES(Unit.MIN),
    USUAL_TEMPERATURE(Unit.C),
    USUAL_COUNT(Unit.TIMES),
    USUAL_SECONDS(Unit.S),
    /** A limit of the family. */
    FAMILY_SUCTION(Unit.KPA),
    /** Doses per port × ports. */
    DOSES(Unit.ML),
    WASTE(Unit.ML),
    HANDS(Unit.MIN),
    WAIT(Unit.MIN),
    /** Chance that an attempt suffices, from the shop's record and its starting belief. */
    CHANCE(Unit.SHARE),
    /** Every attempt's own share, times the chance that it comes to it. */
    EXPECTED_HANDS(Unit.MIN),
    EXPECTED_WAIT(Unit.MIN),
    EXPECTED_FLUID(Unit.ML),
    EXPECTED_COST(Unit.MONEY),
    /** One less the chance that none of them suffices. */
    CHANCE_OF_ALL(Unit.SHARE);

    private final Unit unit;

    Formula(Unit unit) {
        this.unit = unit;
    }

    public Unit unit() {
        return unit;
    }
}
