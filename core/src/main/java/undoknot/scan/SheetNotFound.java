package undoknot.scan;

/** The sheet could not be laid over the picture. Corners placed by hand are the way out. */
public final class SheetNotFound extends Exception {

    public enum Why {
        /** Nothing on it looks like ink of this layout. */
        NOTHING_PRINTED,
        /** There is ink, but not where the layout has its blocks. */
        NO_FIT,
        /** The pattern could lie one nozzle further just as well. */
        AMBIGUOUS,
        /** Too few pixels for the dashes of this layout. */
        TOO_COARSE,
        /** Corners placed by hand cross each other or lie on a line. */
        CORNERS
    }

    private final Why why;

    SheetNotFound(Why why, String found) {
        super(found);
        this.why = why;
    }

    public Why why() {
        return why;
    }
}
