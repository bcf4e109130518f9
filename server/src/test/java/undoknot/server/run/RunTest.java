package undoknot.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** A plan gone through step by step: taps, what the record tells, and who has the head in hand. */
@ServerTest
class RunTest {

    @Autowired
    Api api;

    @Autowired
    JdbcTemplate jdbc;

    String visit;
    String lot;
    final String run = id();
    final String attempt = id();

    private static String id() {
        return UUID.randomUUID().toString();
    }

    /** A Vennick B3 in its carriage, cyan partly out; a flush of cyan is planned. */
    @BeforeEach
    void planned() {
        lot = api.as(Role.TECHNICIAN).lotOf("AQUEOUS_CLEANER", 50);
        visit = api.newVisit(api.intake("VENNICK-B3", "C", "M", "Y"));
        api.check(visit, id(), 20).is(200);
        plan("FLUSH");
    }

    private void plan(String method) {
        api.put(at("/plan"), Map.of("works", List.of(Map.of("method", method, "channels", List.of("C")))))
                .is(200);
    }

    private String at(String rest) {
        return "/api/visits/" + visit + rest;
    }

    private Api.Answer begin() {
        return api.put(at("/runs/" + run), Map.of());
    }

    private Api.Answer tick(int step) {
        return api.put(at("/runs/" + run + "/steps/" + step), Map.of());
    }

    private static List<String> doings(JsonNode view) {
        List<String> doings = new ArrayList<>();
        view.at("/run/steps").forEach(s -> doings.add(s.at("/step/doing").asText()));
        return doings;
    }

    private static String now(JsonNode view) {
        for (JsonNode step : view.at("/run/steps")) {
            if (step.path("state").asText().equals("NOW")) {
                return step.at("/step/doing").asText();
            }
        }
        return null;
    }

    private JsonNode view() {
        return api.get(at("")).is(200).body();
    }

    /** Taps everything up to a step. */
    private JsonNode tapUpTo(String doing) {
        JsonNode view = view();
        for (int step = doings(view).indexOf(now(view)); !doing.equals(now(view)); step++) {
            view = tick(step).is(200).body();
        }
        return view;
    }

    private Map<String, Object> flush(boolean open) {
        Map<String, Object> stroke = new HashMap<>(Map.of("channel", "C", "volumeMl", 3, "seconds", 60, "id", id()));
        return Map.of(
                "lotId",
                lot,
                "open",
                open,
                "site",
                "IN_CARRIAGE",
                "treatment",
                Map.of(
                        "kind",
                        "FLUSH",
                        "flush",
                        Map.of(
                                "method",
                                "FLUSH",
                                "planned",
                                List.of("C"),
                                "temperatureC",
                                20,
                                "strokes",
                                List.of(stroke))));
    }

    @Test
    void it_goes_by_taps_until_the_record_speaks() {
        JsonNode view = begin().is(200).body();
        assertThat(doings(view)).startsWith("PREPARE").contains("STROKE", "PAD_OUT", "LOOK_DRY", "POWER_ON");
        assertThat(doings(view).stream().filter("CHECK"::equals))
                .as("up to the first check")
                .hasSize(1);
        assertThat(now(view)).isEqualTo("PREPARE");
        assertThat(view.at("/inHand/person").asText()).isNotEmpty();
        view = tapUpTo("STROKE");
        int stroke = doings(view).indexOf("STROKE");
        assertThat(tick(stroke).status()).as("a tap is no stroke").isEqualTo(409);
        api.put(at("/attempts/" + attempt), flush(true)).is(200);
        assertThat(now(view())).as("these rounds go on").isEqualTo("STROKE");
        assertThat(view().at("/run/workId").asText()).isEqualTo(attempt);
        api.put(at("/attempts/" + attempt + "/end"), Map.of()).is(200);
        assertThat(now(view())).isEqualTo("PAD_OUT");
        assertThat(now(api.head(visit, "PAD_OUT").body())).isEqualTo("LOOK_DRY");
    }

    @Test
    void the_mains_are_not_put_on_while_anything_keeps_the_head_from_power() {
        begin().is(200);
        JsonNode view = tapUpTo("STROKE");
        int power = doings(view).indexOf("POWER_ON");
        api.put(at("/attempts/" + attempt), flush(true)).is(200);
        api.put(at("/attempts/" + attempt + "/end"), Map.of()).is(200);
        assertThat(tick(power).status()).as("the pad lies there").isEqualTo(409);
        api.head(visit, "PAD_OUT").is(200);
        assertThat(tick(power).status()).as("nobody looked").isEqualTo(409);
        api.head(visit, "CONTACTS_DAMP").is(200);
        assertThat(tick(power).status()).as("it dries").isEqualTo(409);
    }

