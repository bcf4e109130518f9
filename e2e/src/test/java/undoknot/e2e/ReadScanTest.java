package undoknot.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import undoknot.diagnosis.Cause;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.scan.Jpeg;
import undoknot.simulator.Fault;
import undoknot.simulator.Scanning;
import undoknot.simulator.StandInHead;
import undoknot.simulator.StandInPrinter;
import undoknot.simulator.Strokes;
import undoknot.treatment.Treatment.Place;

/** From a scanned sheet to a comparison: uploaded, settled, accepted, laid beside the one before. */
class ReadScanTest extends BrowserTest {

    private static final Family FAMILY = StarterFamilies.ALL.stream()
            .filter(f -> f.code().equals("VENNICK-B3"))
            .findFirst()
            .orElseThrow();
    private static final CheckLayout LAYOUT = StarterLayouts.of(FAMILY);
    private static final Path SAMPLES = Path.of("../samples/scans");
    private static final Pattern AT = Pattern.compile("^(\\w+) nozzle (\\d+)");

    private static FilePayload scan(Strokes strokes, Scanning scanning, long seed) throws IOException {
        byte[] file = Jpeg.of(StandInPrinter.print(LAYOUT, strokes, scanning, seed), 0.75);
        return new FilePayload("check " + seed + ".jpg", "image/jpeg", file);
    }

    private void upload(String visit, FilePayload file) {
        page.navigate(shop.address + "/visits/" + visit + "/read");
        assertThat(heading(page, "Drop the scanned check here")).isVisible();
        page.getByLabel("Scan file").setInputFiles(file);
        assertThat(heading(page, "Totals")).isVisible();
    }

