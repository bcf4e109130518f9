package undoknot.head;

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
        if (heatC <= 0) {
            throw new IllegalArgumentException("heatC must be above 0, was " + heatC);
        }
    }
}
