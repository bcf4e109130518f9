package undoknot.server.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** Rounds as they happen: stroke by stroke and turn by turn. A Vennick B3 takes 3 mL in 25 s at the fastest. */
@ServerTest
class SittingTest {

    @Autowired
    Api api;

    @Autowired
    MovableClock clock;

    String visit;
    String lot;
    final String attempt = id();

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
        lot = api.lotOf("AQUEOUS_CLEANER", 50);
        api.check(visit, id(), 40).is(200);
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    private static Map<String, Object> stroke(String channel, Object ml, Object... seen) {
        Map<String, Object> stroke = new HashMap<>(Map.of("channel", channel, "volumeMl", ml, "seconds", 60));
        for (int i = 0; i < seen.length; i += 2) {
            stroke.put((String) seen[i], seen[i + 1]);
        }
        return stroke;
    }

    private static Map<String, Object> done(String channel, Object ml) {
        return stroke(channel, ml, "effluent", "LIKE_FRESH", "stream", "WHOLE", "freshPad", true);
    }

    private Map<String, Object> begins(Map<String, Object> first, String... planned) {
        Map<String, Object> keyed = new HashMap<>(first);
        keyed.put("id", id());
        return Map.of(
                "lotId",
                lot,
                "open",
                true,
                "treatment",
                Map.of(
                        "kind",
                        "FLUSH",
                        "flush",
                        Map.of(
                                "method",
                                "FLUSH",
                                "planned",
                                List.of(planned),
                                "temperatureC",
                                20,
                                "strokes",
                                List.of(keyed))));
    }

    private String at(String rest) {
        return "/api/visits/" + visit + "/attempts/" + attempt + rest;
    }

    private Api.Answer gives(String stroke, Map<String, Object> given) {
        return api.put(at("/strokes/" + stroke), Map.of("stroke", given));
    }

    private JsonNode now() {
        return api.get("/api/visits/" + visit).is(200).body();
    }

    @Test
    void a_sitting_runs_until_its_channels_are_done_and_every_stroke_draws_its_fluid() {
        Object begun = begins(stroke("C", 3, "resistance", "STIFF"), "C", "M");
        JsonNode view = api.put(at(""), begun).is(200).body();
        assertThat(view.at("/next/action").asText()).isEqualTo("GO_ON");
        assertThat(view.at("/next/goOn/channels").toString()).isEqualTo("[\"C\",\"M\"]");
        assertThat(view.at("/attempts/0/rounds/rows/0/next").asText()).isEqualTo("SOAK");
        assertThat(view.at("/attempts/0/treatment/flush/strokes/0/effluent").isMissingNode())
                .as("nobody looked")
                .isTrue();
        String m = id();
        gives(m, done("M", 2.5)).is(200);
        gives(m, done("M", 2.5)).is(200);
        api.put(at(""), begun).is(200);
        assertThat(api.left(lot)).as("a lost answer sent again draws nothing").isEqualTo(44.5);
        view = gives(id(), done("C", 1)).is(200).body();
        assertThat(view.at("/attempts/0/rounds/open").asBoolean()).isFalse();
        assertThat(view.at("/attempts/0/endedAt").isMissingNode()).isFalse();
        assertThat(view.at("/attempts/0/volumeMl").asDouble()).isEqualTo(6.5);
        assertThat(view.at("/next/action").asText()).isNotEqualTo("GO_ON");
        assertThat(api.left(lot)).isEqualTo(43.5);
        JsonNode line = api.get("/api/visits/" + visit + "/report").body().at("/attempts/0");
        assertThat(line.at("/lines/1").asText())
                .isEqualTo("M: 2.5 mL in 60 s at 20 °C; like fresh fluid, whole stream, fresh pad");
    }

    /** A mistyped dose is amended and the bottle follows; what was no stroke is taken back. */
    @Test
    void a_stroke_is_amended_and_taken_back() {
        api.put(at(""), begins(stroke("C", 3), "C")).is(200);
        String slip = id();
        gives(slip, stroke("C", 30, "seconds", 600)).is(200);
        assertThat(api.left(lot)).isEqualTo(17.0);
        gives(slip, stroke("C", 3)).is(200);
        assertThat(api.left(lot)).isEqualTo(44.0);
        api.put(at("/strokes/" + slip + "/withdrawal"), Map.of()).is(200);
        api.put(at("/strokes/" + slip + "/withdrawal"), Map.of()).is(200);
        assertThat(api.left(lot)).isEqualTo(47.0);
        assertThat(now().at("/attempts/0/treatment/flush/strokes")).hasSize(1);
        assertThat(gives(id(), stroke("C", 48, "seconds", 900)).is(422).messageAt("lotId"))
                .contains("1 mL short");
        assertThat(gives(id(), stroke("C", 0)).is(422).messageAt("stroke.volumeMl"))
                .isEqualTo("Enter more than 0 mL.");
        assertThat(gives(id(), stroke("Q", 1)).is(422).messageAt("stroke.channel"))
                .contains("no channel Q");
    }

