package undoknot.scan;

/** A place, on the sheet in millimetres or in the picture in pixels, x to the right and y down. */
public record Point(double x, double y) {

    double distance(Point o) {
        return Math.hypot(x - o.x, y - o.y);
    }

    /** The same place when the picture is made larger or smaller by a factor. */
    public Point scaled(double factor) {
        return new Point(x * factor, y * factor);
    }
}
