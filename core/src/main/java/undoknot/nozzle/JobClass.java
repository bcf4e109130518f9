package undoknot.nozzle;

/**
 * What a head must do for the work it prints (handbook 5, defaults); shares are of all nozzles of a channel.
 */
public enum JobClass {
    //            out  run out  weak  run deflected
    PROOF(0.00, 0, 0.00, 1),
    GENERAL(0.01, 2, 0.10, Integer.MAX_VALUE),
    RIBBON_LABEL(0.03, 3, 0.10, Integer.MAX_VALUE);

    /** Up to this share of a channel deflected dashes are harmless, whatever is printed. */
    static final double MAX_SHARE_DEFLECTED = 0.05;

    private final double maxShareOut;
    private final int maxRun;
    private final double maxShareWeak;
    private final int maxRunDeflected;

    JobClass(double maxShareOut, int maxRun, double maxShareWeak, int maxRunDeflected) {
        this.maxShareOut = maxShareOut;
        this.maxRun = maxRun;
        this.maxShareWeak = maxShareWeak;
        this.maxRunDeflected = maxRunDeflected;
    }

    public double maxShareOut() {
        return maxShareOut;
    }

    /** Longest run that may be out. */
    public int maxRun() {
        return maxRun;
    }

    public double maxShareWeak() {
        return maxShareWeak;
    }

    /** Longest run that may be deflected: 1 is none beside another. */
    public int maxRunDeflected() {
        return maxRunDeflected;
    }
}
