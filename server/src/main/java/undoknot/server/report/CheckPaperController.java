package undoknot.server.report;

import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import undoknot.head.CheckLayout;
import undoknot.server.head.Layouts;
import undoknot.server.problem.Refused;

/** Paper to print checks on, for layouts with registration marks. */
@RestController
class CheckPaperController {

    private final Layouts layouts;
    private final Pages pages;

    CheckPaperController(Layouts layouts, Pages pages) {
        this.layouts = layouts;
        this.pages = pages;
    }

    @GetMapping(path = "/api/layouts/{id}/paper.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> paper(@PathVariable UUID id) {
        CheckLayout layout = layouts.find(id).map(layouts::parse).orElseThrow(() -> Refused.notFound("check layout"));
        if (layout.marks() == null) {
            throw Refused.because(
                    HttpStatus.CONFLICT,
                    "no-marks",
                    "This layout has no registration marks, so any paper will do. Switch them on in the layout first.");
        }
        byte[] pdf = pages.pdf(
                "paper",
                Map.of(
                        "svg",
                        Pages.described(CheckPaper.svg(layout), "Registration marks"),
                        "widthMm",
                        layout.widthMm(),
                        "heightMm",
                        layout.heightMm()));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"check-paper.pdf\"")
                .contentType(MediaType.APPLICATION_PDF)
                .body(pdf);
    }
}
