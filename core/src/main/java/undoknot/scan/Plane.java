package undoknot.scan;

import boofcv.alg.geo.h.HomographyDirectLinearTransform;
import boofcv.struct.geo.AssociatedPair;
import java.util.ArrayList;
import java.util.List;
import org.ejml.data.DMatrixRMaj;

/** How the flat sheet lies in the picture: a homography from millimetres on the sheet to pixels. */
public final class Plane {

    private final double[] h;

    private Plane(double[] h) {
        this.h = h;
    }

    static Plane of(double... nine) {
        return new Plane(nine.clone());
    }

    /**
     * Least-squares homography through pairs of places.
     *
     * @param sheet places on the sheet, mm; at least four, no three of the first four on a line
     * @param picture the same places in the picture, pixels
     */
    public static Plane through(List<Point> sheet, List<Point> picture) {
        if (sheet.size() < 4 || sheet.size() != picture.size()) {
            throw new IllegalArgumentException("four or more pairs are needed, had " + sheet.size());
        }
        List<AssociatedPair> pairs = new ArrayList<>();
        for (int i = 0; i < sheet.size(); i++) {
            pairs.add(new AssociatedPair(
                    sheet.get(i).x(),
                    sheet.get(i).y(),
                    picture.get(i).x(),
                    picture.get(i).y()));
        }
        DMatrixRMaj found = new DMatrixRMaj(3, 3);
        if (!new HomographyDirectLinearTransform(true).process(pairs, found)) {
            throw new IllegalArgumentException("the places lie on one line");
        }
        return new Plane(found.data.clone());
    }

    public Point toPicture(double xMm, double yMm) {
        double w = h[6] * xMm + h[7] * yMm + h[8];
        return new Point((h[0] * xMm + h[1] * yMm + h[2]) / w, (h[3] * xMm + h[4] * yMm + h[5]) / w);
    }

    /** This plane, used after another change of places on the sheet: millimetres to millimetres to pixels. */
    Plane after(Plane first) {
        double[] a = h;
        double[] b = first.h;
        double[] c = new double[9];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                for (int k = 0; k < 3; k++) {
                    c[i * 3 + j] += a[i * 3 + k] * b[k * 3 + j];
                }
            }
        }
        return new Plane(c);
    }

    Plane moved(double dxMm, double dyMm) {
        return after(of(1, 0, dxMm, 0, 1, dyMm, 0, 0, 1));
    }

    Plane scaledPicture(double factor) {
        return of(factor, 0, 0, 0, factor, 0, 0, 0, 1).after(this);
    }

    /** Pixels per millimetre around a place on the sheet. */
    double pixelsPerMm(double xMm, double yMm) {
        Point here = toPicture(xMm, yMm);
        double across = here.distance(toPicture(xMm + 1, yMm));
        double down = here.distance(toPicture(xMm, yMm + 1));
        return Math.sqrt(across * down);
    }

    /** Corners of a sheet in the picture, clockwise from its top left. */
    List<Point> corners(double widthMm, double heightMm) {
        return List.of(toPicture(0, 0), toPicture(widthMm, 0), toPicture(widthMm, heightMm), toPicture(0, heightMm));
    }

    /** The nine numbers, row by row. */
    public double[] numbers() {
        return h.clone();
    }
}
