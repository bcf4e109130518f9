package undoknot.server.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class ProcedureTest {

    @Autowired
    Api api;

    private static final List<String> RESERVOIR = List.of(
            "STIRRER_OFF", "INK_SAVED", "RESERVOIR_DRY", "STIRRER_WIPED", "FILLED", "RETURN_FOUND", "RAN_CLEAR");

    private static final Map<String, Object> SYSTEM = Map.ofEntries(
            Map.entry("settlingMl", 30),
            Map.entry("fills", 2),
            Map.entry("bottles", 2),
            Map.entry("bottleMl", 10),
            Map.entry("strongCycles", 3),
            Map.entry("strongMl", 10),
            Map.entry("normalMl", 5),
            Map.entry("wipingMl", 5),
            Map.entry("lineMl", 0),
            Map.entry("residue", 0.01),
            Map.entry("reserve", 0.1),
            Map.entry("wasteMl", 100));

    private String visit;

    @BeforeEach
    void technician() {
        api.as(Role.TECHNICIAN);
    }

    private String takeIn(String purpose, String family, String... channels) {
        ObjectNode intake = api.intake(family, channels);
        intake.put("purpose", purpose);
        intake.putArray("symptoms");
        return api.newVisit(intake);
    }

    private Api.Answer step(String act, Map<String, ?> more) {
        Map<String, Object> body = new HashMap<>(more);
        body.put("act", act);
        return api.put("/api/visits/" + visit + "/procedure/entries/" + UUID.randomUUID(), body);
    }

    private Api.Answer need(Map<String, ?> entry) {
        return api.put("/api/visits/" + visit + "/procedure/need", entry);
    }

    private JsonNode procedure() {
        return api.get("/api/visits/" + visit).body().path("procedure");
    }

    private String container(int ml) {
        String id = UUID.randomUUID().toString();
        api.put("/api/waste/" + id, Map.of("name", "Test bottle " + id.substring(0, 6), "capacityMl", ml))
                .is(200);
        return id;
    }

    private double level(String container) {
        for (JsonNode row : api.get("/api/waste").body()) {
            if (row.path("id").asText().equals(container)) {
                return row.path("levelMl").asDouble();
            }
        }
        throw new AssertionError("no container");
    }

    private Api.Answer cycle(String strength, String waste, int ml) {
        return api.put(
                "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                Map.of(
                        "treatment",
                        Map.of(
                                "kind",
                                "CYCLE",
                                "cycle",
                                Map.of("channels", List.of("K", "S", "C"), "strength", strength, "count", 1)),
                        "wasteId",
                        waste,
                        "wasteMl",
                        ml));
    }

    private void finding(String sign) {
        api.put("/api/visits/" + visit + "/findings/" + UUID.randomUUID(), Map.of("sign", sign))
                .is(200);
    }

    @Test
    void a_whole_system_flush_from_its_sum_to_its_label() {
        ObjectNode intake = api.intake("HULVER-W8", "K", "S", "C");
        intake.put("purpose", "SYSTEM_FLUSH");
        intake.putArray("symptoms");
        ((ObjectNode) intake.path("ports").get(1)).put("chemistry", "SETTLING_PIGMENT");
        visit = api.newVisit(intake);
        assertThat(api.get("/api/visits/" + visit)
                        .body()
                        .path("next")
                        .path("action")
                        .asText())
                .isEqualTo("STEP");
        assertThat(step("STIRRER_OFF", Map.of()).is(422).messageAt("act")).contains("Work out the need first");
        need(Map.of("system", SYSTEM)).is(200);
        // (60 + 20 + 30 + 10 + 5) × 1.1 = 137.5 mL, in bottles of 100 two.
        assertThat(procedure().path("system").path("needMl").asDouble()).isEqualTo(137.5);
        assertThat(procedure().path("system").path("wasteBottles").asInt()).isEqualTo(2);

        String first = api.lotOf("PIGMENT_FLUSH", 40);
        String second = api.lotOf("PIGMENT_FLUSH", 100);
        String waste = container(100);
        for (String act : RESERVOIR) {
            assertThat(procedure().path("next").asText()).isEqualTo(act);
            switch (act) {
                case "INK_SAVED" ->
                    step(act, Map.of("vessel", "jar 3", "volumeMl", 25, "lotCode", "S-1", "inkedOn", "2026-01-02"))
                            .is(200);
                case "STIRRER_WIPED", "FILLED" ->
                    step(act, Map.of("lotId", first, "volumeMl", 15)).is(200);
                case "RAN_CLEAR" ->
                    step(act, Map.of("volumeMl", 15, "wasteId", waste)).is(200);
                default -> step(act, Map.of()).is(200);
            }
        }
        assertThat(step("REFILLED", Map.of("lotId", first, "volumeMl", 30))
                        .is(422)
                        .messageAt("lotId"))
                .contains("20 mL short");
        String old = api.lot("HC-0388").path("id").asText();
        step("TOPPED_UP", Map.of("lotId", old, "volumeMl", 1)).is(422);
        JsonNode topped = step(
                        "TOPPED_UP", Map.of("lotId", old, "volumeMl", 1, "departureReason", "tested, still good"))
                .is(200)
                .body();
        assertThat(topped.path("procedure").path("entries").findValuesAsText("departureReason"))
                .contains("tested, still good");
        step("REFILLED", Map.of("lotId", second, "volumeMl", 30)).is(200);
        // The settling ink has its reservoir: the bottles are the other two.
        assertThat(procedure().path("stages").findValues("left").get(8)).hasSize(2);
        step("SWAPPED", Map.of("channel", "K", "lotId", second, "volumeMl", 10)).is(200);
        step("SWAPPED", Map.of("channel", "C", "lotId", second, "volumeMl", 10)).is(200);
        assertThat(api.left(first)).isEqualTo(10);
        assertThat(api.left(second)).isEqualTo(50);

        finding("WASTE_ROOM");
        for (int i = 0; i < 3; i++) {
            assertThat(procedure().path("next").asText()).isEqualTo("STRONG_CYCLE");
            cycle("STRONG", waste, 60).is(200);
            // Without a reason each, whatever their number; but not over the brim.
            assertThat(level(waste)).isEqualTo(i == 0 ? 75 : 60);
            cycle("STRONG", waste, 60).is(422);
            step("WASTE_EMPTIED", Map.of("wasteId", waste)).is(200);
            assertThat(level(waste)).isZero();
        }
        assertThat(step("COMPARED", Map.of("finding", "SAME_AS_FRESH")).is(422).messageAt("act"))
                .contains("not the test");
        step("LINES_SEEN", Map.of("finding", "SLIGHT_STAIN")).is(200);
        test(waste, "TINTED");
        assertThat(step("STORED", Map.of("text", "full of cleaner")).is(422).messageAt("act"))
                .contains("same as fresh");
        cycle("NORMAL", waste, 5).is(200);
        cycle("NORMAL", waste, 5).is(200);
        step("COMPARED", Map.of("finding", "SAME_AS_FRESH")).is(422);
        cycle("STRONG", waste, 40).is(200);
        step("WASTE_EMPTIED", Map.of("wasteId", waste)).is(200);
        cycle("STRONG", waste, 40).is(200);
        step("WASTE_EMPTIED", Map.of("wasteId", waste)).is(200);
        test(waste, "SAME_AS_FRESH");
        assertThat(step("STORED", Map.of()).is(422).messageAt("text")).contains("label");
        step("STORED", Map.of("text", "Full of cleaner, 27 Nov, wake by charge and check"))
                .is(200);
        assertThat(procedure().path("over").asBoolean()).isTrue();
        JsonNode done = api.get("/api/visits/" + visit).body();
        assertThat(done.path("next").path("action").asText()).isEqualTo("RETURN");
        assertThat(done.path("procedure").path("drawn").findValuesAsText("volumeMl"))
                .containsExactly("30.0", "1.0", "50.0");
        api.put(
                        "/api/visits/" + visit + "/return",
                        Map.of("version", done.path("version").asLong(), "outcome", "RECOVERED", "signedBy", "Wenna"))
                .is(422);
        api.put(
                        "/api/visits/" + visit + "/return",
                        Map.of(
                                "version",
                                done.path("version").asLong(),
                                "outcome",
                                "STORED_CLEAN",
                                "signedBy",
                                "Wenna"))
                .is(200);
    }

    private void test(String waste, String finding) {
        step("WASTE_WASHED", Map.of()).is(200);
        cycle("NORMAL", waste, 5).is(200);
        cycle("NORMAL", waste, 5).is(200);
        step("COMPARED", Map.of("finding", finding)).is(200);
    }

    private static Map<String, Object> port(String channel, String chemistry) {
        return Map.of("channel", channel, "inkInLine", "hidden mark", "chemistry", chemistry, "makersOwn", false);
    }

    private static final Map<String, Object> INK = Map.of("channelMl", 2.4, "residue", 0.001, "reserve", 0.2);

    private Api.Answer stroke(String lot, String channel, double ml, String effluent, boolean fresh) {
        return api.put(
                "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                Map.of(
                        "treatment",
                        Map.of(
                                "kind",
                                "FLUSH",
                                "flush",
                                Map.of(
                                        "strokes",
                                        List.of(Map.of(
                                                "channel",
                                                channel,
                                                "volumeMl",
                                                ml,
                                                "seconds",
                                                90,
                                                "effluent",
                                                effluent,
                                                "freshPad",
                                                fresh)),
                                        "temperatureC",
                                        20)),
                        "lotId",
                        lot));
    }

    @Test
    void an_ink_change_is_capped_by_its_need_and_ends_in_the_new_ink() {
        visit = takeIn("INK_CHANGE", "ORSEL-D6", "Y", "K");
        assertThat(api.get("/api/visits/" + visit)
                        .body()
                        .path("next")
                        .path("action")
                        .asText())
                .isEqualTo("FIRST_CHECK");
        api.put(
                        "/api/visits/" + visit + "/checks/" + UUID.randomUUID(),
                        Map.of("reading", Map.of("Y", "F".repeat(160), "K", "F".repeat(160))))
                .is(200);
        need(Map.of("ink", INK, "inks", List.of(port("Y", "FLUORESCENT"), port("K", "FLUORESCENT"))))
                .is(200);
        assertThat(procedure().path("ink").path("mostMl").asDouble()).isBetween(19.89, 19.90);
        // Cycles are no way of this family's ink change: they count as on any head.
        Api.Answer cycles = api.put(
                        "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                        Map.of(
                                "treatment",
                                Map.of(
                                        "kind",
                                        "CYCLE",
                                        "cycle",
                                        Map.of("channels", List.of("Y", "K"), "strength", "LIGHT", "count", 4))))
                .is(422);
        assertThat(cycles.body().path("gates").findValuesAsText("code")).contains("TOO_MANY_CYCLES");
        step("CARTRIDGE_OUT", Map.of("channel", "Y")).is(200);
        step("CARTRIDGE_OUT", Map.of("channel", "K")).is(200);
        step("LAID_IN", Map.of()).is(200);
        assertThat(api.get("/api/visits/" + visit)
                        .body()
                        .path("head")
                        .path("keptFrom")
                        .size())
                .as("what is laid in keeps it from power")
                .isPositive();
        String lot = api.lotOf("AQUEOUS_CLEANER", 60);
        stroke(lot, "Y", 15, "LIKE_FRESH", false).is(200);
        assertThat(row("Y").path("done").asBoolean())
                .as("an old pad hides colour")
                .isFalse();
        step("PAD_SEEN", Map.of("channel", "Y", "finding", "NO_COLOUR")).is(200);
        assertThat(row("Y").path("done").asBoolean()).isTrue();
        stroke(lot, "K", 16, "TINTED", true).is(200);
        Api.Answer over = stroke(lot, "K", 4, "TINTED", true).is(422);
        assertThat(over.body().path("gates").findValuesAsText("code")).contains("OVER_THE_NEED");
        // Nor is the cap lifted by another sum.
        Map<String, Object> more = Map.of("channelMl", 3, "residue", 0.001, "reserve", 0.2);
        List<Map<String, Object>> inks = List.of(port("Y", "FLUORESCENT"), port("K", "FLUORESCENT"));
        need(Map.of("ink", more, "inks", inks)).is(403);
        stroke(lot, "K", 3, "LIKE_FRESH", true).is(200);
        assertThat(api.left(lot)).isEqualTo(26);
        assertThat(procedure().path("drawn").get(0).path("volumeMl").asDouble()).isEqualTo(34);
        step("LAID_OUT", Map.of()).is(200);
        step("CARTRIDGE_IN", Map.of("channel", "Y")).is(200);
        step("CARTRIDGE_IN", Map.of("channel", "K")).is(200);
        assertThat(procedure().path("over").asBoolean()).isTrue();
        String serial = api.get("/api/visits/" + visit)
                .body()
                .path("intake")
                .path("serial")
                .asText();
        JsonNode known = api.get("/api/heads?serial=" + serial).body().get(0);
        assertThat(known.path("everNonFood").asBoolean()).isTrue();
        assertThat(known.path("last").path("ports").findValuesAsText("chemistry"))
                .containsExactly("FLUORESCENT", "FLUORESCENT");
    }

    private JsonNode row(String channel) {
        for (JsonNode row : procedure().path("rows")) {
            if (row.path("channel").asText().equals(channel)) {
                return row;
            }
        }
        throw new AssertionError("no row " + channel);
    }

    @ParameterizedTest
    @CsvSource({"YES, DYE, false", "UNKNOWN, EDIBLE, false", "NO, DYE, false", "NO, EDIBLE, true"})
    void towards_food_no_other_ink_was_ever_in_it(String ever, String inNow, boolean allowed) {
        ObjectNode intake = api.intake("ORSEL-D6", "Y");
        intake.put("purpose", "INK_CHANGE").put("everNonFood", ever);
        ((ObjectNode) intake.path("ports").get(0)).put("chemistry", inNow);
        visit = api.newVisit(intake);
        Api.Answer answer = need(Map.of("ink", INK, "inks", List.of(port("Y", "EDIBLE"))));
        if (allowed) {
            answer.is(200);
        } else {
            assertThat(answer.is(422).messageAt("inks")).contains("never serves food");
        }
    }

    @Test
    void a_repair_has_no_steps_and_a_number_out_of_range_is_named() {
        visit = api.newVisit();
        step("STIRRER_OFF", Map.of()).is(409);
        assertThat(api.get("/api/visits/" + visit).body().has("procedure")).isFalse();
        visit = takeIn("SYSTEM_FLUSH", "HULVER-W8", "K");
        Map<String, Object> wrong = new HashMap<>(SYSTEM);
        wrong.put("strongCycles", 11);
        assertThat(need(Map.of("system", wrong)).is(422).messageAt("system.strongCycles"))
                .contains("3 to 10");
        api.as(Role.OBSERVER)
                .post("/api/visits/" + visit + "/procedure/sum", Map.of("system", SYSTEM))
                .is(200);
        api.put("/api/visits/" + visit + "/procedure/need", Map.of("system", SYSTEM))
                .is(403);
    }
}
