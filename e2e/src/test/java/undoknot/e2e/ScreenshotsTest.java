package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.ScreenshotAnimations;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** Takes the pictures of the README anew from the demo data: ./test -Dscreenshots=true verify. */
@EnabledIfSystemProperty(named = "screenshots", matches = "true")
class ScreenshotsTest extends BrowserTest {

    private static final Path FOLDER = Path.of("../docs/screenshots");

    private String of(String serial) {
        return shop.address + "/visits/"
                + shop.jdbc.queryForObject(
                        "select cast(v.id as char) from visit v join head h on h.id = v.head_id where h.serial = ? order by v.opened_at desc limit 1",
                        String.class,
                        serial);
    }

    private void take(Page at, String address, String name) {
        at.navigate(address);
        at.waitForLoadState(LoadState.NETWORKIDLE);
        shoot(at, name);
    }

    private void shoot(Page at, String name) {
        at.screenshot(new Page.ScreenshotOptions()
                .setAnimations(ScreenshotAnimations.DISABLED)
                .setPath(FOLDER.resolve(name + ".png")));
    }

    /** Up to the first stroke. */
    private void stepByStep() {
        page.navigate(of("HW8-00917") + "/run");
        button(page, "Begin").click();
        var now = region(page, "Now");
        var start = now.getByText(Pattern.compile("^Start"));
        assertThat(now).isVisible();
        var title = now.getByRole(com.microsoft.playwright.options.AriaRole.HEADING);
        for (String said = title.innerText(); !said.startsWith("Magenta"); said = title.innerText()) {
            now.getByText(Pattern.compile("^Done")).click();
            assertThat(title).not().hasText(said);
        }
        assertThat(start).isVisible();
        shoot(page, "step-by-step");
        button(page, "Leave these steps").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }

    @Test
    void every_main_view() throws Exception {
        Files.createDirectories(FOLDER);
        signIn(page, "wenna");
        take(page, shop.address + "/", "bench");
        page.navigate(of("TT4-30066"));
        // The advice is weighed after the visit is there.
        assertThat(page.locator("section[aria-label='What now'] > a").first()).isVisible();
        page.waitForLoadState(LoadState.NETWORKIDLE);
        shoot(page, "visit");
        take(page, of("HW8-00644") + "/steps", "steps");
        take(page, of("TT4-28817") + "/check", "check-empty");
        button(page, "All channels fire").click();
        page.getByLabel("Missing in black").fill("12-18, 40, 77-81");
        button(page, "Set").click();
        assertThat(page.getByText("Black: 13 out")).isVisible();
        shoot(page, "check");
        Files.delete(FOLDER.resolve("check-empty.png"));
        button(page, "Throw it away").click();
        take(page, of("VB3-10027") + "/parts", "off-and-back");
        take(page, of("VB3-09941") + "/align", "align");
        stepByStep();
        take(page, of("VB3-10385") + "/attempt/flush", "flush-sum");
        button(page, "Given, not timed").click();
        assertThat(page.getByText("Stroke 1: 3 mL not timed")).isVisible();
        page.getByRole(
                        com.microsoft.playwright.options.AriaRole.BUTTON,
                        new com.microsoft.playwright.Page.GetByRoleOptions()
                                .setName(java.util.regex.Pattern.compile("^Went in stiffly")))
                .click();
        shoot(page, "flush");
        Files.delete(FOLDER.resolve("flush-sum.png"));
        take(page, of("HW8-00917") + "/ruleouts", "ruleouts");
        page.navigate(of("TT4-30066") + "/causes");
        button(page, "Service station").click();
        assertThat(page.getByText("newly out in").first()).isVisible();
        shoot(page, "causes");
        take(page, of("TT4-28817") + "/worth", "worth");
        take(page, of("TT4-28817") + "/plan", "plan");
        take(page, shop.address + "/house-rules", "house-rules");
        take(page, of("VB3-09941") + "/return", "return");
        page.navigate(of("HW8-01120") + "/read");
        select(page, "How it is scanned", Pattern.compile("^Folded"));
        button(page, "Print a simulated check").click();
        assertThat(heading(page, "Totals")).isVisible();
        page.waitForLoadState(LoadState.NETWORKIDLE);
        shoot(page, "read");
        page.navigate(shop.address + "/take-in");
        entry(page, "Serial").fill("OD6-48213");
        button(page, "Take this head").click();
        shoot(page, "take-in");
        button(page, "Throw this take-in away").click();
        take(page, of("OD6-48213").replace("/visits/", "/api/visits/") + "/report.html", "report");

        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        lead.navigate(shop.address + "/day/trial");
        group(lead, "Oswin Pell").getByLabel("Works at the bench").check();
        button(lead, "Make these the real ones").click();
        assertThat(lead.getByText("These are the hours and places now.")).isVisible();
        lead.navigate(shop.address + "/day");
        button(lead, "Propose the day").click();
        assertThat(group(lead, "Picture of the day")).isVisible();
        lead.evaluate("document.querySelector('section[aria-label=Next]').scrollIntoView()");
        shoot(lead, "day");
        lead.navigate(shop.address + "/accounts");
        lead.getByLabel("Where the screen hangs").fill("Over the sink");
        button(lead, "Make a link").click();
        String wall = lead.locator("a[href^='/wall/']").getAttribute("href");
        lead.navigate(shop.address + wall);
        assertThat(heading(lead, "The bench")).isVisible();
        shoot(lead, "wall");
        try (var files = Files.list(FOLDER)) {
            Assertions.assertTrue(
                    files.filter(f -> Pattern.matches(".*\\.png", f.toString())).count() < 20);
        }
    }
}
