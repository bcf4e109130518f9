package undoknot.treatment;

/** Where a head is. */
public enum Site {
    IN_CARRIAGE,
    ON_BENCH
}
