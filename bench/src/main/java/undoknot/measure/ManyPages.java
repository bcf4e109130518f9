package undoknot.measure;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;

/** Many open pages that hear of changes: how late, and what they cost while nothing happens. Used by {@code bench/together}. */
public final class ManyPages {

    /** A process's time is counted in so many parts of a second. */
    private static final double TICKS = 100;

    private static final int WRITES = 40;

    private final AtomicLong sentAt = new AtomicLong();
    private final Queue<Double> delays = new ConcurrentLinkedQueue<>();
    private final AtomicInteger heard = new AtomicInteger();
    private volatile CountDownLatch all = new CountDownLatch(0);

    /** @param args base address, password of the demo accounts, pages, seconds of rest, number of the server's process */
    public static void main(String[] args) throws Exception {
        new ManyPages().run(args[0], args[1], Integer.parseInt(args[2]), Integer.parseInt(args[3]), args[4]);
        System.exit(0);
    }

    private void run(String base, String password, int pages, int rest, String process) throws Exception {
        ShopClient client = ShopClient.signedIn(base, "wenna", password, null);
        String bench = client.http
                .send(client.to("/api/bench").build(), HttpResponse.BodyHandlers.ofString())
                .body();
        String visit = new ObjectMapper()
                .readTree(bench)
                .path("strips")
                .get(0)
                .path("id")
                .asText();
        TimeUnit.SECONDS.sleep(rest);
        cost("no page", process, rest);
        long before = memoryMb(process);
        List<Thread> lines = new ArrayList<>();
        for (int i = 0; i < pages; i++) {
            HttpResponse<java.util.stream.Stream<String>> line =
                    client.http.send(client.to("/api/changes").build(), HttpResponse.BodyHandlers.ofLines());
            if (line.statusCode() != 200) {
                throw new IllegalStateException("a line was refused: " + line.statusCode());
            }
            Thread thread = new Thread(() -> line.body().forEach(this::hears));
            thread.setDaemon(true);
            thread.start();
            lines.add(thread);
        }
        TimeUnit.SECONDS.sleep(2);
        cost(pages + " idle pages", process, rest);
        System.out.printf(
                "memory of the process: %d MB without, %d MB with %d pages%n", before, memoryMb(process), pages);
        for (int n = 0; n < WRITES; n++) {
            all = new CountDownLatch(pages);
            write(client, visit, n);
            sentAt.set(System.nanoTime());
            if (!all.await(10, TimeUnit.SECONDS)) {
                throw new IllegalStateException(all.getCount() + " pages heard nothing within ten seconds");
            }
        }
        double[] sorted = delays.stream().mapToDouble(d -> d).sorted().toArray();
        System.out.printf(
                "%d changes to %d pages: heard after %.0f ms (median), %.0f ms (p95), %.0f ms at most%n",
                WRITES,
                pages,
                sorted[sorted.length / 2],
                sorted[(int) (sorted.length * 0.95)],
                sorted[sorted.length - 1]);
    }

    private void hears(String line) {
        if (line.startsWith("data:{")) {
            delays.add(Math.max(0, (System.nanoTime() - sentAt.get()) / 1e6));
            heard.incrementAndGet();
            all.countDown();
        }
    }

    private static void write(ShopClient client, String visit, int n) throws IOException, InterruptedException {
        int status = client.http
                .send(
                        client.to("/api/visits/" + visit + "/also-found/" + UUID.randomUUID())
                                .header("Content-Type", "application/json")
                                .PUT(HttpRequest.BodyPublishers.ofString(
                                        "{\"what\":\"ROLLERS\",\"place\":\"place " + n + "\"}"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .statusCode();
        if (status != 200) {
            throw new IllegalStateException("a write failed: " + status);
        }
    }

    private static void cost(String what, String process, int seconds) throws Exception {
        double from = ticks(process);
        TimeUnit.SECONDS.sleep(seconds);
        System.out.printf("%s: %.1f %% of one core%n", what, (ticks(process) - from) / TICKS / seconds * 100);
    }

    /** Time in user and system mode, fields 14 and 15 of the process's line. */
    private static double ticks(String process) throws IOException {
        String line = Files.readString(Path.of("/proc", process, "stat"));
        String[] fields = line.substring(line.lastIndexOf(')') + 2).split(" ");
        return Double.parseDouble(fields[11]) + Double.parseDouble(fields[12]);
    }

    private static long memoryMb(String process) throws IOException {
        return Files.readAllLines(Path.of("/proc", process, "status")).stream()
                .filter(line -> line.startsWith("VmRSS"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024)
                .findFirst()
                .orElse(0);
    }
}
