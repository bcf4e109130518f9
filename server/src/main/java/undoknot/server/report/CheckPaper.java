package undoknot.server.report;

import java.util.Locale;
import undoknot.head.CheckLayout;
import undoknot.head.RegistrationMark;

/** Blank check paper with the registration marks of a layout, to be printed once on any printer and then printed over. */
final class CheckPaper {

    private static final double RULE_MM = 50;
    private static final double GAP_MM = 4;

    private CheckPaper() {}

    /** As SVG, one unit a millimetre; marks, and a note with a rule to measure by where no block is in the way. */
    static String svg(CheckLayout layout) {
        double size = layout.marks().sizeMm();
        double inset = layout.marks().insetMm();
        StringBuilder black = new StringBuilder();
        for (int corner = 0; corner < 4; corner++) {
            double x = corner == 0 || corner == 3 ? inset : layout.widthMm() - inset - size;
            double y = corner < 2 ? inset : layout.heightMm() - inset - size;
            mark(black, corner, x, y, size);
        }
        return String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%smm\" height=\"%smm\" viewBox=\"0 0 %s %s\">"
                        + "<path fill=\"#000000\" fill-rule=\"evenodd\" d=\"%s\"/>%s</svg>",
                layout.widthMm(),
                layout.heightMm(),
                layout.widthMm(),
                layout.heightMm(),
                black,
                note(layout, inset + size + GAP_MM));
    }

    private static void mark(StringBuilder black, int corner, double x, double y, double size) {
        double frame = size * RegistrationMark.FRAME;
        double cell = (size - 2 * frame) / RegistrationMark.CELLS;
        // Even-odd: the inner square takes its place out of the outer one again.
        square(black, x, y, size);
        square(black, x + frame, y + frame, size - 2 * frame);
        for (int row = 0; row < RegistrationMark.CELLS; row++) {
            for (int column = 0; column < RegistrationMark.CELLS; column++) {
                if (RegistrationMark.black(corner, column, row)) {
                    square(black, x + frame + column * cell, y + frame + row * cell, cell);
                }
            }
        }
    }

    private static void square(StringBuilder path, double x, double y, double side) {
        path.append(String.format(Locale.ROOT, "M%.3f %.3fh%.3fv%.3fh%.3fz", x, y, side, side, -side));
    }

    private static String note(CheckLayout layout, double x) {
        double y = layout.heightMm() - layout.marks().insetMm() - 2;
        boolean taken = layout.blocks().stream().anyMatch(b -> b.yMm() + b.heightMm() > y - 2 * GAP_MM);
        return taken || layout.widthMm() < 2 * x + RULE_MM
                ? ""
                : String.format(
                        Locale.ROOT,
                        "<text x=\"%s\" y=\"%s\" font-family=\"sans-serif\" font-size=\"3\" fill=\"#555555\">"
                                + "Print at 100 %%, not fitted to the page: this rule is 50 mm.</text>"
                                + "<path stroke=\"#555555\" stroke-width=\"0.3\" d=\"M%s %sh%s\"/>",
                        x,
                        y - 2,
                        x,
                        y,
                        RULE_MM);
    }
}
