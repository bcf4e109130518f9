package undoknot.simulator;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.util.Random;
import undoknot.head.CheckLayout;
import undoknot.scan.Point;

/** What happens to a printed check between the printer and the picture of it, beyond dust and folds. */
final class Spoiler {

    private final CheckLayout layout;
    private final Scanning scanning;
    private final Random random;
    private final int width;
    private final int height;
    private final double perMm;
    private final double[] wave = new double[12];
    private final double spotX;
    private final double spotY;

    /** Where a place on the sheet, mm, lies in the picture. */
    @FunctionalInterface
    interface Place {
        Point2D at(double xMm, double yMm);
    }

    Spoiler(CheckLayout layout, Scanning scanning, long seed, int width, int height, double perMm) {
        this.layout = layout;
        this.scanning = scanning;
        this.random = new Random(seed);
        this.width = width;
        this.height = height;
        this.perMm = perMm;
        for (int i = 0; i < wave.length; i++) {
            wave[i] = 2 * Math.PI * random.nextDouble();
        }
        spotX = (0.2 + 0.6 * random.nextDouble()) * width;
        spotY = (0.2 + 0.6 * random.nextDouble()) * height;
    }

    double bentX(double x, double y) {
        return scanning.bowMm() * (Math.sin(Math.PI * y / layout.heightMm()) - 0.5) * Math.cos(wave[0])
                + scanning.crumpleMm() * (Math.sin(x / 23 + wave[1]) + Math.sin(y / 31 + wave[2])) / 2;
    }

    double bentY(double x, double y) {
        return scanning.bowMm() * (Math.sin(Math.PI * x / layout.widthMm()) - 0.5)
                + scanning.crumpleMm() * (Math.sin(y / 27 + wave[3]) + Math.sin(x / 37 + wave[4])) / 2;
    }

    /** Through the lens: places farther from the middle are drawn in. */
    Point seen(Point p) {
        if (scanning.lens() == 0) {
            return p;
        }
        double dx = p.x() - width / 2.0;
        double dy = p.y() - height / 2.0;
        double far = (dx * dx + dy * dy) / (width * (double) width + height * (double) height) * 4;
        double by = 1 - scanning.lens() * far;
        return new Point(width / 2.0 + dx * by, height / 2.0 + dy * by);
    }

    void table(Graphics2D g) {
        double side = 12 * perMm;
        if (scanning.table() == Scanning.Table.CHEQUERED) {
            for (int y = 0; y * side < height; y++) {
                for (int x = 0; x * side < width; x++) {
                    g.setColor(
                            (x + y) % 2 == 0 ? new Color(0xb8 + random.nextInt(8), 0x30, 0x38) : new Color(0xe6e2d8));
                    g.fillRect((int) (x * side), (int) (y * side), (int) side + 1, (int) side + 1);
                }
            }
        } else if (scanning.table() == Scanning.Table.WOOD) {
            for (int y = 0; y < height; y++) {
                int tone = (int) (18 * Math.sin(y / (1.3 * perMm) + 2 * Math.sin(y / (9 * perMm))));
                g.setColor(new Color(0x96 + tone, 0x6e + tone, 0x46 + tone / 2));
                g.fillRect(0, y, width, 1);
            }
        }
    }

    /** Under the print: what shows through from the other side. */
    void before(Graphics2D g, Place place) {
        for (int line = 0; line < scanning.showThrough(); line++) {
            double y = layout.heightMm() * (line + 0.5) / scanning.showThrough();
            g.setColor(new Color(0, 0, 0, 16));
            for (double x = 12; x < layout.widthMm() - 12; x += 1.4 + 2 * random.nextDouble()) {
                bar(g, place, x, y, 0.5 + random.nextDouble(), 1.8);
            }
        }
    }

    private static void bar(Graphics2D g, Place place, double x, double y, double w, double h) {
        Path2D path = new Path2D.Double();
        double[][] corners = {{x, y}, {x + w, y}, {x + w, y + h}, {x, y + h}};
        for (int i = 0; i < 4; i++) {
            Point2D p = place.at(corners[i][0], corners[i][1]);
            if (i == 0) {
                path.moveTo(p.getX(), p.getY());
            } else {
                path.lineTo(p.getX(), p.getY());
            }
        }
        path.closePath();
        g.fill(path);
    }

