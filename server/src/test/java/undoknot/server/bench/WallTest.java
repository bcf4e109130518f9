package undoknot.server.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** The board on a wall: what its link opens, what it shows, and when it ends. */
@ServerTest
class WallTest {

    @Autowired
    MockMvc mvc;

    @Autowired
    Api api;

    @Autowired
    JdbcTemplate jdbc;

    private JsonNode link;

    @BeforeEach
    void link() {
        link = api.as(Role.LEAD)
                .post("/api/accounts/wall-links", Map.of("name", "Over the sink", "days", 30))
                .is(200)
                .body();
    }

    private MockHttpServletResponse wall(String rest) throws Exception {
        return mvc.perform(get("/api" + link.path("path").asText() + rest))
                .andReturn()
                .getResponse();
    }

    @Test
    void it_shows_tags_and_what_is_next_and_no_customer_and_no_person() throws Exception {
        String visit = api.as(Role.TECHNICIAN).newVisit();
        api.put("/api/visits/" + visit + "/hand", Map.of()).is(200);
        JsonNode shown = api.get("/api/visits/" + visit).body();
        MockHttpServletResponse board = wall("");
        assertThat(board.getStatus()).isEqualTo(200);
        assertThat(board.getContentAsString())
                .contains(shown.path("tag").asText(), "FIRST_CHECK")
                .doesNotContain(
                        visit,
                        shown.at("/intake/customerName").asText(),
                        shown.at("/intake/serial").asText(),
                        shown.at("/inHand/person").asText());
    }

    @Test
    void it_ends_with_its_time_and_when_a_lead_ends_it() throws Exception {
        jdbc.update(
                "update wall_link set until_at = made_at where id = ?",
                java.util.UUID.fromString(link.path("id").asText()));
        assertThat(wall("").getStatus()).isEqualTo(404);
        assertThat(wall("").getContentAsString()).contains("link has ended");
        assertThat(wall("/changes").getStatus()).isEqualTo(404);
        link();
        assertThat(wall("").getStatus()).isEqualTo(200);
        api.raw(HttpMethod.DELETE, "/api/accounts/wall-links/" + link.path("id").asText(), null);
        assertThat(wall("").getStatus()).isEqualTo(404);
        assertThat(api.get("/api/accounts/wall-links").body().toString())
                .as("the secret is told once")
                .doesNotContain("/wall/");
    }

    @Test
    void it_hears_that_something_changed_and_no_key() throws Exception {
        var page = mvc.perform(get("/api" + link.path("path").asText() + "/changes"))
                .andReturn();
        assertThat(page.getResponse().getContentAsString()).startsWith("event:beat");
    }

    @Test
    void a_made_up_link_opens_nothing() throws Exception {
        assertThat(mvc.perform(get("/api/wall/abcdef"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
        assertThat(mvc.perform(get("/api/bench")).andReturn().getResponse().getStatus())
                .isEqualTo(401);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 367})
    void a_link_has_an_end_that_is_near_enough(int days) {
        assertThat(api.post("/api/accounts/wall-links", Map.of("name", "Door", "days", days))
                        .is(422)
                        .messageAt("days"))
                .contains("day");
    }

    @Test
    void only_a_lead_makes_one() {
        assertThat(api.as(Role.TECHNICIAN)
                        .post("/api/accounts/wall-links", Map.of("name", "Door", "days", 3))
                        .status())
                .isEqualTo(403);
    }
}
