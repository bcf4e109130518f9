package undoknot.server.finish;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** Align, prove, sign off, take that back, aftercare, follow-up (handbook 14 and 16). */
@ServerTest
class FinishTest {

    @Autowired
    Api api;

    @Autowired
    MovableClock clock;

    @Autowired
    JdbcTemplate jdbc;

    private String visit;

    @BeforeEach
    void visit() {
        visit = api.as(Role.TECHNICIAN).newVisit();
    }

    private String path(String rest) {
        return "/api/visits/" + visit + rest;
    }

    private JsonNode now() {
        return api.get(path("")).body();
    }

    private void takeIn(String family, List<String> symptoms, String... channels) {
        ObjectNode intake = api.intake(family, channels);
        intake.set("symptoms", api.json.valueToTree(symptoms));
        visit = api.newVisit(intake);
    }

    private Api.Answer hands(String method, Map<String, ?> more) {
        Map<String, Object> body = new HashMap<>(more);
        body.put(
                "treatment",
                Map.of("kind", "HANDWORK", "handwork", Map.of("method", method, "channels", List.of("C", "M", "Y"))));
        return api.put(path("/attempts/" + UUID.randomUUID()), body);
    }

    private Api.Answer pass(boolean accepted, String note, Integer... best) {
        Map<String, Object> scale = Map.of("positions", 4, "least", 1, "most", 9, "centre", 5, "recentres", true);
        return hands(
                "ALIGN",
                Map.of(
                        "noted",
                        Map.of("pass", Map.of("scale", scale, "best", List.of(best), "accepted", accepted)),
                        "note",
                        note));
    }

    private Api.Answer found(String sign) {
        return api.put(path("/findings/" + UUID.randomUUID()), Map.of("sign", sign));
    }

    private void check(int out) {
        api.check(visit, UUID.randomUUID().toString(), out).is(200);
    }

    private Api.Answer giveBack(String outcome, String reason, String... despite) {
        return api.put(
                path("/return"),
                Map.of(
                        "version",
                        now().path("version").asLong(),
                        "outcome",
                        outcome,
                        "reason",
                        reason,
                        "signedBy",
                        "Test hand",
                        "despite",
                        despite));
    }

    @Test
    void a_pass_says_a_step_for_every_position_and_throws_nothing_back_to_a_check() {
        check(0);
        assertThat(hands("ALIGN", Map.of()).is(422).messageAt("noted.pass.best"))
                .contains("every position");
        assertThat(pass(false, "", 5, 5, 5).is(422).messageAt("noted.pass.best"))
                .contains("every position");
        assertThat(pass(false, "", 5, 5, 5, 12).is(422).messageAt("noted.pass.best[3]"))
                .contains("1 to 9");
        assertThat(pass(true, "good enough", 5, 8, 5, 5).is(422).messageAt("noted.pass.accepted"))
                .contains("once the strip was cleaned");
        pass(false, "", 5, 8, 5, 5).is(200);
        JsonNode finish = now().path("finish");
        assertThat(finish.at("/alignment/state").asText()).isEqualTo("NEXT_PASS");
        assertThat(finish.at("/alignment/passes/0/moved/1").asInt()).isEqualTo(3);
        assertThat(finish.path("unchecked")).isEmpty();
        assertThat(giveBack("RECOVERED", "").is(422).messageAt("reason")).contains("alignment has not settled");
        pass(false, "", 5, 5, 8, 5).is(200);
        assertThat(now().at("/finish/alignment/state").asText()).isEqualTo("CLEAN_STRIP");
        hands("STRIP", Map.of()).is(200);
        pass(false, "", 8, 5, 5, 5).is(200);
        pass(false, "", 5, 5, 5, 8).is(200);
        assertThat(now().at("/finish/alignment/state").asText()).isEqualTo("NOTE_OR_ELSEWHERE");
        assertThat(pass(true, "", 5, 5, 5, 8).is(422).messageAt("note")).contains("may stand");
        JsonNode stands = pass(true, "prints one way", 5, 5, 5, 8).is(200).body();
        assertThat(stands.at("/finish/alignment/state").asText()).isEqualTo("ACCEPTED");
        assertThat(stands.at("/next/action").asText()).isNotEqualTo("CHECK_AGAIN");
        assertThat(api.get(path("/report")).body().at("/record/alignment")).hasSize(5);
    }

