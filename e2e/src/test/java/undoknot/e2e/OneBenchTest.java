package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** One bench for all: who has which head, a server that is killed under two pages, and the board on a wall. */
class OneBenchTest extends BrowserTest {

    /** Sends what a screen would. */
    private static void send(Page at, String path, String body) {
        String answer = (String) at.evaluate(
                "async ([path, body]) => { const sent = await fetch(path, { method: 'PUT', headers: {"
                        + "'Content-Type': 'application/json', 'X-XSRF-TOKEN':"
                        + " document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1] }, body });"
                        + " return sent.status + ' ' + (sent.ok ? '' : await sent.text()); }",
                java.util.List.of(path, body));
        assertEquals("200 ", answer);
    }

    private static String key() {
        return UUID.randomUUID().toString();
    }

    @Test
    void taking_over_is_a_tap_and_is_seen_by_the_other() {
        signIn(page, "wenna");
        String visit = takeIn(page, "Whose Hands Press");
        Page lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        page.navigate(shop.address + "/visits/" + visit);
        button(page, "Take it in hand").click();
        lead.navigate(shop.address + "/visits/" + visit);
        assertThat(lead.getByText("Wenna Tarvick has it in hand since")).isVisible();
        button(lead, "Take it over").click();
        assertThat(page.getByText(Pattern.compile("Oswin Pell has it in hand since .*taken over from Wenna Tarvick")))
                .isVisible(SOON);
        lead.navigate(shop.address + "/?mine=1");
        assertThat(lead.getByText("Whose Hands Press").first()).isVisible();
        button(page, "Take it over").click();
        assertThat(lead.getByText("Whose Hands Press")).hasCount(0);
    }

