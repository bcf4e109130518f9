package undoknot.server.scan;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Map;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;
import undoknot.simulator.Scanning;
import undoknot.simulator.StandInPrinter;

/** A scan finer than dashes need is decoded at half: it takes a quarter of the memory and reads the same. */
@ServerTest
class FineScanTest {

    @Autowired
    Api api;

    @Autowired
    Pictures pictures;

    @Test
    void at_600_dots_it_reads_as_at_300_and_its_corners_are_in_pixels_of_the_file() throws IOException {
        api.as(Role.TECHNICIAN);
        BufferedImage sheet = StandInPrinter.print(
                Sheets.LAYOUT, Sheets.strokes(61), Scanning.CLEAN.dpi(600).turned(1.2, false), 61);
        String layout = api.json.writeValueAsString(Sheets.LAYOUT);
        byte[] told = Sheets.jpeg(sheet, 600);
        byte[] untold = Sheets.jpeg(sheet, 72);
        Picture half = pictures.decode(SentFile.of(told));
        assertThat(half.every()).isEqualTo(2);
        assertThat(half.image().getWidth()).isEqualTo((sheet.getWidth() + 1) / 2);
        assertThat(half.width()).isBetween(sheet.getWidth(), sheet.getWidth() + 1);
        assertThat(pictures.decode(SentFile.of(untold)).every()).isEqualTo(1);

        JsonNode atHalf = read(told, Map.of("layout", layout));
        JsonNode whole = read(untold, Map.of("layout", layout));
        assertThat(atHalf.at("/map/channels")).isEqualTo(whole.at("/map/channels"));
        for (int corner = 0; corner < 4; corner++) {
            for (String axis : new String[] {"x", "y"}) {
                String path = "/reading/fit/corners/" + corner + "/" + axis;
                assertThat(atHalf.at(path).asDouble())
                        .as(path)
                        .isCloseTo(whole.at(path).asDouble(), Offset.offset(6.0));
            }
        }
        String corners = "{\"sheet\":" + whole.at("/reading/fit/corners") + ",\"blocks\":{}}";
        JsonNode byHand = read(told, Map.of("layout", layout, "corners", corners));
        assertThat(byHand.at("/reading/fit/how").asText()).isEqualTo("BY_HAND");
        assertThat(byHand.at("/map/channels")).isEqualTo(whole.at("/map/channels"));
    }

    private static BufferedImage twice(BufferedImage sheet) {
        BufferedImage large =
                new BufferedImage(2 * sheet.getWidth(), 2 * sheet.getHeight(), BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = large.createGraphics();
        g.drawImage(sheet, 0, 0, large.getWidth(), large.getHeight(), null);
        g.dispose();
        return large;
    }

    private JsonNode read(byte[] file, Map<String, String> fields) {
        return api.send(HttpMethod.POST, "/api/scans/read", "c.jpg", file, fields)
                .is(200)
                .body();
    }
}
