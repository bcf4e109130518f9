package undoknot.server.problem;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A record that is away shows first where the session is looked up, before any controller. It is said as a problem there as
 * well, and not tried again for an error page.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
final class RecordFilter extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(RecordFilter.class);

    private final ObjectMapper json;

    RecordFilter(ObjectMapper json) {
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (DataAccessException | TransactionException away) {
            if (!response.isCommitted() && Problems.isFull(away)) {
                LOG.warn("the record has no room: {}", away.getMessage());
                response.resetBuffer();
                Problems.write(response, json, Problems.diskFull(0));
                return;
            }
            if (!Problems.isAway(away)) {
                throw away;
            }
            if (response.isCommitted()) {
                // The work was done and its answer stands whole; only what the session is kept with afterwards found
                // the record gone.
                LOG.warn("the record went away after an answer: {}", away.getMessage());
                return;
            }
            LOG.warn("the record is out of reach: {}", away.getMessage());
            response.resetBuffer();
            response.setHeader(HttpHeaders.RETRY_AFTER, Problems.RETRY_AFTER_S);
            Problems.write(response, json, Problems.recordOutOfReach());
        }
    }
}
