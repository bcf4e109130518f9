package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.scan.NozzleReading.Doubt;
import undoknot.scan.Point;
import undoknot.scan.Raster;
import undoknot.scan.ScanReader;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetNotFound.Why;
import undoknot.scan.SheetReading;
import undoknot.simulator.Scanning.Table;
import undoknot.simulator.Strokes.Stroke;

/** What the reader is not sure of stays unread: never missing called firing, never firing called missing. */
class ReaderDoubtsTest {

    private static final Scanning PLAIN = Scanning.CLEAN.dpi(200);

    /** Nozzles that fire and were called missing, or are missing and were called firing. */
    private static int dangerous(NozzleMap truth, NozzleMap read) {
        int count = 0;
        for (Map.Entry<String, ChannelMap> channel : truth.channels().entrySet()) {
            for (int n = 1; n <= channel.getValue().size(); n++) {
                NozzleState is = channel.getValue().state(n);
                NozzleState seen = read.channel(channel.getKey()).state(n);
                boolean swapped = is == NozzleState.MISSING && seen == NozzleState.FIRING
                        || is == NozzleState.FIRING && seen == NozzleState.MISSING;
                count += swapped ? 1 : 0;
            }
        }
        return count;
    }

    private static SheetReading small(Strokes strokes, Scanning scanning, long seed) throws SheetNotFound {
        return SmallSheet.read(SmallSheet.print(SmallSheet.MARKED, strokes, scanning, seed), SmallSheet.MARKED);
    }

    private static SheetReading read(BufferedImage image, CheckLayout layout) throws SheetNotFound {
        return ScanReader.read(Raster.of(image), layout, ScanReader.ByHand.NOTHING);
    }

    private static void refused(BufferedImage image, CheckLayout layout, Why... why) {
        assertThatThrownBy(() -> read(image, layout))
                .isInstanceOfSatisfying(
                        SheetNotFound.class,
                        e -> assertThat(e.why()).as(e.getMessage()).isIn((Object[]) why));
    }

    private static Strokes with(Strokes strokes, String channel, Stroke stroke) {
        Map<String, Stroke[]> channels = new LinkedHashMap<>(strokes.channels());
        Stroke[] all = new Stroke[channels.get(channel).length];
        Arrays.fill(all, stroke);
        channels.put(channel, all);
        return new Strokes(channels);
    }

