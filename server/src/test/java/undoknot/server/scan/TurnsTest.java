package undoknot.server.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class TurnsTest {

    private final Turns turns = new Turns();
    private final ExecutorService people = Executors.newCachedThreadPool();

    @AfterEach
    void stop() {
        people.shutdownNow();
    }

    private <T> T take(String who, int share, Supplier<T> work) {
        return turns.ofPerson(who, () -> turns.take(who, share, work, Function.identity()));
    }

    /** Work that is under way until it is let go. */
    private final class Held {
        final CountDownLatch begun = new CountDownLatch(1);
        final CountDownLatch go = new CountDownLatch(1);
        final Future<String> done;

        Held(String who, int share) {
            done = people.submit(() -> take(who, share, () -> {
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
        Future<Boolean> after = people.submit(() -> take("ben", 1, largeIsDone::get));
        largeIsDone.set(true);
        large.go.countDown();
        assertThat(after.get(10, TimeUnit.SECONDS)).isTrue();
    }

    /** Of five people two are read; the others are told how many come before. */
    @Test
    void who_waits_is_told_how_many_come_before() throws Exception {
        Held[] held = new Held[5];
        for (int i = 0; i < held.length; i++) {
            int now = i;
            held[i] = new Held("person " + i, 1);
            await().until(() -> turns.isWaitingOrReading("person " + now));
        }
        assertThat(IntStream.range(0, 5).map(i -> turns.before("person " + i))).containsExactly(0, 0, 1, 2, 3);
        assertThat(turns.before("nobody")).isZero();
        held[0].go.countDown();
        held[0].done.get(10, TimeUnit.SECONDS);
        assertThat(turns.before("person 4")).isEqualTo(2);
        for (Held one : held) {
            one.go.countDown();
        }
    }

    /** What was read and cannot be stored yet holds the next readings up: memory has room for a few files, not for all. */
    @Test
    void reading_waits_for_storing() throws Exception {
        CountDownLatch stored = new CountDownLatch(1);
        CountDownLatch storing = new CountDownLatch(1);
        Future<String> slow = people.submit(() -> turns.take("anna", 1, () -> "read", done -> {
            storing.countDown();
            try {
                stored.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return done;
        }));
        assertThat(storing.await(10, TimeUnit.SECONDS)).isTrue();
        Held ben = new Held("ben", 1);
        Held cleo = new Held("cleo", 1);
        for (Held one : new Held[] {ben, cleo}) {
            one.isUnderWay();
            one.go.countDown();
        }
        Held dan = new Held("dan", 1);
        await().until(() -> turns.isWaitingOrReading("dan"));
        assertThat(dan.begun.getCount()).isEqualTo(1);
        stored.countDown();
        assertThat(slow.get(10, TimeUnit.SECONDS)).isEqualTo("read");
        assertThat(ben.done.get(10, TimeUnit.SECONDS)).isEqualTo("ben");
        assertThat(cleo.done.get(10, TimeUnit.SECONDS)).isEqualTo("cleo");
        dan.isUnderWay();
        dan.go.countDown();
    }

    /** What is refused by its size waits for no reading. */
    @Test
    void a_file_is_measured_while_others_are_read() throws Exception {
        Held anna = new Held("anna", Turns.ALL);
        anna.isUnderWay();
        assertThat(people.submit(() -> turns.toMeasure(() -> "too large")).get(10, TimeUnit.SECONDS))
                .isEqualTo("too large");
        anna.go.countDown();
    }

    @Test
    void work_that_fails_gives_its_turn_back() throws Exception {
        for (int i = 0; i < 5; i++) {
            Future<Object> failing = people.submit(() -> take("anna", Turns.ALL, () -> {
                throw new IllegalStateException("damaged");
            }));
            assertThat(failing).failsWithin(10, TimeUnit.SECONDS);
        }
        assertThat(people.submit(() -> take("anna", Turns.ALL, () -> "read")).get(10, TimeUnit.SECONDS))
                .isEqualTo("read");
    }
}
