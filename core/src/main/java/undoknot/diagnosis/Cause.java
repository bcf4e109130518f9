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
    NOT_THE_HEAD;

    /** Whether it puts nozzles out or makes them print wrong; the others leave a check good, or let none be printed. */
    public boolean showsInNozzles() {
        return switch (this) {
            case CARRIAGE_DIRT, CONTACTS, ALIGNMENT_ENCODER, NOT_THE_HEAD -> false;
            default -> true;
        };
    }
}
