package undoknot.server.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Files that many send at once come in a few at a time: thirty of them side by side leave nothing of the processor for who looks at the
 * bench. A sender who is slow holds nobody up for long: after a while the next is read all the same. Comes after the sign-in, so that
 * a stranger's file takes no turn.
 */
@Component
@Order(0)
final class FilesInTurn extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(FilesInTurn.class);

    private static final int AT_ONCE = 4;

    private static final Duration LONGEST_WAIT = Duration.ofSeconds(10);

    /** What is smaller is through before it would have waited. */
    private static final long SMALL_BYTES = DataSize.ofMegabytes(1).toBytes();

    private final Semaphore turns;
    private final Duration longestWait;

    @Autowired
    FilesInTurn() {
        this(AT_ONCE, LONGEST_WAIT);
    }

    FilesInTurn(int atOnce, Duration longestWait) {
        this.turns = new Semaphore(atOnce, true);
        this.longestWait = longestWait;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        long length = request.getContentLengthLong();
        return type == null
                || !type.startsWith(MediaType.MULTIPART_FORM_DATA_VALUE)
                || length >= 0 && length < SMALL_BYTES;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean hasTurn = waits();
        try {
            // Tomcat takes the whole body to the disk here, and keeps what it found for whoever asks again.
            request.getParts();
        } catch (IOException | ServletException | IllegalStateException broken) {
            LOG.trace("whoever asks for the files is told the same", broken);
        } finally {
            if (hasTurn) {
                turns.release();
            }
        }
        chain.doFilter(request, response);
    }

    private boolean waits() {
        try {
            return turns.tryAcquire(longestWait.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }
}
