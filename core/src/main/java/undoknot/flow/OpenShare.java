package undoknot.flow;

/**
 * How much of a channel is open, from a timed stroke against that of a healthy channel of the same head with the same
 * syringe, force, fluid and temperature (handbook 18): share = (V/t) / (V/t)reference, per nozzle.
 *
 * @param share 0 or more; above 1 when it ran faster than the reference
 * @param low of an 80 % interval
 * @param high of an 80 % interval
 */
public record OpenShare(double share, double low, double high) {

    /** Two thumb strokes meant to be alike differ about so much; an assumption, for the thumb is no gauge. */
    private static final double THUMB_SCATTER = 1.4;

    /** A stroke of one channel. */
    public record Stroke(double volumeMl, double seconds, int nozzles) {
        public Stroke {
            if (!(volumeMl > 0 && seconds > 0 && nozzles > 0)) {
                throw new IllegalArgumentException("volumeMl, seconds and nozzles must be above 0, were " + volumeMl
                        + ", " + seconds + ", " + nozzles);
            }
        }

        double mlPerSAndNozzle() {
            return volumeMl / seconds / nozzles;
        }
    }

    public static OpenShare of(Stroke stroke, Stroke reference) {
        return by(stroke.mlPerSAndNozzle() / reference.mlPerSAndNozzle());
    }

    /**
     * Against the formula's own value where the force is known and no healthy channel was timed.
     *
     * @param all every nozzle of the channel, open
     * @param kpa pressure of the force on that syringe
     */
    public static OpenShare of(Stroke stroke, OpenNozzles all, double kpa) {
        return by(stroke.volumeMl() / stroke.seconds() / all.flowMlPerS(kpa));
    }

    private static OpenShare by(double share) {
        return new OpenShare(share, share / THUMB_SCATTER, share * THUMB_SCATTER);
    }
}
