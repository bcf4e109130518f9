package undoknot.scan;

/** A place, on the sheet in millimetres or in the picture in pixels, x to the right and y down. */
public record Point(double x, double y) {

    double distance(Point o) {
        return Math.hypot(x - o.x, y - o.y);
    }
}
