package undoknot.server.problem;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
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
        } catch (DataAccessException | TransactionException notThere) {
            ProblemDetail word = Problems.ofRecord(notThere).orElseThrow(() -> notThere);
            if (response.isCommitted()) {
                // The work was done and its answer stands whole; only what the session is kept with afterwards found
                // the record gone.
                LOG.warn("the record went away after an answer: {}", notThere.getMessage());
                return;
            }
            say(response, word, notThere);
        } catch (ServletException unsaid) {
            // The advice has a word for all that a controller throws. What comes out here could not be sent, since the
            // record
            // was gone when the session was to be kept with it.
            Optional<ProblemDetail> word = Problems.ofRecord(unsaid).or(() -> SessionNotKept.wordFor(request));
            if (response.isCommitted() || word.isEmpty()) {
                throw unsaid;
            }
            say(response, word.get(), unsaid);
        }
    }

    private void say(HttpServletResponse response, ProblemDetail word, Exception why) throws IOException {
        LOG.warn("{}: {}", word.getType(), why.getMessage());
        response.resetBuffer();
        if (word.getStatus() == HttpStatus.SERVICE_UNAVAILABLE.value()) {
            response.setHeader(HttpHeaders.RETRY_AFTER, Problems.RETRY_AFTER_S);
        }
        Problems.write(response, json, word);
    }
}
