package undoknot.scan;

import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.scan.InkBlobs.Explained;
import undoknot.scan.SheetNotFound.Why;
import undoknot.scan.SheetReading.How;

/**
 * Whether the layout lies on the picture beyond doubt. Every way of finding the sheet ends here: marks, the edge of the paper,
 * the pattern, and corners placed by hand.
 */
final class Placement {

    /** Share of the ink in the blocks that has to lie on dashes. */
    static final double LEAST_COVER = 0.6;

    /** A layout that is bent to the sheet fits better than that, or was bent to the wrong dashes. */
    private static final double LEAST_COVER_BENT = 0.8;

    /** Share by which a place has to beat the place one nozzle further. */
    static final double LEAST_LEAD = 0.012;

    /** What the fit may leave between dashes and layout, mm. */
    static final double MOST_RESIDUAL_MM = 0.15;

    /** Share of the strokes on the sheet that has to lie where the layout has dashes. */
    private static final double LEAST_EXPLAINED = 0.5;

    /** Fewer strokes than this may be handwriting or dirt, and say nothing about the layout. */
    private static final int FEW_STROKES = 40;

    private final Raster picture;
    private final CheckLayout layout;
    private final InkBlobs ink;
    /** Pixels of the picture for one of the picture that {@link #ink} was gathered from. */
    private final int factor;

    Placement(Raster picture, CheckLayout layout, InkBlobs ink, int factor) {
        this.picture = picture;
        this.layout = layout;
        this.ink = ink;
        this.factor = factor;
    }

    /** @throws SheetNotFound when anything speaks against the place */
    void check(How how, PatternFit.Fit fit) throws SheetNotFound {
        Warp warp = fit.warp().scaledPicture(1.0 / factor);
        Explained here = ink.explained(warp, layout);
        for (int b = 0; b < layout.blocks().size(); b++) {
            if (!inPicture(fit.warp(), layout.blocks().get(b), picture)) {
                throw new SheetNotFound(Why.OFF_PICTURE, layout.blocks().get(b).channel());
            }
        }
        boolean blank = here.placed() < FEW_STROKES && fit.cover() < LEAST_COVER;
        if (here.share() < LEAST_EXPLAINED && here.elsewhere() >= FEW_STROKES) {
            throw new SheetNotFound(
                    how == How.MARKS ? Why.WRONG_LAYOUT : Why.NO_FIT,
                    String.format(
                            "%d of %d dashes where this layout has one",
                            here.placed(), here.placed() + here.elsewhere()));
        }
        if (blank && how == How.MARKS) {
            return;
        }
        if (blank) {
            throw new SheetNotFound(Why.NOTHING_PRINTED, here.placed() + " dashes");
        }
        if (!fit.warp().isFlat() && fit.cover() < LEAST_COVER_BENT) {
            throw new SheetNotFound(Why.BENT, String.format("%.0f %% of the ink on dashes", 100 * fit.cover()));
        }
        if (fit.cover() < LEAST_COVER) {
            throw new SheetNotFound(Why.NO_FIT, String.format("%.0f %% of the ink on dashes", 100 * fit.cover()));
        }
        if (fit.residualMm() > MOST_RESIDUAL_MM) {
            throw new SheetNotFound(Why.BENT, String.format("blocks off by %.2f mm", fit.residualMm()));
        }
        // Marks tell the place to less than half a step; the pattern only has to agree with them.
        double least = how == How.MARKS && fit.warp().isFlat() ? -LEAST_LEAD : LEAST_LEAD;
        if (fit.lead() < least) {
            throw new SheetNotFound(Why.AMBIGUOUS, String.format("a lead of %.1f %%", 100 * fit.lead()));
        }
        if (ink.bestAlongStairs(warp, layout) != null && least > 0) {
            throw new SheetNotFound(Why.AMBIGUOUS, "as many dashes some nozzles further");
        }
        checkRivals(how, warp, here);
    }

    static boolean inPicture(Warp warp, Block block, Raster picture) {
        for (double x : new double[] {block.xMm(), block.xMm() + block.widthMm()}) {
            for (double y : new double[] {block.yMm(), block.yMm() + block.heightMm()}) {
                if (outside(warp.toPicture(x, y), picture) > 0) {
                    return false;
                }
            }
        }
        return true;
    }

    /** How far a place lies outside the picture, pixels. */
    static double outside(Point p, Raster picture) {
        double x = Math.max(-p.x(), p.x() - picture.width());
        double y = Math.max(-p.y(), p.y() - picture.height());
        return Math.max(0, Math.max(x, y));
    }

    /** Marks tell which way up the sheet lies, and so does a person; then a rival has to be clearly the better one. */
    private void checkRivals(How how, Warp warp, Explained here) throws SheetNotFound {
        Rivals rivals = new Rivals(ink, layout, ink.picture());
        boolean known = how == How.MARKS || how == How.BY_HAND;
        Rivals.Rival rival = rivals.asGoodAs(rivals.of(warp));
        if (rival == null || known && rival.own() * Rivals.AS_GOOD <= here.own()) {
            return;
        }
        throw new SheetNotFound(
                rival.upsideDown() ? Why.EITHER_WAY_UP : Why.AMBIGUOUS,
                String.format("%d dashes here, %d at another place", here.own(), rival.own()));
    }
}
