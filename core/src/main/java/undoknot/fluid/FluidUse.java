package undoknot.fluid;

/** Where a fluid meets a head or its machine. */
public enum FluidUse {
    FLUSH,
    PORT_SOAK,
    TRAY_SOAK,
    BATH,
    /** Wipes and pads under the face. */
    FACE,
    /** Service station, underside and strip, and parts taken off: nothing of the head itself. */
    STATION,
    CONTACTS;

    /** Whether it goes into the head or onto its face, where practice divides about some fluids. */
    public boolean wetsNozzles() {
        return this != STATION && this != CONTACTS;
    }
}
