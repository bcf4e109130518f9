package undoknot.server.mapfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class MapFileTest {

    @Autowired
    Api api;

    private String visit;
    private String check;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
        check = UUID.randomUUID().toString();
        api.check(visit, check, 5).is(200);
    }

    private String file(String name) {
        byte[] bytes = api.raw(HttpMethod.GET, "/api/visits/" + visit + "/checks/" + check + "/" + name, null)
                .getContentAsByteArray();
        return new String(bytes, StandardCharsets.UTF_8);
    }

    private Api.Answer read(String text) {
        return api.post("/api/visits/" + visit + "/maps/read", Map.of("text", text));
    }

    @ParameterizedTest
    @ValueSource(strings = {"map.csv", "map.json"})
    void what_goes_out_comes_back_in(String name) {
        assertThat(read(file(name)).is(200).body().at("/reading/C").asText())
                .isEqualTo("M".repeat(5) + "F".repeat(203));
    }

    @Test
    void csv_has_one_line_a_nozzle() {
        assertThat(file("map.csv").lines().toList())
                .hasSize(1 + 3 * 208)
                .startsWith("channel,nozzle,state", "C,1,missing", "C,2,missing")
                .endsWith("Y,208,firing");
    }

    static Stream<Arguments> badCsv() {
        return Stream.of(
                bad("line 3, state", t -> t.replaceFirst("C,2,missing", "C,2,gone"), "not \"gone\""),
                bad("line 4, nozzle", t -> t.replaceFirst("C,3,missing", "C,999,missing"), "1 to 208"),
                bad("line 2, channel", t -> t.replaceFirst("C,1,missing", "Q,1,missing"), "no channel \"Q\""),
                bad("line 3, nozzle", t -> t.replaceFirst("C,2,missing", "C,1,missing"), "stands twice"),
                bad("line 1, header", t -> t.replaceFirst("channel,nozzle,state", "a,b,c"), "channel,nozzle,state"),
                bad("channel C", t -> t.replaceFirst("C,7,firing\r\n", ""), "no line for nozzle 7"),
                bad("file", t -> "  ", "empty"));
    }

    private static Arguments bad(String field, UnaryOperator<String> change, String message) {
        return Arguments.of(field, change, message);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("badCsv")
    void a_bad_line_is_named_and_nothing_is_taken(String field, UnaryOperator<String> change, String message) {
        String text = change.apply(file("map.csv"));
        assertThat(read(text).is(422).messageAt(field)).contains(message);
    }

    /** A small file, so that its lines can be counted by eye. */
    private static final String JSON = """
            {
              "format": "undoknot.nozzle-map/1",
              "family": "VENNICK-B3",
              "channels": [
                { "code": "C", "states": "%s" },
                { "code": "M", "states": "%s" },
                { "code": "Y", "states": "%s" }
              ]
            }
            """;

    @Test
    void json_that_does_not_fit_names_line_and_field() {
        String good = "F".repeat(208);
        read(JSON.formatted(good, good, good)).is(200);
        assertThat(read(JSON.formatted(good, good, "F".repeat(207))).is(422).messageAt("line 7, states of Y"))
                .contains("207 nozzles, not 208");
        assertThat(read(JSON.formatted(good, "X".repeat(208), good))
                        .is(422)
                        .body()
                        .at("/errors/0/field")
                        .asText())
                .startsWith("line 6");
        assertThat(read(JSON.formatted(good, good, good).replace("VENNICK-B3", "ORSEL-D6"))
                        .is(422)
                        .messageAt("line 3, family"))
                .contains("ORSEL-D6");
        assertThat(read("{\n \"format\": oops\n}")
                        .is(422)
                        .body()
                        .at("/errors/0/field")
                        .asText())
                .startsWith("line 2");
    }

    @Test
    void combs_are_drawn_as_svg_and_png() {
        assertThat(file("comb.svg")).startsWith("<svg").contains("5 out");
        byte[] png = api.raw(HttpMethod.GET, "/api/visits/" + visit + "/checks/" + check + "/comb.png", null)
                .getContentAsByteArray();
        assertThat(png).startsWith(0x89, 'P', 'N', 'G');
        String second = UUID.randomUUID().toString();
        api.check(visit, second, 2).is(200);
        String query = "?before=" + check + "&now=" + second;
        assertThat(api.raw(HttpMethod.GET, "/api/visits/" + visit + "/comparison.svg" + query, null)
                        .getContentAsByteArray())
                .asString(StandardCharsets.UTF_8)
                .contains("3 restored, 2 still out, 0 newly out");
        assertThat(api.raw(HttpMethod.GET, "/api/visits/" + visit + "/comparison.png" + query, null)
                        .getContentAsByteArray())
                .startsWith(0x89, 'P', 'N', 'G');
    }

    @Test
    void a_check_without_a_map_has_no_file() {
        String none = UUID.randomUUID().toString();
        api.put("/api/visits/" + visit + "/checks/" + none, Map.of("notPossible", "head error"))
                .is(200);
        api.get("/api/visits/" + visit + "/checks/" + none + "/map.json").is(404);
    }
}
