package undoknot.server.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;

@ServerTest
class SumsTest {

    @Autowired
    Api api;

    @Test
    void every_sum_tells_what_it_asks_and_answers_with_what_it_opens_with() {
        JsonNode sums = api.get("/api/sums").is(200).body();
        assertThat(sums).hasSize(11);
        for (JsonNode sum : sums) {
            Map<String, Object> values = new HashMap<>();
            sum.path("asked")
                    .forEach(a ->
                            values.put(a.path("term").asText(), a.path("usual").asDouble()));
            JsonNode answer = api.post("/api/sums/" + sum.path("sum").asText(), Map.of("values", values))
                    .is(200)
                    .body();
            assertThat(answer).isNotEmpty();
        }
    }

    /** Handbook 18: firm on 10 mL about 151 kPa. */
    @Test
    void a_sum_comes_with_its_formula_and_what_went_in() {
        JsonNode first = api.post(
                        "/api/sums/SYRINGE", Map.of("values", Map.of("SYRINGE", 10, "FORCE", 25, "LIMIT", 40)))
                .is(200)
                .body()
                .get(0);
        assertThat(first.path("formula").asText()).isEqualTo("SYRINGE_PRESSURE");
        assertThat(first.path("value").asDouble()).isCloseTo(151, within(0.5));
        assertThat(first.path("given")).hasSize(2);
    }

    @Test
    void nonsense_is_refused_at_every_entry_that_makes_none() {
        Api.Answer wrong = api.post("/api/sums/SYRINGE", Map.of("values", Map.of("SYRINGE", 7, "FORCE", -3)))
                .is(422);
        assertThat(wrong.messageAt("SYRINGE")).contains("sizes");
        assertThat(wrong.messageAt("FORCE")).contains("no sense");
        assertThat(wrong.messageAt("LIMIT")).isEqualTo("Enter a number.");
        assertThat(api.post("/api/sums/SYRINGE", Map.of()).is(422).messageAt("values"))
                .isEqualTo("Give the values.");
        api.post("/api/sums/HORSEPOWER", Map.of("values", Map.of())).is(400);
        api.post("/api/sums/SOAK", Map.of("values", Map.of("HORSEPOWER", 1))).is(400);
    }
}
