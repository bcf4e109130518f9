package undoknot.treatment;

/** What keeps a head from power now (handbook 8, 12 and 14), besides findings of looks. */
public enum NoPower {
    /** Something of it is wet. */
    HOLD,
    /** A pad or a tray lies under the head in the carriage. */
    PAD_UNDER_HEAD,
    /** Fluid went in and nobody has looked whether contacts and board stayed dry. */
    NOT_LOOKED,
    SPILL,
    /** Contacts cleaned with a volatile fluid: it evaporates first. */
    EVAPORATING,
    /** A pad wet with a volatile fluid was taken out: covers stay open first. */
    COVERS_OPEN,
    /** A ribbon or a cable is off. */
    CABLE_OFF,
    /** Something that was laid into the machine is still in it. */
    LAID_IN
}
