package undoknot.server.visit;

import org.springframework.http.MediaType;
import undoknot.server.problem.Refused;

/** What kind of picture a photo is, by its first bytes, since names and headers lie. */
public final class PhotoType {

    private PhotoType() {}

    /** @throws Refused on the entry {@code image} when it is neither JPEG nor PNG */
    public static String of(byte[] picture) {
        if (picture.length > 3 && (picture[0] & 0xff) == 0xff && (picture[1] & 0xff) == 0xd8) {
            return MediaType.IMAGE_JPEG_VALUE;
        }
        if (picture.length > 8 && (picture[0] & 0xff) == 0x89 && picture[1] == 'P' && picture[2] == 'N') {
            return MediaType.IMAGE_PNG_VALUE;
        }
        throw Refused.entry("image", "TYPE", "Send the photo as JPEG or PNG.");
    }
}
