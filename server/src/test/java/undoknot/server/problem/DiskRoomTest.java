package undoknot.server.problem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.FilterChain;
import java.sql.SQLException;
import java.util.concurrent.atomic.AtomicLong;
import org.hibernate.TransactionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.orm.jpa.JpaSystemException;

class DiskRoomTest {

    private static final long MB = 1 << 20;

    private final AtomicLong free = new AtomicLong();
    private final DiskRoom room = new DiskRoom(new ObjectMapper(), free::get, 100);

    @ParameterizedTest
    @CsvSource({
        "99, PUT, /api/visits/1/checks/2, 507",
        "99, POST, /api/scans/read, 507",
        "99, DELETE, /api/drafts/x, 507",
        "100, PUT, /api/visits/1/checks/2, 200",
        "0, GET, /api/bench, 200",
        "0, HEAD, /api/bench, 200",
        "0, POST, /api/session, 200",
        "0, DELETE, /api/session, 200"
    })
    void a_full_disk_stops_writing_and_nothing_else(long mb, String method, String path, int status) throws Exception {
        free.set(mb * MB);
        MockHttpServletResponse answer = new MockHttpServletResponse();
        FilterChain chain = mock(FilterChain.class);
        MockHttpServletRequest request = new MockHttpServletRequest(method, path);
        room.doFilter(request, answer, chain);
        assertThat(answer.getStatus()).isEqualTo(status);
        if (status == 200) {
            verify(chain).doFilter(request, answer);
        } else {
            verify(chain, never()).doFilter(request, answer);
            assertThat(answer.getContentType()).isEqualTo("application/problem+json");
            assertThat(answer.getContentAsString())
                    .contains("urn:undoknot:problem:disk-full")
                    .contains("99 MB are left")
                    .contains("What you entered stays here");
        }
    }

    /** Room that somebody made is found at the next write. */
    @Test
    void it_goes_on_as_soon_as_there_is_room() throws Exception {
        for (long mb : new long[] {5, 500}) {
            free.set(mb * MB);
            MockHttpServletResponse answer = new MockHttpServletResponse();
            room.doFilter(new MockHttpServletRequest("PUT", "/api/lots/1"), answer, mock(FilterChain.class));
            assertThat(answer.getStatus()).isEqualTo(mb == 5 ? 507 : 200);
        }
    }

    @ParameterizedTest
    @CsvSource({"1114, true", "1021, true", "28, true", "1062, false", "0, false"})
    void what_the_database_says_of_its_own_room_is_known(int number, boolean full) {
        assertThat(Problems.isFull(new DataIntegrityViolationException("x", new SQLException("y", "HY000", number))))
                .isEqualTo(full);
    }

    /** As a pool, a driver and a server that shuts down say it; what the database refused is no lost record. */
    @ParameterizedTest
    @CsvSource({
        "Connection is closed,, true",
        "gone, 08S01, true",
        "going, 70100, true",
        "Duplicate entry, 23000, false"
    })
    void a_connection_that_went_away_under_a_transaction_is_a_record_out_of_reach(
            String said, String state, boolean away) {
        assertThat(Problems.isAway(new JpaSystemException(new TransactionException(
                        "Unable to rollback against JDBC Connection", new SQLException(said, state)))))
                .isEqualTo(away);
    }
}
