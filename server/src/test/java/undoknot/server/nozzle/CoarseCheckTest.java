package undoknot.server.nozzle;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class CoarseCheckTest {

    @Autowired
    Api api;

    private String visit;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
    }

    private Api.Answer put(String id, String kind, Map<String, Map<String, String>> channels) {
        return api.put(
                "/api/visits/" + visit + "/checks/" + id, Map.of("coarse", Map.of("kind", kind, "channels", channels)));
    }

    @Test
    void bars_are_kept_and_compared_among_themselves() {
        String first = UUID.randomUUID().toString();
        String second = UUID.randomUUID().toString();
        put(
                        first,
                        "BARS",
                        Map.of("C", Map.of("level", "BAR_STREAKED", "where", "END"), "M", Map.of("level", "BAR_FULL")))
                .is(200);
        JsonNode view = put(second, "BARS", Map.of("C", Map.of("level", "BAR_FULL"), "M", Map.of("level", "BAR_PALE")))
                .is(200)
                .body();
        assertThat(view.at("/checks/0/coarse/channels/C/where").asText()).isEqualTo("END");
        assertThat(view.at("/checks/0/reading").isMissingNode()).isTrue();
        JsonNode changes = api.get("/api/visits/" + visit + "/coarse-comparison?before=" + first + "&now=" + second)
                .is(200)
                .body()
                .path("changes");
        assertThat(changes.path("C").asText()).isEqualTo("BETTER");
        assertThat(changes.path("M").asText()).isEqualTo("WORSE");
        assertThat(changes.path("Y").asText()).isEqualTo("NOT_LOOKED");
    }

    @Test
    void a_visit_mixes_kinds_but_does_not_compare_them() {
        String stream = UUID.randomUUID().toString();
        String map = UUID.randomUUID().toString();
        put(stream, "STREAM", Map.of("C", Map.of("level", "STREAM_DRIPS"))).is(200);
        api.check(visit, map, 3).is(200);
        assertThat(api.get("/api/visits/" + visit + "/coarse-comparison?before=" + stream + "&now=" + map)
                        .is(422)
                        .messageAt("before"))
                .contains("one kind");
    }

    @Test
    void an_empty_one_and_a_wrong_channel_are_refused() {
        String id = UUID.randomUUID().toString();
        assertThat(put(id, "BARS", Map.of()).is(422).messageAt("coarse")).contains("at least one channel");
        assertThat(put(id, "BARS", Map.of("K", Map.of("level", "BAR_FULL")))
                        .is(422)
                        .messageAt("coarse.K"))
                .contains("no channel K");
    }

    @Test
    void the_report_says_it_in_words() {
        put(UUID.randomUUID().toString(), "BARS", Map.of("C", Map.of("level", "BAR_STREAKED", "where", "END")))
                .is(200);
        JsonNode report = api.get("/api/visits/" + visit + "/report").is(200).body();
        assertThat(report.at("/otherReadings/0").asText()).isEqualTo("Check 1, solid bars: C streaked at the end");
    }
}
