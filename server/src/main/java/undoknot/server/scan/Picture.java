package undoknot.server.scan;

import java.awt.image.BufferedImage;

/**
 * A scan as it came in, ready to be read.
 *
 * @param image decoded and turned the way its file says
 * @param mediaType of {@code kept}
 * @param kept the file without what tells where it was taken
 * @param pages how many pages the kept file has
 * @param every which row and column of the kept file was decoded: 1 for all, 2 for every second
 */
record Picture(BufferedImage image, String mediaType, byte[] kept, int pages, int every) {

    /** Pixels of the kept file. */
    int width() {
        return image.getWidth() * every;
    }

    int height() {
        return image.getHeight() * every;
    }
}
