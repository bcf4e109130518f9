package undoknot.bench;

/** What work needs besides hands, and what a shop has only so many of. */
public enum Place {
    /** The ultrasonic bath. */
    BATH,
    /** A tray in which a head soaks. */
    TRAY,
    /** Where a printer stands open while its head is worked on in the carriage. */
    PRINTER,
    /** Where a printer stands that prints: checks, cycles, pages. */
    TEST_SLOT
}
