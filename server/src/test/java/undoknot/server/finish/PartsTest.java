package undoknot.server.finish;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** What comes off goes back, all of it, before anything is finished (handbook 14). */
@ServerTest
class PartsTest {

    @Autowired
    Api api;

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

    private static Map<String, Object> part(String kind, String name, int count, String channel) {
        Map<String, Object> body = new HashMap<>(Map.of("kind", kind, "name", name, "count", count));
        if (channel != null) {
            body.put("channel", channel);
        }
        return body;
    }

    private String off(String kind, String name, int count, String channel) {
        String id = UUID.randomUUID().toString();
        api.put(path("/parts/" + id), part(kind, name, count, channel)).is(200);
        return id;
    }

    private Api.Answer back(String id, Map<String, ?> how) {
        return api.put(path("/parts/" + id + "/back"), how);
    }

    private Api.Answer giveBack() {
        return api.put(
                path("/return"),
                Map.of(
                        "version",
                        now().path("version").asLong(),
                        "outcome",
                        "STOPPED_FOR_COST",
                        "reason",
                        "",
                        "signedBy",
                        "Test hand"));
    }

    @Test
    void the_list_goes_back_in_reverse_and_nothing_is_finished_while_something_is_off() {
        String cover = off("PART", "cover", 1, null);
        String screws = off("SCREW", "screws", 4, null);
        JsonNode finish = now().path("finish");
        assertThat(finish.at("/back/0").asText()).isEqualTo(screws);
        assertThat(finish.at("/back/1").asText()).isEqualTo(cover);
        back(screws, Map.of("count", 3)).is(200);
        back(cover, Map.of("count", 1)).is(200);
        assertThat(giveBack().is(422).messageAt("outcome")).contains("Still off: screws");
        assertThat(back(screws, Map.of("count", 5)).is(422).messageAt("count")).contains("Only 4 came off");
        back(screws, Map.of("count", 4)).is(200);
        assertThat(now().at("/finish/back")).isEmpty();
        giveBack().is(200);
        assertThat(off409("PART", "lid")).isEqualTo(409);
    }

    private int off409(String kind, String name) {
        return api.put(path("/parts/" + UUID.randomUUID()), part(kind, name, 1, null))
                .status();
    }

    /** A reason overrules a doubt, and not a part that is off: that one says where it stays. */
    @Test
    void what_does_not_go_back_says_why() {
        String ring = off("SEAL", "O-ring", 1, null);
        assertThat(back(ring, Map.of("count", 0, "stays", true)).is(422).messageAt("note"))
                .contains("Say why");
        back(ring, Map.of("count", 0, "stays", true, "note", "torn; a new one is in"))
                .is(200);
        giveBack().is(200);
        assertThat(api.get(path("/report")).body().at("/record/offParts/0").asText())
                .isEqualTo("O-ring: stays off, torn; a new one is in");
    }

    @ParameterizedTest
    @CsvSource({
        "true, true, false, false",
        "true, false, true, true",
        "false, true, true, true",
        "false, false, true, false",
    })
    void a_cartridge_is_in_when_light_and_menu_agree(boolean light, boolean menu, boolean open, boolean dispute) {
        String cartridge = off("CARTRIDGE", "cartridge", 1, "C");
        back(cartridge, Map.of("count", 1, "light", light, "menu", menu)).is(200);
        JsonNode part = now().at("/finish/parts/0");
        assertThat(part.path("open").asBoolean()).isEqualTo(open);
        assertThat(part.path("inDispute").asBoolean()).isEqualTo(dispute);
    }

    @Test
    void a_cartridge_says_whose_it_is() {
        assertThat(api.put(path("/parts/" + UUID.randomUUID()), part("CARTRIDGE", "cartridge", 1, null))
                        .is(422)
                        .messageAt("channel"))
                .contains("whose port");
        assertThat(api.put(path("/parts/" + UUID.randomUUID()), part("TUBE", "tube", 1, "Q"))
                        .is(422)
                        .messageAt("channel"))
                .contains("whose port");
    }

    /** A ribbon that is off, or a sheet laid in, keeps everything that needs the mains away, by every path. */
    @ParameterizedTest
    @CsvSource({"RIBBON, CABLE_OFF, CABLE_NOT_BACK", "LAID_IN, LAID_IN, STILL_LAID_IN"})
    void what_is_off_or_laid_in_keeps_the_head_from_power(String kind, String reason, String gate) {
        String id = off(kind, "the thing", 1, null);
        assertThat(now().at("/head/keptFrom/0/reason").asText()).isEqualTo(reason);
        assertThat(now().at("/next/action").asText()).isEqualTo("REFIT");
        Map<String, Object> cycle = Map.of(
                "treatment",
                Map.of(
                        "kind",
                        "CYCLE",
                        "cycle",
                        Map.of("channels", new String[] {"C"}, "strength", "LIGHT", "count", 1)));
        for (Api.Answer refused : new Api.Answer[] {
            api.put(path("/attempts/" + UUID.randomUUID()), cycle),
            api.put(path("/checks/" + UUID.randomUUID()), Map.of("reading", api.reading(3))),
            api.put(path("/findings/" + UUID.randomUUID()), Map.of("sign", "ERRORS_NONE")),
        }) {
            assertThat(refused.is(422).body().at("/gates/0/code").asText()).isEqualTo(gate);
        }
        assertThat(api.put(path("/parts/" + id), part("PART", "called otherwise", 1, null))
                        .status())
                .as("called something else")
                .isEqualTo(403);
        assertThat(api.put(path("/parts/" + id + "/withdrawal"), Map.of()).status())
                .as("taken back by a technician")
                .isEqualTo(403);
        back(id, Map.of("count", 1)).is(200);
        assertThat(now().at("/head/keptFrom")).isEmpty();
        api.put(path("/attempts/" + UUID.randomUUID()), cycle).is(200);
        back(id, Map.of("count", 0)).is(200);
        assertThat(now().at("/head/keptFrom/0/reason").asText())
                .as("off after all")
                .isEqualTo(reason);
    }

    @Test
    void a_photo_stays_with_the_thing_and_an_entry_sent_twice_is_one() throws Exception {
        String id = off("SEAL", "gasket", 1, null);
        api.put(path("/parts/" + id), part("SEAL", "gasket", 1, null)).is(200);
        assertThat(now().at("/finish/parts")).hasSize(1);
        assertThat(api.send(HttpMethod.PUT, path("/parts/" + id + "/photo"), "a.txt", "text".getBytes(), Map.of())
                        .is(422)
                        .messageAt("image"))
                .contains("JPEG or PNG");
        assertThat(api.sendRaw(HttpMethod.PUT, path("/parts/" + id + "/photo"), "a.png", Api.photo(), Map.of())
                        .getStatus())
                .isEqualTo(200);
        assertThat(now().at("/finish/parts/0/hasPhoto").asBoolean()).isTrue();
        assertThat(api.raw(HttpMethod.GET, path("/parts/" + id + "/photo"), null)
                        .getContentAsByteArray())
                .startsWith(0xff, 0xd8);
        String other = visit;
        visit = api.newVisit();
        api.put(path("/parts/" + id), part("SEAL", "gasket", 1, null)).is(404);
        visit = other;
        api.put(path("/parts/" + id + "/withdrawal"), Map.of()).is(200);
        assertThat(now().at("/finish/back")).isEmpty();
        assertThat(api.get(path("/history")).body().findValuesAsText("what")).contains("PART");
    }
}
