package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.util.List;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** No view has a serious fault for people who see, hear or move otherwise, in light or dark. */
class AccessibleTest extends BrowserTest {

    @ParameterizedTest
    @EnumSource(
            value = ColorScheme.class,
            names = {"LIGHT", "DARK"})
    void no_view_has_a_serious_violation(ColorScheme scheme) {
        page = newPage(scheme);
        page.navigate(shop.address);
        assertThat(button(page, "Sign in")).isVisible();
        look("sign in");
        signIn(page, "oswin");
        look("bench");
        String open = visitOf("TT4-30066");
        String held = visitOf("SL4-22091");
        String returned = visitOf("OD6-47750");
        for (String path : List.of(
                "/take-in",
                "/shelf",
                "/visits/" + open,
                "/visits/" + held,
                "/visits/" + returned,
                "/visits/" + open + "/tag",
                "/visits/" + open + "/facts",
                "/visits/" + open + "/check",
                "/visits/" + open + "/compare",
                "/visits/" + open + "/diagnosis",
                "/visits/" + open + "/attempt/flush",
                "/visits/" + open + "/attempt/soak",
                "/visits/" + open + "/attempt/bath",
                "/visits/" + open + "/attempt/cycle",
                "/visits/" + open + "/return",
                "/visits/" + open + "/history",
                "/visits/" + returned + "/report-that-is-not-there",
                "/api/visits/" + returned + "/report.html")) {
            page.navigate(shop.address + path);
            page.waitForLoadState(LoadState.NETWORKIDLE);
            look(path);
        }
    }

    private String visitOf(String serial) {
        return shop.jdbc.queryForObject(
                "select cast(v.id as char) from visit v join head h on h.id = v.head_id where h.serial = ?",
                String.class,
                serial);
    }

    private void look(String view) {
        List<String> serious = new AxeBuilder(page)
                .analyze().getViolations().stream()
                        .filter(v -> List.of("serious", "critical").contains(v.getImpact()))
                        .map(v -> v.getId() + ": "
                                + v.getNodes().stream()
                                        .limit(3)
                                        .map(n -> n.getHtml() + " " + n.getFailureSummary())
                                        .toList())
                        .toList();
        Assertions.assertEquals(List.of(), serious, view);
    }
}
