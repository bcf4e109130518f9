package undoknot.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.observation.Look;
import undoknot.plan.DoneBy;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.Works;
import undoknot.server.account.Role;
import undoknot.treatment.Method;

/** The steps of every method lead from the first to the check that judges it, by taps and by what is logged on the way. */
@ServerTest
class LedMethodsTest {

    private static final int MOST_STEPS = 60;

    @Autowired
    Api api;

    @Autowired
    JdbcTemplate jdbc;

    private final String run = id();
    private final List<String> way = new ArrayList<>();
    private String visit;
    private String lot;
    private String attempt;

    private static String id() {
        return UUID.randomUUID().toString();
    }

    @BeforeEach
    void takenIn() {
        lot = api.lotOf("AQUEOUS_CLEANER", 90);
        // No fitting of this family is known yet: its lead decides.
        api.as(Role.LEAD);
        visit = api.newVisit(api.intake("TARROW-T4", "K", "C", "M", "Y"));
        check();
    }

    private String at(String rest) {
        return "/api/visits/" + visit + rest;
    }

    private JsonNode view() {
        return api.get(at("")).is(200).body();
    }

    private Api.Answer check() {
        Map<String, String> reading = new HashMap<>();
        view().at("/family/channels").forEach(c -> {
            int nozzles = c.path("nozzles").asInt();
            int out = c.path("code").asText().equals("C") ? 20 : 0;
            reading.put(c.path("code").asText(), "M".repeat(out) + "F".repeat(nozzles - out));
        });
        return api.put(at("/checks/" + id()), Map.of("reading", reading));
    }

    private static JsonNode now(JsonNode view) {
        for (JsonNode step : view.at("/run/steps")) {
            if (step.path("state").asText().equals("NOW")) {
                return step;
            }
        }
        return null;
    }

    @ParameterizedTest
    @EnumSource(
            value = Method.class,
            names = {"ALIGN", "PARTS"},
            mode = EnumSource.Mode.EXCLUDE)
    void they_lead_to_the_check(Method method) {
        api.put(at("/plan"), Map.of("works", List.of(Map.of("method", method.name(), "channels", List.of("C")))))
                .is(200);
        api.put(at("/runs/" + run), Map.of()).is(200);
        JsonNode step = now(view());
        for (int i = 0; step != null && i < MOST_STEPS; i++) {
            way.add(step.at("/step/doing").asText() + " " + step.path("doneBy").asText());
            go(method, step);
            step = now(view());
        }

        assertThat(step).as("%s", way).isNull();
        assertThat(way.get(way.size() - 1)).isEqualTo("CHECK CHECKED");
        assertThat(view().path("attempts").findValuesAsText("method"))
                .as("%s", way)
                .isNotNull();
        assertThat(jdbc.queryForObject(
                        "select count(*) from attempt where visit_id = ?", Integer.class, UUID.fromString(visit)))
                .as("%s", way)
                .isEqualTo(1);
    }

    /** After the pad is out covers stand open for a quarter of an hour, and only then the mains go on (handbook 8). */
    @Test
    void what_gives_vapour_is_aired_before_there_is_power() {
        api.as(Role.TECHNICIAN);
        lot = api.lotOf("RESIDUE_REMOVER", 90);
        api.as(Role.LEAD);

        they_lead_to_the_check(Method.VAPOUR);

        assertThat(way).containsSubsequence("PAD_OUT PAD_OUT", "AIR_COVERS AIRED", "POWER_ON POWER");
    }

    private void go(Method method, JsonNode step) {
        switch (DoneBy.valueOf(step.path("doneBy").asText())) {
            case TAP, TIME, POWER ->
                is200(api.put(
                        at("/runs/" + run + "/steps/" + step.path("number").asInt()), Map.of()));
            case WORK -> work(method);
            case STROKES, WORK_OVER -> {
                work(method);
                over();
            }
            case HEAD_OUT -> is200(api.head(visit, "HEAD_OUT"));
            case HEAD_IN -> is200(api.head(visit, "HEAD_IN"));
            case PAD_OUT -> is200(api.head(visit, "PAD_OUT"));
            case LOOKED_DRY -> is200(api.head(visit, "SEEN_DRY"));
            case HOLD_OVER, AIRED -> hoursPass(30);
            case LOOKED -> look(step.path("step"));
            case CHECKED -> is200(check());
            default -> throw new AssertionError(way.toString());
        }
    }

