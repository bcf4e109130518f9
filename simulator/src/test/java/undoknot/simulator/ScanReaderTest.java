package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.scan.NozzleReading;
import undoknot.scan.NozzleReading.Doubt;
import undoknot.scan.Point;
import undoknot.scan.Raster;
import undoknot.scan.ScanReader;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;
import undoknot.scan.SheetReading.How;
import undoknot.simulator.Strokes.Stroke;

class ScanReaderTest {

    private static final Scanning PLAIN = Scanning.CLEAN.dpi(200);

    /** Nozzles the reader gave a wrong state; unread ones are not wrong. */
    private static int wrong(NozzleMap truth, NozzleMap read) {
        return differing(truth, read, false);
    }

    private static int differing(NozzleMap truth, NozzleMap read, boolean unreadCounts) {
        int wrong = 0;
        for (Map.Entry<String, ChannelMap> channel : truth.channels().entrySet()) {
            for (int n = 1; n <= channel.getValue().size(); n++) {
                NozzleState state = read.channel(channel.getKey()).state(n);
                boolean counts = unreadCounts || state != NozzleState.UNREAD;
                wrong += counts && state != channel.getValue().state(n) ? 1 : 0;
            }
        }
        return wrong;
    }

    static Stream<Arguments> spoilt() {
        return Stream.of(
                Arguments.of("150 dpi", PLAIN.dpi(150)),
                Arguments.of("600 dpi", PLAIN.dpi(600)),
                Arguments.of("turned", PLAIN.turned(8, false)),
                Arguments.of("upside down", PLAIN.turned(-3, true)),
                Arguments.of("photo", PLAIN.dpi(260).photo(0.3)),
                Arguments.of("uneven light", PLAIN.light(0.45)),
                Arguments.of("tinted", PLAIN.paper("#efe4c8")),
                Arguments.of("dirty", PLAIN.dirt(150, 8, 1)),
                Arguments.of("squeezed", PLAIN.dpi(240).jpeg(0.6)),
                Arguments.of("smeared", PLAIN.smeared(6)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("spoilt")
    void a_spoilt_sheet_is_read_right_or_not_at_all(String name, Scanning scanning) throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(11);
        SheetReading reading =
                SmallSheet.read(SmallSheet.print(SmallSheet.MARKED, strokes, scanning, 11), SmallSheet.MARKED);
        assertThat(reading.fit().how()).isEqualTo(How.MARKS);
        assertThat(reading.fit().residualMm()).isLessThan(0.1);
        assertThat(wrong(strokes.truth(), reading.map())).isLessThanOrEqualTo(1);
        assertThat(reading.map().count(NozzleState.UNREAD)).isLessThan(40);
    }

    /** The same sheet turned, and at another resolution, gives the same map. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void turn_and_scale_do_not_matter(long seed) throws SheetNotFound {
        Random random = new Random(seed);
        Strokes strokes = SmallSheet.strokes(seed);
        NozzleMap straight = SmallSheet.read(
                        SmallSheet.print(SmallSheet.MARKED, strokes, PLAIN, seed), SmallSheet.MARKED)
                .map();
        Scanning other =
                PLAIN.dpi(160 + random.nextInt(240)).turned(20 * random.nextDouble() - 10, random.nextBoolean());
        NozzleMap turned = SmallSheet.read(SmallSheet.print(SmallSheet.MARKED, strokes, other, seed), SmallSheet.MARKED)
                .map();
        for (String code : straight.channels().keySet()) {
            for (int n = 1; n <= 80; n++) {
                NozzleState a = straight.channel(code).state(n);
                NozzleState b = turned.channel(code).state(n);
                assertThat(a == b || a == NozzleState.UNREAD || b == NozzleState.UNREAD)
                        .as("seed %d, %s %d: %s and %s", seed, code, n, a, b)
                        .isTrue();
            }
        }
        assertThat(differing(straight, turned, true)).as("seed %d", seed).isLessThanOrEqualTo(8);
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(31, 35);
    }

    @Test
    void without_marks_the_pattern_tells_where_the_sheet_is() throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(5);
        for (Scanning scanning : List.of(PLAIN, PLAIN.turned(3, true))) {
            SheetReading reading =
                    SmallSheet.read(SmallSheet.print(SmallSheet.UNMARKED, strokes, scanning, 5), SmallSheet.UNMARKED);
            assertThat(reading.fit().how()).isIn(How.PATTERN, How.PAPER_EDGE);
            assertThat(wrong(strokes.truth(), reading.map())).isLessThanOrEqualTo(1);
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void a_sheet_may_lie_on_either_side(boolean marked) throws SheetNotFound {
        CheckLayout layout = marked ? SmallSheet.MARKED : SmallSheet.UNMARKED;
        Strokes strokes = SmallSheet.strokes(8);
        for (boolean upsideDown : List.of(true, false)) {
            BufferedImage sheet = SmallSheet.print(layout, strokes, PLAIN.turned(2, upsideDown), 8);
            SheetReading reading = SmallSheet.read(onItsSide(sheet), layout);
            assertThat(wrong(strokes.truth(), reading.map())).isLessThanOrEqualTo(1);
            assertThat(reading.map().count(NozzleState.UNREAD)).isLessThan(20);
        }
    }

    /** Turned by a right angle: what was on the left is on top. */
    private static BufferedImage onItsSide(BufferedImage image) {
        BufferedImage turned = new BufferedImage(image.getHeight(), image.getWidth(), BufferedImage.TYPE_3BYTE_BGR);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                turned.setRGB(image.getHeight() - 1 - y, x, image.getRGB(x, y));
            }
        }
        return turned;
    }

