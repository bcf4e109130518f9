package undoknot.scan;

import java.util.ArrayList;
import java.util.List;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;

/**
 * Other places at which the layout could lie: one block where another is, the same way up or turned by 180°. Stairs look alike
 * there; the colours of the blocks, those that print and the edge of the picture tell which is right.
 */
final class Rivals {

    /** Another place that explains this share of the strokes as well could be the right one. */
    static final double AS_GOOD = 0.85;

    /** How far the edge of the sheet may lie outside the picture, mm. */
    private static final double OVERHANG_MM = 8;

    /**
     * A place for the layout.
     *
     * @param upsideDown whether it is turned by 180° against the place it rivals
     * @param own strokes of their own ink that it explains
     * @param overhangMm how far the sheet lies outside the picture there
     */
    record Rival(Warp warp, boolean upsideDown, int own, double overhangMm) {}

    private final InkBlobs ink;
    private final CheckLayout layout;
    private final Raster picture;

    /** @param picture that the strokes were gathered from */
    Rivals(InkBlobs ink, CheckLayout layout, Raster picture) {
        this.ink = ink;
        this.layout = layout;
        this.picture = picture;
    }

    Rival of(Warp warp) {
        return rival(warp, false);
    }

    private Rival rival(Warp warp, boolean upsideDown) {
        double perMm = warp.pixelsPerMm(layout.widthMm() / 2, layout.heightMm() / 2);
        double outside = warp.corners().stream()
                .mapToDouble(p -> Placement.outside(p, picture))
                .max()
                .orElse(0);
        return new Rival(warp, upsideDown, ink.explained(warp, layout).own(), outside / perMm);
    }

    /** All other places, with the best of three neighbouring nozzles at each. */
    List<Rival> to(Warp warp) {
        List<Rival> found = new ArrayList<>();
        List<Point> seen = new ArrayList<>();
        Warp over = warp.upsideDown();
        for (Block from : layout.blocks()) {
            for (Block to : layout.blocks()) {
                if (from.direction() != to.direction()) {
                    continue;
                }
                Point a = middle(from);
                Point b = middle(to);
                if (from != to) {
                    add(found, warp.moved(a.x() - b.x(), a.y() - b.y()), false, from);
                }
                Point turned = new Point(layout.widthMm() - a.x() - b.x(), layout.heightMm() - a.y() - b.y());
                if (seen.stream().noneMatch(s -> s.distance(turned) < 0.1)) {
                    seen.add(turned);
                    add(found, over.moved(turned.x(), turned.y()), true, from);
                }
            }
        }
        return found;
    }

    private void add(List<Rival> found, Warp warp, boolean upsideDown, Block block) {
        boolean across = block.direction() == Direction.ACROSS;
        Rival best = null;
        for (int steps = -1; steps <= 1; steps++) {
            double du = steps * block.driftMm();
            double dv = steps * block.pitchMm();
            Rival rival = rival(warp.moved(across ? du : dv, across ? dv : du), upsideDown);
            best = best == null || rival.own > best.own ? rival : best;
        }
        found.add(best);
    }

    /** The middle of a block's dashes, about which they look the same when turned. */
    private static Point middle(Block block) {
        double u = block.alongMm() / 2;
        double v = block.steps() * block.pitchMm() / 2;
        boolean across = block.direction() == Direction.ACROSS;
        return new Point(block.xMm() + (across ? u : v), block.yMm() + (across ? v : u));
    }

    /** The likelier place: of those that explain about as much the one that lies in the picture. */
    Warp likeliest(Warp warp) {
        Rival best = of(warp);
        List<Rival> all = to(warp);
        int most = Math.max(best.own, all.stream().mapToInt(Rival::own).max().orElse(0));
        for (Rival rival : all) {
            boolean asGood = rival.own >= AS_GOOD * most;
            boolean clearlyBetter = best.own < AS_GOOD * rival.own;
            boolean fartherIn = rival.overhangMm < best.overhangMm - OVERHANG_MM / 2;
            if (asGood && (clearlyBetter || fartherIn && best.overhangMm > OVERHANG_MM)) {
                best = rival;
            }
        }
        return best.warp;
    }

    /** Another place that could as well be right, or null. */
    Rival asGoodAs(Rival here) {
        double room = Math.max(OVERHANG_MM, here.overhangMm + 2);
        return to(here.warp).stream()
                .filter(r -> r.overhangMm <= room && r.own > AS_GOOD * here.own)
                .findFirst()
                .orElse(null);
    }
}
