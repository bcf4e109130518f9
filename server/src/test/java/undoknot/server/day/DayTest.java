package undoknot.server.day;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;
import undoknot.server.visit.Intake;

/** The order of the day: proposed, pinned, brought up to date, tried, as a calendar; and by when a head is ready. */
@ServerTest
class DayTest extends OneDay {

    @Autowired
    ReadyPromises promises;

    @Autowired
    TakeInForecast forecast;

    @Autowired
    ReadySaids saids;

    @Test
    void before_the_first_there_is_none_and_then_it_stands_for_everybody() {
        assertThat(api.get("/api/day").is(200).body().has("day")).isFalse();

        JsonNode made = propose();

        JsonNode day = api.as(Role.OBSERVER).get("/api/day").is(200).body();
        assertThat(day.path("day")).isEqualTo(made);
        assertThat(day.path("since")).isEmpty();
        assertThat(made.path("heads")).hasSize(2);
        assertThat(made.path("people")).hasSize(1);
        assertThat(made.at("/people/0/name").asText()).isEqualTo("Wenna Tarvick");
        List<JsonNode> pad = work(made, second);
        JsonNode padIn = pad.stream()
                .filter(w -> w.path("waitsUntil").isTextual())
                .findFirst()
                .orElseThrow();
        assertThat(padIn.path("places").toString()).isEqualTo("[\"PRINTER\"]");
        assertThat(from(pad.get(pad.indexOf(padIn) + 1)))
                .as("nothing is done before the pad has lain as long as it is to")
                .isAfterOrEqualTo(Instant.parse(padIn.path("waitsUntil").asText()));
        assertThat(pad.get(pad.size() - 1).path("doing").asText()).isEqualTo("SIGN_OFF");
    }

    @Test
    void a_pinned_step_stands_where_it_was_put_and_the_rest_makes_room() {
        JsonNode check = work(propose(), first).get(0);
        Instant at = later();

        JsonNode day = pin(first, check, at).is(200).body().path("day");
        JsonNode again = pin(first, check, at).is(200).body().path("day");

        for (JsonNode one : List.of(day, again, propose())) {
            assertThat(from(work(one, first).get(0))).isEqualTo(at);
            assertThat(work(one, first).get(0).path("pinned").asBoolean()).isTrue();
        }
        assertThat(jdbc.queryForObject("select count(*) from day_pin", Integer.class))
                .isEqualTo(1);
        JsonNode freed = api.json.valueToTree(api.raw(
                        HttpMethod.DELETE,
                        "/api/day/pins/" + first + "/" + check.path("key").asText(),
                        null)
                .getStatus());
        assertThat(freed.asInt()).isEqualTo(200);
        assertThat(from(work(propose(), first).get(0))).isBefore(at);
    }

    @Test
    void what_does_not_fit_is_refused_with_its_reason_and_nothing_is_kept() {
        JsonNode day = propose();
        List<JsonNode> pad = work(day, second);
        JsonNode padOut = pad.stream()
                .filter(w -> w.path("doing").asText().equals("PAD_OUT"))
                .findFirst()
                .orElseThrow();
        Instant at = later();

        assertThat(pin(first, pad.get(0), clock.instant().minusSeconds(600)).status())
                .isEqualTo(422);
        for (String far : List.of("2027-12-31T10:00:00Z", "9999-12-31T10:00:00Z", "+1000000000-12-31T23:59:59Z")) {
            assertThat(pin(first, pad.get(0), Instant.parse(far)).status())
                    .as(far)
                    .isIn(400, 422);
        }
        assertThat(pin(first, api.json.valueToTree(Map.of("key", "9-NONE")), at)
                        .is(409)
                        .body()
                        .path("type")
                        .asText())
                .endsWith("step-gone");
        pin(first, work(day, first).get(0), at).is(200);
        JsonNode twice = pin(second, padOut, at).is(409).body();
        assertThat(twice.path("why").asText()).isEqualTo("PERSON_BUSY");
        assertThat(twice.path("detail").asText()).contains("Choose another time or person");
        assertThat(jdbc.queryForObject("select count(*) from day_pin", Integer.class))
                .isEqualTo(1);
        assertThat(api.put(
                                "/api/day/pins/" + first + "/"
                                        + work(day, first).get(0).path("key").asText(),
                                Map.of("personId", UUID.randomUUID(), "at", at.toString()))
                        .is(422)
                        .messageAt("personId"))
                .isEqualTo("No work is planned for this person. Choose another.");
    }

    @Test
    void after_a_change_heads_say_why_the_day_is_no_more_theirs_and_it_is_brought_up_to_date() {
        JsonNode before = propose();
        String third = head("CYCLE", 5);
        api.put(
                        "/api/visits/" + second + "/plan",
                        Map.of("works", List.of(Map.of("method", "CYCLE", "channels", List.of("C")))))
                .is(200);

        JsonNode since = api.get("/api/day").body().path("since");
        Map<String, String> said = new HashMap<>();
        since.forEach(s -> said.put(s.path("visitId").asText(), s.path("since").asText()));
        assertThat(said).isEqualTo(Map.of(third, "NEW", second, "CHANGED"));

        JsonNode now = api.post("/api/day", Map.of("anew", false)).is(200).body();
        assertThat(now.path("since")).isEmpty();
        assertThat(now.at("/day/heads")).hasSize(3);
        assertThat(from(work(now.path("day"), first).get(0)))
                .as("what was planned and still holds stays as far as it can")
                .isBetween(
                        from(work(before, first).get(0)),
                        from(work(before, first).get(0)).plusSeconds(1800));
    }

