package undoknot.measure;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import javax.imageio.ImageIO;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.simulator.Scanning;
import undoknot.simulator.StandInPrinter;
import undoknot.simulator.StrokeMix;

/**
 * How much memory the server's process takes to read an A4 scan of 600 dpi and to keep it. Used by {@code bench/fine-scan}. The
 * sheet is a stand-in's.
 */
public final class FineScan {

    private static final int DPI = 600;
    private static final int READ = 6;
    private static final int KEPT = 3;
    private static final ObjectMapper JSON = new ObjectMapper();

    private FineScan() {}

    /** @param args base address, password of the demo accounts, number of the server's process, most MB at the peak */
    public static void main(String[] args) throws Exception {
        Path status = Path.of("/proc", args[2], "status");
        int most = Integer.parseInt(args[3]);
        ShopClient person = ShopClient.signedIn(args[0], "wenna", args[1], null);
        JsonNode visit = null;
        for (JsonNode strip : read(person, "/api/bench").path("strips")) {
            JsonNode one = read(person, "/api/visits/" + strip.path("id").asText());
            if (visit == null && !read(person, layoutsOf(one)).isEmpty()) {
                visit = one;
            }
        }
        if (visit == null) {
            throw new IllegalStateException("no open visit has a layout");
        }
        String layout = read(person, layoutsOf(visit)).findValue("id").asText();
        byte[] scan = scan(visit.at("/family/code").asText());
        System.out.printf("scan %.1f MB%n", scan.length / 1048576.0);
        System.out.println("at rest             " + told(status));
        for (int i = 0; i < READ; i++) {
            String path = "/api/scans/read?layout=" + layout;
            sent(person, ManyUploads.form("POST", person, path, scan), "read", status);
        }
        for (int i = 0; i < KEPT; i++) {
            String path =
                    "/api/visits/" + visit.path("id").asText() + "/scans/" + UUID.randomUUID() + "?layout=" + layout;
            sent(person, ManyUploads.form("PUT", person, path, scan), "kept", status);
        }
        long peak = megabytes(status, "VmHWM");
        System.out.printf("at the peak %d MB, asked at most %d%n", peak, most);
        System.exit(peak <= most ? 0 : 1);
    }

    private static String layoutsOf(JsonNode visit) {
        return "/api/layouts?family=" + visit.at("/family/code").asText();
    }

    private static void sent(ShopClient person, HttpRequest request, String what, Path status)
            throws IOException, InterruptedException {
        long from = System.nanoTime();
        int code = person.http
                .send(request, HttpResponse.BodyHandlers.discarding())
                .statusCode();
        System.out.printf("%s %d in %.2f s  %s%n", what, code, (System.nanoTime() - from) / 1e9, told(status));
        if (code != 200) {
            throw new IllegalStateException("not " + what);
        }
    }

    private static String told(Path status) throws IOException {
        return "process now " + megabytes(status, "VmRSS") + " MB, at most " + megabytes(status, "VmHWM") + " MB";
    }

    private static long megabytes(Path status, String what) throws IOException {
        return Files.readAllLines(status).stream()
                        .filter(line -> line.startsWith(what + ":"))
                        .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")))
                        .findFirst()
                        .orElseThrow()
                / 1024;
    }

    private static JsonNode read(ShopClient client, String path) throws IOException, InterruptedException {
        return JSON.readTree(client.http
                .send(client.to(path).build(), HttpResponse.BodyHandlers.ofString())
                .body());
    }

    /** As a scanner writes it: it names its dots an inch in the header of JFIF (unit, across, down). */
    private static byte[] scan(String code) throws IOException {
        Family family = StarterFamilies.ALL.stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow();
        BufferedImage sheet = StandInPrinter.print(
                StarterLayouts.of(family), StrokeMix.SCATTERED.draw(family, 7), Scanning.CLEAN.dpi(DPI), 7);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(sheet, "jpeg", bytes);
        byte[] file = bytes.toByteArray();
        ByteBuffer.wrap(file).put(13, (byte) 1).putShort(14, (short) DPI).putShort(16, (short) DPI);
        return file;
    }
}
