package undoknot.measure;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import javax.imageio.ImageIO;
import undoknot.diagnosis.Cause;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.scan.Jpeg;
import undoknot.simulator.Fault;
import undoknot.simulator.Fault.Severity;
import undoknot.simulator.Scanning;
import undoknot.simulator.StandInHead;
import undoknot.simulator.StandInPrinter;

/** Makes the ready-made scans in {@code samples/scans}. Run it with {@code bench/samples}. */
public final class MakeSamples {

    private static final double QUALITY = 0.7;
    private static final Scanning OFFICE = Scanning.CLEAN.dpi(200).turned(1.4, false);

    private record Sample(String name, String family, Scanning scanning, Fault... faults) {}

    private static final List<Sample> SAMPLES = List.of(
            new Sample("orsel-d6-dried-cyan.jpg", "ORSEL-D6", OFFICE, fault(Cause.DRIED_INK, Severity.FIRM, "C")),
            new Sample(
                    "hulver-w8-air-in-magenta-photo.jpg",
                    "HULVER-W8",
                    Scanning.CLEAN.dpi(200).photo(0.25),
                    fault(Cause.AIR, Severity.FIRM, "M")),
            new Sample(
                    "tarrow-t4-dead-drive-group.jpg",
                    "TARROW-T4",
                    OFFICE.jpeg(0.6),
                    fault(Cause.ELECTRICAL, Severity.MILD, "K")),
            new Sample(
                    "skerrin-l4-folded-and-dirty.jpg",
                    "SKERRIN-L4",
                    OFFICE.dirt(160, 10, 1).light(0.2),
                    fault(Cause.DRIED_INK, Severity.FIRM, "M"),
                    fault(Cause.DRIED_INK, Severity.MILD, "Y")),
            new Sample(
                    "vennick-b3-upside-down.jpg",
                    "VENNICK-B3",
                    Scanning.CLEAN.dpi(150).turned(2, true),
                    fault(Cause.FACE_DEBRIS, Severity.FIRM, "C")),
            new Sample(
                    "pellam-m5-starved-grey.jpg",
                    "PELLAM-M5",
                    OFFICE,
                    fault(Cause.SUPPLY_RESTRICTED, Severity.FIRM, "G")));

    private MakeSamples() {}

    private static Fault fault(Cause cause, Severity severity, String channel) {
        return new Fault(cause, severity, channel);
    }

    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        Files.createDirectories(folder);
        for (int i = 0; i < SAMPLES.size(); i++) {
            Sample sample = SAMPLES.get(i);
            Family family = StarterFamilies.ALL.stream()
                    .filter(f -> f.code().equals(sample.family()))
                    .findFirst()
                    .orElseThrow();
            StandInHead head = new StandInHead(family, Arrays.asList(sample.faults()), 300 + i);
            BufferedImage sheet =
                    StandInPrinter.print(StarterLayouts.of(family), head.print(), sample.scanning(), 300 + i);
            byte[] file = Jpeg.of(sheet, QUALITY);
            Files.write(folder.resolve(sample.name()), file);
            if (i == 0) {
                Files.write(folder.resolve("cut-off.jpg"), Arrays.copyOf(file, file.length / 3));
            }
        }
        BufferedImage blank = new BufferedImage(827, 1169, BufferedImage.TYPE_BYTE_GRAY);
        blank.createGraphics().fillRect(0, 0, blank.getWidth(), blank.getHeight());
        ImageIO.write(blank, "png", folder.resolve("empty-page.png").toFile());
    }
}
