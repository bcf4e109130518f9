package undoknot.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/**
 * Requests made at random from the interface's own description, on a record of their own: none ends in a fault of the server,
 * every refusal is a problem, none takes long, and what was written can be read. {@code -Dwild.requests=20000} sends more,
 * {@code -Dwild.seed=} others.
 */
@ServerTest
@TestPropertySource(properties = "spring.datasource.url=${UNDOKNOT_DB_URL}_fuzz")
class WildRequestsTest {

    private static final int REQUESTS = Integer.getInteger("wild.requests", 2_000);
    private static final long SEED = Long.getLong("wild.seed", 20_261_128L);
    private static final long LONGEST_MS = 5_000;
    private static final int MOST_NUMBERS = 40;

    @Autowired
    Api api;

    private record Operation(HttpMethod method, String path, JsonNode body) {}

    private final Random random = new Random(SEED);
    private final List<String> visits = new ArrayList<>();
    private final List<String> ids = new ArrayList<>();
    private final List<String> faults = new ArrayList<>();
    private final Map<Integer, Integer> answers = new TreeMap<>();

    @Test
    void no_request_ends_in_a_fault_of_the_server() {
        JsonNode description = api.as(Role.LEAD).get("/v3/api-docs").is(200).body();
        List<Operation> operations = operations(description);
        assertThat(operations).hasSizeGreaterThan(60);
        api.get("/api/bench")
                .body()
                .path("strips")
                .forEach(s -> visits.add(s.path("id").asText()));
        api.get("/api/lots").body().findValuesAsText("id").forEach(ids::add);
        ids.addAll(visits);
        for (int i = 0; i < REQUESTS && faults.size() < 12; i++) {
            send(operations.get(random.nextInt(operations.size())), description.at("/components/schemas"));
        }
        assertThat(faults).isEmpty();
        // Not all are turned away at the door.
        assertThat(answers.getOrDefault(200, 0)).as("answers %s", answers).isGreaterThan(REQUESTS / 20);
        assertThat(answers.getOrDefault(422, 0)).as("answers %s", answers).isGreaterThan(REQUESTS / 20);
        api.as(Role.TECHNICIAN);
        for (String visit : visits) {
            api.get("/api/visits/" + visit).is(200);
            assertThat(api.raw(HttpMethod.GET, "/api/visits/" + visit + "/report.html", null)
                            .getStatus())
                    .as("report of %s", visit)
                    .isEqualTo(200);
        }
        api.get("/api/bench").is(200);
    }

    /** Numbers that no bench has: too many digits, too large, too small, of another kind. */
    private static final List<String> NUMBERS = List.of(
            "1e30000000",
            "-1e999999999",
            "1e308",
            "0.1234567890123456789012345",
            "9223372036854775808",
            "-2147483649",
            "1e-400",
            "\"12\"");

    @Test
    void no_number_of_any_request_ends_in_a_fault_of_the_server() {
        JsonNode description = api.as(Role.LEAD).get("/v3/api-docs").is(200).body();
        JsonNode schemas = description.at("/components/schemas");
        api.get("/api/bench")
                .body()
                .path("strips")
                .forEach(s -> visits.add(s.path("id").asText()));
        ids.addAll(visits);
        int tried = 0;
        for (Operation operation : operations(description)) {
            WildJson counted = new WildJson(schemas, new Random(SEED), 0, ids).whole();
            counted.of(operation.body, 0);
            for (int at = 0; at < Math.min(counted.numbers(), MOST_NUMBERS); at++) {
                for (String wild : NUMBERS) {
                    tried++;
                    String body = new WildJson(schemas, new Random(SEED), 0, ids)
                            .whole()
                            .withNumber(at, wild)
                            .of(operation.body, 0);
                    send(operation, filled(operation.path), body);
                }
            }
        }
        assertThat(tried).isGreaterThan(1_000);
        assertThat(faults).isEmpty();
    }

    private void send(Operation operation, JsonNode schemas) {
        double wildness = random.nextInt(4) == 0 ? 0 : 0.04;
        String body = operation.body.isMissingNode()
                ? null
                : new WildJson(schemas, random, wildness, ids).of(operation.body, 0);
        send(operation, filled(operation.path), body);
    }

    private void send(Operation operation, String path, String body) {
        api.as(random.nextInt(3) == 0 ? Role.LEAD : Role.TECHNICIAN);
        long begun = System.nanoTime();
        MockHttpServletResponse response = api.raw(operation.method, path, body);
        long took = (System.nanoTime() - begun) / 1_000_000;
        int status = response.getStatus();
        answers.merge(status, 1, Integer::sum);
        String type = String.valueOf(response.getContentType());
        boolean isProblem = status < 400 || type.startsWith("application/problem+json");
        if (status >= 500 || !isProblem || took > LONGEST_MS) {
            String sent = String.valueOf(body);
            faults.add(status + " " + type + " " + took + " ms: " + operation.method + " " + path + " "
                    + sent.substring(0, Math.min(600, sent.length())));
        }
        if (status == 200 && operation.path.equals("/api/visits/{id}") && operation.method == HttpMethod.PUT) {
            visits.add(path.replaceFirst(".*/", ""));
        }
    }

    private String filled(String path) {
        StringBuilder filled = new StringBuilder();
        for (String part : path.substring(1).split("/")) {
            String value = part;
            if (part.startsWith("{")) {
                boolean isFirst = part.equals("{visitId}") || filled.toString().equals("/api/visits");
                value = isFirst && random.nextInt(12) > 0
                        ? visits.get(random.nextInt(visits.size()))
                        : switch (random.nextInt(12)) {
                            case 0 -> "not-a-key";
                            case 1 -> "%20%C3%A9%F0%9F%94%A7";
                            case 2, 3 -> "VENNICK-B3";
                            case 4, 5, 6, 7 -> ids.get(random.nextInt(ids.size()));
                            default ->
                                UUID.nameUUIDFromBytes(new byte[] {(byte) random.nextInt(6)})
                                        .toString();
                        };
            }
            filled.append('/').append(value);
        }
        return filled.toString();
    }

    private static List<Operation> operations(JsonNode description) {
        List<Operation> found = new ArrayList<>();
        Iterator<Map.Entry<String, JsonNode>> paths = description.path("paths").fields();
        while (paths.hasNext()) {
            Map.Entry<String, JsonNode> path = paths.next();
            for (String method : Arrays.asList("get", "put", "post", "delete")) {
                JsonNode operation = path.getValue().path(method);
                JsonNode content = operation.at("/requestBody/content");
                boolean isForm = content.has("multipart/form-data");
                // The page of a tag is HTML for people; the accounts are what the test itself signs in by, and pictures
                // have a test of their own.
                if (!path.getKey().startsWith("/api/")
                        || operation.isMissingNode()
                        || isForm
                        || path.getKey().startsWith("/api/accounts/{name}")) {
                    continue;
                }
                found.add(new Operation(
                        HttpMethod.valueOf(method.toUpperCase(java.util.Locale.ROOT)),
                        path.getKey(),
                        content.at("/application~1json/schema")));
            }
        }
        return found;
    }
}
