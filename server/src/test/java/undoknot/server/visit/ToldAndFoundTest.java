package undoknot.server.visit;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
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

/** Readings that are told or left out, looks port by port, what else was found, and ends by bars and streams. */
@ServerTest
class ToldAndFoundTest {

    @Autowired
    Api api;

    @Autowired
    Clock clock;

    private String visit;

    @BeforeEach
    void takenIn() {
        api.as(Role.TECHNICIAN);
        visit = api.newVisit();
    }

    private JsonNode seen() {
        return api.get("/api/visits/" + visit).is(200).body();
    }

    private Api.Answer check(Map<String, ?> body) {
        return api.put("/api/visits/" + visit + "/checks/" + UUID.randomUUID(), body);
    }

    private Api.Answer found(String sign, Map<String, ?> more) {
        Map<String, Object> body = new HashMap<>(more);
        body.put("sign", sign);
        return api.put("/api/visits/" + visit + "/findings/" + UUID.randomUUID(), body);
    }

    private static Map<String, Object> bars(String kind, String c, String others) {
        return Map.of(
                "coarse",
                Map.of(
                        "kind",
                        kind,
                        "channels",
                        Map.of("C", Map.of("level", c), "M", Map.of("level", others), "Y", Map.of("level", others))));
    }

    private Api.Answer giveBack(String outcome, Map<String, ?> more) {
        Map<String, Object> body = new HashMap<>(more);
        body.putAll(Map.of("version", seen().path("version").asLong(), "outcome", outcome, "signedBy", "Wenna"));
        return api.put("/api/visits/" + visit + "/return", body);
    }

    @Test
    void a_check_that_the_customer_kept_is_told_and_judges_nothing() {
        LocalDate day = LocalDate.now(clock).minusDays(9);
        check(Map.of("reading", api.reading(5), "toldOn", day.toString())).is(200);
        JsonNode kept = seen();
        assertThat(kept.path("checks")).isEmpty();
        assertThat(kept.path("keptChecks").get(0).path("toldOn").asText()).isEqualTo(day.toString());
        assertThat(kept.path("next").path("action").asText()).isEqualTo("FIRST_CHECK");
        check(Map.of("reading", api.reading(9))).is(200);
        JsonNode both = seen();
        String path = "/api/visits/" + visit + "/comparison?before="
                + both.path("keptChecks").get(0).path("id").asText() + "&now="
                + both.path("checks").get(0).path("id").asText();
        assertThat(api.get(path).is(200).body().path("total").path("newlyOut").asInt())
                .isEqualTo(4);
        assertThat(check(Map.of(
                                "reading",
                                api.reading(0),
                                "toldOn",
                                LocalDate.now(clock).plusDays(1).toString()))
                        .is(422)
                        .messageAt("toldOn"))
                .contains("still to come");
        assertThat(check(Map.of("notTaken", "HEAD_CAME_ALONE", "toldOn", day.toString()))
                        .is(422)
                        .messageAt("reading"))
                .contains("customer kept");
    }

    @Test
    void a_reading_that_was_left_out_is_no_fault() {
        check(Map.of("notTaken", "CARTRIDGES_EMPTY")).is(200);
        JsonNode unread = seen();
        assertThat(unread.path("checks").get(0).path("notTaken").asText()).isEqualTo("CARTRIDGES_EMPTY");
        assertThat(unread.path("next").path("action").asText()).isIn("TREAT", "LOOK");
        assertThat(unread.path("judgement")
                        .path("advice")
                        .path("first")
                        .path("rule")
                        .asText())
                .isNotEqualTo("NO_CHECK");
        assertThat(report()).contains("At first there was no reading: the cartridges are empty");
    }

