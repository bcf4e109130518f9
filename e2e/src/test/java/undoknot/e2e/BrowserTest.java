package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.RegisterExtension;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;

/** What tests of the interface share: a page, signing in, finding things by what a person sees, and double taps. */
abstract class BrowserTest {

    static final String PASSWORD = "quay-lantern";

    private static final double PATIENCE_MS = 60_000;

    /**
     * What a page hears of comes in well under two seconds ({@code bench/together} measures it); on a busy machine within what is far
     * below the minutes after which it would have looked by itself.
     */
    static final LocatorAssertions.IsVisibleOptions SOON = new LocatorAssertions.IsVisibleOptions().setTimeout(10_000);

    final Shop shop = Shop.open();
    private final List<BrowserContext> contexts = new ArrayList<>();
    private final List<String> broken = new ArrayList<>();
    Page page;

    static {
        // Five seconds are usual. A sheet printed, scanned and read on a busy machine with two cores takes up to half a
        // minute.
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MS);
    }

    /** What the last page showed when a test failed: a machine elsewhere has no eyes. */
    @RegisterExtension
    final AfterTestExecutionCallback shown = test -> test.getExecutionException()
            .ifPresent(failure -> contexts.stream()
                    .flatMap(context -> context.pages().stream())
                    .forEach(at -> System.out.println("shown at " + at.url() + "\n"
                            + at.locator("body").innerText().replaceAll("\\s*\\n\\s*", " | "))));

    @BeforeEach
    void openPage() {
        page = newPage(ColorScheme.LIGHT);
    }

    @AfterEach
    void closePages() {
        contexts.forEach(BrowserContext::close);
        Assertions.assertEquals(List.of(), broken, "scripts failed on a page");
    }

    Page newPage(ColorScheme scheme) {
        BrowserContext context = shop.browser.newContext(
                new Browser.NewContextOptions().setViewportSize(1280, 800).setColorScheme(scheme));
        contexts.add(context);
        Page fresh = context.newPage();
        fresh.onPageError(broken::add);
        fresh.setDefaultTimeout(PATIENCE_MS);
        return fresh;
    }

    /** The password's own field; other things of a page may carry the word in their names. */
    static Locator passwordOf(Page at) {
        return at.getByLabel("Password", new Page.GetByLabelOptions().setExact(true));
    }

    void signIn(Page at, String name) {
        at.navigate(shop.address);
        at.getByLabel("Name").fill(name);
        passwordOf(at).fill(PASSWORD);
        button(at, "Sign in").click();
        assertThat(heading(at, "The bench")).isVisible();
    }

    /** Says of everything that is asked about a scan that somebody looked. */
    static void lookFirst(Page at) {
        Locator asked = at.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Look at it first"));
        for (Locator tick : asked.getByRole(AriaRole.CHECKBOX).all()) {
            tick.check();
        }
    }

    static Locator button(Page at, String name) {
        return at.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator link(Page at, String name) {
        return at.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator heading(Page at, String name) {
        return at.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator group(Page at, String name) {
        return at.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator region(Page at, String name) {
        return at.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** An entry by its label, with or without the sign that it is required; the pattern is run by the browser. */
    static Locator entry(Page at, String label) {
        return at.getByLabel(Pattern.compile("^" + label + "\\s*\\*?$"));
    }

    static void choose(Locator from, String option) {
        from.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    static void select(Page at, String label, Pattern option) {
        at.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^" + label)))
                .click();
        at.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option))
                .first()
                // By its key: on a busy machine the list may still be growing under a driver's mouse.
                .press("Enter");
    }

    /** A key, once what it answers has stood there long enough to be read: until then it rests. */
    static void press(Page at, String key) {
        assertThat(at.locator("[data-rests]")).hasCount(0);
        at.keyboard().press(key);
    }

    /** The double tap of a wet glove. */
    static void doubleTap(Locator button) {
        button.dblclick();
    }

    /**
     * A scanner that types: the signs of a tag and Enter at once. A driver's key presses each wait for the page, which
     * on a busy machine is as slow as a hand.
     */
    static void scan(Page at, String tag) {
        at.evaluate(
                "tag => [...tag, 'Enter'].forEach(key => document.activeElement.dispatchEvent("
                        + "new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true })))",
                tag);
    }

    /** Does something else than is advised, and says why by one tap. */
    static void anyway(Page at) {
        button(at, "The customer asked").click();
    }

    /** Nobody waits a day in a test: everything that was logged on a visit was logged so much earlier. */
    void hoursPass(String visit, int hours) {
        for (String column : List.of(
                "attempt.started_at",
                "attempt.ended_at",
                "head_entry.entered_at",
                "nozzle_check.taken_at",
                "finding.found_at",
                "step_clock.started_at",
                "step_clock.stopped_at",
                "off_part.off_at",
                "off_part.back_at")) {
            String[] part = column.split("\\.");
            shop.jdbc.update(
                    "update " + part[0] + " set " + part[1] + " = " + part[1] + " - interval ? hour where visit_id = ?",
                    hours,
                    visit);
        }
        shop.jdbc.query(
                "select id, record, noted from attempt where visit_id = ?",
                rows -> {
                    shop.jdbc.update(
                            "update attempt set record = ?, noted = ? where id = ?",
                            earlier(rows.getString("record"), hours),
                            earlier(rows.getString("noted"), hours),
                            rows.getString("id"));
                },
                visit);
        shop.jdbc.query(
                "select run from in_hand where id = ?",
                rows -> {
                    shop.jdbc.update(
                            "update in_hand set run = ? where id = ?", earlier(rows.getString("run"), hours), visit);
                },
                visit);
        shop.jdbc.update(
                "update visit set changes = changes + 1, opened_at = opened_at - interval ? hour where id = ?",
                hours,
                visit);
    }

    /** The same record, its strokes and turns so much earlier. */
    private static String earlier(String json, int hours) {
        return json == null
                ? null
                : Pattern.compile("(?<=\"(?:at|begunAt)\":\")[^\"]+")
                        .matcher(json)
                        .replaceAll(at -> java.time.Instant.parse(at.group())
                                .minus(java.time.Duration.ofHours(hours))
                                .toString());
    }

    /** After fluid in the carriage: the pad is taken out, contacts and board are looked at and dry. */
    void padOutAndDry(Page at) {
        region(at, "What now")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Pad out")))
                .click();
        region(at, "What now").getByText("Both dry").click();
        assertThat(at.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    /** Takes in a Vennick B3 and gives the key of its visit. */
    String takeIn(Page at, String customer) {
        return takeIn(at, customer, "Vennick B3");
    }

    String takeIn(Page at, String customer, String family) {
        return takeIn(at, customer, family, "Gaps in one colour");
    }

    private static final Map<String, String> SYMPTOMS =
            Map.of("Gaps in several", "GAPS_SEVERAL", "Smears", "SMEARS", "Starves", "STARVES_DOWN_THE_SHEET");

    /** Takes a head in the way a screen sends it, for walks that are about something else. */
    String takeIn(Page at, String customer, String family, String symptom) {
        Family starter = StarterFamilies.ALL.stream()
                .filter(f -> f.name().equals(family))
                .findFirst()
                .orElseThrow();
        String id = UUID.randomUUID().toString();
        Map<String, Object> intake = Map.ofEntries(
                Map.entry("customerId", UUID.randomUUID().toString()),
                Map.entry("customerName", customer),
                Map.entry("contact", "slipway shed"),
                Map.entry("familyCode", starter.code()),
                Map.entry("headId", UUID.randomUUID().toString()),
                Map.entry("serial", "E-" + id.substring(0, 8)),
                Map.entry(
                        "ports",
                        starter.channels().stream()
                                .map(c -> Map.of(
                                        "channel",
                                        c.code(),
                                        "inkInLine",
                                        c.colour(),
                                        "chemistry",
                                        "DYE",
                                        "makersOwn",
                                        true))
                                .toList()),
                Map.entry("symptoms", List.of(SYMPTOMS.getOrDefault(symptom, "GAPS_ONE_COLOUR"))),
                Map.entry("everNonFood", "YES"),
                Map.entry("jobClass", "GENERAL"),
                Map.entry("promisedOn", java.time.LocalDate.now().plusDays(4).toString()));
        Object status = at.evaluate(
                "async ([id, intake]) => (await fetch('/api/visits/' + id, { method: 'PUT', headers: {"
                        + "'Content-Type': 'application/json', 'X-XSRF-TOKEN': document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1] },"
                        + " body: JSON.stringify({ intake }) })).status",
                List.of(id, intake));
        org.junit.jupiter.api.Assertions.assertEquals(200, status);
        return id;
    }

    /** The same by what a technician sees. */
    String takeInByScreen(Page at, String customer, String family, String symptom) {
        String serial = "E-" + UUID.randomUUID().toString().substring(0, 8);
        at.navigate(shop.address + "/take-in");
        entry(at, "Customer").fill(customer);
        entry(at, "Contact").fill("slipway shed");
        entry(at, "Serial").fill(serial);
        select(at, "Family", Pattern.compile("^" + family));
        choose(group(at, "Ever carried ink that is not for food"), "Yes");
        choose(group(at, "Symptoms"), symptom);
        entry(at, "Promised for").fill(java.time.LocalDate.now().plusDays(4).toString());
        button(at, "Take it in and make its tag").click();
        at.waitForURL(Pattern.compile("/visits/[^/]+/tag$"));
        return at.url().replaceFirst(".*/visits/([^/]+)/tag$", "$1");
    }

    /** Records a check in which the nozzles said are missing in the first channel, all others firing. */
    void check(Page at, String visit, String missing) {
        at.navigate(shop.address + "/visits/" + visit + "/check");
        button(at, "All channels fire").click();
        at.getByLabel(Pattern.compile("^Missing in")).fill(missing);
        button(at, "Set").click();
        assertThat(at.getByLabel(Pattern.compile("^Missing in"))).hasValue("");
        button(at, "Keep this check").click();
        at.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }
}
