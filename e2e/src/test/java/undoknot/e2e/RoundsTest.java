package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Work that is logged as it happens, by keys and by taps, held against what left the bottles. */
class RoundsTest extends BrowserTest {

    private String visit;

    @BeforeEach
    void signIn() {
        signIn(page, "wenna");
    }

    private double left() {
        return shop.jdbc.queryForObject("select sum(remaining_ml) from fluid_lot", Double.class);
    }

    private void key(String key) {
        page.keyboard().press(key);
    }

    /** A stroke is kept by the server before the hand goes on. */
    private void strokesKept(int strokes) {
        assertThat(page.getByText(Pattern.compile("; " + strokes + "(\\.\\d+)? mL so far")))
                .isVisible();
    }

    /** What the ledger drew for the work of this visit, mL. */
    private double drawn() {
        return shop.jdbc.queryForObject(
                "select coalesce(sum(d.volume_ml), 0) from lot_draw d join attempt a on a.id = d.attempt_id where a.visit_id = ?",
                Double.class,
                visit);
    }

    /** Four ports, three rounds each, nothing but keys: 3 mL, a soak, then twice 1 mL, and the last is at its end point. */
    @Test
    void a_four_port_flush_in_three_rounds_by_keys_alone() {
        visit = takeIn(page, "Four Ports Press", "Hulver W8");
        page.navigate(shop.address + "/visits/" + visit + "/attempt/flush?channels=K,C,M,Y");
        assertThat(button(page, "Start stroke")).isEnabled();
        double before = left();
        int[] keys = {0};
        // The row in hand shows its buttons, the others say in a line what was seen.
        // The first row is looked at, the other three are seen to be the same as the one above.
        for (int row = 0; row < 4; row++) {
            timed(keys);
            if (row == 0) {
                sees(keys, "Went in stiffly", "Tinted", "Drips");
            } else {
                key("a");
                keys[0]++;
            }
            strokesKept(3 * (row + 1));
            assertThat(page.getByText(": went in stiffly, tinted, drips")).hasCount(Math.min(row + 1, 3));
        }
        assertThat(region(page, "Yellow")).hasAttribute("aria-current", "step");
        Assertions.assertEquals(5 + 3 * 3, keys[0], "five keys for the first row, three for each other");
        button(page, "Let Y, C, M, K soak 10 min").click();
        group(page, "Soak between strokes").getByText("End now").click();
        for (int row = 0; row < 4; row++) {
            assertThat(page.getByLabel("Dose")).hasValue("1");
            given(2);
            strokesKept(13 + row);
            if (row == 0) {
                sees(keys, "Went in stiffly", "Tinted", "Drips");
            } else {
                key("a");
            }
            assertThat(page.getByText("1 mL not timed: went in stiffly, tinted, drips"))
                    .hasCount(Math.min(row + 1, 3));
        }
        // With all rows alike it is the first one's turn again.
        assertThat(region(page, "Yellow")).hasAttribute("aria-current", "step");
        key("p");
        assertThat(button(page, "The pad is fresh")).isVisible();
        for (int row = 0; row < 4; row++) {
            given(3);
            strokesKept(17 + row);
            sees(keys, "Went in freely", "Like fresh fluid", "Whole stream");
            assertThat(page.getByText("At its end point.", new Page.GetByTextOptions().setExact(true)))
                    .hasCount(row + 1);
        }
        assertThat(page.getByText("Every channel is at its end point.")).isVisible();
        Assertions.assertEquals(20, drawn(), 1e-9);
        Assertions.assertEquals(before - 20, left(), 1e-9);
        button(page, "Back to the visit").click();
        assertThat(page.getByRole(AriaRole.STATUS).first()).containsText("Flush logged: Y, C, M, K; 20 mL");
        assertThat(heading(page, "Go on: flush, K")).hasCount(0);
    }

    /** A stroke that nobody timed, the n-th of its row. */
    private void given(int n) {
        key("g");
        assertThat(page.getByText(Pattern.compile("^Stroke " + n + ": "))).isVisible();
    }