    private void is200(Api.Answer answer) {
        assertThat(answer.status()).as("%s: %s", way, answer.body()).isEqualTo(200);
    }

    private void work(Method method) {
        if (attempt != null) {
            return;
        }
        attempt = id();
        boolean byStrokes = method.isByStrokes();
        boolean wetsAPad = method == Method.PAD || method == Method.VAPOUR || method == Method.WIPE;
        Object treatment = wetsAPad
                ? Map.of(
                        "kind",
                        "HANDWORK",
                        "handwork",
                        Map.of("method", method.name(), "channels", List.of("C"), "volumeMl", 3))
                : Works.of(method);
        Map<String, Object> entry = new HashMap<>(
                Map.of("treatment", treatment, "departureReason", "the customer asked", "open", byStrokes));
        entry.put("site", view().at("/head/site").asText());
        if (wetsAPad || method.kind() != Method.CYCLE.kind() && method.kind() != Method.STATION.kind()) {
            entry.put("lotId", lot);
        }
        is200(api.put(at("/attempts/" + attempt), entry));
    }

    /** What runs is over, and hands end it. */
    private void over() {
        hoursPass(1);
        for (JsonNode clock : view().path("clocks")) {
            if (!clock.has("stoppedAt")) {
                is200(api.put(at("/clocks/" + clock.path("id").asText() + "/stop"), Map.of()));
            }
        }
        if (jdbc.queryForObject(
                        "select count(*) from attempt where id = ? and ended_at is null",
                        Integer.class,
                        UUID.fromString(attempt))
                > 0) {
            is200(api.put(at("/attempts/" + attempt + "/end"), Map.of()));
        }
    }

    private void look(JsonNode step) {
        Map<String, Object> finding = new HashMap<>(Map.of(
                "sign",
                Look.valueOf(step.path("look").asText()).findings().get(0).name()));
        if (!step.path("channels").isEmpty()) {
            finding.put("channel", step.at("/channels/0").asText());
        }
        is200(api.put(at("/findings/" + id()), finding));
    }

    /** Everything on the visit was so much earlier. */
    private void hoursPass(int hours) {
        for (String column : List.of(
                "attempt.started_at",
                "attempt.ended_at",
                "head_entry.entered_at",
                "nozzle_check.taken_at",
                "finding.found_at",
                "step_clock.started_at",
                "step_clock.stopped_at")) {
            String[] part = column.split("\\.");
            jdbc.update(
                    "update " + part[0] + " set " + part[1] + " = " + part[1] + " - interval ? hour where visit_id = ?",
                    hours,
                    UUID.fromString(visit));
        }
        jdbc.query(
                "select id, record from attempt where visit_id = ?",
                rows -> {
                    jdbc.update(
                            "update attempt set record = ? where id = ?",
                            earlier(rows.getString("record"), hours),
                            rows.getString("id"));
                },
                UUID.fromString(visit));
        jdbc.query(
                "select run from in_hand where id = ?",
                rows -> {
                    jdbc.update(
                            "update in_hand set run = ? where id = ?",
                            earlier(rows.getString("run"), hours),
                            UUID.fromString(visit));
                },
                UUID.fromString(visit));
        jdbc.update(
                "update visit set changes = changes + 1, opened_at = opened_at - interval ? hour where id = ?",
                hours,
                UUID.fromString(visit));
    }

    private static String earlier(String json, int hours) {
        return Pattern.compile("(?<=\"(?:at|begunAt)\":\")[^\"]+")
                .matcher(json)
                .replaceAll(at ->
                        Instant.parse(at.group()).minus(Duration.ofHours(hours)).toString());
    }
}
