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

/** A plan gone through step by step, by one pedal. */
class StepByStepTest extends BrowserTest {

    private static final List<String> COLOURS = List.of("Yellow", "Cyan", "Magenta", "Black");

    private String visit;
    private int presses;

    /** A desk head with gaps in four channels, for which a flush of half a millilitre a port is planned. */
    private void planned() {
        visit = takeIn(page, "Pedal Press", "Orsel D6", "Gaps in several");
        Object status = page.evaluate("""
                async (visit) => {
                  const send = async (path, body) => (await fetch('/api/visits/' + visit + path, { method: 'PUT', headers: {
                    'Content-Type': 'application/json',
                    'X-XSRF-TOKEN': document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1] }, body: JSON.stringify(body) })).status;
                  const { family } = await (await fetch('/api/visits/' + visit)).json();
                  const four = ['Y', 'C', 'M', 'K'];
                  const reading = Object.fromEntries(family.channels.map(({ code, nozzles }) =>
                    [code, (four.includes(code) ? 'M'.repeat(20) : 'F'.repeat(20)) + 'F'.repeat(nozzles - 20)]));
                  const read = await send('/checks/' + crypto.randomUUID(), { reading });
                  const kept = await send('/plan', { works: [{ method: 'FLUSH', channels: four, ml: 0.5, minutes: 1 }] });
                  return [read, kept].join(' ');
                }
                """, visit);
        assertEquals("200 200", status);
        page.navigate(shop.address + "/visits/" + visit + "/run");
        assertThat(button(page, "Begin")).isVisible();
    }

    private Locator now() {
        return region(page, "Now");
    }

    private void press() {
        presses++;
        page.keyboard().press(" ");
    }

    /** A short press goes to the next answer; one that is held takes it. */
    private void take(String question, String answer) {
        Locator asked = now().getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName(question));
        assertThat(asked).isVisible();
        Locator told = asked.getByRole(AriaRole.STATUS);
        int most = asked.getByRole(AriaRole.BUTTON).count();
        assertThat(told).containsText("By pedal");
        for (int i = 0; i < most; i++) {
            press();
            assertThat(told).containsText("Long press");
            if (told.innerText().contains(answer)) {
                break;
            }
        }
        assertThat(told).containsText(answer);
        presses++;
        page.keyboard().down(" ");
        assertThat(asked).hasCount(0);
        page.keyboard().up(" ");
    }

    private void tap(String title) {
        assertThat(now().getByRole(AriaRole.HEADING)).containsText(title);
        press();
    }

    private void stroke(String colour, String effluent) {
        assertThat(now().getByRole(AriaRole.HEADING)).containsText(colour);
        assertThat(page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("Now: " + colour + "\\."))))
                .isVisible();
        assertThat(now().getByText(Pattern.compile("syringe: at most .* N for")))
                .isVisible();
        if (presses < 9) {
            AccessibleViews.look(page, "a stroke", false);
        }
        press();
        // Slower than it may be at the fastest.
        assertThat(now().getByRole(AriaRole.TIMER)).hasText(Pattern.compile("^[3-9]\\.[0-9]"));
        press();
        take("How it went", "Went in freely");
        take("What came out, beside a drop of the fresh fluid", effluent);
        take("How it left the face", "Whole stream");
    }

    /** Dye is flushed with warm water: its clock, ended by a long press before its time. */
    private void warm() {
        tap("Stand the open bottle in hot water");
        assertThat(now().getByRole(AriaRole.TIMER)).isVisible();
        presses++;
        page.keyboard().down(" ");
        assertThat(now().getByRole(AriaRole.TIMER)).hasCount(0);
        page.keyboard().up(" ");
    }

    private void flush() {
        press();
        assertThat(now()).isVisible();
        AccessibleViews.look(page, "step by step", false);
        tap("Lay out fluid");
        tap("Mains off");
        tap("Free the carriage");
        tap("Goggles on");
        tap("Expel the air");
        warm();
        take("Why something else?", "The customer asked");
        stroke(COLOURS.get(0), "Tinted");
        // Colour is on the pad now; one that stays like fresh is not asked about again.
        take("The pad under this port", "Fresh one laid");
        for (String colour : COLOURS.subList(1, 4)) {
            stroke(colour, "Like fresh fluid");
        }
        assertThat(now().getByRole(AriaRole.HEADING)).containsText("Let Y soak");
        press();
        assertThat(now().getByRole(AriaRole.TIMER)).isVisible();
    }

    @Test
    void a_flush_of_four_ports_by_pedal_alone() {
        signIn(page, "wenna");
        planned();
        flush();
        hoursPass(visit, 1);
        assertThat(now().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Soaked"))))
                .isVisible();
        // Left and come back, on another screen, it goes on where it was.
        Page other = page;
        page = newPage(ColorScheme.DARK);
        signIn(page, "wenna");
        page.navigate(shop.address + "/visits/" + visit + "/run");
        assertThat(now().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Soaked"))))
                .isVisible();
        press();
        stroke(COLOURS.get(0), "Like fresh fluid");
        tap("Pad out");
        take("Contacts and board", "Both dry");
        tap("Mains on");
        assertThat(now().getByText("Read the check")).isVisible();
        assertEquals(
                5,
                shop.jdbc.queryForObject(
                        "select json_length(record, '$.strokes') from attempt where visit_id = ?",
                        Integer.class,
                        visit));
        assertEquals(
                4 * 0.5 + 1,
                shop.jdbc.queryForObject("select volume_ml from attempt where visit_id = ?", Double.class, visit));
        // The page that was left shows the same.
        assertThat(region(other, "Now").getByText("Read the check")).isVisible();
        System.out.println("presses of the pedal for a flush of four ports: " + presses);
    }

    @Test
    void on_a_phone_the_step_its_button_and_its_port_stand_on_the_first_screen() {
        page.setViewportSize(390, 844);
        signIn(page, "wenna");
        planned();
        press();
        for (int i = 0; i < 5; i++) {
            assertThat(page.locator("[aria-current=step]")).hasCount(1);
            String title = now().getByRole(AriaRole.HEADING).innerText();
            press();
            assertThat(now().getByRole(AriaRole.HEADING)).not().hasText(title);
        }
        warm();
        take("Why something else?", "The customer asked");
        Locator start =
                now().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Start")));
        assertThat(start).isInViewport();
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("Now: Yellow"))))
                .isInViewport();
        // Nothing is filled in for anybody, and a step taken back is open again.
        assertThat(now().locator("[aria-pressed=true]")).hasCount(0);
        page.keyboard().press("Backspace");
        assertThat(now().getByRole(AriaRole.HEADING)).containsText("Stand the open bottle");
    }
}
