package undoknot.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** Where the head is, and what keeps it from power, on every path. */
@ServerTest
class HeadTest {

    @Autowired
    Api api;

    @Autowired
    MovableClock clock;

    String visit;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
    }

    private String path(String rest) {
        return "/api/visits/" + visit + rest;
    }

    private JsonNode now() {
        return api.get(path("")).is(200).body();
    }

    private String action() {
        return now().at("/next/action").asText();
    }

    private Api.Answer work(String method) {
        return api.put(path("/attempts/" + UUID.randomUUID()), handwork(method));
    }

    private static Map<String, Object> handwork(String method) {
        return Map.of("treatment", Api.work(method, "C"));
    }

    private static Map<String, Object> cycle(String strength) {
        return Map.of(
                "treatment",
                Map.of("kind", "CYCLE", "cycle", Map.of("channels", List.of("C"), "strength", strength, "count", 1)));
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    /** Everything that needs the mains, as each path sends it. */
    private Stream<Map.Entry<String, Object>> powered() {
        return Stream.of(
                Map.entry("/attempts/" + id(), (Object) cycle("LIGHT")),
                Map.entry("/attempts/" + id(), cycle("STRONG")),
                Map.entry("/attempts/" + id(), handwork("PAGE")),
                Map.entry("/attempts/" + id(), handwork("CHARGE")),
                Map.entry("/attempts/" + id(), handwork("ALIGN")),
                Map.entry("/attempts/" + id(), handwork("SYSTEM")),
                Map.entry("/checks/" + id(), Map.of("reading", map())),
                Map.entry(
                        "/checks/" + id(),
                        Map.of("coarse", Map.of("kind", "BARS", "channels", Map.of("C", Map.of("level", "BAR_FULL"))))),
                Map.entry("/findings/" + id(), Map.of("sign", "ERRORS_NONE")),
                Map.entry("/findings/" + id(), Map.of("sign", "RECOGNISED")),
                Map.entry("/findings/" + id(), Map.of("sign", "COOL_RUNS")));
    }

    /** A map of this head in which everything fires. */
    private Map<String, String> map() {
        Map<String, String> map = new LinkedHashMap<>();
        now().at("/family/channels")
                .forEach(c -> map.put(
                        c.path("code").asText(), "F".repeat(c.path("nozzles").asInt())));
        return map;
    }

    private void nothingHasPower(String code) {
        powered().forEach(act -> {
            Api.Answer answer = api.put(path(act.getKey()), act.getValue());
            assertThat(answer.status())
                    .as("%s %s", act.getKey(), act.getValue())
                    .isEqualTo(422);
            assertThat(answer.body().path("gates").findValuesAsText("code"))
                    .as("%s", act.getValue())
                    .contains(code);
        });
        JsonNode visitNow = now();
        assertThat(visitNow.at("/next/action").asText()).isNotIn("CHECK_AGAIN", "FIRST_CHECK");
        // The refit goes with what comes after it; nothing else names a check.
        assertThat(visitNow.at("/next/action").asText().equals("REFIT")
                        || !visitNow.at("/next/advised/act").asText().equals("CHECK"))
                .isTrue();
    }

    private String tagPage() {
        String tag = now().path("tag").asText();
        try {
            return api.raw(HttpMethod.GET, "/t/" + tag, null).getContentAsString();
        } catch (java.io.UnsupportedEncodingException e) {
            throw new AssertionError(e);
        }
    }

    /** A laminated head that was drawn through: 24 h without power on any path, then the refit, then the check. */
    @Test
    void a_draw_back_on_a_laminated_head_waits_a_day() {
        visit = api.newVisit(api.intake("SKERRIN-L4", "K", "C", "M", "Y"));
        Map<String, String> map = Map.of(
                "K", "F".repeat(128), "C", "M".repeat(30) + "F".repeat(98), "M", "F".repeat(128), "Y", "F".repeat(128));
        api.put(path("/checks/" + id()), Map.of("reading", map)).is(200);
        JsonNode drawn = work("DRAW_BACK").is(200).body();
        assertThat(drawn.at("/head/site").asText()).as("it came out for it").isEqualTo("ON_BENCH");
        assertThat(drawn.at("/head/entries/0/entry").asText()).isEqualTo("HEAD_OUT");
        assertThat(drawn.at("/next/action").asText()).isEqualTo("WAIT_HOLD");
        nothingHasPower("HEAD_IN_HOLD");
        assertThat(tagPage()).contains("No power until").contains("it dries").doesNotContain("Cuttle Bay");
        work("STATION").is(200);
        clock.forward(Duration.ofHours(23));
        nothingHasPower("HEAD_IN_HOLD");
        clock.forward(Duration.ofMinutes(61));
        assertThat(action()).isEqualTo("REFIT");
        nothingHasPower("REFIT_FIRST");
        assertThat(tagPage()).contains("Refit before power");
        api.head(visit, "HEAD_IN").is(200);
        assertThat(now().at("/judgement/advice/first/rule").asText())
                .as("it takes ink before its check")
                .isEqualTo("PRIME_FIRST");
        api.put(path("/checks/" + id()), Map.of("reading", map)).is(200);
    }

    /** Its body wet by a rinse, its base by a bath an hour later: one hold, and it ends with the rinse's. */
    @Test
    void a_rinse_with_two_wettings_is_one_hold() {
        api.check(visit, id(), 40).is(200);
        work("RINSE").is(200);
        assertThat(now().at("/head/keptFrom").findValuesAsText("reason")).containsExactly("NOT_LOOKED", "HOLD");
        api.head(visit, "SEEN_DRY").is(200);
        clock.forward(Duration.ofHours(1));
        work("STEAM").is(200);
        JsonNode head = now().path("head");
        assertThat(head.path("wettings").findValuesAsText("by")).containsExactly("RINSE", "STEAM");
        assertThat(head.path("keptFrom")).hasSize(1);
        nothingHasPower("HEAD_IN_HOLD");
        clock.forward(Duration.ofHours(10));
        nothingHasPower("HEAD_IN_HOLD");
        // Syringe priming on the bench lengthens the hold: two hours from now are later than the rinse's end.
        work("PRIME").is(200);
        api.head(visit, "SEEN_DRY").is(200);
        clock.forward(Duration.ofMinutes(90));
        nothingHasPower("HEAD_IN_HOLD");
        clock.forward(Duration.ofMinutes(31));
        assertThat(action()).isEqualTo("REFIT");
        api.head(visit, "HEAD_IN").is(200);
        api.check(visit, id(), 2).is(200);
    }

    @Test
    void a_pad_over_night_means_no_power_until_it_is_out() {
        api.check(visit, id(), 8).is(200);
        work("PAD").is(200);
        clock.forward(Duration.ofHours(11));
        assertThat(action()).isEqualTo("TAKE_PAD_OUT");
        nothingHasPower("PAD_UNDER_HEAD");
        assertThat(tagPage()).contains("No power: pad under the head.");
        assertThat(strip().at("/head/keptFrom/0/reason").asText()).isEqualTo("PAD_UNDER_HEAD");
        api.head(visit, "PAD_OUT").is(200);
        assertThat(action()).isEqualTo("CHECK_AGAIN");
        assertThat(now().at("/head/driesAt").isMissingNode())
                .as("it stands uncapped")
                .isFalse();
        api.check(visit, id(), 2).is(200);
        assertThat(now().at("/head/driesAt").isMissingNode()).isTrue();
    }

    private JsonNode strip() {
        for (JsonNode strip : api.get("/api/bench").body().path("strips")) {
            if (strip.path("id").asText().equals(visit)) {
                return strip;
            }
        }
        throw new AssertionError("no strip");
    }

    /** After fluid at a port in the carriage somebody looks; what is damp gets its hold, a spill its wiping. */
    @ParameterizedTest
    @CsvSource({
        "SEEN_DRY, CHECK_AGAIN, ''",
        "CONTACTS_DAMP, WAIT_HOLD, HEAD_IN_HOLD",
        "BOARD_DAMP, WAIT_HOLD, HEAD_IN_HOLD",
        "SPILL, WIPE_SPILL, SPILL_NOT_WIPED"
    })
    void after_a_push_in_place_somebody_looks(String seen, String next, String gate) {
        api.check(visit, id(), 8).is(200);
        work("PURGE").is(200);
        nothingHasPower("CONTACTS_NOT_LOOKED");
        api.head(visit, "PAD_OUT").is(200);
        assertThat(action()).isEqualTo("LOOK_IF_DRY");
        api.head(visit, seen).is(200);
        assertThat(action()).isEqualTo(next);
        if (!gate.isEmpty()) {
            nothingHasPower(gate);
        }
    }

    @Test
    void a_longer_hold_is_free_and_a_shorter_one_is_for_a_lead_with_a_reason() {
        String longer = path("/head-entries/" + id());
        assertThat(api.put(longer, Map.of("entry", "HOLD")).is(422).messageAt("wet"))
                .contains("what got wet");
        assertThat(api.put(longer, Map.of("entry", "HOLD", "wet", "BODY", "hours", 3))
                        .is(422)
                        .messageAt("hours"))
                .contains("12 h at least");
        api.put(longer, Map.of("entry", "HOLD", "wet", "BASE_ONLY", "hours", 24))
                .is(200);
        // Sent twice, kept once.
        assertThat(api.put(longer, Map.of("entry", "HOLD", "wet", "BASE_ONLY", "hours", 24))
                        .is(200)
                        .body()
                        .at("/head/entries"))
                .hasSize(1);
        clock.forward(Duration.ofHours(23));
        assertThat(action()).isEqualTo("WAIT_HOLD");
        Map<String, String> end = Map.of("entry", "HOLD_ENDED", "note", "opened it, dry all through");
        api.put(path("/head-entries/" + id()), end).is(403);
        api.put(longer + "/withdrawal", Map.of()).is(403);
        api.as(Role.LEAD);
        assertThat(api.put(path("/head-entries/" + id()), Map.of("entry", "HOLD_ENDED"))
                        .is(422)
                        .messageAt("note"))
                .contains("still runs");
        api.put(path("/head-entries/" + id()), end).is(200);
        assertThat(api.put(path("/head-entries/" + id()), end).is(422).messageAt("entry"))
                .contains("No dry hold runs");
        api.as(Role.TECHNICIAN).check(visit, id(), 0).is(200);
    }

    /** Taking back is no way around: not of the wet work, nor of what was seen; a pad stays where it is. */
    @Test
    void taking_an_entry_back_gives_no_power() {
        String rinse = path("/attempts/" + id());
        api.put(rinse, handwork("RINSE")).is(200);
        api.put(rinse + "/withdrawal", Map.of("reason", "other head")).is(403);
        assertThat(now().at("/attempts/0/withdrawnReason").isMissingNode()).isTrue();
        api.as(Role.LEAD)
                .put(rinse + "/withdrawal", Map.of("reason", "other head"))
                .is(200);
        assertThat(now().at("/head/site").asText()).as("it never came out").isEqualTo("IN_CARRIAGE");

        api.as(Role.TECHNICIAN);
        String purge = path("/attempts/" + id());
        api.put(purge, handwork("PURGE")).is(200);
        api.put(purge + "/withdrawal", Map.of("reason", "other head")).is(200);
        assertThat(now().at("/head/keptFrom").findValuesAsText("reason"))
                .containsExactly("PAD_UNDER_HEAD", "NOT_LOOKED");
        String dry = path("/head-entries/" + id());
        api.put(dry, Map.of("entry", "SEEN_DRY")).is(200);
        api.head(visit, "PAD_OUT").is(200);
        assertThat(now().at("/head/keptFrom")).isEmpty();
        api.put(dry + "/withdrawal", Map.of()).is(200);
        assertThat(now().at("/head/keptFrom").findValuesAsText("reason")).containsExactly("NOT_LOOKED");
    }

    static Stream<Arguments> volatiles() {
        return Stream.of(
                Arguments.of("VAPOUR", "RESIDUE_REMOVER", "COVERS_OPEN"),
                Arguments.of("RESEAT", "ISOPROPYL_ALCOHOL", "EVAPORATING"));
    }

    @ParameterizedTest
    @MethodSource("volatiles")
    void what_is_volatile_is_gone_before_there_is_power(String method, String fluid, String reason) {
        JsonNode lot = api.get("/api/lots").body();
        String bottle = "";
        for (JsonNode row : lot) {
            bottle = row.path("kind").asText().equals(fluid) ? row.path("id").asText() : bottle;
        }
        Map<String, Object> entry = Map.of(
                "lotId",
                bottle,
                "treatment",
                Map.of(
                        "kind",
                        "HANDWORK",
                        "handwork",
                        Map.of("method", method, "channels", List.of("C"), "volumeMl", 2)));
        api.put(path("/attempts/" + id()), entry).is(200);
        api.head(visit, "PAD_OUT").is(200);
        assertThat(now().at("/head/keptFrom").findValuesAsText("reason")).containsExactly(reason);
        clock.forward(Duration.ofMinutes(16));
        assertThat(now().at("/head/keptFrom")).isEmpty();
    }

    /** A desk head comes out only with a lead's consent; what is on the bench prints nothing, but shows its stream. */
    @Test
    void where_the_head_is_is_known() {
        visit = api.newVisit(api.intake("ORSEL-D6", "K", "C", "M", "Y", "LC", "LM"));
        String out = path("/head-entries/" + id());
        assertThat(api.put(out, Map.of("entry", "HEAD_OUT"))
                        .is(422)
                        .body()
                        .at("/gates/0/code")
                        .asText())
                .isEqualTo("REMOVAL_LEAD_ONLY");
        api.as(Role.LEAD)
                .put(out, Map.of("entry", "HEAD_OUT", "departureReason", "the stream must be seen"))
                .is(200);
        api.as(Role.TECHNICIAN);
        nothingHasPower("REFIT_FIRST");
        api.put(
                        path("/checks/" + id()),
                        Map.of(
                                "coarse",
                                Map.of("kind", "STREAM", "channels", Map.of("C", Map.of("level", "STREAM_WHOLE")))))
                .is(200);
        assertThat(action()).as("a stream is not the check after the refit").isEqualTo("REFIT");
        api.put(path("/findings/" + id()), Map.of("sign", "DROPS_THROUGH", "channel", "C"))
                .is(422);
        api.head(visit, "HEAD_IN").is(200);
        api.put(path("/findings/" + id()), Map.of("sign", "DROPS_THROUGH", "channel", "C"))
                .is(200);
        assertThat(now().at("/head/keptFrom/0/reason").asText()).isEqualTo("PAD_UNDER_HEAD");
    }

    /** What was printed against a gate can be logged by a lead, and stands marked on visit and report. */
    @Test
    void a_check_that_was_printed_all_the_same_stands_marked() {
        api.put(path("/head-entries/" + id()), Map.of("entry", "HOLD", "wet", "BODY"))
                .is(200);
        Map<String, Object> check =
                Map.of("reading", api.reading(2), "departureReason", "switched on by the customer", "doneAnyway", true);
        api.put(path("/checks/" + id()), check).is(422);
        JsonNode logged =
                api.as(Role.LEAD).put(path("/checks/" + id()), check).is(200).body();
        assertThat(logged.at("/checks/0/against/0/code").asText()).isEqualTo("HEAD_IN_HOLD");
        assertThat(api.get(path("/report")).body().at("/record/against/0").asText())
                .contains("Check 1", "switched on by the customer");
    }

    @Test
    void a_damp_head_goes_back_with_a_reason_and_the_report_says_until_when() throws Exception {
        api.put(path("/head-entries/" + id()), Map.of("entry", "HOLD", "wet", "BODY"))
                .is(200);
        long version = now().path("version").asLong();
        Map<String, Object> sign =
                Map.of("version", version, "outcome", "STOPPED_FOR_COST", "reason", "", "signedBy", "Test hand");
        assertThat(api.put(path("/return"), sign).is(422).messageAt("reason")).contains("may not have power");
        Map<String, Object> reasoned = Map.of(
                "version",
                version,
                "outcome",
                "STOPPED_FOR_COST",
                "reason",
                "the ferry leaves at noon",
                "signedBy",
                "Test hand",
                "despite",
                List.of("NO_POWER"));
        api.put(path("/return"), reasoned).is(200);
        assertThat(api.get(path("/report")).body().at("/noPower/headline").asText())
                .startsWith("No power until");
        assertThat(api.raw(HttpMethod.GET, path("/report.html"), null).getContentAsString())
                .contains("No power until");
        assertThat(tagPage()).contains("No power until");
    }

    @Test
    void the_page_behind_a_tag_needs_no_sign_in_and_an_unknown_tag_says_so() throws Exception {
        assertThat(tagPage()).contains("Power is allowed.").contains("Open the visit");
        assertThat(api.raw(HttpMethod.GET, "/t/ZZZZZ", null).getStatus()).isEqualTo(404);
    }
}
