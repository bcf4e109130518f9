package undoknot.server.report;

import java.util.Locale;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleState;

/**
 * Draws a channel as a comb for paper: before above, now below, tooth to tooth. A whole tooth fires, half a tooth is
 * weak, a leaning one deflected, an absent one missing, a dotted one unread.
 */
final class CombSvg {

    private static final double WIDTH = 660;
    private static final double TOOTH = 17;
    private static final double GAP = 5;
    private static final double SPINE = 2.5;

    private CombSvg() {}

    /** One comb alone, teeth hanging down. */
    static String single(ChannelMap map, String ink) {
        return svg(SPINE + TOOTH + 2, comb(map, ink, 0, 1));
    }

    static String facing(ChannelMap before, ChannelMap now, String ink) {
        double height = 2 * (SPINE + TOOTH) + GAP;
        return svg(height, comb(before, ink, 0, 1) + comb(now, ink, height, -1));
    }

    /** Dimensions are whole numbers: what draws the PDF refuses others. */
    private static String svg(double needed, String inner) {
        double height = Math.ceil(needed);
        return String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.0f\" height=\"%.0f\" viewBox=\"0 0 %.0f %.0f\">%s</svg>",
                WIDTH,
                height,
                WIDTH,
                height,
                inner);
    }

    /** @param way 1 for teeth that hang down from y, -1 for teeth that stand up to y */
    private static String comb(ChannelMap map, String ink, double y, int way) {
        double pitch = WIDTH / map.size();
        double root = y + way * SPINE;
        StringBuilder whole = new StringBuilder();
        StringBuilder dotted = new StringBuilder();
        for (int n = 1; n <= map.size(); n++) {
            double x = (n - 0.5) * pitch;
            NozzleState state = map.state(n);
            double length = state == NozzleState.WEAK ? TOOTH / 2 : TOOTH;
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
                        "<rect x=\"0\" y=\"%.1f\" width=\"%.0f\" height=\"%.1f\" fill=\"%s\"/>",
                        spineY,
                        WIDTH,
                        SPINE,
                        ink)
                + (whole.isEmpty() ? "" : "<path d=\"" + whole + "\" " + stroke + "/>")
                + (dotted.isEmpty() ? "" : "<path d=\"" + dotted + "\" " + stroke + " stroke-dasharray=\"1.5 2.5\"/>");
    }
}
