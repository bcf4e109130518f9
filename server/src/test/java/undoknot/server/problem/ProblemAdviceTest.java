package undoknot.server.problem;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLSyntaxErrorException;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.mock.web.MockHttpServletRequest;
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
}
