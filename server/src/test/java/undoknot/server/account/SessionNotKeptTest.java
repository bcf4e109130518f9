package undoknot.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.util.Base64;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionTemplate;
import undoknot.server.ServerTest;

/** The record goes away between the work and its answer, where the session is kept: whatever the answer was, it is try again. */
@ServerTest
class SessionNotKeptTest {

    @Autowired
    MockMvc mvc;

    @Autowired
    Somebody somebody;

    @Autowired
    JdbcTemplate jdbc;

    @Autowired
    TransactionTemplate transactions;

    private MockHttpServletResponse ask(HttpMethod method, String address, Cookie session) {
        try {
            return mvc.perform(request(method, address)
                            .cookie(session)
                            .with(csrf().asHeader())
                            .contentType(MediaType.APPLICATION_JSON)
                            .content("{"))
                    .andReturn()
                    .getResponse();
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    /** Ends every connection that is about to keep this session, as a database does that dies there. */
    private int cutOff(String session) {
        int cut = 0;
        for (Long connection : jdbc.queryForList(
                "select id from information_schema.processlist where info like ? and id <> connection_id()",
                Long.class,
                "UPDATE SPRING_SESSION%" + session + "%")) {
            try {
                jdbc.execute("kill " + connection);
                cut++;
            } catch (DataAccessException gone) {
                // It ended between the look and the cut.
                assertThat(gone).hasStackTraceContaining("Unknown thread id");
            }
        }
        return cut;
    }

    /** The record comes back after the first cut, or stays away as long as anything is asked of it. */
    @ParameterizedTest(name = "{0} {1}, otherwise {2}; stays away: {3}")
    @CsvSource({
        "GET, /api/session, 200, false",
        "GET, /api/session, 200, true",
        "GET, /api/visits/00000000-0000-0000-0000-000000000000, 404, false",
        "GET, /api/visits/00000000-0000-0000-0000-000000000000, 404, true",
        "PUT, /api/visits/00000000-0000-0000-0000-000000000000, 400, false",
        "PUT, /api/visits/00000000-0000-0000-0000-000000000000, 400, true",
        "DELETE, /api/bench, 405, false",
        "DELETE, /api/bench, 405, true",
        "GET, /api/nothing-here, 404, false",
        "GET, /api/nothing-here, 404, true",
    })
    void gone_when_the_session_is_kept_it_is_try_again(
            HttpMethod method, String address, int otherwise, boolean staysAway) throws Exception {
        Cookie session = somebody.signedIn();
        assertThat(ask(method, address, session).getStatus()).isEqualTo(otherwise);
        String id = new String(Base64.getDecoder().decode(session.getValue()));
        CompletableFuture<MockHttpServletResponse> asked = new CompletableFuture<>();
        transactions.executeWithoutResult(held -> {
            jdbc.queryForList("select primary_id from SPRING_SESSION where session_id = ? for update", id);
            asked.completeAsync(() -> ask(method, address, session));
            int[] cuts = {0};
            await().atMost(Duration.ofSeconds(20)).until(() -> {
                cuts[0] += cutOff(id);
                return staysAway ? asked.isDone() : cuts[0] > 0;
            });
            assertThat(cuts[0]).isPositive();
        });
        MockHttpServletResponse answer = asked.get();
        assertThat(answer.getStatus()).isEqualTo(503);
        assertThat(answer.getContentType()).startsWith(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        assertThat(answer.getHeader("Retry-After")).isNotNull();
        assertThat(ask(method, address, session).getStatus()).isEqualTo(otherwise);
    }
}
