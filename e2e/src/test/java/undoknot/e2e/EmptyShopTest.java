package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.servlet.context.ServletWebServerApplicationContext;
import undoknot.server.UndoKnotServer;

/** A shop of its own, from the code at the console to the first signed report, by two people. */
class EmptyShopTest extends BrowserTest {

    private static final Pattern CODE = Pattern.compile("use the code ([A-Z0-9-]{14})");
    private static final String LEAD = "tide mill lantern cord";
    private static final String TECHNICIAN = "rope walk under elms";

    private final ByteArrayOutputStream console = new ByteArrayOutputStream();
    private ServletWebServerApplicationContext server;
    private String address;

    @BeforeEach
    void start_empty() {
        PrintStream usual = System.out;
        // What ./start reads the code from.
        System.setOut(new PrintStream(console, true, StandardCharsets.UTF_8));
        server = (ServletWebServerApplicationContext) new SpringApplication(UndoKnotServer.class)
                .run(
                        "--spring.datasource.url=" + System.getenv("UNDOKNOT_DB_URL") + "_browser"
                                + System.getProperty("undoknot.fork", "") + "_empty",
                        "--server.port=0",
                        "--undoknot.demo=false");
        System.setOut(usual);
        address = "http://127.0.0.1:" + server.getWebServer().getPort();
    }

    @AfterEach
    void stop() {
        server.close();
    }

    @Test
    void from_the_code_to_the_first_signed_report() {
        Matcher code = CODE.matcher(console.toString(StandardCharsets.UTF_8));
        Assertions.assertTrue(code.find(), "no code was printed");
        page.navigate(address);
        firstAccount("AAAA-BBBB-CCCC", LEAD);
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("not the code");
        page.getByLabel("Code from the console").fill(code.group(1));
        button(page, "Make the first account").click();
        assertThat(heading(page, "Set up the shop")).isVisible();
        page.getByLabel("Name on paper").fill("Whelk Lane Heads");
        page.getByLabel("Address on paper").fill("Whelk Lane 3");
        page.getByLabel("Tax on a bill").fill("21");
        page.getByLabel("Time zone of what stands on paper").fill("Europe/Lisbon");
        page.getByLabel("Opens").fill("17:00");
        page.getByLabel("Closes").fill("08:30");
        button(page, "Set up the shop").click();
        assertThat(page.getByText("closes after it opens")).isVisible();
        page.getByLabel("Opens").fill("08:30");
        page.getByLabel("Closes").fill("17:00");
        button(page, "Set up the shop").click();

        assertThat(heading(page, "Add somebody")).isVisible();
        page.getByLabel("Name on paper").fill("Pascoe Hind");
        page.getByLabel("Name to sign in with").fill("pascoe");
        button(page, "Add the account").click();
        String slip = page.getByText(Pattern.compile("^[A-Z0-9]{4}-[A-Z0-9]{4}-[A-Z0-9]{4}$"))
                .innerText();
        Page tablet = page;
        page = newPage(ColorScheme.LIGHT);
        page.navigate(address);
        page.getByLabel("Name").fill("pascoe");
        BrowserTest.passwordOf(page).fill(slip.toLowerCase());
        button(page, "Sign in").click();
        page.getByLabel("New password").fill(TECHNICIAN);
        button(page, "Sign in").click();
        assertThat(page.getByText("No head is in the shop")).isVisible();
        String visit = takeIn(page, "Whelk Lane Posters");
        page.navigate(address + "/visits/" + visit + "/check");
        button(page, "No check possible").click();
        page.getByLabel("Why not").fill("the printer is not here");
        button(page, "Keep this check").click();
        page.navigate(address + "/visits/" + visit + "/return");
        button(page, "Stopped for cost").click();
        page.getByLabel("A word to the customer").fill("the customer buys a new head");
        button(page, "Sign off and return").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        page.navigate(address + "/api/visits/" + visit + "/report.html");
        assertThat(page.locator("body")).containsText("Whelk Lane Heads");
        assertThat(page.locator("body")).containsText("Pascoe Hind");
        assertThat(page.locator("body")).containsText("open Monday to Friday, 08:30 to 17:00");
        changeOver(tablet);
    }

    /** The lead trusts the tablet on the bench and chooses a PIN; after a sign-out a tap and four digits are enough. */
    private void changeOver(Page tablet) {
        tablet.getByLabel("Name of this device").fill("Bench 1");
        button(tablet, "Trust this device").click();
        assertThat(tablet.getByText("this one")).isVisible();
        tablet.navigate(address + "/me");
        tablet.getByLabel("Your password").fill(LEAD);
        tablet.getByLabel("PIN, four digits").fill("1234");
        button(tablet, "Keep the PIN").click();
        assertThat(tablet.getByText("tried first")).isVisible();
        tablet.getByLabel("PIN, four digits").fill("4827");
        button(tablet, "Keep the PIN").click();
        assertThat(tablet.getByText("The PIN stands from now on.")).isVisible();
        button(tablet, "Sign out").click();
        button(tablet, "Tamsin Rowe").click();
        for (String digit : "4827".split("")) {
            button(tablet, digit).click();
        }
        assertThat(heading(tablet, "The bench")).isVisible();
        tablet.navigate(address + "/accounts");
        assertThat(tablet.getByText("A PIN opens the work, not the accounts.")).isVisible();
    }

    private void firstAccount(String code, String password) {
        page.getByLabel("Code from the console").fill(code);
        page.getByLabel("Your name on paper").fill("Tamsin Rowe");
        page.getByLabel("Name to sign in with").fill("tamsin");
        BrowserTest.passwordOf(page).fill(password);
        page.getByLabel("Password again").fill(password);
        button(page, "Make the first account").click();
    }
}
