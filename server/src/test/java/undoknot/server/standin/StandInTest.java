package undoknot.server.standin;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class StandInTest {

    @Autowired
    Api api;

    @Autowired
    StandInRows standIns;

    private String visit;
    private String layout;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
        layout = api.get("/api/layouts?family=VENNICK-B3").body().at("/0/id").asText();
    }

    private Map<String, Object> order(Object... faults) {
        return Map.of("layout", layout, "faults", List.of(faults), "seed", 5, "style", "UPSIDE_DOWN");
    }

    private static Map<String, String> fault(String cause, String channel) {
        return Map.of("cause", cause, "severity", "FIRM", "channel", channel);
    }

    @Test
    void the_same_order_gives_the_same_sheet() throws IOException {
        byte[] one = sheet();
        assertThat(sheet()).isEqualTo(one);
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(one));
        assertThat(image.getHeight()).isGreaterThan(image.getWidth());
    }

    private byte[] sheet() {
        MockHttpServletResponse response =
                api.raw(HttpMethod.POST, "/api/standin/checks", order(fault("DRIED_INK", "C")));
        assertThat(response.getContentType()).isEqualTo("image/png");
        return response.getContentAsByteArray();
    }

    @Test
    void wrong_orders_are_named() {
        assertThat(api.post("/api/standin/checks", order(fault("DRIED_INK", "Q")))
                        .is(422)
                        .messageAt("faults"))
                .contains("no channel Q");
        assertThat(api.post("/api/standin/checks", order(fault("CONTACTS", "C")))
                        .is(422)
                        .messageAt("faults"))
                .contains("prints no check");
    }

    @Test
    void a_stand_in_answers_what_was_done_to_it() {
        String head =
                api.get("/api/visits/" + visit).body().at("/intake/headId").asText();
        assertThat(api.put(path(), Map.of("layout", layout)).is(422).messageAt("standIn"))
                .contains("No stand-in");
        standIns.save(new StandInRow(
                UUID.fromString(head), "[{\"cause\":\"CARTRIDGE_FAULT\",\"severity\":\"FIRM\",\"channel\":\"M\"}]", 3));
        String scan = path();
        api.put(scan, Map.of("layout", layout, "style", "UPSIDE_DOWN")).is(200);
        api.put(scan, Map.of("layout", layout, "style", "UPSIDE_DOWN")).is(200);
        JsonNode view = api.get(scan.replace("/stand-in", "")).is(200).body();
        assertThat(view.path("simulated").asBoolean()).isTrue();
        assertThat(view.at("/result/channels/M/states").asText()).isEqualTo("M".repeat(208));
        assertThat(view.at("/result/channels/C/states").asText()).doesNotContain("M");
        assertThat(api.get("/api/visits/" + visit).body().path("standIn").asBoolean())
                .isTrue();
    }

    @Test
    void a_head_that_dries_prints_no_check() {
        String head =
                api.get("/api/visits/" + visit).body().at("/intake/headId").asText();
        standIns.save(new StandInRow(UUID.fromString(head), "[]", 3));
        String hold = "/api/visits/" + visit + "/head-entries/";
        api.put(hold + UUID.randomUUID(), Map.of("entry", "HOLD", "wet", "BODY"))
                .is(200);
        assertThat(api.put(path(), Map.of("layout", layout))
                        .is(422)
                        .body()
                        .at("/gates/0/code")
                        .asText())
                .isEqualTo("HEAD_IN_HOLD");
        api.as(undoknot.server.account.Role.LEAD)
                .put(hold + UUID.randomUUID(), Map.of("entry", "HOLD_ENDED", "note", "opened, dry all through"))
                .is(200);
        api.as(undoknot.server.account.Role.TECHNICIAN);
        api.put(path(), Map.of("layout", layout)).is(200);
    }

    private String path() {
        return "/api/visits/" + visit + "/scans/" + UUID.randomUUID() + "/stand-in";
    }
}
