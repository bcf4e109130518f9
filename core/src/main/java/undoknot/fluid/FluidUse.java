package undoknot.fluid;

/** Where a fluid meets a head. */
public enum FluidUse {
    FLUSH,
    PORT_SOAK,
    TRAY_SOAK,
    BATH
}
