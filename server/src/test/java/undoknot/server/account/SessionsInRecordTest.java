package undoknot.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import undoknot.server.ServerTest;

/** What a session costs the record, and when it ends though it is kept to the minute. */
@ServerTest
class SessionsInRecordTest {

    private static final int LOOKS = 5;

    @Autowired
    MockMvc mvc;

    @Autowired
    Somebody somebody;

    @Autowired
    JdbcTemplate jdbc;

    @Autowired
    @Qualifier("springSessionTransactionOperations")
    TransactionOperations ofSessions;

    @Autowired
    TransactionOperations ofAllElse;

    private Cookie session;
    private String id;

    @BeforeEach
    void sign_in() throws Exception {
        session = somebody.signedIn();
        id = new String(Base64.getDecoder().decode(session.getValue()));
    }

    private int look() throws Exception {
        return mvc.perform(get("/api/session").cookie(session))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    private Instant kept(String column) {
        return Instant.ofEpochMilli(
                jdbc.queryForObject("select " + column + " from SPRING_SESSION where session_id = ?", Long.class, id));
    }

    @Test
    void a_look_leaves_the_row_as_it_is_but_for_a_new_minute() throws Exception {
        look();
        for (int i = 0; i < LOOKS; i++) {
            Instant before = kept("last_access_time");
            assertThat(look()).isEqualTo(200);
            // A minute may begin in between.
            assertThat(kept("last_access_time")).isIn(before, before.plusSeconds(60));
        }
    }

    @Test
    void only_what_keeps_a_session_does_without_transactions() {
        assertThat(ofSessions.<Boolean>execute(status -> TransactionSynchronizationManager.isActualTransactionActive()))
                .isFalse();
        assertThat(ofAllElse.<Boolean>execute(status -> TransactionSynchronizationManager.isActualTransactionActive()))
                .isTrue();
    }

    @Test
    void its_last_use_is_kept_to_the_minute_and_its_end_is_no_earlier_than_promised() throws Exception {
        Instant before = Instant.now();
        look();
        assertThat(kept("last_access_time").toEpochMilli() % 60_000).isZero();
        assertThat(kept("last_access_time")).isBetween(before.minusSeconds(60), Instant.now());
        assertThat(kept("expiry_time"))
                .isBetween(before.plus(Duration.ofHours(12)), Instant.now().plus(Duration.ofMinutes(12 * 60 + 1)));
    }

    @ParameterizedTest(name = "unused for {0} minutes: {1}")
    @CsvSource({"718, 200", "721, 401"})
    void unused_for_twelve_hours_it_ends(int minutes, int answer) throws Exception {
        jdbc.update(
                "update SPRING_SESSION set last_access_time = last_access_time - ? where session_id = ?",
                Duration.ofMinutes(minutes).toMillis(),
                id);
        assertThat(look()).isEqualTo(answer);
        if (answer == 200) {
            assertThat(kept("last_access_time")).isAfter(Instant.now().minusSeconds(61));
        }
    }
}
