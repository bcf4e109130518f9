package undoknot.scan;

/** The sheet could not be laid over the picture. Corners placed by hand are the way out. */
public final class SheetNotFound extends Exception {

    public enum Why {
        /** Nothing on it looks like ink of this layout. */
        NOTHING_PRINTED,
        /** There is ink, but not where the layout has its blocks. */
        NO_FIT,
        /** The sheet was found, and dashes on it that this layout does not have. */
        WRONG_LAYOUT,
        /** The pattern could lie one nozzle, or one block, further just as well. */
        AMBIGUOUS,
        /** It could as well lie the other way up. */
        EITHER_WAY_UP,
        /** A block lies outside the picture, wholly or in part. */
        OFF_PICTURE,
        /** The sheet is bent, or the lens bends it, by more than can be followed. */
        BENT,
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
