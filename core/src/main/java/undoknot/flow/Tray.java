package undoknot.flow;

/**
 * A tray or tank in which a head stands or hangs (handbook 18): area × level; the level 2 to 4 mm over the face and below the
 * lowest contact.
 *
 * @param areaCm2 of the tray, cm²
 * @param faceMm height of the face over the bottom of the tray, mm
 * @param contactMm height of the lowest contact over the bottom, mm
 */
public record Tray(double areaCm2, double faceMm, double contactMm) {

    /** Over the face, mm. */
    public static final double LEAST_MM = 2;

    public static final double MOST_MM = 4;

    private static final double MM_PER_CM = 10;

    /** Whether there is a level that wets the face and keeps the contacts dry. */
    public boolean isPossible() {
        return contactMm > faceMm + LEAST_MM;
    }

    public double leastLevelMm() {
        return faceMm + LEAST_MM;
    }

    /** Halfway to the contact where that is nearer than the usual level. */
    public double greatestLevelMm() {
        return Math.min(faceMm + MOST_MM, (leastLevelMm() + contactMm) / 2);
    }

    public double volumeMl(double levelMm) {
        return areaCm2 * levelMm / MM_PER_CM;
    }
}
