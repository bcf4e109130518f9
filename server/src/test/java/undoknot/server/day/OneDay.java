package undoknot.server.day;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.account.Role;

/** Two heads and one person, who is there day and night, so that days can be made of them. */
abstract class OneDay {

    static final Map<String, Object> ALL_DAY = Map.of(
            "opens",
            "00:00",
            "closes",
            "23:59",
            "days",
            List.of("MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY"));

    static final Map<String, Object> PLACES = Map.of("baths", 1, "trays", 2, "printers", 4, "testSlots", 2);

    static final List<String> POWERED =
            List.of("POWER_ON", "CHECK", "CYCLE", "CYCLE_STRONG", "CHARGE", "PRIME", "PAGE", "ALIGN");

    @Autowired
    Api api;

    @Autowired
    JdbcTemplate jdbc;

    @Autowired
    MovableClock clock;

    String wenna;
    String first;
    String second;

    /** The heads of other tests leave the bench meanwhile. */
    @BeforeEach
    void alone() {
        jdbc.update("update visit set closed_at = utc_timestamp(6), closed_by = 'day test', changes = changes + 1"
                + " where closed_at is null");
        api.as(Role.LEAD).put("/api/day/setup/places", PLACES).is(200);
        for (JsonNode person : api.get("/api/day/setup").is(200).body().path("people")) {
            boolean isWenna = person.path("name").asText().equals("Wenna Tarvick");
            wenna = isWenna ? person.path("id").asText() : wenna;
            put(person.path("id").asText(), isWenna, isWenna ? ALL_DAY : null, List.of())
                    .is(200);
        }
        api.as(Role.TECHNICIAN);
        first = head("CYCLE", 20);
        second = head("PAD", 8);
    }

    @AfterEach
    void back() {
        jdbc.update("delete from day_pin");
        jdbc.update("delete from proposed_day");
        jdbc.update("delete from person_hours");
        jdbc.update(
                "update visit set closed_at = null, closed_by = null, changes = changes + 1 where closed_by = 'day test'");
    }

    String head(String method, int out) {
        String visit = api.newVisit(api.intake("VENNICK-B3", "C", "M", "Y"));
        api.check(visit, UUID.randomUUID().toString(), out).is(200);
        api.put(
                        "/api/visits/" + visit + "/plan",
                        Map.of("works", List.of(Map.of("method", method, "channels", List.of("C")))))
                .is(200);
        return visit;
    }

    Api.Answer put(String person, boolean works, Object own, List<String> off) {
        Map<String, Object> entry = new HashMap<>(Map.of("works", works, "off", off));
        entry.put("own", own);
        return api.put("/api/day/setup/people/" + person, entry);
    }

    JsonNode propose() {
        return api.post("/api/day", Map.of("anew", true)).is(200).body().path("day");
    }

    static List<JsonNode> work(JsonNode day, String visit) {
        List<JsonNode> work = new ArrayList<>();
        for (JsonNode head : day.path("heads")) {
            if (head.path("visitId").asText().equals(visit)) {
                head.path("work").forEach(work::add);
            }
        }
        return work;
    }

    static Instant from(JsonNode work) {
        return Instant.parse(work.path("from").asText());
    }

    /** A full hour in some hours' time from which on an hour is left before midnight, so that no shift ends in it. */
    Instant later() {
        ZonedDateTime at = clock.instant()
                .atZone(clock.getZone())
                .truncatedTo(ChronoUnit.HOURS)
                .plusHours(3);
        return (at.getHour() >= 22 ? at.plusHours(3) : at).toInstant();
    }

    Api.Answer pin(String visit, JsonNode work, Instant at) {
        return api.put(
                "/api/day/pins/" + visit + "/" + work.path("key").asText(),
                Map.of("personId", wenna, "at", at.toString()));
    }
}
