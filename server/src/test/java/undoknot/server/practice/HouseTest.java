package undoknot.server.practice;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class HouseTest {

    @Autowired
    Api api;

    @BeforeEach
    void asLead() {
        api.as(Role.LEAD);
    }

    /** Other tests go by the rules that a new shop starts from; a book is never taken away, so another one follows. */
    @AfterEach
    void startAgain() {
        api.as(Role.LEAD);
        ObjectNode entry = change();
        entry.set("book", api.json.valueToTree(HouseBook.START));
        send(entry).is(200);
        api.as(Role.TECHNICIAN);
    }

    private ObjectNode change() {
        JsonNode now = api.get("/api/house-rules").is(200).body();
        ObjectNode entry = api.json.createObjectNode();
        entry.put("number", now.path("number").asInt()).put("why", "a bladder burst last week");
        entry.set("book", now.path("book").deepCopy());
        return entry;
    }

    private Api.Answer send(ObjectNode entry) {
        return api.put("/api/house-rules/" + UUID.randomUUID(), entry);
    }

    private static ObjectNode in(ObjectNode entry, String part) {
        return (ObjectNode) entry.path("book").path(part);
    }

    @Test
    void every_change_is_kept_with_who_and_why_and_open_visits_keep_their_rules() {
        String before = api.newVisit();
        ObjectNode entry = change();
        in(entry, "answers").put("CYCLES_FIRST", "NONE");
        JsonNode after = send(entry).is(200).body();
        assertThat(after.path("number").asInt()).isEqualTo(entry.path("number").asInt() + 1);
        assertThat(after.path("changes").get(0).path("why").asText()).isEqualTo("a bladder burst last week");
        assertThat(after.path("changes").get(0).path("madeBy").asText()).isEqualTo("Test LEAD");

        String later = api.newVisit();
        assertThat(answer(before)).isEqualTo("UP_TO_THREE");
        assertThat(answer(later)).isEqualTo("NONE");
        api.put("/api/visits/" + before + "/house-rules", api.json.createObjectNode())
                .is(200);
        assertThat(answer(before)).isEqualTo("NONE");
    }

    private String answer(String visit) {
        return api.get("/api/visits/" + visit + "/judgement")
                .is(200)
                .body()
                .path("houseAnswers")
                .path("CYCLES_FIRST")
                .asText();
    }

    @Test
    void limits_hold_for_every_head_at_once() {
        String visit = api.newVisit();
        ObjectNode entry = change();
        ObjectNode limits = api.get("/api/visits/" + visit)
                .body()
                .path("family")
                .path("limits")
                .deepCopy();
        limits.remove("pushKpa");
        in(entry, "limits").set("VENNICK-B3", limits);
        send(entry).is(200);
        assertThat(api.get("/api/visits/" + visit)
                        .body()
                        .path("family")
                        .path("limits")
                        .has("pushKpa"))
                .isFalse();
    }

    @Test
    void priors_of_a_family_move_its_ranking() {
        ObjectNode entry = change();
        in(entry, "priors").putObject("VENNICK-B3").put("FACE_DEBRIS", 0.9);
        send(entry).is(200);
        JsonNode first = api.get("/api/visits/" + api.newVisit() + "/judgement")
                .body()
                .path("causes")
                .get(0);
        assertThat(first.path("cause").asText()).isEqualTo("FACE_DEBRIS");
    }

    @Test
    void only_a_lead_changes_them_and_nonsense_is_refused_at_its_place() {
        ObjectNode entry = change();
        entry.put("why", "");
        assertThat(send(entry).is(422).messageAt("why")).contains("why");
        entry = change();
        in(entry, "answers").put("HOLD", "A_WEEK");
        assertThat(send(entry).is(422).messageAt("book.answers.HOLD")).contains("schools");
        entry = change();
        in(entry, "priors").putObject("VENNICK-B3").put("AIR", 1.5);
        assertThat(send(entry).is(422).messageAt("book.priors.VENNICK-B3.AIR")).contains("100 %");
        entry = change();
        in(entry, "limits")
                .putObject("VENNICK-B3")
                .put("pushKpa", 900)
                .put("submerge", "NO")
                .put("bath", "NO")
                .put("rinse", false)
                .put("steam", false)
                .put("heatC", 50)
                .put("removable", "YES");
        assertThat(send(entry).is(422).messageAt("book.limits.VENNICK-B3.pushKpa"))
                .contains("200 kPa");
        // Null is not "no limit": each limit is said, or the entry is refused.
        for (String limit : java.util.List.of("submerge", "bath", "removable", "heatC")) {
            ObjectNode hole = change();
            in(hole, "limits")
                    .putObject("VENNICK-B3")
                    .put("submerge", "NO")
                    .put("bath", "NO")
                    .put("rinse", false)
                    .put("steam", false)
                    .put("heatC", 50)
                    .put("removable", "YES")
                    .putNull(limit);
            Api.Answer refused = send(hole);
            assertThat(refused.status()).as(limit).isIn(400, 422);
            assertThat(refused.body().at("/errors/0/field").asText()).startsWith("book.limits.VENNICK-B3");
        }
        api.as(Role.TECHNICIAN);
        send(change()).is(403);
        api.put("/api/visits/" + api.newVisit() + "/house-rules", api.json.createObjectNode())
                .is(403);
    }

    @Test
    void two_leads_at_once_do_not_overwrite_one_another() {
        ObjectNode one = change();
        ObjectNode other = change();
        in(one, "answers").put("HOLD", "A_DAY");
        in(other, "answers").put("HOLD", "OVERNIGHT");
        send(one).is(200);
        assertThat(send(other)
                        .is(409)
                        .body()
                        .path("current")
                        .path("answers")
                        .path("HOLD")
                        .asText())
                .isEqualTo("A_DAY");
    }
}
