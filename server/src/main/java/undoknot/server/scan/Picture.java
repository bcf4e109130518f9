package undoknot.server.scan;

import java.awt.image.BufferedImage;

/**
 * A scan as it came in, ready to be read.
 *
 * @param image decoded and turned the way its file says
 * @param mediaType of {@code kept}
 * @param kept the file without what tells where it was taken
 * @param pages how many pages the kept file has
 */
record Picture(BufferedImage image, String mediaType, byte[] kept, int pages) {}
