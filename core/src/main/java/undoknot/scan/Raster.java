package undoknot.scan;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.awt.image.PixelInterleavedSampleModel;
import java.util.stream.IntStream;

/** A decoded picture, eight bits a colour, shared with the image it was made of and never changed. */
public final class Raster {

    /** What squeezing leaves of colour in a grey picture, levels of 255, and the share of pixels that may have more. */
    private static final int GREY_LEVELS = 1;

    private static final double MOST_COLOURED = 0.001;

    private final int width;
    private final int height;
    private final byte[] data;
    private final int rowStride;
    private final int pixelStride;
    private final int red;
    private final int green;
    private final int blue;
    private Boolean grey;

    private Raster(int width, int height, byte[] data, int rowStride, int pixelStride, int red, int green, int blue) {
        this.width = width;
        this.height = height;
        this.data = data;
        this.rowStride = rowStride;
        this.pixelStride = pixelStride;
        this.red = red;
        this.green = green;
        this.blue = blue;
    }

    /** Uses the image's own bytes where its format allows, so that a large scan is not held twice. */
    public static Raster of(BufferedImage image) {
        if (image.getRaster().getSampleModel() instanceof PixelInterleavedSampleModel model
                && image.getRaster().getDataBuffer() instanceof DataBufferByte buffer
                && image.getRaster().getParent() == null
                && (model.getNumBands() == 3 || model.getNumBands() == 1)
                && image.getColorModel().getColorSpace().isCS_sRGB()
                && !(image.getColorModel() instanceof java.awt.image.IndexColorModel)) {
            int[] offset = model.getBandOffsets();
            boolean grey = model.getNumBands() == 1;
            return new Raster(
                    image.getWidth(),
                    image.getHeight(),
                    buffer.getData(),
                    model.getScanlineStride(),
                    model.getPixelStride(),
                    offset[0],
                    offset[grey ? 0 : 1],
                    offset[grey ? 0 : 2]);
        }
        BufferedImage plain = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D graphics = plain.createGraphics();
        graphics.drawImage(image, 0, 0, Color.WHITE, null);
        graphics.dispose();
        return of(plain);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Whether the picture has no colour: as good as all of its pixels are grey, or of one tint. */
    boolean isGrey() {
        if (grey == null) {
            grey = red == green && green == blue || looksGrey();
        }
        return grey;
    }

    private boolean looksGrey() {
        int[] warm = new int[511];
        int[] cool = new int[511];
        int count = 0;
        for (int y = 0; y < height; y += 3) {
            for (int x = y % 2; x < width; x += 3) {
                warm[255 + red(x, y) - green(x, y)]++;
                cool[255 + blue(x, y) - green(x, y)]++;
                count++;
            }
        }
        return outliers(warm) <= count * MOST_COLOURED && outliers(cool) <= count * MOST_COLOURED;
    }

    /** How many lie more than a few levels off the most frequent value. */
    private static int outliers(int[] histogram) {
        int most = 0;
        int all = 0;
        for (int i = 0; i < histogram.length; i++) {
            all += histogram[i];
            most = histogram[i] > histogram[most] ? i : most;
        }
        int near = 0;
        for (int i = Math.max(0, most - GREY_LEVELS); i <= Math.min(histogram.length - 1, most + GREY_LEVELS); i++) {
            near += histogram[i];
        }
        return all - near;
    }

    /** The same picture, its left side up; a place (x, y) of it lies at (y, height − x) of this one. Nothing is copied. */
    Raster onItsSide() {
        int origin = (height - 1) * rowStride;
        Raster side =
                new Raster(height, width, data, pixelStride, -rowStride, red + origin, green + origin, blue + origin);
        side.grey = grey;
        return side;
    }

    /** Mean of {@code factor} × {@code factor} pixels for each pixel; itself when the factor is 1. */
    Raster reduced(int factor) {
        if (factor <= 1) {
            return this;
        }
        int w = Math.max(1, width / factor);
        int h = Math.max(1, height / factor);
        byte[] out = new byte[w * h * 3];
        byte[] means = means(factor * factor);
        IntStream.range(0, h).parallel().forEach(y -> reduceRow(y, w, factor, means, out));
        Raster less = new Raster(w, h, out, w * 3, 3, 0, 1, 2);
        less.grey = grey;
        return less;
    }

    /** Means of so many values by their sum, rounded down: looked up, since dividing costs more than all the adding. */
    private static byte[] means(int count) {
        byte[] means = new byte[255 * count + 1];
        for (int sum = 0; sum < means.length; sum++) {
            means[sum] = (byte) (sum / count);
        }
        return means;
    }

    private void reduceRow(int y, int w, int factor, byte[] means, byte[] out) {
        byte[] from = data;
        int step = pixelStride;
        int toGreen = green - red;
        int toBlue = blue - red;
        for (int x = 0, o = y * w * 3; x < w; x++, o += 3) {
            int r = 0;
            int g = 0;
            int b = 0;
            for (int dy = 0; dy < factor; dy++) {
                int at = (y * factor + dy) * rowStride + x * factor * step + red;
                for (int dx = 0; dx < factor; dx++, at += step) {
                    r += from[at] & 255;
                    g += from[at + toGreen] & 255;
                    b += from[at + toBlue] & 255;
                }
            }
            out[o] = means[r];
            out[o + 1] = means[g];
            out[o + 2] = means[b];
        }
    }

    /**
     * Writes the colour at a place between pixels, 0..255 each, to {@code rgb[at..at+2]}; false, and nothing written,
     * when the place is off the picture. Pixel (0, 0) has its centre at (0.5, 0.5).
     */
    boolean sample(double px, double py, float[] rgb, int at) {
        double fx = px - 0.5;
        double fy = py - 0.5;
        if (!(fx >= 0 && fy >= 0 && fx < width - 1 && fy < height - 1)) {
            return false;
        }
        int x = (int) fx;
        int y = (int) fy;
        float ax = (float) (fx - x);
        float ay = (float) (fy - y);
        int p = y * rowStride + x * pixelStride;
        rgb[at] = mix(p + red, ax, ay);
        rgb[at + 1] = mix(p + green, ax, ay);
        rgb[at + 2] = mix(p + blue, ax, ay);
        return true;
    }

    private float mix(int p, float ax, float ay) {
        int a = data[p] & 255;
        int b = data[p + pixelStride] & 255;
        int c = data[p + rowStride] & 255;
        int d = data[p + rowStride + pixelStride] & 255;
        float top = a + ax * (b - a);
        return top + ay * (c + ax * (d - c) - top);
    }

    int red(int x, int y) {
        return data[y * rowStride + x * pixelStride + red] & 255;
    }

    int green(int x, int y) {
        return data[y * rowStride + x * pixelStride + green] & 255;
    }

    int blue(int x, int y) {
        return data[y * rowStride + x * pixelStride + blue] & 255;
    }

    int luminance(int x, int y) {
        return (red(x, y) * 77 + green(x, y) * 151 + blue(x, y) * 28) >> 8;
    }
}
