package undoknot.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import com.fasterxml.jackson.databind.JsonNode;
import jakarta.servlet.http.Cookie;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import undoknot.server.Api;
import undoknot.server.ServerTest;

/** Changing over by PIN: at a tablet that a lead has trusted, for a few tries, and for the work of the bench alone. */
@ServerTest
class TabletTest {

    private static final String PASSWORD = "tide mill lantern cord";
    private static final String PIN = "4827";

    @Autowired
    MockMvc mvc;

    @Autowired
    Api api;

    private final String name = "t" + UUID.randomUUID().toString().substring(0, 8);
    private Cookie lead;
    private Cookie tablet;

    private MockHttpServletResponse send(MockHttpServletRequestBuilder request, Object body, Cookie... cookies)
            throws Exception {
        MockHttpServletRequestBuilder whole = request.with(csrf().asHeader());
        if (body != null) {
            whole.contentType(MediaType.APPLICATION_JSON).content(api.json.writeValueAsString(body));
        }
        for (Cookie cookie : cookies) {
            whole.cookie(cookie);
        }
        return mvc.perform(whole).andReturn().getResponse();
    }

    private Cookie made(String who, String role) throws Exception {
        String code = api.as(Role.LEAD)
                .post("/api/accounts", Map.of("name", who, "displayName", "Merryn " + who, "role", role))
                .is(200)
                .body()
                .path("code")
                .asText();
        return send(post("/api/session"), Map.of("name", who, "password", code, "chosen", PASSWORD))
                .getCookie("SESSION");
    }

    @BeforeEach
    void a_lead_trusts_the_tablet() throws Exception {
        lead = made("l" + name, "LEAD");
        tablet = send(post("/api/accounts/tablets"), Map.of("name", "Bench " + name), lead)
                .getCookie("TABLET");
    }

    private Cookie personWithPin() throws Exception {
        Cookie session = made(name, "TECHNICIAN");
        assertThat(send(put("/api/session/pin"), Map.of("present", PASSWORD, "pin", PIN), session)
                        .getStatus())
                .isEqualTo(204);
        return session;
    }

    private MockHttpServletResponse byPin(String pin, Cookie... cookies) throws Exception {
        return send(post("/api/session/pin"), Map.of("name", name, "pin", pin), cookies);
    }

    private JsonNode read(MockHttpServletResponse answer) throws Exception {
        return api.json.readTree(answer.getContentAsString());
    }

    @Test
    void the_cookie_is_for_the_server_alone() {
        assertThat(tablet.isHttpOnly()).isTrue();
        assertThat(tablet.getAttribute("SameSite")).isEqualTo("Strict");
        assertThat(tablet.getValue()).hasSize(43);
    }

    @Test
    void people_change_over_at_a_trusted_tablet_and_nowhere_else() throws Exception {
        personWithPin();
        assertThat(byPin(PIN).getStatus()).isEqualTo(404);
        assertThat(byPin(PIN, new Cookie("TABLET", "x".repeat(43))).getStatus()).isEqualTo(404);
        assertThat(send(get("/api/session/people"), null).getStatus()).isEqualTo(404);
        assertThat(send(get("/api/session/people"), null, tablet).getContentAsString())
                .contains(name);
        assertThat(read(send(get("/api/session"), null, tablet)).path("tablet").asText())
                .isEqualTo("Bench " + name);

        MockHttpServletResponse in = byPin(PIN, tablet, lead);
        assertThat(in.getStatus()).as(in.getContentAsString()).isEqualTo(200);
        assertThat(read(in).path("name").asText()).isEqualTo(name);
        assertThat(read(in).path("byPin").asBoolean()).isTrue();
        assertThat(send(get("/api/bench"), null, in.getCookie("SESSION")).getStatus())
                .isEqualTo(200);
        assertThat(send(get("/api/bench"), null, lead).getStatus())
                .as("who was there before is out")
                .isEqualTo(401);
    }

    /** Six wrong ones in a row, at whichever tablet, end the PIN; the right one does not come through any more. */
    @Test
    void wrong_tries_are_few_and_end_the_pin() throws Exception {
        personWithPin();
        for (int left = PinRule.TRIES - 1; left > 0; left--) {
            MockHttpServletResponse wrong = byPin("1793", tablet);
            assertThat(wrong.getStatus()).isEqualTo(422);
            assertThat(wrong.getContentAsString()).contains(left == 1 ? "One try is left" : left + " tries are left");
        }
        assertThat(byPin("1793", tablet).getStatus()).isEqualTo(409);
        assertThat(byPin(PIN, tablet).getContentAsString()).contains("no-pin");
        assertThat(send(get("/api/session/people"), null, tablet).getContentAsString())
                .doesNotContain(name);
    }

