package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A dead drive group of the demo to its quote, by nothing but what the screen proposes; findings that contradict one another. */
class JudgeTest extends BrowserTest {

    private static final int STEPS = 14;

    private String visit;
    private int checks;

    private void openVisit(String serial) {
        visit = shop.jdbc.queryForObject(
                "select cast(v.id as char) from visit v join head h on h.id = v.head_id where h.serial = ?",
                String.class,
                serial);
        page.navigate(shop.address + "/visits/" + visit);
    }

    /** The one large button, once the judgement is there. */
    private Locator large() {
        return page.locator("section[aria-label='What now'] > a, section[aria-label='What now'] > div > button")
                .first();
    }

    private String advised() {
        assertThat(large()).isVisible();
        return region(page, "What now").getByRole(AriaRole.HEADING).first().textContent();
    }

    private void backOnTheVisit() {
        page.waitForURL(shop.address + "/visits/" + visit);
    }

    private void follow(String advice) {
        large().click();
        if (advice.equals("Take the pad out") || advice.startsWith("Check: are contacts")) {
            assertThat(region(page, "What now").getByText(advice)).hasCount(0);
        } else if (advice.startsWith("Read the first") || advice.startsWith("Read a check again")) {
            button(page, "Print a simulated check").click();
            button(page, "Accept as check " + ++checks).click();
            backOnTheVisit();
        } else if (advice.startsWith("Check this: ")) {
            look();
        } else if (advice.startsWith("Light printer cycle")) {
            button(page, "Log these cycles").click();
            backOnTheVisit();
        } else {
            Locator log = button(page, "Log this work").or(button(page, "Given, not timed"));
            assertThat(log).isEnabled();
            boolean byStrokes = button(page, "Given, not timed").count() > 0;
            log.click();
            if (byStrokes) {
                Locator leave = button(page, "Stop here").or(button(page, "Back to the visit"));
                assertThat(leave).isEnabled();
                leave.click();
            }
            backOnTheVisit();
        }
    }

    /** Looks where the screen says, at what the stand-in shows, and taps that. */
    private void look() {
        Locator proposed = page.getByRole(AriaRole.REGION).first();
        assertThat(proposed).hasAccessibleName(Pattern.compile("^Check this: "));
        proposed.getByText("Look at the simulated head").click();
        Locator shows = proposed.getByRole(AriaRole.STATUS);
        assertThat(shows).containsText("(simulated)");
        Matcher seen = Pattern.compile(": (.*) \\(simulated\\)").matcher(shows.textContent());
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

    @ParameterizedTest(name = "{0}: {2}")
    @CsvSource({"OD6-49930, 'Electrical, a drive group', Stop cleaning: quote a replacement"})
    void the_screen_leads_from_the_first_check_to_the_right_advice(String serial, String cause, String right) {
        signIn(page, "wenna");
        openVisit(serial);
        List<String> way = new ArrayList<>();
        String advice = advised();
        while (!advice.equals(right) && way.size() < STEPS) {
            way.add(advice);
            follow(advice);
            advice = advised();
        }
        Assertions.assertEquals(right, advice, "after " + way);
        Assertions.assertTrue(way.get(0).startsWith("Read the first"), "after " + way);
        link(page, "All causes and reasons").click();
        assertThat(heading(page, "What is wrong")).isVisible();
        Locator first = region(page, "Likely causes")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setExpanded(false))
                .first();
        assertThat(first).hasText(cause);
        first.click();
        assertThat(region(page, "Likely causes")).containsText("strongly for");
    }

    @Test
    void a_contradiction_is_named_a_slip_taken_back_and_a_quote_sent() {
        signIn(page, "wenna");
        visit = takeIn(page, "Two Minds");
        check(page, visit, "1-208");
        page.navigate(shop.address + "/visits/" + visit + "/ruleouts");
        choose(group(page, "Findings of Ink there"), "Sponge dry or cartridge empty");
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("sponge dry or cartridge empty (C)");
        choose(group(page, "Findings of Ink there"), "Ink is there");
        assertThat(page.getByText("can hardly both hold")).isVisible();
        button(page, "Take back C: sponge dry or cartridge empty").first().click();
        assertThat(page.getByText("can hardly both hold")).isHidden();
        page.navigate(shop.address + "/visits/" + visit + "/worth");
        page.getByLabel("Price of a replacement head").fill("nothing");
        button(page, "Keep these terms").click();
        assertThat(page.getByText("Enter a number, such as 120 or 2.5.")).isVisible();
        page.getByLabel("Price of a replacement head").fill("180");
        button(page, "Keep these terms").click();
        assertThat(page.getByText("Stopping is advised below a chance of")).isVisible();
        Assertions.assertEquals(
                200,
                page.request()
                        .get(shop.address + "/api/visits/" + visit + "/quote.pdf")
                        .status());
    }
}
