package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** From the last flush to the customer's hands: hold, refit, prime, page, alignment, sign-off, report, calendar. */
class HandBackTest extends BrowserTest {

    private String visit;

    @BeforeEach
    void signedIn() {
        signIn(page, "wenna");
    }

    private void to(String rest) {
        page.navigate(shop.address + "/visits/" + visit + rest);
    }

    private Locator whatNow() {
        return region(page, "What now");
    }

    /** What the panel says comes next; Enter does it. */
    private void next(String title) {
        assertThat(whatNow().getByRole(AriaRole.HEADING).first()).hasText(title);
        press(page, "Enter");
    }

    private void allFire() {
        to("/check");
        button(page, "All channels fire").click();
        button(page, "Keep this check").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }

    private void log(String label) {
        button(page, label).click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }

    @Test
    void from_the_last_flush_to_the_report() throws IOException {
        visit = takeIn(page, "Refit Press");
        check(page, visit, "12-18, 40, 77-80");
        takesTheHeadOut();
        givesTheLastFlush();
        hoursPass(visit, 3);
        to("");
        putsItBackByTheList();
        primesChecksAndPrintsAPage();
        alignsInTwoPasses();
        signsOff();
        readsTheReportBack();
        readsTheCalendarBack();
        takesTheReturnBack();
    }

    private void takesTheHeadOut() {
        to("/parts");
        assertThat(heading(page, "Cartridge Y")).isVisible();
        press(page, "Enter");
        assertThat(heading(page, "Cartridge C")).isVisible();
        button(page, "All 4, in this order").click();
        assertThat(page.getByText("5 things still off")).isVisible();
        button(page, "Note and count of Latch").click();
        page.getByLabel("Note", new Page.GetByLabelOptions().setExact(true)).fill("spring to the left");
        button(page, "Keep it").click();
        assertThat(page.getByText("Latch, spring to the left: still off")).isVisible();
        assertEquals(
                1,
                shop.jdbc.queryForObject(
                        "select count(*) from head_entry where visit_id = ? and entry = 'HEAD_OUT'",
                        Integer.class,
                        visit));
    }

    private void givesTheLastFlush() {
        to("/attempt/flush?channels=C");
        page.getByLabel("Dose").fill("2.5");
        anyway(page);
        button(page, "Given, not timed").click();
        assertThat(page.getByText("2.5 mL so far")).isVisible();
        choose(group(page, "How it went"), "Went in freely");
        choose(group(page, "What came out, beside a drop of the fresh fluid"), "Like fresh fluid");
        choose(group(page, "How it left the face"), "Whole stream");
        button(page, "Stop here").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        whatNow().getByText("Both dry").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("No power until");
        assertThat(heading(page, "Printer cycle")).hasCount(0);
    }

    private void putsItBackByTheList() {
        next("Put back: head");
        assertThat(heading(page, "Head")).isVisible();
        press(page, "Enter");
        assertThat(heading(page, "Latch")).isVisible();
        assertThat(region(page, "Goes back next").getByText("spring to the left"))
                .isVisible();
        press(page, "Enter");
        assertThat(heading(page, "Cartridge M")).isVisible();
        button(page, "Only the light").click();
        assertThat(page.getByText("The light shows it, the menu does not.")).isVisible();
        // Nothing is finished while one is open.
        to("/return");
        choose(group(page, "How it went"), "Stopped for cost");
        button(page, "Sign off and return").click();
        assertThat(page.getByText("cartridge M, cartridge C, cartridge Y. Put it back and tick it"))
                .isVisible();
        to("/parts");
        for (String code : List.of("M", "C", "Y")) {
            assertThat(heading(page, "Cartridge " + code)).isVisible();
            button(page, "Both show it").click();
        }
        assertThat(page.getByText("Everything is back.")).isVisible();
        link(page, "What now").click();
    }

