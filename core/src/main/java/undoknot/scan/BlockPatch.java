package undoknot.scan;

import java.util.Arrays;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;

/**
 * One block and the paper around it, cut out of the picture and laid straight: u runs along the dashes, v across them,
 * both in millimetres from the block's corner.
 */
final class BlockPatch {

    /** Paper around the block that is cut out with it. Stays below the usual distance of blocks and strips. */
    static final double MARGIN_MM = 2.5;

    private static final int STRETCH = 8;
    private static final double TILE_MM = 5;
    private static final double PAPER_QUANTILE = 0.7;

    final Block block;
    final InkModel ink;
    /** The block's paper as the picture has it, 0..255. */
    final float[] paperTone;

    final boolean grey;

    final double perMm;
    final int width;
    final int height;
    /** Ink density at each place, rows of constant v. */
    final float[] density;
    /** Share of the patch that lies in the picture. */
    final double inPicture;

    private final float[] rgb;
    private final float[][] paper;
    private final int tilesAcross;
    private final int tilesDown;
    private final int tile;
    private double[] sums;

    BlockPatch(Raster picture, Warp warp, Block block, double perMm) {
        this.block = block;
        this.perMm = perMm;
        this.width = (int) Math.ceil((block.alongMm() + 2 * MARGIN_MM) * perMm);
        this.height = (int) Math.ceil((block.acrossMm() + 2 * MARGIN_MM) * perMm);
        this.rgb = new float[width * height * 3];
        this.density = new float[width * height];
        this.inPicture = cut(picture, warp);
        this.tile = (int) Math.max(8, TILE_MM * perMm);
        this.tilesAcross = Math.max(1, Math.round((float) width / tile));
        this.tilesDown = Math.max(1, Math.round((float) height / tile));
        this.paper = paper(new InkModel(block).darker());
        this.paperTone = new float[] {median(paper[0]), median(paper[1]), median(paper[2])};
        this.grey = picture.isGrey();
        this.ink = InkModel.seenOn(block.ink(), paperTone, block.paper().tone(), grey);
        weigh();
    }

    /** Places change slowly along a row: they are worked out every few pixels and drawn straight between. */
    private double cut(Raster picture, Warp warp) {
        double[] h = warp.plane().numbers();
        int inside = 0;
        double[] here = new double[2];
        double[] next = new double[2];
        for (int y = 0; y < height; y++) {
            place(warp, h, 0, y, next);
            for (int x0 = 0; x0 < width; x0 += STRETCH) {
                here[0] = next[0];
                here[1] = next[1];
                place(warp, h, x0 + STRETCH, y, next);
                double stepX = (next[0] - here[0]) / STRETCH;
                double stepY = (next[1] - here[1]) / STRETCH;
                int end = Math.min(width, x0 + STRETCH);
                for (int x = x0; x < end; x++) {
                    int at = (y * width + x) * 3;
                    int step = x - x0;
                    if (picture.sample(here[0] + step * stepX, here[1] + step * stepY, rgb, at)) {
                        inside++;
                    } else {
                        rgb[at] = Float.NaN;
                    }
                }
            }
        }
        return (double) inside / (width * height);
    }

    /**
     * @param h numbers of the warp's plane
     * @param out where the middle of a pixel of this patch lies in the picture; replaced
     */
    private void place(Warp warp, double[] h, int x, int y, double[] out) {
        boolean across = block.direction() == Direction.ACROSS;
        double u = (x + 0.5) / perMm - MARGIN_MM;
        double v = (y + 0.5) / perMm - MARGIN_MM;
        double mx = block.xMm() + (across ? u : v);
        double my = block.yMm() + (across ? v : u);
        if (!warp.isFlat()) {
            warp.shiftAt(mx, my, out);
            mx += out[0];
            my += out[1];
        }
        double w = 1 / (h[6] * mx + h[7] * my + h[8]);
        out[0] = (h[0] * mx + h[1] * my + h[2]) * w;
        out[1] = (h[3] * mx + h[4] * my + h[5]) * w;
    }

