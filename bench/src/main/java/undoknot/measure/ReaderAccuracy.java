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
import java.util.function.UnaryOperator;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Paper;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.scan.Raster;
import undoknot.scan.ScanReader;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;
import undoknot.simulator.Scanning;
import undoknot.simulator.StandInPrinter;
import undoknot.simulator.StrokeMix;
import undoknot.simulator.Strokes;

/**
 * Reads generated sheets of every family and degradation and counts what was right. Run it with {@code bench/accuracy};
 * tuning has seeds of its own. A table that led to a change of the reader is no longer a fair one: give it a new seed.
 */
public final class ReaderAccuracy {

    private static final long TUNING_SEED = 1_000;
    private static final long TABLE_SEED = 7_410_000;

    /** @param moderate whether a bench meets it every week; the bound on unread nozzles is held against these */
    private record Degradation(
            String name, boolean moderate, StrokeMix mix, Scanning scanning, UnaryOperator<CheckLayout> layout) {
        Degradation(String name, boolean moderate, StrokeMix mix, Scanning scanning) {
            this(name, moderate, mix, scanning, UnaryOperator.identity());
        }
    }

    private static final Scanning CLEAN = Scanning.CLEAN;

    private static final List<Degradation> DEGRADATIONS = List.of(
            new Degradation("clean, 300 dpi", true, StrokeMix.SCATTERED, CLEAN),
            new Degradation("150 dpi", true, StrokeMix.SCATTERED, CLEAN.dpi(150)),
            new Degradation("600 dpi", true, StrokeMix.SCATTERED, CLEAN.dpi(600)),
            new Degradation(
                    "turned by 4°", true, StrokeMix.SCATTERED, CLEAN.dpi(200).turned(4, false)),
            new Degradation(
                    "turned by −10°, 150 dpi",
                    false,
                    StrokeMix.SCATTERED,
                    CLEAN.dpi(150).turned(-10, false)),
            new Degradation(
                    "upside down, turned by 2°",
                    true,
                    StrokeMix.SCATTERED,
                    CLEAN.dpi(240).turned(2, true)),
            new Degradation(
                    "hand-held photo", true, StrokeMix.SCATTERED, CLEAN.dpi(240).photo(0.15)),
            new Degradation(
                    "slanted photo, turned by 7°",
                    false,
                    StrokeMix.SCATTERED,
                    CLEAN.dpi(240).turned(7, false).photo(0.35)),
            new Degradation(
                    "uneven light", true, StrokeMix.SCATTERED, CLEAN.dpi(240).light(0.45)),
            new Degradation(
                    "tinted paper", true, StrokeMix.SCATTERED, CLEAN.dpi(240).paper("#f3ead2")),
            new Degradation("dust", true, StrokeMix.SCATTERED, CLEAN.dpi(240).dirt(500, 0, 0)),
            new Degradation("fibres", true, StrokeMix.SCATTERED, CLEAN.dpi(240).dirt(60, 40, 0)),
            new Degradation("folds", true, StrokeMix.SCATTERED, CLEAN.dpi(240).dirt(0, 0, 2)),
            new Degradation(
                    "JPEG quality 60", true, StrokeMix.SCATTERED, CLEAN.dpi(240).jpeg(0.6)),
            new Degradation(
                    "JPEG quality 60, 150 dpi",
                    false,
                    StrokeMix.SCATTERED,
                    CLEAN.dpi(150).jpeg(0.6)),
            new Degradation("channels wholly out", true, StrokeMix.CHANNELS_OUT, CLEAN.dpi(240)),
            new Degradation(
                    "a neighbour's ink in blocks",
                    true,
                    StrokeMix.SCATTERED,
                    CLEAN.dpi(240).smeared(12)),
            new Degradation("deflected dashes touching", true, StrokeMix.TOUCHING, CLEAN.dpi(240)),
            new Degradation("pale half-blocks", true, StrokeMix.PALE_HALF, CLEAN.dpi(240)),
            new Degradation("white on film", true, StrokeMix.SCATTERED, CLEAN.dpi(240), ReaderAccuracy::onFilm),
            new Degradation("white on dark stock", true, StrokeMix.SCATTERED, CLEAN.dpi(240), ReaderAccuracy::onDark),
            new Degradation(
                    "all at once",
                    false,
                    StrokeMix.TOUCHING,
                    CLEAN.dpi(220)
                            .turned(-3, true)
                            .paper("#efe6cf")
                            .dirt(250, 15, 1)
                            .smeared(6)
                            .light(0.3)
                            .jpeg(0.6)));

    private static CheckLayout onFilm(CheckLayout layout) {
        return white(layout, Paper.FILM);
    }

    private static CheckLayout onDark(CheckLayout layout) {
        return white(layout, Paper.DARK);
    }

    /** The layout with its first block printed in white on another stock. */
    private static CheckLayout white(CheckLayout layout, Paper paper) {
        List<Block> blocks = new ArrayList<>(layout.blocks());
        Block b = blocks.get(0);
        blocks.set(
                0,
                new Block(
                        b.channel(),
                        b.stairs(),
                        b.steps(),
                        b.direction(),
                        b.stairsReversed(),
                        b.stepsReversed(),
                        b.dashMm(),
                        b.pitchMm(),
                        b.xMm(),
                        b.yMm(),
                        b.widthMm(),
                        b.heightMm(),
                        "#f2f3f4",
                        paper));
        return new CheckLayout(
                layout.name(), layout.family(), layout.widthMm(), layout.heightMm(), layout.marks(), blocks);
    }