    private void primesChecksAndPrintsAPage() {
        next("Light printer cycle: C");
        log("Log these cycles");
        assertThat(whatNow()).containsText("Read a check again");
        allFire();
        next("Check this: service station");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Station clean")))
                .click();
        to("");
        next("Print a saturated page: C");
        log("Log this work");
        assertThat(whatNow()).containsText("Read a check again");
        allFire();
    }

    private void alignsInTwoPasses() {
        next("Align");
        assertThat(region(page, "Pass 1")).isVisible();
        List<String> steps = List.of("5", "8", "5", "5");
        for (int position = 1; position <= 4; position++) {
            page.keyboard().press(steps.get(position - 1));
            assertThat(group(page, "Position " + position).locator("[aria-pressed=true]"))
                    .hasText(steps.get(position - 1));
        }
        assertThat(button(page, "Enter pass 1")).isEnabled();
        press(page, "Enter");
        assertThat(page.getByText("moved 0 +3 0 0")).isVisible();
        for (int position = 1; position <= 4; position++) {
            group(page, "Position " + position)
                    .getByRole(
                            AriaRole.BUTTON,
                            new Locator.GetByRoleOptions()
                                    .setName(position == 4 ? "6" : "5")
                                    .setExact(true))
                    .click();
        }
        button(page, "Enter pass 2").click();
        assertThat(page.getByText("Settled.")).isVisible();
        link(page, "What now").click();
        assertThat(whatNow()).not().containsText("Read a check again");
    }

    private void signsOff() {
        next("Finish and return");
        // What was chosen before is still there; nothing that was typed is lost.
        assertThat(button(page, "Stopped for cost")).hasAttribute("aria-pressed", "true");
        choose(group(page, "How it went"), "Recovered");
        page.getByLabel("Minutes of hands").fill("30");
        button(page, "Reckon it up").click();
        assertThat(page.getByText("Hands, 30 minutes")).isVisible();
        page.getByLabel("A word to the customer").fill("Print it every week.");
        button(page, "Sign off and return").click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        assertThat(heading(page, "Recovered")).isVisible();
    }

    private byte[] fetch(String rest) {
        APIResponse answer = page.request().get(shop.address + "/api/visits/" + visit + rest);
        assertEquals(200, answer.status());
        return answer.body();
    }

