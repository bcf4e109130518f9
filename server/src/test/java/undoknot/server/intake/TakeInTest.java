package undoknot.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.head.Tag;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class TakeInTest {

    @Autowired
    Api api;

    @BeforeEach
    void technician() {
        api.as(Role.TECHNICIAN);
    }

    @Test
    void gives_a_tag_that_finds_the_visit() {
        String id = api.newVisit();
        String tag = api.get("/api/visits/" + id).is(200).body().path("tag").asText();
        assertThat(Tag.read(tag)).isPresent();
        assertThat(api.get("/api/tags/" + tag.toLowerCase())
                        .body()
                        .path("visitId")
                        .asText())
                .isEqualTo(id);
        api.get("/api/tags/33334").is(404);
    }

    @Test
    void sent_twice_it_is_one_visit() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> entry = Map.of("intake", api.intake("VENNICK-B3", "C", "M", "Y"));
        JsonNode first = api.put("/api/visits/" + id, entry).is(200).body();
        JsonNode again = api.put("/api/visits/" + id, entry).is(200).body();
        assertThat(again.path("tag")).isEqualTo(first.path("tag"));
        assertThat(again.path("version")).isEqualTo(first.path("version"));
        assertThat(api.get("/api/visits/" + id + "/history").body()).hasSize(1);
    }

    @Test
    void two_taps_at_the_same_moment_are_one_visit() throws Exception {
        String id = UUID.randomUUID().toString();
        Map<String, Object> entry = Map.of("intake", api.intake("VENNICK-B3", "C", "M", "Y"));
        ExecutorService hands = Executors.newFixedThreadPool(4);
        CountDownLatch go = new CountDownLatch(1);
        List<Future<Api.Answer>> taps = java.util.stream.IntStream.range(0, 4)
                .mapToObj(i -> hands.submit(() -> {
                    go.await();
                    return api.put("/api/visits/" + id, entry);
                }))
                .toList();
        go.countDown();
        for (Future<Api.Answer> tap : taps) {
            tap.get().is(200);
        }
        hands.shutdown();
        assertThat(api.get("/api/visits/" + id + "/history").body()).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "customerName | '' | Enter the customer's name.",
                "contact | '  ' | Enter a phone number or an address, so that the head can go back.",
                "serial | '' | Enter the serial. No serial on the head: write one on its tag.",
                "familyCode | NOPE | Choose one of the families in the list.",
                "idleDays | -3 | Enter 0 or more.",
                "printerPrice | -1 | Enter 0 or more.",
                "refills | 100 | Enter at most 99 refills.",
                "promisedOn | 2001-01-01 | This day is past.",
            })
    void wrong_entries_are_named_in_their_place(String field, String value, String message) {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        boolean isNumber = value.matches("-?[0-9]+");
        intake.set(field, isNumber ? api.json.getNodeFactory().numberNode(Long.parseLong(value)) : new TextNode(value));
        String id = UUID.randomUUID().toString();
        Api.Answer answer =
                api.put("/api/visits/" + id, Map.of("intake", intake)).is(422);
        assertThat(answer.messageAt("intake." + field)).startsWith(message);
        api.get("/api/visits/" + id).is(404);
    }

    @Test
    void a_channel_that_the_printer_does_not_carry_counts_nowhere() {
        String visit = api.newVisit(api.intake("VENNICK-B3", "C", "M"));
        JsonNode seen = api.get("/api/visits/" + visit).body();
        assertThat(seen.path("family").path("channels").findValuesAsText("code"))
                .containsExactly("C", "M");
        String check = UUID.randomUUID().toString();
        api.put(
                        "/api/visits/" + visit + "/checks/" + check,
                        Map.of("reading", Map.of("C", "F".repeat(208), "M", "M".repeat(3) + "F".repeat(205))))
                .is(200);
        assertThat(api.put("/api/visits/" + visit + "/checks/" + UUID.randomUUID(), Map.of("reading", api.reading(0)))
                        .is(422)
                        .messageAt("reading.Y"))
                .contains("no channel Y");
        // Read once, its channels stay as they are.
        JsonNode before = api.get("/api/visits/" + visit).body();
        ObjectNode intake = (ObjectNode) before.path("intake").deepCopy();
        intake.set("ports", api.intake("VENNICK-B3", "C", "M", "Y").path("ports"));
        assertThat(api.put(
                                "/api/visits/" + visit,
                                Map.of("version", before.path("version").asLong(), "intake", intake))
                        .is(422)
                        .messageAt("intake.ports"))
                .contains("readings of these channels");
    }

    @Test
    void a_port_that_the_family_does_not_have_is_refused() {
        Api.Answer answer = api.put(
                        "/api/visits/" + UUID.randomUUID(), Map.of("intake", api.intake("VENNICK-B3", "C", "K")))
                .is(422);
        assertThat(answer.messageAt("intake.ports")).contains("do not belong");
    }

    @ParameterizedTest
    @CsvSource({"REPAIR, 422", "INK_CHANGE, 200", "SYSTEM_FLUSH, 200", "CHECK_OVER, 200"})
    void a_symptom_is_asked_of_a_repair_alone(String purpose, int status) {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.put("purpose", purpose);
        intake.putArray("symptoms");
        Api.Answer answer = api.put("/api/visits/" + UUID.randomUUID(), Map.of("intake", intake))
                .is(status);
        if (status == 422) {
            assertThat(answer.messageAt("intake.symptoms")).isEqualTo("Choose at least one symptom.");
        } else {
            assertThat(answer.body().path("judgement").path("causes").size()).isPositive();
        }
    }

    @Test
    void a_head_that_returns_brings_what_was_told_last_and_an_old_tag_finds_it() {
        ObjectNode told = api.intake("VENNICK-B3", "C", "M");
        told.put("printer", "Gannet 3");
        String visit = api.newVisit(told);
        String tag = api.get("/api/visits/" + visit).body().path("tag").asText();
        JsonNode known = api.get("/api/heads?serial=" + tag).is(200).body().get(0);
        assertThat(known.path("serial").asText()).isEqualTo(told.path("serial").asText());
        assertThat(known.path("last").path("printer").asText()).isEqualTo("Gannet 3");
        assertThat(known.path("last").path("ports").findValuesAsText("channel")).containsExactly("C", "M");
    }

    @Test
    void a_serial_seen_before_shows_its_head_and_cannot_be_in_the_shop_twice() {
        JsonNode head = api.get("/api/heads?serial=tt4-28817").is(200).body().get(0);
        assertThat(head.path("familyCode").asText()).isEqualTo("TARROW-T4");
        assertThat(head.path("visits")).hasSize(2);
        ObjectNode intake = api.intake("TARROW-T4", "K", "C", "M", "Y");
        intake.put("serial", "TT4-28817");
        Api.Answer answer = api.put("/api/visits/" + UUID.randomUUID(), Map.of("intake", intake))
                .is(422);
        assertThat(answer.messageAt("intake.serial")).contains("in the shop already");
    }

    @Test
    void the_second_of_two_editors_gets_both_versions() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        String id = api.newVisit(intake);
        long version = api.get("/api/visits/" + id).body().path("version").asLong();
        ObjectNode hers = intake.deepCopy().put("contact", "green door");
        ObjectNode his = intake.deepCopy().put("contact", "red door");
        api.put("/api/visits/" + id, Map.of("version", version, "intake", hers)).is(200);
        Api.Answer conflict = api.put("/api/visits/" + id, Map.of("version", version, "intake", his))
                .is(409);
        assertThat(conflict.body()
                        .path("current")
                        .path("intake")
                        .path("contact")
                        .asText())
                .isEqualTo("green door");
        assertThat(conflict.body().path("yours").path("contact").asText()).isEqualTo("red door");
        assertThat(api.get("/api/visits/" + id)
                        .body()
                        .path("intake")
                        .path("contact")
                        .asText())
                .isEqualTo("green door");
        long current = conflict.body().path("current").path("version").asLong();
        api.put("/api/visits/" + id, Map.of("version", current, "intake", his)).is(200);
    }

    @Test
    void a_change_is_kept_with_who_when_before_and_after() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        String id = api.newVisit(intake);
        api.as(Role.LEAD);
        String day = LocalDate.now().plusDays(9).toString();
        api.put(
                        "/api/visits/" + id,
                        Map.of("version", 0, "intake", intake.deepCopy().put("promisedOn", day)))
                .is(200);
        JsonNode newest = api.get("/api/visits/" + id + "/history").body().get(0);
        assertThat(newest.path("by").asText()).isEqualTo("Test LEAD");
        assertThat(newest.path("what").asText()).isEqualTo("VISIT");
        assertThat(newest.path("fields").findValuesAsText("name")).contains("promisedOn", "intake");
        JsonNode promised = java.util.stream.StreamSupport.stream(
                        newest.path("fields").spliterator(), false)
                .filter(f -> f.path("name").asText().equals("promisedOn"))
                .findFirst()
                .orElseThrow();
        assertThat(promised.path("before").asText())
                .isEqualTo(intake.path("promisedOn").asText());
        assertThat(promised.path("after").asText()).isEqualTo(day);
    }

    @Test
    void edible_ink_in_a_head_that_carried_other_ink_is_never_for_food() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.path("ports").forEach(port -> ((ObjectNode) port).put("chemistry", "EDIBLE"));
        intake.put("everNonFood", "NO");
        String food = api.newVisit(intake);
        assertThat(api.get("/api/visits/" + food).body().path("food").asText()).isEqualTo("FOOD");
        ObjectNode other = intake.deepCopy();
        other.put("serial", "T-" + UUID.randomUUID())
                .put("headId", UUID.randomUUID().toString())
                .put("everNonFood", "YES");
        assertThat(api.get("/api/visits/" + api.newVisit(other))
                        .body()
                        .path("food")
                        .asText())
                .isEqualTo("NEVER_FOOD");
    }
}