    /** Says of each unsure nozzle what the sheet shows, by one key each. */
    private void settle(NozzleMap truth) {
        Locator open = page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("^(No unsure|Unsure nozzles)")));
        for (int guard = 0; guard < 200; guard++) {
            String heading = open.innerText();
            if (heading.startsWith("No unsure") || heading.contains(": 0 of")) {
                return;
            }
            Matcher at = AT.matcher(page.getByText(AT).first().innerText());
            Assertions.assertTrue(at.find());
            NozzleState state = truth.channel(at.group(1)).state(Integer.parseInt(at.group(2)));
            page.keyboard().press(String.valueOf(Character.toLowerCase(state.letter())));
            assertThat(open).not().hasText(heading);
        }
        Assertions.fail("the queue of unsure nozzles does not end");
    }

    private void accept(int number) {
        lookFirst(page);
        button(page, "Accept as check " + number).click();
        page.waitForURL(Pattern.compile("/visits/[^/]+$"));
    }

    @Test
    void a_degraded_scan_is_settled_and_compared_with_the_one_before() throws IOException {
        signIn(page, "wenna");
        String visit = takeIn(page, "Cuttle Bay Almanacs");
        StandInHead head = new StandInHead(FAMILY, List.of(new Fault(Cause.DRIED_INK, Fault.Severity.FIRM, "C")), 12);
        Strokes first = head.print();
        upload(visit, scan(first, Scanning.CLEAN.dpi(150).turned(1.5, false), 1));
        settle(first.truth());
        accept(1);

        head.soak(List.of("C"), Place.PORT, 120, 40, 0.9);
        head.flush("C", 3, 12, 40, 0.9);
        head.rest(12);
        head.purge("C");
        Strokes second = head.print();
        Scanning degraded = Scanning.CLEAN
                .dpi(200)
                .turned(-3, true)
                .paper("#f1e9d4")
                .dirt(120, 10, 1)
                .smeared(4)
                .light(0.25);
        upload(visit, scan(second, degraded, 2));
        // What was said so far survives a reload.
        page.reload();
        assertThat(heading(page, "Totals")).isVisible();
        settle(second.truth());
        page.getByLabel("Note: paper, rest, light").fill("folded, scanned upside down");
        accept(2);

        Counts expected =
                Comparison.of(first.truth(), second.truth()).channels().get("C");
        Assertions.assertTrue(expected.restored() > 0, "the soak restored something");
        page.navigate(shop.address + "/visits/" + visit + "/compare");
        assertThat(region(page, "Cyan"))
                .containsText(expected.restored() + " restored, " + expected.stillOut() + " still out, "
                        + expected.newlyOut() + " newly out");
        assertThat(page.getByRole(
                        AriaRole.IMG,
                        new Page.GetByRoleOptions()
                                .setName("Scan of check 2, block C")
                                .setExact(true)))
                .isVisible();
        page.keyboard().press(" ");
        assertThat(page.getByText("Before: check 1")).isVisible();
    }

    @Test
    void what_is_no_check_is_told_and_the_next_file_is_taken() throws IOException {
        signIn(page, "wenna");
        String visit = takeIn(page, "Merrin Tide Tables");
        page.navigate(shop.address + "/visits/" + visit + "/read");
        Locator file = page.getByLabel("Scan file");
        Map<Path, String> refused = new LinkedHashMap<>();
        refused.put(SAMPLES.resolve("cut-off.jpg"), "damaged or cut off");
        refused.put(SAMPLES.resolve("README.md"), "PNG, JPEG, TIFF or PDF");
        for (Map.Entry<Path, String> each : refused.entrySet()) {
            file.setInputFiles(each.getKey());
            assertThat(page.getByRole(AriaRole.ALERT)).containsText(each.getValue());
        }
        file.setInputFiles(SAMPLES.resolve("empty-page.png"));
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("no check is possible");
        link(page, "Another scan").click();
        page.getByLabel("Scan file").setInputFiles(SAMPLES.resolve("vennick-b3-upside-down.jpg"));
        assertThat(heading(page, "Totals")).isVisible();
    }

    @Test
    void corners_are_placed_by_keys_when_the_sheet_is_not_found() throws IOException {
        signIn(page, "wenna");
        String visit = takeIn(page, "Lanthorn Labels");
        Strokes strokes = new StandInHead(FAMILY, List.of(), 3).print();
        CheckLayout unmarked = new CheckLayout(
                LAYOUT.name(), LAYOUT.family(), LAYOUT.widthMm(), LAYOUT.heightMm(), null, LAYOUT.blocks());
        // White on a white table, without marks and without colour: where it lies is anybody's guess.
        var sheet =
                StandInPrinter.print(unmarked, strokes, Scanning.CLEAN.dpi(150).grey(), 4);
        int border = 600;
        var image = new java.awt.image.BufferedImage(
                sheet.getWidth() + 2 * border, sheet.getHeight() + 2 * border, sheet.getType());
        var g = image.createGraphics();
        g.setColor(java.awt.Color.WHITE);
        g.fillRect(0, 0, image.getWidth(), image.getHeight());
        g.drawImage(sheet, border, border, null);
        g.dispose();
        var png = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(image, "png", png);
        page.navigate(shop.address + "/visits/" + visit + "/read");
        page.getByLabel("Scan file").setInputFiles(new FilePayload("grey.png", "image/png", png.toByteArray()));
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("The sheet was not read");
        Assertions.assertEquals(SIDE, image.getHeight());
        int right = border + sheet.getWidth();
        int bottom = border + sheet.getHeight();
        place("Top left corner", border, border);
        place("Top right corner", right, border);
        place("Bottom right corner", right, bottom);
        place("Bottom left corner", border, bottom);
        button(page, "Read with these corners").click();
        assertThat(heading(page, "Totals")).isVisible();
        assertThat(page.getByText("corners placed by hand")).isVisible();
        assertThat(page.getByText("Scanned in grey")).isVisible();
        // Every nozzle of this head fires; placed wrongly, most dashes would be missing.
        // A corner lies up to half a pixel off, which leaves a nozzle or two unsure, and no more than that.
        for (String colour : List.of("Cyan", "Magenta", "Yellow")) {
            assertThat(region(page, "Totals")).containsText(Pattern.compile(colour + ": (all 208 firing|[12] unread)"));
        }
    }

    /** Longer side of the picture whose corners are placed: the shift key moves by a hundredth of it. */
    private static final int SIDE = 2954;

    /** Moves a corner by its keys to a place of the picture, pixels. */
    private void place(String corner, int x, int y) {
        Locator handle = page.getByLabel(corner, new Page.GetByLabelOptions().setExact(true));
        handle.focus();
        Matcher now = Pattern.compile("(\\d+), (\\d+)").matcher(handle.getAttribute("aria-valuetext"));
        Assertions.assertTrue(now.find());
        double far = SIDE / 100.0;
        step(handle, x - Integer.parseInt(now.group(1)), far, "ArrowRight", "ArrowLeft");
        step(handle, y - Integer.parseInt(now.group(2)), far, "ArrowDown", "ArrowUp");
    }

    private static void step(Locator handle, double by, double far, String forward, String back) {
        String key = by > 0 ? forward : back;
        int wide = (int) (Math.abs(by) / far);
        for (int i = 0; i < wide; i++) {
            handle.press("Shift+" + key);
        }
        for (int i = 0; i < Math.round(Math.abs(by) - wide * far); i++) {
            handle.press(key);
        }
    }

    @Test
    void the_stand_in_prints_and_a_lead_lays_out_another_check() throws IOException {
        signIn(page, "oswin");
        String visit = shop.jdbc.queryForObject(
                "select cast(v.id as char) from visit v join head h on h.id = v.head_id where h.serial = 'HW8-01120'",
                String.class);
        page.navigate(shop.address + "/visits/" + visit + "/read");
        doubleTap(button(page, "Print a simulated check"));
        assertThat(heading(page, "Totals")).isVisible();
        assertThat(page.getByText("(simulated)")).isVisible();

        page.navigate(shop.address + "/layouts");
        button(page, "Lay out another printer’s check").click();
        button(page, "Keep this layout").click();
        assertThat(page.getByText("Give the layout a name")).isVisible();
        page.getByLabel("Name").fill("Windlass test page");
        page.getByLabel("Stairs", new Page.GetByLabelOptions().setExact(true)).fill("9");
        button(page, "Keep this layout").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("9 × 20 = 180, not 200");
        page.getByLabel("Stairs", new Page.GetByLabelOptions().setExact(true)).fill("10");
        // A browser shows no TIFF by itself; the server does it, and says so when the file is none.
        Locator backdrop = page.getByLabel("Scan to place the blocks on");
        backdrop.setInputFiles(new FilePayload("check.tif", "image/tiff", "no picture".getBytes()));
        assertThat(page.getByText("This is no PNG, JPEG, TIFF or PDF")).isVisible();
        var tiff = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(
                StandInPrinter.print(LAYOUT, new StandInHead(FAMILY, List.of(), 3).print(), Scanning.CLEAN.dpi(72), 4),
                "tiff",
                tiff);
        backdrop.setInputFiles(new FilePayload("check.tif", "image/tiff", tiff.toByteArray()));
        assertThat(page.locator("image[href^='blob:']")).isVisible();
        button(page, "Keep this layout").click();
        assertThat(heading(page, "Windlass test page")).isVisible();
    }

    @Test
    void bars_are_entered_by_a_tap_a_channel_and_compared() {
        signIn(page, "wenna");
        String visit = takeIn(page, "Turnstone Labels");
        for (String level : List.of("pale", "full")) {
            page.navigate(shop.address + "/visits/" + visit + "/check");
            button(page, "Bars, stream or pad").click();
            assertThat(page.getByText("It cannot tell which nozzles are out")).isVisible();
            button(page, "Keep this check").click();
            assertThat(page.getByText("Say for at least one channel")).isVisible();
            choose(group(page, "Cyan: what is seen"), level);
            button(page, "Keep this check").click();
            page.waitForURL(Pattern.compile("/visits/[^/]+$"));
        }
        page.navigate(shop.address + "/visits/" + visit + "/compare");
        assertThat(page.getByText("Cyan: better (pale, now full)")).isVisible();
    }

    @Test
    void a_map_goes_out_as_a_file_and_a_bad_one_changes_nothing() throws IOException {
        signIn(page, "wenna");
        String visit = takeIn(page, "Dunlin Play Bills");
        check(page, visit, "12-18, 40");
        button(page, "Files of check 1").click();
        var download =
                page.waitForDownload(() -> page.getByText("Nozzle map, CSV").click());
        List<String> lines = new ArrayList<>(Files.readAllLines(download.path()));
        Assertions.assertEquals("C,12,missing", lines.get(12));
        page.navigate(shop.address + "/visits/" + visit + "/check");
        lines.set(12, "C,12,mising");
        take(lines);
        assertThat(page.getByText("Line 13, state")).isVisible();
        assertThat(page.getByText("Cyan: 208 unread")).isVisible();
        lines.set(12, "C,12,missing");
        take(lines);
        assertThat(page.getByText("Cyan: 8 out")).isVisible();
    }

    private void take(List<String> lines) {
        byte[] file = String.join("\r\n", lines).getBytes(java.nio.charset.StandardCharsets.UTF_8);
        page.getByLabel("Nozzle map file").setInputFiles(new FilePayload("map.csv", "text/csv", file));
    }
}
