package undoknot.flow;

/**
 * A supply line (handbook 15): its volume, and how much must run through it.
 *
 * @param boreMm inner diameter, mm
 * @param lengthM m
 */
public record SupplyLine(double boreMm, double lengthM) {

    /** π/4·ID²·length, mL. */
    public double volumeMl() {
        return Math.PI / 4 * boreMm * boreMm * lengthM;
    }

    /** Line volumes until a share is left of what was in it; well mixed, the worst case: n = ln(1/residue). */
    public static double rinses(double residue) {
        return Math.log(1 / residue);
    }

    public double rinseMl(double residue) {
        return rinses(residue) * volumeMl();
    }
}