    @Test
    void a_right_one_makes_the_tries_free_again() throws Exception {
        personWithPin();
        for (int round = 0; round < 3; round++) {
            for (int wrong = 0; wrong < PinRule.TRIES - 1; wrong++) {
                assertThat(byPin("1793", tablet).getStatus()).isEqualTo(422);
            }
            assertThat(byPin(PIN, tablet).getStatus()).isEqualTo(200);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "0000, 422",
        "7777, 422",
        "1234, 422",
        "6789, 422",
        "7890, 422",
        "9876, 422",
        "3210, 422",
        "12, 422",
        "12345, 422",
        "48a7, 422",
        "4827, 204",
        "1357, 204",
        "0907, 204"
    })
    void what_is_tried_first_is_no_pin(String pin, int status) throws Exception {
        Cookie session = made(name, "TECHNICIAN");
        assertThat(send(put("/api/session/pin"), Map.of("present", PASSWORD, "pin", pin), session)
                        .getStatus())
                .isEqualTo(status);
    }

    @Test
    void a_pin_is_chosen_with_the_password_and_ends_with_it() throws Exception {
        Cookie session = personWithPin();
        assertThat(send(put("/api/session/pin"), Map.of("present", "not this one", "pin", "5938"), session)
                        .getContentAsString())
                .contains("present");
        Map<String, Object> change = Map.of("present", PASSWORD, "chosen", PASSWORD + " two");
        assertThat(send(put("/api/session/password"), change, session).getStatus())
                .isEqualTo(204);
        assertThat(byPin(PIN, tablet).getStatus())
                .as("whoever knew the old password may have chosen it")
                .isEqualTo(409);
    }

    @Test
    void a_pin_is_given_up() throws Exception {
        Cookie session = personWithPin();
        Map<String, Object> none = new HashMap<>(Map.of("present", PASSWORD));
        none.put("pin", null);
        assertThat(send(put("/api/session/pin"), none, session).getStatus()).isEqualTo(204);
        assertThat(byPin(PIN, tablet).getStatus()).isEqualTo(409);
    }

    @Test
    void who_is_locked_does_not_change_over() throws Exception {
        personWithPin();
        api.as(Role.LEAD)
                .put("/api/accounts/" + name + "/lock", Map.of("locked", true))
                .is(200);
        assertThat(byPin(PIN, tablet).getStatus()).isEqualTo(409);
        assertThat(send(get("/api/session/people"), null, tablet).getContentAsString())
                .doesNotContain(name);
    }

    /** Four digits are not enough for the accounts of a shop. */
    @Test
    void a_lead_by_pin_leaves_the_accounts_alone() throws Exception {
        String who = "l" + name;
        send(put("/api/session/pin"), Map.of("present", PASSWORD, "pin", PIN), lead);
        Cookie byPin = send(post("/api/session/pin"), Map.of("name", who, "pin", PIN), tablet)
                .getCookie("SESSION");
        assertThat(send(get("/api/accounts"), null, byPin).getStatus()).isEqualTo(403);
        assertThat(send(post("/api/accounts/tablets"), Map.of("name", "Another"), byPin)
                        .getStatus())
                .isEqualTo(403);
        assertThat(send(get("/api/house-rules"), null, byPin).getStatus()).isEqualTo(200);
    }

    @Test
    void a_lead_ends_the_trust_from_anywhere() throws Exception {
        personWithPin();
        JsonNode tablets = read(send(get("/api/accounts/tablets"), null, lead, tablet));
        JsonNode here = null;
        for (JsonNode one : tablets) {
            here = one.path("name").asText().equals("Bench " + name) ? one : here;
        }
        assertThat(here.path("here").asBoolean()).isTrue();
        assertThat(send(delete("/api/accounts/tablets/" + here.path("id").asText()), null, lead)
                        .getStatus())
                .isEqualTo(204);
        assertThat(byPin(PIN, tablet).getStatus()).isEqualTo(404);
    }

    @Test
    void a_technician_trusts_no_tablet() {
        api.as(Role.TECHNICIAN)
                .post("/api/accounts/tablets", Map.of("name", "Mine"))
                .is(403);
    }
}
