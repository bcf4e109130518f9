package undoknot.server.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class JudgementTest {

    @Autowired
    Api api;

    @BeforeEach
    void asTechnician() {
        api.as(Role.TECHNICIAN);
    }

    private JsonNode judgement(String visit) {
        return api.get("/api/visits/" + visit + "/judgement").is(200).body();
    }

    private static double chance(JsonNode judgement, String cause) {
        for (JsonNode likely : judgement.path("causes")) {
            if (likely.path("cause").asText().equals(cause)) {
                return likely.path("probability").asDouble();
            }
        }
        throw new AssertionError("no cause " + cause);
    }

    private static JsonNode advice(JsonNode judgement) {
        return judgement.path("advice").path("first");
    }

    private Api.Answer found(String visit, String id, String sign, String channel) {
        ObjectNode body = api.json.createObjectNode().put("sign", sign);
        return api.put(
                "/api/visits/" + visit + "/findings/" + id, channel == null ? body : body.put("channel", channel));
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    /** A Hulver W8 whose magenta lacks a long run, told to wander. */
    private String wandering() {
        ObjectNode intake = api.intake("HULVER-W8", "K", "C", "M", "Y", "LK", "O", "S", "W");
        intake.putArray("symptoms").add("GAPS_WANDER");
        intake.put("idleDays", 3);
        String visit = api.newVisit(intake);
        ObjectNode reading = api.json.createObjectNode();
        List.of("K", "C", "Y", "LK", "O", "S", "W").forEach(c -> reading.put(c, "F".repeat(200)));
        reading.put("M", "F".repeat(40) + "M".repeat(70) + "F".repeat(90));
        api.put("/api/visits/" + visit + "/checks/" + id(), Map.of("reading", reading))
                .is(200);
        return visit;
    }

    @Test
    void a_finding_changes_the_ranking_at_once_and_taking_it_back_undoes_that() {
        String visit = wandering();
        JsonNode before = judgement(visit);
        assertThat(advice(before).path("act").asText()).isEqualTo("LOOK");
        assertThat(advice(before).path("look").asText()).isEqualTo("AIR");
        assertThat(before.path("looks").get(0).path("look").asText()).isEqualTo("AIR");
        assertThat(before.path("looks").get(0).path("channel").asText()).isEqualTo("M");

        String finding = id();
        found(visit, finding, "DAMPER_EMPTY", "M").is(200);
        found(visit, finding, "DAMPER_EMPTY", "M").is(200);
        JsonNode after = judgement(visit);
        assertThat(after.path("findings")).hasSize(1);
        assertThat(after.path("findings").get(0).path("foundBy").asText()).isEqualTo("Test TECHNICIAN");
        assertThat(chance(after, "AIR")).isGreaterThan(chance(before, "AIR"));
        assertThat(after.path("lastChange").get(0).path("cause").asText()).isEqualTo("AIR");
        assertThat(after.path("lastChange").get(0).path("before").asDouble()).isEqualTo(chance(before, "AIR"));
        assertThat(advice(after).path("method").asText()).isEqualTo("PURGE");

        api.put("/api/visits/" + visit + "/findings/" + finding + "/withdrawal", Map.of())
                .is(200);
        JsonNode back = judgement(visit);
        assertThat(chance(back, "AIR")).isEqualTo(chance(before, "AIR"));
        assertThat(back.path("findings").get(0).path("withdrawn").asBoolean()).isTrue();
        assertThat(api.get("/api/visits/" + visit + "/history").body().toString())
                .contains("\"FINDING\"");
    }

    private JsonNode onTheBench(String visit) {
        for (JsonNode strip : api.get("/api/bench").is(200).body().path("strips")) {
            if (strip.path("id").asText().equals(visit)) {
                return strip.at("/next/advised");
            }
        }
        throw new AssertionError("not on the bench: " + visit);
    }

    @Test
    void the_bench_says_what_the_visit_advises_and_follows_every_change() {
        String visit = wandering();
        assertThat(onTheBench(visit).path("look").asText()).isEqualTo("AIR");
        String finding = id();
        found(visit, finding, "DAMPER_EMPTY", "M").is(200);
        assertThat(onTheBench(visit).path("method").asText()).isEqualTo("PURGE");
        assertThat(onTheBench(visit).path("channels"))
                .isEqualTo(advice(judgement(visit)).path("channels"));
        api.put("/api/visits/" + visit + "/findings/" + finding + "/withdrawal", Map.of())
                .is(200);
        assertThat(onTheBench(visit).path("look").asText()).isEqualTo("AIR");
        api.put(
                        "/api/visits/" + visit + "/attempts/" + id(),
                        Map.of(
                                "treatment",
                                Map.of(
                                        "kind",
                                        "CYCLE",
                                        "cycle",
                                        Map.of("channels", List.of("M"), "strength", "LIGHT", "count", 1))))
                .is(200);
        assertThat(onTheBench(visit).path("act").asText()).isEqualTo("CHECK");
    }

    @Test
    void work_that_mends_a_finding_ends_it() {
        String visit = wandering();
        found(visit, id(), "DAMPER_EMPTY", "M").is(200);
        api.put("/api/visits/" + visit + "/attempts/" + id(), Map.of("treatment", Api.work("PURGE", "M")))
                .is(200);
        JsonNode after = judgement(visit);
        assertThat(after.path("findings").get(0).path("stands").asBoolean()).isFalse();
        assertThat(advice(after).path("rule").asText()).isEqualTo("CHECK_AGAIN");
    }

    @Test
    void findings_that_cannot_be_are_refused_where_they_were_entered() {
        String visit = api.newVisit();
        assertThat(found(visit, id(), "SPONGE_DRY", null).is(422).messageAt("finding.channel"))
                .contains("in which channel");
        assertThat(found(visit, id(), "STATION_CLEAN", "C").is(422).messageAt("finding.channel"))
                .contains("whole head");
        assertThat(found(visit, id(), "SPONGE_DRY", "Q").is(422).messageAt("finding.channel"))
                .contains("no channel Q");
        // A Vennick B3 carries its cartridges: there is no damper to pull.
        assertThat(found(visit, id(), "PULL_DRAGS", "C").is(422).messageAt("finding.sign"))
                .contains("nothing to look at");
        assertThat(found(visit, id(), "WANDERS", "C").is(422).messageAt("sign")).contains("not entered");
        assertThat(api.put("/api/visits/" + visit + "/findings/" + id(), Map.of())
                        .is(422)
                        .messageAt("sign"))
                .isEqualTo("Say what you found.");
        api.as(Role.OBSERVER);
        found(visit, id(), "STATION_CLEAN", null).is(403);
    }

    @Test
    void contradictions_are_named_and_both_stay() {
        String visit = wandering();
        found(visit, id(), "SPONGE_DRY", "M").is(200);
        found(visit, id(), "DAMPER_FULL", "M").is(200);
        JsonNode judged = judgement(visit);
        assertThat(judged.path("contradictions")).hasSize(1);
        assertThat(judged.path("findings")).hasSize(2);
        assertThat(judged.path("findings").get(1).path("stands").asBoolean()).isTrue();
    }

    @Test
    void a_photo_goes_with_a_finding_and_nothing_but_a_picture_does() {
        String visit = api.newVisit();
        String finding = id();
        found(visit, finding, "STATION_CRUSTED", null).is(200);
        String path = "/api/visits/" + visit + "/findings/" + finding + "/photo";
        assertThat(api.send(HttpMethod.PUT, path, "x.png", "<html>".getBytes(), Map.of())
                        .is(422)
                        .messageAt("image"))
                .contains("JPEG or PNG");
        assertThat(api.sendRaw(HttpMethod.PUT, path, "x.png", Api.photo(), Map.of())
                        .getStatus())
                .isEqualTo(200);
        assertThat(api.raw(HttpMethod.GET, path, null).getContentType()).isEqualTo("image/jpeg");
        assertThat(judgement(visit).path("findings").get(0).path("hasPhoto").asBoolean())
                .isTrue();
    }

    @Test
    void what_is_done_instead_of_the_advice_is_kept_once() {
        String visit = wandering();
        String departure = id();
        Map<String, String> entry = Map.of("rule", "LOOK_FIRST", "advised", "AIR", "reason", "The customer waits");
        api.put("/api/visits/" + visit + "/departures/" + departure, entry).is(200);
        JsonNode kept = api.put("/api/visits/" + visit + "/departures/" + departure, entry)
                .is(200)
                .body()
                .at("/judgement/departures");
        assertThat(kept).hasSize(1);
        assertThat(kept.get(0).path("madeBy").asText()).isEqualTo("Test TECHNICIAN");
        assertThat(api.put(
                                "/api/visits/" + visit + "/departures/" + id(),
                                Map.of("rule", "LOOK_FIRST", "advised", "AIR", "reason", " "))
                        .is(422)
                        .messageAt("reason"))
                .contains("why");
    }

    @Test
    void odds_come_from_the_record_and_money_from_the_terms() {
        String visit = wandering();
        found(visit, id(), "DAMPER_EMPTY", "M").is(200);
        JsonNode money = judgement(visit).path("money");
        assertThat(money.path("method").asText()).isEqualTo("PURGE");
        assertThat(money.path("odds").path("start").asDouble()).isEqualTo(0.5);
        // Nobody knows what the head is worth.
        assertThat(money.has("worth")).isFalse();

        JsonNode priced = api.put(
                        "/api/visits/" + visit + "/worth",
                        Map.of("headPrice", 200, "chance", 0.5, "harmChance", 0.1, "harmCost", 50, "minutes", 30))
                .is(200)
                .body()
                .at("/judgement/money");
        // 0.5 · 200 − 0.1 · 50 − (30 min at 36 an hour + fluid): 100 − 5 − 18 − fluid.
        double fluids = priced.path("usual").path("fluids").asDouble();
        assertThat(priced.path("worth").path("gain").asDouble())
                .isCloseTo(77 - fluids, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(advice(judgement(visit)).path("act").asText()).isEqualTo("WORK");

        api.put("/api/visits/" + visit + "/worth", Map.of("headPrice", 10, "chance", 0.1, "minutes", 60))
                .is(200);
        JsonNode judged = judgement(visit);
        assertThat(judged.path("money").path("worth").path("verdict").asText()).isEqualTo("STOP");
        assertThat(judged.toString()).contains("NOT_WORTH_IT");
        assertThat(api.put("/api/visits/" + visit + "/worth", Map.of("chance", 1.2))
                        .is(422)
                        .messageAt("chance"))
                .contains("100 %");
        assertThat(api.raw(HttpMethod.GET, "/api/visits/" + visit + "/quote.pdf", null)
                        .getContentType())
                .startsWith("application/pdf");
    }

    @Test
    void an_attempt_that_reaches_acceptance_becomes_a_case_of_the_record_and_is_forgotten_when_taken_back() {
        String visit = api.newVisit();
        api.check(visit, id(), 60).is(200);
        String attempt = id();
        int before = cases("STATION");
        api.put(
                        "/api/visits/" + visit + "/attempts/" + attempt,
                        Map.of(
                                "treatment",
                                Map.of(
                                        "kind",
                                        "HANDWORK",
                                        "handwork",
                                        Map.of("method", "STATION", "channels", List.of("C")))))
                .is(200);
        assertThat(cases("STATION") - before).isZero();
        api.check(visit, id(), 0).is(200);
        assertThat(cases("STATION") - before).isEqualTo(1);
        api.put("/api/visits/" + visit + "/attempts/" + attempt + "/withdrawal", Map.of("reason", "slip"))
                .is(200);
        assertThat(cases("STATION") - before).isZero();
    }

    @Autowired
    org.springframework.jdbc.core.JdbcTemplate jdbc;

    private int cases(String method) {
        return jdbc.queryForObject("select count(*) from attempt_result where method = ?", Integer.class, method);
    }
}
