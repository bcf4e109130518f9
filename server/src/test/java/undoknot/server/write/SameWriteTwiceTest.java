package undoknot.server.write;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/**
 * A write that is sent again, since its answer was lost, says the same: with blanks at its end, with zeros behind its numbers,
 * and after the head went home. Another content under the same key is a conflict, and says so.
 */
@ServerTest
class SameWriteTwiceTest {

    @Autowired
    Api api;

    /** What is written on a visit, where, and what else could be meant with the same key. */
    static Stream<Arguments> ofAVisit() {
        Map<String, Map<String, Object>> bodies = new TreeMap<>();
        bodies.put(
                "attempts",
                Map.of("treatment", Api.work("WIPE", "C"), "note", " wiped \n", "departureReason", "in place "));
        bodies.put("also-found", Map.of("what", "ROLLERS", "place", " left side ", "note", "worn "));
        bodies.put(
                "diagnoses",
                Map.of(
                        "cause",
                        "DRIED_INK",
                        "channels",
                        List.of("C"),
                        "speaksFor",
                        "idle ",
                        "note",
                        " x ",
                        "dropped",
                        false));
        bodies.put("findings", Map.of("sign", "FACE_DIRTY", "channel", "C", "note", "a fibre  "));
        bodies.put("head-entries", Map.of("entry", "SEEN_DRY", "note", " looked at "));
        bodies.put("departures", Map.of("rule", "CHECK_AGAIN", "advised", "CHECK", "reason", "no paper "));
        bodies.put("checks", Map.of("notPossible", "no printer here ", "note", "tomorrow  "));
        return bodies.entrySet().stream().map(e -> Arguments.of(e.getKey(), e.getValue()));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource
    void ofAVisit(String where, Map<String, Object> given) {
        api.as(Role.TECHNICIAN);
        String visit = api.newVisit();
        if (!where.equals("checks")) {
            api.check(visit, UUID.randomUUID().toString(), 12).is(200);
        }
        Map<String, Object> body = new HashMap<>(given);
        String path = "/api/visits/" + visit + "/" + where + "/" + UUID.randomUUID();
        String first = timeless(api.put(path, body));
        assertThat(timeless(api.put(path, body))).isEqualTo(first);
        Map<String, Object> other = new HashMap<>(body);
        other.put(
                where.equals("departures") ? "reason" : where.equals("diagnoses") ? "speaksFor" : "note",
                "something else");
        assertThat(api.put(path, other).status())
                .as("another content under one key")
                .isEqualTo(409);

        long version = api.get("/api/visits/" + visit).body().path("version").asLong();
        api.put(
                        "/api/visits/" + visit + "/return",
                        Map.of(
                                "version",
                                version,
                                "outcome",
                                "STOPPED_FOR_COST",
                                "reason",
                                "as agreed",
                                "signedBy",
                                "T",
                                "despite",
                                List.of("NO_POWER")))
                .is(200);
        assertThat(api.put(path, body).status()).as("again, after the return").isEqualTo(200);
        assertThat(api.put("/api/visits/" + visit + "/" + where + "/" + UUID.randomUUID(), body)
                        .status())
                .as("a new one, after the return")
                .isEqualTo(409);
    }

    /** What is kept to the hundredth is asked for to the hundredth, so that nothing is rounded behind anybody's back. */
    @Test
    void a_bottle_and_a_container_say_the_same_twice_and_take_no_third_decimal() {
        Map<String, Object> lot = new HashMap<>(Map.of(
                "name",
                "Twice used ",
                "kind",
                "AQUEOUS_CLEANER",
                "maker",
                "Ropewalk ",
                "lotCode",
                " T-1",
                "foodSafe",
                false,
                "expiresOn",
                "2031-01-01",
                "bottleMl",
                500.5,
                "remainingMl",
                250.25,
                "price",
                12.5));
        Map<String, Object> can = new HashMap<>(Map.of("name", "Grey can ", "capacityMl", 1000.5));
        Map.of("/api/lots/", lot, "/api/waste/", can).forEach((where, body) -> {
            String path = where + UUID.randomUUID();
            api.as(Role.LEAD);
            String first = timeless(api.put(path, body));
            assertThat(timeless(api.put(path, body))).as(where).isEqualTo(first);
            body.replaceAll((field, value) -> value instanceof Double d ? d + 0.001 : value);
            assertThat(api.put(where + UUID.randomUUID(), body).status())
                    .as(where)
                    .isEqualTo(422);
        });
    }

    private static String timeless(Api.Answer answer) {
        return answer.is(200).body().toString().replaceAll("\"serverTime\":\"[^\"]*\"|(?<=:0)\\.0+", "");
    }
}
