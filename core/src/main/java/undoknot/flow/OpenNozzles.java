package undoknot.flow;

/**
 * Flow through the nozzles of one channel that are open (handbook 18): Hagen–Poiseuille with Sampson's entrance loss, and the
 * energy of the jets, which rules at the usual strokes.
 *
 * @param number how many are open, 1 or more
 * @param boreUm bore of one, µm
 * @param plateUm thickness of the plate, µm
 * @param viscosityPaS of the fluid, Pa·s
 */
public record OpenNozzles(int number, double boreUm, double plateUm, double viscosityPaS) {

    /** Loss of a jet, as a multiple of its energy. */
    public static final double JET_LOSS = 1.5;

    private static final double DENSITY_KG_M3 = 1000;
    private static final double ML_PER_M3 = 1e6;
    private static final double PA_PER_KPA = 1000;

    public OpenNozzles {
        if (number < 1) {
            throw new IllegalArgumentException("number must be 1 or more, was " + number);
        }
        if (!(boreUm > 0 && plateUm > 0 && viscosityPaS > 0)) {
            throw new IllegalArgumentException("boreUm, plateUm and viscosityPaS must be above 0, were " + boreUm + ", "
                    + plateUm + ", " + viscosityPaS);
        }
    }

    private double boreM() {
        return boreUm * 1e-6;
    }

    /** kPa for each mL/s: 128·μ·(L + 3πd/16) / (N·π·d⁴). */
    private double viscousKpaPerMlS() {
        double length = plateUm * 1e-6 + 3 * Math.PI * boreM() / 16;
        return 128 * viscosityPaS * length / (number * Math.PI * Math.pow(boreM(), 4)) / ML_PER_M3 / PA_PER_KPA;
    }

    /** kPa for each (mL/s)²: K·½·ρ·(4/(N·π·d²))². */
    private double jetKpaPerMlS2() {
        double speed = 4 / (number * Math.PI * boreM() * boreM()) / ML_PER_M3;
        return JET_LOSS * DENSITY_KG_M3 / 2 * speed * speed / PA_PER_KPA;
    }

    /** Pressure that the fluid itself needs, kPa, at a flow in mL/s. */
    public double viscousKpa(double mlPerS) {
        return viscousKpaPerMlS() * mlPerS;
    }

    /** Pressure that becomes the speed of the jets, kPa, at a flow in mL/s. */
    public double jetKpa(double mlPerS) {
        return jetKpaPerMlS2() * mlPerS * mlPerS;
    }

    /** Pressure at the port, kPa, at a flow in mL/s. */
    public double pressureKpa(double mlPerS) {
        return viscousKpa(mlPerS) + jetKpa(mlPerS);
    }

    /** Flow at a pressure, mL/s: the positive root of a·Q² + b·Q = P. */
    public double flowMlPerS(double kpa) {
        double a = jetKpaPerMlS2();
        double b = viscousKpaPerMlS();
        // The usual form loses all digits where b² is far above a·P; this one does not.
        return 2 * kpa / (b + Math.sqrt(b * b + 4 * a * kpa));
    }

    /** Least time of a stroke that stays within a pressure, s. */
    public double leastSeconds(double volumeMl, double limitKpa) {
        return volumeMl / flowMlPerS(limitKpa);
    }
}