    /** The bare paper's colour in each tile: most of a block is bare, so a high quantile (a low one on dark stock). */
    private float[][] paper(boolean darkInk) {
        float[][] found = new float[3][tilesAcross * tilesDown];
        int[] histogram = new int[256];
        double quantile = darkInk ? PAPER_QUANTILE : 1 - PAPER_QUANTILE;
        for (int ty = 0; ty < tilesDown; ty++) {
            for (int tx = 0; tx < tilesAcross; tx++) {
                int x0 = tx * width / tilesAcross;
                int x1 = (tx + 1) * width / tilesAcross;
                int y0 = ty * height / tilesDown;
                int y1 = (ty + 1) * height / tilesDown;
                for (int k = 0; k < 3; k++) {
                    Arrays.fill(histogram, 0);
                    int count = 0;
                    for (int y = y0; y < y1; y++) {
                        for (int x = x0; x < x1; x++) {
                            int at = (y * width + x) * 3;
                            if (!Float.isNaN(rgb[at])) {
                                histogram[(int) rgb[at + k]]++;
                                count++;
                            }
                        }
                    }
                    int below = (int) (count * quantile);
                    int level = 0;
                    while (level < 255 && (below -= histogram[level]) > 0) {
                        level++;
                    }
                    found[k][ty * tilesAcross + tx] = count == 0 ? 128 : level + 0.5f;
                }
            }
        }
        return found;
    }

