package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Bad input gets a message in its place that says what to do, and nothing already entered is lost. */
class WrongInputTest extends BrowserTest {

    @BeforeEach
    void technician() {
        signIn(page, "wenna");
    }

    private Locator said(String message) {
        return page.getByText(message, new Page.GetByTextOptions().setExact(true));
    }

    @Test
    void take_in_names_every_wrong_entry_and_keeps_the_rest() {
        page.navigate(shop.address + "/take-in");
        entry(page, "Contact").fill("kept all along");
        entry(page, "Idle").fill("many");
        button(page, "Take it in and make its tag").click();
        assertThat(said("Enter a number, such as 12 or 12.5.")).isVisible();

        entry(page, "Idle").fill("-4");
        entry(page, "A whole new printer costs").fill("-1");
        entry(page, "Printer cycles already").fill("1000");
        button(page, "Ink, cartridges, dampers, climate").click();
        entry(page, "Age of the ink").fill("601");
        entry(page, "Refills").fill("100");
        entry(page, "Promised for").fill("2020-02-02");
        button(page, "Take it in and make its tag").click();
        assertThat(said("Enter the customer's name.")).isVisible();
        assertThat(said("Enter the serial. No serial on the head: write one on its tag."))
                .isVisible();
        assertThat(said("Choose a family.")).isVisible();
        assertThat(said("Choose at least one symptom.")).isVisible();
        assertThat(said("Enter at most 999 cycles.")).isVisible();
        assertThat(said("Enter at most 600 months.")).isVisible();
        assertThat(said("Enter at most 99 refills.")).isVisible();
        assertThat(said("Enter 0 or more.")).hasCount(2);
        assertThat(said("Say whether the head ever carried ink that is not for food, or that nobody knows."))
                .isVisible();
        assertThat(entry(page, "Contact")).hasValue("kept all along");

        entry(page, "Customer").fill("Wrong Way Round");
        entry(page, "Serial").fill("WI-1");
        select(page, "Family", Pattern.compile("^Vennick B3"));
        choose(group(page, "Ever carried ink that is not for food"), "No");
        choose(group(page, "Symptoms"), "Smears at one edge or height");
        entry(page, "Idle").fill("4");
        entry(page, "A whole new printer costs").fill("1");
        entry(page, "Printer cycles already").fill("1");
        entry(page, "Age of the ink").fill("1");
        entry(page, "Refills").fill("1");
        button(page, "Take it in and make its tag").click();
        assertThat(page.getByText(Pattern.compile("^This day is past"))).isVisible();
        assertThat(entry(page, "Customer")).hasValue("Wrong Way Round");
        button(page, "Throw this take-in away").click();
        assertThat(heading(page, "The bench")).isVisible();
    }

    @Test
    void the_comb_editor_says_what_it_cannot_read() {
        String visit = takeIn(page, "Wrong Nozzles");
        page.navigate(shop.address + "/visits/" + visit + "/check");
        page.getByLabel("Missing in cyan").fill("3, 999");
        button(page, "Set").click();
        assertThat(said("“999” lies outside: this channel has nozzles 1 to 208."))
                .isVisible();
        assertThat(page.getByLabel("Missing in cyan")).hasValue("3, 999");
        page.getByLabel("Missing in cyan").fill("18-12");
        button(page, "Set").click();
        assertThat(said("“18-12” runs backwards. Put the smaller number first."))
                .isVisible();
        page.getByLabel("Missing in cyan").fill("twelve");
        button(page, "Set").click();
        assertThat(page.getByText("“twelve” is no nozzle.", new Page.GetByTextOptions()))
                .isVisible();

        button(page, "No check possible").click();
        button(page, "Keep this check").click();
        assertThat(said("Record a reading, or say why no check is possible.")).isVisible();
        page.getByLabel("Why not").fill("head error at power-on");
        button(page, "Keep this check").click();
        page.waitForURL(shop.address + "/visits/" + visit);
        assertThat(page.getByText("no check possible, head error at power-on")).isVisible();
    }

    @Test
    void a_diagnosis_wants_its_cause_and_what_speaks_for_it() {
        String visit = takeIn(page, "Wrong Causes");
        page.navigate(shop.address + "/visits/" + visit + "/diagnosis");
        page.getByLabel("Note").fill("kept");
        button(page, "Keep this cause").click();
        assertThat(said("Choose a cause.")).isVisible();
        assertThat(said("Write what speaks for it.")).isVisible();
        assertThat(page.getByLabel("Note")).hasValue("kept");
    }

