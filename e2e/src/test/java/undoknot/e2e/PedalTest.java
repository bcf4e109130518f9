package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.regex.Pattern;

/** What walks by one pedal share: a planned head, its step in hand, and presses short and long. */
abstract class PedalTest extends BrowserTest {

    int presses;

    /** A desk head with gaps in four channels, for which this work is planned; its steps are open and not begun. */
    String planned(String customer, String work) {
        String visit = takeIn(page, customer, "Orsel D6", "Gaps in several");
        Object status = page.evaluate("""
                async ({ visit, work }) => {
                  const send = async (path, body) => (await fetch('/api/visits/' + visit + path, { method: 'PUT', headers: {
                    'Content-Type': 'application/json',
                    'X-XSRF-TOKEN': document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1] }, body: JSON.stringify(body) })).status;
                  const { family } = await (await fetch('/api/visits/' + visit)).json();
                  const four = ['Y', 'C', 'M', 'K'];
                  const reading = Object.fromEntries(family.channels.map(({ code, nozzles }) =>
                    [code, (four.includes(code) ? 'M'.repeat(20) : 'F'.repeat(20)) + 'F'.repeat(nozzles - 20)]));
                  const read = await send('/checks/' + crypto.randomUUID(), { reading });
                  const kept = await send('/plan', { works: [{ channels: four, ...JSON.parse(work) }] });
                  return [read, kept].join(' ');
                }
                """, Map.of("visit", visit, "work", work));
        assertEquals("200 200", status);
        steps(page, visit);
        assertThat(button(page, "Begin")).isVisible();
        return visit;
    }

    void steps(Page at, String visit) {
        at.navigate(shop.address + "/visits/" + visit + "/run");
    }

    Locator now() {
        return region(page, "Now");
    }

    /** The pedal rests until what it would confirm has stood there long enough to be read. */
    void press() {
        presses++;
        press(page, " ");
    }

    /** A short press goes to the next answer; one that is held takes it. */
    void take(String question, String answer) {
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

    void tap(String title) {
        assertThat(now().getByRole(AriaRole.HEADING)).containsText(title);
        press();
    }

    /** Dye is flushed with warm water: its clock, ended by a long press before its time. */
    void warm() {
        tap("Stand the open bottle in hot water");
        assertThat(now().getByRole(AriaRole.TIMER)).isVisible();
        presses++;
        page.keyboard().down(" ");
        assertThat(now().getByRole(AriaRole.TIMER)).hasCount(0);
        page.keyboard().up(" ");
    }

    /** From the beginning to the first port of a flush. */
    void toTheFirstPort() {
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
    }

    void stroke(String colour, String effluent) {
        assertThat(now().getByRole(AriaRole.HEADING)).containsText(colour);
        assertThat(page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("Now: " + colour + "\\."))))
                .isVisible();
        assertThat(now().getByText(Pattern.compile("syringe: at most .* N for")))
                .isVisible();
        press();
        // Slower than it may be at the fastest.
        assertThat(now().getByRole(AriaRole.TIMER)).hasText(Pattern.compile("^[3-9]\\.[0-9]"));
        press();
        take("How it went", "Went in freely");
        take("What came out, beside a drop of the fresh fluid", effluent);
        take("How it left the face", "Whole stream");
    }
}
