package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Does with a head what its steps say, one after the other; only what has a page of its own is done there. */
abstract class ByTheSteps extends ByTheScreen {

    private static final int MOST = 200;

    private static final List<String> CLEAR = List.of("Like fresh fluid", "Whole stream", "Leave it as it is");

    final List<String> way = new ArrayList<>();

    private Locator now() {
        return region(page, "Now");
    }

    private static Locator large(Locator within, String name) {
        return within.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^(" + name + ")")));
    }

    /** What is asked or said now, without what counts seconds. */
    private String shown() {
        return now().innerText().replaceAll("[0-9:.]+", "#");
    }

    private void andThen(Runnable act) {
        String before = page.url() + shown();
        act.run();
        page.waitForCondition(() -> now().count() == 0 || !(page.url() + shown()).equals(before));
    }

    /** The key of what is seen of a port that has come clear; of any other question the first answer. */
    private static String answer(Locator asked) {
        List<String> answers = asked.getByRole(AriaRole.BUTTON).allInnerTexts();
        for (int i = 0; i < answers.size(); i++) {
            if (CLEAR.stream().anyMatch(answers.get(i)::startsWith)) {
                return String.valueOf(i + 1);
            }
        }
        return "1";
    }

    /** One thing of the step in hand: an answer, a wait that is over, its button, or its own page. */
    private void step() {
        String title =
                page.locator("[aria-current=step]").innerText().replace("▸", "").strip();
        way.add(title);
        Locator asked = now().getByRole(AriaRole.GROUP).first();
        Locator button = large(
                now(),
                "Start|Stop|Done|Go on|The head is|Pad out|Lift it out|Soaked|It is warm|It is over|End the burst");
        Locator own = now().getByRole(AriaRole.LINK).last();
        Locator waits = now().getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("No power"));
        Locator runs = large(now(), "End it now");
        assertThat(asked.or(button).or(own).or(waits).or(runs).first()).isVisible();
        if (asked.count() > 0 && asked.isVisible()) {
            String key = answer(asked);
            // A key rests until its question has stood there long enough to be read.
            assertThat(asked.locator("[data-rests]")).hasCount(0);
            andThen(() -> page.keyboard().press(key));
        } else if (runs.count() > 0 || waits.count() > 0) {
            hoursPass(visit, title.contains("Hold") ? 13 : 1);
            page.reload();
            assertThat(now().or(button(page, "Begin"))).isVisible();
        } else if (button.count() > 0) {
            assertThat(button.first()).isEnabled();
            if (button.first().innerText().startsWith("Stop")) {
                // Slower than it may be at the fastest.
                assertThat(now().getByRole(AriaRole.TIMER)).hasText(Pattern.compile("^([3-9]|[1-9][0-9])\\.[0-9]"));
            }
            andThen(() -> button.first().click());
        } else {
            String does = own.innerText();
            own.click();
            if (does.startsWith("Read the check")) {
                read();
            } else if (does.startsWith("Log what")) {
                look();
            } else {
                throw new AssertionError("its own page: " + does + " after " + way);
            }
        }
    }

    /**
     * From where it stands until the screen says to finish and return.
     *
     * @return how many attempts were led
     */
    int leadToTheEnd() {
        int led = 0;
        for (int i = 0; i < MOST; i++) {
            page.navigate(shop.address + "/visits/" + visit + "/run");
            Locator begin = button(page, "Begin");
            Locator elsewhere = page.getByRole(
                    AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^(Do it|What now)$")));
            assertThat(begin.or(now()).or(elsewhere).first()).isVisible();
            if (begin.isVisible()) {
                begin.click();
                assertThat(now()).isVisible();
                led++;
                while (page.url().endsWith("/run") && now().count() > 0 && way.size() < MOST) {
                    step();
                }
            } else if (now().count() > 0) {
                step();
            } else {
                page.navigate(shop.address + "/visits/" + visit);
                String advice = advised();
                way.add(advice);
                if (advice.equals("Finish and return")) {
                    break;
                }
                assertFalse(advice.startsWith("Not ") || advice.startsWith("Stop"), "given up after " + way);
                follow(advice);
            }
            assertTrue(way.size() < MOST, "no end after " + way);
        }
        System.out.println("led by steps " + led + " times: " + way);
        assertEquals("Finish and return", way.get(way.size() - 1), "no end after " + way);
        assertTrue(led > 0, "nothing was led: " + way);
        return led;
    }
}
