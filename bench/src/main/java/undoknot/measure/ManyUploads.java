package undoknot.measure;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;

/**
 * Large photos and scans from many people at once, while one more person looks at the bench. Used by {@code bench/uploads}. Photos
 * and scans are noise, so that they pack badly; scans read as no check.
 */
public final class ManyUploads {

    private static final int PEOPLE = 16;
    private static final int SLOWEST = 8;
    private static final String PASSWORD = "tide mill lantern cord";
    private static final ObjectMapper JSON = new ObjectMapper();

    private ManyUploads() {}

    /** @param args base address, password of the demo accounts, photos, scans */
    public static void main(String[] args) throws Exception {
        String base = args[0];
        int photos = Integer.parseInt(args[2]);
        int scans = Integer.parseInt(args[3]);
        byte[] photo = noise(4_400, 3_000, 38);
        byte[] scan = noise(4_960, 3_500, 39.5);
        System.out.printf("photo %.1f MB, scan %.1f MB%n", photo.length / 1048576.0, scan.length / 1048576.0);
        ShopClient lead = ShopClient.signedIn(base, "oswin", args[1], null);
        List<ShopClient> people = people(base, lead);
        JsonNode strip = read(lead, "/api/bench").path("strips").get(0);
        String visit = strip.path("id").asText();
        String layout = read(
                        lead,
                        "/api/layouts?family="
                                + read(lead, "/api/visits/" + visit)
                                        .at("/family/code")
                                        .asText())
                .findValue("id")
                .asText();

        Map<String, Integer> answers = new ConcurrentSkipListMap<>();
        Map<String, Double> slowest = new ConcurrentSkipListMap<>();
        AtomicBoolean done = new AtomicBoolean();
        ExecutorService pool = Executors.newCachedThreadPool(work -> {
            Thread thread = new Thread(work);
            thread.setDaemon(true);
            return thread;
        });
        Future<List<Look>> bench = pool.submit(() -> watch(lead, done));
        List<Callable<Void>> work = new ArrayList<>();
        for (int i = 0; i < photos; i++) {
            ShopClient person = people.get(i % PEOPLE);
            HttpRequest request = photo(person, visit, photo);
            work.add(() -> sent(person, "photo", request, answers, slowest));
        }
        for (int i = 0; i < scans; i++) {
            ShopClient person = people.get((photos + i) % PEOPLE);
            work.add(() -> sent(
                    person,
                    "scan",
                    form(
                            "PUT",
                            person,
                            "/api/visits/" + visit + "/scans/" + UUID.randomUUID() + "?layout=" + layout,
                            scan),
                    answers,
                    slowest));
        }
        for (Map.Entry<String, byte[]> bomb : bombs().entrySet()) {
            ShopClient person = people.get(work.size() % PEOPLE);
            work.add(() -> sent(
                    person,
                    bomb.getKey(),
                    form("POST", person, "/api/scans/read?layout=" + layout, bomb.getValue()),
                    answers,
                    slowest));
        }
        long from = System.nanoTime();
        for (Future<Void> one : pool.invokeAll(work)) {
            one.get();
        }
        double all = (System.nanoTime() - from) / 1e9;
        done.set(true);
        List<Look> looks = bench.get().stream()
                .sorted(Comparator.comparingDouble(Look::ms))
                .toList();
        pool.shutdown();
        System.out.printf("all answered after %.1f s%n", all);
        answers.forEach((what, count) -> System.out.println(what + ": " + count + " times"));
        slowest.forEach((what, s) -> System.out.printf("slowest %s %.1f s%n", what, s));
        System.out.printf(
                "bench view meanwhile: %d looks, median %.0f ms, p95 %.0f ms, worst %.0f ms%n",
                looks.size(),
                looks.get(looks.size() / 2).ms,
                looks.get((int) (looks.size() * 0.95)).ms,
                looks.get(looks.size() - 1).ms);
        System.out.println("the slowest: "
                + looks.subList(Math.max(0, looks.size() - SLOWEST), looks.size()).stream()
                        .map(look -> "%.0f ms after %.1f s".formatted(look.ms, (look.from - from) / 1e9))
                        .collect(Collectors.joining(", ")));
        if (answers.keySet().stream().anyMatch(a -> a.matches(".* (5\\d\\d|broke).*"))) {
            System.out.println("NOT AS ASKED: an answer was 5xx or none");
            System.exit(1);
        }
    }

    private static List<ShopClient> people(String base, ShopClient lead) throws IOException, InterruptedException {
        List<ShopClient> people = new ArrayList<>();
        for (int i = 0; i < PEOPLE; i++) {
            String name = "sender" + i;
            String added = lead.post(
                            "/api/accounts",
                            "{\"name\":\"" + name + "\",\"displayName\":\"Sender " + i + "\",\"role\":\"TECHNICIAN\"}")
                    .body();
            String code = JSON.readTree(added).path("code").asText();
            people.add(ShopClient.signedIn(base, name, code, PASSWORD));
        }
        return people;
    }

    private static JsonNode read(ShopClient client, String path) throws IOException, InterruptedException {
        return JSON.readTree(client.http
                .send(client.to(path).build(), HttpResponse.BodyHandlers.ofString())
                .body());
    }

    /** @param from of {@link System#nanoTime} */
    private record Look(long from, double ms) {}

