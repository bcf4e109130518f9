package undoknot.measure;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.scan.Raster;
import undoknot.scan.ScanReader;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;
import undoknot.simulator.Scanning;
import undoknot.simulator.StandInPrinter;
import undoknot.simulator.StrokeMix;

/**
 * Reading a decoded 300 dpi A4 sheet, beside decoding the same sheet from PNG: the largest family, whose check paper has
 * registration marks, and one whose sheet has to be found by its pattern.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 6, time = 3)
@Fork(1)
public class ReadSheet {

    @Param({"HULVER-W8", "ORSEL-D6"})
    private String family;

    private CheckLayout layout;
    private byte[] png;
    private BufferedImage decoded;

    @Setup
    public void print() throws IOException {
        Family printed = StarterFamilies.ALL.stream()
                .filter(f -> f.code().equals(family))
                .findFirst()
                .orElseThrow();
        layout = StarterLayouts.of(printed);
        decoded = StandInPrinter.print(layout, StrokeMix.SCATTERED.draw(printed, 5), Scanning.CLEAN, 5);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(decoded, "png", bytes);
        png = bytes.toByteArray();
    }

    @Benchmark
    public BufferedImage decode() throws IOException {
        return ImageIO.read(new ByteArrayInputStream(png));
    }

    @Benchmark
    public SheetReading read() throws SheetNotFound {
        return ScanReader.read(Raster.of(decoded), layout, ScanReader.ByHand.NOTHING);
    }
}
