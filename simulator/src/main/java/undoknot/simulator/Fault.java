package undoknot.simulator;

import undoknot.diagnosis.Cause;

/**
 * A prepared fault: one cause and how bad it is. Several make a mixture.
 *
 * @param cause what is wrong
 * @param severity mild goes with a cycle or one flush, firm takes work, hopeless does not come back
 * @param channel the channel it sits in, or null to let the seed choose
 */
public record Fault(Cause cause, Severity severity, String channel) {

    public enum Severity {
        MILD(0.12, 0.25),
        FIRM(0.35, 0.6),
        HOPELESS(0.7, 1.0);

        private final double share;
        private final double depth;

        Severity(double share, double depth) {
            this.share = share;
            this.depth = depth;
        }

        /** Share of the nozzles or of the flow that is taken. */
        double share() {
            return share;
        }

        /** 0 to 1: how deep and hard. */
        double depth() {
            return depth;
        }
    }
}
