package undoknot.simulator;

/** How the stand-in scanner or camera takes a sheet, and what was done to the sheet before. Each change gives a copy. */
public final class Scanning implements Cloneable {

    /** A clean flatbed scan at 300 dpi. */
    public static final Scanning CLEAN = new Scanning();

    private int dpi = 300;
    private double turnDeg;
    private boolean upsideDown;
    private double perspective;
    private double unevenLight;
    private String tint;
    private int dust;
    private int fibres;
    private int folds;
    private double jpegQuality;
    private double blurPx = 0.4;
    private double noise = 2;
    private double feedMm = 0.1;
    private int strayInk;
    private boolean onDark;

    private Scanning() {}

    private Scanning copy() {
        try {
            return (Scanning) clone();
        } catch (CloneNotSupportedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Resolution on the sheet. */
    public Scanning dpi(int to) {
        Scanning copy = copy();
        copy.dpi = to;
        return copy;
    }

    /** Turned clockwise by some degrees, and upside down as well when {@code over}. */
    public Scanning turned(double degrees, boolean over) {
        Scanning copy = copy();
        copy.turnDeg = degrees;
        copy.upsideDown = over;
        return copy;
    }

    /** A hand-held photo: slanted (0 is straight from above, 1 steep), a little soft, on a dark table. */
    public Scanning photo(double slant) {
        Scanning copy = copy();
        copy.perspective = slant;
        copy.unevenLight = Math.max(unevenLight, 0.15);
        copy.jpegQuality = 0.85;
        copy.blurPx = 0.8;
        copy.noise = 4;
        copy.onDark = true;
        return copy;
    }

    /** One side darker than the other by a share. */
    public Scanning light(double share) {
        Scanning copy = copy();
        copy.unevenLight = share;
        return copy;
    }

    /** Paper of another colour, #rrggbb. */
    public Scanning paper(String colour) {
        Scanning copy = copy();
        copy.tint = colour;
        return copy;
    }

    /** Specks of dust, fibres and folds, by number. */
    public Scanning dirt(int specks, int threads, int creases) {
        Scanning copy = copy();
        copy.dust = specks;
        copy.fibres = threads;
        copy.folds = creases;
        return copy;
    }

    /** Squeezed into a JPEG, quality 0 to 1. */
    public Scanning jpeg(double quality) {
        Scanning copy = copy();
        copy.jpegQuality = quality;
        return copy;
    }

    /** Smears of a neighbour's ink in the blocks. */
    public Scanning smeared(int smears) {
        Scanning copy = copy();
        copy.strayInk = smears;
        return copy;
    }

    /** Fed exactly where the layout says, which no printer does. */
    public Scanning fedExactly() {
        Scanning copy = copy();
        copy.feedMm = 0;
        return copy;
    }

    int dpi() {
        return dpi;
    }

    double turnDeg() {
        return turnDeg;
    }

    boolean upsideDown() {
        return upsideDown;
    }

    double perspective() {
        return perspective;
    }

    double unevenLight() {
        return unevenLight;
    }

    String tint() {
        return tint;
    }

    int dust() {
        return dust;
    }

    int fibres() {
        return fibres;
    }

    int folds() {
        return folds;
    }

    double jpegQuality() {
        return jpegQuality;
    }

    double blurPx() {
        return blurPx;
    }

    /** Scatter of single pixels, levels of 255. */
    double noise() {
        return noise;
    }

    /** By how much the printer feeds the paper off its place, at most. */
    double feedMm() {
        return feedMm;
    }

    int strayInk() {
        return strayInk;
    }

    boolean onDark() {
        return onDark;
    }
}
