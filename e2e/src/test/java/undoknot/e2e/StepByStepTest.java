package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A plan gone through step by step, by one pedal. */
class StepByStepTest extends PedalTest {

    private static final List<String> COLOURS = List.of("Yellow", "Cyan", "Magenta", "Black");

    static final String FLUSH = "{\"method\":\"FLUSH\",\"ml\":0.5,\"minutes\":1}";

    private String visit;

    private void flush() {
        toTheFirstPort();
        assertThat(now().getByText(Pattern.compile("syringe: at most"))).isVisible();
        AccessibleViews.look(page, "a stroke", false);
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
        visit = planned("Pedal Press", FLUSH);
        flush();
        hoursPass(visit, 1);
        assertThat(now().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Soaked"))))
                .isVisible();
        // Left and come back, on another screen, it goes on where it was.
        Page other = page;
        page = newPage(ColorScheme.DARK);
        signIn(page, "wenna");
        steps(page, visit);
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

    /** The second tap comes when the first has changed what is under the finger. */
    private void tapTwice(String title, String next) {
        assertThat(now().getByRole(AriaRole.HEADING)).containsText(title);
        button(page, "Done").click();
        assertThat(now().getByRole(AriaRole.HEADING)).containsText(next);
        button(page, "Done").hover();
        Mouse hand = page.mouse();
        hand.down(new Mouse.DownOptions().setClickCount(2));
        hand.up(new Mouse.UpOptions().setClickCount(2));
    }

    @Test
    void a_hand_that_taps_twice_ticks_one_step() {
        signIn(page, "wenna");
        visit = planned("Nervous Press", FLUSH);
        List<String> sent = new ArrayList<>();
        page.onRequest(request -> {
            if (request.url().matches(".*/steps/\\d+")) {
                sent.add(request.url().replaceAll(".*/", ""));
            }
        });
        press();
        tapTwice("Lay out fluid", "Mains off");
        tapTwice("Mains off", "Free the carriage");
        button(page, "Done").click();
        assertThat(now().getByRole(AriaRole.HEADING)).containsText("Goggles on");
        assertEquals(List.of("0", "1", "2"), sent);
    }

    @Test
    void on_a_phone_the_step_its_button_and_its_port_stand_on_the_first_screen() {
        page.setViewportSize(390, 844);
        signIn(page, "wenna");
        visit = planned("Pedal Press", FLUSH);
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
