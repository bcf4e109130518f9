package undoknot.nozzle;

import java.util.OptionalDouble;

/**
 * Counts of two readings laid tooth to tooth, over the nozzles read in both (handbook 5). A = out before, B = out now.
 *
 * @param readInBoth nozzles read in both
 * @param leftOut nozzles unread in one or both, and so in no other count
 * @param restored A without B
 * @param stillOut A and B
 * @param newlyOut B without A
 */
public record Counts(
        int readInBoth,
        int leftOut,
        int restored,
        int stillOut,
        int newlyOut,
        int deflectedBefore,
        int deflectedNow,
        int weakBefore,
        int weakNow) {

    /** @throws IllegalArgumentException when a count is negative, or more are out than were read in both */
    public Counts {
        if (Math.min(Math.min(readInBoth, leftOut), Math.min(restored, Math.min(stillOut, newlyOut))) < 0
                || Math.min(Math.min(deflectedBefore, deflectedNow), Math.min(weakBefore, weakNow)) < 0) {
            throw new IllegalArgumentException("no count may be negative");
        }
        if (restored + stillOut + newlyOut > readInBoth) {
            throw new IllegalArgumentException(
                    (restored + stillOut + newlyOut) + " out of " + readInBoth + " read in both");
        }
    }

    public static final Counts NONE = new Counts(0, 0, 0, 0, 0, 0, 0, 0, 0);

    public int outBefore() {
        return restored + stillOut;
    }

    public int outNow() {
        return stillOut + newlyOut;
    }

    /** |A\B| / |A|; empty when nothing was out before. */
    public OptionalDouble recovery() {
        return Share.of(restored, outBefore());
    }

    /**
     * Share of what was wrong that is right now: of the nozzles out, or of the weak and deflected ones where these were by far
     * the most; never below 0.
     */
    public double gain() {
        int beside = weakBefore + deflectedBefore;
        return beside > 2 * outBefore()
                ? Math.max(0, Share.of(beside - weakNow - deflectedNow, beside).orElse(0))
                : recovery().orElse(0);
    }

    /** |B\A| / |B|; zero when nothing is out now. */
    public double wander() {
        return Share.of(newlyOut, outNow()).orElse(0);
    }

    public Counts plus(Counts o) {
        return new Counts(
                readInBoth + o.readInBoth,
                leftOut + o.leftOut,
                restored + o.restored,
                stillOut + o.stillOut,
                newlyOut + o.newlyOut,
                deflectedBefore + o.deflectedBefore,
                deflectedNow + o.deflectedNow,
                weakBefore + o.weakBefore,
                weakNow + o.weakNow);
    }
}
