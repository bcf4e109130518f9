package undoknot.scan;

import boofcv.abst.fiducial.FiducialDetector;
import boofcv.factory.fiducial.ConfigFiducialBinary;
import boofcv.factory.fiducial.FactoryFiducial;
import boofcv.factory.filter.binary.ConfigThreshold;
import boofcv.factory.filter.binary.ThresholdType;
import boofcv.struct.image.GrayU8;
import georegression.struct.shapes.Polygon2D_F64;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import undoknot.head.CheckLayout;
import undoknot.head.RegistrationMark;

/** Finds the four registration marks of the check paper and lays the sheet through their sixteen corners. */
final class MarkFinder {

    private static final int THRESHOLD_WINDOW = 31;

    private MarkFinder() {}

    static Optional<Plane> find(GrayU8 grey, CheckLayout layout) {
        if (layout.marks() == null) {
            return Optional.empty();
        }
        FiducialDetector<GrayU8> detector = FactoryFiducial.squareBinary(
                new ConfigFiducialBinary(1),
                ConfigThreshold.local(ThresholdType.LOCAL_MEAN, THRESHOLD_WINDOW),
                GrayU8.class);
        detector.detect(grey);
        Polygon2D_F64[] found = new Polygon2D_F64[4];
        for (int i = 0; i < detector.totalFound(); i++) {
            for (int corner = 0; corner < 4; corner++) {
                if (detector.getId(i) == RegistrationMark.number(corner)) {
                    if (found[corner] != null) {
                        return Optional.empty();
                    }
                    found[corner] = detector.getBounds(i, null);
                }
            }
        }
        List<Point> sheet = new ArrayList<>();
        List<Point> picture = new ArrayList<>();
        int seen = 0;
        for (int corner = 0; corner < 4; corner++) {
            if (found[corner] != null) {
                seen++;
                add(layout, corner, found[corner], sheet, picture);
            }
        }
        // Three marks still give twelve places; two leave the far side of the sheet to chance.
        return seen < 3 ? Optional.empty() : Optional.of(Plane.through(sheet, picture));
    }

    /** Bounds come clockwise from the mark's own upper left corner, whichever way the sheet lies. */
    private static void add(
            CheckLayout layout, int corner, Polygon2D_F64 bounds, List<Point> sheet, List<Point> picture) {
        double size = layout.marks().sizeMm();
        double inset = layout.marks().insetMm();
        double x = corner == 0 || corner == 3 ? inset : layout.widthMm() - inset - size;
        double y = corner < 2 ? inset : layout.heightMm() - inset - size;
        double[][] square = {{x, y}, {x + size, y}, {x + size, y + size}, {x, y + size}};
        for (int i = 0; i < 4; i++) {
            sheet.add(new Point(square[i][0], square[i][1]));
            picture.add(new Point(bounds.get(i).x, bounds.get(i).y));
        }
    }
}
