package undoknot.server.problem;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * One address cannot hold all lines of the server: neither by many requests at once nor by a body that trickles in. Files that
 * are uploaded are read by Tomcat itself and bounded by it.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
final class FairShare extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(FairShare.class);

    /** Of the 200 lines; a whole shop may stand behind one address. */
    static final int AT_ONCE = 80;

    private static final Duration LONGEST_BODY = Duration.ofSeconds(30);

    /** What a stranger still sends after a refusal is taken for so long. */
    private static final Duration REFUSED_BODY = Duration.ofSeconds(3);

    private static final int LOOK_AGAIN_MS = 20;

    /** Stands on a request whose body is not read to its end: {@link CloseUnread} closes its line. */
    static final String UNREAD = FairShare.class.getName() + ".unread";

    private final Map<String, AtomicInteger> running = new ConcurrentHashMap<>();
    private final ObjectMapper json;
    private final Clock clock;

    FairShare(ObjectMapper json, Clock clock) {
        this.json = json;
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String address = request.getRemoteAddr();
        AtomicInteger own = running.compute(address, (a, count) -> {
            AtomicInteger counted = count == null ? new AtomicInteger() : count;
            counted.incrementAndGet();
            return counted;
        });
        try {
            if (own.get() > AT_ONCE) {
                request.setAttribute(UNREAD, true);
                response.setHeader(HttpHeaders.RETRY_AFTER, Problems.RETRY_AFTER_S);
                Problems.write(
                        response,
                        json,
                        Problems.of(
                                HttpStatus.TOO_MANY_REQUESTS,
                                "too-many-at-once",
                                "Too much is asked from here at once. It is sent again in a moment."));
                return;
            }
            chain.doFilter(new InTime(request, clock), response);
            readToItsEnd(request, response.getStatus());
        } finally {
            running.computeIfPresent(address, (a, count) -> count.decrementAndGet() == 0 ? null : count);
        }
    }

    /**
     * Whoever is refused gets to read why, which a browser does only when all it sends is taken. That is done for a while and not for
     * as long as it trickles; then the line is closed.
     */
    private void readToItsEnd(HttpServletRequest request, int status) {
        boolean stranger = status == 401 || status == 403 || status == 429;
        Instant until = clock.instant().plus(stranger ? REFUSED_BODY : LONGEST_BODY);
        try {
            ServletInputStream body = bodyOf(request);
            byte[] taken = new byte[8192];
            while (body != null && !body.isFinished() && !clock.instant().isAfter(until)) {
                if (body.available() > 0 ? body.read(taken) < 0 : !waits()) {
                    return;
                }
            }
            if (body != null && !body.isFinished()) {
                request.setAttribute(UNREAD, true);
            }
        } catch (IOException closed) {
            // Whoever read it has closed it; what is left of it is Tomcat's. The answer stands whatever becomes of it.
            LOG.trace("a body is closed already", closed);
        }
    }

    /** Null where there is none, or somebody has read it as text. */
    private static ServletInputStream bodyOf(HttpServletRequest request) throws IOException {
        boolean has = request.getContentLengthLong() > 0 || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
        try {
            return has ? request.getInputStream() : null;
        } catch (IllegalStateException readAsText) {
            return null;
        }
    }

    private static boolean waits() {
        try {
            Thread.sleep(LOOK_AGAIN_MS);
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** A body that took too long; whoever reads it sees the connection break. */
    static final class TooSlow extends IOException {
        TooSlow() {
            super("the body came too slowly");
        }
    }

    private static final class InTime extends HttpServletRequestWrapper {
        private final Clock clock;
        private ServletInputStream body;

        InTime(HttpServletRequest request, Clock clock) {
            super(request);
            this.clock = clock;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (body == null) {
                body = new Timed(super.getInputStream(), clock);
            }
            return body;
        }
    }

    private static final class Timed extends ServletInputStream {
        private final ServletInputStream body;
        private final Clock clock;
        private final Instant until;

        Timed(ServletInputStream body, Clock clock) {
            this.body = body;
            this.clock = clock;
            this.until = clock.instant().plus(LONGEST_BODY);
        }

        private void mustBeInTime() throws TooSlow {
            if (clock.instant().isAfter(until)) {
                throw new TooSlow();
            }
        }

        @Override
        public int read() throws IOException {
            mustBeInTime();
            return body.read();
        }

        /** Tomcat gives what is there: a trickle comes back here again and again. */
        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            mustBeInTime();
            return body.read(into, from, length);
        }

        @Override
        public boolean isFinished() {
            return body.isFinished();
        }

        @Override
        public boolean isReady() {
            return body.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            body.setReadListener(listener);
        }
    }
}
