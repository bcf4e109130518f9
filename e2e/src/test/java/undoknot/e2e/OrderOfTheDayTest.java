package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Who does what when: proposed, pinned by hand and by keys, tried by a lead, taken home as a calendar, and said at a take-in. */
class OrderOfTheDayTest extends BrowserTest {

    private Page lead;
    private String visit;
    private String tag;

    /** Whatever the time of the test, somebody is there: Wenna, day and night. */
    @BeforeEach
    void somebodyIsThere() {
        lead = newPage(ColorScheme.LIGHT);
        signIn(lead, "oswin");
        lead.navigate(shop.address + "/day/trial");
        Locator wenna = group(lead, "Wenna Tarvick");
        Locator own = wenna.getByLabel("Other hours than the shop");
        if (!own.isChecked()) {
            own.check();
        }
        wenna.getByLabel("From").fill("00:00");
        wenna.getByLabel("Until").fill("23:59");
        button(lead, "Make these the real ones").click();
        assertThat(lead.getByText("These are the hours and places now.")).isVisible();

        signIn(page, "wenna");
        visit = takeIn(page, "Order of the Day Press");
        check(page, visit, "1-12");
        tag = shop.jdbc.queryForObject("select tag from visit where id = ?", String.class, visit);
    }

    private static JsonNode json(Page at, String path) {
        try {
            return new ObjectMapper().readTree(at.request().get(path).text());
        } catch (JsonProcessingException e) {
            throw new AssertionError(e);
        }
    }

    private JsonNode day() {
        return json(page, shop.address + "/api/day").path("day");
    }

    private List<JsonNode> workOf(JsonNode day) {
        List<JsonNode> all = new ArrayList<>();
        for (JsonNode head : day.path("heads")) {
            if (head.path("visitId").asText().equals(visit)) {
                head.path("work").forEach(all::add);
            }
        }
        return all;
    }

    private static Instant from(JsonNode work) {
        return Instant.parse(work.path("from").asText());
    }

    private void propose() {
        page.navigate(shop.address + "/day");
        button(page, "Propose the day").or(button(page, "Propose anew")).first().click();
        assertThat(group(page, "Picture of the day")).isVisible();
        assertThat(page.getByRole(AriaRole.PROGRESSBAR)).hasCount(0);
    }

