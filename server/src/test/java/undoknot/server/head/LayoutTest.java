package undoknot.server.head;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.head.StarterFamilies;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class LayoutTest {

    @Autowired
    Api api;

    private ObjectNode mine;
    private String id;

    @BeforeEach
    void copy() {
        api.as(Role.LEAD);
        mine = api.get("/api/layouts?family=TARROW-T4").body().at("/0/layout").deepCopy();
        mine.put("name", "Barrelhoop test page " + UUID.randomUUID());
        id = UUID.randomUUID().toString();
    }

    private Api.Answer put(Object version) {
        return api.put(
                "/api/layouts/" + id,
                version == null ? Map.of("layout", mine) : Map.of("layout", mine, "version", version));
    }

    @Test
    void each_family_ships_one_that_fits_its_schema() throws Exception {
        String schema = api.raw(HttpMethod.GET, "/api/schemas/check-layout.schema.json", null)
                .getContentAsString();
        var checker =
                JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(schema);
        for (var family : StarterFamilies.ALL) {
            JsonNode layouts = api.get("/api/layouts?family=" + family.code()).body();
            assertThat(layouts.at("/0/shipped").asBoolean()).isTrue();
            assertThat(checker.validate(layouts.at("/0/layout")))
                    .as(family.code())
                    .isEmpty();
        }
    }

    @Test
    void a_lead_makes_and_changes_one_and_a_stale_change_is_told() {
        JsonNode made = put(null).is(200).body();
        assertThat(put(null).is(200).body().path("version")).isEqualTo(made.path("version"));
        mine.put("name", "Changed " + UUID.randomUUID());
        put(made.path("version").asLong()).is(200);
        mine.put("name", "Changed by another " + UUID.randomUUID());
        JsonNode conflict = put(made.path("version").asLong()).is(409).body();
        assertThat(conflict.at("/current/layout/name").asText()).startsWith("Changed ");
    }

    @Test
    void reasons_stand_at_the_block_they_are_about() {
        ((ObjectNode) mine.at("/blocks/1")).put("stairs", 5);
        ((ObjectNode) mine.at("/blocks/2")).set("xMm", mine.at("/blocks/3/xMm"));
        ((ObjectNode) mine.at("/blocks/2")).set("yMm", mine.at("/blocks/3/yMm"));
        Api.Answer answer = put(null).is(422);
        assertThat(answer.messageAt("layout.C")).contains("5 × 16 = 80, not 192");
        assertThat(answer.messageAt("layout.Y")).contains("lies over block M");
    }

    @Test
    void a_name_and_a_known_family_are_asked_for() {
        mine.put("name", " ");
        assertThat(put(null).is(422).messageAt("layout.name")).contains("name");
        mine.put("name", "x").put("family", "NONE");
        assertThat(put(null).is(422).messageAt("layout.family")).contains("families");
    }

    @Test
    void what_came_with_the_product_is_not_changed() {
        id = api.get("/api/layouts?family=TARROW-T4").body().at("/0/id").asText();
        assertThat(put(0).is(422).messageAt("layout")).contains("new name");
    }

    @Test
    void a_technician_makes_none() {
        api.as(Role.TECHNICIAN);
        put(null).is(403);
    }

    @Test
    void an_unknown_schema_is_not_there() {
        api.get("/api/schemas/nothing.schema.json").is(404);
    }
}
