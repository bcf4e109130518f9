package undoknot.plan;

import static undoknot.flow.Sum.given;

import java.util.ArrayList;
import java.util.List;
import undoknot.flow.Formula;
import undoknot.flow.OpenNozzles;
import undoknot.flow.Sum;
import undoknot.flow.Syringe;
import undoknot.flow.SyringeSums;
import undoknot.flow.Term;
import undoknot.flow.Viscosity;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.treatment.UsualDose;

/**
 * A stroke at a port that stays within the family's pressure through what is open (handbook 9 and 18).
 *
 * @param volumeMl mL
 * @param seconds it takes at least, with a margin
 * @param syringe size to take; null where no thumb is safe, or holds so long, and a raised reservoir does it
 * @param open nozzles that the sum reckons with
 */
public record PlannedStroke(
        String channel, double volumeMl, int seconds, Syringe syringe, int open, double limitKpa, OpenNozzles through) {

    /** Where no map says how much is open, so much is reckoned with: slower than need be is safe. */
    private static final double UNREAD_SHARE = 0.25;

    /** A channel that shows nothing lets at least so much through once it takes fluid at all. */
    private static final double LEAST_SHARE = 0.05;

    /** Longer than this no thumb holds one force, s. */
    private static final int HELD_SECONDS = 60;

    private static final double MILLI = 1000;

    /** Enough for whole seconds not to matter, mL. */
    private static final double MUCH_ML = 60;

    /**
     * @param open nozzles not missing on the last map; null without a map
     * @param viscosityPaS of the fluid as it is warm, Pa·s
     */
    static PlannedStroke of(Family family, Channel channel, Integer open, double volumeMl, double viscosityPaS) {
        double share = open == null ? UNREAD_SHARE : LEAST_SHARE;
        int least = (int) Math.ceil(share * channel.nozzles());
        int through = open == null ? least : Math.max(open, least);
        OpenNozzles nozzles = new OpenNozzles(through, family.boreUm(), family.plateUm(), viscosityPaS);
        double limit = family.limits().pushKpa();
        int seconds = UsualDose.seconds(volumeMl, nozzles.leastSeconds(volumeMl, limit));
        return new PlannedStroke(
                channel.code(),
                volumeMl,
                seconds,
                seconds > HELD_SECONDS ? null : syringe(volumeMl, limit),
                through,
                limit,
                nozzles);
    }

    /** Time of a stroke for each mL at room temperature, s. */
    public static double secondsPerMl(Family family, Channel channel, Integer open) {
        PlannedStroke much = of(family, channel, open, MUCH_ML, Viscosity.waterPaS(UsualDose.ROOM_C));
        return much.seconds / MUCH_ML;
    }

    /**
     * The smallest that holds the dose and may be pushed firmly; where none may, the largest that may be pushed lightly; where
     * not even that, none.
     */
    private static Syringe syringe(double volumeMl, double limitKpa) {
        Syringe lightly = null;
        for (Syringe size : Syringe.values()) {
            double newton = size.greatestForceN(limitKpa);
            if (size.ml() >= volumeMl && newton >= Syringe.Thumb.FIRM.newton()) {
                return size;
            }
            if (size.ml() >= volumeMl && newton >= SyringeSums.SOFTEST_N) {
                lightly = size;
            }
        }
        return lightly;
    }

    /** The same in the time that somebody wants it to take, s; null for its own. */
    PlannedStroke in(Integer wanted) {
        return wanted == null
                ? this
                : new PlannedStroke(
                        channel, volumeMl, wanted, wanted > HELD_SECONDS ? null : syringe, open, limitKpa, through);
    }

    /** Pressure of the stroke through what is open, kPa. */
    public double pressureKpa() {
        return through.pressureKpa(volumeMl / seconds);
    }

    /**
     * Its seconds, and the force or height that keeps within the limit.
     *
     * @param chosen syringe that somebody wants to take; null for the one that is planned
     */
    List<Sum> sums(Syringe chosen) {
        List<Sum> sums = new ArrayList<>();
        sums.add(Sum.of(Formula.USUAL_DOSE, volumeMl).of(channel));
        sums.add(Sum.of(
                        Formula.STROKE_SECONDS,
                        seconds,
                        given(Term.VOLUME, volumeMl),
                        given(Term.LIMIT, limitKpa),
                        given(Term.NOZZLES, open),
                        given(Term.BORE, through.boreUm()),
                        given(Term.PLATE, through.plateUm()),
                        given(Term.VISCOSITY, through.viscosityPaS() * MILLI))
                .of(channel));
        Syringe hand = chosen == null ? syringe : chosen;
        if (hand == null) {
            // The gentlest syringe there is, for whoever has no reservoir at hand.
            sums.add(SyringeSums.reservoir(limitKpa).of(channel));
            hand = Syringe.ML_60;
        }
        sums.add(SyringeSums.greatestForce(hand, limitKpa).of(hand.name()));
        return sums;
    }
}
