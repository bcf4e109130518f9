package undoknot.flow;

/** A reservoir raised above the port pushes without a thumb (handbook 18). */
public final class Reservoir {

    private static final double KPA_PER_M = 9.81;

    private Reservoir() {}

    /** ΔP = ρ·g·h for water, kPa. */
    public static double pressureKpa(double heightM) {
        return KPA_PER_M * heightM;
    }

    /** Greatest height that stays within a pressure, m. */
    public static double greatestHeightM(double limitKpa) {
        return limitKpa / KPA_PER_M;
    }
}