    @Test
    void a_look_at_contacts_from_before_the_fluid_is_none() {
        begin().is(200);
        JsonNode view = tapUpTo("STROKE");
        assertThat(doings(view)).contains("LOOK_DRY");
        api.head(visit, "SEEN_DRY").is(200);
        api.head(visit, "PAD_OUT").is(200);
        api.put(at("/attempts/" + attempt), flush(true)).is(200);
        api.put(at("/attempts/" + attempt + "/end"), Map.of()).is(200);
        assertThat(now(view())).isEqualTo("PAD_OUT");
        assertThat(now(api.head(visit, "PAD_OUT").is(200).body())).isEqualTo("LOOK_DRY");
        assertThat(now(api.head(visit, "SEEN_DRY").is(200).body())).isEqualTo("POWER_ON");
    }

    @Test
    void a_tap_taken_back_opens_the_step_and_stays_readable() {
        begin().is(200);
        tick(0).is(200);
        tick(0).is(200);
        JsonNode back = api.put(at("/runs/" + run + "/steps/0/withdrawal"), Map.of())
                .is(200)
                .body();
        assertThat(now(back)).isEqualTo("PREPARE");
        assertThat(now(tick(0).is(200).body())).isNotEqualTo("PREPARE");
    }

    @Test
    void sent_again_it_is_begun_once_and_other_steps_wait_until_these_are_left() {
        begin().is(200);
        tick(0).is(200);
        assertThat(now(begin().is(200).body())).isNotEqualTo("PREPARE");
        assertThat(api.put(at("/runs/" + id()), Map.of()).status()).isEqualTo(409);
        assertThat(api.put(at("/runs/" + run + "/end"), Map.of()).is(200).body().has("run"))
                .isFalse();
        api.put(at("/runs/" + id()), Map.of()).is(200);
        assertThat(tick(1).status()).as("a page of the steps before").isEqualTo(409);
    }

    @Test
    void a_head_without_a_check_is_not_led_through_work() {
        visit = api.newVisit(api.intake("VENNICK-B3", "C", "M", "Y"));
        assertThat(begin().status()).isEqualTo(409);
    }

    @Test
    void twenty_pages_that_tap_at_once_tap_once() throws Exception {
        begin().is(200);
        try (var pool = new Pool()) {
            assertThat(pool.all(20, () -> tick(0).status())).containsOnly(200);
        }
        assertThat(now(view())).isEqualTo(doings(view()).get(1));
    }

    private static final class Pool implements AutoCloseable {
        private final java.util.concurrent.ExecutorService threads = Executors.newFixedThreadPool(8);

        List<Integer> all(int times, java.util.concurrent.Callable<Integer> work) throws Exception {
            List<Integer> statuses = new ArrayList<>();
            for (var done : threads.invokeAll(
                    IntStream.range(0, times).mapToObj(i -> work).toList())) {
                statuses.add(done.get());
            }
            return statuses;
        }

        @Override
        public void close() {
            threads.shutdown();
        }
    }

    @Test
    void taking_over_is_a_tap_with_a_trace() {
        api.put(at("/hand"), Map.of()).is(200);
        String first = view().at("/inHand/person").asText();
        JsonNode over = api.as(Role.LEAD).put(at("/hand"), Map.of()).is(200).body();
        assertThat(over.at("/inHand/person").asText()).isNotEqualTo(first);
        assertThat(over.at("/inHand/takenFrom").asText()).isEqualTo(first);
        assertThat(strip().path("inHand").asText())
                .isEqualTo(over.at("/inHand/person").asText());
        assertThat(api.as(Role.TECHNICIAN)
                        .raw(HttpMethod.DELETE, at("/hand"), null)
                        .getStatus())
                .as("another's")
                .isEqualTo(409);
        assertThat(api.as(Role.LEAD).raw(HttpMethod.DELETE, at("/hand"), null).getStatus())
                .isEqualTo(200);
        assertThat(view().has("inHand")).isFalse();
        assertThat(api.get(at("/history")).body().findValuesAsText("what")).contains("IN_HAND");
    }

    private JsonNode strip() {
        for (JsonNode strip : api.get("/api/bench").body().path("strips")) {
            if (strip.path("id").asText().equals(visit)) {
                return strip;
            }
        }
        throw new AssertionError("not on the bench");
    }

    @Test
    void what_its_plan_cannot_make_by_the_promise_says_so() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.put("promisedOn", java.time.LocalDate.now().plusDays(60).toString());
        visit = api.newVisit(intake);
        api.check(visit, id(), 20).is(200);
        assertThat(strip().path("promise").asText()).isEqualTo("HOLDS");
        jdbc.update(
                "update visit set promised_on = current_date - interval 2 day, changes = changes + 1 where id = ?",
                UUID.fromString(visit));
        assertThat(strip().path("promise").asText()).isEqualTo("MISSED");
    }
}
