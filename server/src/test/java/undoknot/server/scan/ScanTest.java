package undoknot.server.scan;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import undoknot.server.Api;
import undoknot.server.Api.Answer;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;
import undoknot.simulator.StandInPrinter;

@ServerTest
class ScanTest {

    private static byte[] sheet;

    @Autowired
    Api api;

    private String visit;
    private String layout;

    @BeforeAll
    static void print() {
        sheet = Sheets.file(Sheets.print(3), "png");
    }

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
        layout = api.get("/api/layouts?family=VENNICK-B3").body().at("/0/id").asText();
    }

    private Answer keep(String id, byte[] file) {
        return api.send(HttpMethod.PUT, path(id), "check.png", file, Map.of("layout", layout));
    }

    private String path(String id) {
        return "/api/visits/" + visit + "/scans/" + id;
    }

    private static int differing(String truth, String read) {
        int differing = 0;
        for (int i = 0; i < truth.length(); i++) {
            differing += read.charAt(i) != 'U' && truth.charAt(i) != read.charAt(i) ? 1 : 0;
        }
        return differing;
    }

    @Test
    void a_scan_is_read_kept_and_fetched_again() {
        String id = UUID.randomUUID().toString();
        JsonNode view = keep(id, sheet).is(200).body();
        Map<String, String> truth = Sheets.strokes(3).truth().texts();
        truth.forEach((code, states) -> {
            String read = view.at("/result/channels/" + code + "/states").asText();
            assertThat(read).hasSameSizeAs(states);
            assertThat(differing(states, read)).as(code).isZero();
        });
        assertThat(view.at("/result/fit/how").asText()).isEqualTo("MARKS");
        assertThat(view.at("/result/fit/corners")).hasSize(4);
        assertThat(view.at("/simulated").asBoolean()).isFalse();
        MockHttpServletResponse image = api.raw(HttpMethod.GET, path(id) + "/image", null);
        assertThat(image.getContentType()).isEqualTo("image/png");
        assertThat(image.getContentAsByteArray()).isEqualTo(sheet);
        MockHttpServletResponse straight = api.raw(HttpMethod.GET, path(id) + "/sheet", null);
        assertThat(straight.getContentType()).isEqualTo("image/jpeg");
        assertThat(straight.getContentAsByteArray()).hasSizeGreaterThan(10_000);
    }

    @Test
    void sent_twice_it_is_kept_once_and_another_picture_is_refused() {
        String id = UUID.randomUUID().toString();
        keep(id, sheet).is(200);
        assertThat(keep(id, sheet).is(200).body().path("id").asText()).isEqualTo(id);
        assertThat(keep(id, Sheets.file(Sheets.print(4), "png")).is(422).messageAt("image"))
                .contains("Another picture");
    }

    @Test
    void corrections_by_hand_are_kept_apart_from_what_was_read() {
        String scan = UUID.randomUUID().toString();
        JsonNode read = keep(scan, sheet).is(200).body().at("/result/channels");
        Map<String, String> accepted = new java.util.LinkedHashMap<>();
        read.properties()
                .forEach(e ->
                        accepted.put(e.getKey(), e.getValue().path("states").asText()));
        String asRead = accepted.get("C");
        char other = asRead.charAt(4) == 'M' ? 'F' : 'M';
        accepted.put("C", asRead.substring(0, 4) + other + asRead.substring(5));
        String check = UUID.randomUUID().toString();
        JsonNode view = api.put(
                        "/api/visits/" + visit + "/checks/" + check, Map.of("reading", accepted, "scanId", scan))
                .is(200)
                .body()
                .at("/checks/0");
        assertThat(view.path("corrected").asInt()).isEqualTo(1);
        assertThat(view.at("/reading/C").asText()).isEqualTo(accepted.get("C"));
        assertThat(view.at("/readAs/C").asText()).isEqualTo(asRead);
        assertThat(view.path("scanId").asText()).isEqualTo(scan);
    }

    @Test
    void a_scan_that_could_not_be_placed_waits_for_corners_by_hand() {
        // Without marks, without colour and laid out about its middle, it could as well lie the other way up.
        BufferedImage grey =
                StandInPrinter.print(Sheets.ABOUT_THE_MIDDLE, Sheets.strokes(5), Sheets.SCANNING.grey(), 5);
        int w = grey.getWidth();
        int h = grey.getHeight();
        layout = UUID.randomUUID().toString();
        api.as(Role.LEAD)
                .put("/api/layouts/" + layout, Map.of("layout", Sheets.ABOUT_THE_MIDDLE))
                .is(200);
        api.as(Role.TECHNICIAN);
        String id = UUID.randomUUID().toString();
        JsonNode view = keep(id, Sheets.file(grey, "png")).is(200).body();
        assertThat(view.at("/result/notFound").asText()).isEqualTo("EITHER_WAY_UP");
        assertThat(api.put(
                                "/api/visits/" + visit + "/checks/" + UUID.randomUUID(),
                                Map.of("reading", api.reading(0), "scanId", id))
                        .is(422)
                        .messageAt("scanId"))
                .contains("corners");
        JsonNode again = api.put(
                        path(id) + "/corners",
                        Map.of(
                                "sheet",
                                List.of(
                                        Map.of("x", 0, "y", 0),
                                        Map.of("x", w, "y", 0),
                                        Map.of("x", w, "y", h),
                                        Map.of("x", 0, "y", h))))
                .is(200)
                .body();
        assertThat(again.at("/result/fit/how").asText()).isEqualTo("BY_HAND");
        assertThat(again.at("/result/fit/grey").asBoolean()).isTrue();
        assertThat(again.at("/byHand/sheet")).hasSize(4);
        assertThat(api.put(path(id) + "/corners", Map.of("sheet", List.of(Map.of("x", 0, "y", 0))))
                        .is(422)
                        .messageAt("corners"))
                .contains("four");
    }

    @Test
    void reading_without_keeping_takes_a_layout_by_id_or_whole() throws Exception {
        JsonNode byId = api.send(HttpMethod.POST, "/api/scans/read", "c.png", sheet, Map.of("layout", layout))
                .is(200)
                .body();
        assertThat(byId.at("/map/format").asText()).isEqualTo("undoknot.nozzle-map/1");
        assertThat(byId.at("/map/channels")).hasSize(3);
        String whole = api.json.writeValueAsString(Sheets.LAYOUT);
        JsonNode byText = api.send(HttpMethod.POST, "/api/scans/read", "c.png", sheet, Map.of("layout", whole))
                .is(200)
                .body();
        assertThat(byText.at("/map/channels")).isEqualTo(byId.at("/map/channels"));
        assertThat(api.get("/api/visits/" + visit).body().path("checks")).isEmpty();
    }

    @Test
    void a_bad_layout_or_bad_corners_are_named() {
        assertThat(api.send(HttpMethod.POST, "/api/scans/read", "c.png", sheet, Map.of("layout", "{nonsense"))
                        .is(422)
                        .messageAt("layout"))
                .contains("neither");
        assertThat(api.send(
                                HttpMethod.POST,
                                "/api/scans/read",
                                "c.png",
                                sheet,
                                Map.of("layout", layout, "corners", "here"))
                        .is(422)
                        .messageAt("corners"))
                .contains("four corners");
    }

    /** A dead channel hangs on one reading: whoever accepts it has looked at its block, whatever sends the check. */
    @Test
    void a_channel_that_reads_wholly_missing_is_looked_at_before_it_is_accepted() {
        String scan = UUID.randomUUID().toString();
        JsonNode kept = keep(scan, Sheets.file(Sheets.printWithout("C", 3), "png"))
                .is(200)
                .body();
        assertThat(kept.path("lookFirst")).extracting(JsonNode::asText).containsExactly("C");
        Map<String, Object> check = new java.util.LinkedHashMap<>();
        Map<String, String> states = new java.util.LinkedHashMap<>();
        kept.at("/result/channels")
                .properties()
                .forEach(e -> states.put(e.getKey(), e.getValue().path("states").asText()));
        check.put("reading", states);
        check.put("scanId", scan);
        String path = "/api/visits/" + visit + "/checks/" + UUID.randomUUID();
        assertThat(api.put(path, check).is(422).messageAt("looked")).contains("C reads wholly missing");
        check.put("looked", List.of("K"));
        api.put(path, check).is(422);
        check.put("looked", List.of("C"));
        api.put(path, check).is(200);
    }

    @Test
    void a_page_of_a_file_is_chosen_and_another_one_is_read_afterwards() throws Exception {
        java.io.ByteArrayOutputStream bytes = new java.io.ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            var a4 = org.apache.pdfbox.pdmodel.common.PDRectangle.A4;
            document.addPage(new org.apache.pdfbox.pdmodel.PDPage(a4));
            var page = new org.apache.pdfbox.pdmodel.PDPage(a4);
            document.addPage(page);
            var image =
                    org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory.createFromImage(document, Sheets.print(3));
            try (var content = new org.apache.pdfbox.pdmodel.PDPageContentStream(document, page)) {
                content.drawImage(image, 0, 0, a4.getWidth(), a4.getHeight());
            }
            document.save(bytes);
        }
        String id = UUID.randomUUID().toString();
        JsonNode first = keep(id, bytes.toByteArray()).is(200).body();
        assertThat(first.path("pages").asInt()).isEqualTo(2);
        assertThat(first.at("/result/notFound").asText()).isEqualTo("NOTHING_PRINTED");
        JsonNode second = api.put(path(id) + "/page", Map.of("page", 2)).is(200).body();
        assertThat(second.path("page").asInt()).isEqualTo(2);
        assertThat(second.at("/result/fit/how").asText()).isEqualTo("MARKS");
        assertThat(api.get(path(id)).body().path("page").asInt()).isEqualTo(2);
        assertThat(api.put(path(id) + "/page", Map.of("page", 3)).is(422).messageAt("page"))
                .contains("2 pages");
    }

    @Test
    void a_page_of_text_is_refused_and_the_next_scan_read() {
        BufferedImage text = new BufferedImage(1240, 1754, BufferedImage.TYPE_3BYTE_BGR);
        var g = text.createGraphics();
        g.setColor(java.awt.Color.WHITE);
        g.fillRect(0, 0, 1240, 1754);
        g.setColor(java.awt.Color.BLACK);
        for (int y = 100; y < 1700; y += 22) {
            g.drawString(
                    "What is written here is no nozzle check, whatever the reader may make of it, and of this", 90, y);
        }
        g.dispose();
        String id = UUID.randomUUID().toString();
        assertThat(keep(id, Sheets.file(text, "png"))
                        .is(200)
                        .body()
                        .at("/result/notFound")
                        .asText())
                .isIn("NO_FIT", "NOTHING_PRINTED");
        keep(UUID.randomUUID().toString(), sheet).is(200);
    }

    @Test
    void another_familys_layout_is_refused() {
        String other =
                api.get("/api/layouts?family=ORSEL-D6").body().at("/0/id").asText();
        assertThat(api.send(HttpMethod.PUT, path(UUID.randomUUID().toString()), "c.png", sheet, Map.of("layout", other))
                        .is(422)
                        .messageAt("layout"))
                .contains("Vennick");
    }

    @Test
    void what_is_no_picture_leaves_nothing_behind() {
        String id = UUID.randomUUID().toString();
        assertThat(keep(id, "plain text".getBytes()).is(422).messageAt("image")).contains("PNG, JPEG, TIFF or PDF");
        api.get(path(id)).is(404);
    }

    @Test
    void an_observer_reads_but_sends_nothing() {
        String id = UUID.randomUUID().toString();
        keep(id, sheet).is(200);
        api.as(Role.OBSERVER);
        api.get(path(id)).is(200);
        keep(UUID.randomUUID().toString(), sheet).is(403);
    }

    @Test
    void who_placed_corners_and_when_can_be_read_on_the_visit() {
        String id = UUID.randomUUID().toString();
        keep(id, sheet).is(200);
        List<Map<String, Integer>> corners = List.of(
                Map.of("x", 0, "y", 0),
                Map.of("x", 1240, "y", 0),
                Map.of("x", 1240, "y", 1754),
                Map.of("x", 0, "y", 1754));
        api.put(path(id) + "/corners", Map.of("sheet", corners)).is(200);
        JsonNode history = api.get("/api/visits/" + visit + "/history").is(200).body();
        assertThat(history)
                .filteredOn(c -> c.path("what").asText().equals("SCAN"))
                .hasSize(2);
        JsonNode placed = history.get(0);
        assertThat(placed.path("by").asText()).isEqualTo("Test TECHNICIAN");
        assertThat(placed.at("/fields/0/name").asText()).isEqualTo("byHand");
    }

    @Test
    void the_preview_is_a_small_upright_jpeg() throws Exception {
        String id = UUID.randomUUID().toString();
        keep(id, sheet).is(200);
        MockHttpServletResponse preview = api.raw(HttpMethod.GET, path(id) + "/preview", null);
        BufferedImage image =
                javax.imageio.ImageIO.read(new java.io.ByteArrayInputStream(preview.getContentAsByteArray()));
        assertThat(Math.max(image.getWidth(), image.getHeight())).isEqualTo(1600);
        assertThat(image.getHeight()).isGreaterThan(image.getWidth());
    }

    @Test
    void a_returned_head_takes_no_more_scans() {
        api.check(visit, UUID.randomUUID().toString(), 0).is(200);
        api.put(
                        "/api/visits/" + visit + "/return",
                        Map.of("version", 0, "outcome", "RECOVERED", "reason", "", "signedBy", "Test hand"))
                .is(200);
        assertThat(keep(UUID.randomUUID().toString(), sheet)
                        .is(409)
                        .body()
                        .path("detail")
                        .asText())
                .contains("returned");
    }

    @Test
    void a_scan_that_a_browser_cannot_show_comes_back_as_jpeg_and_nothing_is_kept() throws Exception {
        byte[] tiff = Sheets.file(Sheets.print(3), "tiff");
        byte[] shown = api.sendRaw(HttpMethod.POST, "/api/scans/preview", "c.tif", tiff, Map.of())
                .getContentAsByteArray();
        BufferedImage picture = ImageIO.read(new ByteArrayInputStream(shown));
        assertThat(Math.max(picture.getWidth(), picture.getHeight())).isEqualTo(1600);
        assertThat(api.send(HttpMethod.POST, "/api/scans/preview", "c.txt", "plain text".getBytes(), Map.of())
                        .is(422)
                        .messageAt("image"))
                .contains("PNG, JPEG, TIFF or PDF");
    }

    @Test
    void another_ink_on_an_accepted_scan_is_an_observation_of_that_check() {
        String scan = UUID.randomUUID().toString();
        JsonNode kept = keep(scan, Sheets.file(Sheets.printWithStrayInk(3), "png"))
                .is(200)
                .body();
        ObjectNode states = api.json.createObjectNode();
        int most = 0;
        for (Map.Entry<String, JsonNode> channel : kept.at("/result/channels").properties()) {
            states.put(channel.getKey(), channel.getValue().path("states").asText());
            most = Math.max(most, channel.getValue().path("foreign").asInt());
        }
        assertThat(most).isGreaterThanOrEqualTo(11);
        String check = UUID.randomUUID().toString();
        api.put(
                        "/api/visits/" + visit + "/checks/" + check,
                        api.json
                                .createObjectNode()
                                .put("scanId", scan)
                                .<ObjectNode>set("reading", states)
                                .set("looked", api.json.createArrayNode().add("SHEET")))
                .is(200);
        JsonNode station = null;
        for (JsonNode cause :
                api.get("/api/visits/" + visit + "/judgement").body().path("causes")) {
            station = cause.path("cause").asText().equals("SERVICE_STATION") ? cause : station;
        }
        assertThat(station.path("reasons").findValuesAsText("sign")).contains("FOREIGN_COLOUR");
        assertThat(station.path("reasons").findValuesAsText("from")).contains(check);
    }

    @Test
    void a_check_printed_over_the_check_paper_is_found_by_its_marks() throws Exception {
        byte[] pdf = api.raw(HttpMethod.GET, "/api/layouts/" + layout + "/paper.pdf", null)
                .getContentAsByteArray();
        BufferedImage paper;
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            paper = new PDFRenderer(document).renderImageWithDPI(0, 150);
        }
        BufferedImage printed = Sheets.printWithoutMarks(3);
        assertThat(paper.getWidth()).isCloseTo(printed.getWidth(), Offset.offset(1));
        for (int y = 0; y < Math.min(paper.getHeight(), printed.getHeight()); y++) {
            for (int x = 0; x < Math.min(paper.getWidth(), printed.getWidth()); x++) {
                if ((paper.getRGB(x, y) & 0xff) < 128) {
                    printed.setRGB(x, y, 0x17181a);
                }
            }
        }
        JsonNode read = api.send(
                        HttpMethod.POST,
                        "/api/scans/read",
                        "c.png",
                        Sheets.file(printed, "png"),
                        Map.of("layout", layout))
                .is(200)
                .body();
        assertThat(read.at("/reading/fit/how").asText()).isEqualTo("MARKS");
        assertThat(read.at("/reading/fit/residualMm").asDouble()).isLessThan(0.1);
    }

    @Test
    void a_layout_without_marks_needs_no_paper_of_its_own() {
        String unmarked =
                api.get("/api/layouts?family=ORSEL-D6").body().at("/0/id").asText();
        assertThat(api.get("/api/layouts/" + unmarked + "/paper.pdf")
                        .is(409)
                        .body()
                        .path("detail")
                        .asText())
                .contains("any paper will do");
        api.get("/api/layouts/" + UUID.randomUUID() + "/paper.pdf").is(404);
    }
}
