package undoknot.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class BenchTest {

    @Autowired
    Api api;

    @BeforeEach
    void technician() {
        api.as(Role.TECHNICIAN);
    }

    private JsonNode strip(JsonNode bench, String serial) {
        for (JsonNode strip : bench.path("strips")) {
            if (strip.path("serial").asText().equals(serial)) {
                return strip;
            }
        }
        throw new AssertionError("no strip of " + serial);
    }

    @Test
    void the_demo_has_a_head_at_every_stage_and_of_every_family() {
        JsonNode all = api.get("/api/bench").is(200).body();
        Set<String> families = new TreeSet<>(all.path("strips").findValuesAsText("family"));
        assertThat(families).contains("Skerrin L4", "Orsel D6", "Vennick B3", "Tarrow T4", "Pellam M5", "Hulver W8");
        assertThat(strip(all, "PM5-60007").at("/next/action").asText()).isEqualTo("LIFT_FROM_SOAK");
        assertThat(strip(all, "SL4-22091").at("/next/action").asText()).isEqualTo("WAIT_HOLD");
        assertThat(strip(all, "OD6-51002").at("/next/action").asText()).isEqualTo("FIRST_CHECK");
        assertThat(strip(all, "TT4-28817").at("/next/action").asText()).isEqualTo("TREAT");
        assertThat(strip(all, "HW8-00917").at("/next/action").asText()).isEqualTo("TREAT");
        assertThat(strip(all, "PM5-61120").at("/next/action").asText()).isEqualTo("STEP");
        assertThat(strip(all, "HW8-01402").at("/next/action").asText()).isEqualTo("TAKE_PAD_OUT");
        assertThat(strip(all, "VB3-10027").at("/next/action").asText()).isEqualTo("WAIT_HOLD");
        assertThat(strip(all, "VB3-09941").at("/next/action").asText()).isEqualTo("RETURN");
        assertThat(strip(all, "VB3-10385").path("food").asText()).isEqualTo("FOOD");
    }

    @Test
    void what_wants_hands_stands_first_and_returned_heads_are_not_on_the_bench() {
        JsonNode strips = api.get("/api/bench").body().path("strips");
        assertThat(strips.get(0).at("/next/action").asText()).isIn("LIFT_FROM_SOAK", "END_BURST");
        assertThat(strips.findValues("closedAt")).isEmpty();
    }

    @Test
    void search_finds_tag_serial_and_customer_also_of_returned_heads() {
        JsonNode found = api.get("/api/bench?search=tallow").body().path("strips");
        assertThat(found).hasSize(2);
        assertThat(found.get(0).path("closedAt").isMissingNode()).isTrue();
        assertThat(found.get(1).path("outcome").asText()).isEqualTo("NOT_RECOVERABLE");
        assertThat(found.get(1).path("thread").findValuesAsText("knot")).contains("TIGHT", "FRAYED");
        String tag = found.get(0).path("tag").asText();
        assertThat(api.get("/api/bench?search=" + tag).body().path("strips")).hasSize(1);
        assertThat(api.get("/api/bench?search=OD6-47750").body().path("strips")).hasSize(1);
        assertThat(api.get("/api/bench?search=%25").body().path("strips")).isEmpty();
    }

    @Test
    void drafts_are_kept_for_their_owner_and_dropped() {
        String key = "/api/drafts/intake-" + UUID.randomUUID();
        api.get(key).is(204);
        api.put(key, Map.of("content", "{\"a\":1}", "editedAt", "2026-01-02T03:04:05Z"))
                .is(204);
        api.put(key, Map.of("content", "{\"a\":2}", "editedAt", "2026-01-02T03:04:06Z"))
                .is(204);
        assertThat(api.get(key).is(200).body().path("content").asText()).isEqualTo("{\"a\":2}");
        assertThat(api.get("/api/drafts").body().findValuesAsText("key"))
                .contains(key.substring("/api/drafts/".length()));
        api.as(Role.LEAD).get(key).is(204);
        api.as(Role.TECHNICIAN).put(key, Map.of("content", "x".repeat(400_001))).is(422);
    }
}
