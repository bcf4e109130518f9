package undoknot.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.boot.test.context.TestComponent;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;

/** Calls the HTTP interface the way the web does, as one of the three roles. */
@TestComponent
public class Api {

    /** An answer, its body read as JSON. */
    public record Answer(int status, JsonNode body) {
        public Answer is(int expected) {
            assertThat(status).as("%s", body).isEqualTo(expected);
            return this;
        }

        /** Message of the entry that the problem names. */
        public String messageAt(String field) {
            for (JsonNode error : body.path("errors")) {
                if (error.path("field").asText().equals(field)) {
                    return error.path("message").asText();
                }
            }
            return "no error at " + field + " in " + body;
        }
    }

    private final MockMvc mvc;
    public final ObjectMapper json;
    private Role role = Role.TECHNICIAN;

    private final MovableClock clock;

    Api(MockMvc mvc, ObjectMapper json, MovableClock clock) {
        this.clock = clock;
        this.mvc = mvc;
        this.json = json;
    }

    public Api as(Role wanted) {
        this.role = wanted;
        return this;
    }

    public Answer get(String path) {
        return call(HttpMethod.GET, path, null);
    }

    public Answer put(String path, Object body) {
        return call(HttpMethod.PUT, path, body);
    }

    public Answer post(String path, Object body) {
        return call(HttpMethod.POST, path, body);
    }

    private Answer call(HttpMethod method, String path, Object body) {
        try {
            MockHttpServletResponse response = raw(method, path, body);
            String text = response.getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
            return new Answer(response.getStatus(), text.isEmpty() ? json.nullNode() : json.readTree(text));
        } catch (java.io.IOException e) {
            throw new AssertionError(e);
        }
    }

