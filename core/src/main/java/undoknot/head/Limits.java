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
 */
public record Limits(
        Double pushKpa, Double suctionKpa, Submerge submerge, Bath bath, boolean rinse, boolean steam, double heatC) {

    public enum Submerge {
        NO,
        FACE_ONLY,
        BASE_ONLY
    }

    public enum Bath {
        NO,
        LEAD_ONLY,
        HUNG
    }

    public Limits {
        Objects.requireNonNull(submerge, "submerge");
        Objects.requireNonNull(bath, "bath");
        pressure("pushKpa", pushKpa);
        pressure("suctionKpa", suctionKpa);
        if (!(heatC > 0 && heatC <= 100)) {
            throw new IllegalArgumentException("heatC must be above 0 and at most 100, was " + heatC);
        }
    }

    private static void pressure(String name, Double kpa) {
        if (kpa != null && !(kpa > 0 && kpa < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException(name + " must be above 0, or null to forbid it, was " + kpa);
        }
    }
}
