package undoknot.head;

import java.util.Objects;

/**
 * What a head survives (handbook 9). A null pressure means that the treatment is not allowed at all.
 *
 * @param pushKpa greatest pressure at the port, kPa, or null when nothing may be pushed in
 * @param suctionKpa greatest suction at the face, kPa, or null when nothing may be drawn
 * @param submerge how deep the head may stand in fluid
 * @param bath whether it may go into an ultrasonic bath
 * @param rinse whether warm water may run through the bare head
 * @param steam whether the face may be steamed
 * @param heatC greatest fluid temperature, °C
 * @param removable whether the head may be taken out of its carriage at all; everything on the bench needs it
 * @param household whether household cleaners, on which practice divides, may go inside
 */
public record Limits(
        Double pushKpa,
        Double suctionKpa,
        Submerge submerge,
        Bath bath,
        boolean rinse,
        boolean steam,
        double heatC,
        Removable removable,
        boolean household) {

    public enum Submerge {
        NO,
        FACE_ONLY,
        BASE_ONLY,
        WHOLE_HEAD
    }

    public enum Removable {
        YES,
        LEAD_ONLY,
        NO
    }

    public enum Bath {
        NO,
        LEAD_ONLY,
        HUNG
    }

    /** Of a head that comes out and takes no household cleaner. */
    public Limits(
            Double pushKpa,
            Double suctionKpa,
            Submerge submerge,
            Bath bath,
            boolean rinse,
            boolean steam,
            double heatC) {
        this(pushKpa, suctionKpa, submerge, bath, rinse, steam, heatC, Removable.YES, false);
    }

    public Limits {
        Objects.requireNonNull(submerge, "submerge");
        Objects.requireNonNull(bath, "bath");
        Objects.requireNonNull(removable, "removable");
        pressure("pushKpa", pushKpa);
        pressure("suctionKpa", suctionKpa);
        if (!(heatC > 0 && heatC <= 100)) {
            throw new IllegalArgumentException("heatC must be above 0 and at most 100, was " + heatC);
        }
    }

    public Limits with(Removable other) {
        return new Limits(pushKpa, suctionKpa, submerge, bath, rinse, steam, heatC, other, household);
    }

    private static void pressure(String name, Double kpa) {
        if (kpa != null && !(kpa > 0 && kpa < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException(name + " must be above 0, or null to forbid it, was " + kpa);
        }
    }
}
