package undoknot.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class ReturnTest {

    @Autowired
    Api api;

    String visit;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
    }

    private String path(String rest) {
        return "/api/visits/" + visit + rest;
    }

    private Map<String, Object> sign(String outcome, String reason) {
        long version = api.get(path("")).body().path("version").asLong();
        return Map.of("version", version, "outcome", outcome, "reason", reason, "signedBy", "Test hand");
    }

    private void flushCyan() {
        api.put(
                        path("/attempts/" + UUID.randomUUID()),
                        Map.of(
                                "lotId", api.lot("HC-1103").path("id").asText(),
                                "treatment",
                                        Map.of(
                                                "kind",
                                                "FLUSH",
                                                "flush",
                                                Map.of(
                                                        "temperatureC",
                                                        22,
                                                        "strokes",
                                                        List.of(Map.of(
                                                                "channel",
                                                                "C",
                                                                "volumeMl",
                                                                2.5,
                                                                "seconds",
                                                                60,
                                                                "resistance",
                                                                "STIFF",
                                                                "effluent",
                                                                "LIKE_FRESH",
                                                                "stream",
                                                                "WHOLE"))))))
                .is(200);
    }

    @Test
    void a_claim_that_the_readings_do_not_bear_wants_a_reason() {
        assertThat(api.put(path("/return"), sign("RECOVERED", "")).is(422).messageAt("reason"))
                .contains("no nozzle map");
        api.check(visit, UUID.randomUUID().toString(), 30).is(200);
        assertThat(api.put(path("/return"), sign("RECOVERED", "")).is(422).messageAt("reason"))
                .contains("does not meet acceptance");
        api.put(path("/return"), sign("STOPPED_FOR_COST", "")).is(200);
    }

    /** A friendly word is no answer to a doubt that nobody has read. */
    @Test
    void a_word_overrules_what_was_read_before_it_and_nothing_else() {
        api.check(visit, UUID.randomUUID().toString(), 30).is(200);
        Map<String, Object> signed = new HashMap<>(sign("RECOVERED", "Print it every week."));
        assertThat(api.put(path("/return"), signed).is(422).messageAt("reason"))
                .contains("does not meet acceptance", "sign off once more");
        signed.put("despite", List.of("PAGE_LEFT"));
        assertThat(api.put(path("/return"), signed).is(422).messageAt("reason")).contains("does not meet acceptance");
        signed.put("despite", Arrays.asList("NOT_ACCEPTED", null));
        api.put(path("/return"), signed).is(400);
        signed.put("despite", List.of("NOT_ACCEPTED"));
        signed.put("reason", " ");
        assertThat(api.put(path("/return"), signed).is(422).messageAt("reason"))
                .contains("does not meet acceptance")
                .doesNotContain("once more");
        signed.put("reason", "the customer wants it so");
        // A doubt that is read and does not stand is not overruled.
        signed.put("despite", List.of("PAGE_LEFT", "NOT_ACCEPTED"));
        JsonNode closed = api.put(path("/return"), signed).is(200).body();
        String overruled = "Signed off although the last check does not meet what the job wants.";
        assertThat(closed.at("/finish/overruled")).extracting(JsonNode::asText).containsExactly("NOT_ACCEPTED");
        assertThat(api.get(path("/report")).is(200).body().at("/plain/stands"))
                .extracting(JsonNode::asText)
                .contains(overruled);

        Map<String, Object> again = Map.of("version", closed.path("version").asLong(), "why", "it is to be read again");
        assertThat(api.put(path("/return/reopening"), again).is(200).body().at("/finish/overruled"))
                .isEmpty();
        assertThat(api.get(path("/report")).is(200).body().at("/plain/stands"))
                .extracting(JsonNode::asText)
                .doesNotContain(overruled);
    }

    @Test
    void a_returned_head_is_signed_once_and_not_written_to_any_more() {
        api.check(visit, UUID.randomUUID().toString(), 0).is(200);
        Map<String, Object> signed = sign("RECOVERED", "");
        JsonNode closed = api.put(path("/return"), signed).is(200).body();
        assertThat(api.put(path("/return"), signed).is(200).body().path("closedAt"))
                .isEqualTo(closed.path("closedAt"));
        Map<String, Object> other =
                Map.of("version", 0, "outcome", "IMPROVED", "reason", "x", "signedBy", "Other hand");
        assertThat(api.put(path("/return"), other).is(409).body().path("type").asText())
                .isEqualTo("urn:undoknot:problem:returned");
        api.check(visit, UUID.randomUUID().toString(), 3).is(409);
        assertThat(closed.path("thread").findValuesAsText("kind")).containsExactly("TAKE_IN", "CHECK", "RETURN");
    }

    @Test
    void a_head_in_a_running_soak_is_not_returned() {
        api.put(
                        path("/attempts/" + UUID.randomUUID()),
                        Map.of(
                                "lotId", api.lot("HC-1103").path("id").asText(),
                                "treatment",
                                        Map.of(
                                                "kind",
                                                "SOAK",
                                                "soak",
                                                Map.of(
                                                        "place",
                                                        "PORT",
                                                        "channels",
                                                        List.of("C"),
                                                        "volumeMl",
                                                        1,
                                                        "plannedMinutes",
                                                        10))))
                .is(200);
        assertThat(api.put(path("/return"), sign("STOPPED_FOR_COST", ""))
                        .is(422)
                        .messageAt("outcome"))
                .contains("still runs");
    }

    @Test
    void the_report_counts_what_was_done_and_restored() throws IOException {
        api.check(visit, UUID.randomUUID().toString(), 20).is(200);
        flushCyan();
        api.padOutAndDry(visit);
        api.put(
                        path("/attempts/" + UUID.randomUUID()),
                        Map.of(
                                "treatment",
                                Map.of(
                                        "kind",
                                        "CYCLE",
                                        "cycle",
                                        Map.of("channels", List.of("C"), "strength", "LIGHT", "count", 2))))
                .is(200);
        api.check(visit, UUID.randomUUID().toString(), 1).is(200);
        Map<String, Object> signed = new HashMap<>(sign("RECOVERED", "<b>with thanks</b> & care"));
        signed.put("despite", List.of("PAGE_LEFT"));
        api.put(path("/return"), signed).is(200);

        JsonNode report = api.get(path("/report")).is(200).body();
        assertThat(report.at("/sum/outBefore").asInt()).isEqualTo(20);
        assertThat(report.at("/sum/restored").asInt()).isEqualTo(19);
        assertThat(report.at("/sum/recoveryPercent").asInt()).isEqualTo(95);
        assertThat(report.path("cycles").asInt()).isEqualTo(2);
        assertThat(report.at("/fluids/0/volumeMl").asDouble()).isEqualTo(2.5);
        assertThat(report.path("attempts").findValuesAsText("knot")).containsExactly("OPEN", "OPEN");
        assertThat(report.path("simulated").asBoolean()).isFalse();

        String page = api.raw(HttpMethod.GET, path("/report.html"), null).getContentAsString();
        assertThat(page)
                .contains("20 out before, 1 out now")
                .contains("Signed off although nobody has seen it hold after a page of full colour.")
                .contains("&lt;b&gt;with thanks&lt;/b&gt; &amp; care")
                .doesNotContain("<b>with thanks");
        try (PDDocument pdf = Loader.loadPDF(
                api.raw(HttpMethod.GET, path("/report.pdf"), null).getContentAsByteArray())) {
            String text = new PDFTextStripper().getText(pdf);
            assertThat(text)
                    .contains(
                            "Your printhead", "20 out before, 1 out now", "2.5 mL in 60 s", "Signed off by Test hand");
        }
    }

    @Test
    void the_label_fits_one_page_and_its_code_reads_back_as_the_tag() throws Exception {
        String tag = api.get(path("")).body().path("tag").asText();
        try (PDDocument pdf =
                Loader.loadPDF(api.raw(HttpMethod.GET, path("/label.pdf"), null).getContentAsByteArray())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            var picture = new PDFRenderer(pdf).renderImageWithDPI(0, 300);
            int[] pixels = picture.getRGB(0, 0, picture.getWidth(), picture.getHeight(), null, 0, picture.getWidth());
            var source = new com.google.zxing.RGBLuminanceSource(picture.getWidth(), picture.getHeight(), pixels);
            assertThat(codeIn(source)).endsWith("/t/" + tag);
        }
        assertThat(api.raw(HttpMethod.GET, path("/tag.svg"), null).getContentAsString())
                .startsWith("<svg");
    }

    /** A hand scanner looks again when one picture does not do: so is the code looked at in two ways. */
    private static String codeIn(com.google.zxing.LuminanceSource source) throws Exception {
        var hints = Map.of(com.google.zxing.DecodeHintType.TRY_HARDER, true);
        var reader = new com.google.zxing.qrcode.QRCodeReader();
        try {
            var first = new com.google.zxing.common.HybridBinarizer(source);
            return reader.decode(new com.google.zxing.BinaryBitmap(first), hints)
                    .getText();
        } catch (com.google.zxing.ReaderException unclear) {
            var second = new com.google.zxing.common.GlobalHistogramBinarizer(source);
            return reader.decode(new com.google.zxing.BinaryBitmap(second), hints)
                    .getText();
        }
    }
}
