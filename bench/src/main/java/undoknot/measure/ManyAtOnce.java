package undoknot.measure;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Many people at once, each asking twice a second for one page after the other; what has not been answered when the next is
 * due is not asked anew, as a browser waits too. Used by {@code bench/load}.
 */
public final class ManyAtOnce {

    private static final int EVERY_MS = 500;

    /** Not counted: this program is being made quick on the same cores, and everybody opens a line at once. */
    private static final int FIRST_S = 5;

    private ManyAtOnce() {}

    /** @param args base address, name, password, people, seconds, then what to ask for as name=path */
    public static void main(String[] args) throws Exception {
        String base = args[0];
        int people = Integer.parseInt(args[3]);
        int seconds = Integer.parseInt(args[4]);
        Map<String, String> asked = new TreeMap<>();
        for (String pair : Arrays.asList(args).subList(5, args.length)) {
            int at = pair.indexOf('=');
            asked.put(pair.substring(0, at), pair.substring(at + 1));
        }
        HttpClient client = ShopClient.signedIn(base, args[1], args[2], null).http;
        Map<String, ConcurrentLinkedQueue<Double>> took = new ConcurrentHashMap<>();
        Map<Integer, ConcurrentLinkedQueue<Double>> bySecond = new ConcurrentSkipListMap<>();
        AtomicInteger refused = new AtomicInteger();
        ScheduledExecutorService pool = Executors.newScheduledThreadPool(people);
        List<String> names = new ArrayList<>(asked.keySet());
        List<Future<?>> all = new ArrayList<>();
        long counted = System.nanoTime() + TimeUnit.SECONDS.toNanos(FIRST_S);
        for (int person = 0; person < people; person++) {
            AtomicInteger turn = new AtomicInteger(person);
            all.add(pool.scheduleAtFixedRate(
                    () -> {
                        String name = names.get(turn.getAndIncrement() % names.size());
                        long from = System.nanoTime();
                        double ms = ask(client, base + asked.get(name), refused);
                        if (from >= counted) {
                            took.computeIfAbsent(name, n -> new ConcurrentLinkedQueue<>())
                                    .add(ms);
                        }
                        bySecond.computeIfAbsent(
                                        (int) TimeUnit.NANOSECONDS.toSeconds(from - counted) + FIRST_S,
                                        n -> new ConcurrentLinkedQueue<>())
                                .add(ms);
                    },
                    (long) EVERY_MS * person / people,
                    EVERY_MS,
                    TimeUnit.MILLISECONDS));
        }
        TimeUnit.SECONDS.sleep(FIRST_S + seconds);
        all.forEach(f -> f.cancel(false));
        pool.shutdown();
        pool.awaitTermination(1, TimeUnit.MINUTES);
        for (String name : names) {
            double[] sorted = sorted(took.get(name));
            System.out.printf(
                    "%d people, %s: %d asked, median %.1f ms, p95 %.1f ms, worst %.1f ms%n",
                    people,
                    name,
                    sorted.length,
                    sorted[sorted.length / 2],
                    sorted[(int) (sorted.length * 0.95)],
                    sorted[sorted.length - 1]);
        }
        System.out.printf("%d people: %d refused; median by seconds in ms:", people, refused.get());
        bySecond.forEach((second, of) -> System.out.printf(" %.0f", sorted(of)[of.size() / 2]));
        System.out.println();
    }

    private static double[] sorted(Collection<Double> ms) {
        return ms.stream().mapToDouble(d -> d).sorted().toArray();
    }

    private static double ask(HttpClient client, String address, AtomicInteger refused) {
        long from = System.nanoTime();
        try {
            HttpResponse<byte[]> answer = client.send(
                    HttpRequest.newBuilder(URI.create(address))
                            .header("Accept-Encoding", "gzip")
                            .build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            if (answer.statusCode() != 200) {
                refused.incrementAndGet();
            }
        } catch (IOException e) {
            refused.incrementAndGet();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return (System.nanoTime() - from) / 1e6;
    }
}
