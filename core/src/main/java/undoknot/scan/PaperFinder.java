package undoknot.scan;

import boofcv.alg.filter.binary.GThresholdImageOps;
import boofcv.alg.filter.binary.ThresholdImageOps;
import boofcv.alg.misc.PixelMath;
import boofcv.alg.shapes.polygon.DetectPolygonBinaryGrayRefine;
import boofcv.factory.shape.ConfigPolygonDetector;
import boofcv.factory.shape.FactoryShapeDetector;
import boofcv.struct.image.GrayU8;
import georegression.struct.shapes.Polygon2D_F64;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import undoknot.head.CheckLayout;

/** Finds the sheet by its edges where it lies on something darker. */
final class PaperFinder {

    private static final double LEAST_SHARE = 0.2;

    private PaperFinder() {}

    /** The sheet's corners in the picture, clockwise, the first one any of the four; empty when no edge is seen. */
    static Optional<List<Point>> corners(GrayU8 grey) {
        // The detector looks for dark shapes; the sheet is a bright one.
        GrayU8 inverse = new GrayU8(grey.width, grey.height);
        PixelMath.minus(255, grey, inverse);
        GrayU8 binary = new GrayU8(grey.width, grey.height);
        int threshold = (int) GThresholdImageOps.computeOtsu(inverse, 0, 255);
        ThresholdImageOps.threshold(inverse, binary, threshold, true);
        ConfigPolygonDetector config = new ConfigPolygonDetector(4, 4);
        config.detector.minimumContour.setRelative(0.5, 0);
        config.detector.canTouchBorder = false;
        DetectPolygonBinaryGrayRefine<GrayU8> detector = FactoryShapeDetector.polygon(config, GrayU8.class);
        detector.process(inverse, binary);
        Polygon2D_F64 best = null;
        for (Polygon2D_F64 polygon : detector.getPolygons(null, null)) {
            if (best == null || polygon.areaSimple() > best.areaSimple()) {
                best = polygon;
            }
        }
        if (best == null || best.areaSimple() < LEAST_SHARE * grey.width * grey.height) {
            return Optional.empty();
        }
        List<Point> corners = new ArrayList<>();
        double turn = 0;
        for (int i = 0; i < 4; i++) {
            corners.add(new Point(best.get(i).x, best.get(i).y));
            var a = best.get(i);
            var b = best.get((i + 1) % 4);
            turn += a.x * b.y - b.x * a.y;
        }
        if (turn < 0) {
            java.util.Collections.reverse(corners);
        }
        return Optional.of(corners);
    }

    /** Planes for the two ways that lay the sheet's longer side along the picture's longer one. */
    static List<Plane> planes(List<Point> corners, CheckLayout layout) {
        List<Point> sheet = List.of(
                new Point(0, 0),
                new Point(layout.widthMm(), 0),
                new Point(layout.widthMm(), layout.heightMm()),
                new Point(0, layout.heightMm()));
        double first = corners.get(0).distance(corners.get(1)) + corners.get(2).distance(corners.get(3));
        double second = corners.get(1).distance(corners.get(2)) + corners.get(3).distance(corners.get(0));
        boolean wide = layout.widthMm() >= layout.heightMm();
        int begin = first >= second == wide ? 0 : 1;
        List<Plane> planes = new ArrayList<>();
        for (int turn = begin; turn < 4; turn += 2) {
            List<Point> picture = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                picture.add(corners.get((i + turn) % 4));
            }
            planes.add(Plane.through(sheet, picture));
        }
        return planes;
    }
}
