package undoknot.simulator;

/**
 * How far a stand-in bench is from an ideal one.
 *
 * @param misread share of the looks that find anything at all
 * @param stray share of the nozzles that print nothing in one check and are well in the next
 * @param untrue how often the customer tells a symptom that has nothing to do with the fault
 * @param stubborn share of the mends of contacts that do not hold, and of the group borders that a check shows ragged
 */
public record Noise(double misread, double stray, double untrue, double stubborn) {

    /** As the heads of the demo are. */
    public static final Noise USUAL = new Noise(0.04, 0, 0.12, 0);

    /** As the heads are by which the advice is measured. */
    public static final Noise HARD = new Noise(0.08, 0.0015, 0.15, 0.35);
}