    private Locator bar(String at) {
        return page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("People"))
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile(tag + ": .*, " + at + " to ")));
    }

    private void pinnedAt(LocalDate date, String time) {
        Instant at = date.atTime(LocalTime.parse(time))
                .atZone(ZoneId.systemDefault())
                .toInstant();
        assertThat(bar(time)).isVisible();
        JsonNode first = workOf(day()).get(0);
        assertEquals(at, from(first));
        assertTrue(first.path("pinned").asBoolean());
    }

    @Test
    void a_step_is_pinned_as_it_is_typed_by_hand_and_by_keys() {
        propose();
        LocalDate tomorrow = LocalDate.now().plusDays(1);
        JsonNode first = workOf(day()).get(0);
        String on = from(first).atZone(ZoneId.systemDefault()).toLocalDate().toString();
        page.navigate(shop.address + "/day?wide=4&on=" + on);
        bar("\\d\\d:\\d\\d").first().click();
        Locator chosen = region(page, "Chosen step");
        chosen.getByLabel("On").fill("2020-01-01");
        button(page, "Pin it here").click();
        assertThat(chosen.getByRole(AriaRole.ALERT)).containsText("This time is past");
        chosen.getByLabel("On").fill(tomorrow.toString());
        chosen.getByLabel("At").fill("10:00");
        button(page, "Pin it here").click();
        page.navigate(shop.address + "/day?wide=4&on=" + tomorrow);
        pinnedAt(tomorrow, "10:00");

        // By hand: half an hour to the right, as far as the picture shows it.
        bar("10:00").scrollIntoViewIfNeeded();
        BoundingBox box = bar("10:00").boundingBox();
        double hour =
                page.evaluate("document.querySelector('[aria-label=\"People\"] > div > div:last-child').clientWidth")
                                instanceof Integer wide
                        ? wide / 24.0
                        : 0;
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + hour / 2, box.y + box.height / 2);
        assertThat(page.getByText("10:30, Wenna Tarvick. Enter pins it here, Escape leaves it."))
                .isVisible();
        page.mouse().up();
        pinnedAt(tomorrow, "10:30");

        bar("10:30").focus();
        page.keyboard().press("Shift+ArrowRight");
        page.keyboard().press("ArrowRight");
        press(page, "Enter");
        pinnedAt(tomorrow, "11:05");

        button(page, "Let it go").click();
        assertThat(button(page, "Let it go")).hasCount(0);
        assertFalse(workOf(day()).get(0).path("pinned").asBoolean());
    }

    @Test
    void a_sick_day_is_tried_without_touching_the_real_one() {
        propose();
        String real = day().toString();
        String setup = json(page, shop.address + "/api/day/setup").toString();
        lead.navigate(shop.address + "/day");
        link(lead, "What if").click();
        Locator away = group(lead, "Wenna Tarvick").getByRole(AriaRole.BUTTON);
        away.nth(0).click();
        entry(lead, "Trays").fill("51");
        button(lead, "Try these").click();
        assertThat(lead.getByText("Enter 0 to 50.")).isVisible();
        entry(lead, "Trays").fill("3");
        button(lead, "Try these").click();
        assertThat(region(lead, "As it would be")).isVisible();
        assertThat(region(lead, "As it would be").getByText(Pattern.compile("later in all\\.")))
                .isVisible();
        AccessibleViews.look(lead, "what if", false);

        assertEquals(real, day().toString());
        assertEquals(setup, json(page, shop.address + "/api/day/setup").toString());
        page.reload();
        assertThat(group(page, "Picture of the day")).isVisible();
    }

    @Test
    void a_persons_calendar_has_every_step_of_theirs() {
        propose();
        JsonNode day = day();
        JsonNode wenna = null;
        for (JsonNode person : day.path("people")) {
            wenna = person.path("name").asText().equals("Wenna Tarvick") ? person : wenna;
        }
        String file = page.request()
                .get(shop.address + link(page, "Calendar of Wenna Tarvick").getAttribute("href"))
                .text();

        ICalendar calendar = Biweekly.parse(file).first();
        List<String> expected = new ArrayList<>();
        for (JsonNode head : day.path("heads")) {
            for (JsonNode work : head.path("work")) {
                if (work.path("personId").equals(wenna.path("id"))) {
                    expected.add(from(work).toString());
                }
            }
        }
        List<String> read = calendar.getEvents().stream()
                .map(event -> event.getDateStart().getValue().toInstant().toString())
                .sorted()
                .toList();
        expected.sort(Comparator.naturalOrder());
        assertEquals(expected, read);
        List<VEvent> mine = calendar.getEvents().stream()
                .filter(event -> event.getSummary().getValue().startsWith(tag))
                .toList();
        assertEquals(workOf(day).size(), mine.size());
        assertEquals(
                mine.size(),
                mine.stream().map(event -> event.getUid().getValue()).distinct().count());
    }

    @Test
    void a_head_that_comes_in_is_told_by_when_it_is_ready_and_moves_nothing_by_itself() {
        propose();
        page.navigate(shop.address + "/take-in");
        select(page, "Family", Pattern.compile("^Vennick B3"));
        choose(group(page, "Symptoms"), "Gaps in one colour");
        Locator said = page.getByText(Pattern.compile("^Ready by .*, nine times in ten"));
        assertThat(said).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Promise ")))
                .click();
        String promised = entry(page, "Promised for").inputValue();
        String serial = "E-day-" + visit.substring(0, 6);
        entry(page, "Customer").fill("Nine in Ten Press");
        entry(page, "Contact").fill("slipway shed");
        entry(page, "Serial").fill(serial);
        choose(group(page, "Ever carried ink that is not for food"), "Yes");
        button(page, "Take it in and make its tag").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+/tag$"));
        String taken = page.url().replaceFirst(".*/visits/([^/]+)/tag$", "$1");
        String by = shop.jdbc.queryForObject(
                "select cast(ready_by as char) from ready_said where id = ?", String.class, taken);
        Instant ready = java.time.LocalDateTime.parse(
                        by.substring(0, 19), DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss"))
                .toInstant(java.time.ZoneOffset.UTC);
        assertEquals(
                promised, ready.atZone(ZoneId.systemDefault()).toLocalDate().toString());

        page.navigate(shop.address + "/day");
        String other = shop.jdbc.queryForObject("select tag from visit where id = ?", String.class, taken);
        assertThat(page.getByText(Pattern.compile(other + " came in since"))).isVisible();
        JsonNode before = day();
        button(page, "Bring it up to date").click();
        assertThat(page.getByText(Pattern.compile(other + " came in since"))).hasCount(0);
        assertNotEquals(before, day());
        assertTrue(day().path("heads").toString().contains(taken));
        assertFalse(before.path("heads").toString().contains(taken));
        AccessibleViews.look(page, "day", false);
        Page dark = newPage(ColorScheme.DARK);
        signIn(dark, "wenna");
        dark.navigate(shop.address + "/day");
        assertThat(group(dark, "Picture of the day")).isVisible();
        AccessibleViews.look(dark, "day in the dark", true);
    }
}
