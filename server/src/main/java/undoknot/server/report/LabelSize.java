package undoknot.server.report;

/** Sizes of labels that a label printer takes, mm. */
public enum LabelSize {
    W62_H29(62, 29),
    W57_H32(57, 32),
    W89_H36(89, 36),
    W62_H100(62, 100),
    W102_H51(102, 51);

    private final int widthMm;
    private final int heightMm;

    LabelSize(int widthMm, int heightMm) {
        this.widthMm = widthMm;
        this.heightMm = heightMm;
    }

    public int widthMm() {
        return widthMm;
    }

    public int heightMm() {
        return heightMm;
    }

    /** Whether code and words stand one above the other instead of side by side. */
    public boolean isUpright() {
        return heightMm > widthMm;
    }

    /** Side of the code, mm: what the label holds beside a column of words. */
    int codeMm() {
        return isUpright() ? widthMm - 16 : Math.min(heightMm - 4, widthMm * 2 / 5);
    }

    /** Width of the column of words, mm. */
    public int wordsMm() {
        return isUpright() ? widthMm - 3 : widthMm - codeMm() - 5;
    }

    /**
     * Size of the letters, pt: the tag, six lines and a hold of two lines must stand one below the other, and the tag side by
     * side.
     */
    double letterPt() {
        double heightLeftMm = isUpright() ? heightMm - codeMm() - 6 : heightMm - 3.5;
        return PT_PER_MM * Math.min(heightLeftMm / LINES, wordsMm() / TAG_EM);
    }

    private static final double PT_PER_MM = 72 / 25.4;

    /** Height of all the words, in letters. */
    private static final double LINES = 13.2;

    /** Width of the tag, in letters. */
    private static final double TAG_EM = 9.5;
}
