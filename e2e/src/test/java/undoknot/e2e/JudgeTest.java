package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A dead drive group of the demo to its quote, by nothing but what the screen proposes; findings that contradict one another. */
class JudgeTest extends ByTheScreen {

    private static final int STEPS = 14;

    private void openVisit(String serial) {
        visit = shop.jdbc.queryForObject(
                "select cast(v.id as char) from visit v join head h on h.id = v.head_id where h.serial = ?",
                String.class,
                serial);
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
        // The next channel is in hand by itself; this one is looked at again.
        choose(group(page, "Channel for ink there"), "C ✓");
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