    @Test
    void corners_placed_by_hand_need_not_be_exact() throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(6);
        BufferedImage image = SmallSheet.print(SmallSheet.UNMARKED, strokes, PLAIN, 6);
        double w = image.getWidth();
        double h = image.getHeight();
        List<Point> corners =
                List.of(new Point(3, -2), new Point(w - 2, 3), new Point(w + 2, h - 3), new Point(-3, h + 2));
        SheetReading reading =
                ScanReader.read(Raster.of(image), SmallSheet.UNMARKED, new ScanReader.ByHand(corners, Map.of()));
        assertThat(reading.fit().how()).isEqualTo(How.BY_HAND);
        assertThat(wrong(strokes.truth(), reading.map())).isLessThanOrEqualTo(1);
    }

    @Test
    void one_blocks_corners_may_be_placed_alone() throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(7);
        BufferedImage image = SmallSheet.print(SmallSheet.MARKED, strokes, PLAIN.fedExactly(), 7);
        double perMm = 200 / 25.4;
        // The block of K stands at 18, 16 mm and is 70 × 7.2 mm.
        List<Point> block = List.of(
                new Point(18 * perMm, 16 * perMm),
                new Point(88 * perMm, 16 * perMm),
                new Point(88 * perMm, 23.2 * perMm),
                new Point(18 * perMm, 23.2 * perMm));
        SheetReading reading = ScanReader.read(
                Raster.of(image), SmallSheet.MARKED, new ScanReader.ByHand(List.of(), Map.of("K", block)));
        assertThat(wrong(strokes.truth(), reading.map())).isLessThanOrEqualTo(1);
        List<Point> aside =
                block.stream().map(p -> new Point(p.x(), p.y() + 30)).toList();
        SheetReading off = ScanReader.read(
                Raster.of(image), SmallSheet.MARKED, new ScanReader.ByHand(List.of(), Map.of("K", aside)));
        assertThat(off.map().channel("C")).isEqualTo(reading.map().channel("C"));
        assertThat(off.map().channel("K")).isNotEqualTo(reading.map().channel("K"));
    }

    @Test
    void corners_that_cross_are_refused() {
        BufferedImage image = SmallSheet.print(SmallSheet.MARKED, SmallSheet.strokes(8), PLAIN, 8);
        List<Point> crossed = List.of(new Point(0, 0), new Point(500, 500), new Point(500, 0), new Point(0, 500));
        assertThatThrownBy(() ->
                        ScanReader.read(Raster.of(image), SmallSheet.MARKED, new ScanReader.ByHand(crossed, Map.of())))
                .isInstanceOfSatisfying(
                        SheetNotFound.class, e -> assertThat(e.why()).isEqualTo(SheetNotFound.Why.CORNERS));
    }

    @Test
    void an_empty_page_is_no_check() {
        BufferedImage blank = new BufferedImage(900, 640, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = blank.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, 900, 640);
        g.dispose();
        assertThatThrownBy(() -> SmallSheet.read(blank, SmallSheet.MARKED))
                .isInstanceOfSatisfying(
                        SheetNotFound.class, e -> assertThat(e.why()).isEqualTo(SheetNotFound.Why.NOTHING_PRINTED));
    }

    @Test
    void another_printers_check_does_not_fit() {
        Family other = StarterFamilies.ALL.get(2);
        BufferedImage image =
                SmallSheet.print(StarterLayouts.of(other), StrokeMix.SCATTERED.draw(other, 3), PLAIN.dpi(150), 3);
        assertThatThrownBy(() -> SmallSheet.read(image, SmallSheet.UNMARKED)).isInstanceOf(SheetNotFound.class);
    }

    @Test
    void a_picture_with_too_few_pixels_is_sent_back() {
        BufferedImage image = SmallSheet.print(SmallSheet.MARKED, SmallSheet.strokes(3), PLAIN.dpi(90), 3);
        assertThatThrownBy(() -> SmallSheet.read(image, SmallSheet.MARKED)).isInstanceOf(SheetNotFound.class);
    }

    @Test
    void a_channel_wholly_out_is_missing_and_says_whose_dashes_told() throws SheetNotFound {
        Map<String, Stroke[]> channels =
                new LinkedHashMap<>(SmallSheet.strokes(12).channels());
        Stroke[] none = new Stroke[80];
        java.util.Arrays.fill(none, Stroke.NONE);
        channels.put("C", none);
        SheetReading reading = SmallSheet.read(
                SmallSheet.print(SmallSheet.MARKED, new Strokes(channels), PLAIN, 12), SmallSheet.MARKED);
        assertThat(reading.map().channel("C").count(NozzleState.MISSING)).isEqualTo(80);
        assertThat(reading.channels().get("C").usualFromOthers()).isTrue();
        assertThat(reading.channels().get("K").usualFromOthers()).isFalse();
    }

    @Test
    void offset_and_ink_of_a_dash_are_measured() throws SheetNotFound {
        Stroke[] k = new Stroke[80];
        java.util.Arrays.fill(k, new Stroke(1, 0));
        k[19] = new Stroke(1, 0.45);
        k[40] = new Stroke(0.5, 0);
        Map<String, Stroke[]> channels =
                new LinkedHashMap<>(SmallSheet.strokes(13).channels());
        channels.put("K", k);
        SheetReading reading = SmallSheet.read(
                SmallSheet.print(SmallSheet.MARKED, new Strokes(channels), PLAIN.dpi(300), 13), SmallSheet.MARKED);
        NozzleReading deflected = reading.channels().get("K").nozzles().get(19);
        NozzleReading weak = reading.channels().get("K").nozzles().get(40);
        assertThat(deflected.state()).isEqualTo(NozzleState.DEFLECTED);
        assertThat(deflected.offsetSteps()).isCloseTo(0.45, within(0.06));
        assertThat(weak.state()).isEqualTo(NozzleState.WEAK);
        assertThat(weak.density()).isCloseTo(0.5, within(0.1));
        assertThat(weak.confidence()).isGreaterThan(0.9);
    }

    @Test
    void what_lies_between_two_states_is_left_to_a_person() throws SheetNotFound {
        Stroke[] k = new Stroke[80];
        java.util.Arrays.fill(k, new Stroke(1, 0));
        k[10] = new Stroke(0.7, 0);
        k[50] = new Stroke(1, 0.22);
        Map<String, Stroke[]> channels =
                new LinkedHashMap<>(SmallSheet.strokes(14).channels());
        channels.put("K", k);
        SheetReading reading = SmallSheet.read(
                SmallSheet.print(SmallSheet.MARKED, new Strokes(channels), PLAIN.dpi(300), 14), SmallSheet.MARKED);
        List<NozzleReading> nozzles = reading.channels().get("K").nozzles();
        assertThat(nozzles.get(10).state()).isEqualTo(NozzleState.UNREAD);
        assertThat(nozzles.get(10).doubt()).isEqualTo(Doubt.HARDLY_PALE);
        assertThat(nozzles.get(50).state()).isEqualTo(NozzleState.UNREAD);
        assertThat(nozzles.get(50).doubt()).isEqualTo(Doubt.HARDLY_OFF);
    }

    @Test
    void a_line_through_a_block_leaves_its_dashes_unread() throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(15);
        BufferedImage image = SmallSheet.print(SmallSheet.MARKED, strokes, PLAIN.fedExactly(), 15);
        double perMm = 200 / 25.4;
        Graphics2D g = image.createGraphics();
        g.setColor(Color.DARK_GRAY);
        // Along the third row of the block of K, which stands 16 mm down with steps of 0.9 mm.
        g.fillRect(
                (int) (14 * perMm), (int) ((16 + 2.5 * 0.9 - 0.15) * perMm), (int) (80 * perMm), (int) (0.3 * perMm));
        g.dispose();
        SheetReading reading = SmallSheet.read(image, SmallSheet.MARKED);
        for (int stair = 0; stair < 10; stair++) {
            NozzleReading onTheLine = reading.channels().get("K").nozzles().get(stair * 8 + 2);
            assertThat(onTheLine.state()).isEqualTo(NozzleState.UNREAD);
        }
    }

    @Test
    void a_sheet_of_every_family_is_read() throws SheetNotFound {
        for (Family family : StarterFamilies.ALL) {
            CheckLayout layout = StarterLayouts.of(family);
            Strokes strokes = StrokeMix.SCATTERED.draw(family, 21);
            SheetReading reading = SmallSheet.read(StandInPrinter.print(layout, strokes, PLAIN.dpi(200), 21), layout);
            assertThat(wrong(strokes.truth(), reading.map())).as(family.code()).isLessThanOrEqualTo(1);
            assertThat(reading.map().count(NozzleState.UNREAD))
                    .as(family.code())
                    .isLessThan(30);
        }
    }
}
