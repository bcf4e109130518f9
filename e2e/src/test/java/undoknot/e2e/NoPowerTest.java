package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.RequestOptions;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A wet head cannot be powered by following the screen, nor by going around it. */
class NoPowerTest extends BrowserTest {

    private String visit;

    @BeforeEach
    void technician() {
        signIn(page, "wenna");
    }

    private void openVisit() {
        page.navigate(shop.address + "/visits/" + visit);
        assertThat(region(page, "What now")).isVisible();
    }

    private String csrf() {
        return page.context().cookies().stream()
                .filter(cookie -> cookie.name.equals("XSRF-TOKEN"))
                .map((Cookie cookie) -> cookie.value)
                .findFirst()
                .orElseThrow();
    }

    private APIResponse put(String path, Object body) {
        return page.request()
                .put(
                        shop.address + "/api/visits/" + visit + path + UUID.randomUUID(),
                        RequestOptions.create()
                                .setHeader("X-XSRF-TOKEN", csrf())
                                .setData(body));
    }

    private static Map<String, Object> work(String method) {
        boolean byStrokes = undoknot.treatment.Method.valueOf(method).isByStrokes();
        Object stroke = Map.of("channel", "C", "volumeMl", 0);
        return Map.of(
                "treatment",
                byStrokes
                        ? Map.of(
                                "kind",
                                "FLUSH",
                                "flush",
                                Map.of("method", method, "temperatureC", 20, "strokes", List.of(stroke)))
                        : Map.of("kind", "HANDWORK", "handwork", Map.of("method", method, "channels", List.of("C"))));
    }

    /** Every act that needs the mains: not offered, said in its form, and refused by the server. */
    private void nothingHasPower(String says) {
        openVisit();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No power");
        assertThat(page.getByRole(
                        AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^(Printer cycle|Read a)"))))
                .hasCount(0);
        assertThat(heading(page, "Read a check again")).hasCount(0);

        page.navigate(shop.address + "/visits/" + visit + "/attempt/cycle");
        assertThat(inTheWay()).containsText(says);
        page.navigate(shop.address + "/visits/" + visit + "/attempt/handwork?method=PAGE");
        assertThat(inTheWay()).containsText(says);
        page.navigate(shop.address + "/visits/" + visit + "/check");
        button(page, "A check was printed").click();
        button(page, "All channels fire").click();
        button(page, "Keep this check").click();
        assertThat(inTheWay()).containsText(says);
        button(page, "Throw it away").click();
        page.navigate(shop.address + "/visits/" + visit + "/ruleouts");
        choose(group(page, "Findings of Errors cleared"), "No error stands");
        assertThat(inTheWay()).containsText(says);

        for (String method : List.of("PAGE", "CHARGE", "ALIGN", "SYSTEM")) {
            Assertions.assertEquals(422, put("/attempts/", work(method)).status(), method);
        }
        for (String strength : List.of("LIGHT", "STRONG")) {
            Map<String, Object> cycle = Map.of(
                    "kind", "CYCLE", "cycle", Map.of("channels", List.of("C"), "strength", strength, "count", 1));
            Assertions.assertEquals(
                    422, put("/attempts/", Map.of("treatment", cycle)).status(), strength);
        }
        for (String sign : List.of("ERRORS_NONE", "RECOGNISED", "COOL_RUNS")) {
            Assertions.assertEquals(422, put("/findings/", Map.of("sign", sign)).status(), sign);
        }
        Map<String, Object> bars = Map.of("kind", "BARS", "channels", Map.of("C", Map.of("level", "BAR_FULL")));
        Assertions.assertEquals(422, put("/checks/", Map.of("coarse", bars)).status(), "bars");
        openVisit();
    }

    private Locator inTheWay() {
        return page.getByRole(AriaRole.STATUS, new Page.GetByRoleOptions().setName("In the way"));
    }

    /** Logs work the way its own page does it: by a stroke, by a turn, or whole. */
    private void log(String method) {
        String form = Map.of("DRAW_BACK", "attempt/flush?method=DRAW_BACK&channels=C", "RINSE", "rinse")
                .getOrDefault(method, "attempt/handwork?method=" + method + "&channels=C");
        page.navigate(shop.address + "/visits/" + visit + "/" + form);
        String does = Map.of("DRAW_BACK", "Given, not timed", "RINSE", "Log this turn")
                .getOrDefault(method, "Log this work");
        assertThat(button(page, does)).isVisible();
        if (button(page, "The customer asked").count() > 0) {
            anyway(page);
        }
        button(page, does).click();
        if (!does.equals("Log this work")) {
            button(page, "Stop here").click();
        }
        page.waitForURL(shop.address + "/visits/" + visit);
    }

    private void refitAndPrime(String channels) {
        openVisit();
        assertThat(heading(page, "Refit the head first")).isVisible();
        region(page, "What now").getByText("Head is back in").click();
        assertThat(heading(page, "Light printer cycle: " + channels)).isVisible();
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    private void firstCheck() {
        check(page, visit, "3-9");
    }

    @Test
    void a_draw_back_on_a_laminated_head_goes_through_its_hold_to_power_on() {
        visit = takeIn(page, "Drawn Through", "Skerrin L4");
        firstCheck();
        log("DRAW_BACK");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No power until");
        nothingHasPower("A dry hold forbids power now.");
        Page stranger = newPage(com.microsoft.playwright.options.ColorScheme.LIGHT);
        String tag = shop.jdbc.queryForObject("select tag from visit where id = ?", String.class, visit);
        stranger.navigate(shop.address + "/t/" + tag);
        assertThat(stranger.getByRole(AriaRole.HEADING)).containsText("No power until");
        assertThat(stranger.getByText("Drawn Through")).hasCount(0);
        hoursPass(visit, 23);
        nothingHasPower("A dry hold forbids power now.");
        hoursPass(visit, 2);
        refitAndPrime("C");
        stranger.reload();
        assertThat(stranger.getByRole(AriaRole.HEADING)).hasText("Power is allowed.");
        check(page, visit, "3");
    }

    @Test
    void a_rinse_with_two_wettings_is_one_hold() {
        visit = takeIn(page, "Rinsed Twice");
        firstCheck();
        log("RINSE");
        hoursPass(visit, 1);
        log("STEAM");
        region(page, "What now").getByText("Both dry").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No power until");
        assertThat(page.getByRole(AriaRole.ALERT))
                .containsText(Pattern.compile("warm water.*Steam", Pattern.CASE_INSENSITIVE));
        hoursPass(visit, 10);
        nothingHasPower("A dry hold forbids power now.");
        hoursPass(visit, 2);
        refitAndPrime("C, M, Y");
    }

    @Test
    void a_pad_over_night_keeps_the_power_off_until_it_is_out() {
        visit = takeIn(page, "Over Night");
        firstCheck();
        log("PAD");
        hoursPass(visit, 12);
        nothingHasPower("A pad lies under the head: no power.");
        assertThat(heading(page, "Take the pad out")).isVisible();
        press(page, "Enter");
        assertThat(heading(page, "Read a check again")).isVisible();
        check(page, visit, "3");
    }
}
