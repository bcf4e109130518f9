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
    private boolean grey;
    private double lens;
    private double bowMm;
    private double crumpleMm;
    private double motionPx;
    private double glare;
    private double warmth;
    private int stains;
    private int handwriting;
    private int showThrough;
    private double cutAtMm;
    private Table table = Table.PLAIN;
    private int carriageDirt;
    private double banding;

    /** What a photographed sheet lies on. */
    public enum Table {
        PLAIN,
        CHEQUERED,
        WOOD
    }

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

    /** Taken without colour. */
    public Scanning grey() {
        Scanning copy = copy();
        copy.grey = true;
        return copy;
    }

    /** A lens that bends straight lines: what lies in the corners is moved by this share of its distance (barrel > 0). */
    public Scanning lens(double share) {
        Scanning copy = copy();
        copy.lens = share;
        return copy;
    }

    /** Paper that bows, or was crumpled and laid flat again: how far places move, mm. */
    public Scanning bent(double bow, double crumple) {
        Scanning copy = copy();
        copy.bowMm = bow;
        copy.crumpleMm = crumple;
        return copy;
    }

    /** Moved by so many pixels while it was taken. */
    public Scanning moved(double pixels) {
        Scanning copy = copy();
        copy.motionPx = pixels;
        return copy;
    }

    /** Light of a lamp: a bright spot that washes out what lies under it (0 to 1), and a warm colour (0 to 1). */
    public Scanning lamp(double spot, double warm) {
        Scanning copy = copy();
        copy.glare = spot;
        copy.warmth = warm;
        return copy;
    }

    /** What people do to a sheet: coffee rings, lines of handwriting, and print on the other side, by number. */
    public Scanning used(int rings, int lines, int through) {
        Scanning copy = copy();
        copy.stains = rings;
        copy.handwriting = lines;
        copy.showThrough = through;
        return copy;
    }

    /** Only so many millimetres of the sheet in the picture, from its upper edge. */
    public Scanning cutAt(double mm) {
        Scanning copy = copy();
        copy.cutAtMm = mm;
        return copy;
    }

    public Scanning on(Table what) {
        Scanning copy = copy();
        copy.table = what;
        return copy;
    }

    /** What the carriage leaves: smears along its way, by number, and bands of more and less ink (0 to 1). */
    public Scanning carriage(int smears, double bands) {
        Scanning copy = copy();
        copy.carriageDirt = smears;
        copy.banding = bands;
        return copy;
    }

    boolean isGrey() {
        return grey;
    }

    double lens() {
        return lens;
    }

    double bowMm() {
        return bowMm;
    }

    double crumpleMm() {
        return crumpleMm;
    }

    double motionPx() {
        return motionPx;
    }

    double glare() {
        return glare;
    }

    double warmth() {
        return warmth;
    }

    int stains() {
        return stains;
    }

    int handwriting() {
        return handwriting;
    }

    int showThrough() {
        return showThrough;
    }

    double cutAtMm() {
        return cutAtMm;
    }

    Table table() {
        return table;
    }

    int carriageDirt() {
        return carriageDirt;
    }

    double banding() {
        return banding;
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
