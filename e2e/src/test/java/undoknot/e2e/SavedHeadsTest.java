package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Stand-in heads of ten causes and two pairs, from take-in to the saved head by nothing but what the screen proposes. */
class SavedHeadsTest extends BrowserTest {

    private static final int STEPS = 60;

    private static final List<String> WAITS = List.of("Leave it", "It waits", "No power", "Hands out");

    private String visit;
    private int checks;

    /** The one large button, once the judgement is there. */
    private Locator large() {
        return page.locator("section[aria-label='What now'] > a, section[aria-label='What now'] > div > button")
                .first();
    }

    private String advised() {
        Locator heading = region(page, "What now").getByRole(AriaRole.HEADING).first();
        assertThat(heading).isVisible();
        return heading.textContent();
    }

    private void backOnTheVisit() {
        page.waitForURL(shop.address + "/visits/" + visit);
    }

    private void follow(String advice) {
        if (WAITS.stream().anyMatch(advice::startsWith)) {
            hoursPass(visit, advice.startsWith("No power") ? 3 : 1);
            page.reload();
        } else if (advice.startsWith("Lift it") || advice.startsWith("The wait") || advice.startsWith("End the")) {
            page.keyboard().press("Enter");
            assertThat(region(page, "What now").getByRole(AriaRole.HEADING).first())
                    .not()
                    .hasText(advice);
        } else if (advice.startsWith("Check this: ")) {
            large().click();
            look();
        } else if (advice.startsWith("Read ")) {
            large().click();
            read();
        } else if (advice.startsWith("Light printer cycle")) {
            large().click();
            button(page, "Log these cycles").click();
            backOnTheVisit();
        } else if (advice.startsWith("Check: are contacts")) {
            region(page, "What now").getByText("Both dry").click();
            assertThat(region(page, "What now").getByText(advice)).hasCount(0);
        } else if (advice.equals("Take the pad out") || advice.startsWith("Refit")) {
            large().click();
            assertThat(region(page, "What now").getByText(advice)).hasCount(0);
        } else {
            large().click();
            work();
        }
    }

    private void work() {
        Locator log = button(page, "Log this work")
                .or(button(page, "Given, not timed"))
                .or(button(page, "Start the soak"));
        assertThat(log).isEnabled();
        // What is advised is done without being asked why.
        assertThat(button(page, "The customer asked")).hasCount(0);
        boolean byStrokes = button(page, "Given, not timed").count() > 0;
        log.click();
        if (byStrokes) {
            Locator leave = button(page, "Stop here").or(button(page, "Back to the visit"));
            assertThat(leave).isEnabled();
            leave.click();
        }
        backOnTheVisit();
    }

    private void read() {
        button(page, "Print a simulated check").click();
        Locator accept = button(page, "Accept as check " + (checks + 1));
        Locator none = page.getByText("The stand-in cannot print").first();
        assertThat(accept.or(none)).isVisible();
        checks++;
        if (none.isVisible()) {
            page.navigate(shop.address + "/visits/" + visit + "/check");
            button(page, "No check possible").click();
            page.getByLabel("Why not").fill("the stand-in shows an error");
            button(page, "Keep this check").click();
        } else {
            accept.click();
        }
        backOnTheVisit();
    }

    /** Looks where the screen says, at what the stand-in shows, and taps that. */
    private void look() {
        Locator proposed = page.getByRole(AriaRole.REGION).first();
        assertThat(proposed).hasAccessibleName(Pattern.compile("^Check this: "));
        proposed.getByText("Look at the simulated head").click();
        Locator shows = proposed.getByRole(AriaRole.STATUS);
        assertThat(shows).containsText("(simulated)");
        Matcher seen =
                Pattern.compile(": (.*?)(, and by the way .*)? \\(simulated\\)").matcher(shows.textContent());
        Assertions.assertTrue(seen.find());
        String finding =
                seen.group(1).substring(0, 1).toUpperCase() + seen.group(1).substring(1);
        choose(
                proposed.getByRole(
                        AriaRole.GROUP, new Locator.GetByRoleOptions().setName(Pattern.compile("^Findings of"))),
                finding);
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText(seen.group(1));
        page.navigate(shop.address + "/visits/" + visit);
    }

    @ParameterizedTest(name = "{2}")
    @CsvSource({
        "Orsel D6, Gaps in one colour, DRIED_INK MILD C",
        "Pellam M5, Gaps in one colour, AIR FIRM M",
        "Pellam M5, Starves down the sheet, SUPPLY_RESTRICTED FIRM Y",
        "Vennick B3, One colour gone, CARTRIDGE_FAULT FIRM M",
        "Vennick B3, More gaps after a cleaning, SERVICE_STATION MILD C",
        "Hulver W8, Gaps in one colour, FACE_DEBRIS MILD LK",
        "Skerrin L4, Smears at one edge or height, CARRIAGE_DIRT FIRM C",
        "Pellam M5, Head error at power-on, CONTACTS FIRM G",
        "Vennick B3, 'Banding, all nozzles firing', ALIGNMENT_ENCODER FIRM C",
        "Vennick B3, Gaps in several, UNSUITABLE_INK MILD C",
        "Pellam M5, Gaps in one colour, AIR FIRM M + CARRIAGE_DIRT FIRM M",
        "Vennick B3, One colour gone, CARTRIDGE_FAULT FIRM M + DRIED_INK MILD C"
    })
    void the_screen_leads_from_take_in_to_the_saved_head(String family, String symptom, String faults) {
        signIn(page, "wenna");
        visit = takeIn(page, "Saved by the screen", family, symptom);
        standIn(faults);
        List<String> way = new ArrayList<>();
        page.navigate(shop.address + "/visits/" + visit);
        while (way.size() < STEPS) {
            String advice = advised();
            if (advice.equals("Finish and return")) {
                return;
            }
            way.add(advice);
            Assertions.assertFalse(advice.startsWith("Not ") || advice.startsWith("Stop"), "given up after " + way);
            follow(advice);
        }
        Assertions.fail("no end after " + way);
    }

    /** Faults as "CAUSE SEVERITY CHANNEL", joined by a plus. */
    private void standIn(String faults) {
        List<String> json = new ArrayList<>();
        for (String fault : faults.split(" \\+ ")) {
            String[] part = fault.split(" ");
            json.add("{\"cause\":\"%s\",\"severity\":\"%s\",\"channel\":\"%s\"}".formatted(part[0], part[1], part[2]));
        }
        shop.jdbc.update(
                "insert into stand_in (head_id, faults, seed) select head_id, ?, 7 from visit where id = ?",
                json.toString(),
                visit);
    }
}
