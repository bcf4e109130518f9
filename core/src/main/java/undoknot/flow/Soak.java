package undoknot.flow;

/** How long fluid takes into a wet plug (handbook 18): t ≈ L²/D. Old dry films are slower. */
public final class Soak {

    /** m²/s; an assumption of the handbook. */
    public static final double DIFFUSION_M2_PER_S = 1e-10;

    private static final double SECONDS_PER_MINUTE = 60;

    private Soak() {}

    /** Minutes until a plug so deep, mm, is soaked through. */
    public static double minutes(double depthMm) {
        double metres = depthMm / 1000;
        return metres * metres / DIFFUSION_M2_PER_S / SECONDS_PER_MINUTE;
    }

    /** Depth, mm, that so many minutes reach. */
    public static double depthMm(double minutes) {
        return Math.sqrt(DIFFUSION_M2_PER_S * minutes * SECONDS_PER_MINUTE) * 1000;
    }
}