    /** The numbers on paper are those of the database; page one is for the customer, page two the record. */
    private void readsTheReportBack() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(fetch("/report.pdf"))) {
            assertEquals(2, pdf.getNumberOfPages());
            assertTrue(pdf.getDocumentCatalog().getMarkInfo().isMarked(), "tagged");
            PDFTextStripper one = new PDFTextStripper();
            one.setEndPage(1);
            String plain = one.getText(pdf).replaceAll("\\s+", " ");
            PDFTextStripper two = new PDFTextStripper();
            two.setStartPage(2);
            String record = two.getText(pdf).replaceAll("\\s+", " ");
            double drawn = shop.jdbc.queryForObject(
                    "select sum(d.volume_ml) from lot_draw d join attempt a on a.id = d.attempt_id where a.visit_id = ?",
                    Double.class,
                    visit);
            int attempts =
                    shop.jdbc.queryForObject("select count(*) from attempt where visit_id = ?", Integer.class, visit);
            String signed = shop.jdbc.queryForObject("select closed_by from visit where id = ?", String.class, visit);
            assertEquals(2.5, drawn, 1e-9);
            for (String said : List.of(
                    "Your printhead",
                    "Recovered.",
                    "Print it every week.",
                    "12 out before, 0 out now",
                    "Alignment: settled, 2 passes.",
                    "Hands, 30 minutes",
                    "18.00",
                    "Print a full-colour page every week.",
                    "Signed off by " + signed)) {
                assertTrue(plain.contains(said), () -> said + " in " + plain);
            }
            for (String said : List.of(
                    "The record",
                    "C: 2.5 mL not timed",
                    attempts + " attempts, 1 printer cycle",
                    "2.5 mL of ",
                    "Pass 1: 5 8 5 5",
                    "Latch (spring to the left): back",
                    "Station clean")) {
                assertTrue(record.contains(said), () -> said + " in " + record);
            }
        }
    }

    private void readsTheCalendarBack() {
        ICalendar calendar = Biweekly.parse(
                        new String(fetch("/aftercare.ics"), java.nio.charset.StandardCharsets.UTF_8))
                .first();
        assertTrue(calendar.validate(ICalVersion.V2_0).isEmpty());
        assertTrue(calendar.getEvents().stream()
                .anyMatch(e -> e.getSummary().getValue().equals("Print a full-colour page every week.")
                        && e.getRecurrenceRule().getValue().getInterval() == 7
                        && e.getAlarms().size() == 1));
    }

    private void takesTheReturnBack() {
        button(page, "Take the return back").click();
        button(page, "Take it back").click();
        assertThat(page.getByText("Say why the return is taken back.").first()).isVisible();
        page.getByLabel("Why", new Page.GetByLabelOptions().setExact(true)).fill("the wrong tag");
        button(page, "Take it back").click();
        assertThat(heading(page, "Finish and return")).isVisible();
        to("/history");
        assertThat(page.getByText("the wrong tag").first()).isVisible();
    }

    /** Dirt on the carriage: sound nozzles sign nothing off, a clean page does, and it ends in its own outcome. */
    @Test
    void a_smear_job_ends_with_a_clean_page() {
        visit = takeIn(page, "Smear Press", "Vennick B3", "Smears");
        allFire();
        next("Check this: carriage underside");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Flakes", Pattern.CASE_INSENSITIVE)))
                .click();
        to("");
        next("Clean the carriage underside");
        log("Log this work");
        to("/return");
        assertThat(region(page, "Still open")).containsText("Print a page with white edges");
        link(page, "Say what it shows").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions()
                                .setName(Pattern.compile("^A page came out clean", Pattern.CASE_INSENSITIVE)))
                .click();
        to("/return");
        assertThat(region(page, "Still open")).hasCount(0);
        assertThat(button(page, "Mended; the nozzles were sound")).hasAttribute("aria-pressed", "true");
        button(page, "Sign off and return").click();
        assertThat(heading(page, "Mended; the nozzles were sound")).isVisible();
    }

    /** Page one of a head with eight channels holds all its combs, on the screen's paper and in the file. */
    @Test
    void eight_combs_stand_on_page_one() throws IOException {
        visit = shop.jdbc.queryForObject(
                "select cast(v.id as char) from visit v join head h on h.id = v.head_id where h.serial = 'HW8-00917'",
                String.class);
        page.setViewportSize(794, 1123);
        page.navigate(shop.address + "/api/visits/" + visit + "/report.html");
        Locator combs = page.locator("svg[role=img]");
        assertThat(combs).hasCount(8);
        for (Locator comb : combs.all()) {
            var box = comb.boundingBox();
            assertTrue(box.y + box.height < 1123, "above the foot of page one");
            assertTrue(box.height < 60, "no blank about it");
        }
        try (PDDocument pdf = Loader.loadPDF(fetch("/report.pdf"))) {
            List<PDStructureElement> figures = new ArrayList<>();
            collect(pdf.getDocumentCatalog().getStructureTreeRoot(), figures);
            assertEquals(
                    8,
                    figures.stream()
                            .filter(f -> pdf.getPage(0).equals(f.getPage()))
                            .count());
            assertTrue(
                    figures.stream().allMatch(f -> f.getAlternateDescription().contains(" out, now ")));
        }
        for (String size : List.of("W62_H29", "W57_H32", "W89_H36", "W62_H100", "W102_H51")) {
            try (PDDocument label = Loader.loadPDF(fetch("/label.pdf?size=" + size))) {
                assertEquals(1, label.getNumberOfPages(), size);
            }
        }
    }

    private static void collect(PDStructureNode node, List<PDStructureElement> figures) {
        for (Object kid : node.getKids()) {
            if (kid instanceof PDStructureElement element) {
                if ("Figure".equals(element.getStructureType())) {
                    figures.add(element);
                }
                collect(element, figures);
            }
        }
    }
}
