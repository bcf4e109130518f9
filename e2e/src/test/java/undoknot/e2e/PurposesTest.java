package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.scan.Jpeg;
import undoknot.simulator.StandInHead;
import undoknot.simulator.StandInPrinter;

/** What a bench takes in besides a clogged head of a family that ships: other purposes, other families, other fluids. */
class PurposesTest extends BrowserTest {

    private String visit;

    @BeforeEach
    void signedIn() {
        signIn(page, "wenna");
    }

    private void takeInFor(String purpose, String family, String... absent) {
        page.navigate(shop.address + "/take-in");
        assertThat(entry(page, "Serial")).isFocused();
        entry(page, "Serial").fill("P-" + java.util.UUID.randomUUID().toString().substring(0, 8));
        select(page, "Family", Pattern.compile("^" + family));
        for (String colour : absent) {
            button(page, colour + " is not in this printer").click();
        }
        choose(group(page, "Ever carried ink that is not for food"), "Yes");
        entry(page, "Customer").fill("Hidden Mark Labels");
        entry(page, "Contact").fill("slipway shed");
        choose(group(page, "Came in for"), purpose);
        assertThat(group(page, "Symptoms")).hasCount(purpose.equals("Repair") ? 1 : 0);
        if (purpose.equals("Repair")) {
            choose(group(page, "Symptoms"), "Gaps in one colour");
        }
        button(page, "In 3 days").click();
        button(page, "Take it in and make its tag").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+/tag$"));
        visit = page.url().replaceFirst(".*/visits/([^/]+)/tag$", "$1");
    }

