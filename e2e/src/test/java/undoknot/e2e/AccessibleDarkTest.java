package undoknot.e2e;

import com.microsoft.playwright.options.ColorScheme;
import org.junit.jupiter.api.Test;

/** A class of its own, so that light and dark are looked at side by side. */
class AccessibleDarkTest extends AccessibleViews {

    @Test
    void no_view_has_a_serious_violation() {
        noViewHasASeriousViolation(ColorScheme.DARK);
    }
}
