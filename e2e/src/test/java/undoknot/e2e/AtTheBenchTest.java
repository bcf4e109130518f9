package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The home view: what wants hands, what must not be touched, and finding a head. */
class AtTheBenchTest extends BrowserTest {

    private String tagOf(String serial) {
        return shop.jdbc.queryForObject(
                "select tag from visit v join head h on h.id = v.head_id where h.serial = ? order by v.opened_at desc limit 1",
                String.class,
                serial);
    }

    @Test
    void shows_what_wants_hands_and_what_must_not_be_powered() {
        signIn(page, "wenna");
        assertThat(region(page, "Hands and holds")).containsText("Hands: soak at the port: G is over");
        assertThat(region(page, "Hands and holds")).containsText("No power: it dries");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^" + tagOf("SL4-22091"))))
                .click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No power until");
        // Only a lead ends a hold early, and says why.
        assertThat(button(page, "End it early")).hasCount(0);
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        lead.navigate(page.url());
        button(lead, "End it early").click();
        button(lead, "End the hold").click();
        assertThat(lead.getByText(Pattern.compile("^This hold still runs"))).isVisible();
        button(lead, "Let it dry").click();
        assertThat(lead.getByRole(AriaRole.ALERT)).containsText("No power until");
    }

    @Test
    void a_scanner_that_types_opens_the_visit_from_anywhere() {
        signIn(page, "wenna");
        String tag = tagOf("HW8-00917");
        link(page, "Shelf").click();
        assertThat(heading(page, "The shelf")).isVisible();
        scan(page, tag);
        assertThat(heading(page, tag)).isVisible();
        // On a visit single letters are keys; the signs of a scan must not set them off.
        String other = tagOf("SL4-22091");
        scan(page, other);
        assertThat(heading(page, other)).isVisible();
        link(page, "Bench").click();
        assertThat(heading(page, "The bench")).isVisible();
        scan(page, tag);
        assertThat(heading(page, tag)).isVisible();
    }

    @Test
    void finds_by_tag_serial_or_customer_and_says_when_there_is_nothing() {
        signIn(page, "wenna");
        page.keyboard().press("/");
        page.keyboard().type("tallow");
        press(page, "Enter");
        assertThat(heading(page, "Found for “tallow”")).isVisible();
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Heads in the shop"))
                        .getByRole(AriaRole.LISTITEM))
                .hasCount(2);
        page.getByLabel("Tag, serial or customer").fill("zzzz");
        press(page, "Enter");
        assertThat(page.getByText("No tag, serial or customer has these words. Try fewer signs."))
                .isVisible();
        page.getByLabel("Tag, serial or customer").fill(tagOf("OD6-51002"));
        press(page, "Enter");
        assertThat(heading(page, tagOf("OD6-51002"))).isVisible();
    }

    @Test
    void a_serial_seen_before_offers_its_head() {
        signIn(page, "wenna");
        page.navigate(shop.address + "/take-in");
        entry(page, "Serial").fill("OD6-48213");
        assertThat(page.getByText("This serial was here before: Orsel D6 OD6-48213"))
                .isVisible();
        assertThat(page.getByText("recovered")).isVisible();
        button(page, "Take this head").click();
        assertThat(page.getByText("Taken: Orsel D6 OD6-48213")).isVisible();
        assertThat(group(page, "Ports from the front").getByRole(AriaRole.GROUP))
                .hasCount(6);
        button(page, "Throw this take-in away").click();
    }

    @Test
    void an_entry_made_by_mistake_is_taken_back_and_stays_readable() {
        signIn(page, "wenna");
        String visit = takeIn(page, "Slip of the Hand");
        page.navigate(shop.address + "/visits/" + visit + "/attempt/cycle");
        button(page, "Log these cycles").click();
        page.waitForURL(shop.address + "/visits/" + visit);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Take back printer cycle")))
                .click();
        button(page, "Take it back").click();
        assertThat(page.getByText("Say what was wrong with this entry.")).isVisible();
        page.getByLabel("What was wrong with it").fill("other printer");
        doubleTap(button(page, "Take it back"));
        assertThat(page.getByText("taken back: other printer")).isVisible();
        assertThat(page.getByText("0 printer cycles on this visit")).isVisible();
    }

    @Test
    void an_observer_sees_everything_and_is_offered_no_write() {
        signIn(page, "guest");
        assertThat(link(page, "Take in")).hasCount(0);
        page.navigate(shop.address + "/?search=spoondrift");
        page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Heads in the shop"))
                .getByRole(AriaRole.LINK)
                .first()
                .click();
        assertThat(heading(page, "Nozzle checks")).isVisible();
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("All steps")))
                .hasCount(0);
        assertThat(button(page, "Take back")).hasCount(0);
    }

    @Test
    void a_lead_puts_a_bottle_on_the_shelf() {
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        link(lead, "Shelf").click();
        button(lead, "Put a bottle on the shelf").click();
        lead.getByLabel("Held when new").fill("500");
        lead.getByLabel("In it now").fill("600");
        lead.getByLabel("Price of the bottle").fill("12");
        button(lead, "Put it there").click();
        assertThat(lead.getByText("Enter the name on the bottle.")).isVisible();
        lead.getByLabel("Name on the bottle").fill("Skiff cleaner");
        lead.getByLabel("Maker").fill("Nobody yet");
        lead.getByLabel("Lot", new Page.GetByLabelOptions().setExact(true)).fill("SK-1");
        button(lead, "Put it there").click();
        assertThat(lead.getByText("The bottle holds 500 mL at most.")).isVisible();
        lead.getByLabel("In it now").fill("500");
        doubleTap(button(lead, "Put it there"));
        assertThat(lead.getByRole(AriaRole.LISTITEM)
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("SK-1")))
                .hasCount(1);
    }

    @Test
    void a_hold_starts_once_and_a_dropped_cause_stays_readable() {
        signIn(page, "wenna");
        String visit = takeIn(page, "Damp Heads");
        page.keyboard().press("Escape");
        page.navigate(shop.address + "/visits/" + visit);
        assertThat(heading(page, "Read the first nozzle check")).isVisible();
        button(page, "Dry hold").click();
        button(page, "Start the hold").click();
        assertThat(page.getByText("Say what got wet.")).isVisible();
        choose(group(page, "What got wet"), "Body, ports or contacts");
        doubleTap(button(page, "Start the hold"));
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No power until");
        // A check is printed with power: it is not offered while the head dries.
        assertThat(heading(page, "Read the first nozzle check")).hasCount(0);
        org.junit.jupiter.api.Assertions.assertEquals(
                1,
                shop.jdbc.queryForObject("select count(*) from head_entry where visit_id = ?", Integer.class, visit));
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        lead.navigate(page.url());
        button(lead, "End it early").click();
        lead.getByLabel("Why power is safe now").fill("opened it, dry all through");
        doubleTap(button(lead, "End the hold"));
        assertThat(lead.getByText("No power until")).hasCount(0);
        page.reload();
        assertThat(heading(page, "Read the first nozzle check")).isVisible();

        page.navigate(shop.address + "/visits/" + visit + "/diagnosis");
        choose(group(page, "Cause"), "Air in the channel");
        page.getByLabel("What speaks for it").fill("gap wanders");
        button(page, "Keep this cause").click();
        link(page, "Change air in the channel").click();
        doubleTap(button(page, "No longer suspected"));
        assertThat(page.getByText("no longer suspected", new Page.GetByTextOptions()))
                .isVisible();
    }
}
