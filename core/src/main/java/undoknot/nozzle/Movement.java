package undoknot.nozzle;

/** How the gaps behaved from one check to the next (handbook 5). */
public enum Movement {
    /** No nozzle was out, before or now: there is nothing to tell. */
    NOTHING_OUT,
    UNCHANGED,
    FIXED,
    MIXED,
    WANDERING;

    /** Defaults of handbook 5; a shop may set others. */
    public record Thresholds(
            double unchangedRecovery,
            double unchangedWander,
            double fixedWander,
            double wanderingWander,
            int wanderingNewlyOut) {

        /** @throws IllegalArgumentException when a share is not 0 to 1 */
        public Thresholds {
            for (double share : new double[] {unchangedRecovery, unchangedWander, fixedWander, wanderingWander}) {
                if (!(share >= 0 && share <= 1)) {
                    throw new IllegalArgumentException("shares must be 0 to 1, one was " + share);
                }
            }
        }

        public static final Thresholds DEFAULT = new Thresholds(0.05, 0.05, 0.10, 0.40, 4);
    }

    public static Movement of(Counts counts, Thresholds t) {
        if (counts.outBefore() == 0 && counts.outNow() == 0) {
            return NOTHING_OUT;
        }
        double wander = counts.wander();
        if (counts.recovery().isPresent()
                && counts.recovery().getAsDouble() <= t.unchangedRecovery()
                && wander <= t.unchangedWander()) {
            return UNCHANGED;
        }
        if (wander >= t.wanderingWander() && counts.newlyOut() >= t.wanderingNewlyOut()) {
            return WANDERING;
        }
        return wander <= t.fixedWander() ? FIXED : MIXED;
    }
}
