package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.deque.html.axecore.args.AxeRunOnlyOptions;
import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.util.List;
import org.junit.jupiter.api.Assertions;

/** No view has a serious fault for people who see, hear or move otherwise, in light or dark. */
abstract class AccessibleViews extends BrowserTest {

    /** Views whose entries, blocks and buttons other views show as well: their colours are looked at there. */
    private static final List<String> SAME_COLOURS = List.of(
            "/families/VENNICK-B3",
            "/attempt/soak",
            "/attempt/bath",
            "/attempt/handwork",
            "/attempt/cycle",
            "/facts",
            "/tag",
            "/read",
            "/diagnosis",
            "/causes",
            "/worth",
            "/history",
            "/house-rules",
            "/sums/OPEN_SHARE",
            "/sums/TRAY",
            "/report-that-is-not-there",
            "/report.html");

    /** Structure is the same in both schemes; in the dark one only the colours are other ones. */
    void noViewHasASeriousViolation(ColorScheme scheme) {
        onlyColours = scheme == ColorScheme.DARK;
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
                "/families",
                "/families/VENNICK-B3",
                "/visits/" + visitOf("PM5-61120") + "/steps",
                "/visits/" + visitOf("HW8-00644") + "/steps",
                "/visits/" + open,
                "/visits/" + held,
                "/visits/" + returned,
                "/visits/" + visitOf("HW8-01402"),
                "/visits/" + visitOf("VB3-10027"),
                "/visits/" + visitOf("VB3-10027") + "/parts",
                "/visits/" + visitOf("OD6-51002") + "/parts",
                "/visits/" + visitOf("VB3-09941") + "/align",
                "/visits/" + visitOf("VB3-10027") + "/return",
                "/visits/" + visitOf("HW8-01402") + "/attempt/cycle",
                "/t/" + tagOf("HW8-01402"),
                "/visits/" + open + "/tag",
                "/visits/" + open + "/facts",
                "/visits/" + open + "/check",
                "/visits/" + open + "/compare",
                "/visits/" + open + "/read",
                "/layouts",
                "/visits/" + open + "/diagnosis",
                "/visits/" + open + "/attempt/flush",
                "/visits/" + open + "/attempt/soak",
                "/visits/" + open + "/attempt/bath",
                "/visits/" + open + "/attempt/cycle",
                "/visits/" + open + "/attempt/handwork",
                "/visits/" + open + "/ruleouts",
                "/visits/" + open + "/causes",
                "/visits/" + open + "/worth",
                "/visits/" + open + "/plan",
                "/visits/" + open + "/run",
                "/accounts",
                "/sums/SYRINGE",
                "/sums/OPEN_SHARE",
                "/sums/TRAY",
                "/house-rules",
                "/visits/" + open + "/return",
                "/visits/" + open + "/history",
                "/visits/" + returned + "/report-that-is-not-there",
                "/api/visits/" + returned + "/report.html")) {
            if (onlyColours && SAME_COLOURS.stream().anyMatch(path::endsWith)) {
                continue;
            }
            page.navigate(shop.address + path);
            page.waitForLoadState(LoadState.NETWORKIDLE);
            look(path);
        }
        lookAtAChangedPlan(open);
        lookAtScans();
    }

    /** A plan that is changed, with an attempt that goes past a limit. */
    private void lookAtAChangedPlan(String open) {
        page.navigate(shop.address + "/visits/" + open + "/plan");
        button(page, "Change the plan").click();
        assertThat(page.getByText("it comes to it", new Page.GetByTextOptions()).first())
                .isVisible();
        look("a plan being changed");
    }

    /** A scan being settled, corners being placed, a coarse reading, a layout being made. */
    private void lookAtScans() {
        page.navigate(shop.address + "/visits/" + visitOf("OD6-51002") + "/read");
        button(page, "Print a simulated check").click();
        assertThat(heading(page, "Totals")).isVisible();
        look("a scan that was read");
        button(page, "Place the corners by hand").click();
        assertThat(heading(page, "Corners of the sheet")).isVisible();
        look("corners by hand");
        page.navigate(shop.address + "/visits/" + visitOf("OD6-51002") + "/check");
        button(page, "Bars, stream or pad").click();
        assertThat(page.getByText("It cannot tell")).isVisible();
        look("bars");
        page.navigate(shop.address + "/layouts");
        button(page, "Make one like it").click();
        assertThat(heading(page, "Pattern of every block")).isVisible();
        look("a layout being made");
    }

    private String tagOf(String serial) {
        return shop.jdbc.queryForObject(
                "select tag from visit v join head h on h.id = v.head_id where h.serial = ?", String.class, serial);
    }

    private String visitOf(String serial) {
        return shop.jdbc.queryForObject(
                "select cast(v.id as char) from visit v join head h on h.id = v.head_id where h.serial = ?",
                String.class,
                serial);
    }

    private boolean onlyColours;

    private void look(String view) {
        look(page, view, onlyColours);
    }

    static void look(Page page, String view, boolean onlyColours) {
        // Only what is wrong is told, and no second page is opened to tell it: there are no frames on ours.
        AxeRunOptions options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        if (onlyColours) {
            AxeRunOnlyOptions contrast = new AxeRunOnlyOptions();
            contrast.setType("rule");
            contrast.setValues(List.of("color-contrast"));
            options.setRunOnly(contrast);
        }
        AxeBuilder axe = new AxeBuilder(page).options(options).setLegacyMode(true);
        List<String> serious = axe.analyze().getViolations().stream()
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