    private void number(String label, String value) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(value);
    }

    private Locator nextStep() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(Pattern.compile("^Next step")));
    }

    private void step(String name, String does) {
        Locator step = region(page, "Next step: " + name);
        assertThat(step).isVisible();
        step.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(does).setExact(true))
                .click();
    }

    private void fireAll() {
        page.navigate(shop.address + "/visits/" + visit + "/check");
        button(page, "All channels fire").click();
        button(page, "Keep this check").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }

    private double drawn() {
        return shop.jdbc.queryForObject(
                "select coalesce(sum(d.volume_ml), 0) from lot_draw d left join attempt a on a.id = d.attempt_id"
                        + " left join procedure_entry e on e.id = d.drawn_for where a.visit_id = ? or e.visit_id = ?",
                Double.class,
                visit,
                visit);
    }

    /** Five channels, each at its port over a pad until that is white; the totals are those of the ledger. */
    @Test
    void an_ink_change_of_five_channels_until_every_pad_is_white() {
        takeInFor("Ink change", "Pellam M5");
        fireAll();
        assertThat(heading(page, "Go on with the steps")).isVisible();
        press(page, "Enter");
        assertThat(heading(page, "Ink change")).isVisible();
        number("Ink in one channel, its line included", "2.4");
        number("Name of the new ink", "Nightshade hidden mark");
        assertThat(region(page, "The sum")).containsText("99.5 mL for 5 channels");
        button(page, "Keep this sum").click();
        step("Cartridge out, stood as it stood", "All 5, in this order");
        step("Sheet, paper catch and lint-free pad laid in", "Done");
        for (String code : List.of("Y", "G", "C", "M", "K")) {
            Locator rows = region(page, "Channel by channel");
            rows.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Flush " + code))
                    .click();
            assertThat(page.getByLabel("Dose")).isVisible();
            page.getByLabel("Dose").fill("15");
            page.keyboard().press("Tab");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Given, not timed")))
                    .click();
            assertThat(page.getByText(Pattern.compile("^Stroke 1: 15 mL"))).isVisible();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Like fresh fluid")))
                    .click();
            page.navigate(shop.address + "/visits/" + visit + "/steps");
            nextStep()
                    .getByRole(
                            AriaRole.BUTTON,
                            new Locator.GetByRoleOptions().setName(code).setExact(true))
                    .click();
            choose(nextStep(), "no colour");
            assertThat(region(page, "Entries")).containsText(code + ": Fresh pad looked at: no colour");
        }
        Assertions.assertEquals(75, drawn(), 1e-9);
        assertThat(region(page, "Drawn so far")).containsText("75 mL of 99.5 mL worked out");
        step("Everything that was laid in is out", "Done");
        step("New cartridge seated, seen by light and menu", "All 5, in this order");
        assertThat(link(page, "All steps done: go on")).isVisible();
        page.navigate(shop.address + "/visits/" + visit);
        region(page, "What now").getByText("Both dry").click();
        assertThat(heading(page, "Read a check again")).isVisible();
        fireAll();
        Assertions.assertEquals(
                Boolean.TRUE,
                shop.jdbc.queryForObject(
                        "select h.ever_non_food from head h join visit v on v.head_id = h.id where v.id = ?",
                        Boolean.class,
                        visit));
        page.navigate(shop.address + "/visits/" + visit + "/return");
        assertThat(button(page, "Changed over to the new ink")).hasAttribute("aria-pressed", "true");
        button(page, "Sign off and return").click();
        assertThat(heading(page, "Changed over to the new ink")).isVisible();
    }

    /** Three bottles, waste emptied, tinted at first and then the same as fresh; stored with its label. */
    @Test
    void a_whole_system_flush_tinted_and_then_clear() {
        takeInFor("Whole-system flush", "Hulver W8", "Light black", "Orange", "Silver", "White", "Yellow", "Magenta");
        page.navigate(shop.address + "/visits/" + visit + "/steps");
        for (Map.Entry<String, String> typed : Map.of(
                        "Reservoir of the settling ink", "0",
                        "Filled with cleaner", "0",
                        "Cleaner in each bottle", "20",
                        "Strong cycles", "3",
                        "A strong cycle draws", "60",
                        "A normal cycle draws", "15",
                        "For wiping", "10",
                        "A waste bottle holds", "250")
                .entrySet()) {
            number(typed.getKey(), typed.getValue());
        }
        assertThat(region(page, "The sum")).containsText("286 mL of cleaner, reserve included; 2 waste bottles");
        button(page, "Keep this sum").click();
        bottle("Sluice pigment flush");
        step("Bottle of ink swapped for one of cleaner", "K");
        assertThat(region(page, "Steps")).containsText("1 of 2; left: C");
        bottle("Cablecombe head cleaner");
        step("Bottle of ink swapped for one of cleaner", "C");
        assertThat(region(page, "Steps")).containsText("Bottle of ink swapped for one of cleaner, 2 of 2");
        button(page, "Topped up with cleaner").click();
        bottle("Deionised water");
        number("How much", "10");
        step("Topped up with cleaner", "Done");
        page.navigate(shop.address + "/visits/" + visit + "/ruleouts");
        region(page, "Waste store")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions()
                                .setName(Pattern.compile("^(?!.*full).*(room|space)", Pattern.CASE_INSENSITIVE)))
                .first()
                .click();
        assertThat(page.getByRole(
                        AriaRole.STATUS, new Page.GetByRoleOptions().setName("What the last finding changed")))
                .isVisible();
        page.navigate(shop.address + "/visits/" + visit + "/steps");
        cycles(3);
        step("Lines looked at", "a slight stain");
        test("tinted");
        assertThat(region(page, "Steps")).containsText("Strong cycle, 3 of 5");
        cycles(2);
        test("same as fresh");
        number("What the label says", "Full of cleaner, wake by charge and check");
        step("Stored full of cleaner, labelled", "Done");
        assertThat(link(page, "All steps done: go on")).isVisible();
        Assertions.assertEquals(50, drawn(), 1e-9);
        Assertions.assertEquals(
                3,
                shop.jdbc.queryForObject(
                        "select count(distinct lot_id) from procedure_entry where visit_id = ?", Integer.class, visit));
        Assertions.assertEquals(
                5,
                shop.jdbc.queryForObject(
                        "select count(*) from procedure_entry where visit_id = ? and act = 'WASTE_EMPTIED'",
                        Integer.class,
                        visit));
        page.navigate(shop.address + "/visits/" + visit + "/return");
        assertThat(button(page, "Stored full of cleaner")).hasAttribute("aria-pressed", "true");
        button(page, "Sign off and return").click();
        assertThat(heading(page, "Stored full of cleaner")).isVisible();
    }

    private void bottle(String name) {
        select(page, "Fluid and lot", Pattern.compile("^" + name));
    }

    private void cycles(int times) {
        for (int i = 0; i < times; i++) {
            step("Strong cycle", "It has run");
            step("Waste bottle emptied", "Done");
        }
    }

    private void test(String finding) {
        step("Waste bottle washed", "Done");
        step("Normal cycle into the washed bottle", "It has run");
        assertThat(region(page, "Steps")).containsText("Normal cycle into the washed bottle, 1 of 2");
        step("Normal cycle into the washed bottle", "It has run");
        step("Sample held beside fresh cleaner", finding);
    }

    /** A lead copies a family, takes a channel away and adds a fitting; a head of it goes all its way. */
    @Test
    void a_family_of_the_shops_own_from_the_lead_to_a_returned_head() throws IOException {
        Page lead = newPage(com.microsoft.playwright.options.ColorScheme.LIGHT);
        lead.navigate(shop.address);
        signIn(lead, "oswin");
        lead.navigate(shop.address + "/families");
        region(lead, "Tarrow T4")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Copy"))
                .click();
        entry(lead, "Short code").fill("ZANDER-T3");
        entry(lead, "Name").fill("Zander T3");
        button(lead, "Take channel Y away").click();
        lead.getByLabel("Ink enters by").first().fill("sleeve over the inlet, 3 mm");
        lead.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^What fits")))
                .first()
                .click();
        lead.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Short sleeve"))
                .click();
        number(lead, "Drive groups a channel", "5");
        entry(lead, "Why").fill("came in from the harbour office");
        button(lead, "Keep this family").click();
        assertThat(lead.getByText("192 nozzles do not part into 5 equal groups"))
                .isVisible();
        number(lead, "Drive groups a channel", "4");
        button(lead, "Keep this family").click();
        assertThat(region(lead, "Zander T3")).isVisible();

        takeInFor("Repair", "Zander T3");
        upload(sheet(), "Totals");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Accept as check 1")))
                .click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        assertThat(region(page, "Nozzle checks")).containsText("0 out of 576");
        page.navigate(shop.address + "/visits/" + visit + "/return");
        assertThat(button(page, "Recovered")).hasAttribute("aria-pressed", "true");
        button(page, "Sign off and return").click();
        assertThat(heading(page, "Recovered")).isVisible();
    }

    private static void number(Page at, String label, String value) {
        at.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(value);
    }

    /** A check of a sound head of the copied family on the paper of its own layout, scanned. */
    private static FilePayload sheet() throws IOException {
        Family tarrow = StarterFamilies.ALL.stream()
                .filter(f -> f.code().equals("TARROW-T4"))
                .findFirst()
                .orElseThrow();
        Family zander = new Family(
                "ZANDER-T3",
                "Zander T3",
                tarrow.construction(),
                tarrow.channels().subList(0, 3),
                tarrow.stairs(),
                tarrow.steps(),
                tarrow.driveGroups(),
                tarrow.boreUm(),
                tarrow.plateUm(),
                List.of());
        CheckLayout layout = StarterLayouts.of(zander);
        StandInHead head = new StandInHead(zander, List.of(), 7);
        byte[] file = Jpeg.of(
                StandInPrinter.print(layout, head.print(), undoknot.simulator.ScanStyle.FLATBED.scanning(), 7), 0.9);
        return new FilePayload("zander.jpg", "image/jpeg", file);
    }

    private void upload(FilePayload file, String seen) {
        page.navigate(shop.address + "/visits/" + visit + "/read");
        assertThat(heading(page, "Drop the scanned check here")).isVisible();
        page.getByLabel("Scan file").setInputFiles(file);
        assertThat(heading(page, seen)).isVisible();
    }

    @Test
    void a_capping_fluid_is_mixed_and_used() {
        page.navigate(shop.address + "/shelf");
        button(page, "Mix").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        number("How much to make", "60");
        assertThat(dialog).containsText("30 mL of");
        number("Lot for its label", "CF-E2E");
        assertThat(dialog).containsText("From what is left");
        button(page, "Mix it and put it on the shelf").click();
        assertThat(dialog).hasCount(0);
        assertThat(page.getByText("CF-E2E, Mixed here")).isVisible();
        visit = takeIn(page, "Mixing Press");
        page.navigate(shop.address + "/visits/" + visit + "/attempt/handwork?method=STATION");
        select(page, "Fluid and lot", Pattern.compile("CF-E2E"));
        page.getByLabel(Pattern.compile("^Fluid from the bottle above")).fill("3");
        button(page, "Log this work").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        Assertions.assertEquals(
                57,
                shop.jdbc.queryForObject("select remaining_ml from fluid_lot where lot_code = 'CF-E2E'", Double.class));
    }

    /** Damper after damper in the order of the ports: one is blocked, the rest free in one tap. */
    @Test
    void eight_dampers_in_port_order_with_one_bad() {
        visit = takeIn(page, "Eight Dampers Press", "Hulver W8");
        page.navigate(shop.address + "/visits/" + visit + "/ruleouts");
        Locator damper = region(page, "Damper");
        Locator channels =
                damper.getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Channel for damper"));
        choose(
                damper.getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Findings of Damper")),
                "Pulls freely");
        assertThat(channels.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("C"))
                        .first())
                .hasAttribute("aria-pressed", "true");
        damper.getByLabel("Note, if wanted").fill("nothing comes");
        damper.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Nothing comes")))
                .first()
                .click();
        damper.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions()
                                .setName(Pattern.compile("^All the others \\(M, Y, LK, O, S, W\\)")))
                .click();
        assertThat(damper.getByText(Pattern.compile("^W: "))).isVisible();
        Assertions.assertEquals(
                List.of(
                        "C PULL_BLOCKED",
                        "K PULL_FREE",
                        "LK PULL_FREE",
                        "M PULL_FREE",
                        "O PULL_FREE",
                        "S PULL_FREE",
                        "W PULL_FREE",
                        "Y PULL_FREE"),
                shop.jdbc.queryForList(
                        "select concat(channel, ' ', sign) from finding where visit_id = ? order by channel",
                        String.class,
                        visit));
    }

    @Test
    void a_head_is_judged_and_signed_off_by_bars_alone() {
        visit = takeIn(page, "Bars Alone Press");
        bars("pale");
        page.navigate(shop.address + "/visits/" + visit);
        assertThat(heading(page, "What now").or(region(page, "What now"))).isVisible();
        page.navigate(shop.address + "/visits/" + visit + "/attempt/cycle?channels=C");
        anyway(page);
        button(page, "Log these cycles").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        bars("full");
        page.navigate(shop.address + "/visits/" + visit + "/compare");
        assertThat(page.getByText(Pattern.compile("better \\(pale, now full\\)")))
                .isVisible();
        // What passes once and fails after a page is not finished.
        page.navigate(shop.address + "/visits/" + visit + "/return");
        assertThat(button(page, "Recovered")).hasAttribute("aria-pressed", "false");
        region(page, "Still open")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Print a page"))
                .click();
        anyway(page);
        button(page, "Log this work").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        bars("full");
        page.navigate(shop.address + "/visits/" + visit + "/return");
        assertThat(button(page, "Recovered")).hasAttribute("aria-pressed", "true");
        button(page, "Sign off and return").click();
        assertThat(page.getByText("Bars do not show single gaps.")).isVisible();
        page.getByLabel(Pattern.compile("^The customer was told")).check();
        button(page, "Sign off and return").click();
        assertThat(heading(page, "Recovered")).isVisible();
    }

    private void bars(String cyan) {
        page.navigate(shop.address + "/visits/" + visit + "/check");
        button(page, "Bars, stream or pad").click();
        choose(group(page, "What is read"), "Solid bars");
        choose(group(page, "Cyan: what is seen"), cyan);
        choose(group(page, "Magenta: what is seen"), "full");
        choose(group(page, "Yellow: what is seen"), "full");
        button(page, "Keep this check").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }
}