    @Test
    void attempts_refuse_what_cannot_be_and_say_it_at_the_entry() {
        String visit = takeIn(page, "Wrong Doses");
        check(page, visit, "5-9");
        page.navigate(shop.address + "/visits/" + visit + "/attempt/flush");
        assertThat(page.getByText("Say first why something else than advised.")).isVisible();
        assertThat(button(page, "Given, not timed")).isDisabled();
        anyway(page);
        page.getByLabel("Dose").fill("some");
        button(page, "Given, not timed").click();
        assertThat(said("Enter a number, such as 3 or 2.5.")).isVisible();
        page.getByLabel("Dose").fill("-2");
        button(page, "Given, not timed").click();
        assertThat(said("Enter more than 0 mL.")).isVisible();
        button(page, "Change").click();
        page.getByLabel("Temperature").fill("120");
        page.getByLabel("Dose").fill("3");
        assertThat(page.getByText(
                        "Too hot for this family: 50 °C at most, entered 120 °C.", new Page.GetByTextOptions()))
                .isVisible();
        assertThat(button(page, "Given, not timed")).isDisabled();
        page.getByLabel("Temperature").fill("warm");
        assertThat(said("Enter the temperature as a number first.")).isVisible();
        page.getByLabel("Temperature").fill("55");
        assertThat(region(page, "Cautions")).containsText("Warm fluid scalds.");
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.STATUS)
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("Too hot")))
                .containsText("Too hot for this family: 50 °C at most, entered 55 °C.");
        page.getByLabel("Temperature").fill("22");
        select(page, "Fluid and lot", Pattern.compile("HC-0388"));
        assertThat(page.getByText(Pattern.compile("^This lot expired on"))).isVisible();
        page.getByLabel("Reason, kept and marked in the report").fill("only bottle left");
        page.getByLabel("Dose").fill("450");
        assertThat(page.getByText(Pattern.compile("^This bottle is .* mL short")))
                .isVisible();
        button(page, "Given, not timed").click();
        button(page, "Yes, 450 mL").click();
        assertThat(said("Some entries need another look: they are marked above."))
                .isVisible();
        assertThat(page.getByText(Pattern.compile("^This bottle holds .* mL, 450 mL are needed")))
                .isVisible();
        button(page, "Throw it away").click();

        page.navigate(shop.address + "/visits/" + visit + "/attempt/soak");
        anyway(page);
        page.getByLabel("Planned time").fill("1.5");
        page.getByLabel("Fluid", new Page.GetByLabelOptions().setExact(true)).fill("");
        button(page, "Start the soak").click();
        assertThat(said("Enter a whole number.")).isVisible();
        page.getByLabel("Planned time").fill("0");
        button(page, "Start the soak").click();
        assertThat(said("Plan at least 1 minute.")).isVisible();
        assertThat(said("Enter how many mL.")).isVisible();

        page.navigate(shop.address + "/visits/" + visit + "/attempt/bath");
        anyway(page);
        page.getByLabel("Bursts", new Page.GetByLabelOptions().setExact(true)).fill("0");
        page.getByLabel("Level over the face").fill("-1");
        page.getByLabel("Length of a burst").fill("0");
        button(page, "Start the first burst").click();
        assertThat(said("Enter 1 to 20 bursts.")).isVisible();
        assertThat(said("Enter 0 to 50 mm.")).isVisible();
        assertThat(said("A burst takes 1 to 1800 seconds.")).isVisible();

        page.navigate(shop.address + "/visits/" + visit + "/attempt/cycle");
        anyway(page);
        page.getByLabel("How many").fill("21");
        button(page, "Log these cycles").click();
        assertThat(said("Enter 1 to 20 cycles.")).isVisible();
        page.getByLabel("How many").fill("4");
        button(page, "Log these cycles").click();
        assertThat(page.getByRole(com.microsoft.playwright.options.AriaRole.STATUS))
                .containsText("This would make 4.");
    }

    @Test
    void a_head_is_not_signed_off_without_name_outcome_or_ground() {
        String visit = takeIn(page, "Wrong Returns");
        page.navigate(shop.address + "/visits/" + visit + "/return");
        page.getByLabel("Signed off by").fill("");
        button(page, "Sign off and return").click();
        assertThat(said("Choose how it went.")).isVisible();
        assertThat(said("Sign with your name.")).isVisible();
        page.getByLabel("Signed off by").fill("Wenna");
        choose(group(page, "How it went"), "Recovered");
        button(page, "Sign off and return").click();
        assertThat(said("There is no nozzle map to show for it. Record a check, or say why not."))
                .isVisible();
    }

    @Test
    void signing_in_says_what_is_missing_or_wrong() {
        Page other = newPage(com.microsoft.playwright.options.ColorScheme.LIGHT);
        other.navigate(shop.address);
        button(other, "Sign in").click();
        assertThat(other.getByText("Enter your name.")).isVisible();
        assertThat(other.getByText("Enter your password.")).isVisible();
        other.getByLabel("Name").fill("wenna");
        passwordOf(other).fill("no");
        button(other, "Sign in").click();
        assertThat(other.getByText("Name and password do not go together. Check both and try again."))
                .isVisible();
        assertThat(other.getByLabel("Name")).hasValue("wenna");
    }
}