    /** Each stroke passes the gates; a reason for one is none for the next, and what was seen asks for none. */
    @Test
    void each_stroke_passes_the_gates() {
        api.put(at(""), begins(stroke("C", 3), "C")).is(200);
        String fast = id();
        Map<String, Object> given = stroke("C", 3, "seconds", 20);
        assertThat(gives(fast, given).is(422).body().at("/gates/0/code").asText())
                .isEqualTo("PUSH_TOO_FAST");
        api.put(at("/strokes/" + fast), Map.of("stroke", given, "departureReason", "the thumb slipped"))
                .is(200);
        assertThat(now().at("/attempts/0/departureReason").asText()).isEqualTo("the thumb slipped");
        Map<String, Object> seen = new HashMap<>(given);
        seen.put("stream", "DRIPS");
        gives(fast, seen).is(200);
        gives(id(), given).is(422);
        gives(id(), stroke("C", 3, "seconds", 5)).is(422);
    }

    /** An untimed stroke says so, and its speed is not judged. */
    @Test
    void a_stroke_that_nobody_timed_says_so() {
        Map<String, Object> untimed = new HashMap<>(stroke("C", 3));
        untimed.remove("seconds");
        api.put(at(""), begins(untimed, "C")).is(200);
        assertThat(api.get("/api/visits/" + visit + "/report")
                        .body()
                        .at("/attempts/0/lines/0")
                        .asText())
                .isEqualTo("C: 3 mL not timed at 20 °C; not looked at");
    }

    /** The soak between two strokes is a clock of the rounds: they go on after it, with the small stroke. */
    @Test
    void a_soak_between_strokes_ends_no_rounds() {
        api.put(at(""), begins(stroke("C", 3), "C")).is(200);
        String soak = "/api/visits/" + visit + "/clocks/" + id();
        Map<String, Object> between = Map.of("waiting", "BETWEEN_STROKES", "attemptId", attempt, "minutes", 10);
        JsonNode view = api.put(soak + "/wait", between).is(200).body();
        assertThat(view.at("/next/action").asText()).isEqualTo("WAIT_WORK");
        clock.forward(Duration.ofMinutes(10));
        assertThat(now().at("/next/action").asText()).isEqualTo("END_WAIT");
        view = api.put(soak + "/stop", Map.of()).is(200).body();
        assertThat(view.at("/next/action").asText()).isEqualTo("GO_ON");
        assertThat(view.at("/next/goOn/next").asText()).isEqualTo("STROKE_AFTER_SOAK");
        assertThat(view.at("/attempts/0/endedAt").isMissingNode()).isTrue();
        api.put(at("/end"), Map.of()).is(200);
        assertThat(api.put("/api/visits/" + visit + "/clocks/" + id() + "/wait", between)
                        .is(422)
                        .messageAt("attemptId"))
                .contains("ended");
    }

    /** Rounds end with the next thing that touches the head, and then grow no more; a look at the station ends none. */
    @Test
    void rounds_end_with_what_comes_next() {
        api.put(at(""), begins(stroke("C", 3), "C")).is(200);
        clock.forward(Duration.ofMinutes(1));
        api.put("/api/visits/" + visit + "/attempts/" + id(), Map.of("treatment", Api.work("STATION", "C")))
                .is(200);
        assertThat(now().at("/next/action").asText()).isEqualTo("GO_ON");
        api.padOutAndDry(visit);
        api.check(visit, id(), 20).is(200);
        assertThat(now().at("/attempts/0/endedAt").isMissingNode()).isFalse();
        clock.forward(Duration.ofMinutes(1));
        assertThat(gives(id(), stroke("C", 1)).is(409).body().path("detail").asText())
                .contains("checked since");
        assertThat(api.left(lot)).isEqualTo(47.0);
    }