    @Test
    void passes_of_earlier_visits_stay_with_the_head() {
        check(0);
        pass(false, "", 5, 6, 5, 5).is(200);
        giveBack("RECOVERED", "as it came", "ALIGNMENT_OPEN").is(200);
        JsonNode intake = now().path("intake");
        visit = api.newVisit(((ObjectNode) intake).put("promisedOn", "2030-01-01"));
        assertThat(now().at("/finish/alignment/passes")).isEmpty();
        assertThat(now().at("/finish/alignment/earlier/0/best/1").asInt()).isEqualTo(6);
    }

    /** Smears: a map that was good before signs nothing off, a clean page does, and the outcome is its own. */
    @Test
    void carriage_dirt_is_signed_off_by_a_clean_page() {
        takeIn("VENNICK-B3", List.of("SMEARS"), "C", "M", "Y");
        check(0);
        found("UNDERSIDE_FLAKES").is(200);
        hands("UNDERSIDE", Map.of()).is(200);
        assertThat(now().at("/finish/proofs/0/state").asText()).isEqualTo("OPEN");
        assertThat(giveBack("FAULT_MENDED", "").is(422).messageAt("reason")).contains("not proven gone");
        assertThat(now().at("/finish/proposed").isMissingNode()).isTrue();
        found("PAGE_DIRTY").is(200);
        assertThat(now().at("/judgement/advice/first/method").asText()).isEqualTo("UNDERSIDE");
        found("PAGE_CLEAN").is(200);
        assertThat(now().at("/finish/proposed").asText()).isEqualTo("FAULT_MENDED");
        giveBack("FAULT_MENDED", "").is(200);
        JsonNode report = api.get(path("/report")).body();
        assertThat(report.at("/plain/stands/0").asText()).isEqualTo("Clean page: shown.");
        assertThat(report.at("/plain/wrong/0/what").asText()).contains("carriage");
    }

