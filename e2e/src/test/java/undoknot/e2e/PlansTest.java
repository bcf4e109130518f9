package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Plans, changes them and carries them out; and the sums of the bench by themselves. */
class PlansTest extends BrowserTest {

    private String visit;

    @BeforeEach
    void signIn() {
        signIn(page, "wenna");
    }

    private void open(String path) {
        page.navigate(shop.address + "/visits/" + visit + path);
    }

    /** Gaps in the first two channels. */
    private void checkWithGapsInTwo() {
        open("/check");
        button(page, "All channels fire").click();
        gaps("3, 9, 15, 21, 27, 33, 39, 45, 51, 57, 63, 69, 75, 81, 87");
        page.getByRole(AriaRole.LISTBOX).focus();
        page.keyboard().press("PageDown");
        gaps("5, 16, 27, 38, 49, 60, 71, 82");
        button(page, "Keep this check").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }

    private void gaps(String missing) {
        page.getByLabel(Pattern.compile("^Missing in")).fill(missing);
        button(page, "Set").click();
        assertThat(page.getByLabel(Pattern.compile("^Missing in"))).hasValue("");
    }

    private Locator attempt(String title) {
        return region(page, title);
    }

    /** Drops every attempt but those of a method; the last of the list goes first, so that numbers stay. */
    private void dropAllBut(Pattern method) {
        button(page, "Change the plan").click();
        Locator cards = page.locator("main section[aria-label]")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("it comes to it")));
        Locator drops = button(page, "Drop");
        assertThat(cards.first()).isVisible();
        for (int n = cards.count() - 1; n >= 0; n--) {
            if (!method.matcher(cards.nth(n).getAttribute("aria-label")).find()) {
                int left = drops.count() - 1;
                drops.nth(n).click();
                assertThat(drops).hasCount(left);
                assertThat(cards).hasCount(left);
            }
        }
    }

    /** Entries of an attempt that is changed. */
    private Locator change(int number) {
        return group(page, "Change attempt " + number);
    }

    private void keepThePlan() {
        button(page, "Keep this plan").click();
        assertThat(button(page, "Change the plan")).isVisible();
        assertThat(page.getByText("Changed by Wenna Tarvick", new Page.GetByTextOptions()))
                .isVisible();
    }

    /** Two channels of a head with open inlets: the cycle is dropped, the soak made longer, a hasty stroke refused. */
    @Test
    void a_two_channel_flush_with_a_soak_is_planned_changed_and_carried_out() {
        visit = takeIn(page, "Plan Press", "Orsel D6", "Gaps in several");
        checkWithGapsInTwo();
        assertThat(region(page, "What now").getByRole(AriaRole.HEADING).first()).isVisible();
        page.keyboard().press("l");
        assertThat(heading(page, "Plan")).isVisible();
        assertThat(page.getByRole(
                        AriaRole.IMG,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile("^1 light printer cycle .*that it suffices"))))
                .isVisible();
        dropAllBut(Pattern.compile("Flush"));
        Locator flush = page.locator("section[aria-label^='1. Flush: ']");
        change(1).getByLabel("Each stroke takes").fill("1");
        assertThat(flush.getByRole(AriaRole.ALERT)).containsText("kPa");
        button(page, "Keep this plan").click();
        assertThat(page.getByText("This plan goes past a limit", new Page.GetByTextOptions()))
                .isVisible();
        assertThat(change(1).getByLabel("Each stroke takes")).hasValue("1");
        change(1).getByLabel("Each stroke takes").fill("");
        change(1).getByLabel("Soaks or waits").fill("25");
        assertThat(flush.getByRole(AriaRole.ALERT)).hasCount(0);
        keepThePlan();
        page.reload();
        assertThat(flush).containsText("Time 25 min");
        flush.getByText("take at least").first().click();
        assertThat(flush.getByText(Pattern.compile("limit of the family 60 kPa"))
                        .first())
                .isVisible();
        flush.getByText("Do this").click();
        anyway(page);
        for (int n = 1; n <= 2; n++) {
            assertThat(button(page, "Given, not timed")).isEnabled();
            page.keyboard().press("g");
            assertThat(page.getByText(Pattern.compile("; " + 3 * n + " mL so far")))
                    .isVisible();
            if (n == 1) {
                button(page, "Start here").click();
            }
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Let .* soak 25 min$")))
                .click();
        assertThat(group(page, "Soak between strokes").getByRole(AriaRole.TIMER))
                .containsText(Pattern.compile("2[45]:\\d\\d"));
        group(page, "Soak between strokes").getByText("End now").click();
        for (int n = 1; n <= 2; n++) {
            assertThat(button(page, "Given, not timed")).isEnabled();
            assertThat(page.getByLabel("Dose")).hasValue("1");
            page.keyboard().press("g");
            assertThat(page.getByText(Pattern.compile("; " + (6 + n) + " mL so far")))
                    .isVisible();
            if (n == 1) {
                button(page, "Here").click();
            }
        }
        button(page, "Stop here").click();
        page.waitForURL(shop.address + "/visits/" + visit);
        open("/plan");
        assertThat(flush).hasCount(0);
    }

    @Test
    void a_draw_back_is_planned_within_the_suction_of_the_family() {
        visit = takeIn(page, "Draw Press", "Skerrin L4");
        checkWithGapsInTwo();
        open("/plan");
        dropAllBut(Pattern.compile("Draw-back"));
        Locator draw = page.locator("section[aria-label^='1. Draw-back: ']").first();
        change(1).getByLabel("Suction").fill("55");
        assertThat(draw.getByRole(AriaRole.ALERT)).containsText("40");
        assertThat(page.getByText("goes past a limit", new Page.GetByTextOptions())
                        .first())
                .isVisible();
        change(1).getByLabel("Suction").fill("30");
        assertThat(draw.getByRole(AriaRole.ALERT)).hasCount(0);
        keepThePlan();
        assertThat(draw.getByText("Wet the flat plate")).isVisible();
        assertThat(draw.getByText("wait 24 h")).isVisible();
        draw.getByText("Do this").click();
        anyway(page);
        assertThat(button(page, "Given, not timed")).isEnabled();
        page.keyboard().press("g");
        assertThat(page.getByText(Pattern.compile("; 5 mL so far"))).isVisible();
    }

    /** The base stands in a tray, its seals in a jar beside it; the plan names both, and the soak runs as it says. */
    @Test
    void a_tray_soak_with_its_seals() {
        visit = takeIn(page, "Tray Press", "Tarrow T4");
        checkWithGapsInTwo();
        open("/plan");
        dropAllBut(Pattern.compile("Soak in a tray"));
        keepThePlan();
        Locator tray = page.locator("section[aria-label^='1. ']").first();
        assertThat(tray.getByText("Seals into a closed jar")).isVisible();
        assertThat(tray.getByText("Over the face: level, at least")).isVisible();
        tray.getByText("Do this").click();
        anyway(page);
        choose(group(page, "How deep"), "Only the base");
        button(page, "Start the soak").click();
        page.waitForURL(shop.address + "/visits/" + visit);
        assertThat(page.getByRole(AriaRole.TIMER).first()).isVisible();
        open("/plan");
        assertThat(attempt("No attempt is left")).isVisible();
    }

    /** A page loaded anew in the same moment would not wait for a choice to be kept. */
    private void inUnit(String unit) {
        page.waitForResponse("**/api/session/units", () -> button(page, unit).click());
    }

    @Test
    void a_person_sees_the_units_of_their_choice_everywhere() {
        page.navigate(shop.address + "/sums/SYRINGE");
        inUnit("psi");
        inUnit("fl oz");
        inUnit("°F");
        assertThat(page.getByLabel("Limit of the family")).hasValue("5.802");
        assertThat(page.getByText(Pattern.compile("^Pressure of the syringe 8.78 psi$")))
                .isVisible();
        page.reload();
        assertThat(button(page, "psi")).hasAttribute("aria-pressed", "true");
        visit = takeIn(page, "Ounce Press");
        checkWithGapsInTwo();
        open("/plan");
        assertThat(page.getByText(Pattern.compile("\\d fl oz")).first()).isVisible();
        page.navigate(shop.address + "/sums/SYRINGE");
        button(page, "kPa").click();
        button(page, "mL").click();
        button(page, "°C").click();
        assertThat(page.getByLabel("Limit of the family")).hasValue("40");
    }

    private static final List<String> SUMS = List.of(
            "SYRINGE",
            "STROKE",
            "VISCOSITY",
            "OPEN_SHARE",
            "OPEN_SHARE_BY_FORCE",
            "SOAK",
            "TRAY",
            "LINE",
            "MIXING",
            "SYSTEM",
            "DOSE_COST");

    @Test
    void every_sum_refuses_nonsense_in_place_and_survives_a_reload() {
        for (String sum : SUMS) {
            page.navigate(shop.address + "/sums/" + sum);
            Locator entry =
                    page.locator("main section input[inputmode=decimal]").last();
            assertThat(entry).isVisible();
            entry.fill("-7");
            assertThat(page.getByText(Pattern.compile("^Enter .* to .*\\.$"))).hasCount(1);
            assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Put right")))
                    .isVisible();
            page.reload();
            assertThat(entry).hasValue("-7");
            assertThat(entry).hasAttribute("aria-invalid", "true");
            button(page, "Usual values").click();
            assertThat(entry).hasAttribute("aria-invalid", "false");
            assertThat(page.locator("main section [role=img]")).isVisible();
        }
    }

    /** Before anything is agreed: hands, waits, fluid, cost and chance stand under what was told. */
    @Test
    void a_take_in_says_what_the_visit_is_likely_to_take() {
        link(page, "Take in").click();
        Locator likely = region(page, "Likely to take");
        assertThat(likely).containsText("Choose a family and a symptom");
        select(page, "Family", Pattern.compile("^Vennick B3"));
        choose(group(page, "Symptoms"), "Gaps in several");
        entry(page, "Idle").fill("45");
        assertThat(likely).containsText("dried ink in the nozzles");
        assertThat(likely).containsText("in 2 channels, before any check");
        entry(page, "Price limit").fill("1");
        assertThat(likely.getByRole(AriaRole.ALERT)).containsText("more than the price limit");
    }
}
