package undoknot.measure;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;

/** How long the bench view takes while days are made one after the other. */
final class DayWhileLooked {

    private static final int WARM = 300;

    /** So many requests one after the other, as {@code bench/load} asks; then so many with a pause before each, ms. */
    private static final int[][] REQUESTS = {{1000, 0}, {200, 100}};

    private DayWhileLooked() {}

    /** Arguments: address, password. */
    public static void main(String[] args) throws IOException, InterruptedException {
        ShopClient looks = ShopClient.signedIn(args[0], "wenna", args[1], null);
        ShopClient makes = ShopClient.signedIn(args[0], "oswin", args[1], null);
        for (int i = 0; i < WARM; i++) {
            look(looks, i);
        }
        makes.post("/api/day", "{\"anew\":true}");
        measure("nothing else", looks);
        AtomicBoolean on = new AtomicBoolean(true);
        AtomicInteger days = new AtomicInteger();
        AtomicLong worst = new AtomicLong();
        Thread maker = new Thread(() -> {
            while (on.get()) {
                try {
                    long start = System.nanoTime();
                    HttpResponse<String> answer = makes.post("/api/day", "{\"anew\":true}");
                    if (answer.statusCode() != 200) {
                        throw new IllegalStateException(answer.statusCode() + " " + answer.body());
                    }
                    worst.accumulateAndGet((System.nanoTime() - start) / 1_000_000, Math::max);
                    days.incrementAndGet();
                } catch (IOException e) {
                    throw new java.io.UncheckedIOException(e);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                }
            }
        });
        maker.start();
        measure("while days are made", looks);
        on.set(false);
        maker.join();
        System.out.println(days + " days made, the slowest answered after " + worst + " ms");
    }

    private static void measure(String when, ShopClient client) throws IOException, InterruptedException {
        for (int[] how : REQUESTS) {
            double[] ms = new double[how[0]];
            for (int i = 0; i < ms.length; i++) {
                Thread.sleep(how[1]);
                ms[i] = look(client, i);
            }
            Arrays.sort(ms);
            System.out.printf(
                    Locale.ENGLISH,
                    "bench view, %s, a pause of %d ms: median %.1f ms, p95 %.1f ms, worst %.1f ms%n",
                    when,
                    how[1],
                    ms[ms.length / 2],
                    ms[(int) (ms.length * 0.95)],
                    ms[ms.length - 1]);
        }
    }

    private static double look(ShopClient client, int n) throws IOException, InterruptedException {
        long start = System.nanoTime();
        HttpResponse<String> answer =
                client.http.send(client.to("/api/bench?n=" + n).GET().build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(answer.statusCode() + " " + answer.body());
        }
        return (System.nanoTime() - start) / 1e6;
    }
}
