package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Two heads gone through by one pedal, and one head gone through by two people. */
class TwoHeadsByPedalTest extends PedalTest {

    private String tag(String visit) {
        return shop.jdbc.queryForObject("select tag from visit where id = ?", String.class, visit);
    }

    private String title() {
        return now().getByRole(AriaRole.HEADING).innerText();
    }

    /** Short presses, each with its step, until this one is in hand. */
    private void upTo(String wanted) {
        for (String title = title(); !title.contains(wanted); title = title()) {
            press();
            assertThat(now().getByRole(AriaRole.HEADING)).not().hasText(title);
        }
    }

    /** Strokes of each work that was logged. */
    private List<Integer> strokes(String visit) {
        return shop.jdbc.queryForList(
                "select coalesce(json_length(record, '$.strokes'), 0) from attempt where visit_id = ?",
                Integer.class,
                visit);
    }

    @Test
    void while_one_head_soaks_the_other_is_flushed_and_the_first_calls_when_its_time_is_over() {
        signIn(page, "wenna");
        String flushed = planned("Flushed Meanwhile Press", StepByStepTest.FLUSH);
        press();
        assertThat(now()).isVisible();
        String soaks = planned("Soaks Meanwhile Press", "{\"method\":\"PAD\",\"minutes\":20}");
        press();
        assertThat(now()).isVisible();
        upTo("Lay the wet pad");
        take("Why something else?", "The customer asked");
        take("Cartridges taken off for it?", "Yes");
        press();
        assertThat(now().getByRole(AriaRole.TIMER)).isVisible();

        // It waits: a press leads to the head that wants hands, one whose time is over before one that was begun.
        String other =
                now().getByText(Pattern.compile("Pedal: go to")).innerText().replaceAll("(?s).*go to (\\w+).*", "$1");
        press();
        assertThat(page).not().hasURL(shop.address + "/visits/" + soaks + "/run");
        assertThat(page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName(other).setExact(true)))
                .isVisible();
        // The other one stands where it was left.
        steps(page, flushed);
        assertThat(now().getByRole(AriaRole.HEADING)).containsText("Lay out fluid");
        upTo("Stand the open bottle");
        warm();
        take("Why something else?", "The customer asked");
        // Longer over than any other, so that it calls first.
        hoursPass(soaks, 9);
        Locator calls = region(page, "Another head");
        assertThat(calls).containsText(tag(soaks) + " calls");
        // What the hand has begun it ends first.
        stroke("Yellow", "Tinted");
        calls.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Go to " + tag(soaks)))
                .click();
        page.waitForURL(shop.address + "/visits/" + soaks + "/run");
        assertThat(now().getByRole(
                                AriaRole.BUTTON,
                                new Locator.GetByRoleOptions().setName(Pattern.compile("^It is over"))))
                .isVisible();
        press();
        tap("Pad out");
        assertThat(now().getByRole(AriaRole.HEADING)).containsText("Mains on");
        assertEquals(List.of(1), strokes(flushed));
        assertEquals(List.of(0), strokes(soaks));
    }

    @Test
    void somebody_else_goes_on_at_the_port_where_the_first_one_stood() {
        signIn(page, "wenna");
        String visit = planned("Handed Over Press", StepByStepTest.FLUSH);
        toTheFirstPort();
        stroke("Yellow", "Tinted");
        Page first = page;

        page = newPage(ColorScheme.DARK);
        signIn(page, "oswin");
        steps(page, visit);
        assertThat(page.getByText("Wenna Tarvick has it in hand since")).isVisible();
        button(page, "Take it over").click();
        assertThat(first.getByText("Oswin Pell has it in hand since")).isVisible();
        take("The pad under this port", "Fresh one laid");
        stroke("Cyan", "Like fresh fluid");
        assertThat(now().getByRole(AriaRole.HEADING)).containsText("Magenta");
        // The page of the first shows how far the second is, and asks for nothing that was answered.
        assertThat(region(first, "Now").getByRole(AriaRole.HEADING)).containsText("Magenta");
        assertEquals(List.of(2), strokes(visit));
        assertEquals(
                "Wenna Tarvick",
                shop.jdbc.queryForObject("select taken_from from in_hand where id = ?", String.class, visit));
    }
}
