package undoknot.server.fluid;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class MixtureTest {

    @Autowired
    Api api;

    @Autowired
    java.time.Clock clock;

    @BeforeEach
    void technician() {
        api.as(Role.TECHNICIAN);
    }

    private static Map<String, Object> mixture(Object volumeMl, Object... lotsAndParts) {
        List<Map<String, Object>> parts = new java.util.ArrayList<>();
        for (int i = 0; i < lotsAndParts.length; i += 2) {
            parts.add(Map.of("lotId", lotsAndParts[i], "parts", lotsAndParts[i + 1]));
        }
        Map<String, Object> mixture = new HashMap<>(Map.of("parts", parts));
        if (volumeMl != null) {
            mixture.put("volumeMl", volumeMl);
        }
        return mixture;
    }

    private Api.Answer mix(String id, Map<String, Object> mixture) {
        return api.put(
                "/api/mixtures/" + id,
                Map.of(
                        "mixture",
                        mixture,
                        "name",
                        "Capping fluid",
                        "lotCode",
                        "CF-1",
                        "expiresOn",
                        LocalDate.now(clock).plusDays(20).toString()));
    }

    @Test
    void a_capping_fluid_draws_both_bottles_once_and_is_used_at_the_station() {
        String cleaner = api.lotOf("AQUEOUS_CLEANER", 40);
        String water = api.lotOf("DEIONISED_WATER", 90);
        Map<String, Object> wanted = mixture(60, cleaner, 1, water, 1);
        JsonNode sum = api.post("/api/mixtures/sum", wanted).is(200).body();
        assertThat(sum.path("mostMl").asDouble()).isEqualTo(80);
        // Both cost 1 for 100 mL, so 60 mL cost 0.60.
        assertThat(sum.path("price").asDouble()).isEqualTo(0.6);
        assertThat(sum.path("kinds").get(0).asText()).isEqualTo("CAPPING_FLUID");

        String id = UUID.randomUUID().toString();
        mix(id, wanted).is(200);
        JsonNode bottle = mix(id, wanted).is(200).body();
        assertThat(bottle.path("kind").asText()).isEqualTo("CAPPING_FLUID");
        assertThat(bottle.path("foodSafe").asBoolean()).isFalse();
        assertThat(bottle.path("madeOn").asText())
                .isEqualTo(LocalDate.now(clock).toString());
        assertThat(api.left(cleaner)).isEqualTo(10);
        assertThat(api.left(water)).isEqualTo(60);
        assertThat(api.left(id)).isEqualTo(60);

        String visit = api.newVisit();
        api.put(
                        "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                        Map.of(
                                "treatment",
                                Map.of(
                                        "kind",
                                        "HANDWORK",
                                        "handwork",
                                        Map.of("method", "STATION", "channels", List.of("C"), "volumeMl", 3)),
                                "lotId",
                                id))
                .is(200);
        assertThat(api.left(id)).isEqualTo(57);
    }

    @Test
    void more_than_can_be_made_is_refused_and_draws_nothing() {
        String cleaner = api.lotOf("AQUEOUS_CLEANER", 40);
        String water = api.lotOf("DEIONISED_WATER", 90);
        assertThat(mix(UUID.randomUUID().toString(), mixture(81, cleaner, 1, water, 1))
                        .is(422)
                        .messageAt("mixture.volumeMl"))
                .contains("80 mL can be made");
        assertThat(api.left(cleaner)).isEqualTo(40);
        assertThat(mix(
                                UUID.randomUUID().toString(),
                                mixture(10, api.lot("HC-0388").path("id").asText(), 1, water, 1))
                        .is(422)
                        .messageAt("parts"))
                .contains("expired on");
        assertThat(mix(UUID.randomUUID().toString(), mixture(10, cleaner, 1, cleaner, 1))
                        .is(422)
                        .messageAt("parts"))
                .contains("once");
    }

    @ParameterizedTest
    @CsvSource({
        "AMMONIA_CLEANER, DEIONISED_WATER",
        "AMMONIA_CLEANER, AMMONIA_CLEANER",
        "ISOPROPYL_ALCOHOL, AQUEOUS_CLEANER",
        "RESIDUE_REMOVER, DEIONISED_WATER",
        "AQUEOUS_CLEANER, PIGMENT_FLUSH",
        "INK, DEIONISED_WATER",
    })
    void what_stays_by_itself_is_not_mixed(String one, String other) {
        assertThat(api.post("/api/mixtures/sum", mixture(10, api.lotOf(one, 50), 1, api.lotOf(other, 50), 1))
                        .is(422)
                        .messageAt("parts"))
                .contains("not mixed");
    }

    @Test
    void a_container_fills_is_emptied_once_and_is_never_emptied_twice_by_one_tap() {
        String id = UUID.randomUUID().toString();
        api.put("/api/waste/" + id, Map.of("name", "Jug", "capacityMl", 100)).is(200);
        assertThat(api.put("/api/waste/" + UUID.randomUUID(), Map.of("name", "", "capacityMl", 1))
                        .is(422)
                        .messageAt("capacityMl"))
                .contains("50 mL");
        String visit = api.newVisit();
        String lot = api.lotOf("AQUEOUS_CLEANER", 90);
        Map<String, Object> soak = Map.of(
                "treatment",
                Map.of(
                        "kind",
                        "SOAK",
                        "soak",
                        Map.of("place", "PORT", "channels", List.of("C"), "volumeMl", 30, "plannedMinutes", 10)),
                "lotId",
                lot,
                "wasteId",
                id);
        String attempt = "/api/visits/" + visit + "/attempts/" + UUID.randomUUID();
        api.put(attempt, soak).is(200);
        api.put(attempt, soak).is(200);
        assertThat(container(id).path("levelMl").asDouble()).isEqualTo(30);
        api.put(attempt + "/withdrawal", Map.of("reason", "slip", "poured", false))
                .is(200);
        assertThat(container(id).path("levelMl").asDouble()).isZero();
        api.put("/api/visits/" + visit + "/attempts/" + UUID.randomUUID(), soak).is(200);
        String emptying = "/api/waste/" + id + "/emptyings/" + UUID.randomUUID();
        api.put(emptying, Map.of()).is(200);
        api.put("/api/visits/" + visit + "/attempts/" + UUID.randomUUID(), soak).is(200);
        assertThat(api.put(emptying, Map.of()).is(200).body().path("levelMl").asDouble())
                .isEqualTo(30);
        assertThat(container(id).path("log").get(1).path("emptied").asBoolean()).isTrue();
    }

    private JsonNode container(String id) {
        for (JsonNode row : api.get("/api/waste").body()) {
            if (row.path("id").asText().equals(id)) {
                return row;
            }
        }
        throw new AssertionError("no container");
    }
}