    /** Says by its digit what was seen of each thing that is asked, one after the other; the last may lead on to the next row. */
    private void sees(int[] keys, String... seen) {
        for (int i = 0; i < seen.length; i++) {
            Locator option = page.getByRole(
                    AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + seen[i])));
            key(option.locator("kbd").textContent());
            keys[0]++;
            if (i < seen.length - 1) {
                assertThat(option).hasAttribute("aria-pressed", "true");
            }
        }
    }

    /** Start and stop of one stroke. */
    private void timed(int[] keys) {
        key(" ");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Stop at"))))
                .isVisible();
        // Slower than the limit: the clock of the page is put on, nobody waits half a minute in a test.
        page.evaluate(
                "() => { const now = performance.now.bind(performance); performance.now = () => now() + 60000; }");
        key(" ");
        assertThat(page.getByText(Pattern.compile("^Stroke 1: 3 mL in"))).isVisible();
        keys[0] += 2;
    }

    /** A rinse goes on until every colour was seen and all run clear, both ways; another screen takes it up. */
    @Test
    void a_rinse_until_every_colour_was_seen() {
        visit = takeIn(page, "Rinse Press");
        page.navigate(shop.address + "/visits/" + visit + "/rinse");
        choose(group(page, "Colour seen"), "Cyan");
        choose(group(page, "Colour seen"), "Yellow");
        button(page, "Log this turn").click();
        assertThat(group(page, "So far")).containsText("Magenta: not seen yet: the blocked one");
        // Nothing that is seen stays pressed for the next turn, and the head is turned.
        assertThat(group(page, "Colour seen")
                        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setPressed(true)))
                .hasCount(0);
        assertThat(button(page, "In at the face")).hasAttribute("aria-pressed", "true");
        page.navigate(shop.address + "/visits/" + visit);
        assertThat(page.getByRole(
                        AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("^Go on: rinse"))))
                .isVisible();
        link(page, "Go on").click();
        choose(group(page, "Colour seen"), "Magenta");
        button(page, "Runs clear now: all").click();
        button(page, "Log this turn").click();
        assertThat(group(page, "So far")).containsText("Magenta: seen, clear in at the face");
        button(page, "Runs clear now: all").click();
        button(page, "Log this turn").click();
        assertThat(page.getByText("All clear. One last turn with deionised water."))
                .isVisible();
        button(page, "The last turn, with deionised water").click();
        button(page, "Runs clear now: all").click();
        button(page, "Log this turn").click();
        assertThat(page.getByText("Every colour was seen and all run clear.", new Page.GetByTextOptions()))
                .isVisible();
        button(page, "Back to the visit").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No power");
    }

    /** Two soaks and a jar of seals run at once, each with a button of its own. */
    @Test
    void two_soaks_and_a_jar_are_each_ended_by_their_own_button() {
        visit = takeIn(page, "Three Clocks Press");
        for (String channel : List.of("C", "M")) {
            page.navigate(shop.address + "/visits/" + visit + "/attempt/soak?place=PORT&channels=" + channel);
            button(page, "Start the soak").click();
            page.waitForURL(shop.address + "/visits/" + visit);
        }
        button(page, "Clock").click();
        choose(group(page, "What is waited for"), "Parts in a jar");
        button(page, "Start the clock").click();
        assertThat(group(page, "Clocks").getByRole(AriaRole.TIMER)).hasCount(3);
        for (String name : List.of("Soak at the port: M", "Parts in a jar", "Soak at the port: C")) {
            group(page, name).getByText("End now").click();
            assertThat(group(page, name)).hasCount(0);
        }
        assertThat(group(page, "Clocks").getByRole(AriaRole.TIMER)).hasCount(0);
        assertThat(button(page, "Let it go on")).hasCount(3);
    }

    /** A vapour soak runs overnight and over a restart of the server; its real time stands in the log. */
    @Test
    void a_vapour_soak_overnight_over_a_restart() {
        visit = takeIn(page, "Overnight Press");
        page.navigate(shop.address + "/visits/" + visit + "/attempt/handwork?method=VAPOUR&channels=C");
        button(page, "12 h").click();
        assertThat(page.getByText("A pad siphons ink out of connected cartridges", new Page.GetByTextOptions()))
                .isVisible();
        choose(group(page, "Cartridges taken off for it"), "Yes");
        assertThat(page.getByText("A pad siphons ink out of connected cartridges"))
                .hasCount(0);
        button(page, "Log this work").click();
        page.waitForURL(shop.address + "/visits/" + visit);
        assertThat(group(page, "Vapour soak: C").getByRole(AriaRole.TIMER)).containsText("11:59:");
        shop.restart();
        hoursPass(visit, 13);
        page.reload();
        assertThat(group(page, "Vapour soak: C")).containsText("over since");
        assertThat(page.getByLabel("Running clocks")).containsText("vapour soak");
        region(page, "What now")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Pad out")))
                .click();
        assertThat(page.getByText(Pattern.compile("planned 720 min, took 78[0-2] min")))
                .isVisible();
    }

    /** What is entered later counts from when it was begun: its hold is shorter by that. */
    @Test
    void a_late_entry_moves_its_hold() {
        visit = takeIn(page, "Late Press");
        hoursPass(visit, 6);
        page.navigate(shop.address + "/visits/" + visit + "/attempt/handwork?method=STEAM&channels=C");
        button(page, "It was done earlier").click();
        String begun = java.time.LocalDateTime.now()
                .minusHours(1)
                .format(java.time.format.DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm"));
        page.getByLabel("Begun at").fill(begun);
        button(page, "Log this work").click();
        page.waitForURL(shop.address + "/visits/" + visit);
        assertThat(page.getByText("entered later", new Page.GetByTextOptions())).isVisible();
        // Two hours for a wet base, one of them gone.
        assertThat(page.getByRole(AriaRole.ALERT)).containsText(Pattern.compile("No power until.*"));
        Assertions.assertEquals(
                1,
                shop.jdbc.queryForObject(
                        "select count(*) from attempt where visit_id = ? and started_at < ? and entered_at is not null",
                        Integer.class,
                        visit,
                        java.sql.Timestamp.from(java.time.Instant.now().minusSeconds(3000))));
        hoursPass(visit, 1);
        page.reload();
        assertThat(page.getByText("No power until")).hasCount(0);
    }
}
