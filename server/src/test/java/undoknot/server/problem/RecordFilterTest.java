package undoknot.server.problem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.ServletException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** A record that goes away before, in, or after an answer. */
class RecordFilterTest {

    private static final DataAccessResourceFailureException AWAY = new DataAccessResourceFailureException(
            "Unable to rollback", new SQLNonTransientConnectionException("Socket error"));

    private final RecordFilter filter = new RecordFilter(new ObjectMapper());
    private final MockHttpServletResponse answer = new MockHttpServletResponse();

    private void answered(boolean isWhole, Exception thrown) throws Exception {
        filter.doFilter(new MockHttpServletRequest("PUT", "/api/lots/1"), answer, (request, response) -> {
            response.getWriter().write("kept");
            answer.setCommitted(isWhole);
            if (thrown instanceof ServletException unsaid) {
                throw unsaid;
            }
            throw (RuntimeException) thrown;
        });
    }

    @Test
    void before_the_answer_is_whole_it_is_try_again() throws Exception {
        answered(false, AWAY);
        assertThat(answer.getStatus()).isEqualTo(503);
        assertThat(answer.getContentAsString()).doesNotContain("kept");
    }

    @Test
    void an_answer_that_is_whole_stands_though_the_session_is_not_kept_any_more() throws Exception {
        answered(true, AWAY);
        assertThat(answer.getStatus()).isEqualTo(200);
        assertThat(answer.getContentAsString()).isEqualTo("kept");
    }

    /** As the dispatcher throws on what a controller threw, when the problem about it could not be sent. */
    @Test
    void a_problem_that_could_not_be_sent_is_try_again() throws Exception {
        answered(false, new ServletException("Request processing failed", AWAY));
        assertThat(answer.getStatus()).isEqualTo(503);
        assertThat(answer.getHeader("Retry-After")).isNotNull();
    }

    @Test
    void a_record_without_room_says_so_before_and_in_an_answer() throws Exception {
        DataAccessResourceFailureException full =
                new DataAccessResourceFailureException("update", new SQLException("disk full", "HY000", 1021));
        answered(false, full);
        assertThat(answer.getStatus()).isEqualTo(507);
        answered(false, new ServletException("Request processing failed", full));
        assertThat(answer.getStatus()).isEqualTo(507);
        assertThat(answer.getHeader("Retry-After")).isNull();
    }

    @Test
    void a_file_that_breaks_off_half_way_does_not_pass_for_whole() {
        assertThatThrownBy(() -> answered(true, new ServletException("Request processing failed", AWAY)))
                .hasMessageContaining("failed");
    }

    @Test
    void what_is_no_record_gone_away_is_no_answer() {
        assertThatThrownBy(() -> answered(
                        true, new DataAccessResourceFailureException("other", new SQLException("syntax", "42000"))))
                .hasMessageContaining("other");
    }
}
