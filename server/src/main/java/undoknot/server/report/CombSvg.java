package undoknot.server.report;

import java.util.Locale;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleState;

/**
 * Draws a channel as a comb for paper: before above, now below, tooth to tooth. A whole tooth fires, half a tooth is
 * weak, a leaning one deflected, an absent one missing, a dotted one unread.
 */
final class CombSvg {

    /** Whole width of a picture that stands alone, px. */
    static final Size WIDE = new Size(660, 17);

    /** Half of a page beside another, px. */
    static final Size HALF = new Size(330, 13);

    private static final double GAP = 5;
    private static final double SPINE = 2.5;

    private CombSvg() {}

    /**
     * @param widthPx of the spine
     * @param toothPx length of a whole tooth
     */
    record Size(int widthPx, double toothPx) {}

    /** One comb alone, teeth hanging down. */
    static String single(ChannelMap map, String ink, Size size) {
        return svg(size, SPINE + size.toothPx() + 2, comb(map, ink, size, 0, 1));
    }

    static String facing(ChannelMap before, ChannelMap now, String ink, Size size) {
        double height = 2 * (SPINE + size.toothPx()) + GAP;
        return svg(size, height, comb(before, ink, size, 0, 1) + comb(now, ink, size, height, -1));
    }

    /** Dimensions are whole numbers: what draws the PDF refuses others. */
    private static String svg(Size size, double needed, String inner) {
        double height = Math.ceil(needed);
        return String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%.0f\" viewBox=\"0 0 %d %.0f\">%s</svg>",
                size.widthPx(),
                height,
                size.widthPx(),
                height,
                inner);
    }

    /** @param way 1 for teeth that hang down from y, -1 for teeth that stand up to y */
    private static String comb(ChannelMap map, String ink, Size size, double y, int way) {
        double pitch = (double) size.widthPx() / map.size();
        double root = y + way * SPINE;
        StringBuilder whole = new StringBuilder();
        StringBuilder dotted = new StringBuilder();
        for (int n = 1; n <= map.size(); n++) {
            double x = (n - 0.5) * pitch;
            NozzleState state = map.state(n);
            double length = state == NozzleState.WEAK ? size.toothPx() / 2 : size.toothPx();
            double lean = state == NozzleState.DEFLECTED ? pitch * 0.9 : 0;
            StringBuilder path = state == NozzleState.UNREAD ? dotted : whole;
            if (state != NozzleState.MISSING) {
                path.append(String.format(Locale.ROOT, "M%.1f %.1fL%.1f %.1f", x, root, x + lean, root + way * length));
            }
        }
        double spineY = way > 0 ? y : y - SPINE;
        String stroke = String.format(
                Locale.ROOT, "fill=\"none\" stroke=\"%s\" stroke-width=\"%.2f\"", ink, Math.min(2.2, pitch * 0.55));
        return String.format(
                        Locale.ROOT,
                        "<rect x=\"0\" y=\"%.1f\" width=\"%d\" height=\"%.1f\" fill=\"%s\"/>",
                        spineY,
                        size.widthPx(),
                        SPINE,
                        ink)
                + (whole.isEmpty() ? "" : "<path d=\"" + whole + "\" " + stroke + "/>")
                + (dotted.isEmpty() ? "" : "<path d=\"" + dotted + "\" " + stroke + " stroke-dasharray=\"1.5 2.5\"/>");
    }
}
