package undoknot.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;

@ServerTest
class SessionTest {

    @Autowired
    MockMvc mvc;

    @Autowired
    Api api;

    @Autowired
    AppUsers users;

    @Autowired
    Somebody somebody;

    @Autowired
    MovableClock clock;

    private static final String HERE = "192.0.2.1";

    private ResultActions signIn(String name, String password) throws Exception {
        return somebody.signsIn(name, password, "127.0.0.1");
    }

    @Test
    void a_session_is_kept_in_the_database_and_ends() throws Exception {
        Cookie session = signIn(somebody.newUser(), "right")
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getCookie("SESSION");
        assertThat(session.isHttpOnly()).isTrue();
        mvc.perform(get("/api/session").cookie(session))
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.role").value("TECHNICIAN"));
        mvc.perform(delete("/api/session").cookie(session).with(csrf().asHeader()))
                .andExpect(status().isNoContent());
        mvc.perform(get("/api/session").cookie(session)).andExpect(status().isUnauthorized());
    }

    @Test
    void wrong_tries_cost_a_growing_wait_that_is_of_this_address_alone() throws Exception {
        String name = somebody.newUser();
        for (int i = 0; i < 4; i++) {
            somebody.signsIn(name, "wrong", HERE).andExpect(status().isUnauthorized());
        }
        somebody.signsIn(name, "wrong", HERE)
                .andExpect(status().isTooManyRequests())
                .andExpect(jsonPath("$.detail", containsString("Wait 15 seconds")))
                .andExpect(jsonPath("$.waitUntil").exists());
        somebody.signsIn(name, "right", HERE).andExpect(status().isTooManyRequests());
        // Whoever tried elsewhere keeps nobody out of the own account.
        somebody.signsIn(name, "right", "192.0.2.9").andExpect(status().isOk());
        clock.forward(Duration.ofSeconds(16));
        somebody.signsIn(name, "wrong", HERE)
                .andExpect(status().isTooManyRequests())
                .andExpect(jsonPath("$.detail", containsString("Wait 30 seconds")));
        clock.forward(Duration.ofSeconds(31));
        somebody.signsIn(name, "right", HERE).andExpect(status().isOk());
    }

    @Test
    void a_name_that_nobody_has_waits_as_well() throws Exception {
        String nobody = "nobody-" + UUID.randomUUID();
        for (int i = 0; i < 4; i++) {
            somebody.signsIn(nobody, "wrong", "192.0.2.10").andExpect(status().isUnauthorized());
        }
        somebody.signsIn(nobody, "wrong", "192.0.2.10")
                .andExpect(status().isTooManyRequests())
                .andExpect(jsonPath("$.detail", containsString("Wait 15 seconds")));
    }

    /** Four are free, then 15 s, doubled up to a quarter of an hour. */
    @ParameterizedTest
    @CsvSource({"1, 0", "4, 0", "5, 15", "6, 30", "7, 60", "10, 480", "11, 900", "12, 900", "400, 900"})
    void the_wait_grows(int wrong, int seconds) {
        assertThat(WrongTries.waitAfter(wrong, 4, WrongTries.LONGEST_WAIT)).isEqualTo(Duration.ofSeconds(seconds));
    }

    @Test
    void a_right_try_forgets_the_wrong_ones() throws Exception {
        String name = somebody.newUser();
        for (int round = 0; round < 2; round++) {
            for (int i = 0; i < 4; i++) {
                signIn(name, "wrong").andExpect(status().isUnauthorized());
            }
            signIn(name, "right").andExpect(status().isOk());
        }
    }

    @Test
    void passwords_are_kept_hashed_and_an_unknown_name_tells_nothing() throws Exception {
        String name = somebody.newUser();
        assertThat(users.findByName(name))
                .isPresent()
                .get()
                .satisfies(
                        u -> assertThat(u.passwordHash).startsWith("{bcrypt}").doesNotContain("right"));
        String known = signIn(name, "wrong").andReturn().getResponse().getContentAsString();
        String unknown =
                signIn("nobody-" + name, "wrong").andReturn().getResponse().getContentAsString();
        assertThat(unknown).isEqualTo(known);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/bench",
                "/api/lots",
                "/api/families",
                "/api/drafts",
                "/api/visits/00000000-0000-0000-0000-000000000000",
                "/v3/api-docs",
                "/api/anything",
                "/actuator/env"
            })
    void every_path_wants_a_session(String path) throws Exception {
        mvc.perform(get(path))
                .andExpect(status().isUnauthorized())
                .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
                .andExpect(jsonPath("$.type").value("urn:undoknot:problem:no-session"));
    }

    @Test
    void health_is_open_and_every_answer_carries_its_headers() throws Exception {
        mvc.perform(get("/actuator/health")).andExpect(status().isOk());
        mvc.perform(get("/"))
                .andExpect(header().string("Content-Security-Policy", containsString("script-src 'self';")))
                .andExpect(header().string("X-Content-Type-Options", "nosniff"))
                .andExpect(header().string("Referrer-Policy", "same-origin"));
    }

    @Test
    void a_write_without_the_token_is_refused() throws Exception {
        mvc.perform(post("/api/session").contentType(MediaType.APPLICATION_JSON).content("{}"))
                .andExpect(status().isForbidden())
                .andExpect(jsonPath("$.type").value("urn:undoknot:problem:stale-page"));
    }

    @Test
    void an_observer_reads_only_and_a_technician_sets_no_prices() {
        api.as(Role.OBSERVER).get("/api/bench").is(200);
        String type = "urn:undoknot:problem:not-allowed";
        assertThat(api.put("/api/visits/" + UUID.randomUUID(), Map.of())
                        .is(403)
                        .body()
                        .path("type")
                        .asText())
                .isEqualTo(type);
        assertThat(api.put("/api/drafts/x", Map.of("content", "{}"))
                        .is(403)
                        .body()
                        .path("type")
                        .asText())
                .isEqualTo(type);
        api.post("/api/nozzles/spoken", Map.of("text", "1", "size", 2)).is(200);
        // A technician opens a bottle; what stands on the shelf, and the families, are for a lead to change.
        assertThat(api.as(Role.TECHNICIAN)
                        .put("/api/lots/" + UUID.randomUUID(), Map.of())
                        .is(422)
                        .messageAt("name"))
                .contains("Enter the name");
        String lot = api.lotOf("AQUEOUS_CLEANER", 80);
        Map<String, Object> corrected = Map.of(
                "version",
                0,
                "name",
                "Other",
                "kind",
                "AQUEOUS_CLEANER",
                "maker",
                "Nobody",
                "lotCode",
                "X",
                "foodSafe",
                false,
                "bottleMl",
                100,
                "remainingMl",
                50,
                "price",
                1);
        api.put("/api/lots/" + lot, corrected).is(403);
        api.as(Role.LEAD).put("/api/lots/" + lot, corrected).is(200);
        api.as(Role.TECHNICIAN).put("/api/families/NEW-1", Map.of()).is(403);
        assertThat(List.of(Role.values())).hasSize(3);
    }
}
