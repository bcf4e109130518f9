package undoknot.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.image.BufferedImage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RasterTest {

    private static BufferedImage image(int type) {
        BufferedImage image = new BufferedImage(4, 2, type);
        for (int x = 0; x < 4; x++) {
            for (int y = 0; y < 2; y++) {
                image.setRGB(x, y, new Color(10 * x, 20 * x + y, 100 + y).getRGB());
            }
        }
        return image;
    }

    @ParameterizedTest
    @ValueSource(ints = {BufferedImage.TYPE_3BYTE_BGR, BufferedImage.TYPE_INT_RGB, BufferedImage.TYPE_4BYTE_ABGR})
    void colours_are_read_whatever_the_format(int type) {
        Raster raster = Raster.of(image(type));
        assertThat(raster.red(3, 1)).isEqualTo(30);
        assertThat(raster.green(3, 1)).isEqualTo(61);
        assertThat(raster.blue(3, 1)).isEqualTo(101);
    }

    @Test
    void a_grey_picture_has_the_same_value_in_each_colour() {
        BufferedImage grey = new BufferedImage(2, 2, BufferedImage.TYPE_BYTE_GRAY);
        grey.getRaster().setSample(1, 0, 0, 77);
        Raster raster = Raster.of(grey);
        assertThat(raster.red(1, 0)).isEqualTo(77);
        assertThat(raster.blue(1, 0)).isEqualTo(77);
    }

    @Test
    void what_is_see_through_is_white_paper() {
        BufferedImage clear = new BufferedImage(2, 2, BufferedImage.TYPE_INT_ARGB);
        assertThat(Raster.of(clear).luminance(0, 0)).isEqualTo(255);
    }

    @Test
    void between_pixels_colours_are_mixed() {
        Raster raster = Raster.of(image(BufferedImage.TYPE_3BYTE_BGR));
        float[] rgb = new float[3];
        assertThat(raster.sample(2.0, 0.5, rgb, 0)).isTrue();
        // Halfway between the centres of pixels 1 (10) and 2 (20).
        assertThat(rgb[0]).isCloseTo(15, within(1e-4f));
        assertThat(raster.sample(0.2, 0.5, rgb, 0)).isFalse();
        assertThat(raster.sample(3.9, 0.5, rgb, 0)).isFalse();
    }

    @Test
    void reducing_takes_the_mean() {
        Raster half = Raster.of(image(BufferedImage.TYPE_3BYTE_BGR)).reduced(2);
        assertThat(half.width()).isEqualTo(2);
        assertThat(half.height()).isEqualTo(1);
        assertThat(half.red(1, 0)).isEqualTo(25);
    }
}
