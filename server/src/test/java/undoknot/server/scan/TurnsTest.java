package undoknot.server.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class TurnsTest {

    private final Turns turns = new Turns();
    private final ExecutorService people = Executors.newCachedThreadPool();

    @AfterEach
    void stop() {
        people.shutdownNow();
    }

    /** Work that is under way until it is let go. */
    private final class Held {
        final CountDownLatch begun = new CountDownLatch(1);
        final CountDownLatch go = new CountDownLatch(1);
        final Future<String> done;

        Held(String who, int share) {
            done = people.submit(() -> turns.take(who, share, () -> {
                begun.countDown();
                try {
                    go.await();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
                return who;
            }));
        }

        void isUnderWay() throws InterruptedException {
            assertThat(begun.await(10, TimeUnit.SECONDS)).isTrue();
        }
    }

    @Test
    void two_people_read_side_by_side() throws Exception {
        Held anna = new Held("anna", 1);
        anna.isUnderWay();
        Held ben = new Held("ben", 1);
        ben.isUnderWay();
        ben.go.countDown();
        assertThat(ben.done.get(10, TimeUnit.SECONDS)).isEqualTo("ben");
        anna.go.countDown();
        assertThat(anna.done.get(10, TimeUnit.SECONDS)).isEqualTo("anna");
    }

    /** Nine more of the same person wait for the first, and the next person does not. */
    @Test
    void one_person_cannot_starve_the_others() throws Exception {
        Held first = new Held("anna", 1);
        first.isUnderWay();
        Held[] more = new Held[9];
        for (int i = 0; i < more.length; i++) {
            more[i] = new Held("anna", 1);
            more[i].go.countDown();
        }
        Held ben = new Held("ben", 1);
        ben.isUnderWay();
        for (Held held : more) {
            assertThat(held.begun.getCount()).isEqualTo(1);
        }
        ben.go.countDown();
        first.go.countDown();
        for (Held held : more) {
            assertThat(held.done.get(10, TimeUnit.SECONDS)).isEqualTo("anna");
        }
    }

    @Test
    void a_large_picture_is_read_alone() throws Exception {
        Held large = new Held("anna", Turns.ALL);
        large.isUnderWay();
        AtomicBoolean largeIsDone = new AtomicBoolean();
        Future<Boolean> after = people.submit(() -> turns.take("ben", 1, largeIsDone::get));
        largeIsDone.set(true);
        large.go.countDown();
        assertThat(after.get(10, TimeUnit.SECONDS)).isTrue();
    }

    @Test
    void work_that_fails_gives_its_turn_back() throws Exception {
        for (int i = 0; i < 5; i++) {
            Future<Object> failing = people.submit(() -> turns.take("anna", Turns.ALL, () -> {
                throw new IllegalStateException("damaged");
            }));
            assertThat(failing).failsWithin(10, TimeUnit.SECONDS);
        }
        assertThat(people.submit(() -> turns.take("anna", Turns.ALL, () -> "read"))
                        .get(10, TimeUnit.SECONDS))
                .isEqualTo("read");
    }
}