    /** On the print: coffee, a pen, and what the carriage rubbed on. */
    void after(Graphics2D g, Place place) {
        for (int i = 0; i < scanning.stains(); i++) {
            Point2D at = place.at(
                    layout.widthMm() * random.nextDouble(), layout.heightMm() * (0.1 + 0.6 * random.nextDouble()));
            double r = (14 + 16 * random.nextDouble()) * perMm;
            g.setColor(new Color(0x7a, 0x4a, 0x1e, 40 + random.nextInt(70)));
            g.fill(new Ellipse2D.Double(at.getX() - r, at.getY() - r, 2 * r, 2 * r));
            g.setColor(new Color(0x5c, 0x34, 0x12, 90 + random.nextInt(80)));
            g.setStroke(new BasicStroke((float) ((0.8 + random.nextDouble()) * perMm)));
            g.draw(new Ellipse2D.Double(at.getX() - r, at.getY() - r, 2 * r, 2 * r));
        }
        for (int i = 0; i < scanning.handwriting(); i++) {
            g.setColor(random.nextBoolean() ? new Color(0x1c, 0x2f, 0x8a) : new Color(0x1b, 0x1b, 0x1f));
            g.setStroke(new BasicStroke((float) (0.4 * perMm)));
            double x = layout.widthMm() * (0.1 + 0.5 * random.nextDouble());
            double y = layout.heightMm() * (0.1 + 0.7 * random.nextDouble());
            Path2D pen = new Path2D.Double();
            Point2D p = place.at(x, y);
            pen.moveTo(p.getX(), p.getY());
            for (int k = 0; k < 22; k++) {
                x += 0.8 + 2.2 * random.nextDouble();
                p = place.at(x, y + (random.nextDouble() - 0.5) * 5);
                pen.lineTo(p.getX(), p.getY());
            }
            g.draw(pen);
        }
        for (int i = 0; i < scanning.carriageDirt(); i++) {
            int tone = 30 + random.nextInt(60);
            g.setColor(new Color(tone, tone, tone, 60 + random.nextInt(150)));
            double x = layout.widthMm() * random.nextDouble();
            double y = layout.heightMm() * random.nextDouble();
            bar(g, place, x, y, 8 + 60 * random.nextDouble(), 0.15 + 0.7 * random.nextDouble());
        }
    }

    /** Ink of a dash at a height of the sheet, where the printer lays it on in bands. */
    double band(double y) {
        return 1 - scanning.banding() * (0.5 + 0.5 * Math.sin(y / 2.1 + wave[5]));
    }

    /** Light that falls on the sheet before the lens sees it. */
    void light(BufferedImage image) {
        if (scanning.glare() == 0 && scanning.warmth() == 0) {
            return;
        }
        byte[] data = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        double reach = 0.09 * Math.hypot(width, height);
        double[] colour = {1 - 0.42 * scanning.warmth(), 1 - 0.16 * scanning.warmth(), 1};
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double d = Math.hypot(x - spotX, y - spotY) / reach;
                double spot = scanning.glare() * Math.exp(-d * d * 1.5);
                for (int k = 0; k < 3; k++) {
                    int at = (y * width + x) * 3 + k;
                    double value = (data[at] & 255) * colour[k];
                    data[at] = (byte) Math.min(255, Math.round(value + spot * (275 - value)));
                }
            }
        }
    }

    /** What the sensor makes of it: moved, cut off, without colour. */
    BufferedImage taken(BufferedImage image) {
        BufferedImage out = image;
        if (scanning.motionPx() > 0) {
            out = moved(out);
        }
        if (scanning.cutAtMm() > 0) {
            int rows = (int) Math.min(height, scanning.cutAtMm() * perMm);
            BufferedImage less = new BufferedImage(width, rows, BufferedImage.TYPE_3BYTE_BGR);
            less.createGraphics().drawImage(out, 0, scanning.upsideDown() ? rows - height : 0, null);
            out = less;
        }
        if (scanning.isGrey()) {
            byte[] data = ((DataBufferByte) out.getRaster().getDataBuffer()).getData();
            for (int i = 0; i < data.length; i += 3) {
                int grey = (int)
                        Math.round(0.114 * (data[i] & 255) + 0.587 * (data[i + 1] & 255) + 0.299 * (data[i + 2] & 255));
                data[i] = data[i + 1] = data[i + 2] = (byte) grey;
            }
        }
        return out;
    }

    private BufferedImage moved(BufferedImage image) {
        BufferedImage out = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        byte[] from = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        byte[] to = ((DataBufferByte) out.getRaster().getDataBuffer()).getData();
        int steps = (int) Math.ceil(scanning.motionPx()) + 1;
        double mx = scanning.motionPx() * Math.cos(wave[6]) / steps;
        double my = scanning.motionPx() * Math.sin(wave[6]) / steps;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int[] sum = new int[3];
                for (int s = 0; s <= steps; s++) {
                    int px = Math.max(0, Math.min(width - 1, (int) Math.round(x + s * mx)));
                    int py = Math.max(0, Math.min(height - 1, (int) Math.round(y + s * my)));
                    for (int k = 0; k < 3; k++) {
                        sum[k] += from[(py * width + px) * 3 + k] & 255;
                    }
                }
                for (int k = 0; k < 3; k++) {
                    to[(y * width + x) * 3 + k] = (byte) (sum[k] / (steps + 1));
                }
            }
        }
        return out;
    }
}
