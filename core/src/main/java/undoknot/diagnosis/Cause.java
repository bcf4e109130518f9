package undoknot.diagnosis;

/** Causes of handbook 7. */
public enum Cause {
    DRIED_INK,
    AIR,
    SUPPLY_RESTRICTED,
    CARTRIDGE_FAULT,
    SERVICE_STATION,
    FACE_DEBRIS,
    CARRIAGE_DIRT,
    ELECTRICAL,
    CONTACTS,
    ALIGNMENT_ENCODER,
    PLATE_DAMAGE,
    UNSUITABLE_INK,
    NOT_THE_HEAD
}
