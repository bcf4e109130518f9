package undoknot.treatment;

/** Work that something found, or a hold, makes unsafe until it is mended or over. */
public enum BarredWork {
    CYCLES,
    STRONG_CYCLES,
    WIPING_IN_PLACE,
    WIPING,
    PUSHING,
    SUCTION,
    BATH_AND_STEAM,
    POWER
}
