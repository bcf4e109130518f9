package undoknot.server.report;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.awt.Font;
import java.awt.FontFormatException;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Which signs paper can draw: Latin in the house's own letter, Greek, Cyrillic and more in a second one, and what a shop adds as TrueType
 * files in a folder of its own. What none of them has is said in words on the page, so that nobody takes a gap for a blank entry.
 */
@Component
class PaperFonts {

    private static final String OWN = "Atkinson Hyperlegible";
    private static final String SECOND = "Paper Fallback";
    private static final String SHOPS = "Paper Bench Fonts";
    private static final String FOLDER = "/fonts/";

    private record Shipped(String file, String family, int weight) {}

    private static final List<Shipped> SHIPPED = List.of(
            new Shipped("AtkinsonHyperlegible_400Regular.ttf", OWN, 400),
            new Shipped("AtkinsonHyperlegible_700Bold.ttf", OWN, 700),
            new Shipped("DejaVuSans.ttf", SECOND, 400),
            new Shipped("DejaVuSans-Bold.ttf", SECOND, 700));

    private final List<Path> added;
    private final List<Font> known = new ArrayList<>();

    /** @param folder of more TrueType files; empty for none */
    PaperFonts(@Value("${undoknot.fonts:}") String folder) {
        this.added = folder.isBlank() ? List.of() : inFolder(Path.of(folder));
        SHIPPED.forEach(font -> known.add(font(font.file, open(font.file))));
        added.forEach(file -> known.add(font(file.toString(), open(file))));
    }

    private static List<Path> inFolder(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(
                            f -> f.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".ttf"))
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException("the folder of fonts cannot be read: " + folder, e);
        }
    }

    private static InputStream open(String shipped) {
        return PaperFonts.class.getResourceAsStream(FOLDER + shipped);
    }

    private static InputStream open(Path file) {
        try {
            return Files.newInputStream(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Font font(String name, InputStream in) {
        try (in) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
        } catch (IOException | FontFormatException e) {
            throw new IllegalStateException("this is no TrueType font: " + name, e);
        }
    }

    void giveTo(PdfRendererBuilder builder) {
        SHIPPED.forEach(
                font -> builder.useFont(() -> open(font.file), font.family, font.weight, FontStyle.NORMAL, true));
        added.forEach(file -> builder.useFont(() -> open(file), SHOPS, 400, FontStyle.NORMAL, true));
    }

    /** Scripts of the signs in a text that none of the fonts has, such as Han; empty when all can be drawn. */
    Set<String> missing(String text) {
        return text.codePoints()
                .filter(sign -> !Character.isISOControl(sign) && !Character.isWhitespace(sign))
                .filter(sign -> known.stream().noneMatch(font -> font.canDisplay(sign)))
                .mapToObj(PaperFonts::script)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static String script(int sign) {
        Character.UnicodeScript script = Character.UnicodeScript.of(sign);
        return switch (script) {
            case COMMON, INHERITED, UNKNOWN -> "symbols";
            default -> {
                String name = script.name().replace('_', ' ').toLowerCase(java.util.Locale.ROOT);
                yield Character.toUpperCase(name.charAt(0)) + name.substring(1);
            }
        };
    }
}
