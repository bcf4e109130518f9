package undoknot.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class StraightSheetTest {

    /** A sheet of 20 × 10 mm lies upside down in the picture at 10 pixels a millimetre, its lower right corner red. */
    @Test
    void a_sheet_is_cut_out_and_turned_upright() {
        BufferedImage picture = new BufferedImage(260, 160, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = picture.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(30, 30, 200, 100);
        g.setColor(Color.RED);
        g.fillRect(30, 30, 50, 40);
        g.dispose();
        List<Point> sheet = List.of(new Point(0, 0), new Point(20, 0), new Point(20, 10), new Point(0, 10));
        List<Point> lies = List.of(new Point(230, 130), new Point(30, 130), new Point(30, 30), new Point(230, 30));
        BufferedImage straight =
                StraightSheet.of(Raster.of(picture), Warp.flat(Plane.through(sheet, lies), 20, 10), 20, 10, 4);
        assertThat(straight.getWidth()).isEqualTo(80);
        assertThat(straight.getHeight()).isEqualTo(40);
        assertThat(new Color(straight.getRGB(75, 35))).isEqualTo(Color.RED);
        assertThat(new Color(straight.getRGB(5, 5))).isEqualTo(Color.WHITE);
        assertThat(new Color(straight.getRGB(40, 35))).isEqualTo(Color.WHITE);
    }

    @Test
    void beyond_the_picture_it_is_grey() {
        BufferedImage picture = new BufferedImage(40, 40, BufferedImage.TYPE_3BYTE_BGR);
        Plane plane = Plane.of(4, 0, 0, 0, 4, 0, 0, 0, 1);
        BufferedImage straight = StraightSheet.of(Raster.of(picture), Warp.flat(plane, 20, 10), 20, 10, 4);
        assertThat(new Color(straight.getRGB(70, 10))).isEqualTo(new Color(128, 128, 128));
        assertThat(new Color(straight.getRGB(10, 10))).isEqualTo(Color.BLACK);
    }

    @Test
    void a_lower_quality_makes_a_smaller_file_of_the_same_picture() throws IOException {
        BufferedImage picture = new BufferedImage(64, 64, BufferedImage.TYPE_3BYTE_BGR);
        for (int i = 0; i < 64 * 64; i++) {
            picture.setRGB(i % 64, i / 64, (i * 2654435761L & 0xffffff) == 0 ? 0 : (int) (i * 48271L % 0xffffff));
        }
        byte[] fine = Jpeg.of(picture, 0.95);
        byte[] coarse = Jpeg.of(picture, 0.3);
        assertThat(coarse.length).isLessThan(fine.length);
        assertThat(ImageIO.read(new ByteArrayInputStream(coarse)).getWidth()).isEqualTo(64);
    }
}
