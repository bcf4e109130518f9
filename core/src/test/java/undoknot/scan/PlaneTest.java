package undoknot.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class PlaneTest {

    private static final List<Point> SHEET =
            List.of(new Point(0, 0), new Point(100, 0), new Point(100, 50), new Point(0, 50));

    @Test
    void a_sheet_laid_straight_is_scaled_and_moved() {
        Plane plane = Plane.through(
                SHEET, List.of(new Point(10, 20), new Point(410, 20), new Point(410, 220), new Point(10, 220)));
        assertPlace(plane.toPicture(25, 25), 110, 120);
        assertThat(plane.pixelsPerMm(50, 25)).isCloseTo(4, within(1e-6));
    }

    /** Where the far edge looks half as wide as the near one, the middle of the sheet lies nearer to the far edge. */
    @Test
    void a_slanted_sheet_keeps_straight_lines_straight() {
        Plane plane = Plane.through(
                SHEET, List.of(new Point(100, 0), new Point(300, 0), new Point(400, 300), new Point(0, 300)));
        // The diagonals of the picture's quadrilateral cross at a third of its height from the far edge.
        assertPlace(plane.toPicture(50, 25), 200, 100);
    }

    @Test
    void changes_follow_one_another() {
        Plane plane = Plane.of(2, 0, 0, 0, 2, 0, 0, 0, 1);
        assertPlace(plane.moved(3, -1).toPicture(1, 1), 8, 0);
        assertPlace(plane.scaledPicture(0.5).toPicture(7, 9), 7, 9);
    }

    @Test
    void three_places_are_not_enough() {
        assertThatThrownBy(() -> Plane.through(SHEET.subList(0, 3), SHEET.subList(0, 3)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("had 3");
    }

    private static void assertPlace(Point point, double x, double y) {
        assertThat(point.x()).isCloseTo(x, within(1e-6));
        assertThat(point.y()).isCloseTo(y, within(1e-6));
    }
}
