package undoknot.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class OpenApiTest {

    /** The types of the web are made from this file; ./test -Dopenapi.write=true writes it anew. */
    private static final Path KEPT = Path.of("../web/openapi.json");

    @Autowired
    Api api;

    @Test
    void the_description_that_the_web_is_built_from_is_the_one_served() throws IOException {
        JsonNode served = api.get("/v3/api-docs").is(200).body();
        if (Boolean.getBoolean("openapi.write")) {
            Files.writeString(KEPT, api.json.writerWithDefaultPrettyPrinter().writeValueAsString(served) + "\n");
        }
        assertThat(served)
                .as("run: ./test -Dopenapi.write=true verify, then build the web")
                .isEqualTo(api.json.readTree(KEPT.toFile()));
        assertThat(served.at("/paths/~1api~1bench/get/responses/default/content/application~1problem+json")
                        .isMissingNode())
                .isFalse();
    }

    @Test
    void errors_of_every_kind_are_problems() {
        api.as(Role.TECHNICIAN);
        assertThat(said("/api/visits/00000000-0000-0000-0000-000000000000", 404))
                .isEqualTo("There is no such visit.");
        String nowhere = "This address cannot be answered. Go back to the bench.";
        assertThat(said("/api/nope", 404)).isEqualTo(nowhere);
        assertThat(said("/api/visits/undefined", 400)).isEqualTo(nowhere);
        assertThat(said("/api/visits/undefined/judgement", 400)).isEqualTo(nowhere);
        assertThat(said("/api/layouts", 400)).isEqualTo("The request could not be read: family.");
        assertThat(said("/api/visits/00000000-0000-0000-0000-000000000000/comparison?before=x&now=y", 400))
                .isEqualTo("The request could not be read: before.");
        assertThat(api.raw(HttpMethod.PUT, "/api/visits/00000000-0000-0000-0000-000000000000", "{nonsense")
                        .getContentType())
                .startsWith("application/problem+json");
        var wrongWay = api.raw(HttpMethod.DELETE, "/api/bench", null);
        assertThat(wrongWay.getStatus()).isEqualTo(405);
        assertThat(wrongWay.getHeader("Allow")).contains("GET");
        assertThat(new String(wrongWay.getContentAsByteArray(), StandardCharsets.UTF_8))
                .contains("This address cannot be answered");
    }

    /** What a problem says, by a kind of this product's own. */
    private String said(String path, int status) {
        JsonNode problem = api.get(path).is(status).body();
        assertThat(problem.path("type").asText()).startsWith("urn:undoknot:problem:");
        assertThat(problem.path("status").asInt()).isEqualTo(status);
        return problem.path("detail").asText();
    }
}
