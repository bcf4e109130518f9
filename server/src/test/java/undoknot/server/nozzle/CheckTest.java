package undoknot.server.nozzle;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class CheckTest {

    @Autowired
    Api api;

    String visit;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
    }

    private String path(Object id) {
        return "/api/visits/" + visit + "/checks/" + id;
    }

    @Test
    void a_reading_comes_back_with_its_counts_and_acceptance() {
        String id = UUID.randomUUID().toString();
        api.check(visit, id, 12).is(200);
        JsonNode view = api.check(visit, id, 12).is(200).body();
        assertThat(view.path("checks")).hasSize(1);
        assertThat(view.at("/checks/0/channels/C/out").asInt()).isEqualTo(12);
        assertThat(view.at("/checks/0/channels/C/longestRun").asInt()).isEqualTo(12);
        assertThat(view.at("/checks/0/acceptance/verdict").asText()).isEqualTo("NOT_MET");
        // general work: 1 % of 208 nozzles is 2.08, so 2
        assertThat(view.at("/checks/0/acceptance/channels/C/allowedOut").asInt())
                .isEqualTo(2);
        assertThat(view.at("/next/action").asText()).isEqualTo("LOOK");
    }

    @Test
    void no_check_possible_is_a_first_reading_and_needs_its_reason() {
        String id = UUID.randomUUID().toString();
        assertThat(api.put(path(id), Map.of("notPossible", " ")).is(422).messageAt("notPossible"))
                .contains("say why");
        JsonNode view =
                api.put(path(id), Map.of("notPossible", "head error 6")).is(200).body();
        assertThat(view.at("/checks/0/notPossible").asText()).isEqualTo("head error 6");
        assertThat(view.at("/checks/0/reading").isMissingNode()).isTrue();
    }

    @Test
    void a_reading_of_another_head_is_refused() {
        Api.Answer answer = api.put(path(UUID.randomUUID()), Map.of("reading", Map.of("C", "FF", "M", "F", "Y", "F")))
                .is(422);
        assertThat(answer.messageAt("reading.C")).isEqualTo("channel C has 208 nozzles, the reading has 2");
        api.put(path(UUID.randomUUID()), "{\"reading\": 5}").is(400);
    }

    @Test
    void an_amended_check_keeps_both_words_and_a_stale_one_is_told() {
        String id = UUID.randomUUID().toString();
        api.check(visit, id, 12).is(200);
        api.put(path(id), Map.of("version", 0, "reading", api.reading(10))).is(200);
        Api.Answer stale = api.put(path(id), Map.of("version", 0, "reading", api.reading(7)))
                .is(409);
        assertThat(stale.body().at("/current/reading/C").asText()).startsWith("M".repeat(10) + "F");
        JsonNode history = api.get("/api/visits/" + visit + "/history").body();
        JsonNode change = history.get(0).path("fields").get(0);
        assertThat(change.path("name").asText()).isEqualTo("reading");
        assertThat(change.path("before").asText()).contains("M".repeat(12) + "F");
        assertThat(change.path("after").asText()).contains("M".repeat(10) + "F");
    }

    @Test
    void compares_two_checks_nozzle_by_nozzle() {
        String before = UUID.randomUUID().toString();
        String now = UUID.randomUUID().toString();
        api.check(visit, before, 10).is(200);
        api.put(
                        path(now),
                        Map.of(
                                "reading",
                                Map.of(
                                        "C",
                                        "FFFFMMMMMM" + "F".repeat(190) + "U".repeat(8),
                                        "M",
                                        "MM" + "F".repeat(206),
                                        "Y",
                                        "F".repeat(208))))
                .is(200);
        JsonNode comparison = api.get("/api/visits/" + visit + "/comparison?before=" + before + "&now=" + now)
                .is(200)
                .body();
        JsonNode total = comparison.path("total");
        assertThat(total.path("restored").asInt()).isEqualTo(4);
        assertThat(total.path("stillOut").asInt()).isEqualTo(6);
        assertThat(total.path("newlyOut").asInt()).isEqualTo(2);
        assertThat(total.path("leftOut").asInt()).isEqualTo(8);
        assertThat(total.path("recovery").asDouble()).isEqualTo(0.4);
        assertThat(total.path("wander").asDouble()).isEqualTo(0.25);
        assertThat(total.path("movement").asText()).isEqualTo("MIXED");
        assertThat(comparison.at("/channels/M/recovery").isMissingNode()).isTrue();
        assertThat(comparison.at("/fates/C").asText()).startsWith("RRRRSSSSSS.").endsWith("UUUUUUUU");
        String impossible = UUID.randomUUID().toString();
        api.put(path(impossible), Map.of("notPossible", "error")).is(200);
        assertThat(api.get("/api/visits/" + visit + "/comparison?before=" + before + "&now=" + impossible)
                        .is(422)
                        .messageAt("now"))
                .contains("nothing to compare");
    }

    @Test
    void a_diagnosis_is_changed_without_losing_the_earlier_word() {
        String path = "/api/visits/" + visit + "/diagnoses/" + UUID.randomUUID();
        Map<String, Object> first =
                Map.of("cause", "AIR", "channels", List.of("C"), "speaksFor", "gap wanders", "dropped", false);
        api.put(path, first).is(200);
        api.put(path, first).is(200);
        api.put(
                        path,
                        Map.of(
                                "version",
                                0,
                                "cause",
                                "SUPPLY_RESTRICTED",
                                "channels",
                                List.of("C"),
                                "speaksFor",
                                "damper drags",
                                "dropped",
                                false))
                .is(200);
        api.put(
                        path,
                        Map.of(
                                "version",
                                0,
                                "cause",
                                "ELECTRICAL",
                                "channels",
                                List.of(),
                                "speaksFor",
                                "x",
                                "dropped",
                                false))
                .is(409);
        JsonNode change = api.get("/api/visits/" + visit + "/history").body().get(0);
        assertThat(change.path("what").asText()).isEqualTo("DIAGNOSIS");
        assertThat(change.path("fields").findValuesAsText("before")).contains("AIR", "gap wanders");
        Api.Answer empty = api.put(
                        "/api/visits/" + visit + "/diagnoses/" + UUID.randomUUID(),
                        Map.of("channels", List.of(), "speaksFor", "", "dropped", false))
                .is(422);
        assertThat(empty.messageAt("cause")).isEqualTo("Choose a cause.");
        assertThat(empty.messageAt("speaksFor")).isEqualTo("Write what speaks for it.");
    }

    @Test
    void reads_what_is_said_and_says_what_is_wrong() {
        JsonNode good = api.post("/api/nozzles/spoken", Map.of("text", "12-18, 40, 77-", "size", 80))
                .is(200)
                .body();
        assertThat(good.path("nozzles")).hasSize(7 + 1 + 4);
        JsonNode wrong = api.post("/api/nozzles/spoken", Map.of("text", "999", "size", 80))
                .is(200)
                .body();
        assertThat(wrong.at("/problems/0/fault").asText()).isEqualTo("OUTSIDE_CHANNEL");
    }
}
