package undoknot.server.scan;

import java.awt.image.BufferedImage;
import java.util.function.Supplier;

/**
 * A scan as it came in, ready to be read.
 *
 * @param image decoded and turned the way its file says
 * @param mediaType of {@code kept}
 * @param kept makes the file without what tells where it was taken; called when the picture itself has been let go, since either takes
 *     much memory
 * @param pages how many pages the kept file has
 * @param every which row and column of the kept file was decoded: 1 for all, 2 for every second
 */
record Picture(BufferedImage image, String mediaType, Supplier<byte[]> kept, int pages, int every) {

    /** Pixels of the kept file. */
    int width() {
        return image.getWidth() * every;
    }

    int height() {
        return image.getHeight() * every;
    }
}
