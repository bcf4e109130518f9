package undoknot.server.problem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class FairShareTest {

    private final AtomicReference<Instant> now = new AtomicReference<>(Instant.parse("2026-11-28T08:00:00Z"));
    private final Clock clock = new Clock() {
        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now.get();
        }
    };
    private final FairShare share = new FairShare(new ObjectMapper(), clock);

    private int status(String address, FilterChain chain) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("PUT", "/api/drafts/x");
        request.setRemoteAddr(address);
        request.setContent(new byte[100]);
        MockHttpServletResponse response = new MockHttpServletResponse();
        share.doFilter(request, response, chain);
        return response.getStatus();
    }

    @Test
    void one_address_leaves_room_for_the_next() throws Exception {
        CountDownLatch held = new CountDownLatch(FairShare.AT_ONCE);
        CountDownLatch go = new CountDownLatch(1);
        ExecutorService lines = Executors.newCachedThreadPool();
        for (int i = 0; i < FairShare.AT_ONCE; i++) {
            lines.submit(() -> status("192.0.2.1", (request, response) -> {
                held.countDown();
                await(go);
            }));
        }
        held.await();
        assertThat(status("192.0.2.1", (request, response) -> {})).isEqualTo(429);
        assertThat(status("192.0.2.2", (request, response) -> {})).isEqualTo(200);
        go.countDown();
        lines.shutdown();
        assertThat(lines.awaitTermination(20, java.util.concurrent.TimeUnit.SECONDS))
                .isTrue();
        assertThat(status("192.0.2.1", (request, response) -> {})).isEqualTo(200);
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void a_body_that_trickles_in_is_broken_off_after_half_a_minute() throws Exception {
        status("192.0.2.1", (request, response) -> {
            var body = request.getInputStream();
            assertThat(body.read(new byte[10])).isEqualTo(10);
            now.set(now.get().plus(Duration.ofSeconds(30)));
            assertThat(body.read()).isZero();
            now.set(now.get().plusMillis(1));
            assertThatThrownBy(body::read).isInstanceOf(FairShare.TooSlow.class);
        });
    }

    /** A body of which nothing more comes: whether the server is done with it, and after how long by its clock. */
    private boolean isLeftUnread(int status, Duration pause) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/scans/read") {
            @Override
            public ServletInputStream getInputStream() {
                return new Trickle(pause);
            }
        };
        request.setContent(new byte[100]);
        share.doFilter(
                request,
                new MockHttpServletResponse(),
                (req, response) -> ((HttpServletResponse) response).setStatus(status));
        return request.getAttribute(FairShare.UNREAD) != null;
    }

    /** One byte after each pause, for ever. */
    private class Trickle extends ServletInputStream {
        private final Duration pause;

        Trickle(Duration pause) {
            this.pause = pause;
        }

        @Override
        public int read() {
            now.set(now.get().plus(pause));
            return 'a';
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            into[from] = (byte) read();
            return 1;
        }

        @Override
        public int available() {
            return 1;
        }

        @Override
        public boolean isFinished() {
            return false;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new UnsupportedOperationException();
        }
    }

    @ParameterizedTest
    @CsvSource({"401, 3", "403, 3", "429, 3", "413, 30", "200, 30"})
    void what_trickles_in_after_the_answer_is_cut_off(int status, int seconds) throws Exception {
        Instant from = now.get();
        assertThat(isLeftUnread(status, Duration.ofSeconds(1))).isTrue();
        assertThat(Duration.between(from, now.get()))
                .isBetween(Duration.ofSeconds(seconds), Duration.ofSeconds(seconds + 1));
    }

    @Test
    void what_is_there_is_taken_so_that_the_answer_is_read() throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/scans/read");
        request.setContent(new byte[100_000]);
        share.doFilter(
                request,
                new MockHttpServletResponse(),
                (req, response) -> ((HttpServletResponse) response).setStatus(401));
        assertThat(request.getInputStream().isFinished()).isTrue();
        assertThat(request.getAttribute(FairShare.UNREAD)).isNull();
    }

    /** A reader of JSON closes what it has read, before the last byte of a line break is taken. */
    @Test
    void a_body_that_was_closed_before_its_end_spoils_no_answer() throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("PUT", "/api/drafts/x") {
            @Override
            public ServletInputStream getInputStream() {
                return new Trickle(Duration.ZERO) {
                    @Override
                    public int read(byte[] into, int from, int length) throws IOException {
                        throw new IOException("Stream closed");
                    }
                };
            }
        };
        request.setContent(new byte[100]);
        MockHttpServletResponse response = new MockHttpServletResponse();
        share.doFilter(request, response, (req, res) -> ((HttpServletResponse) res).setStatus(204));
        assertThat(response.getStatus()).isEqualTo(204);
        assertThat(request.getAttribute(FairShare.UNREAD)).isNull();
    }
}
