package undoknot.server.family;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class FamiliesTest {

    @Autowired
    Api api;

    private ObjectNode copy(String code) {
        ObjectNode family = (ObjectNode)
                api.get("/api/families/TARROW-T4").is(200).body().path("family").deepCopy();
        return family.put("code", code).put("name", "Copy " + code);
    }

    private static String code() {
        return "T" + UUID.randomUUID().toString().substring(0, 8).toUpperCase();
    }

    @Test
    void a_lead_copies_a_family_takes_a_channel_away_and_a_head_of_it_is_taken_in() {
        String code = code();
        ObjectNode family = copy(code);
        ((ArrayNode) family.path("channels")).remove(3);
        ((ObjectNode) family.path("channels").get(0)).put("fitting", "SLEEVE").put("port", "sleeve, 3 mm");
        api.as(Role.LEAD)
                .put("/api/families/" + code, Map.of("family", family, "why", "Came in from the harbour office"))
                .is(200);
        JsonNode whole = api.get("/api/families/" + code).body();
        assertThat(whole.path("changes").get(0).path("why").asText()).isEqualTo("Came in from the harbour office");
        assertThat(whole.path("changes").get(0).path("by").asText()).isEqualTo("Test LEAD");
        // A check layout of its own comes with it.
        assertThat(api.get("/api/layouts?family=" + code)
                        .body()
                        .get(0)
                        .path("layout")
                        .path("blocks")
                        .size())
                .isEqualTo(3);
        api.as(Role.TECHNICIAN);
        String visit = api.newVisit(api.intake(code, "K", "C", "M"));
        api.put(
                        "/api/visits/" + visit + "/checks/" + UUID.randomUUID(),
                        Map.of("reading", Map.of("K", "F".repeat(192), "C", "F".repeat(192), "M", "F".repeat(192))))
                .is(200);

        // Read once, a channel keeps its nozzles; a new one may come beside it.
        api.as(Role.LEAD);
        long version = whole.path("version").asLong();
        ObjectNode fewer = family.deepCopy();
        ((ArrayNode) fewer.path("channels")).remove(2);
        assertThat(api.put("/api/families/" + code, Map.of("version", version, "family", fewer, "why", "x"))
                        .is(422)
                        .messageAt("family.channels"))
                .contains("channel M keeps its 192 nozzles");
        ObjectNode more = family.deepCopy();
        ((ArrayNode) more.path("channels"))
                .addObject()
                .put("code", "G")
                .put("colour", "Grey")
                .put("ink", "#7d838c")
                .put("port", "screen inlet")
                .put("fitting", "DROPS_ONLY");
        api.put("/api/families/" + code, Map.of("version", version, "family", more, "why", "A fourth port"))
                .is(200);
        assertThat(api.get("/api/visits/" + visit)
                        .body()
                        .path("family")
                        .path("channels")
                        .size())
                .as("a printer that was taken in with three has three")
                .isEqualTo(3);
        assertThat(api.get("/api/families/" + code).body().path("changes").size())
                .isEqualTo(2);
        assertThat(api.put("/api/families/" + code, Map.of("version", version, "family", family, "why", "y"))
                        .is(409)
                        .body()
                        .path("current")
                        .path("family")
                        .path("channels")
                        .size())
                .isEqualTo(4);
    }

    @Test
    void a_family_is_kept_as_a_file_by_its_schema_and_read_back() throws Exception {
        String text = api.raw(org.springframework.http.HttpMethod.GET, "/api/families/HULVER-W8/file", null)
                .getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(FamiliesTest.class.getResourceAsStream("/schemas/family.schema.json"));
        assertThat(schema.validate(text, InputFormat.JSON)).isEmpty();
        String code = code();
        ObjectNode read = (ObjectNode) new com.fasterxml.jackson.databind.ObjectMapper().readTree(text);
        read.put("code", code);
        api.as(Role.LEAD)
                .put("/api/families/" + code, Map.of("family", read, "why", "From a file"))
                .is(200);
        ObjectNode again = (ObjectNode)
                api.get("/api/families/" + code).body().path("family").deepCopy();
        assertThat(again.put("code", "HULVER-W8"))
                .isEqualTo(new com.fasterxml.jackson.databind.ObjectMapper().readTree(text));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "stairs | 0 | Enter a whole number from 1 to 400.",
                "boreUm | 2 | Enter 5 to 100 µm.",
                "driveGroups | 5 | 192 nozzles do not part into 5 equal groups.",
            })
    void a_wrong_number_is_named_where_it_was_typed(String field, int value, String message) {
        String code = code();
        ObjectNode family = copy(code);
        family.put(field, value);
        assertThat(api.as(Role.LEAD)
                        .put("/api/families/" + code, Map.of("family", family, "why", "x"))
                        .is(422)
                        .messageAt("family." + field))
                .startsWith(message);
    }

    @Test
    void a_code_that_is_taken_is_not_overwritten() {
        assertThat(api.as(Role.LEAD)
                        .put("/api/families/ORSEL-D6", Map.of("family", copy("ORSEL-D6"), "why", "x"))
                        .is(422)
                        .messageAt("family.code"))
                .contains("There is a family with this code");
    }
}