    @Test
    void a_place_that_was_told_asks_for_a_page_that_reaches_it() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.set(
                "symptomAt",
                api.json.valueToTree(
                        List.of(Map.of("symptom", "GAPS_ONE_COLOUR", "channels", List.of("C"), "place", "FOOT"))));
        visit = api.newVisit(intake);
        check(0);
        assertThat(now().at("/finish/proofs/0/look").asText()).isEqualTo("PAGE_TO_PLACE");
        assertThat(now().at("/judgement/looks").findValuesAsText("look"))
                .contains("PAGE_TO_PLACE")
                .doesNotContain("CLEAN_PAGE", "LONG_PRINT");
    }

    /** Nothing was told, the check is good, nothing was found: the report names no cause, however the ranking stands. */
    @Test
    void a_sound_head_is_told_nothing_was_wrong() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.put("purpose", "CHECK_OVER");
        intake.putArray("symptoms");
        visit = api.newVisit(intake);
        check(0);
        found("STATION_CLEAN").is(200);
        assertThat(api.get(path("/report")).body().at("/plain/wrong")).isEmpty();
        found("UNDERSIDE_FLAKES").is(200);
        assertThat(api.get(path("/report")).body().at("/plain/wrong/0/what").asText())
                .contains("carriage");
    }

    @Test
    void work_without_a_check_is_named_before_the_return() {
        check(20);
        hands("PAGE", Map.of()).is(200);
        check(0);
        hands("PAGE", Map.of()).is(200);
        assertThat(now().at("/finish/unchecked/0").asText()).isEqualTo("PAGE");
        assertThat(giveBack("RECOVERED", "").is(422).messageAt("reason"))
                .contains("No check has followed: print a saturated page");
        check(0);
        giveBack("RECOVERED", "").is(200);
    }

    @Test
    void a_return_is_taken_back_with_a_reason_and_stays_in_the_history() {
        check(0);
        giveBack("RECOVERED", "").is(200);
        long version = now().path("version").asLong();
        assertThat(api.put(path("/return/reopening"), Map.of("version", version, "why", " "))
                        .is(422)
                        .messageAt("why"))
                .contains("Say why");
        api.as(Role.OBSERVER)
                .put(path("/return/reopening"), Map.of("version", version, "why", "look again"))
                .is(403);
        api.as(Role.TECHNICIAN);
        Map<String, Object> again = Map.of("version", version, "why", "signed the wrong head");
        api.put(path("/return/reopening"), again).is(200);
        api.put(path("/return/reopening"), again).is(200);
        JsonNode open = now();
        assertThat(open.path("closedAt").isMissingNode()).isTrue();
        assertThat(open.at("/finish/reopenedWhy").asText()).isEqualTo("signed the wrong head");
        assertThat(api.get(path("/history")).body().toString()).contains("RECOVERED", "signed the wrong head");
        giveBack("STOPPED_FOR_COST", "the customer stopped it", "ACCEPTED_AFTER_ALL")
                .is(200);
        assertThat(api.get(path("/report")).body().at("/record/reopened").asText())
                .contains("signed the wrong head");
    }

    @Test
    void a_head_that_is_in_again_keeps_its_old_return() {
        check(0);
        giveBack("RECOVERED", "").is(200);
        String old = visit;
        clock.forward(Duration.ofMinutes(5));
        JsonNode intake = now().path("intake");
        visit = api.newVisit((ObjectNode) intake);
        String newer = visit;
        visit = old;
        assertThat(api.put(
                                path("/return/reopening"),
                                Map.of("version", now().path("version").asLong(), "why", "late"))
                        .status())
                .isEqualTo(409);
        visit = newer;
        giveBack("STOPPED_FOR_COST", "").is(200);
    }

    /** Within ninety days it opens with what was done before; after that it is a head like any other. */
    @ParameterizedTest
    @CsvSource({"89, true", "91, false"})
    void a_head_that_comes_back_soon_opens_with_what_was_done(int days, boolean follows) {
        check(20);
        hands("WIPE", Map.of("departureReason", "in place")).is(200);
        api.padOutAndDry(visit);
        check(0);
        assertThat(now().at("/finish/open").toString()).contains("PAGE_LEFT");
        assertThat(giveBack("RECOVERED", "").is(422).messageAt("reason")).contains("Print a full page");
        hands("PAGE", Map.of()).is(200);
        check(0);
        giveBack("RECOVERED", "").is(200);
        ObjectNode intake = (ObjectNode) now().path("intake");
        // The clock is everybody's; the old visit is set back instead.
        jdbc.update(
                "update visit set changes = changes + 1, opened_at = opened_at - interval ? day,"
                        + " closed_at = closed_at - interval ? day where id = ?",
                days,
                days,
                visit);
        visit = api.newVisit(intake);
        JsonNode before = now().path("followUp");
        assertThat(before.isMissingNode()).isEqualTo(!follows);
        if (follows) {
            assertThat(before.path("days").asInt()).isEqualTo(days);
            assertThat(before.at("/work/0/method").asText()).isEqualTo("WIPE");
            assertThat(before.path("outcome").asText()).isEqualTo("RECOVERED");
        }
        giveBack("STOPPED_FOR_COST", "").is(200);
    }

    /** Read by another library than the one that wrote it: dates, rhythm, alarms, ids that stay. */
    @Test
    void aftercare_is_a_calendar_that_another_program_reads() throws Exception {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        ((ObjectNode) intake.at("/ports/1")).put("chemistry", "SETTLING_PIGMENT");
        visit = api.newVisit(intake);
        check(0);
        giveBack("RECOVERED", "").is(200);
        ICalendar calendar = calendar();
        assertThat(calendar.validate(biweekly.ICalVersion.V2_0).toString()).isEmpty();
        assertThat(calendar.getEvents()).hasSize(3).allSatisfy(event -> {
            assertThat(event.getAlarms()).hasSize(1);
            assertThat(event.getDateStart().getValue().hasTime()).isFalse();
        });
        VEvent shake = calendar.getEvents().stream()
                .filter(e -> e.getSummary().getValue().startsWith("Shake the ink of magenta every 3 days"))
                .findFirst()
                .orElseThrow();
        assertThat(shake.getRecurrenceRule().getValue().getInterval()).isEqualTo(3);
        assertThat(shake.getRecurrenceRule().getValue().getCount()).isEqualTo(30);
        assertThat(shake.getUid().getValue()).isEqualTo(visit + "-shake@undo-knot");
        assertThat(calendar().getEvents().stream().map(e -> e.getUid().getValue()))
                .containsExactlyElementsOf(calendar.getEvents().stream()
                        .map(e -> e.getUid().getValue())
                        .toList());
    }

    private ICalendar calendar() throws Exception {
        var response = api.raw(HttpMethod.GET, path("/aftercare.ics"), null);
        assertThat(response.getContentType()).startsWith("text/calendar");
        return Biweekly.parse(response.getContentAsString()).first();
    }

    /** 4 min a check, 3 a page: 7 min at 36 = 4.20; the house adds a quarter on fluids and 20 % tax: 5.04. */
    @Test
    void the_bill_follows_the_terms_of_the_house_and_what_was_entered() {
        check(0);
        hands("PAGE", Map.of()).is(200);
        JsonNode bill = now().at("/finish/bill");
        assertThat(bill.path("usualMinutes").asInt()).isEqualTo(7);
        assertThat(bill.path("hands").asDouble()).isEqualTo(4.2);
        assertThat(bill.path("total").asDouble()).isEqualTo(4.2);
        assertThat(api.put(path("/bill"), Map.of("minutes", -1)).is(422).messageAt("minutes"))
                .contains("0 to 20000");
        bill = api.put(path("/bill"), Map.of("minutes", 50)).is(200).body().at("/finish/bill");
        assertThat(bill.path("total").asDouble()).isEqualTo(30);
        bill = api.put(path("/bill"), Map.of("agreed", 25, "note", "a regular"))
                .is(200)
                .body()
                .at("/finish/bill");
        assertThat(bill.path("agreed").asBoolean()).isTrue();
        assertThat(bill.path("total").asDouble()).isEqualTo(25);
        assertThat(api.get(path("/report")).body().at("/plain/priceNote").asText())
                .isEqualTo("a regular");
        giveBack("RECOVERED", "page not checked", "WORK_UNCHECKED", "PAGE_LEFT").is(200);
        api.put(path("/bill"), Map.of("minutes", 1)).is(409);
    }

    @Test
    void the_shop_reckons_in_the_currency_that_a_lead_has_set() {
        Map<String, Object> entry = new HashMap<>(Map.of("name", "Lantern Quay Bench", "currency", "eurs"));
        api.put("/api/shop", entry).is(403);
        api.as(Role.LEAD);
        JsonNode was = api.get("/api/shop").body();
        if (was.has("version")) {
            entry.put("version", was.path("version").asLong());
        }
        assertThat(api.put("/api/shop", entry).is(422).messageAt("currency")).contains("three letters");
        entry.put("currency", "nok");
        entry.put("address", "3 Lantern Quay");
        JsonNode set = api.put("/api/shop", entry).is(200).body();
        assertThat(set.path("currency").asText()).isEqualTo("NOK");
        api.put("/api/shop", entry).is(409);
        assertThat(api.get("/api/session").body().path("currency").asText()).isEqualTo("NOK");
        JsonNode report = api.get(path("/report")).body();
        assertThat(report.path("address").asText()).isEqualTo("3 Lantern Quay");
        entry.put("version", set.path("version").asLong());
        entry.put("currency", "EUR");
        entry.put("address", "");
        api.put("/api/shop", entry).is(200);
    }

    /** Ink by syringe draws its own bottle, and on the bench every stroke lengthens the hold (handbook 14). */
    @Test
    void priming_draws_its_ink_and_on_the_bench_it_lengthens_the_hold() {
        check(20);
        String ink = api.lotOf("INK", 50);
        api.head(visit, "HEAD_OUT").is(200);
        String first = prime(ink);
        assertThat(api.left(ink)).isEqualTo(48.5);
        assertThat(now().at("/head/keptFrom").findValuesAsText("reason")).contains("HOLD");
        clock.forward(Duration.ofMinutes(50));
        String second = prime(ink);
        assertThat(api.left(ink)).isEqualTo(47);
        assertThat(Duration.between(java.time.Instant.parse(first), java.time.Instant.parse(second))
                        .toMinutes())
                .isEqualTo(50);
        assertThat(api.get(path("/report")).body().at("/fluids/0/volumeMl").asDouble())
                .isEqualTo(3);
    }

    /** @return until when the hold lasts */
    private String prime(String ink) {
        Map<String, Object> stroke = Map.of("channel", "C", "volumeMl", 1.5, "seconds", 60);
        Map<String, Object> body = Map.of(
                "lotId",
                ink,
                "departureReason",
                "a test",
                "treatment",
                Map.of(
                        "kind",
                        "FLUSH",
                        "flush",
                        Map.of("method", "PRIME", "temperatureC", 20, "strokes", List.of(stroke))));
        JsonNode visitNow =
                api.put(path("/attempts/" + UUID.randomUUID()), body).is(200).body();
        for (JsonNode kept : visitNow.at("/head/keptFrom")) {
            if (kept.path("reason").asText().equals("HOLD")) {
                return kept.path("until").asText();
            }
        }
        throw new AssertionError("no hold in " + visitNow.at("/head"));
    }
}
