package undoknot.server.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.UnsupportedEncodingException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;
import undoknot.server.Works;
import undoknot.server.account.Role;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

@ServerTest
class AttemptTest {

    @Autowired
    Api api;

    @Autowired
    MovableClock clock;

    String visit;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
    }

    private Map<String, Object> flush(String lot, Object ml) {
        return Map.of(
                "lotId",
                lot,
                "treatment",
                Map.of(
                        "kind",
                        "FLUSH",
                        "flush",
                        Map.of(
                                "temperatureC",
                                22,
                                "strokes",
                                List.of(Map.of(
                                        "channel",
                                        "C",
                                        "volumeMl",
                                        ml,
                                        "seconds",
                                        60,
                                        "resistance",
                                        "STIFF",
                                        "effluent",
                                        "TINTED",
                                        "stream",
                                        "DRIPS")))));
    }

    private Map<String, Object> cycle(int count) {
        return Map.of(
                "treatment",
                Map.of(
                        "kind",
                        "CYCLE",
                        "cycle",
                        Map.of("channels", List.of("C"), "strength", "LIGHT", "count", count)));
    }

    private Map<String, Object> soak(String lot, int minutes) {
        return Map.of(
                "lotId",
                lot,
                "treatment",
                Map.of(
                        "kind",
                        "SOAK",
                        "soak",
                        Map.of("place", "TRAY", "channels", List.of("C"), "volumeMl", 20, "plannedMinutes", minutes)));
    }

    private Map<String, Object> bath(String lot, int bursts) {
        return Map.of(
                "lotId",
                lot,
                "treatment",
                Map.of(
                        "kind",
                        "BATH",
                        "bath",
                        Map.of(
                                "channels",
                                List.of("C"),
                                "volumeMl",
                                5,
                                "levelMm",
                                3,
                                "temperatureC",
                                35,
                                "bursts",
                                bursts,
                                "burstSeconds",
                                120)));
    }

    private String path(Object id) {
        return "/api/visits/" + visit + "/attempts/" + id;
    }

    private String lotOf(double ml) {
        return api.lotOf("AQUEOUS_CLEANER", ml);
    }

    private String lotOf(String kind, double ml) {
        return api.lotOf(kind, ml);
    }

    private double left(String lot) {
        return api.left(lot);
    }

    @Test
    void a_dose_draws_its_lot_down_once_however_often_it_is_sent() {
        String lot = lotOf(10);
        UUID id = UUID.randomUUID();
        api.put(path(id), flush(lot, 2.5)).is(200);
        JsonNode view = api.put(path(id), flush(lot, 2.5)).is(200).body();
        assertThat(left(lot)).isEqualTo(7.5);
        assertThat(view.path("attempts")).hasSize(1);
        assertThat(view.path("attempts").get(0).path("knot").asText()).isEqualTo("WAITING");
    }

    @Test
    void doses_at_the_same_moment_never_draw_more_than_the_bottle_holds() throws Exception {
        String lot = lotOf(10);
        var hands = Executors.newFixedThreadPool(6);
        var taps = IntStream.range(0, 6)
                .mapToObj(i -> hands.submit(
                        () -> api.put(path(UUID.randomUUID()), flush(lot, 3)).status()))
                .toList();
        int logged = 0;
        for (var tap : taps) {
            int status = tap.get();
            assertThat(status).isIn(200, 422);
            logged += status == 200 ? 1 : 0;
        }
        hands.shutdown();
        // Three doses of 3 mL fit into 10 mL, a fourth does not.
        assertThat(logged).isEqualTo(3);
        assertThat(left(lot)).isEqualTo(1.0);
    }

    @Test
    void a_bottle_with_too_little_says_so_and_nothing_is_logged() {
        String lot = lotOf(2);
        Api.Answer answer = api.put(path(UUID.randomUUID()), flush(lot, 3)).is(422);
        assertThat(answer.messageAt("lotId"))
                .isEqualTo(
                        "This bottle holds 2 mL, 3 mL are needed: 1 mL short. Choose another lot or a smaller dose.");
        assertThat(left(lot)).isEqualTo(2.0);
        assertThat(api.get("/api/visits/" + visit).body().path("attempts")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "-1, Enter more than 0 mL.",
        "0, Enter more than 0 mL.",
        "600, Enter at most 500 mL.",
        "1.234, Enter millilitres to the hundredth."
    })
    void a_wrong_dose_is_named_in_its_place(double ml, String message) {
        Api.Answer answer =
                api.put(path(UUID.randomUUID()), flush(lotOf(50), ml)).is(422);
        assertThat(answer.messageAt("treatment.flush.strokes[0].volumeMl")).isEqualTo(message);
    }

    @Test
    void an_unknown_channel_and_a_mixed_entry_are_refused() {
        Map<String, Object> wrong = Map.of(
                "treatment",
                Map.of("kind", "CYCLE", "cycle", Map.of("channels", List.of("Z"), "strength", "LIGHT", "count", 1)));
        assertThat(api.put(path(UUID.randomUUID()), wrong).is(422).messageAt("treatment.channels"))
                .contains("no channel Z");
        Map<String, Object> mixed = Map.of(
                "treatment",
                Map.of("kind", "SOAK", "cycle", Map.of("channels", List.of("C"), "strength", "LIGHT", "count", 1)));
        assertThat(api.put(path(UUID.randomUUID()), mixed).is(422).messageAt("treatment.kind"))
                .contains("nothing else");
    }

    @Test
    void a_soak_has_a_due_time_that_stays_and_ends_with_its_clock() {
        UUID id = UUID.randomUUID();
        JsonNode clockRow = api.put(path(id), soak(lotOf(50), 40))
                .is(200)
                .body()
                .path("clocks")
                .get(0);
        Duration planned = Duration.between(
                java.time.Instant.parse(clockRow.path("startedAt").asText()),
                java.time.Instant.parse(clockRow.path("dueAt").asText()));
        assertThat(planned).isEqualTo(Duration.ofMinutes(40));
        assertThat(api.get("/api/visits/" + visit).body().at("/next/action").asText())
                .isEqualTo("WAIT_SOAK");
        clock.forward(Duration.ofMinutes(41));
        assertThat(api.get("/api/visits/" + visit).body().at("/next/action").asText())
                .isEqualTo("LIFT_FROM_SOAK");
        assertThat(api.get("/api/bench").body().path("clocks").findValuesAsText("visitId"))
                .contains(visit);
        String stop = "/api/visits/" + visit + "/clocks/" + clockRow.path("id").asText() + "/stop";
        JsonNode lifted = api.put(stop, Map.of()).is(200).body();
        String stoppedAt = lifted.at("/clocks/0/stoppedAt").asText();
        assertThat(lifted.at("/attempts/0/endedAt").asText()).isEqualTo(stoppedAt);
        assertThat(api.put(stop, Map.of())
                        .is(200)
                        .body()
                        .at("/clocks/0/stoppedAt")
                        .asText())
                .isEqualTo(stoppedAt);
    }

    @Test
    void a_bath_runs_burst_by_burst() {
        UUID id = UUID.randomUUID();
        JsonNode first = api.put(path(id), bath(lotOf(50), 2)).is(200).body();
        String clocks = "/api/visits/" + visit + "/clocks/";
        UUID second = UUID.randomUUID();
        api.put(clocks + second + "/burst", Map.of("attemptId", id)).is(409);
        JsonNode stopped = api.put(clocks + first.at("/clocks/0/id").asText() + "/stop", Map.of())
                .is(200)
                .body();
        assertThat(stopped.at("/attempts/0/burstsDone").asInt()).isEqualTo(1);
        assertThat(stopped.at("/attempts/0/endedAt").isMissingNode()).isTrue();
        api.put(clocks + second + "/burst", Map.of("attemptId", id)).is(200);
        api.put(clocks + second + "/burst", Map.of("attemptId", id)).is(200);
        JsonNode done = api.put(clocks + second + "/stop", Map.of()).is(200).body();
        assertThat(done.at("/attempts/0/burstsDone").asInt()).isEqualTo(2);
        assertThat(done.at("/attempts/0/endedAt").isMissingNode()).isFalse();
    }

    @Test
    void more_cycles_than_the_house_rule_want_a_reason() {
        api.put(path(UUID.randomUUID()), cycle(3)).is(200);
        Api.Answer refused = api.put(path(UUID.randomUUID()), cycle(1)).is(422);
        assertThat(refused.body().at("/gates/0/code").asText()).isEqualTo("TOO_MANY_CYCLES");
        assertThat(refused.body().at("/gates/0/entered").asInt()).isEqualTo(4);
        ObjectNode reasoned = api.json.valueToTree(cycle(1));
        JsonNode view = api.put(path(UUID.randomUUID()), reasoned.put("departureReason", "last one improved"))
                .is(200)
                .body();
        assertThat(view.path("cyclesRun").asInt()).isEqualTo(4);
        assertThat(view.at("/attempts/1/departureReason").asText()).isEqualTo("last one improved");
    }

    /** Three, then hands; what was flushed takes up to three cycles to pull its ink (handbook 8). */
    @Test
    void cycles_are_counted_anew_after_work_with_hands() {
        api.put(path(UUID.randomUUID()), cycle(3)).is(200);
        api.put(path(UUID.randomUUID()), flush(lotOf(50), 1)).is(200);
        api.padOutAndDry(visit);
        api.put(path(UUID.randomUUID()), cycle(1)).is(200);
        JsonNode view = api.put(path(UUID.randomUUID()), cycle(2)).is(200).body();
        assertThat(view.path("cyclesRun").asInt()).isEqualTo(6);
        api.put(path(UUID.randomUUID()), cycle(1)).is(422);
    }

    @Test
    void only_a_lead_may_push_into_a_laminated_head_and_must_say_why() {
        visit = api.newVisit(api.intake("SKERRIN-L4", "K", "C", "M", "Y"));
        String lot = lotOf(50);
        ObjectNode entry = api.json.valueToTree(flush(lot, 1));
        entry.put("departureReason", "wanted to");
        assertThat(api.put(path(UUID.randomUUID()), entry)
                        .is(422)
                        .body()
                        .at("/gates/0/code")
                        .asText())
                .isEqualTo("NO_PUSH");
        api.as(Role.LEAD).put(path(UUID.randomUUID()), flush(lot, 1)).is(422);
        api.put(path(UUID.randomUUID()), entry).is(200);
    }

    @Test
    void an_entry_taken_back_stays_readable_and_its_fluid_returns() {
        String lot = lotOf(10);
        UUID id = UUID.randomUUID();
        api.put(path(id), flush(lot, 4)).is(200);
        assertThat(api.put(path(id) + "/withdrawal", Map.of("reason", " "))
                        .is(422)
                        .messageAt("reason"))
                .contains("Say what was wrong");
        assertThat(api.put(path(id) + "/withdrawal", Map.of("reason", "other head"))
                        .is(422)
                        .messageAt("poured"))
                .isEqualTo("Say where its fluid is: poured, or still in the bottle.");
        Map<String, Object> never = Map.of("reason", "other head", "poured", false);
        api.put(path(id) + "/withdrawal", never).is(200);
        JsonNode again = api.put(path(id) + "/withdrawal", never).is(200).body();
        assertThat(left(lot)).isEqualTo(10.0);
        assertThat(again.at("/attempts/0/withdrawnReason").asText()).isEqualTo("other head");
        assertThat(again.path("thread").findValuesAsText("kind")).doesNotContain("ATTEMPT");
    }

    @Test
    void fluid_poured_for_an_entry_taken_back_stays_out_of_the_bottle_and_stands_in_the_report()
            throws UnsupportedEncodingException {
        String lot = lotOf(10);
        UUID id = UUID.randomUUID();
        api.put(path(id), flush(lot, 4)).is(200);
        api.put(path(id) + "/withdrawal", Map.of("reason", "wrong bottle", "poured", true))
                .is(200);
        // A second tap, with another answer, changes nothing.
        api.put(path(id) + "/withdrawal", Map.of("reason", "wrong bottle", "poured", false))
                .is(200);
        assertThat(left(lot)).isEqualTo(6.0);
        assertThat(api.raw(HttpMethod.GET, "/api/visits/" + visit + "/report.html", null)
                        .getContentAsString())
                .contains("poured in vain");
    }

    @Test
    void the_preview_names_cautions_gates_and_what_is_short_and_stores_nothing() {
        String lot = lotOf(2);
        JsonNode preview = api.post(
                        "/api/visits/" + visit + "/attempts/preview",
                        Map.of(
                                "kind",
                                "FLUSH",
                                "lotId",
                                lot,
                                "temperatureC",
                                55,
                                "treatment",
                                flush(lot, 3).get("treatment")))
                .is(200)
                .body();
        assertThat(preview.path("cautions").toString()).contains("GOGGLES_SYRINGE", "WARM_SCALDS");
        assertThat(preview.path("shortByMl").asDouble()).isEqualTo(1.0);
        assertThat(left(lot)).isEqualTo(2.0);
    }

    private static Map<String, Object> handwork(String method) {
        return Api.work(method, "C");
    }

    /** The gates of a method, as the form is told before, and as the log says when it refuses: the same. */
    private String gatesOf(String method) {
        JsonNode before = api.post(
                        "/api/visits/" + visit + "/attempts/preview",
                        Map.of("kind", handwork(method).get("kind"), "treatment", handwork(method)))
                .is(200)
                .body();
        Api.Answer logged = api.put(path(UUID.randomUUID()), Map.of("treatment", handwork(method)));
        String said = before.path("gates").findValuesAsText("code").toString();
        assertThat(logged.is(said.equals("[]") ? 200 : 422).body().path("gates").findValuesAsText("code"))
                .hasToString(said);
        return said;
    }

    @ParameterizedTest
    @CsvSource({
        "PAGE, [HEAD_IN_HOLD]",
        "CHARGE, '[HEAD_IN_HOLD, WASTE_NOT_LOOKED]'",
        "ALIGN, [HEAD_IN_HOLD]",
        "SYSTEM, '[HEAD_IN_HOLD, WASTE_NOT_LOOKED]'",
        "STATION, []",
        "PURGE, []",
        "DRAW_BACK, [NO_SUCTION]",
    })
    void other_work_passes_the_gates_as_well_during_a_hold(String method, String expected) {
        api.put("/api/visits/" + visit + "/head-entries/" + UUID.randomUUID(), Map.of("entry", "HOLD", "wet", "BODY"))
                .is(200);
        assertThat(gatesOf(method)).isEqualTo(expected);
    }

    /** A laminated food head in a hold, a bottle that is not for it: what the form is told is what the log says. */
    @ParameterizedTest
    @EnumSource(Method.class)
    void every_method_meets_the_same_gates_in_its_form_and_in_the_log(Method method) {
        ObjectNode intake = api.intake("SKERRIN-L4", "K", "C", "M", "Y");
        intake.put("everNonFood", "NO");
        intake.path("ports").forEach(port -> ((ObjectNode) port).put("chemistry", "EDIBLE"));
        visit = api.newVisit(intake);
        api.put("/api/visits/" + visit + "/head-entries/" + UUID.randomUUID(), Map.of("entry", "HOLD", "wet", "BODY"))
                .is(200);
        String lot = lotOf("AMMONIA_CLEANER", 50);
        ObjectNode form =
                api.json.createObjectNode().put("kind", method.kind().name()).put("lotId", lot);
        form.set("treatment", api.json.valueToTree(Works.of(method)));
        if (method.kind() == Treatment.Kind.FLUSH) {
            form.put("temperatureC", method == Method.WARM ? 40 : 22);
        }
        List<String> told = api.post("/api/visits/" + visit + "/attempts/preview", form)
                .is(200)
                .body()
                .path("gates")
                .findValuesAsText("code");
        ObjectNode sent = api.json.createObjectNode().put("lotId", lot);
        sent.set("treatment", form.get("treatment"));
        Api.Answer logged = api.put(path(UUID.randomUUID()), sent);
        assertThat(logged.status()).isEqualTo(told.isEmpty() ? 200 : 422);
        assertThat(logged.body().path("gates").findValuesAsText("code")).isEqualTo(told);
        assertThat(told.contains("HEAD_IN_HOLD")).isEqualTo(method.needsPower());
        assertThat(told.contains("FLUID_NOT_FOR_FOOD")).isEqualTo(method != Method.RESEAT);
    }

    /** 60 mL in 1 s on a 15 kPa head, a firm thumb on a small syringe, and a stroke that keeps to the limit. */
    @Test
    void a_push_past_the_limit_is_said_before_it_is_saved_and_only_logged_by_a_lead_as_done() {
        String lot = lotOf(100);
        ObjectNode hard = api.json.valueToTree(flush(lot, 60));
        ((ObjectNode) hard.at("/treatment/flush/strokes/0")).put("seconds", 1);
        ObjectNode preview = api.json.createObjectNode().put("kind", "FLUSH").put("lotId", lot);
        preview.set("treatment", hard.get("treatment"));
        JsonNode told = api.post("/api/visits/" + visit + "/attempts/preview", preview)
                .is(200)
                .body();
        assertThat(told.at("/gates/0/code").asText()).isEqualTo("PUSH_TOO_HARD");
        assertThat(told.at("/gates/0/limit").asDouble()).isEqualTo(15);
        // 60 mL at 15 kPa: 8.4 N at most (handbook 18).
        assertThat(told.at("/pushes/0/greatestForces/6/newton").asDouble())
                .isCloseTo(8.4, org.assertj.core.api.Assertions.within(0.05));
        hard.put("departureReason", "the plunger slipped");
        api.put(path(UUID.randomUUID()), hard).is(422);
        api.as(Role.LEAD).put(path(UUID.randomUUID()), hard).is(422);
        JsonNode logged = api.put(path(UUID.randomUUID()), hard.put("doneAnyway", true))
                .is(200)
                .body();
        assertThat(logged.at("/attempts/0/against/0/code").asText()).isEqualTo("PUSH_TOO_HARD");
        assertThat(api.get("/api/visits/" + visit + "/report")
                        .body()
                        .at("/attempts/0/against/0")
                        .asText())
                .contains("past the limit of 15 kPa");

        ObjectNode small = api.json.valueToTree(flush(lot, 1));
        ((ObjectNode) small.at("/treatment/flush/strokes/0"))
                .put("syringe", "ML_10")
                .put("force", "FIRM");
        Api.Answer refused =
                api.as(Role.TECHNICIAN).put(path(UUID.randomUUID()), small).is(422);
        // 25 N on a bore of 14.5 mm: 151 kPa.
        assertThat(refused.body().at("/gates/0/entered").asDouble())
                .isCloseTo(151, org.assertj.core.api.Assertions.within(0.5));
    }

    @Test
    void a_port_that_says_drops_only_takes_no_push_and_offers_none() {
        visit = api.newVisit(api.intake("TARROW-T4", "K", "C", "M", "Y"));
        assertThat(api.put(path(UUID.randomUUID()), flush(lotOf(50), 1))
                        .is(422)
                        .body()
                        .at("/gates/0/code")
                        .asText())
                .isEqualTo("NO_FITTING");
        JsonNode usual = api.get("/api/visits/" + visit).body().path("usual");
        assertThat(usual.path("notForHead").findValuesAsText("method")).contains("FLUSH", "WARM", "PURGE", "PRIME");
        assertThat(usual.at("/notForHead/0/why").asText()).isEqualTo("NO_FITTING");
    }

    @Test
    void what_was_found_stands_in_the_way_until_a_reason_is_given() {
        api.put("/api/visits/" + visit + "/findings/" + UUID.randomUUID(), Map.of("sign", "WASTE_FULL"))
                .is(200);
        assertThat(gatesOf("CHARGE")).isEqualTo("[NO_STRONG_CYCLES_NOW]");
        assertThat(gatesOf("PAGE")).isEqualTo("[]");
        JsonNode kept = api.put(
                        path(UUID.randomUUID()),
                        Map.of("treatment", handwork("CHARGE"), "departureReason", "a second store stands ready"))
                .is(200)
                .body();
        assertThat(kept.at("/attempts/1/against/0/code").asText()).isEqualTo("NO_STRONG_CYCLES_NOW");
    }

    @Test
    void a_bottle_that_was_named_is_asked_though_little_of_it_was_used() {
        Map<String, Object> entry = Map.of("lotId", lotOf("AMMONIA_CLEANER", 50), "treatment", handwork("PAD"));
        assertThat(api.put(path(UUID.randomUUID()), entry)
                        .is(422)
                        .body()
                        .at("/gates/0/code")
                        .asText())
                .isEqualTo("FLUID_CONTESTED");
    }
}
