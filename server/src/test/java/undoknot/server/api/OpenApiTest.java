package undoknot.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
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
        for (String path :
                new String[] {"/api/nope", "/api/visits/not-a-key", "/api/visits/00000000-0000-0000-0000-000000000000"
                }) {
            Api.Answer answer = api.get(path);
            assertThat(answer.status()).as(path).isBetween(400, 404);
            assertThat(answer.body().has("title")
                            && answer.body().has("status")
                            && answer.body().has("detail"))
                    .as("%s", answer.body())
                    .isTrue();
        }
        assertThat(api.raw(HttpMethod.PUT, "/api/visits/00000000-0000-0000-0000-000000000000", "{nonsense")
                        .getContentType())
                .startsWith("application/problem+json");
        assertThat(api.raw(HttpMethod.DELETE, "/api/bench", null).getStatus()).isEqualTo(405);
    }
}