    @ParameterizedTest(name = "{0} prints as {1}")
    @CsvSource({"Y,K", "Y,C", "C,K", "C,Y", "K,C", "K,Y"})
    void another_channels_ink_is_no_missing_dash_and_no_firing_one(String channel, String inkOf) throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(41).withInk(channel, inkOf);
        SheetReading reading = small(strokes, PLAIN, 41);
        ChannelMap truth = strokes.truth().channel(channel);
        ChannelMap read = reading.map().channel(channel);
        for (int n = 1; n <= truth.size(); n++) {
            if (truth.state(n) == NozzleState.MISSING) {
                assertThat(read.state(n)).as("%s %d", channel, n).isIn(NozzleState.MISSING, NozzleState.UNREAD);
            } else {
                assertThat(read.state(n)).as("%s %d", channel, n).isEqualTo(NozzleState.UNREAD);
            }
        }
        int printed = truth.size() - truth.count(NozzleState.MISSING);
        assertThat(reading.channels().get(channel).printsAs()).isEqualTo(inkOf);
        assertThat(reading.channels().get(channel).foreign()).isGreaterThan((int) (0.9 * printed));
        assertThat(reading.channels().get(inkOf).printsAs()).isNull();
    }

    @Test
    void a_grey_picture_is_noticed_and_read_by_place() throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(42);
        SheetReading reading = small(strokes, PLAIN.grey(), 42);
        assertThat(reading.fit().grey()).isTrue();
        assertThat(dangerous(strokes.truth(), reading.map())).isZero();
        assertThat(reading.map().channel("K").count(NozzleState.UNREAD)).isLessThan(8);
        assertThat(reading.map().channel("C").count(NozzleState.UNREAD)).isLessThan(8);
        assertThat(small(strokes, PLAIN, 42).fit().grey()).isFalse();
    }

    /** In grey nobody can say whether a pale ink is missing or does not show. */
    @Test
    void a_blank_block_in_a_grey_picture_is_unread() throws SheetNotFound {
        SheetReading reading = small(with(SmallSheet.strokes(43), "Y", Stroke.NONE), PLAIN.grey(), 43);
        assertThat(reading.map().channel("Y").count(NozzleState.MISSING)).isZero();
        assertThat(reading.channels().get("Y").nozzles()).allMatch(n -> n.doubt() == Doubt.GREY);
    }

    @ParameterizedTest(name = "cut at {0} mm")
    @CsvSource({"38, 200", "55, 200", "57, 300"})
    void a_block_outside_the_picture_is_no_verdict(double mm, int dpi) {
        Scanning cut = Scanning.CLEAN.dpi(dpi).cutAt(mm);
        for (CheckLayout layout : List.of(SmallSheet.MARKED, SmallSheet.UNMARKED)) {
            refused(
                    SmallSheet.print(layout, SmallSheet.strokes(44), cut, 44),
                    layout,
                    Why.OFF_PICTURE,
                    Why.NO_FIT,
                    Why.AMBIGUOUS);
        }
    }

    static Stream<Arguments> landscape() {
        return Stream.of(
                Arguments.of("upside down", PLAIN.turned(0.5, true)),
                Arguments.of(
                        "photo, upside down", PLAIN.dpi(240).turned(1, true).photo(0.1)),
                Arguments.of("photo", PLAIN.dpi(240).photo(0.15)),
                Arguments.of("chequered cloth", PLAIN.dpi(240).photo(0.1).on(Table.CHEQUERED)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("landscape")
    void a_layout_that_looks_alike_turned_is_read_the_right_way_up(String name, Scanning scanning)
            throws SheetNotFound {
        for (long seed = 1; seed <= 2; seed++) {
            Strokes strokes = StrokeMix.SCATTERED.draw(OwnLayouts.LANDSCAPE, seed);
            SheetReading reading = read(
                    StandInPrinter.print(OwnLayouts.LANDSCAPE_SHEET, strokes, scanning, seed),
                    OwnLayouts.LANDSCAPE_SHEET);
            assertThat(dangerous(strokes.truth(), reading.map())).isZero();
            assertThat(reading.map().count(NozzleState.UNREAD)).isLessThan(60);
        }
    }

    /** Without marks and without colour nobody can tell. */
    @Test
    void where_the_sheet_could_lie_either_way_up_it_is_not_read() {
        Strokes strokes = StrokeMix.SCATTERED.draw(OwnLayouts.LANDSCAPE, 3);
        refused(
                StandInPrinter.print(OwnLayouts.LANDSCAPE_SHEET, strokes, PLAIN.grey(), 3),
                OwnLayouts.LANDSCAPE_SHEET,
                Why.EITHER_WAY_UP);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void one_channel_that_prints_alone_tells_where_the_sheet_lies_or_nothing_is_said(long seed) {
        Family family = undoknot.head.StarterFamilies.ALL.get(1);
        CheckLayout layout = undoknot.head.StarterLayouts.of(family);
        Strokes strokes = StrokeMix.ONE_CHANNEL.draw(family, seed);
        try {
            SheetReading reading = read(StandInPrinter.print(layout, strokes, PLAIN, seed), layout);
            assertThat(dangerous(strokes.truth(), reading.map())).isZero();
        } catch (SheetNotFound e) {
            assertThat(e.why()).isIn(Why.AMBIGUOUS, Why.EITHER_WAY_UP);
        }
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(51, 54);
    }

    static Stream<Arguments> bent() {
        return Stream.of(
                Arguments.of("lens", PLAIN.dpi(240).photo(0.1).lens(0.04)),
                Arguments.of("bowed", PLAIN.bent(1.5, 0)),
                Arguments.of("crumpled", PLAIN.bent(0, 0.6)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("bent")
    void a_bend_is_followed_to_a_seventh_of_a_millimetre(String name, Scanning scanning) throws SheetNotFound {
        Strokes strokes = StrokeMix.SCATTERED.draw(OwnLayouts.TWO_LONG, 5);
        SheetReading reading =
                read(StandInPrinter.print(OwnLayouts.TWO_LONG_SHEET, strokes, scanning, 5), OwnLayouts.TWO_LONG_SHEET);
        assertThat(reading.fit().residualMm()).isLessThan(0.15);
        assertThat(dangerous(strokes.truth(), reading.map())).isZero();
        assertThat(reading.map().count(NozzleState.UNREAD)).isLessThan(72);
    }

    @Test
    void what_bends_too_far_is_refused_with_marks_as_well() {
        Strokes strokes = StrokeMix.SCATTERED.draw(OwnLayouts.TWO_LONG, 6);
        BufferedImage image = StandInPrinter.print(OwnLayouts.TWO_LONG_SHEET, strokes, PLAIN.bent(0, 9), 6);
        refused(image, OwnLayouts.TWO_LONG_SHEET, Why.BENT, Why.NO_FIT, Why.AMBIGUOUS, Why.WRONG_LAYOUT);
    }

    /** The limits hold for corners placed by hand too: here they are a block off. */
    @Test
    void corners_placed_by_hand_a_block_off_are_no_verdict() {
        BufferedImage image = SmallSheet.print(SmallSheet.UNMARKED, SmallSheet.strokes(45), PLAIN, 45);
        double perMm = 200 / 25.4;
        List<Point> off = Stream.of(new Point(0, 16), new Point(110, 16), new Point(110, 96), new Point(0, 96))
                .map(p -> new Point(p.x() * perMm, p.y() * perMm))
                .toList();
        assertThatThrownBy(() ->
                        ScanReader.read(Raster.of(image), SmallSheet.UNMARKED, new ScanReader.ByHand(off, Map.of())))
                .isInstanceOf(SheetNotFound.class);
    }

    /** As long and as dark as a dash and over its place, but aslant: a pen, whose stroke no nozzle has fired. */
    @ParameterizedTest(name = "moves across by {0} pitches")
    @ValueSource(doubles = {-0.6, -0.45, -0.3, -0.2, 0.2, 0.3, 0.45, 0.6})
    void a_stroke_of_a_pen_over_a_missing_dash_is_no_dash(double pitches) throws SheetNotFound {
        int nozzle = 38;
        CheckLayout.Block block = SmallSheet.MARKED.block("K").orElseThrow();
        Map<String, Stroke[]> channels = new LinkedHashMap<>(
                StrokeMix.SCATTERED.draw(SmallSheet.FAMILY, 48).channels());
        channels.get("K")[nozzle - 1] = Stroke.NONE;
        BufferedImage image = SmallSheet.print(SmallSheet.MARKED, new Strokes(channels), PLAIN.dpi(300), 48);
        double perMm = 300 / 25.4;
        double x = block.xMm() + block.startMm(nozzle);
        double y = block.yMm() + block.lineMm(nozzle);
        double aside = pitches * block.pitchMm() / 2;
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setColor(Color.decode(block.ink()));
        g.setStroke(new BasicStroke((float) (0.3 * block.pitchMm() * perMm)));
        g.draw(new Line2D.Double(x * perMm, (y - aside) * perMm, (x + block.dashMm()) * perMm, (y + aside) * perMm));
        g.dispose();
        SheetReading reading = SmallSheet.read(image, SmallSheet.MARKED);
        assertThat(reading.map().channel("K").state(nozzle)).isEqualTo(NozzleState.UNREAD);
    }

    @Test
    void a_dash_that_begins_late_or_ends_early_is_weak() throws SheetNotFound {
        Strokes strokes = StrokeMix.HALF_LENGTH.draw(SmallSheet.FAMILY, 46);
        SheetReading reading = small(strokes, PLAIN.dpi(300), 46);
        int halves = 0;
        int found = 0;
        for (Map.Entry<String, Stroke[]> channel : strokes.channels().entrySet()) {
            for (int n = 1; n <= channel.getValue().length; n++) {
                if (Math.abs(channel.getValue()[n - 1].length()) < 1) {
                    NozzleState state = reading.map().channel(channel.getKey()).state(n);
                    halves++;
                    found += state == NozzleState.WEAK ? 1 : 0;
                    assertThat(state).isIn(NozzleState.WEAK, NozzleState.UNREAD);
                }
            }
        }
        assertThat(halves).isGreaterThan(10);
        assertThat(found).isGreaterThanOrEqualTo(halves * 85 / 100);
    }

    /** Pale in all shades, but in no order: that is a clogged channel, and no light that washes it out. */
    @Test
    void a_clogged_channel_is_read() throws SheetNotFound {
        for (Scanning scanning : List.of(PLAIN, PLAIN.dpi(240).photo(0.1))) {
            Strokes strokes = StrokeMix.CLOGGED.draw(SmallSheet.FAMILY, 50);
            SheetReading reading = small(strokes, scanning, 50);
            assertThat(dangerous(strokes.truth(), reading.map())).isZero();
            assertThat(reading.map().count(NozzleState.UNREAD)).isLessThan(24);
        }
    }

    @Test
    void light_that_washes_ink_out_is_no_clogged_channel() throws SheetNotFound {
        for (long seed = 1; seed <= 3; seed++) {
            Strokes strokes = StrokeMix.SCATTERED.draw(SmallSheet.FAMILY, seed);
            SheetReading reading = small(strokes, PLAIN.dpi(240).photo(0.1).lamp(1, 0), seed);
            assertThat(dangerous(strokes.truth(), reading.map())).isZero();
        }
    }

    @Test
    void check_paper_on_which_every_nozzle_is_out_is_read() throws SheetNotFound {
        Strokes nothing = SmallSheet.strokes(9);
        for (String channel : List.of("K", "C", "Y")) {
            nothing = with(nothing, channel, Stroke.NONE);
        }
        assertThat(small(nothing, PLAIN, 9).map().count(NozzleState.MISSING)).isEqualTo(240);
    }

    @Test
    void marked_paper_with_another_layout_is_told_from_blank_paper() {
        CheckLayout other = new CheckLayout(
                "other",
                "SMALL",
                110,
                80,
                SmallSheet.MARKED.marks(),
                SmallSheet.MARKED.blocks().stream()
                        .map(b -> new CheckLayout.Block(
                                b.channel(),
                                b.stairs(),
                                b.steps(),
                                b.direction(),
                                false,
                                false,
                                b.dashMm(),
                                b.pitchMm(),
                                b.xMm() + 6,
                                b.yMm() + 9,
                                b.widthMm(),
                                b.heightMm(),
                                b.ink(),
                                b.paper()))
                        .toList());
        refused(
                SmallSheet.print(other, SmallSheet.strokes(47), PLAIN, 47),
                SmallSheet.MARKED,
                Why.WRONG_LAYOUT,
                Why.AMBIGUOUS);
    }

    @ParameterizedTest
    @EnumSource(Table.class)
    void an_unmarked_sheet_is_found_on_any_table(Table table) throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(48);
        Scanning photo = PLAIN.dpi(240).photo(0.1).on(table);
        SheetReading reading =
                SmallSheet.read(SmallSheet.print(SmallSheet.UNMARKED, strokes, photo, 48), SmallSheet.UNMARKED);
        assertThat(dangerous(strokes.truth(), reading.map())).isZero();
        assertThat(reading.map().count(NozzleState.UNREAD)).isLessThan(25);
    }

    @Test
    void a_sheet_may_be_a_small_part_of_a_large_picture() throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(49);
        BufferedImage sheet = SmallSheet.print(SmallSheet.MARKED, strokes, PLAIN.dpi(300), 49);
        BufferedImage large = new BufferedImage(6000, 5000, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = large.createGraphics();
        g.setColor(new Color(0x404448));
        g.fillRect(0, 0, 6000, 5000);
        g.drawImage(sheet, 3900, 700, null);
        g.dispose();
        SheetReading reading = read(large, SmallSheet.MARKED);
        assertThat(dangerous(strokes.truth(), reading.map())).isZero();
        assertThat(reading.map().count(NozzleState.UNREAD)).isLessThan(20);
    }

    @Test
    void a_page_of_text_is_no_check() {
        BufferedImage page = new BufferedImage(1240, 1754, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = page.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, 1240, 1754);
        g.setColor(Color.BLACK);
        Random random = new Random(7);
        for (int y = 100; y < 1650; y += 30) {
            for (int x = 100; x < 1140; x += 8 + random.nextInt(12)) {
                g.drawLine(x, y, x + random.nextInt(8), y + 14 - random.nextInt(28));
                g.drawLine(x, y + random.nextInt(6), x + 5, y);
            }
        }
        g.dispose();
        refused(page, SmallSheet.UNMARKED, Why.NO_FIT, Why.NOTHING_PRINTED);
        refused(page, SmallSheet.MARKED, Why.NO_FIT, Why.NOTHING_PRINTED);
    }

    /** Whatever comes together: right, or unread, or refused. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("manySeeds")
    void nothing_dangerous_whatever_was_done_to_the_sheet(long seed) {
        Random random = new Random(seed);
        Scanning scanning = PLAIN.dpi(180 + random.nextInt(120));
        StrokeMix mix = StrokeMix.values()[random.nextInt(StrokeMix.values().length)];
        for (int i = 0; i < 3; i++) {
            scanning = switch (random.nextInt(14)) {
                case 0 -> scanning.photo(0.25 * random.nextDouble());
                case 1 -> scanning.lens(0.06 * random.nextDouble());
                case 2 -> scanning.bent(2 * random.nextDouble(), 0.6 * random.nextDouble());
                case 3 -> scanning.lamp(random.nextDouble(), 0);
                case 4 -> scanning.lamp(0, random.nextDouble());
                case 5 -> scanning.used(random.nextInt(3), 0, 0);
                case 6 -> scanning.used(0, random.nextInt(6), 0);
                case 7 -> scanning.used(0, 0, random.nextInt(30));
                case 8 -> scanning.carriage(random.nextInt(10), 0.3 * random.nextDouble());
                case 9 -> scanning.grey();
                case 10 -> scanning.jpeg(0.5 + 0.4 * random.nextDouble());
                case 11 -> scanning.moved(3 * random.nextDouble());
                case 12 -> scanning.dirt(200, 8, 1);
                default -> scanning.smeared(8);
            };
        }
        CheckLayout layout = random.nextBoolean() ? SmallSheet.MARKED : SmallSheet.UNMARKED;
        Strokes strokes = mix.draw(SmallSheet.FAMILY, seed).on(layout);
        try {
            NozzleMap map = SmallSheet.read(SmallSheet.print(layout, strokes, scanning, seed), layout)
                    .map();
            assertThat(dangerous(strokes.truth(), map)).as("seed %d", seed).isZero();
        } catch (SheetNotFound e) {
            assertThat(e.getMessage()).as("seed %d", seed).isNotBlank();
        }
    }

    static LongStream manySeeds() {
        return LongStream.rangeClosed(900, 939);
    }
}
