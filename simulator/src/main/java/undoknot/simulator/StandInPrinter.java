package undoknot.simulator;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.CubicCurve2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.head.RegistrationMark;
import undoknot.scan.Jpeg;
import undoknot.scan.Plane;
import undoknot.scan.Point;
import undoknot.simulator.Strokes.Stroke;

/** Prints a stand-in head's strokes on a layout and scans the sheet, as well or as badly as asked. */
public final class StandInPrinter {

    private static final double LINE_MM = 0.26;
    private static final Color TABLE = new Color(0x4a4038);
    private static final Color LID = new Color(0xe4e4e1);

    private final CheckLayout layout;
    private final Scanning scanning;
    private final Random random;
    private final double perMm;
    private final Plane plane;
    private final int width;
    private final int height;
    private final Spoiler spoiler;

    private StandInPrinter(CheckLayout layout, Scanning scanning, long seed) {
        this.layout = layout;
        this.scanning = scanning;
        this.random = new Random(seed);
        this.perMm = scanning.dpi() / 25.4;
        double room = scanning.onDark() ? 0.08 : scanning.turnDeg() != 0 ? 0.02 : 0;
        double turn = Math.toRadians(scanning.turnDeg() + (scanning.upsideDown() ? 180 : 0));
        double w = layout.widthMm();
        double h = layout.heightMm();
        double cos = Math.abs(Math.cos(turn));
        double sin = Math.abs(Math.sin(turn));
        this.width = (int) Math.round(perMm * (w * cos + h * sin) * (1 + 2 * room));
        this.height = (int) Math.round(perMm * (w * sin + h * cos) * (1 + 2 * room));
        this.plane = plane(turn);
        this.spoiler = new Spoiler(layout, scanning, 31 * seed + 7, width, height, perMm);
    }

    /** The sheet's corners in the picture: turned about the middle, and drawn in on one side by the slant. */
    private Plane plane(double turn) {
        double w = layout.widthMm();
        double h = layout.heightMm();
        double slantX = scanning.perspective() * (random.nextDouble() - 0.5);
        double slantY = scanning.perspective() * (random.nextDouble() < 0.5 ? -0.5 : 0.5);
        List<Point> sheet = List.of(new Point(0, 0), new Point(w, 0), new Point(w, h), new Point(0, h));
        List<Point> picture = sheet.stream()
                .map(p -> {
                    double x = (p.x() - w / 2) * (1 - Math.abs(slantX) / 4);
                    double y = (p.y() - h / 2) * (1 - Math.abs(slantY) / 4);
                    double tx = x * Math.cos(turn) - y * Math.sin(turn);
                    double ty = x * Math.sin(turn) + y * Math.cos(turn);
                    double depth = 1 + slantX * tx / w / 2 + slantY * ty / h / 2;
                    return new Point(width / 2.0 + perMm * tx / depth, height / 2.0 + perMm * ty / depth);
                })
                .toList();
        return Plane.through(sheet, picture);
    }

    /**
     * @param strokes what the head puts on paper; channels of the layout it lacks stay blank
     * @param seed of all that is left to chance; the same seed gives the same picture
     * @return a picture of the sheet, always marked as simulated along its lower edge
     */
    public static BufferedImage print(CheckLayout layout, Strokes strokes, Scanning scanning, long seed) {
        return new StandInPrinter(layout, scanning, seed).print(strokes);
    }

