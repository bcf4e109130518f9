package undoknot.measure;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.scan.Raster;
import undoknot.scan.ScanReader;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;
import undoknot.simulator.OwnLayouts;
import undoknot.simulator.StandInPrinter;
import undoknot.simulator.Strokes;

/**
 * Reads generated sheets of every family and degradation and counts what was right. Run it with {@code bench/accuracy};
 * tuning has seeds of its own. A table that led to a change of the reader is no longer a fair one: give it a new seed.
 */
public final class ReaderAccuracy {

    private static final long TUNING_SEED = 1_000;
    private static final long TABLE_SEED = 9_950_000;

    private ReaderAccuracy() {}

    /** A family and the sheet its check is printed on. */
    private record Sheet(Family family, CheckLayout layout) {}

    private static List<Sheet> sheets() {
        List<Sheet> sheets = new ArrayList<>();
        StarterFamilies.ALL.forEach(f -> sheets.add(new Sheet(f, StarterLayouts.of(f))));
        sheets.add(new Sheet(OwnLayouts.TWO_LONG, OwnLayouts.TWO_LONG_SHEET));
        sheets.add(new Sheet(OwnLayouts.LANDSCAPE, OwnLayouts.LANDSCAPE_SHEET));
        return sheets;
    }

    /**
     * @param args {@code table} and the file to write, or {@code tuning} and, optionally, part of a degradation's name
     *     and the seed to begin with
     */
    public static void main(String[] args) throws IOException {
        boolean table = args.length > 0 && args[0].equals("table");
        String only = !table && args.length > 1 ? args[1] : "";
        long first = !table && args.length > 2 ? Long.parseLong(args[2]) : table ? TABLE_SEED : TUNING_SEED;
        StringWriter text = new StringWriter();
        PrintWriter out = new PrintWriter(text);
        out.println(ReadingTally.HEAD);
        ReadingTally all = new ReadingTally();
        ReadingTally single = new ReadingTally();
        List<Sheet> sheets = sheets();
        for (int d = 0; d < Degradation.ALL.size(); d++) {
            Degradation degradation = Degradation.ALL.get(d);
            if (!degradation.name().contains(only)) {
                continue;
            }
            long begin = first + d * 100L;
            ReadingTally tally = new ReadingTally();
            IntStream.range(0, sheets.size())
                    .parallel()
                    .mapToObj(i -> sheet(sheets.get(i), degradation, begin + i, !table))
                    .toList()
                    .forEach(tally::add);
            all.add(tally);
            if (degradation.faults() == 1) {
                single.add(tally);
            }
            String mark = degradation.faults() > 1 ? " *" : "";
            out.println(tally.row(degradation.name() + mark));
            System.out.println(tally.row(degradation.name() + mark) + " " + tally.mistakes);
        }
        out.println(single.row("**all sheets with one fault**"));
        out.println(all.row("**all sheets**"));
        System.out.println(single.row("one fault"));
        System.out.println(all.row("all"));
        if (table) {
            Path file = Path.of(args[1]);
            String page = Files.readString(file);
            String begin = "<!-- table: made by bench/accuracy -->\n";
            String end = "<!-- end of table -->";
            Files.writeString(
                    file,
                    page.substring(0, page.indexOf(begin) + begin.length()) + text + page.substring(page.indexOf(end)));
        }
    }

    private static ReadingTally sheet(Sheet sheet, Degradation degradation, long seed, boolean chatty) {
        CheckLayout layout = degradation.layout().apply(sheet.layout());
        Strokes strokes = degradation.mix().draw(sheet.family(), seed).on(layout);
        ReadingTally tally = new ReadingTally();
        var picture = StandInPrinter.print(layout, strokes, degradation.scanning(), seed);
        long begun = System.nanoTime();
        try {
            SheetReading reading = ScanReader.read(Raster.of(picture), layout, ScanReader.ByHand.NOTHING);
            tally.compare(strokes, reading.map());
            if (chatty) {
                System.out.printf(
                        Locale.ROOT,
                        "   %s %s residual %.3f cover %.2f unread %d wrong %d %d ms %s %s%n",
                        sheet.family().code(),
                        reading.fit().how(),
                        reading.fit().residualMm(),
                        reading.fit().cover(),
                        tally.unread(),
                        tally.wrong(),
                        (System.nanoTime() - begun) / 1_000_000,
                        tally.mistakes,
                        doubts(strokes, reading));
            }
        } catch (SheetNotFound e) {
            if (degradation.readable()) {
                tally.refused();
            }
            System.out.println("   " + sheet.family().code() + " " + degradation.name() + " " + seed + ": " + e.why()
                    + ", " + e.getMessage() + ", " + (System.nanoTime() - begun) / 1_000_000 + " ms");
        }
        return tally;
    }

    /** Why nozzles stayed unread, by what they were. */
    private static Map<String, Integer> doubts(Strokes strokes, SheetReading reading) {
        Map<String, Integer> doubts = new TreeMap<>();
        var truth = strokes.truth();
        reading.channels().forEach((code, channel) -> {
            for (int i = 0; i < channel.nozzles().size(); i++) {
                var doubt = channel.nozzles().get(i).doubt();
                if (doubt != null) {
                    doubts.merge(code + truth.channel(code).state(i + 1).letter() + " " + doubt, 1, Integer::sum);
                }
            }
        });
        return doubts;
    }
}
