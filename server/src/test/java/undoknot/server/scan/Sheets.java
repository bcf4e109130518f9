package undoknot.server.scan;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
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

    /** The same blocks about the middle of the sheet, without marks: turned by 180° it looks the same but for its colours. */
    static final CheckLayout ABOUT_THE_MIDDLE = new CheckLayout(
            "about the middle",
            LAYOUT.family(),
            LAYOUT.widthMm(),
            LAYOUT.heightMm(),
            null,
            java.util.stream.IntStream.range(0, LAYOUT.blocks().size())
                    .mapToObj(i -> aboutTheMiddle(LAYOUT.blocks().get(i), 40.0 * (i - 1)))
                    .toList());

    private static CheckLayout.Block aboutTheMiddle(CheckLayout.Block b, double offMm) {
        return new CheckLayout.Block(
                b.channel(),
                b.stairs(),
                b.steps(),
                b.direction(),
                b.stairsReversed(),
                b.stepsReversed(),
                b.dashMm(),
                b.pitchMm(),
                (LAYOUT.widthMm() - b.widthMm()) / 2 + offMm,
                (LAYOUT.heightMm() - b.heightMm()) / 2,
                b.widthMm(),
                b.heightMm(),
                b.ink(),
                b.paper());
    }

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

    static BufferedImage printWithout(String channel, long seed) {
        var channels = new java.util.LinkedHashMap<>(strokes(seed).channels());
        channels.remove(channel);
        return StandInPrinter.print(LAYOUT, new Strokes(channels), SCANNING, seed);
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

    /** A JPEG that names its dots an inch, as a scanner writes it: in the header of JFIF, unit, across, down. */
    static byte[] jpeg(BufferedImage image, int dotsPerInch) {
        byte[] file = file(image, "jpeg");
        ByteBuffer.wrap(file)
                .put(13, (byte) 1)
                .putShort(14, (short) dotsPerInch)
                .putShort(16, (short) dotsPerInch);
        return file;
    }

    /** @param isProgressive from coarse to fine in several scans, as many cameras write */
    static byte[] jpeg(BufferedImage image, boolean isProgressive) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam how = writer.getDefaultWriteParam();
        how.setProgressiveMode(isProgressive ? ImageWriteParam.MODE_DEFAULT : ImageWriteParam.MODE_DISABLED);
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            writer.write(null, new IIOImage(image, null, null), how);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }

    /** A PNG that names its dots, by the metre as PNG has them: one more block behind the first. */
    static byte[] png(BufferedImage image, int dotsPerInch) {
        byte[] file = file(image, "png");
        int perMetre = (int) Math.round(dotsPerInch / 0.0254);
        byte[] size = ByteBuffer.allocate(13)
                .put("pHYs".getBytes(StandardCharsets.US_ASCII))
                .putInt(perMetre)
                .putInt(perMetre)
                .put((byte) 1)
                .array();
        CRC32 sum = new CRC32();
        sum.update(size);
        int first = 33;
        return ByteBuffer.allocate(file.length + 21)
                .put(file, 0, first)
                .putInt(9)
                .put(size)
                .putInt((int) sum.getValue())
                .put(file, first, file.length - first)
                .array();
    }
}
