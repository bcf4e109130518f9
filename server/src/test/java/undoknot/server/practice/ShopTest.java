package undoknot.server.practice;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** What a shop says of itself: its time zone, its hours and its units. */
@ServerTest
class ShopTest {

    @Autowired
    Api api;

    @Autowired
    JdbcTemplate jdbc;

    /** The shop is one for all tests. */
    @AfterEach
    void put_back() {
        jdbc.update("update shop set zone = null, opens = null, closes = null, open_days = null, units = null");
    }

    private Api.Answer send(Map<String, Object> more) {
        JsonNode now = api.as(Role.LEAD).get("/api/shop").is(200).body();
        Map<String, Object> entry = new HashMap<>(Map.of(
                "name", now.path("name").asText("Tide Yard"),
                "address", now.path("address").asText(),
                "currency", now.path("currency").asText()));
        if (entry.get("name").equals("")) {
            entry.put("name", "Tide Yard");
        }
        if (now.has("version")) {
            entry.put("version", now.path("version").asLong());
        }
        entry.putAll(more);
        return api.as(Role.LEAD).put("/api/shop", entry);
    }

    private static Map<String, Object> hours(String opens, String closes, String... days) {
        return Map.of("hours", Map.of("opens", opens, "closes", closes, "days", List.of(days)));
    }

    private String paper(String visit) throws Exception {
        return api.raw(HttpMethod.GET, "/api/visits/" + visit + "/report.html", null)
                .getContentAsString();
    }

    @ParameterizedTest
    @CsvSource({
        "08:30, 17:00, true",
        "17:00, 08:30, false",
        "08:00, 08:00, false",
        "8:30, 17:00, false",
        "24:00, 25:00, false"
    })
    void hours_are_times_of_day_in_their_order(String opens, String closes, boolean taken) {
        send(hours(opens, closes, "MONDAY")).is(taken ? 200 : 422);
    }

    @Test
    void hours_need_a_day() {
        send(hours("08:00", "17:00")).is(422);
    }

    @ParameterizedTest
    @CsvSource({"Europe/Lisbon, 200", "America/St_Johns, 200", "Lisbon, 422", "'', 422", "Europe/Nowhere, 422"})
    void a_time_zone_is_a_known_one(String zone, int status) {
        send(Map.of("zone", zone)).is(status);
    }

    @Test
    void paper_has_the_times_of_the_shop_and_says_when_somebody_is_there() throws Exception {
        String visit = api.as(Role.TECHNICIAN).newVisit();
        send(Map.of("zone", "Pacific/Kiritimati")).is(200);
        send(hours("08:30", "17:00", "FRIDAY", "MONDAY", "WEDNESDAY", "THURSDAY", "TUESDAY"))
                .is(200);
        String there = paper(visit);
        assertThat(there).contains("open Monday to Friday, 08:30 to 17:00");
        send(hours("08:30", "12:00", "SATURDAY", "TUESDAY")).is(200);
        assertThat(paper(visit)).contains("open Tuesday, Saturday, 08:30 to 12:00");
        send(Map.of("zone", "Pacific/Pago_Pago")).is(200);
        // 25 hours apart: no moment has the same day in both.
        assertThat(paper(visit)).isNotEqualTo(there);
    }

    @Test
    void units_of_the_shop_are_seen_by_who_has_chosen_none() {
        send(Map.of("units", Map.of("temperature", "F", "volume", "FL_OZ", "pressure", "PSI")))
                .is(200);
        assertThat(api.as(Role.OBSERVER)
                        .get("/api/session")
                        .body()
                        .path("units")
                        .path("temperature")
                        .asText())
                .isEqualTo("F");
    }
}
