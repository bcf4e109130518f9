package undoknot.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** A clock on every wait, several at once, each ended by its own. */
@ServerTest
class ClockTest {

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

    private static String id() {
        return UUID.randomUUID().toString();
    }

    private JsonNode now() {
        return api.get(path("")).is(200).body();
    }

    private static Map<String, Object> waiting(String method, int minutes) {
        return Map.of(
                "treatment",
                Map.of(
                        "kind",
                        "HANDWORK",
                        "handwork",
                        Map.of("method", method, "channels", List.of("C"), "plannedMinutes", minutes)));
    }

    private Map<String, Object> soak(String channel, int minutes) {
        return Map.of(
                "lotId",
                api.lot("HC-1103").path("id").asText(),
                "treatment",
                Map.of(
                        "kind",
                        "SOAK",
                        "soak",
                        Map.of(
                                "place",
                                "PORT",
                                "channels",
                                List.of(channel),
                                "volumeMl",
                                1,
                                "plannedMinutes",
                                minutes)));
    }

    private JsonNode clockOf(JsonNode view, String method, String channel) {
        for (JsonNode one : view.path("clocks")) {
            if (one.path("method").asText().equals(method)
                    && one.path("channels").path(0).asText().equals(channel)) {
                return one;
            }
        }
        throw new AssertionError("no clock of " + method + " in " + view.path("clocks"));
    }

    @Test
    void two_soaks_and_a_jar_run_at_once_and_each_is_ended_by_its_own() {
        api.put(path("/attempts/" + id()), soak("C", 10)).is(200);
        api.put(path("/attempts/" + id()), soak("M", 40)).is(200);
        String jar = id();
        JsonNode view = api.put(path("/clocks/" + jar + "/wait"), Map.of("waiting", "JAR", "minutes", 30))
                .is(200)
                .body();
        assertThat(view.path("clocks")).hasSize(3);
        assertThat(api.get("/api/clocks").is(200).body().path("clocks").findValuesAsText("visitId"))
                .contains(visit);
        JsonNode ended = api.put(
                        path("/clocks/"
                                + clockOf(view, "PORT_SOAK", "M").path("id").asText() + "/stop"),
                        Map.of())
                .is(200)
                .body();
        assertThat(clockOf(ended, "PORT_SOAK", "M").has("stoppedAt")).isTrue();
        assertThat(clockOf(ended, "PORT_SOAK", "C").has("stoppedAt")).isFalse();
        assertThat(ended.at("/attempts/1/endedAt").isMissingNode()).isFalse();
        assertThat(ended.at("/attempts/0/endedAt").isMissingNode()).isTrue();
        clock.forward(Duration.ofMinutes(31));
        assertThat(now().at("/next/action").asText()).isEqualTo("LIFT_FROM_SOAK");
        api.put(path("/clocks/" + jar + "/stop"), Map.of()).is(200);
        assertThat(now().path("clocks").findValuesAsText("stoppedAt")).hasSize(2);
    }

    @Test
    void a_pad_has_a_clock_and_its_real_time_stands_in_the_report() {
        api.check(visit, id(), 8).is(200);
        Map<String, Object> pad = new HashMap<>(waiting("PAD", 720));
        assertThat(api.put(path("/attempts/" + id()), pad)
                        .is(422)
                        .body()
                        .at("/gates/0/code")
                        .asText())
                .isEqualTo("PAD_SIPHONS");
        pad.put("noted", Map.of("answers", Map.of("CARTRIDGES_OFF", 1)));
        JsonNode laid = api.put(path("/attempts/" + id()), pad).is(200).body();
        assertThat(laid.at("/clocks/0/warnAt").isMissingNode()).isTrue();
        assertThat(laid.at("/next/action").asText()).isEqualTo("WAIT_WORK");
        clock.forward(Duration.ofMinutes(725));
        assertThat(now().at("/next/action").asText()).isEqualTo("TAKE_PAD_OUT");
        // Taking the pad out ends its clock as well.
        JsonNode out = api.head(visit, "PAD_OUT").is(200).body();
        assertThat(out.at("/attempts/0/endedAt").isMissingNode()).isFalse();
        assertThat(out.at("/next/action").asText()).isEqualTo("CHECK_AGAIN");
        JsonNode report = api.get(path("/report")).body();
        assertThat(report.path("soakMinutes").asInt()).isEqualTo(725);
        assertThat(report.at("/attempts/0/lines/0").asText()).contains("planned 12 h, took 12 h 5 min");
    }

    /** A pad under connected cartridges warns at two hours, and asks how much they hold once it is out. */
    @Test
    void a_pad_under_connected_cartridges_warns_and_asks_for_the_levels() {
        api.check(visit, id(), 8).is(200);
        Map<String, Object> pad = new HashMap<>(waiting("PAD", 720));
        pad.put("noted", Map.of("answers", Map.of("CARTRIDGES_OFF", 0)));
        pad.put("departureReason", "the customer wants it over night");
        JsonNode laid = api.put(path("/attempts/" + id()), pad).is(200).body();
        assertThat(Duration.between(
                        Instant.parse(laid.at("/clocks/0/startedAt").asText()),
                        Instant.parse(laid.at("/clocks/0/warnAt").asText())))
                .isEqualTo(Duration.ofHours(2));
        JsonNode out = api.head(visit, "PAD_OUT").is(200).body();
        assertThat(out.at("/next/action").asText()).isEqualTo("LOOK");
        assertThat(out.at("/next/advised/look").asText()).isEqualTo("INK_LEVEL");
        api.put(path("/findings/" + id()), Map.of("sign", "INK_THERE", "channel", "C"))
                .is(200);
        assertThat(now().at("/next/action").asText()).isEqualTo("CHECK_AGAIN");
    }

