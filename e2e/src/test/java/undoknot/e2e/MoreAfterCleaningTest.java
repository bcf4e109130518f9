package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/**
 * More gaps after the printer's own cleaning: the station is looked at and cleaned before any cycle, two light ones bring the head back,
 * and the station is cleaned once more before it goes. The readings are those of the job, the rest is what the steps say.
 */
class MoreAfterCleaningTest extends ByTheSteps {

    private static final Map<String, String> BEFORE_THE_CLEANING = Map.of("Magenta", "3-7");
    private static final Map<String, String> FIRST = Map.of("Magenta", "3-7, 20-23", "Black", "30-41", "Cyan", "50-55");
    /** The station is clean, the face is not: one gap has moved. */
    private static final Map<String, String> STATION_CLEAN =
            Map.of("Magenta", "3-7, 20-22, 90", "Black", "30-41", "Cyan", "50-55");

    private static final Map<String, String> ONE_CYCLE = Map.of("Magenta", "5", "Black", "30, 35, 40");
    private static final Map<String, String> TWO_CYCLES = Map.of("Magenta", "5", "Black", "30");

    private final Deque<Map<String, String>> readings =
            new ArrayDeque<>(List.of(FIRST, STATION_CLEAN, ONE_CYCLE, TWO_CYCLES));

    private void enter(String where, Map<String, String> missing) {
        page.navigate(shop.address + "/visits/" + visit + where);
        button(page, "All channels fire").click();
        missing.forEach((colour, nozzles) -> {
            page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("^" + colour)))
                    .click();
            page.getByLabel("Missing in " + colour.toLowerCase(java.util.Locale.ROOT))
                    .fill(nozzles);
            button(page, "Set").click();
        });
        button(page, "Keep this check").click();
        page.waitForURL(shop.address + "/visits/" + visit);
    }

    /** The page that proves it shows the same as the check before it. */
    @Override
    void read() {
        enter("/check", readings.size() > 1 ? readings.pop() : readings.peek());
    }

    private int looks;

    @Override
    void look() {
        String found = looks == 0 ? "Crust, ragged wiper or dry sponge" : "Station clean";
        looks++;
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + found)))
                .first()
                .click();
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText(found.substring(1, 7));
        page.navigate(shop.address + "/visits/" + visit);
    }

    private int counted(String sql) {
        return shop.jdbc.queryForObject(sql, Integer.class, visit);
    }

    @Test
    void the_station_comes_first_and_last() throws IOException {
        signIn(page, "wenna");
        visit = takeInByScreen(page, "Hester Vane", "Orsel D6", "More gaps after a cleaning");
        enter("/check?kept", BEFORE_THE_CLEANING);
        assertThat(heading(page, "Read the first nozzle check")).isVisible();
        press(page, "Enter");
        read();
        comparesWithTheKeptCheck();
        runsNoStrongCycleUnseen();
        leadToTheEnd();
        String work = "select count(*) from attempt where visit_id = ? and withdrawn_reason is null and ";
        assertEquals(2, counted(work + "record like '%STATION%'"), way::toString);
        assertEquals(2, counted(work + "kind = 'CYCLE'"), way::toString);
        assertEquals(0, counted(work + "kind in ('FLUSH', 'SOAK', 'BATH')"), way::toString);
        signsOff();
    }

    private void comparesWithTheKeptCheck() {
        page.navigate(shop.address + "/visits/" + visit + "/compare");
        assertThat(region(page, "The whole head")).containsText("22 newly out");
    }

    private void runsNoStrongCycleUnseen() {
        page.navigate(shop.address + "/visits/" + visit + "/attempt/cycle");
        button(page, "Strong").click();
        button(page, "The customer asked").click();
        button(page, "Log these cycles").click();
        assertThat(page.getByText("nobody has looked at the service station")).isVisible();
        button(page, "Throw it away").click();
        assertEquals(0, counted("select count(*) from attempt where visit_id = ?"));
    }

    private void signsOff() throws IOException {
        page.navigate(shop.address + "/visits/" + visit + "/return");
        // What the checks prove is proposed.
        assertThat(button(page, "Recovered")).hasAttribute("aria-pressed", "true");
        page.getByLabel("Minutes of hands").fill("18");
        button(page, "Reckon it up").click();
        assertThat(page.getByText("Hands, 18 minutes")).isVisible();
        button(page, "Sign off and return").click();
        assertThat(heading(page, "Recovered")).isVisible();
        byte[] report = page.request()
                .get(shop.address + "/api/visits/" + visit + "/report.pdf")
                .body();
        try (PDDocument pdf = Loader.loadPDF(report)) {
            String text = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
            for (String said : List.of(
                    "27 out before, 2 out now",
                    "Cleaning station cleaned, twice; cleaned by the printer itself, lightly, twice",
                    "Told: a check of",
                    "5 attempts, 2 printer cycles",
                    "Found and dealt with: crust, ragged wiper or dry sponge",
                    "Clean the cap, the wiper and the drain once a month.",
                    "look at cap and trough before it is repeated")) {
                assertTrue(text.contains(said), () -> said + " in " + text);
            }
        }
    }
}
