package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Two people at one visit: the second is told, and nothing is silently overwritten. */
class TwoAtOnceTest extends BrowserTest {

    @Test
    void the_second_chooses_entry_by_entry() {
        signIn(page, "wenna");
        String visit = takeIn(page, "Both Hands Press");
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        page.navigate(shop.address + "/visits/" + visit + "/facts");
        lead.navigate(shop.address + "/visits/" + visit + "/facts");
        entry(page, "Contact").fill("hers");
        entry(page, "Price limit").fill("80");
        entry(lead, "Contact").fill("his");
        lead.reload();
        assertThat(entry(lead, "Contact")).hasValue("his");
        doubleTap(button(page, "Save the changed facts"));
        page.waitForURL(shop.address + "/visits/" + visit);

        button(lead, "Save the changed facts").click();
        assertThat(lead.getByText("Somebody changed this while you were at it")).isVisible();
        assertThat(group(lead, "Contact")).containsText("Theirs: hers");
        assertThat(group(lead, "Contact")).containsText("Mine: his");
        choose(group(lead, "Price limit"), "Theirs: 80");
        button(lead, "Take this choice").click();
        assertThat(entry(lead, "Contact")).hasValue("his");
        assertThat(entry(lead, "Price limit")).hasValue("80");
        button(lead, "Save the changed facts").click();
        lead.waitForURL(shop.address + "/visits/" + visit);
        assertThat(lead.getByText("80 EUR")).isVisible();
        page.reload();
        assertThat(page.getByText("his", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    @Test
    void a_check_amended_by_two_keeps_both_readings_in_the_history() {
        signIn(page, "wenna");
        String visit = takeIn(page, "Both Eyes Press");
        check(page, visit, "1-9");
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        lead.navigate(shop.address + "/visits/" + visit);
        link(page, "Amend check 1").click();
        link(lead, "Amend check 1").click();
        page.getByLabel("Note: paper, rest, light").fill("her note");
        lead.getByLabel("Missing in cyan").fill("20");
        press(lead, "Enter");
        assertThat(lead.getByText("Cyan: 10 out")).isVisible();
        doubleTap(button(page, "Save the amended check"));
        page.waitForURL(shop.address + "/visits/" + visit);
        button(lead, "Save the amended check").click();
        assertThat(lead.getByText("Somebody changed this while you were at it")).isVisible();
        assertThat(group(lead, "Reading")).containsText("Theirs: C 9 out");
        choose(group(lead, "Note"), "Theirs: her note");
        button(lead, "Take this choice").click();
        button(lead, "Save the amended check").click();
        lead.waitForURL(shop.address + "/visits/" + visit);
        lead.navigate(shop.address + "/visits/" + visit + "/history");
        assertThat(lead.getByText(Pattern.compile("C 9 out; .*C 10 out", Pattern.DOTALL)))
                .isVisible();
    }

    /** A page that is not told looks after minutes only. */
    @Test
    void what_one_does_the_other_hears_of() {
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        assertThat(heading(lead, "The bench")).isVisible();
        signIn(page, "wenna");
        String visit = takeIn(page, "Far Bench Press");
        assertThat(lead.getByText("Far Bench Press")).isVisible(SOON);
        lead.navigate(shop.address + "/visits/" + visit);
        assertThat(region(lead, "What now")).isVisible();
        check(page, visit, "1-9");
        assertThat(link(lead, "Amend check 1")).isVisible(SOON);
    }

    /** The page says that it hears nothing, and what happened meanwhile is there once it hears again. */
    @Test
    void a_page_whose_line_is_cut_says_so_and_catches_up() {
        signIn(page, "wenna");
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        assertThat(heading(lead, "The bench")).isVisible();
        lead.route("**/api/changes*", Route::abort);
        lead.reload();
        assertThat(lead.getByText("This page hears of no changes since"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(10_000));
        takeIn(page, "Cut Line Press");
        lead.unroute("**/api/changes*");
        assertThat(lead.getByText("Cut Line Press"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(8_000));
        assertThat(lead.getByText("This page hears of no changes since")).isHidden();
    }
}
