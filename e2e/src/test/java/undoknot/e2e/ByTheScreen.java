package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;

/** Does with a stand-in head what the screen proposes, step by step, and nothing else. */
abstract class ByTheScreen extends BrowserTest {

    private static final List<String> WAITS = List.of("Leave it", "It waits", "No power", "Hands out");

    String visit;
    private int checks;

    /** The one large button, once the judgement is there. */
    private Locator large() {
        return page.locator("section[aria-label='What now'] > a, section[aria-label='What now'] > div > button")
                .first();
    }

    /** Faults as "CAUSE SEVERITY CHANNEL", joined by a plus. */
    void standIn(String faults) {
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

    String advised() {
        Locator heading = region(page, "What now").getByRole(AriaRole.HEADING).first();
        assertThat(heading).isVisible();
        return heading.textContent();
    }

    private void backOnTheVisit() {
        page.waitForURL(shop.address + "/visits/" + visit);
    }

    void follow(String advice) {
        if (WAITS.stream().anyMatch(advice::startsWith)) {
            hoursPass(visit, advice.startsWith("No power") ? 3 : 1);
            page.reload();
        } else if (advice.startsWith("Lift it") || advice.startsWith("The wait") || advice.startsWith("End the")) {
            press(page, "Enter");
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
        } else if (advice.equals("Align")) {
            large().click();
            align();
        } else {
            large().click();
            work();
        }
    }

    /** The stand-in prints no lines: every position is taken to look best at its centre. */
    private void align() {
        Locator pass = page.locator("section[aria-label^='Pass ']").first();
        assertThat(pass).isVisible();
        String number = pass.getAttribute("aria-label");
        for (Locator position : pass.getByRole(AriaRole.GROUP).all()) {
            position.getByRole(
                            AriaRole.BUTTON,
                            new Locator.GetByRoleOptions().setName("5").setExact(true))
                    .click();
        }
        button(page, "Enter " + number.toLowerCase()).click();
        assertThat(page.getByText(number + ":").first()).isVisible();
        page.navigate(shop.address + "/visits/" + visit);
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

    void read() {
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
            BrowserTest.lookFirst(page);
            accept.click();
        }
        backOnTheVisit();
    }

    /** Looks where the screen says, at what the stand-in shows, and taps that. */
    void look() {
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
}
