package undoknot.server.scan;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.simulator.Scanning;
import undoknot.simulator.StandInPrinter;
import undoknot.simulator.StrokeMix;
import undoknot.simulator.Strokes;

/** Printed and scanned checks of a Vennick B3 (three channels of 208). */
final class Sheets {

    static final Family FAMILY = StarterFamilies.ALL.stream()
            .filter(f -> f.code().equals("VENNICK-B3"))
            .findFirst()
            .orElseThrow();
    static final CheckLayout LAYOUT = StarterLayouts.of(FAMILY);
    static final Scanning SCANNING = Scanning.CLEAN.dpi(150);

    private Sheets() {}

    static Strokes strokes(long seed) {
        return StrokeMix.SCATTERED.draw(FAMILY, seed);
    }

    static BufferedImage print(long seed) {
        return StandInPrinter.print(LAYOUT, strokes(seed), SCANNING, seed);
    }

    static BufferedImage printWithStrayInk(long seed) {
        return StandInPrinter.print(LAYOUT, strokes(seed), SCANNING.smeared(300), seed);
    }

    static BufferedImage printWithoutMarks(long seed) {
        CheckLayout plain = new CheckLayout(
                LAYOUT.name(), LAYOUT.family(), LAYOUT.widthMm(), LAYOUT.heightMm(), null, LAYOUT.blocks());
        return StandInPrinter.print(plain, strokes(seed), SCANNING, seed);
    }

    static byte[] file(BufferedImage image, String format) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            if (!ImageIO.write(image, format, bytes)) {
                throw new IllegalArgumentException("no writer for " + format);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
