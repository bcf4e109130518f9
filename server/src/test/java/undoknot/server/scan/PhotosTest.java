package undoknot.server.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.apache.commons.imaging.formats.jpeg.exif.ExifRewriter;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputSet;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;

/** What is kept of a photo is its picture and nothing else. */
class PhotosTest {

    private final Photos photos = new Photos(new Pictures());

    @BeforeEach
    void sign_in() {
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                        new SignedIn("wenna", "Wenna Tarvick", Role.TECHNICIAN), null, null));
    }

    @AfterEach
    void sign_out() {
        SecurityContextHolder.clearContext();
    }

    private static byte[] file(int width, int height, String format) {
        return Sheets.file(new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR), format);
    }

    private BufferedImage kept(byte[] file) throws Exception {
        return ImageIO.read(new ByteArrayInputStream(photos.of(sent(file)).picture()));
    }

    private static MockMultipartFile sent(byte[] file) {
        return new MockMultipartFile("image", file);
    }

    @Test
    void where_it_was_taken_is_not_kept() throws Exception {
        TiffOutputSet facts = new TiffOutputSet();
        facts.setGpsInDegrees(12.5, 54.1);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        new ExifRewriter().updateExifMetadataLossless(file(400, 300, "jpeg"), bytes, facts);
        assertThat(PictureFacts.hasPlace(SentFile.of(bytes.toByteArray()))).isTrue();
        assertThat(PictureFacts.hasPlace(
                        SentFile.of(photos.of(sent(bytes.toByteArray())).picture())))
                .isFalse();
    }

    @Test
    void what_hides_behind_the_picture_is_not_kept() {
        byte[] png = file(400, 300, "png");
        byte[] script = "<script>alert(1)</script>".getBytes(StandardCharsets.US_ASCII);
        byte[] both = Arrays.copyOf(png, png.length + script.length);
        System.arraycopy(script, 0, both, png.length, script.length);
        Photos.Photo kept = photos.of(sent(both));
        assertThat(kept.mediaType()).isEqualTo("image/jpeg");
        assertThat(new String(kept.picture(), StandardCharsets.ISO_8859_1)).doesNotContain("<script>");
    }

    @Test
    void a_large_one_is_kept_at_a_size_that_shows_a_hair() throws Exception {
        assertThat(kept(file(4_800, 3_000, "jpeg")).getWidth()).isEqualTo(2_400);
        assertThat(kept(file(4_800, 3_000, "jpeg")).getHeight()).isEqualTo(1_500);
        assertThat(kept(file(640, 480, "png")).getWidth()).isEqualTo(640);
    }

    @Test
    void what_is_no_photo_or_would_fill_the_memory_is_refused() {
        for (byte[] file : new byte[][] {
            "%PDF-1.7".getBytes(StandardCharsets.US_ASCII),
            new byte[0],
            PicturesTest.claiming(149_000_000, 1),
            PicturesTest.claiming(20_000, 20_000),
            Arrays.copyOf(file(400, 300, "jpeg"), 300)
        }) {
            assertThatThrownBy(() -> photos.of(sent(file))).isInstanceOf(Refused.class);
        }
    }
}
