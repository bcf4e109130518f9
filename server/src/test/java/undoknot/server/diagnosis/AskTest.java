package undoknot.server.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.observation.Sign;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class AskTest {

    @Autowired
    Api api;

    @BeforeEach
    void asTechnician() {
        api.as(Role.TECHNICIAN);
    }

    @Test
    void the_vocabulary_is_whole_and_says_what_each_sign_weighs() {
        JsonNode signs = api.get("/api/observations").is(200).body();
        assertThat(signs).hasSize(Sign.values().length);
        for (JsonNode sign : signs) {
            if (sign.path("sign").asText().equals("GROUP_FILLED")) {
                assertThat(sign.path("weights").path("ELECTRICAL").asText()).isEqualTo("DECISIVE");
                assertThat(sign.path("weights").path("DRIED_INK").asText()).isEqualTo("STRONG_AGAINST");
                assertThat(sign.path("words").asText()).contains("drive group");
            }
        }
    }

    @Test
    void the_examples_of_the_description_work() throws JsonProcessingException {
        JsonNode paths = api.get("/v3/api-docs").is(200).body().path("paths");
        for (String path : List.of("/api/causes/rank", "/api/advice")) {
            JsonNode examples = paths.path(path)
                    .path("post")
                    .path("requestBody")
                    .path("content")
                    .path("application/json")
                    .path("examples");
            assertThat(examples).as(path).isNotEmpty();
            for (JsonNode example : examples) {
                JsonNode value = example.path("value");
                api.post(path, value.isTextual() ? api.json.readTree(value.asText()) : value)
                        .is(200);
            }
        }
    }

    @Test
    void ranking_names_the_cause_the_reasons_and_the_next_look() {
        JsonNode answer = api.post(
                        "/api/causes/rank",
                        Map.of(
                                "family",
                                "HULVER-W8",
                                "powerForbidden",
                                false,
                                "observations",
                                List.of(
                                        Map.of("sign", "LONG_RUN", "channel", "M"),
                                        Map.of("sign", "WANDERS", "channel", "M"),
                                        Map.of("sign", "TOLD_STARVES"))))
                .is(200)
                .body();
        assertThat(answer.path("causes").get(0).path("cause").asText()).isEqualTo("AIR");
        assertThat(answer.path("causes").get(0).path("reasons")).isNotEmpty();
        assertThat(answer.path("next").get(0).path("channel").asText()).isEqualTo("M");
        assertThat(answer.path("nothingWorthLooking").asBoolean()).isFalse();
        assertThat(answer.path("channels").has("M")).isTrue();
    }

    @Test
    void advice_goes_by_steps_and_by_house_rules_given() {
        String sound = "F".repeat(208);
        String gaps = "FFMFFFFF".repeat(26);
        Map<String, Object> check = Map.of("reading", Map.of("C", gaps, "M", sound, "Y", sound));
        Map<String, Object> request = Map.of(
                "family",
                "VENNICK-B3",
                "jobClass",
                "GENERAL",
                "powerForbidden",
                false,
                "food",
                false,
                "observations",
                List.of(Map.of("sign", "IDLE_OVER_MONTH")),
                "steps",
                List.of(check));
        assertThat(first(request).path("method").asText()).isEqualTo("CYCLE");
        Map<String, Object> other = new java.util.HashMap<>(request);
        other.put("houseRules", Map.of("CYCLES_FIRST", "NONE"));
        assertThat(first(other).path("method").asText()).isEqualTo("FLUSH");
        other.put("steps", List.of(check, Map.of("found", Map.of("sign", "STATION_CRUSTED"))));
        assertThat(first(other).path("method").asText()).isEqualTo("STATION");
    }

    /** A chance of 7 or an amount below nothing is refused where it stands; the limit of the customer is told as the limit. */
    @Test
    void money_is_checked_and_a_limit_asks_the_customer() {
        Map<String, Object> request = new java.util.HashMap<>(
                Map.of("family", "VENNICK-B3", "jobClass", "GENERAL", "powerForbidden", false, "food", false));
        request.put(
                "steps",
                List.of(
                        Map.of(
                                "reading",
                                Map.of(
                                        "C",
                                        "M".repeat(100) + "F".repeat(108),
                                        "M",
                                        "F".repeat(208),
                                        "Y",
                                        "F".repeat(208))),
                        Map.of("found", Map.of("sign", "STATION_CLEAN"))));
        Map<String, Object> worth = new java.util.HashMap<>(
                Map.of("chance", 7, "value", 300, "harmChance", 0.02, "harmCost", 50, "cost", 40));
        request.put("worth", worth);
        assertThat(api.post("/api/advice", request).is(422).messageAt("worth.chance"))
                .contains("0 to 1");
        worth.put("chance", 0.62);
        worth.put("spent", -1);
        assertThat(api.post("/api/advice", request).is(422).messageAt("worth.spent"))
                .contains("from 0");
        worth.put("spent", 130);
        worth.put("priceLimit", 150);
        assertThat(api.post("/api/advice", request).is(200).body().toString()).contains("ASK_CUSTOMER");
    }

    private JsonNode first(Map<String, Object> request) {
        return api.post("/api/advice", request).is(200).body().path("advice").path("first");
    }

    @Test
    void what_is_wrong_with_a_request_is_said_at_its_place() {
        Map<String, Object> request = new java.util.HashMap<>(
                Map.of("family", "VENNICK-B3", "jobClass", "GENERAL", "powerForbidden", false, "food", false));
        request.put("steps", List.of(Map.of("noCheckPossible", true, "found", Map.of("sign", "STATION_CLEAN"))));
        assertThat(api.post("/api/advice", request).is(422).messageAt("steps[0]"))
                .contains("This one has 2");
        request.put("steps", List.of(Map.of("reading", Map.of("C", "FFF"))));
        assertThat(api.post("/api/advice", request).is(422).body().toString()).contains("steps[0].reading");
        request.put("steps", List.of());
        request.put("houseRules", Map.of("HOLD", "A_WEEK"));
        assertThat(api.post("/api/advice", request).is(422).messageAt("houseRules.HOLD"))
                .contains("OVERNIGHT");
        assertThat(api.post(
                                "/api/causes/rank",
                                Map.of(
                                        "family",
                                        "VENNICK-B3",
                                        "powerForbidden",
                                        false,
                                        "observations",
                                        List.of(Map.of("sign", "LINE_CLEAR", "channel", "C"))))
                        .is(422)
                        .messageAt("observations[0].sign"))
                .contains("nothing to look at");
        assertThat(api.post("/api/causes/rank", Map.of("family", "VENNICK-B3", "observations", List.of(Map.of())))
                        .is(422)
                        .body()
                        .toString())
                .contains("Name a sign");
    }
}