    /** It is no way past the check after work. */
    @Test
    void only_the_first_reading_can_be_left_out() {
        check(Map.of("reading", api.reading(5))).is(200);
        assertThat(check(Map.of("notTaken", "HEAD_CAME_ALONE")).is(422).messageAt("notTaken"))
                .contains("first reading");
        visit = api.newVisit();
        api.put(
                        "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                        Map.of("treatment", Api.work("STATION", "C")))
                .is(200);
        check(Map.of("notTaken", "HEAD_CAME_ALONE")).is(422);
        // Nor is another purpose a way past the rules of this one.
        JsonNode begun = seen();
        ObjectNode intake = (ObjectNode) begun.path("intake").deepCopy();
        intake.put("purpose", "SYSTEM_FLUSH");
        assertThat(api.put(
                                "/api/visits/" + visit,
                                Map.of("version", begun.path("version").asLong(), "intake", intake))
                        .is(422)
                        .messageAt("intake.purpose"))
                .contains("has begun");
    }

    private String report() {
        try {
            return api.raw(HttpMethod.GET, "/api/visits/" + visit + "/report.html", null)
                    .getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
        } catch (java.io.UnsupportedEncodingException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void all_the_others_free_is_one_entry() {
        visit = api.newVisit(api.intake("HULVER-W8", "K", "C", "M", "Y", "LK", "O", "S", "W"));
        found("PULL_BLOCKED", Map.of("channel", "M")).is(200);
        Map<String, Object> rest = Map.of(
                "sign",
                "PULL_FREE",
                "channel",
                "K",
                "others",
                List.of("C", "Y", "LK", "O", "S", "W"),
                "note",
                "pulled");
        String path = "/api/visits/" + visit + "/findings/" + UUID.randomUUID();
        api.put(path, rest).is(200);
        JsonNode findings = api.put(path, rest).is(200).body().path("judgement").path("findings");
        assertThat(findings.findValuesAsText("sign"))
                .containsOnlyOnce("PULL_BLOCKED")
                .hasSize(8);
        assertThat(findings.findValuesAsText("channel"))
                .containsExactlyInAnyOrder("M", "K", "C", "Y", "LK", "O", "S", "W");
        assertThat(found("PULL_FREE", Map.of("channel", "K", "others", List.of("X")))
                        .is(422)
                        .messageAt("finding.channel"))
                .contains("no channel X");
    }

    /** Each cartridge by itself: all are recognised only once each of them was. */
    @Test
    void recognition_goes_cartridge_by_cartridge() {
        check(Map.of("notPossible", "cartridge error")).is(200);
        found("ERRORS_NONE", Map.of()).is(200);
        found("MOVES_FREELY", Map.of()).is(200);
        assertThat(firstLook()).isEqualTo("RECOGNITION");
        found("RECOGNISED", Map.of("channel", "C")).is(200);
        found("RECOGNISED", Map.of("channel", "M")).is(200);
        assertThat(firstLook()).as("yellow was not seen yet").isEqualTo("RECOGNITION");
        found("RECOGNISED", Map.of("channel", "Y")).is(200);
        assertThat(firstLook()).isEqualTo("CONTACTS");
    }

    private String firstLook() {
        return seen().path("judgement")
                .path("advice")
                .path("first")
                .path("look")
                .asText();
    }

    @Test
    void a_look_draws_its_fluid_and_an_error_is_expected_back() {
        String lot = api.lotOf("AQUEOUS_CLEANER", 10);
        found("DROPS_THROUGH", Map.of("channel", "C", "lotId", lot, "volumeMl", 0.5))
                .is(200);
        assertThat(api.left(lot)).isEqualTo(9.5);
        String slip = "/api/visits/" + visit + "/findings/" + UUID.randomUUID();
        api.put(slip, Map.of("sign", "DROPS_SLOW", "channel", "M", "lotId", lot, "volumeMl", 2))
                .is(200);
        api.put(slip + "/withdrawal", Map.of()).is(200);
        assertThat(api.left(lot)).isEqualTo(9.5);
        assertThat(report()).contains("0.5 mL of Test cleaner");
        api.padOutAndDry(visit);
        String day = LocalDate.now(clock).plusDays(11).toString();
        JsonNode expected =
                found("ERROR_EXPECTED_BACK", Map.of("expectedOn", day)).is(200).body();
        assertThat(expected.path("judgement")
                        .path("findings")
                        .get(0)
                        .path("expectedOn")
                        .asText())
                .isEqualTo(day);
    }

    @Test
    void what_else_was_found_has_a_place_a_photo_and_stands_in_the_report() {
        String path = "/api/visits/" + visit + "/also-found/";
        assertThat(api.put(path + UUID.randomUUID(), Map.of("what", "MOTOR", "place", " "))
                        .is(422)
                        .messageAt("place"))
                .contains("where it is");
        String id = UUID.randomUUID().toString();
        api.put(path + id, Map.of("what", "ROLLERS", "place", "rear feed", "note", "dirty"))
                .is(200);
        assertThat(api.sendRaw(HttpMethod.PUT, path + id + "/photo", "p.png", Api.photo(), Map.of())
                        .getStatus())
                .isEqualTo(200);
        assertThat(api.get("/api/visits/" + visit + "/also-found")
                        .body()
                        .get(0)
                        .path("hasPhoto")
                        .asBoolean())
                .isTrue();
        assertThat(report()).contains("rollers, rear feed: dirty");
        api.put(path + id + "/withdrawal", Map.of()).is(200);
        assertThat(report()).doesNotContain("rear feed");
    }

    @Test
    void a_head_is_judged_and_signed_off_by_bars_alone() {
        check(bars("BARS", "BAR_ABSENT", "BAR_FULL")).is(200);
        api.put(
                        "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                        Map.of(
                                "treatment",
                                Map.of(
                                        "kind",
                                        "CYCLE",
                                        "cycle",
                                        Map.of("channels", List.of("C"), "strength", "LIGHT", "count", 1))))
                .is(200);
        check(bars("BARS", "BAR_PALE", "BAR_FULL")).is(200);
        assertThat(seen().path("attempts").get(0).path("knot").asText()).isEqualTo("LOOSENED");
        assertThat(giveBack("RECOVERED", Map.of()).is(422).messageAt("reason")).contains("does not meet acceptance");
        check(bars("BARS", "BAR_FULL", "BAR_FULL")).is(200);
        assertThat(giveBack("RECOVERED", Map.of()).is(422).messageAt("reason")).contains("Print a full page");
        api.put("/api/visits/" + visit + "/attempts/" + UUID.randomUUID(), Map.of("treatment", Api.work("PAGE", "C")))
                .is(200);
        check(bars("BARS", "BAR_FULL", "BAR_FULL")).is(200);
        assertThat(giveBack("RECOVERED", Map.of()).is(422).messageAt("told")).contains("Bars do not show single gaps");
        giveBack("RECOVERED", Map.of("told", "WHAT_BARS_HIDE")).is(200);
        assertThat(report()).contains("From the first solid bars to the last: C better, M the same");
    }

    @Test
    void a_stream_is_ready_to_refit_and_never_accepted() {
        api.head(visit, "HEAD_OUT").is(200);
        check(bars("STREAM", "STREAM_BROKEN", "STREAM_WHOLE")).is(200);
        assertThat(giveBack("READY_TO_REFIT", Map.of()).is(422).messageAt("reason"))
                .contains("every channel whole");
        check(bars("STREAM", "STREAM_WHOLE", "STREAM_WHOLE")).is(200);
        assertThat(giveBack("RECOVERED", Map.of()).is(422).messageAt("reason")).contains("no nozzle map");
        assertThat(giveBack("READY_TO_REFIT", Map.of()).is(422).messageAt("told"))
                .contains("No print has shown this head");
        giveBack("READY_TO_REFIT", Map.of("told", "NOT_PROVEN_BY_PRINT")).is(200);
        assertThat(report()).contains("told that no print has shown this head");
    }

    @Test
    void an_outcome_of_another_purpose_is_refused() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.put("purpose", "CHECK_OVER");
        intake.putArray("symptoms");
        visit = api.newVisit(intake);
        check(Map.of("reading", api.reading(0))).is(200);
        assertThat(giveBack("CHANGED_OVER", Map.of()).is(422).messageAt("outcome"))
                .contains("does not go back so");
        giveBack("CHECKED", Map.of()).is(200);
    }
}
