package undoknot.flow;

/** Viscosity of water by temperature (handbook 18); other fluids by the factor on their bottle. */
public final class Viscosity {

    private static final double KELVIN = 273.15;

    private Viscosity() {}

    /** μ(T) = 2.414·10⁻⁵ · 10^(247.8/(T−140)), Pa·s, T in kelvin; for water between 0 and 100 °C. */
    public static double waterPaS(double temperatureC) {
        return 2.414e-5 * Math.pow(10, 247.8 / (temperatureC + KELVIN - 140));
    }
}