    /** A look between two strokes says nothing of the second: contacts and pad are asked for again. */
    @Test
    void a_stroke_after_the_look_asks_for_another_look() {
        api.put(at(""), begins(stroke("C", 3), "C")).is(200);
        clock.forward(Duration.ofMinutes(1));
        api.padOutAndDry(visit);
        assertThat(now().at("/head/keptFrom")).isEmpty();
        clock.forward(Duration.ofMinutes(1));
        gives(id(), done("C", 1)).is(200);
        assertThat(now().at("/head/keptFrom").findValuesAsText("reason"))
                .containsExactly("PAD_UNDER_HEAD", "NOT_LOOKED");
    }

    /** Taking such a stroke back is no way around the look: only a lead does it. */
    @Test
    void taking_a_stroke_back_gives_no_power() {
        api.put(at(""), begins(stroke("C", 3), "C")).is(200);
        clock.forward(Duration.ofMinutes(1));
        api.padOutAndDry(visit);
        clock.forward(Duration.ofMinutes(1));
        String later = id();
        gives(later, stroke("C", 1)).is(200);
        api.put(at("/strokes/" + later + "/withdrawal"), Map.of()).is(403);
        assertThat(now().at("/head/keptFrom").findValuesAsText("reason")).contains("NOT_LOOKED");
        assertThat(api.left(lot)).isEqualTo(46.0);
        api.as(Role.LEAD).put(at("/strokes/" + later + "/withdrawal"), Map.of()).is(200);
        api.as(Role.TECHNICIAN);
        assertThat(api.left(lot)).isEqualTo(47.0);
    }

    @Test
    void strokes_from_two_screens_at_once_are_all_kept() throws InterruptedException {
        api.put(at(""), begins(stroke("C", 1), "C", "M")).is(200);
        try (var pool = new AutoClosingPool(8)) {
            IntStream.range(0, 8)
                    .forEach(i -> pool.run(() ->
                            gives(id(), stroke(i % 2 == 0 ? "C" : "M", 1)).is(200)));
        }
        assertThat(now().at("/attempts/0/treatment/flush/strokes")).hasSize(9);
        assertThat(api.left(lot)).isEqualTo(41.0);
    }

    private record AutoClosingPool(java.util.concurrent.ExecutorService pool) implements AutoCloseable {
        AutoClosingPool(int threads) {
            this(Executors.newFixedThreadPool(threads));
        }

        void run(Runnable task) {
            pool.execute(task);
        }