    public MockHttpServletResponse raw(HttpMethod method, String path, Object body) {
        SignedIn person = new SignedIn(role.name().toLowerCase(), "Test " + role, role);
        var token = UsernamePasswordAuthenticationToken.authenticated(
                person, null, AuthorityUtils.createAuthorityList("ROLE_" + role));
        try {
            var request = MockMvcRequestBuilders.request(method, java.net.URI.create(path))
                    .with(authentication(token))
                    .with(csrf().asHeader())
                    .contentType(MediaType.APPLICATION_JSON);
            if (body != null) {
                request.content(body instanceof String text ? text : json.writeValueAsString(body));
            }
            return mvc.perform(request).andReturn().getResponse();
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    /** Sends a file and some fields the way a form does. */
    public Answer send(HttpMethod method, String path, String fileName, byte[] file, Map<String, String> fields) {
        MockHttpServletResponse response = sendRaw(method, path, fileName, file, fields);
        try {
            return new Answer(
                    response.getStatus(),
                    json.readTree(response.getContentAsString(java.nio.charset.StandardCharsets.UTF_8)));
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** The same for a path that answers with something else than JSON, or with nothing. */
    public MockHttpServletResponse sendRaw(
            HttpMethod method, String path, String fileName, byte[] file, Map<String, String> fields) {
        SignedIn person = new SignedIn(role.name().toLowerCase(), "Test " + role, role);
        var token = UsernamePasswordAuthenticationToken.authenticated(
                person, null, AuthorityUtils.createAuthorityList("ROLE_" + role));
        try {
            var request = MockMvcRequestBuilders.multipart(method, java.net.URI.create(path));
            request.file(new org.springframework.mock.web.MockMultipartFile("image", fileName, null, file));
            request.with(authentication(token)).with(csrf().asHeader());
            fields.forEach(request::param);
            return mvc.perform(request).andReturn().getResponse();
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    /** A photo as a bench takes it, larger than one that is kept. */
    public static byte[] photo() {
        var image = new java.awt.image.BufferedImage(3_000, 2_000, java.awt.image.BufferedImage.TYPE_3BYTE_BGR);
        var file = new java.io.ByteArrayOutputStream();
        try {
            javax.imageio.ImageIO.write(image, "png", file);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return file.toByteArray();
    }

    /** A take-in that is right as it stands; tests change what they are about. */
    public ObjectNode intake(String family, String... channels) {
        List<Map<String, Object>> ports = java.util.Arrays.stream(channels)
                .map(c -> Map.<String, Object>of(
                        "channel", c, "inkInLine", "as labelled", "chemistry", "DYE", "makersOwn", true))
                .toList();
        return json.valueToTree(Map.ofEntries(
                Map.entry("customerId", UUID.randomUUID()),
                Map.entry("customerName", "Cuttle Bay Almanacs"),
                Map.entry("contact", "blue door"),
                Map.entry("familyCode", family),
                Map.entry("headId", UUID.randomUUID()),
                Map.entry("serial", "T-" + UUID.randomUUID()),
                Map.entry("ports", ports),
                Map.entry("symptoms", List.of("GAPS_ONE_COLOUR")),
                Map.entry("everNonFood", "YES"),
                Map.entry("jobClass", "GENERAL"),
                Map.entry("promisedOn", LocalDate.now(clock).plusDays(3).toString())));
    }

    /** Takes in a Vennick B3 (three channels of 208) and gives the key of the visit. */
    public String newVisit() {
        return newVisit(intake("VENNICK-B3", "C", "M", "Y"));
    }

    public String newVisit(ObjectNode intake) {
        String id = UUID.randomUUID().toString();
        put("/api/visits/" + id, Map.of("intake", intake)).is(200);
        return id;
    }

    /** Records a check of a Vennick B3 in which the first nozzles of cyan are out. */
    public Answer check(String visit, String check, int cyanOut) {
        return put("/api/visits/" + visit + "/checks/" + check, Map.of("reading", reading(cyanOut)));
    }

    public Map<String, String> reading(int cyanOut) {
        return Map.of("C", "M".repeat(cyanOut) + "F".repeat(208 - cyanOut), "M", "F".repeat(208), "Y", "F".repeat(208));
    }

    /** Taps something about the head itself. */
    public Answer head(String visit, String entry) {
        return put("/api/visits/" + visit + "/head-entries/" + UUID.randomUUID(), Map.of("entry", entry));
    }

    /** After work in the carriage: the pad is taken out, contacts and board are seen dry. */
    public void padOutAndDry(String visit) {
        head(visit, "PAD_OUT").is(200);
        head(visit, "SEEN_DRY").is(200);
    }

    /** Puts a bottle on the shelf, as a lead, and goes on as a technician. */
    public String lotOf(String kind, double ml) {
        String id = UUID.randomUUID().toString();
        as(Role.LEAD)
                .put(
                        "/api/lots/" + id,
                        Map.of(
                                "name",
                                "Test cleaner",
                                "kind",
                                kind,
                                "maker",
                                "Nobody",
                                "lotCode",
                                "T-" + id.substring(0, 8),
                                "foodSafe",
                                false,
                                "bottleMl",
                                100,
                                "remainingMl",
                                ml,
                                "price",
                                1))
                .is(200);
        as(Role.TECHNICIAN);
        return id;
    }

    /** What a bottle holds, mL. */
    public double left(String lot) {
        for (JsonNode row : get("/api/lots").body()) {
            if (row.path("id").asText().equals(lot)) {
                return row.path("remainingMl").asDouble();
            }
        }
        throw new AssertionError("no lot " + lot);
    }

    /** Key of a lot by its code. */
    public JsonNode lot(String code) {
        for (JsonNode lot : get("/api/lots").body()) {
            if (lot.path("lotCode").asText().equals(code)) {
                return lot;
            }
        }
        throw new AssertionError("no lot " + code);
    }

    /** Work on one channel as it is entered, without a bottle: by strokes where it goes so, otherwise by hand. */
    public static Map<String, Object> work(String method, String channel) {
        boolean byStrokes = undoknot.treatment.Method.valueOf(method).isByStrokes();
        return byStrokes
                ? Map.of(
                        "kind",
                        "FLUSH",
                        "flush",
                        Map.of(
                                "method",
                                method,
                                "strokes",
                                List.of(Map.of("channel", channel, "volumeMl", 0)),
                                "temperatureC",
                                20))
                : Map.of("kind", "HANDWORK", "handwork", Map.of("method", method, "channels", List.of(channel)));
    }
}
