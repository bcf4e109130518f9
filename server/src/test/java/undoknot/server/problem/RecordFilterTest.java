package undoknot.server.problem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
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

    private void answered(boolean isWhole, RuntimeException thrown) throws Exception {
        filter.doFilter(new MockHttpServletRequest("PUT", "/api/lots/1"), answer, (request, response) -> {
            response.getWriter().write("kept");
            answer.setCommitted(isWhole);
            throw thrown;
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

    @Test
    void what_is_no_record_gone_away_is_no_answer() {
        assertThatThrownBy(() -> answered(
                        true, new DataAccessResourceFailureException("other", new SQLException("syntax", "42000"))))
                .hasMessageContaining("other");
    }
}