    /** Counts over some sheets. */
    private static final class Tally {
        int sheets;
        int notFound;
        int nozzles;
        int unread;
        int right;
        int missing;
        int missingCalledFiring;
        final Map<String, Integer> mistakes = new TreeMap<>();

        int read() {
            return nozzles - unread;
        }

        void add(Tally o) {
            sheets += o.sheets;
            notFound += o.notFound;
            nozzles += o.nozzles;
            unread += o.unread;
            right += o.right;
            missing += o.missing;
            missingCalledFiring += o.missingCalledFiring;
        }

        void compare(NozzleMap truth, NozzleMap read) {
            for (String code : truth.channels().keySet()) {
                ChannelMap t = truth.channel(code);
                ChannelMap r = read.channel(code);
                for (int n = 1; n <= t.size(); n++) {
                    nozzles++;
                    missing += t.state(n) == NozzleState.MISSING ? 1 : 0;
                    if (r.state(n) == NozzleState.UNREAD) {
                        unread++;
                    } else if (r.state(n) == t.state(n)) {
                        right++;
                    } else {
                        mistakes.merge(t.state(n).letter() + "→" + r.state(n).letter(), 1, Integer::sum);
                        missingCalledFiring +=
                                t.state(n) == NozzleState.MISSING && r.state(n) == NozzleState.FIRING ? 1 : 0;
                    }
                }
            }
        }

        String row(String name) {
            return String.format(
                    Locale.ROOT,
                    "| %s | %d | %d | %d | %.3f %% | %.3f %% | %.2f %% |",
                    name,
                    sheets,
                    notFound,
                    nozzles,
                    read() == 0 ? 0 : 100.0 * right / read(),
                    missing == 0 ? 0 : 100.0 * missingCalledFiring / missing,
                    nozzles == 0 ? 0 : 100.0 * unread / nozzles);
        }
    }

    /**
     * @param args {@code table} and the file to write, or {@code tuning} and, optionally, part of a degradation's name
     */
    public static void main(String[] args) throws IOException {
        boolean table = args.length > 0 && args[0].equals("table");
        String only = !table && args.length > 1 ? args[1] : "";
        StringWriter text = new StringWriter();
        PrintWriter out = new PrintWriter(text);
        out.println(
                "| degradation | sheets | not found | nozzles | right of those read | missing called firing | unread |");
        out.println("|---|---|---|---|---|---|---|");
        Tally all = new Tally();
        Tally moderate = new Tally();
        for (int d = 0; d < DEGRADATIONS.size(); d++) {
            Degradation degradation = DEGRADATIONS.get(d);
            if (!degradation.name().contains(only)) {
                continue;
            }
            Tally tally = new Tally();
            int rounds = table && !degradation.name().startsWith("600") ? 2 : 1;
            for (int round = 0; round < rounds; round++) {
                for (int f = 0; f < StarterFamilies.ALL.size(); f++) {
                    long seed = (table ? TABLE_SEED : TUNING_SEED) + d * 100L + f + 10L * round;
                    tally.add(sheet(StarterFamilies.ALL.get(f), degradation, seed, !table, tally.mistakes));
                }
            }
            all.add(tally);
            if (degradation.moderate()) {
                moderate.add(tally);
            }
            out.println(tally.row(degradation.name() + (degradation.moderate() ? "" : " *")));
            System.out.println(tally.row(degradation.name()) + " " + tally.mistakes);
        }
        out.println(moderate.row("**all moderate sheets**"));
        out.println(all.row("**all sheets**"));
        System.out.println(moderate.row("moderate"));
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

    private static Tally sheet(
            Family family, Degradation degradation, long seed, boolean chatty, Map<String, Integer> mistakes) {
        CheckLayout layout = degradation.layout().apply(StarterLayouts.of(family));
        Strokes strokes = degradation.mix().draw(family, seed);
        Tally tally = new Tally();
        tally.sheets = 1;
        try {
            SheetReading reading = ScanReader.read(
                    Raster.of(StandInPrinter.print(layout, strokes, degradation.scanning(), seed)),
                    layout,
                    ScanReader.ByHand.NOTHING);
            tally.compare(strokes.truth(), reading.map());
            tally.mistakes.forEach((k, v) -> mistakes.merge(k, v, Integer::sum));
            if (chatty) {
                System.out.printf(
                        Locale.ROOT,
                        "   %s %s residual %.3f cover %.2f unread %d wrong %d %s%n",
                        family.code(),
                        reading.fit().how(),
                        reading.fit().residualMm(),
                        reading.fit().cover(),
                        tally.unread,
                        tally.read() - tally.right,
                        doubts(reading));
            }
        } catch (SheetNotFound e) {
            tally.notFound = 1;
            System.out.println(
                    "   " + family.code() + " " + degradation.name() + ": " + e.why() + ", " + e.getMessage());
        }
        return tally;
    }

    private static Map<String, Integer> doubts(SheetReading reading) {
        Map<String, Integer> doubts = new TreeMap<>();
        reading.channels()
                .forEach((code, channel) -> channel.nozzles().forEach(n -> {
                    if (n.doubt() != null) {
                        doubts.merge(code + " " + n.doubt(), 1, Integer::sum);
                    }
                }));
        return doubts;
    }
}