        @Override
        public void close() {
            pool.shutdown();
            try {
                assertThat(pool.awaitTermination(60, java.util.concurrent.TimeUnit.SECONDS))
                        .isTrue();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    /** A rinse goes on until every colour was seen and all run clear, both ways, last with deionised water. */
    @Test
    void a_rinse_goes_turn_by_turn() {
        Map<String, Object> rinse = Map.of(
                "open",
                true,
                "treatment",
                Map.of("kind", "HANDWORK", "handwork", Map.of("method", "RINSE", "channels", List.of("C", "M"))));
        api.put(at(""), rinse).is(200);
        JsonNode view = turn("IN_AT_PORTS", List.of("C"), List.of("C"), false);
        assertThat(view.at("/next/goOn/channels").toString()).isEqualTo("[\"C\",\"M\"]");
        assertThat(view.at("/attempts/0/rounds/rinse/1/seen").asBoolean()).isFalse();
        turn("IN_AT_FACE", List.of("M"), List.of("C", "M"), false);
        view = turn("IN_AT_PORTS", List.of(), List.of("C", "M"), false);
        assertThat(view.at("/attempts/0/rounds/deionisedMissing").asBoolean()).isTrue();
        assertThat(view.at("/next/action").asText()).isEqualTo("GO_ON");
        view = turn("IN_AT_FACE", List.of(), List.of("C", "M"), true);
        assertThat(view.at("/attempts/0/rounds/open").asBoolean()).isFalse();
        assertThat(view.at("/next/action").asText()).isNotEqualTo("GO_ON");
        assertThat(api.get("/api/visits/" + visit + "/report")
                        .body()
                        .at("/attempts/0/lines/1")
                        .asText())
                .isEqualTo("Water in at the ports; 38 °C; colour seen: C; clear: C");
        assertThat(api.put(at("/turns/" + id()), Map.of("seen", List.of(), "clear", List.of()))
                        .is(422)
                        .messageAt("way"))
                .contains("where the water goes");
    }

    private JsonNode turn(String way, List<String> seen, List<String> clear, boolean deionised) {
        return api.put(
                        at("/turns/" + id()),
                        Map.of("way", way, "seen", seen, "clear", clear, "deionised", deionised, "waterC", 38))
                .is(200)
                .body();
    }

    /** A part that was replaced is counted anew, is not advised again, and costs its price. */
    @Test
    void parts_are_things_of_their_own() {
        visit = api.newVisit(api.intake("HULVER-W8", "K", "C", "M", "Y", "LK", "O", "S", "W"));
        Map<String, String> map = new HashMap<>();
        List.of("K", "C", "M", "Y", "LK", "O", "S", "W").forEach(c -> map.put(c, "F".repeat(200)));
        map.put("C", "M".repeat(70) + "F".repeat(130));
        api.put("/api/visits/" + visit + "/checks/" + id(), Map.of("reading", map))
                .is(200);
        Map<String, Object> found = Map.of("sign", "PULL_DRAGS", "channel", "C");
        api.put("/api/visits/" + visit + "/findings/" + id(), found).is(200);
        assertThat(advised()).isEqualTo("DAMPER CLEANED");
        api.put("/api/visits/" + visit + "/attempts/" + id(), Map.of("treatment", Api.work("DAMPER", "C")))
                .is(200);
        api.put("/api/visits/" + visit + "/findings/" + id(), found).is(200);
        assertThat(advised()).isEqualTo("DAMPER REPLACED");
        Map<String, Object> fitted =
                Map.of("kind", "HANDWORK", "handwork", Map.of("method", "DAMPER", "channels", List.of("C")));
        assertThat(api.put(at(""), Map.of("treatment", fitted)).is(422).messageAt("noted.parts"))
                .contains("damper is new");
        Map<String, Object> part = Map.of("part", "DAMPER", "channel", "C", "act", "REPLACED");
        JsonNode view = api.put(at(""), Map.of("treatment", fitted, "noted", Map.of("parts", List.of(part))))
                .is(200)
                .body();
        assertThat(view.at("/parts/0/cleaned").asInt()).isZero();
        assertThat(view.at("/parts/0/replaced").asInt()).isEqualTo(1);
        api.put("/api/visits/" + visit + "/findings/" + id(), found).is(200);
        assertThat(advised()).doesNotStartWith("DAMPER");
        assertThat(api.put(
                                "/api/visits/" + visit + "/attempts/" + id(),
                                Map.of(
                                        "treatment",
                                        Api.work("STATION", "C"),
                                        "noted",
                                        Map.of("parts", List.of(Map.of("part", "WIPER", "act", "REFILLED")))))
                        .is(422)
                        .messageAt("noted.parts"))
                .contains("cannot be done to this part");
    }

    private String advised() {
        JsonNode first = now().at("/judgement/advice/first");
        return first.path("method").asText() + " " + first.at("/style/act").asText();
    }

    /** What a method is asked is within its bounds, and nothing else is taken. */
    @Test
    void answers_are_checked_where_they_were_typed() {
        Map<String, Object> cycle =
                Map.of("kind", "CYCLE", "cycle", Map.of("channels", List.of("C"), "strength", "LIGHT", "count", 1));
        assertThat(answered(cycle, "INK_ML", 501).is(422).messageAt("noted.answers.INK_ML"))
                .isEqualTo("Enter 0 to 500.");
        assertThat(answered(cycle, "CONTACTS", 3).is(422).messageAt("noted.answers.CONTACTS"))
                .contains("not asked of this work");
        JsonNode logged = answered(cycle, "INK_ML", 4.5).is(200).body();
        assertThat(logged.at("/attempts/0/noted/answers/INK_ML").asDouble()).isEqualTo(4.5);
        assertThat(api.get("/api/visits/" + visit + "/report")
                        .body()
                        .at("/attempts/0/lines/1")
                        .asText())
                .isEqualTo("Ink burned: 4.5 mL");
    }

    private Api.Answer answered(Map<String, Object> treatment, String asked, Object value) {
        return api.put(at(""), Map.of("treatment", treatment, "noted", Map.of("answers", Map.of(asked, value))));
    }

    /** A mistyped entry is replaced in one go: its fluid goes back, the new one is drawn, and no hold is lost by it. */
    @Test
    void a_mistyped_entry_is_entered_anew() {
        Map<String, Object> pad = Map.of(
                "kind", "HANDWORK", "handwork", Map.of("method", "PAD", "channels", List.of("C"), "volumeMl", 30));
        api.put(at(""), Map.of("treatment", pad, "lotId", lot)).is(200);
        String anew = "/api/visits/" + visit + "/attempts/" + id();
        Map<String, Object> right = Map.of(
                "kind", "HANDWORK", "handwork", Map.of("method", "PAD", "channels", List.of("C"), "volumeMl", 3));
        Map<String, Object> entry = Map.of("treatment", right, "lotId", lot, "replaces", attempt);
        api.put(anew, entry).is(200);
        api.put(anew, entry).is(200);
        assertThat(api.left(lot)).isEqualTo(47.0);
        assertThat(now().path("attempts").findValuesAsText("withdrawnReason"))
                .containsExactly("Mistyped; entered anew.");
        assertThat(now().path("attempts").findValuesAsText("startedAt").stream().distinct())
                .as("it was done when the first entry said")
                .hasSize(1);
        String rinse = id();
        api.put("/api/visits/" + visit + "/attempts/" + rinse, Map.of("treatment", Api.work("RINSE", "C")))
                .is(200);
        api.put(
                        "/api/visits/" + visit + "/attempts/" + id(),
                        Map.of("treatment", Api.work("STATION", "C"), "replaces", rinse))
                .is(403);
        assertThat(now().at("/head/heldUntil").isMissingNode()).isFalse();
    }

    /** The machine asks nobody: its own cycle is logged beyond the three without a reason, and counts. */
    @Test
    void a_cycle_that_the_machine_ran_by_itself_needs_no_reason() {
        Map<String, Object> cycle =
                Map.of("kind", "CYCLE", "cycle", Map.of("channels", List.of("C"), "strength", "NORMAL", "count", 4));
        api.put(at(""), Map.of("treatment", cycle)).is(422);
        answered(cycle, "UNASKED", 1).is(200);
        assertThat(now().path("cyclesRun").asInt()).isEqualTo(4);
        assertThat(now().at("/attempts/0/departureReason").asText()).contains("by itself");
    }

    /** Fluid that stood in the tank already is not drawn a second time. */
    @Test
    void a_tank_that_is_used_again_draws_nothing() {
        Map<String, Object> bath = Map.of(
                "kind",
                "BATH",
                "bath",
                Map.of(
                        "channels",
                        List.of("C"),
                        "volumeMl",
                        40,
                        "levelMm",
                        3,
                        "temperatureC",
                        35,
                        "bursts",
                        1,
                        "burstSeconds",
                        60));
        Map<String, Object> again = Map.of("TANK_REUSED", 1, "DEGASSED_MINUTES", 5);
        api.put(at(""), Map.of("treatment", bath, "lotId", lot, "noted", Map.of("answers", again)))
                .is(200);
        assertThat(api.left(lot)).isEqualTo(50.0);
        assertThat(now().at("/attempts/0/volumeMl").asDouble()).isZero();
        assertThat(api.get("/api/visits/" + visit + "/report").body().path("fluids"))
                .isEmpty();
        assertThat(now().at("/attempts/0/treatment/bath/volumeMl").asDouble()).isEqualTo(40.0);
    }

    /** Work that is entered later may be over already: its clock is stopped then, and its hold counts from there. */
    @Test
    void late_work_ends_when_it_was_over() {
        clock.forward(Duration.ofMinutes(40));
        Instant now = clock.instant();
        Map<String, Object> soak = new HashMap<>(Map.of(
                "lotId",
                lot,
                "wet",
                "BODY",
                "treatment",
                Map.of(
                        "kind",
                        "SOAK",
                        "soak",
                        Map.of("place", "TRAY", "channels", List.of("C"), "volumeMl", 20, "plannedMinutes", 180))));
        soak.put("endedAt", now.minusSeconds(60).toString());
        api.as(Role.LEAD);
        soak.put("departureReason", "a deep bath was asked for");
        soak.put("doneAnyway", true);
        assertThat(api.put(at(""), soak).is(422).messageAt("endedAt")).contains("when it was over");
        soak.put("begunAt", now.minus(Duration.ofMinutes(30)).toString());
        Instant over = now.minus(Duration.ofMinutes(10));
        soak.put("endedAt", over.toString());
        JsonNode view = api.put(at(""), soak).is(200).body();
        assertThat(view.at("/clocks/0/stoppedAt").asText()).isNotEmpty();
        assertThat(Instant.parse(view.at("/attempts/0/endedAt").asText())).isEqualTo(over);
        assertThat(Instant.parse(view.at("/head/heldUntil").asText())).isEqualTo(over.plus(Duration.ofHours(12)));
        api.as(Role.TECHNICIAN);
    }
}
