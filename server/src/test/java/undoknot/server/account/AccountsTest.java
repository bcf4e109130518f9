package undoknot.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import com.fasterxml.jackson.databind.JsonNode;
import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;

/** What a lead does to accounts, and what it does to those who are signed in. */
@ServerTest
class AccountsTest {

    private static final String PASSWORD = "tide mill lantern cord";

    @Autowired
    MockMvc mvc;

    @Autowired
    Api api;

    @Autowired
    MovableClock clock;

    @Autowired
    Accounts accounts;

    @Autowired
    JdbcTemplate jdbc;

    private final String name = "p" + UUID.randomUUID().toString().substring(0, 8);

    private MockHttpServletResponse signIn(Map<String, String> body) throws Exception {
        return mvc.perform(post("/api/session")
                        .with(csrf().asHeader())
                        .with(request -> {
                            request.setRemoteAddr("192.0.2." + name.hashCode() % 200);
                            return request;
                        })
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(api.json.writeValueAsString(body)))
                .andReturn()
                .getResponse();
    }

    private String added(String role) {
        return api.as(Role.LEAD)
                .post("/api/accounts", Map.of("name", name, "displayName", "Pascoe Hind", "role", role))
                .is(200)
                .body()
                .path("code")
                .asText();
    }

    private Cookie signedIn(String role) throws Exception {
        String code = added(role);
        MockHttpServletResponse in = signIn(Map.of("name", name, "password", code, "chosen", PASSWORD));
        assertThat(in.getStatus()).as(in.getContentAsString()).isEqualTo(200);
        return in.getCookie("SESSION");
    }