    @Test
    void the_bench_shows_what_is_asked_for_and_keeps_it_over_a_reload() {
        signIn(page, "wenna");
        takeIn(page, "Only This Press");
        page.reload();
        select(page, "Of one customer", Pattern.compile("Only This Press"));
        Locator heads = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Heads in the shop"));
        assertThat(heads.getByRole(AriaRole.LISTITEM)).hasCount(1);
        page.reload();
        assertThat(heads.getByRole(AriaRole.LISTITEM)).hasCount(1);
        button(page, "Waiting (")
                .or(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Waiting"))))
                .first()
                .click();
        assertThat(page.getByText("No head on the bench is shown by this.")).isVisible();
    }

    @Test
    void a_board_on_a_wall_shows_no_customer_and_ends_with_its_link() {
        signIn(page, "oswin");
        String visit = takeIn(page, "Nobody's Business Press");
        String tag = shop.jdbc.queryForObject("select tag from visit where id = ?", String.class, visit);
        page.navigate(shop.address + "/accounts");
        page.getByLabel("Where the screen hangs").fill("Over the sink");
        entry(page, "For how many days").fill("0");
        button(page, "Make a link").click();
        assertThat(page.getByText("Take at least 1 day.")).isVisible();
        entry(page, "For how many days").fill("2");
        button(page, "Make a link").click();
        String path = page.locator("a[href^='/wall/']").getAttribute("href");

        Page wall = newPage(ColorScheme.DARK);
        wall.navigate(shop.address + path);
        assertThat(wall.getByText(tag).first()).isVisible();
        assertEquals(0, wall.getByText("Nobody's Business Press").count());
        assertEquals(0, wall.getByText(Pattern.compile("Oswin|Wenna|slipway")).count());
        assertEquals(0, wall.getByRole(AriaRole.BUTTON).count());
        // What happens at the bench is there at once.
        String later = takeIn(page, "Nobody Else's Press");
        assertThat(wall.getByText(shop.jdbc.queryForObject("select tag from visit where id = ?", String.class, later))
                        .first())
                .isVisible(SOON);
        AccessibleViews.look(wall, "wall", false);

        button(page, "End Over the sink").click();
        assertThat(page.getByText("No link is open.")).isVisible();
        wall.reload();
        assertThat(heading(wall, "This link has ended")).isVisible();
        assertEquals(0, wall.getByText(tag).count());
    }

    private void signInAt(Page at, String address, String name) {
        at.navigate(address);
        at.getByLabel("Name").fill(name);
        passwordOf(at).fill(PASSWORD);
        button(at, "Sign in").click();
        assertThat(heading(at, "The bench")).isVisible();
    }

    private static Locator clockOf(Page at, String tag) {
        return at.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Hands and holds"))
                .getByText(tag)
                .or(at.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile(tag))))
                .or(at.locator("svg text, li, a").filter(new Locator.FilterOptions().setHasText(tag)))
                .first();
    }

    private static String json(Page at, String script, Object argument) {
        return (String) at.evaluate(script, argument);
    }

    /** Two people, three heads: one in a tray, one in a dry hold, one in the middle of rounds; the server dies in between. */
    @Test
    void a_killed_server_loses_and_doubles_nothing_and_both_pages_agree_again() throws Exception {
        try (Killable own = new Killable()) {
            signInAt(page, own.address, "wenna");
            Page lead = newPage(ColorScheme.LIGHT);
            signInAt(lead, own.address, "oswin");
            String soaks = takeIn(page, "Soaking Press");
            String dries = takeIn(page, "Drying Press");
            String rounds = takeIn(page, "Rounds Press");
            String soak = "/api/visits/" + soaks + "/attempts/" + key();
            String soakBody = "{\"treatment\":{\"kind\":\"SOAK\",\"soak\":{\"place\":\"PORT\",\"channels\":[\"C\"],"
                    + "\"volumeMl\":2,\"plannedMinutes\":40}},\"lotId\":\"" + lot(page) + "\"}";
            send(page, soak, soakBody);
            String hold = "/api/visits/" + dries + "/head-entries/" + key();
            send(lead, hold, "{\"entry\":\"HOLD\",\"wet\":\"BODY\"}");
            String stroke = key();
            String flush = "/api/visits/" + rounds + "/attempts/" + key();
            String flushBody = "{\"open\":true,\"lotId\":\"" + lot(page)
                    + "\",\"treatment\":{\"kind\":\"FLUSH\",\"flush\":{\"method\":"
                    + "\"FLUSH\",\"planned\":[\"C\"],\"temperatureC\":20,\"strokes\":[{\"id\":\"" + stroke
                    + "\",\"channel\":\"C\",\"volumeMl\":3,\"seconds\":60}]}}}";
            send(page, flush, flushBody);
            String state =
                    "async (ids) => JSON.stringify(await Promise.all(ids.map(async (id) => { const v = await (await fetch("
                            + "'/api/visits/' + id)).json(); return [v.attempts.map((a) => [a.id, a.volumeMl]),"
                            + " v.clocks.map((c) => [c.id, c.dueAt]), v.head.heldUntil]; })))";
            var ids = java.util.List.of(soaks, dries, rounds);
            String before = json(page, state, ids);

            own.kill();
            own.start();
            long up = System.nanoTime();
            for (Page at : java.util.List.of(page, lead)) {
                assertThat(at.getByText("Connection lost")).hasCount(0);
                System.out.println(
                        "a page was current " + (System.nanoTime() - up) / 1_000_000 + " ms after the restart");
            }
            // What was under way is sent again under the same key, as a screen does.
            send(page, soak, soakBody);
            send(lead, hold, "{\"entry\":\"HOLD\",\"wet\":\"BODY\"}");
            send(page, flush, flushBody);
            assertEquals(before, json(page, state, ids));
            assertEquals(before, json(lead, state, ids));
            String after = takeIn(page, "After The Kill Press");
            for (Page at : java.util.List.of(page, lead)) {
                assertThat(at.getByText("After The Kill Press").first()).isVisible(SOON);
            }
            assertEquals(json(page, state, java.util.List.of(after)), json(lead, state, java.util.List.of(after)));
            assertThat(clockOf(lead, tag(page, dries))).isVisible();
        }
    }

    /** What is written at one of two servers on one record stands on the page of the other without looking again. */
    @Test
    void two_servers_on_one_record_show_each_other() throws Exception {
        try (Killable one = new Killable();
                Killable other = new Killable()) {
            signInAt(page, one.address, "wenna");
            Page lead = newPage(ColorScheme.LIGHT);
            signInAt(lead, other.address, "oswin");
            String visit = takeIn(page, "Two Branches Press");
            assertThat(lead.getByText("Two Branches Press").first()).isVisible(SOON);
            lead.navigate(other.address + "/visits/" + visit);
            assertThat(region(lead, "What now")).isVisible();
            page.navigate(one.address + "/visits/" + visit);
            button(page, "Take it in hand").click();
            // From when it is kept: a server that has just started is slow to take its first write.
            assertThat(page.getByText("You have it in hand since")).isVisible();
            assertThat(lead.getByText("Wenna Tarvick has it in hand since")).isVisible(SOON);
            button(lead, "Take it over").click();
            assertThat(lead.getByText("You have it in hand since")).isVisible();
            assertThat(page.getByText("Oswin Pell has it in hand since")).isVisible(SOON);
            String clock = "/api/visits/" + visit + "/clocks/" + key() + "/wait";
            String body = "{\"waiting\":\"COOL_DOWN\",\"minutes\":30}";
            // The same key at both has one effect.
            send(page, clock, body);
            send(lead, clock, body);
            Locator clocks = group(lead, "Clocks").getByRole(AriaRole.TIMER);
            assertThat(clocks).hasCount(1);
            assertThat(group(page, "Clocks").getByRole(AriaRole.TIMER)).hasCount(1);
        }
    }

    private static String tag(Page at, String visit) {
        return json(at, "async (id) => (await (await fetch('/api/visits/' + id)).json()).tag", visit);
    }

    private static String lot(Page at) {
        return json(
                at,
                "async () => (await (await fetch('/api/lots')).json())"
                        + ".find((l) => l.kind === 'AQUEOUS_CLEANER' && l.remainingMl > 50"
                        + " && (!l.expiresOn || Date.parse(l.expiresOn) > Date.now())).id",
                null);
    }
}
