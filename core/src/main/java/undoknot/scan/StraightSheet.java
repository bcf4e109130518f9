package undoknot.scan;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.stream.IntStream;

/** The sheet cut out of a picture and laid straight, so that two scans lie place on place. */
public final class StraightSheet {

    private StraightSheet() {}

    /**
     * @param warp from millimetres on the sheet to pixels of the picture
     * @param perMm pixels a millimetre of the result
     * @return an image of {@code widthMm × perMm} by {@code heightMm × perMm} pixels; grey where the picture ends
     */
    public static BufferedImage of(Raster picture, Warp warp, double widthMm, double heightMm, double perMm) {
        int width = (int) Math.round(widthMm * perMm);
        int height = (int) Math.round(heightMm * perMm);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        byte[] data = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        IntStream.range(0, height).parallel().forEach(y -> {
            float[] rgb = new float[3];
            for (int x = 0; x < width; x++) {
                Point p = warp.toPicture((x + 0.5) / perMm, (y + 0.5) / perMm);
                boolean inside = picture.sample(p.x(), p.y(), rgb, 0);
                int at = (y * width + x) * 3;
                for (int k = 0; k < 3; k++) {
                    data[at + k] = (byte) (inside ? Math.round(rgb[2 - k]) : 128);
                }
            }
        });
        return image;
    }
}
