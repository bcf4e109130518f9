package undoknot.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;

/** What is typed in any script stands on paper, or paper says in words that it cannot be drawn. */
@ServerTest
class PaperFontsTest {

    @Autowired
    Api api;

    @ParameterizedTest
    @CsvSource({
        "Müller & Søn Łódź, ''",
        "Ναυπηγείο Χανίων, ''",
        "Судоремонт Варна Ёлка, ''",
        "½ × 3 µm – “so” …, ''",
        "印刷 頭, Han",
        "プリント ヘッド, Katakana",
        "Ναός 修理, Han"
    })
    void each_script_is_drawn_or_named(String text, String missing) {
        assertThat(String.join(", ", new PaperFonts("").missing(text))).isEqualTo(missing);
    }

    @Test
    void a_folder_of_fonts_is_taken(@TempDir Path folder) throws Exception {
        try (InputStream font = getClass().getResourceAsStream("/fonts/DejaVuSans.ttf")) {
            Files.copy(font, folder.resolve("more.TTF"));
        }
        assertThat(new PaperFonts(folder.toString()).missing("Ναός")).isEmpty();
    }

    private String report(String customer) throws Exception {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.put("customerName", customer);
        byte[] pdf = api.raw(HttpMethod.GET, "/api/visits/" + api.newVisit(intake) + "/report.pdf", null)
                .getContentAsByteArray();
        try (PDDocument read = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(read);
        }
    }

    @Test
    void a_customers_name_is_read_back_from_the_pdf() throws Exception {
        assertThat(report("Ναυπηγείο Варна")).contains("Ναυπηγείο Варна").doesNotContain("cannot be drawn");
    }

    @Test
    void what_cannot_be_drawn_is_said_in_words() throws Exception {
        assertThat(report("印刷所")).contains("cannot be drawn", "Han");
    }
}
