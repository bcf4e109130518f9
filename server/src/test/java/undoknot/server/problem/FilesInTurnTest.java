package undoknot.server.problem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import jakarta.servlet.http.Part;
import java.io.IOException;
import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class FilesInTurnTest {

    private static final int LARGE = 2 << 20;

    private final ExecutorService senders = Executors.newCachedThreadPool();
    private final CountDownLatch sent = new CountDownLatch(1);
    private final AtomicInteger comingIn = new AtomicInteger();

    @AfterEach
    void everybody_is_through() throws InterruptedException {
        sent.countDown();
        senders.shutdown();
        assertThat(senders.awaitTermination(20, TimeUnit.SECONDS)).isTrue();
    }

    /** A file that is there once {@link #sent} says so. */
    private class Sending extends MockHttpServletRequest {
        Sending(String type, int bytes) {
            super("PUT", "/api/visits/v/scans/s");
            setContentType(type);
            setContent(new byte[bytes]);
        }

        @Override
        public Collection<Part> getParts() {
            comingIn.incrementAndGet();
            try {
                sent.await();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            return List.of();
        }
    }

    private Future<Boolean> send(FilesInTurn turns, MockHttpServletRequest file) {
        return senders.submit(() -> {
            AtomicInteger handed = new AtomicInteger();
            turns.doFilter(file, new MockHttpServletResponse(), (request, response) -> handed.incrementAndGet());
            return handed.get() == 1;
        });
    }

    @Test
    void a_few_come_in_at_a_time_and_all_are_handed_on() throws Exception {
        FilesInTurn turns = new FilesInTurn(2, Duration.ofSeconds(60));
        List<Future<Boolean>> all = IntStream.range(0, 5)
                .mapToObj(i -> send(turns, new Sending("multipart/form-data; boundary=x", LARGE)))
                .toList();
        await().until(() -> comingIn.get() == 2);
        // What is no large file takes no turn.
        assertThat(send(turns, new Sending("application/json", LARGE)).get()).isTrue();
        assertThat(send(turns, new Sending("multipart/form-data; boundary=x", 1000))
                        .get())
                .isTrue();
        assertThat(comingIn).hasValue(2);
        sent.countDown();
        for (Future<Boolean> one : all) {
            assertThat(one.get()).isTrue();
        }
        assertThat(comingIn).hasValue(5);
    }

    @Test
    void a_slow_sender_holds_the_next_up_for_a_while_only() {
        FilesInTurn turns = new FilesInTurn(1, Duration.ofMillis(20));
        send(turns, new Sending("multipart/form-data; boundary=x", LARGE));
        send(turns, new Sending("multipart/form-data; boundary=x", LARGE));
        await().until(() -> comingIn.get() == 2);
    }

    @Test
    void a_broken_file_is_handed_on_and_gives_its_turn_back() throws Exception {
        FilesInTurn turns = new FilesInTurn(1, Duration.ofSeconds(60));
        for (int i = 0; i < 2; i++) {
            MockHttpServletRequest broken = new Sending("multipart/form-data; boundary=x", LARGE) {
                @Override
                public Collection<Part> getParts() {
                    throw new IllegalStateException(new IOException("cut off"));
                }
            };
            assertThat(send(turns, broken).get()).isTrue();
        }
    }
}
