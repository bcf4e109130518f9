package undoknot.server.write;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import undoknot.server.Api;
import undoknot.server.ServerTest;

/** Writes to one visit that arrive at the same moment are judged one after the other. */
@ServerTest
class OneAfterAnotherTest {

    @Autowired
    Api api;

    /** Status of each answer, all sent at once. */
    private static List<Integer> atOnce(List<Callable<Integer>> calls) {
        ExecutorService threads = Executors.newFixedThreadPool(calls.size());
        CountDownLatch start = new CountDownLatch(1);
        try {
            List<Future<Integer>> running = calls.stream()
                    .map(call -> threads.submit(() -> {
                        start.await();
                        return call.call();
                    }))
                    .toList();
            start.countDown();
            List<Integer> answers = new ArrayList<>();
            for (Future<Integer> one : running) {
                answers.add(one.get());
            }
            return answers;
        } catch (Exception e) {
            throw new AssertionError(e);
        } finally {
            threads.shutdownNow();
        }
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    @RepeatedTest(8)
    void a_head_is_returned_or_soaked_and_never_both() {
        String visit = api.newVisit();
        api.check(visit, id(), 12).is(200);
        String lot = api.lotOf("AQUEOUS_CLEANER", 100);
        long version = api.get("/api/visits/" + visit).body().path("version").asLong();
        Map<String, Object> soak = Map.of(
                "lotId",
                lot,
                "treatment",
                Map.of(
                        "kind",
                        "SOAK",
                        "soak",
                        Map.of("place", "TRAY", "channels", List.of("C"), "volumeMl", 20, "plannedMinutes", 60)));
        Map<String, Object> signed = Map.of(
                "version", version, "outcome", "STOPPED_FOR_COST", "reason", "as agreed", "signedBy", "Test hand");
        List<Integer> answers = atOnce(List.of(
                () -> api.put("/api/visits/" + visit + "/attempts/" + id(), soak)
                        .status(),
                () -> api.put("/api/visits/" + visit + "/return", signed).status()));
        assertThat(answers.stream().filter(a -> a == 200))
                .as("answers %s", answers)
                .hasSize(1);
        var stands = api.get("/api/visits/" + visit).body();
        boolean returned = !stands.path("closedAt").isMissingNode();
        assertThat(stands.path("attempts")).hasSize(returned ? 0 : 1);
    }

    /** Three cycles are given before hands are; each further one asks for a reason. */
    @Test
    void of_twelve_cycles_at_once_three_go_without_a_reason() {
        String visit = api.newVisit();
        api.check(visit, id(), 12).is(200);
        Map<String, Object> cycle = Map.of(
                "treatment",
                Map.of("kind", "CYCLE", "cycle", Map.of("channels", List.of("C"), "strength", "LIGHT", "count", 1)));
        List<Callable<Integer>> calls = IntStream.range(0, 12)
                .<Callable<Integer>>mapToObj(n -> () -> api.put("/api/visits/" + visit + "/attempts/" + id(), cycle)
                        .status())
                .toList();
        List<Integer> answers = atOnce(calls);
        assertThat(answers.stream().filter(a -> a == 200))
                .as("answers %s", answers)
                .hasSize(3);
        assertThat(answers.stream().filter(a -> a == 422)).hasSize(9);
    }

    @Test
    void a_head_is_taken_in_once_however_many_take_it_in() {
        ObjectNode before = api.intake("VENNICK-B3", "C", "M", "Y");
        String first = api.newVisit(before);
        api.check(first, id(), 12).is(200);
        long version = api.get("/api/visits/" + first).body().path("version").asLong();
        api.put(
                        "/api/visits/" + first + "/return",
                        Map.of(
                                "version",
                                version,
                                "outcome",
                                "STOPPED_FOR_COST",
                                "reason",
                                "as agreed",
                                "signedBy",
                                "Test hand"))
                .is(200);
        List<Integer> known = takenInBy(12, before);
        assertThat(known.stream().filter(a -> a == 200)).as("answers %s", known).hasSize(1);
        List<Integer> unknown = takenInBy(12, api.intake("VENNICK-B3", "C", "M", "Y"));
        assertThat(unknown.stream().filter(a -> a == 200))
                .as("answers %s", unknown)
                .hasSize(1);
        assertThat(unknown.stream().filter(a -> a == 422 || a == 200)).hasSize(12);
    }

    private List<Integer> takenInBy(int people, ObjectNode intake) {
        List<Callable<Integer>> calls = IntStream.range(0, people)
                .<Callable<Integer>>mapToObj(n -> () ->
                        api.put("/api/visits/" + id(), Map.of("intake", intake)).status())
                .toList();
        return atOnce(calls);
    }
}
