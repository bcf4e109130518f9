package undoknot.treatment;

/** What is looked at before a strong cycle, a charge or system work, which send much ink the same way. */
public enum LookFirst {
    WASTE_STORE(Gate.Code.WASTE_NOT_LOOKED),
    STATION(Gate.Code.STATION_NOT_LOOKED);

    private final Gate.Code code;

    LookFirst(Gate.Code code) {
        this.code = code;
    }

    /** What is said when nobody has looked. */
    Gate.Code code() {
        return code;
    }
}
