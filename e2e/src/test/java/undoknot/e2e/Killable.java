package undoknot.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;

/** The product in a process of its own, so that it can be killed without a word. */
final class Killable implements AutoCloseable {
    private static final HttpClient CLIENT = HttpClient.newHttpClient();
    final String address;
    private final int port;
    private Process process;

    Killable() throws Exception {
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        address = "http://127.0.0.1:" + port;
        start();
    }

    void start() throws Exception {
        Path log = Files.createTempFile("killable", ".log");
        process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-Xmx400m",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "undoknot.server.UndoKnotServer",
                        "--spring.datasource.url=" + System.getenv("UNDOKNOT_DB_URL") + "_killed"
                                + System.getProperty("undoknot.fork", "1"),
                        "--server.port=" + port,
                        "--undoknot.demo=true")
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        long until = System.nanoTime() + java.time.Duration.ofMinutes(3).toNanos();
        while (!stands()) {
            if (!process.isAlive() || System.nanoTime() > until) {
                throw new IllegalStateException("it did not start: " + Files.readString(log));
            }
            process.waitFor(100, java.util.concurrent.TimeUnit.MILLISECONDS);
        }
    }

    private boolean stands() {
        try {
            return CLIENT.send(
                                    HttpRequest.newBuilder(URI.create(address + "/actuator/health/readiness"))
                                            .build(),
                                    HttpResponse.BodyHandlers.discarding())
                            .statusCode()
                    == 200;
        } catch (IOException away) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    @Override
    public void close() throws InterruptedException {
        kill();
    }
}
