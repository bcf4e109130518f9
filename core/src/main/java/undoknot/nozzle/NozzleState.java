package undoknot.nozzle;

/** How one nozzle stood on a check. The letter is its sign in the compact text of a map. */
public enum NozzleState {
    FIRING('F'),
    WEAK('W'),
    DEFLECTED('D'),
    MISSING('M'),
    UNREAD('U');

    private static final NozzleState[] ALL = values();

    private final char letter;

    NozzleState(char letter) {
        this.letter = letter;
    }

    public char letter() {
        return letter;
    }

    static NozzleState ofOrdinal(int ordinal) {
        return ALL[ordinal];
    }

    /** @throws IllegalArgumentException when no state has that letter */
    public static NozzleState ofLetter(char letter) {
        return switch (letter) {
            case 'F' -> FIRING;
            case 'W' -> WEAK;
            case 'D' -> DEFLECTED;
            case 'M' -> MISSING;
            case 'U' -> UNREAD;
            default -> throw new IllegalArgumentException("a nozzle is one of F W D M U, was '" + letter + "'");
        };
    }
}
