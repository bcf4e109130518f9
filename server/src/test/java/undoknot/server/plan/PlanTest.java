package undoknot.server.plan;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class PlanTest {

    @Autowired
    Api api;

    @BeforeEach
    void asTechnician() {
        api.as(Role.TECHNICIAN);
    }

    /** A Vennick B3 (regulator bladder, 15 kPa) five weeks idle, twenty nozzles out in cyan. */
    private String dried() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.put("idleDays", 35);
        for (JsonNode port : intake.path("ports")) {
            ((ObjectNode) port).put("chemistry", "PIGMENT");
        }
        String visit = api.newVisit(intake);
        api.check(visit, UUID.randomUUID().toString(), 20).is(200);
        return visit;
    }

    private JsonNode plan(String visit) {
        return api.get("/api/visits/" + visit + "/plan").is(200).body();
    }

    private static List<String> methods(JsonNode plan) {
        List<String> methods = new ArrayList<>();
        plan.path("attempts").forEach(a -> methods.add(a.path("method").asText()));
        return methods;
    }

    private static Map<String, Object> works(Object... works) {
        return Map.of("works", List.of(works));
    }

    private static Map<String, Object> work(String method, String... channels) {
        return Map.of("method", method, "channels", List.of(channels));
    }

    private static Map<String, Object> flush(Map<String, Object> dose) {
        var all = new java.util.HashMap<>(work("FLUSH", "C"));
        all.putAll(dose);
        return all;
    }

    @Test
    void a_plan_has_every_number_with_its_formula_and_a_bottle_of_the_shelf() {
        api.lotOf("AQUEOUS_CLEANER", 100);
        JsonNode plan = plan(dried());
        assertThat(methods(plan)).startsWith("CYCLE", "FLUSH", "PORT_SOAK");
        JsonNode flush = plan.path("attempts").get(1);
        assertThat(flush.path("bottle").path("kind").asText()).isEqualTo("AQUEOUS_CLEANER");
        assertThat(flush.path("cost").path("value").asDouble()).isPositive();
        JsonNode stroke = flush.path("steps").findValuesAsText("doing").contains("STROKE") ? flush : null;
        assertThat(stroke).isNotNull();
        for (JsonNode step : flush.path("steps")) {
            for (JsonNode number : step.path("numbers")) {
                boolean usual = number.path("formula").asText().startsWith("USUAL");
                assertThat(usual || number.path("given").size() > 0)
                        .as("%s", number)
                        .isTrue();
            }
        }
        JsonNode forecast = plan.path("forecast");
        assertThat(forecast.path("hands").path("low").asDouble())
                .isLessThan(forecast.path("hands").path("high").asDouble());
        assertThat(forecast.path("chance").path("value").asDouble()).isBetween(0.5, 1.0);
        assertThat(plan.path("works")).hasSize(methods(plan).size());
        assertThat(plan.has("changedBy") && !plan.path("changedBy").isNull()).isFalse();
    }

    @Test
    void a_changed_plan_is_kept_with_who_changed_it_and_what_was_done_since_is_planned_no_more() {
        String visit = dried();
        String path = "/api/visits/" + visit + "/plan";
        api.put(path, works(work("FLUSH", "C"), work("CYCLE", "C"), work("STATION")))
                .is(200);
        JsonNode kept = plan(visit);
        assertThat(methods(kept)).containsExactly("FLUSH", "CYCLE", "STATION");
        assertThat(kept.path("changedBy").asText()).isEqualTo("Test TECHNICIAN");
        assertThat(kept.path("attempts").get(2).path("added").asBoolean()).isTrue();

        api.put(
                        "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                        Map.of(
                                "lotId",
                                api.lotOf("AQUEOUS_CLEANER", 50),
                                "treatment",
                                Map.of(
                                        "kind",
                                        "FLUSH",
                                        "flush",
                                        Map.of(
                                                "strokes",
                                                List.of(Map.of("channel", "C", "volumeMl", 3, "seconds", 60)),
                                                "temperatureC",
                                                20))))
                .is(200);
        assertThat(methods(plan(visit))).containsExactly("CYCLE", "STATION");

        assertThat(api.raw(HttpMethod.DELETE, path, null).getStatus()).isEqualTo(200);
        assertThat(methods(plan(visit))).startsWith("PORT_SOAK");
    }

    @Test
    void a_breach_is_shown_at_its_attempt_and_such_a_plan_is_not_kept() {
        String visit = dried();
        String path = "/api/visits/" + visit + "/plan";
        // 3 mL in a second is far past 15 kPa through these nozzles.
        Map<String, Object> hasty = works(work("CYCLE", "C"), flush(Map.of("seconds", 1)));
        JsonNode preview = api.post(path + "/preview", hasty).is(200).body();
        JsonNode second = preview.path("attempts").get(1);
        assertThat(second.path("refused").asBoolean()).isTrue();
        assertThat(second.path("gates").get(0).path("code").asText()).isEqualTo("PUSH_TOO_HARD");
        assertThat(second.path("gates").get(0).path("limit").asDouble()).isEqualTo(15);
        Api.Answer refused = api.put(path, hasty).is(422);
        assertThat(refused.body().path("type").asText()).contains("plan-refused");
        assertThat(refused.body().path("attempts").get(0).asInt()).isEqualTo(2);
        assertThat(methods(plan(visit))).startsWith("CYCLE", "FLUSH", "PORT_SOAK");
        // Slower is within it.
        api.put(path, works(flush(Map.of("seconds", 60)))).is(200);
    }

    @Test
    void what_cannot_be_read_is_refused_at_its_entry() {
        String path = "/api/visits/" + dried() + "/plan";
        assertThat(api.put(path, works(flush(Map.of("ml", 0)))).is(422).messageAt("works[0].ml"))
                .isEqualTo("Enter a dose of 0.05 to 500 mL.");
        assertThat(api.put(path, works(flush(Map.of("minutes", 3000)))).is(422).messageAt("works[0].minutes"))
                .isEqualTo("Enter 1 minute to two days.");
        assertThat(api.put(path, works(work("FLUSH", "Q"))).is(422).messageAt("works[0].channels"))
                .contains("[C, M, Y]");
        assertThat(api.put(path, works(work("FLUSH"))).is(422).messageAt("works[0].channels"))
                .contains("Choose channels");
        assertThat(api.put(path, Map.of()).is(422).messageAt("works")).contains("Give the works");
        api.get("/api/visits/" + UUID.randomUUID() + "/plan").is(404);
    }

    /** Ten times as thick: the viscous part of the pressure grows, and the stroke takes longer. */
    @Test
    void a_thick_fluid_is_pushed_slower() {
        String visit = dried();
        api.lotOf("AQUEOUS_CLEANER", 100);
        double thin = seconds(plan(visit));
        api.as(Role.LEAD);
        for (JsonNode lot : api.get("/api/lots").body()) {
            if (lot.path("kind").asText().equals("AQUEOUS_CLEANER")) {
                ObjectNode body = lot.deepCopy();
                body.put("viscosityFactor", 30);
                body.remove(List.of("id", "openedOn"));
                api.put("/api/lots/" + lot.path("id").asText(), body).is(200);
            }
        }
        api.as(Role.TECHNICIAN);
        assertThat(seconds(plan(visit))).isGreaterThan(1.5 * thin);
    }

    private static double seconds(JsonNode plan) {
        for (JsonNode step : plan.path("attempts").get(1).path("steps")) {
            for (JsonNode number : step.path("numbers")) {
                if (number.path("formula").asText().equals("STROKE_SECONDS")) {
                    return number.path("value").asDouble();
                }
            }
        }
        throw new AssertionError("no stroke in " + plan);
    }

    @Test
    void before_a_head_is_taken_in_its_visit_is_reckoned_from_what_is_told() {
        JsonNode estimate = api.post(
                        "/api/take-in/estimate",
                        Map.of("familyCode", "VENNICK-B3", "idleDays", 35, "symptoms", List.of("GAPS_SEVERAL")))
                .is(200)
                .body();
        assertThat(estimate.path("channels").asInt()).isEqualTo(2);
        assertThat(estimate.path("causes").get(0).path("cause").asText()).isEqualTo("DRIED_INK");
        JsonNode hands = estimate.path("forecast").path("hands");
        assertThat(hands.path("expected").path("value").asDouble())
                .isBetween(hands.path("low").asDouble(), hands.path("high").asDouble());
        assertThat(estimate.path("record").path("heads").asInt()).isNotNegative();
        // What was poured in speaks for a cause here as it does on the visit.
        JsonNode poured = api.post(
                        "/api/take-in/estimate",
                        Map.of(
                                "familyCode",
                                "VENNICK-B3",
                                "idleDays",
                                35,
                                "symptoms",
                                List.of("GAPS_SEVERAL"),
                                "pouredIn",
                                "glass cleaner, in May"))
                .is(200)
                .body();
        assertThat(poured.path("causes")).isNotEqualTo(estimate.path("causes"));
        // With nothing but the family it is still reckoned, and without one it is not.
        api.post("/api/take-in/estimate", Map.of("familyCode", "HULVER-W8")).is(200);
        assertThat(api.post("/api/take-in/estimate", Map.of("idleDays", 3))
                        .is(422)
                        .messageAt("familyCode"))
                .isEqualTo("Choose a family.");
    }
}