    private BufferedImage print(Strokes strokes) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.setColor(scanning.onDark() ? TABLE : LID);
        g.fillRect(0, 0, width, height);
        spoiler.table(g);
        Color paper = Color.decode(scanning.tint() != null ? scanning.tint() : CheckLayout.Paper.WHITE.tone());
        fill(g, paper, 0, 0, layout.widthMm(), layout.heightMm());
        spoiler.before(g, this::place);
        marks(g);
        note(g);
        double feedX = (2 * random.nextDouble() - 1) * scanning.feedMm();
        double feedY = (2 * random.nextDouble() - 1) * scanning.feedMm();
        for (Block block : layout.blocks()) {
            if (block.paper() != CheckLayout.Paper.WHITE) {
                double m = 4;
                fill(
                        g,
                        Color.decode(block.paper().tone()),
                        block.xMm() - m,
                        block.yMm() - m,
                        block.widthMm() + 2 * m,
                        block.heightMm() + 2 * m);
            }
        }
        for (Block block : layout.blocks()) {
            Stroke[] channel = strokes.channels().get(block.channel());
            Color ink = Color.decode(layout.block(strokes.inks().getOrDefault(block.channel(), block.channel()))
                    .orElse(block)
                    .ink());
            for (int n = 1; channel != null && n <= channel.length; n++) {
                dash(g, block, n, channel[n - 1], ink, feedX, feedY);
            }
        }
        smears(g);
        dirt(g);
        spoiler.after(g, this::place);
        g.dispose();
        spoiler.light(image);
        expose(image);
        BufferedImage taken = spoiler.taken(image);
        return scanning.jpegQuality() > 0 ? throughJpeg(taken, scanning.jpegQuality()) : taken;
    }

    private void fill(Graphics2D g, Color colour, double x, double y, double w, double h) {
        g.setColor(colour);
        g.fill(quad(x, y, w, h));
    }

    private Path2D quad(double x, double y, double w, double h) {
        Path2D path = new Path2D.Double();
        move(path, x, y, true);
        move(path, x + w, y, false);
        move(path, x + w, y + h, false);
        move(path, x, y + h, false);
        path.closePath();
        return path;
    }

    private void move(Path2D path, double x, double y, boolean first) {
        Point2D p = place(x, y);
        if (first) {
            path.moveTo(p.getX(), p.getY());
        } else {
            path.lineTo(p.getX(), p.getY());
        }
    }

    private Point2D place(double x, double y) {
        Point p = spoiler.seen(plane.toPicture(x + spoiler.bentX(x, y), y + spoiler.bentY(x, y)));
        return new Point2D.Double(p.x(), p.y());
    }

    private void marks(Graphics2D g) {
        if (layout.marks() == null) {
            return;
        }
        double size = layout.marks().sizeMm();
        double inset = layout.marks().insetMm();
        double frame = size * RegistrationMark.FRAME;
        double cell = (size - 2 * frame) / RegistrationMark.CELLS;
        Color black = new Color(0x17181a);
        for (int corner = 0; corner < 4; corner++) {
            double x = corner == 0 || corner == 3 ? inset : layout.widthMm() - inset - size;
            double y = corner < 2 ? inset : layout.heightMm() - inset - size;
            fill(g, black, x, y, size, size);
            fill(
                    g,
                    Color.decode(CheckLayout.Paper.WHITE.tone()),
                    x + frame,
                    y + frame,
                    size - 2 * frame,
                    size - 2 * frame);
            for (int row = 0; row < RegistrationMark.CELLS; row++) {
                for (int column = 0; column < RegistrationMark.CELLS; column++) {
                    if (RegistrationMark.black(corner, column, row)) {
                        fill(g, black, x + frame + column * cell, y + frame + row * cell, cell, cell);
                    }
                }
            }
        }
    }

    /** The word "simulated" at the lower edge, wherever the sheet goes from here. */
    private void note(Graphics2D g) {
        g.setColor(new Color(0x55, 0x55, 0x55));
        Point2D at = place(layout.widthMm() / 2 - 30, layout.heightMm() - 9);
        Point2D along = place(layout.widthMm() / 2 + 30, layout.heightMm() - 9);
        Graphics2D turned = (Graphics2D) g.create();
        turned.translate(at.getX(), at.getY());
        turned.rotate(Math.atan2(along.getY() - at.getY(), along.getX() - at.getX()));
        turned.setFont(turned.getFont().deriveFont((float) (3.2 * perMm)));
        turned.drawString("SIMULATED: Undo Knot stand-in printer", 0, 0);
        turned.dispose();
    }

    private void dash(Graphics2D g, Block block, int nozzle, Stroke stroke, Color ink, double feedX, double feedY) {
        if (stroke.density() <= 0) {
            return;
        }
        boolean across = block.direction() == Direction.ACROSS;
        double u = block.startMm(nozzle) + 0.04 * random.nextGaussian();
        double v = block.lineMm(nozzle) + stroke.offsetSteps() * block.pitchMm() - LINE_MM / 2;
        double length = block.dashMm() * Math.abs(stroke.length());
        u += stroke.length() < 0 ? block.dashMm() - length : 0;
        double x = block.xMm() + feedX + (across ? u : v);
        double y = block.yMm() + feedY + (across ? v : u);
        double density = Math.min(1, stroke.density() * spoiler.band(y) * 0.94);
        g.setColor(new Color(ink.getRed(), ink.getGreen(), ink.getBlue(), (int) Math.round(255 * density)));
        g.fill(quad(x, y, across ? length : LINE_MM, across ? LINE_MM : length));
    }

    private void smears(Graphics2D g) {
        for (int i = 0; i < scanning.strayInk() && layout.blocks().size() > 1; i++) {
            Block in = layout.blocks().get(random.nextInt(layout.blocks().size()));
            Block of = layout.blocks().get(random.nextInt(layout.blocks().size()));
            if (in == of || in.paper() != of.paper()) {
                continue;
            }
            Color ink = Color.decode(of.ink());
            g.setColor(new Color(ink.getRed(), ink.getGreen(), ink.getBlue(), 120 + random.nextInt(120)));
            double x = in.xMm() + random.nextDouble() * in.widthMm();
            double y = in.yMm() + random.nextDouble() * in.heightMm();
            Point2D at = place(x, y);
            double w = (1 + 3 * random.nextDouble()) * perMm;
            double h = (0.3 + random.nextDouble()) * perMm;
            g.fill(new Ellipse2D.Double(at.getX() - w / 2, at.getY() - h / 2, w, h));
        }
    }

    private void dirt(Graphics2D g) {
        for (int i = 0; i < scanning.dust(); i++) {
            int tone = 40 + random.nextInt(120);
            g.setColor(new Color(tone, tone - random.nextInt(20), tone - random.nextInt(30)));
            double size = (0.1 + 0.35 * random.nextDouble()) * perMm;
            g.fill(new Ellipse2D.Double(random.nextDouble() * width, random.nextDouble() * height, size, size));
        }
        for (int i = 0; i < scanning.fibres(); i++) {
            int tone = 50 + random.nextInt(100);
            g.setColor(new Color(tone, tone, tone + random.nextInt(30)));
            g.setStroke(new BasicStroke((float) (0.12 * perMm)));
            double x = random.nextDouble() * width;
            double y = random.nextDouble() * height;
            double reach = 9 * perMm;
            g.draw(new CubicCurve2D.Double(
                    x,
                    y,
                    x + wild(reach),
                    y + wild(reach),
                    x + wild(reach),
                    y + wild(reach),
                    x + wild(reach),
                    y + wild(reach)));
        }
        for (int i = 0; i < scanning.folds(); i++) {
            double across = 0.15 + 0.7 * random.nextDouble();
            boolean flat = random.nextBoolean();
            double tilt = 0.02 * random.nextGaussian();
            Point2D a =
                    flat ? place(0, layout.heightMm() * (across - tilt)) : place(layout.widthMm() * (across - tilt), 0);
            Point2D b = flat
                    ? place(layout.widthMm(), layout.heightMm() * (across + tilt))
                    : place(layout.widthMm() * (across + tilt), layout.heightMm());
            g.setStroke(new BasicStroke((float) (1.6 * perMm)));
            g.setColor(new Color(0, 0, 0, 26));
            g.draw(new Line2D.Double(a, b));
            g.setStroke(new BasicStroke((float) (0.35 * perMm)));
            g.setColor(new Color(0, 0, 0, 80));
            g.draw(new Line2D.Double(a, b));
        }
    }

    private double wild(double reach) {
        return (random.nextDouble() - 0.5) * reach;
    }

    /** Light, lens and grain. */
    private void expose(BufferedImage image) {
        byte[] data = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        if (scanning.blurPx() > 0) {
            blur(data, scanning.blurPx());
        }
        double way = random.nextDouble() * 2 * Math.PI;
        double lx = Math.cos(way) / width;
        double ly = Math.sin(way) / height;
        java.util.SplittableRandom grain = new java.util.SplittableRandom(random.nextLong());
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double light = 1 - scanning.unevenLight() * (0.5 + (x - width / 2.0) * lx + (y - height / 2.0) * ly);
                // Three uniform draws are near enough to a bell curve.
                double even = (grain.nextDouble() + grain.nextDouble() + grain.nextDouble() - 1.5) * 2;
                for (int k = 0; k < 3; k++) {
                    int at = (y * width + x) * 3 + k;
                    double value = (data[at] & 255) * light + scanning.noise() * (even + grain.nextDouble() - 0.5);
                    data[at] = (byte) Math.max(0, Math.min(255, Math.round(value)));
                }
            }
        }
    }

    /** Binomial blur along rows, then columns: weights (s, 1, s) / (1 + 2s), whose variance is 2s / (1 + 2s). */
    private void blur(byte[] data, double radiusPx) {
        double variance = Math.min(0.6, radiusPx * radiusPx);
        double side = variance / (2 - 2 * variance);
        for (int way = 0; way < 2; way++) {
            int step = way == 0 ? 3 : width * 3;
            byte[] from = data.clone();
            for (int i = step; i < data.length - step; i++) {
                double mean =
                        ((from[i] & 255) + side * ((from[i - step] & 255) + (from[i + step] & 255))) / (1 + 2 * side);
                data[i] = (byte) Math.round(mean);
            }
        }
    }

    /** The same picture after a stay in a JPEG file. */
    private static BufferedImage throughJpeg(BufferedImage image, double quality) {
        try {
            return ImageIO.read(new ByteArrayInputStream(Jpeg.of(image, quality)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