    /** What dries and what evaporates stands among the clocks of every page until it is over. */
    @Test
    void what_dries_and_evaporates_is_a_clock() {
        api.put(path("/attempts/" + id()), Map.of("treatment", Api.work("STEAM", "C")))
                .is(200);
        api.put(path("/attempts/" + id()), Map.of("treatment", Api.work("RESEAT", "C")))
                .is(200);
        assertThat(kept()).containsExactlyInAnyOrder("HOLD", "EVAPORATING");
        clock.forward(Duration.ofMinutes(16));
        assertThat(kept()).containsExactly("HOLD");
    }

    private List<String> kept() {
        List<String> kept = new java.util.ArrayList<>();
        for (JsonNode one : api.get("/api/clocks").body().path("clocks")) {
            if (one.path("visitId").asText().equals(visit)) {
                kept.add(one.path("keptBy").asText());
            }
        }
        return kept;
    }

    @Test
    void what_was_ended_by_mistake_goes_on_as_if_it_had_not_been() {
        JsonNode begun =
                api.put(path("/attempts/" + id()), soak("C", 40)).is(200).body();
        String soak = begun.at("/clocks/0/id").asText();
        api.put(path("/clocks/" + soak + "/stop"), Map.of()).is(200);
        clock.forward(Duration.ofMinutes(5));
        JsonNode again =
                api.put(path("/clocks/" + soak + "/resume"), Map.of()).is(200).body();
        assertThat(again.at("/clocks/0/dueAt").asText())
                .isEqualTo(begun.at("/clocks/0/dueAt").asText());
        assertThat(again.at("/clocks/0/stoppedAt").isMissingNode()).isTrue();
        assertThat(again.at("/attempts/0/endedAt").isMissingNode()).isTrue();
        api.put(path("/clocks/" + soak + "/stop"), Map.of()).is(200);
        clock.forward(Duration.ofMinutes(11));
        api.put(path("/clocks/" + soak + "/resume"), Map.of()).is(409);
    }

    @Test
    void drops_on_a_port_name_their_port() {
        assertThat(api.put(path("/clocks/" + id() + "/wait"), Map.of("waiting", "DROP_TEST", "minutes", 60))
                        .is(422)
                        .messageAt("channel"))
                .contains("which port");
        JsonNode view = api.put(
                        path("/clocks/" + id() + "/wait"),
                        Map.of("waiting", "DROP_TEST", "channel", "M", "minutes", 60))
                .is(200)
                .body();
        assertThat(view.at("/clocks/0/channels/0").asText()).isEqualTo("M");
        assertThat(view.at("/next/action").asText()).as("it hides nothing").isEqualTo("FIRST_CHECK");
    }

    /** Entered later: clocks and holds count from when it was begun, and it stands marked. */
    @Test
    void a_late_entry_moves_its_hold() {
        clock.forward(Duration.ofHours(6));
        Instant now = clock.instant();
        Map<String, Object> rinse = new HashMap<>(waiting("RINSE", 1));
        rinse.put(
                "treatment",
                Map.of("kind", "HANDWORK", "handwork", Map.of("method", "RINSE", "channels", List.of("C"))));
        rinse.put("begunAt", now.plusSeconds(60).toString());
        assertThat(api.put(path("/attempts/" + id()), rinse).is(422).messageAt("begunAt"))
                .contains("still to come");
        rinse.put("begunAt", now.minus(Duration.ofHours(9)).toString());
        assertThat(api.put(path("/attempts/" + id()), rinse).is(422).messageAt("begunAt"))
                .contains("not here yet");
        Instant begun = now.minus(Duration.ofHours(4));
        rinse.put("begunAt", begun.toString());
        JsonNode logged = api.put(path("/attempts/" + id()), rinse).is(200).body();
        assertThat(Instant.parse(logged.at("/head/heldUntil").asText())).isEqualTo(begun.plus(Duration.ofHours(12)));
        assertThat(logged.at("/attempts/0/enteredAt").isMissingNode()).isFalse();
        assertThat(api.get(path("/report")).body().at("/attempts/0/note").asText())
                .contains("Entered later");
    }

    /** A check that was read before the head got wet may be entered after; one read in the hold may not. */
    @Test
    void a_late_check_is_held_against_how_it_stood_then() {
        clock.forward(Duration.ofHours(2));
        Instant before = clock.instant();
        clock.forward(Duration.ofHours(1));
        api.put(
                        path("/attempts/" + id()),
                        Map.of(
                                "treatment",
                                Map.of(
                                        "kind",
                                        "HANDWORK",
                                        "handwork",
                                        Map.of("method", "RINSE", "channels", List.of("C")))))
                .is(200);
        clock.forward(Duration.ofMinutes(5));
        Map<String, Object> check = new HashMap<>(Map.of("reading", api.reading(3)));
        api.put(path("/checks/" + id()), check).is(422);
        check.put("begunAt", before.toString());
        JsonNode kept = api.put(path("/checks/" + id()), check).is(200).body();
        assertThat(kept.at("/checks/0/enteredAt").isMissingNode()).isFalse();
        assertThat(kept.at("/next/action").asText()).isEqualTo("LOOK_IF_DRY");
    }
}
