package undoknot.nozzle;

/**
 * What a head must do for the work it prints (handbook 5, defaults).
 *
 * <p>maxShareOut is of all nozzles of a channel; maxRun is the longest run that may be out.
 */
public enum JobClass {
    PROOF(0.00, 0),
    GENERAL(0.01, 2),
    RIBBON_LABEL(0.03, 3);

    private final double maxShareOut;
    private final int maxRun;

    JobClass(double maxShareOut, int maxRun) {
        this.maxShareOut = maxShareOut;
        this.maxRun = maxRun;
    }

    public double maxShareOut() {
        return maxShareOut;
    }

    public int maxRun() {
        return maxRun;
    }
}
