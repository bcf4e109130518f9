package undoknot.server.scan;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;
import undoknot.scan.Jpeg;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;

/**
 * Photos of parts and of what was found. They pass the bounds and take the turns of scans, and what is kept is the picture alone,
 * written anew: nothing that tells where it was taken, and nothing that hides behind it.
 */
@Component
public class Photos {

    /** Enough to see a hair on a seal. */
    private static final int MOST_SIDE = 2_400;

    private static final double QUALITY = 0.86;

    private final Pictures pictures;

    Photos(Pictures pictures) {
        this.pictures = pictures;
    }

    /** @param mediaType of {@code picture} */
    public record Photo(String mediaType, byte[] picture) {}

    /** @throws Refused on the entry {@code image} when it is no photo, too large or damaged */
    public Photo of(MultipartFile sent) {
        SentFile file = SentFile.of(sent);
        Pictures.Kind kind = Pictures.Kind.of(file.first(Pictures.Kind.TELLING));
        if (kind != Pictures.Kind.JPEG && kind != Pictures.Kind.PNG) {
            throw Refused.entry("image", "TYPE", "Send the photo as JPEG or PNG.");
        }
        byte[] jpeg = pictures.inTurn(SignedIn.now().name(), file, 1, picture -> written(picture.image()));
        return new Photo(MediaType.IMAGE_JPEG_VALUE, jpeg);
    }

    private static byte[] written(BufferedImage image) {
        try {
            return Jpeg.of(fitted(image, MOST_SIDE), QUALITY);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** No larger than the side says, without what shines through. */
    static BufferedImage fitted(BufferedImage image, int mostSide) {
        double scale = Math.min(1, (double) mostSide / Math.max(image.getWidth(), image.getHeight()));
        int width = (int) Math.max(1, Math.round(image.getWidth() * scale));
        int height = (int) Math.max(1, Math.round(image.getHeight() * scale));
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(image, 0, 0, width, height, java.awt.Color.WHITE, null);
        g.dispose();
        return small;
    }
}
