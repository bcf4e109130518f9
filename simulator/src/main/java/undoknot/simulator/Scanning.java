package undoknot.simulator;

/**
 * How the stand-in scanner or camera spoils a sheet. Shares run from 0 to 1.
 *
 * @param dpi resolution on the sheet
 * @param turnDeg turn of the sheet, degrees clockwise
 * @param upsideDown whether the sheet lies upside down as well
 * @param perspective how slanted the camera looks; 0 is a flatbed
 * @param unevenLight how much darker one side is
 * @param tint colour of the paper, #rrggbb, or null for the layout's own
 * @param dust number of specks
 * @param fibres number of fibres
 * @param folds number of folds
 * @param jpegQuality 0 for none, else 0.6 for quality 60
 * @param blurPx blur of the lens, pixels
 * @param noise scatter of single pixels, levels of 255
 * @param feedMm by how much the printer fed the paper off its place, at most
 * @param strayInk number of smears of a neighbour's ink in the blocks
 * @param onDark whether the sheet lies on a dark table with room around it
 */
public record Scanning(
        int dpi,
        double turnDeg,
        boolean upsideDown,
        double perspective,
        double unevenLight,
        String tint,
        int dust,
        int fibres,
        int folds,
        double jpegQuality,
        double blurPx,
        double noise,
        double feedMm,
        int strayInk,
        boolean onDark) {

    public static final Scanning CLEAN = new Scanning(300, 0, false, 0, 0, null, 0, 0, 0, 0, 0.4, 2, 0.1, 0, false);

    public Scanning dpi(int to) {
        return new Scanning(
                to,
                turnDeg,
                upsideDown,
                perspective,
                unevenLight,
                tint,
                dust,
                fibres,
                folds,
                jpegQuality,
                blurPx,
                noise,
                feedMm,
                strayInk,
                onDark);
    }

    public Scanning turned(double degrees, boolean over) {
        return new Scanning(
                dpi,
                degrees,
                over,
                perspective,
                unevenLight,
                tint,
                dust,
                fibres,
                folds,
                jpegQuality,
                blurPx,
                noise,
                feedMm,
                strayInk,
                onDark);
    }

    /** A hand-held photo: slanted, a little soft, on a dark table. */
    public Scanning photo(double slant) {
        return new Scanning(
                dpi,
                turnDeg,
                upsideDown,
                slant,
                Math.max(unevenLight, 0.15),
                tint,
                dust,
                fibres,
                folds,
                0.85,
                0.8,
                4,
                feedMm,
                strayInk,
                true);
    }

    public Scanning light(double share) {
        return new Scanning(
                dpi,
                turnDeg,
                upsideDown,
                perspective,
                share,
                tint,
                dust,
                fibres,
                folds,
                jpegQuality,
                blurPx,
                noise,
                feedMm,
                strayInk,
                onDark);
    }

    public Scanning paper(String colour) {
        return new Scanning(
                dpi,
                turnDeg,
                upsideDown,
                perspective,
                unevenLight,
                colour,
                dust,
                fibres,
                folds,
                jpegQuality,
                blurPx,
                noise,
                feedMm,
                strayInk,
                onDark);
    }

    public Scanning dirt(int specks, int threads, int creases) {
        return new Scanning(
                dpi,
                turnDeg,
                upsideDown,
                perspective,
                unevenLight,
                tint,
                specks,
                threads,
                creases,
                jpegQuality,
                blurPx,
                noise,
                feedMm,
                strayInk,
                onDark);
    }

    public Scanning jpeg(double quality) {
        return new Scanning(
                dpi,
                turnDeg,
                upsideDown,
                perspective,
                unevenLight,
                tint,
                dust,
                fibres,
                folds,
                quality,
                blurPx,
                noise,
                feedMm,
                strayInk,
                onDark);
    }

    public Scanning smeared(int smears) {
        return new Scanning(
                dpi,
                turnDeg,
                upsideDown,
                perspective,
                unevenLight,
                tint,
                dust,
                fibres,
                folds,
                jpegQuality,
                blurPx,
                noise,
                feedMm,
                smears,
                onDark);
    }
}