    private int bench(Cookie session) throws Exception {
        return mvc.perform(get("/api/bench").cookie(session))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    @Test
    void a_code_opens_the_choice_of_a_password_once_and_nothing_else() throws Exception {
        String code = added("TECHNICIAN");
        MockHttpServletResponse asked =
                signIn(Map.of("name", name, "password", code.toLowerCase().replace("-", " ")));
        assertThat(asked.getStatus()).isEqualTo(409);
        assertThat(asked.getContentAsString()).contains("choose-password");
        assertThat(asked.getCookie("SESSION")).isNull();
        assertThat(signIn(Map.of("name", name, "password", code, "chosen", "password123"))
                        .getStatus())
                .isEqualTo(422);
        assertThat(signIn(Map.of("name", name, "password", code, "chosen", PASSWORD))
                        .getStatus())
                .isEqualTo(200);
        assertThat(signIn(Map.of("name", name, "password", code, "chosen", PASSWORD + "x"))
                        .getStatus())
                .isEqualTo(401);
        assertThat(signIn(Map.of("name", name, "password", PASSWORD)).getStatus())
                .isEqualTo(200);
    }

    /** Whoever saw the old password and came in with it is out. */
    @Test
    void a_new_password_ends_the_other_sessions_of_that_person() throws Exception {
        Cookie own = signedIn("TECHNICIAN");
        Cookie elsewhere = signIn(Map.of("name", name, "password", PASSWORD)).getCookie("SESSION");
        assertThat(bench(elsewhere)).isEqualTo(200);
        int changed = mvc.perform(put("/api/session/password")
                        .with(csrf().asHeader())
                        .cookie(own)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(api.json.writeValueAsString(Map.of("present", PASSWORD, "chosen", PASSWORD + "-new"))))
                .andReturn()
                .getResponse()
                .getStatus();
        assertThat(changed).isEqualTo(204);
        assertThat(bench(own)).isEqualTo(200);
        assertThat(bench(elsewhere)).isEqualTo(401);
    }

    @Test
    void a_code_ends_after_three_days() throws Exception {
        String code = added("TECHNICIAN");
        String until = api.get("/api/accounts").body().findParents("codeUntil").stream()
                .filter(a -> a.path("name").asText().equals(name))
                .findFirst()
                .orElseThrow()
                .path("codeUntil")
                .asText();
        assertThat(Duration.between(clock.instant(), java.time.Instant.parse(until)))
                .isBetween(Duration.ofHours(71), Duration.ofHours(72));
        assertThat(code).matches("([A-HJ-NP-Z2-9]{4}-){2}[A-HJ-NP-Z2-9]{4}");
    }

    @ParameterizedTest
    @CsvSource({"short one, at least 10", "passwordpassword, first that are tried", "qwertyuiop, first that are tried"})
    void what_is_tried_first_is_no_password(String chosen, String message) throws Exception {
        String code = added("TECHNICIAN");
        MockHttpServletResponse answer = signIn(Map.of("name", name, "password", code, "chosen", chosen));
        JsonNode problem = api.json.readTree(answer.getContentAsString());
        assertThat(new Api.Answer(answer.getStatus(), problem).is(422).messageAt("chosen"))
                .contains(message);
    }

    @Test
    void who_is_locked_is_out_at_once_and_gets_in_when_a_lead_opens() throws Exception {
        Cookie session = signedIn("TECHNICIAN");
        assertThat(bench(session)).isEqualTo(200);
        api.as(Role.LEAD)
                .put("/api/accounts/" + name + "/lock", Map.of("locked", true))
                .is(200);
        assertThat(bench(session)).isEqualTo(401);
        assertThat(signIn(Map.of("name", name, "password", PASSWORD)).getStatus())
                .isEqualTo(403);
        api.put("/api/accounts/" + name + "/lock", Map.of("locked", false)).is(200);
        assertThat(signIn(Map.of("name", name, "password", PASSWORD)).getStatus())
                .isEqualTo(200);
    }

    @Test
    void a_sign_in_in_the_very_moment_of_a_lock_keeps_no_session() throws Exception {
        Cookie session = signedIn("TECHNICIAN");
        MockHttpServletRequest request = new MockHttpServletRequest();
        new SignInAgainstLock(accounts).doFilter(request, new MockHttpServletResponse(), (asked, answered) -> {
            SignInAgainstLock.began(request, new SignedIn(name, "Pascoe Hind", Role.TECHNICIAN));
            // The lead's lock ended all sessions that were written; this one is written after it.
            jdbc.update("update app_user set locked = true where name = ?", name);
        });
        assertThat(bench(session)).isEqualTo(401);
    }

    @Test
    void a_sign_in_that_nobody_crossed_stands() throws Exception {
        Cookie session = signedIn("TECHNICIAN");
        MockHttpServletRequest request = new MockHttpServletRequest();
        new SignInAgainstLock(accounts)
                .doFilter(
                        request,
                        new MockHttpServletResponse(),
                        (asked, answered) ->
                                SignInAgainstLock.began(request, new SignedIn(name, "Pascoe Hind", Role.TECHNICIAN)));
        assertThat(bench(session)).isEqualTo(200);
    }

    @Test
    void another_role_and_the_end_everywhere_sign_out() throws Exception {
        Cookie session = signedIn("TECHNICIAN");
        api.as(Role.LEAD)
                .put("/api/accounts/" + name, Map.of("displayName", "Pascoe Hind", "role", "OBSERVER"))
                .is(200);
        assertThat(bench(session)).isEqualTo(401);
        Cookie again = signIn(Map.of("name", name, "password", PASSWORD)).getCookie("SESSION");
        api.raw(org.springframework.http.HttpMethod.DELETE, "/api/accounts/" + name + "/sessions", null);
        assertThat(bench(again)).isEqualTo(401);
        assertThat(api.get("/api/accounts/log").body().findValuesAsText("what"))
                .contains("ADDED", "CODE_USED", "CHANGED", "ENDED_EVERYWHERE", "SIGNED_IN");
    }

    @Test
    void a_person_changes_the_own_password_who_knows_the_present_one() throws Exception {
        Cookie session = signedIn("OBSERVER");
        assertThat(change(session, "not it", "rope walk under elms").getContentAsString())
                .contains("This is not your password");
        assertThat(change(session, PASSWORD, "rope walk under elms").getStatus())
                .isEqualTo(204);
        assertThat(signIn(Map.of("name", name, "password", PASSWORD)).getStatus())
                .isEqualTo(401);
        assertThat(signIn(Map.of("name", name, "password", "rope walk under elms"))
                        .getStatus())
                .isEqualTo(200);
    }

    private MockHttpServletResponse change(Cookie session, String present, String chosen) throws Exception {
        return mvc.perform(put("/api/session/password")
                        .cookie(session)
                        .with(csrf().asHeader())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(api.json.writeValueAsString(Map.of("present", present, "chosen", chosen))))
                .andReturn()
                .getResponse();
    }

    /** The demo has one lead, oswin. */
    @Test
    void the_last_lead_stays_one_and_stays_open() {
        api.as(Role.LEAD);
        assertThat(api.put("/api/accounts/oswin/lock", Map.of("locked", true))
                        .is(409)
                        .body()
                        .path("detail")
                        .asText())
                .startsWith("This is the only lead");
        api.put("/api/accounts/oswin", Map.of("displayName", "Oswin Pell", "role", "TECHNICIAN"))
                .is(409);
    }

    @ParameterizedTest
    @CsvSource({"TECHNICIAN", "OBSERVER"})
    void accounts_are_for_a_lead(Role role) {
        api.as(role).get("/api/accounts").is(403);
        api.get("/api/accounts/log").is(403);
        api.post("/api/accounts", Map.of("name", name, "displayName", "X", "role", "LEAD"))
                .is(403);
        api.put("/api/accounts/oswin/lock", Map.of("locked", true)).is(403);
        api.post("/api/accounts/oswin/code", Map.of()).is(403);
    }

    /** The shop of the tests is none that is empty. */
    @Test
    void no_first_account_is_made_where_there_are_some() {
        api.post(
                        "/api/session/first",
                        Map.of("code", "AAAA-BBBB-CCCC", "name", name, "displayName", "X", "password", PASSWORD))
                .is(401);
    }
}
