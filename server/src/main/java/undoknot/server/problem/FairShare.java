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

    /** Of the 200 lines; a whole shop may stand behind one address. */
    static final int AT_ONCE = 80;

    private static final Duration LONGEST_BODY = Duration.ofSeconds(30);

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
        } finally {
            running.computeIfPresent(address, (a, count) -> count.decrementAndGet() == 0 ? null : count);
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