    @Test
    void a_trial_shows_both_days_and_changes_neither_the_setup_nor_the_day() {
        JsonNode real = propose();
        JsonNode setup = api.get("/api/day/setup").body();
        String today = LocalDate.now(clock).toString();
        String tomorrow = LocalDate.now(clock).plusDays(1).toString();
        Map<String, Object> away = new HashMap<>(Map.of("works", true, "off", List.of(today, tomorrow)));
        away.put("own", ALL_DAY);
        Map<String, Object> trial = Map.of("places", PLACES, "people", Map.of(wenna, away));

        assertThat(api.post("/api/day/trial", trial).status())
                .as("a lead tries")
                .isEqualTo(403);
        JsonNode both = api.as(Role.LEAD).post("/api/day/trial", trial).is(200).body();

        assertThat(from(work(both.path("tried"), first).get(0)))
                .isAfter(clock.instant().plus(1, ChronoUnit.DAYS));
        assertThat(from(work(both.path("real"), first).get(0)))
                .isBefore(clock.instant().plus(1, ChronoUnit.DAYS));
        assertThat(api.get("/api/day").body().path("day")).isEqualTo(real);
        assertThat(api.get("/api/day/setup").body()).isEqualTo(setup);
    }

    @Test
    void a_day_on_which_nobody_is_ever_there_is_refused_in_words() {
        api.as(Role.LEAD);
        put(wenna, false, null, List.of()).is(200);

        JsonNode refused = api.post("/api/day", Map.of("anew", true)).is(409).body();

        assertThat(refused.path("why").asText()).isEqualTo("FITS_NOWHERE");
        assertThat(refused.path("detail").asText()).contains("hours and places");
    }

    @ParameterizedTest
    @CsvSource({"baths, -1", "trays, 51", "printers, 1000000000", "testSlots, -2147483648"})
    void places_are_counted_in_reason(String place, int count) {
        Map<String, Object> places = new HashMap<>(PLACES);
        places.put(place, count);
        assertThat(api.as(Role.LEAD)
                        .put("/api/day/setup/places", places)
                        .is(422)
                        .messageAt(place))
                .isEqualTo("Enter 0 to 50.");
        assertThat(api.as(Role.TECHNICIAN).put("/api/day/setup/places", PLACES).status())
                .isEqualTo(403);
    }

    @Test
    void work_ends_after_it_begins() {
        api.as(Role.LEAD);
        assertThat(put(wenna, true, Map.of("opens", "10:00", "closes", "09:00", "days", List.of("MONDAY")), List.of())
                        .is(422)
                        .messageAt("own.closes"))
                .isEqualTo("Work ends after it begins. Enter a later time.");
    }

    @Test
    void a_calendar_has_what_one_person_does() {
        JsonNode day = propose();

        var file = api.raw(HttpMethod.GET, "/api/day/calendars/" + wenna + ".ics", null);

        assertThat(file.getStatus()).isEqualTo(200);
        assertThat(file.getContentType()).startsWith("text/calendar");
        int works = work(day, first).size() + work(day, second).size();
        assertThat(new String(file.getContentAsByteArray(), java.nio.charset.StandardCharsets.UTF_8)
                        .split("BEGIN:VEVENT", -1))
                .hasSize(works + 1);
        assertThat(api.get("/api/day/calendars/" + UUID.randomUUID() + ".ics").status())
                .isEqualTo(404);
    }

    @Test
    void a_take_in_says_by_when_it_is_ready_and_just_that_is_kept_once() {
        var intake = api.intake("VENNICK-B3", "C", "M", "Y");
        clock.holdAt(clock.instant());
        ReadyPromises.Said said = promises.of(forecast.of(api.json.convertValue(intake, Intake.class)), clock.instant())
                .orElseThrow();

        JsonNode ready =
                api.post("/api/take-in/estimate", intake).is(200).body().path("ready");
        String visit = api.newVisit(intake);

        assertThat(Instant.parse(ready.path("by").asText()))
                .isEqualTo(said.by())
                .isAfter(clock.instant());
        assertThat(Instant.parse(ready.path("half").asText())).isBeforeOrEqualTo(said.by());
        assertThat(said.by().getEpochSecond() % 1800).as("a half hour").isZero();
        ReadySaid kept = saids.findById(UUID.fromString(visit)).orElseThrow();
        assertThat(kept.readyBy).isEqualTo(said.by());
        assertThat(kept.reckonedMinutes)
                .as("its own work does not stand in its way")
                .isEqualTo(said.date().reckoned());
        clock.goOn();
        api.put("/api/visits/" + visit, Map.of("intake", intake));
        assertThat(saids.findById(UUID.fromString(visit)).orElseThrow().saidAt).isEqualTo(kept.saidAt);
    }

    @AfterEach
    void goesOn() {
        clock.goOn();
    }
}
