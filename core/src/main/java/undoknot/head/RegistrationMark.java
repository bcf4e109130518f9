package undoknot.head;

/**
 * What a registration mark looks like: a black square frame, a quarter of its side thick, around 4 × 4 cells. Its lower
 * left cell is black and tells the way up; the other cells but the corners carry twelve bits that tell the four marks
 * apart even with a few cells spoilt.
 */
public final class RegistrationMark {

    /** Numbers of the marks, clockwise from the top left; any two differ in six bits or more. */
    private static final int[] NUMBERS = {0x0A5, 0x35A, 0x6C3, 0x93C};

    /** Thickness of the frame as a share of the side. */
    public static final double FRAME = 0.25;

    /** Cells along a side, frame not counted. */
    public static final int CELLS = 4;

    private RegistrationMark() {}

    public static int number(int corner) {
        return NUMBERS[corner];
    }

    /** Whether a cell is black; (0, 0) is the upper left one. */
    public static boolean black(int corner, int column, int row) {
        boolean side = column == 0 || column == CELLS - 1;
        boolean end = row == 0 || row == CELLS - 1;
        if (side && end) {
            return column == 0 && row == CELLS - 1;
        }
        return (NUMBERS[corner] >>> bit(column, row) & 1) == 1;
    }

    /** Bits are counted from the lowest row upwards and leave the corners out. */
    private static int bit(int column, int row) {
        return switch (row) {
            case 3 -> column - 1;
            case 2 -> column + 2;
            case 1 -> column + 6;
            default -> column + 9;
        };
    }
}
