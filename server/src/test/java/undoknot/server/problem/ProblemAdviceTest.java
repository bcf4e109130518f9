package undoknot.server.problem;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLSyntaxErrorException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.jdbc.UncategorizedSQLException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.web.context.request.ServletWebRequest;

/** An answer that could not be sent because its session could not be kept. */
class ProblemAdviceTest {

    private static ResponseEntity<Object> answered(Exception cause) throws Exception {
        return new ProblemAdvice()
                .handleHttpMessageNotWritable(
                        new HttpMessageNotWritableException("Could not write JSON", cause),
                        new HttpHeaders(),
                        HttpStatus.INTERNAL_SERVER_ERROR,
                        new ServletWebRequest(new MockHttpServletRequest()));
    }

    @Test
    void a_record_that_went_away_meanwhile_is_try_again() throws Exception {
        ResponseEntity<Object> answer = answered(new SQLNonTransientConnectionException("Socket error"));
        assertThat(answer.getStatusCode()).isEqualTo(HttpStatus.SERVICE_UNAVAILABLE);
        assertThat(answer.getHeaders().getFirst(HttpHeaders.RETRY_AFTER)).isEqualTo(Problems.RETRY_AFTER_S);
    }

    @Test
    void anything_else_is_unforeseen_and_says_what_to_do() throws Exception {
        ResponseEntity<Object> answer = answered(new SQLSyntaxErrorException("no such column", "42S22"));
        assertThat(answer.getStatusCode()).isEqualTo(HttpStatus.INTERNAL_SERVER_ERROR);
        assertThat(((ProblemDetail) answer.getBody()).getDetail()).contains("tell the lead");
    }

    /** The database's own word for a full disk, by whichever way the layers above it pass it on. */
    @Test
    void a_record_without_room_is_said_and_nobody_else_is_blamed() {
        SQLException full = new SQLException("table is full", "HY000", 1114);
        ProblemAdvice advice = new ProblemAdvice();
        for (ResponseEntity<ProblemDetail> answer : List.of(
                advice.anythingElse(new JpaSystemException(new RuntimeException(full))),
                advice.anythingElse(new UncategorizedSQLException("insert", "insert into check_", full)),
                advice.doesNotFit(new DataIntegrityViolationException("insert", full)))) {
            assertThat(answer.getStatusCode()).isEqualTo(HttpStatus.INSUFFICIENT_STORAGE);
            assertThat(answer.getBody().getDetail()).contains("make room");
        }
    }

    @Test
    void a_key_that_somebody_took_meanwhile_is_two_at_once() {
        assertThat(new ProblemAdvice()
                        .doesNotFit(new DataIntegrityViolationException(
                                "insert", new SQLException("duplicate", "23000", 1062)))
                        .getStatusCode())
                .isEqualTo(HttpStatus.CONFLICT);
    }
}
