package undoknot.treatment;

/** What was done between two checks, as far as it tells what a change between them means. */
public enum WorkBetweenChecks {
    NOTHING,
    CYCLE,
    REST,
    /** Fluid at the nozzles: flush, soak, bath and their like. */
    FLUSH,
    FACE,
    STATION,
    AIR,
    CARTRIDGE,
    SUPPLY,
    /** Work that says nothing about a change, or several kinds at once: what helped cannot be told. */
    OTHER
}
