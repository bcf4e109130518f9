package undoknot.scan;

import java.util.List;

/**
 * How the sheet lies in the picture, flat or not: each place on it is moved by a smooth shift, then shown by a plane. The
 * shift is a polynomial of third order, which is what a lens bends and a bowed sheet does.
 */
public final class Warp {

    /** Terms of the shift by order: 3 turn and stretch, 6 bow, 10 bend as a lens does. */
    static final int AFFINE = 3;

    static final int BOWED = 6;
    static final int LENS = 10;

    private final Plane plane;
    private final double[] h;
    private final double widthMm;
    private final double heightMm;
    /** The place that the terms are counted from, and the length they are counted in. */
    private final double cx;

    private final double cy;
    private final double reach;
    /** Of the terms beyond the affine ones; what turns, stretches and moves the sheet is part of the plane. */
    private final double[] dx;

    private final double[] dy;
    private final boolean flat;

    private Warp(Plane plane, double widthMm, double heightMm, double cx, double cy, double[] dx, double[] dy) {
        this.plane = plane;
        this.h = plane.numbers();
        this.widthMm = widthMm;
        this.heightMm = heightMm;
        this.cx = cx;
        this.cy = cy;
        this.reach = Math.max(widthMm, heightMm) / 2;
        this.dx = dx;
        this.dy = dy;
        boolean none = true;
        for (int i = 0; i < LENS; i++) {
            none &= dx[i] == 0 && dy[i] == 0;
        }
        this.flat = none;
    }

    /** A flat sheet of a size, mm. */
    public static Warp flat(Plane plane, double widthMm, double heightMm) {
        return new Warp(plane, widthMm, heightMm, widthMm / 2, heightMm / 2, new double[LENS], new double[LENS]);
    }

    boolean isFlat() {
        return flat;
    }

    double sizeX() {
        return widthMm;
    }

    double sizeY() {
        return heightMm;
    }

    Plane plane() {
        return plane;
    }

    /** Values of the ten terms at a place, mm; written to {@code out}. */
    void terms(double xMm, double yMm, double[] out) {
        double x = (xMm - cx) / reach;
        double y = (yMm - cy) / reach;
        out[0] = 1;
        out[1] = x;
        out[2] = y;
        out[3] = x * x;
        out[4] = x * y;
        out[5] = y * y;
        out[6] = x * x * x;
        out[7] = x * x * y;
        out[8] = x * y * y;
        out[9] = y * y * y;
    }

    /** By how much a place is moved before the plane shows it, mm; written to {@code out}. */
    void shiftAt(double xMm, double yMm, double[] out) {
        if (flat) {
            out[0] = 0;
            out[1] = 0;
            return;
        }
        double x = (xMm - cx) / reach;
        double y = (yMm - cy) / reach;
        out[0] = at(dx, x, y);
        out[1] = at(dy, x, y);
    }

    private static double at(double[] c, double x, double y) {
        return c[0]
                + x * (c[1] + x * (c[3] + x * c[6] + y * c[7]) + y * (c[4] + y * c[8]))
                + y * (c[2] + y * (c[5] + y * c[9]));
    }

    /** Where a place on the sheet, mm, lies in the picture, pixels. */
    public Point toPicture(double xMm, double yMm) {
        double[] shift = new double[2];
        shiftAt(xMm, yMm, shift);
        return plane.toPicture(xMm + shift[0], yMm + shift[1]);
    }

    /** Where a place of the picture, pixels, lies on the sheet, mm. */
    Point toSheet(Point picture) {
        double a = h[0] - picture.x() * h[6];
        double b = h[1] - picture.x() * h[7];
        double c = h[3] - picture.y() * h[6];
        double d = h[4] - picture.y() * h[7];
        double e = picture.x() * h[8] - h[2];
        double f = picture.y() * h[8] - h[5];
        double det = a * d - b * c;
        double px = (e * d - b * f) / det;
        double py = (a * f - e * c) / det;
        if (flat) {
            return new Point(px, py);
        }
        double x = px;
        double y = py;
        double[] shift = new double[2];
        for (int i = 0; i < 4; i++) {
            shiftAt(x, y, shift);
            x = px - shift[0];
            y = py - shift[1];
        }
        return new Point(x, y);
    }

    /** The whole sheet moved on itself, mm: what lay at a place then lies that much before it. */
    Warp moved(double dxMm, double dyMm) {
        return new Warp(plane.moved(dxMm, dyMm), widthMm, heightMm, cx - dxMm, cy - dyMm, dx, dy);
    }

    /** Further shifts on top, as values of the terms at {@link #terms}. */
    Warp plus(double[] moreX, double[] moreY) {
        double[] x = dx.clone();
        double[] y = dy.clone();
        for (int i = 0; i < moreX.length; i++) {
            x[i] += moreX[i];
            y[i] += moreY[i];
        }
        // x + shift = A (x + the rest), A being the affine part.
        double a = 1 + x[1] / reach;
        double b = x[2] / reach;
        double c = y[1] / reach;
        double d = 1 + y[2] / reach;
        Plane affine = Plane.of(
                a,
                b,
                x[0] - x[1] * cx / reach - x[2] * cy / reach,
                c,
                d,
                y[0] - y[1] * cx / reach - y[2] * cy / reach,
                0,
                0,
                1);
        double det = a * d - b * c;
        double[] restX = new double[LENS];
        double[] restY = new double[LENS];
        for (int i = AFFINE; i < LENS; i++) {
            restX[i] = (d * x[i] - b * y[i]) / det;
            restY[i] = (a * y[i] - c * x[i]) / det;
        }
        return new Warp(plane.after(affine), widthMm, heightMm, cx, cy, restX, restY);
    }

    Warp shownBy(Plane other) {
        return new Warp(other, widthMm, heightMm, cx, cy, dx, dy);
    }

    Warp scaledPicture(double factor) {
        return shownBy(plane.scaledPicture(factor));
    }

    /** The sheet the other way up: its far corner where its first was. */
    Warp upsideDown() {
        Plane turn = Plane.of(-1, 0, widthMm, 0, -1, heightMm, 0, 0, 1);
        double[] x = new double[LENS];
        double[] y = new double[LENS];
        for (int i = 0; i < LENS; i++) {
            // The shift changes its sign with the sheet, and its odd terms once more.
            int sign = i >= AFFINE && i < BOWED ? -1 : 1;
            x[i] = sign * dx[i];
            y[i] = sign * dy[i];
        }
        return new Warp(plane.after(turn), widthMm, heightMm, widthMm - cx, heightMm - cy, x, y);
    }

    /** Pixels per millimetre around a place on the sheet. */
    double pixelsPerMm(double xMm, double yMm) {
        Point here = toPicture(xMm, yMm);
        double across = here.distance(toPicture(xMm + 1, yMm));
        double down = here.distance(toPicture(xMm, yMm + 1));
        return Math.sqrt(across * down);
    }

    /** Corners of the sheet in the picture, clockwise from its own top left. */
    List<Point> corners() {
        return List.of(toPicture(0, 0), toPicture(widthMm, 0), toPicture(widthMm, heightMm), toPicture(0, heightMm));
    }
}
