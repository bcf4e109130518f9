package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;
import undoknot.simulator.Strokes.Stroke;

class StandInPrinterTest {

    private static final Scanning SMALL = Scanning.CLEAN.dpi(100);

    private static int[] pixels(BufferedImage image) {
        return image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
    }

    @Test
    void the_same_seed_gives_the_same_picture_and_another_seed_another() {
        Strokes strokes = SmallSheet.strokes(1);
        int[] one = pixels(SmallSheet.print(SmallSheet.MARKED, strokes, SMALL, 1));
        assertThat(pixels(SmallSheet.print(SmallSheet.MARKED, strokes, SMALL, 1)))
                .isEqualTo(one);
        assertThat(pixels(SmallSheet.print(SmallSheet.MARKED, strokes, SMALL, 2)))
                .isNotEqualTo(one);
    }

    /** The sheet is 110 × 80 mm. */
    @ParameterizedTest
    @CsvSource({"100,433,315", "254,1100,800"})
    void the_picture_has_the_resolution_asked_for(int dpi, int width, int height) {
        BufferedImage image = SmallSheet.print(SmallSheet.MARKED, SmallSheet.strokes(1), Scanning.CLEAN.dpi(dpi), 1);
        assertThat(image.getWidth()).isEqualTo(width);
        assertThat(image.getHeight()).isEqualTo(height);
    }

    /** Something dark stands along the lower edge of a sheet on which no head printed: the word "simulated". */
    @Test
    void every_sheet_says_that_it_is_simulated() {
        BufferedImage image =
                SmallSheet.print(SmallSheet.UNMARKED, new Strokes(new LinkedHashMap<>()), Scanning.CLEAN.dpi(254), 1);
        assertThat(darkPixels(image, 200, 670, 700, 790)).isPositive();
        assertThat(darkPixels(image, 0, 0, 1100, 650)).isZero();
    }

    private static int darkPixels(BufferedImage image, int x0, int y0, int x1, int y1) {
        int dark = 0;
        for (int y = y0; y < y1; y++) {
            for (int x = x0; x < x1; x++) {
                dark += new Color(image.getRGB(x, y)).getGreen() < 140 ? 1 : 0;
            }
        }
        return dark;
    }

    @ParameterizedTest
    @EnumSource(ScanStyle.class)
    void every_style_of_scan_can_be_read(ScanStyle style) throws SheetNotFound {
        Strokes strokes = SmallSheet.strokes(17);
        SheetReading reading =
                SmallSheet.read(SmallSheet.print(SmallSheet.MARKED, strokes, style.scanning(), 17), SmallSheet.MARKED);
        NozzleMap truth = strokes.truth();
        int wrong = 0;
        for (String code : truth.channels().keySet()) {
            for (int n = 1; n <= 80; n++) {
                NozzleState read = reading.map().channel(code).state(n);
                wrong += read != NozzleState.UNREAD
                                && read != truth.channel(code).state(n)
                        ? 1
                        : 0;
            }
        }
        assertThat(wrong).isLessThanOrEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({
        "0,0,MISSING",
        "0.1,0.4,MISSING",
        "0.5,0.05,WEAK",
        "1,0.05,FIRING",
        "1,-0.4,DEFLECTED",
        "0.5,0.4,DEFLECTED"
    })
    void a_stroke_has_the_state_a_person_would_give_it(double density, double offset, NozzleState state) {
        Strokes strokes = new Strokes(Map.of("K", new Stroke[] {new Stroke(density, offset)}));
        assertThat(strokes.truth().channel("K").state(1)).isEqualTo(state);
    }

    @ParameterizedTest
    @EnumSource(StrokeMix.class)
    void mixes_hold_what_their_names_say(StrokeMix mix) {
        NozzleMap map = mix.draw(SmallSheet.FAMILY, 4).truth();
        int whollyOut = (int) map.channels().values().stream()
                .filter(c -> c.count(NozzleState.MISSING) == 80)
                .count();
        assertThat(whollyOut).isEqualTo(mix == StrokeMix.CHANNELS_OUT ? 1 : mix == StrokeMix.ONE_CHANNEL ? 2 : 0);
        if (mix == StrokeMix.PALE_HALF) {
            assertThat(map.channel("K").count(NozzleState.WEAK)).isGreaterThan(20);
        }
        if (mix == StrokeMix.CLOGGED) {
            assertThat(map.count(NozzleState.WEAK)).isBetween(20, 60);
        }
        if (mix == StrokeMix.TOUCHING) {
            assertThat(map.count(NozzleState.DEFLECTED)).isGreaterThan(10);
        }
    }
}