    private static float median(float[] values) {
        float[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    private void weigh() {
        float[] here = new float[3];
        float[] next = new float[3];
        int stretch = STRETCH;
        for (int y = 0; y < height; y++) {
            for (int x0 = 0; x0 < width; x0 += stretch) {
                // The paper changes slowly: it is worked out every few pixels and drawn straight between.
                paperAt(x0, y, here);
                paperAt(x0 + stretch, y, next);
                for (int x = x0; x < Math.min(width, x0 + stretch); x++) {
                    int i = y * width + x;
                    int at = i * 3;
                    if (Float.isNaN(rgb[at])) {
                        continue;
                    }
                    float part = (x - x0) / (float) stretch;
                    float d = ink.density(
                            rgb[at],
                            rgb[at + 1],
                            rgb[at + 2],
                            here[0] + part * (next[0] - here[0]),
                            here[1] + part * (next[1] - here[1]),
                            here[2] + part * (next[2] - here[2]));
                    density[i] = Math.max(-0.5f, Math.min(1.5f, d));
                }
            }
        }
    }

    /** Whether every place of a rectangle, mm, lies in the picture. */
    boolean inPicture(double u0, double u1, double v0, double v1) {
        if (inPicture >= 1) {
            return true;
        }
        for (int y = Math.max(0, row(v0)); y < Math.min(height, row(v1)); y++) {
            for (int x = Math.max(0, column(u0)); x < Math.min(width, column(u1)); x++) {
                if (Float.isNaN(rgb[(y * width + x) * 3])) {
                    return false;
                }
            }
        }
        return true;
    }

    int tiles() {
        return tilesAcross * tilesDown;
    }

    /** The tile that a place, mm along and across the dashes, lies in. */
    int tileAt(double u, double v) {
        int tx = Math.max(0, Math.min(tilesAcross - 1, column(u) * tilesAcross / width));
        int ty = Math.max(0, Math.min(tilesDown - 1, row(v) * tilesDown / height));
        return ty * tilesAcross + tx;
    }

    /** The middle of a tile on the sheet, mm. */
    Point middleOf(int tile) {
        double u = (tile % tilesAcross + 0.5) * width / tilesAcross / perMm - MARGIN_MM;
        double v = (tile / tilesAcross + 0.5) * height / tilesDown / perMm - MARGIN_MM;
        boolean across = block.direction() == Direction.ACROSS;
        return new Point(block.xMm() + (across ? u : v), block.yMm() + (across ? v : u));
    }

    /** Colour of the bare paper in a tile, 0..255. */
    float[] paperOf(int tile) {
        return new float[] {paper[0][tile], paper[1][tile], paper[2][tile]};
    }

    private void paperAt(int x, int y, float[] out) {
        float fx = Math.max(0, Math.min(tilesAcross - 1.001f, (x + 0.5f) * tilesAcross / width - 0.5f));
        float fy = Math.max(0, Math.min(tilesDown - 1.001f, (y + 0.5f) * tilesDown / height - 0.5f));
        int tx = (int) fx;
        int ty = (int) fy;
        int right = Math.min(tx + 1, tilesAcross - 1);
        int below = Math.min(ty + 1, tilesDown - 1);
        float ax = fx - tx;
        float ay = fy - ty;
        for (int k = 0; k < 3; k++) {
            float[] p = paper[k];
            float top = p[ty * tilesAcross + tx] * (1 - ax) + p[ty * tilesAcross + right] * ax;
            float bottom = p[below * tilesAcross + tx] * (1 - ax) + p[below * tilesAcross + right] * ax;
            out[k] = top + ay * (bottom - top);
        }
    }

    /**
     * Mean change of light against the paper in a rectangle, by colour; see {@link InkModel#change}. Null when part of it
     * lies outside the picture.
     */
    float[] changeIn(double u0, double u1, double v0, double v1) {
        int x0 = column(u0);
        int x1 = Math.max(x0 + 1, column(u1));
        int y0 = row(v0);
        int y1 = Math.max(y0 + 1, row(v1));
        float[] mean = new float[3];
        float[] here = new float[3];
        int count = 0;
        for (int y = Math.max(0, y0); y < Math.min(height, y1); y++) {
            for (int x = Math.max(0, x0); x < Math.min(width, x1); x++) {
                int at = (y * width + x) * 3;
                if (Float.isNaN(rgb[at])) {
                    return null;
                }
                if (count % 4 == 0) {
                    paperAt(x, y, here);
                }
                for (int k = 0; k < 3; k++) {
                    mean[k] += ink.change(rgb[at + k], here[k], k);
                }
                count++;
            }
        }
        for (int k = 0; k < 3; k++) {
            mean[k] /= Math.max(1, count);
        }
        return mean;
    }

    int column(double u) {
        // Twice as fast as Math.round, and asked for millions of times.
        return (int) ((u + MARGIN_MM) * perMm + 1000.5) - 1000;
    }

    int row(double v) {
        return (int) ((v + MARGIN_MM) * perMm + 1000.5) - 1000;
    }

    /** Mean density in a rectangle of patch pixels, clipped to 0..1 before it is averaged; 0 off the patch. */
    double mean(int x0, int y0, int x1, int y1) {
        if (x0 < 0 || y0 < 0 || x1 > width || y1 > height || x1 <= x0 || y1 <= y0) {
            return 0;
        }
        return boxSum(x0, y0, x1, y1) / ((x1 - x0) * (double) (y1 - y0));
    }

    double boxSum(int x0, int y0, int x1, int y1) {
        if (sums == null) {
            sums = integrate();
        }
        int w = width + 1;
        return sums[y1 * w + x1] - sums[y0 * w + x1] - sums[y1 * w + x0] + sums[y0 * w + x0];
    }

    private double[] integrate() {
        int w = width + 1;
        double[] total = new double[w * (height + 1)];
        for (int y = 0; y < height; y++) {
            double line = 0;
            for (int x = 0; x < width; x++) {
                line += Math.max(0, Math.min(1, density[y * width + x]));
                total[(y + 1) * w + x + 1] = total[y * w + x + 1] + line;
            }
        }
        return total;
    }
}