    private static List<Look> watch(ShopClient client, AtomicBoolean done) throws Exception {
        List<Look> looks = new ArrayList<>();
        while (!done.get()) {
            long from = System.nanoTime();
            client.http.send(client.to("/api/bench").build(), HttpResponse.BodyHandlers.ofByteArray());
            looks.add(new Look(from, (System.nanoTime() - from) / 1e6));
            Thread.sleep(200);
        }
        return looks;
    }

    private static Void sent(
            ShopClient person,
            String what,
            HttpRequest request,
            Map<String, Integer> answers,
            Map<String, Double> slowest)
            throws InterruptedException {
        long from = System.nanoTime();
        String code;
        try {
            code = String.valueOf(person.http
                    .send(request, HttpResponse.BodyHandlers.ofString())
                    .statusCode());
        } catch (IOException e) {
            code = "broke: " + e.getMessage();
        }
        answers.merge(what + " " + code, 1, Integer::sum);
        slowest.merge(what, (System.nanoTime() - from) / 1e9, Math::max);
        return null;
    }

    /** A photo goes with an entry of what was found besides. */
    private static HttpRequest photo(ShopClient person, String visit, byte[] photo)
            throws IOException, InterruptedException {
        String path = "/api/visits/" + visit + "/also-found/" + UUID.randomUUID();
        person.http.send(
                person.to(path)
                        .header("Content-Type", "application/json")
                        .PUT(HttpRequest.BodyPublishers.ofString("{\"what\":\"ROLLERS\",\"place\":\"left\"}"))
                        .build(),
                HttpResponse.BodyHandlers.discarding());
        return form("PUT", person, path + "/photo", photo);
    }

    static HttpRequest form(String method, ShopClient person, String path, byte[] file) {
        String edge = "edge-of-a-part";
        byte[] head = ("--" + edge + "\r\nContent-Disposition: form-data; name=\"image\"; filename=\"a.jpg\"\r\n"
                        + "Content-Type: application/octet-stream\r\n\r\n")
                .getBytes(StandardCharsets.US_ASCII);
        byte[] foot = ("\r\n--" + edge + "--\r\n").getBytes(StandardCharsets.US_ASCII);
        return person.to(path)
                .header("Content-Type", "multipart/form-data; boundary=" + edge)
                .method(method, HttpRequest.BodyPublishers.ofByteArrays(List.of(head, file, foot)))
                .build();
    }

    /** A JPEG of noise, filled up behind its end to so many MB. */
    private static byte[] noise(int width, int height, double mb) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(7);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                image.setRGB(x, y, random.nextInt());
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam how = writer.getDefaultWriteParam();
        how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        how.setCompressionQuality(0.95f);
        try (var stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), how);
        }
        writer.dispose();
        int wanted = (int) (mb * 1048576);
        if (out.size() < wanted) {
            out.write(new byte[wanted - out.size()]);
        }
        return out.toByteArray();
    }

    /** Small files that would fill the memory. */
    private static Map<String, byte[]> bombs() throws IOException {
        Map<String, byte[]> bombs = new TreeMap<>();
        bombs.put("bomb 149,000,000 x 1", png(149_000_000, 1, 8, 2, new byte[0], null));
        bombs.put("bomb text of 1.5 GB", png(50, 50, 8, 2, zeros(50L * 151), zeros(1_500_000_000L)));
        bombs.put("bomb 45 megapixels of 16 bits", png(9_000, 5_000, 16, 6, zeros(5_000L * (9_000 * 8 + 1)), null));
        return bombs;
    }

    private static byte[] zeros(long count) {
        Deflater deflater = new Deflater(9);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] block = new byte[1 << 20];
        byte[] packed = new byte[1 << 16];
        for (long left = count; left > 0; left -= block.length) {
            deflater.setInput(block, 0, (int) Math.min(left, block.length));
            while (!deflater.needsInput()) {
                out.write(packed, 0, deflater.deflate(packed));
            }
        }
        deflater.finish();
        while (!deflater.finished()) {
            out.write(packed, 0, deflater.deflate(packed));
        }
        deflater.end();
        return out.toByteArray();
    }

    private static byte[] png(int width, int height, int bits, int colour, byte[] data, byte[] text)
            throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        ByteArrayOutputStream head = new ByteArrayOutputStream();
        head.write(four(width));
        head.write(four(height));
        head.write(new byte[] {(byte) bits, (byte) colour, 0, 0, 0});
        chunk(out, "IHDR", head.toByteArray());
        if (text != null) {
            ByteArrayOutputStream note = new ByteArrayOutputStream();
            note.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
            note.write(text);
            chunk(out, "zTXt", note.toByteArray());
        }
        chunk(out, "IDAT", data);
        chunk(out, "IEND", new byte[0]);
        return out.toByteArray();
    }

    private static void chunk(ByteArrayOutputStream out, String type, byte[] data) throws IOException {
        byte[] name = type.getBytes(StandardCharsets.US_ASCII);
        CRC32 sum = new CRC32();
        sum.update(name);
        sum.update(data);
        out.write(four(data.length));
        out.write(name);
        out.write(data);
        out.write(four((int) sum.getValue()));
    }

    private static byte[] four(int value) {
        return new byte[] {(byte) (value >>> 24), (byte) (value >>> 16), (byte) (value >>> 8), (byte) value};
    }
}
