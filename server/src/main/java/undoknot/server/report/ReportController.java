package undoknot.server.report;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.words.Words;

/** Paper: the report of a visit and the label of its tag. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class ReportController {

    private static final double PX_PER_MM = 96 / 25.4;

    private final VisitLoader loader;
    private final ReportMaker maker;
    private final Pages pages;
    private final Words words;
    private final QuoteMaker quotes;
    private final PowerWords power;
    private final Clock clock;

    ReportController(
            VisitLoader loader,
            ReportMaker maker,
            Pages pages,
            Words words,
            QuoteMaker quotes,
            PowerWords power,
            Clock clock) {
        this.loader = loader;
        this.maker = maker;
        this.pages = pages;
        this.words = words;
        this.quotes = quotes;
        this.power = power;
        this.clock = clock;
    }

    @GetMapping("/report")
    @Transactional(readOnly = true)
    public Report report(@PathVariable UUID visitId) {
        return maker.of(loader.get(visitId));
    }

    @GetMapping(path = "/report.html", produces = MediaType.TEXT_HTML_VALUE + ";charset=UTF-8")
    @Transactional(readOnly = true)
    public String page(@PathVariable UUID visitId) {
        return pages.html("report", reportData(visitId));
    }

    @GetMapping(path = "/report.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    @Transactional(readOnly = true)
    public ResponseEntity<byte[]> pdf(@PathVariable UUID visitId) {
        Map<String, Object> data = reportData(visitId);
        return file(pages.pdf("report", data), "report-" + ((Report) data.get("r")).tag() + ".pdf");
    }

    /** A quote for the customer: what was found, the chance of going on, and what it and a replacement cost. */
    @GetMapping(path = "/quote.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    @Transactional(readOnly = true)
    public ResponseEntity<byte[]> quote(@PathVariable UUID visitId) {
        Map<String, Object> data = quoteData(visitId);
        return file(pages.pdf("quote", data), "quote-" + ((Report) data.get("r")).tag() + ".pdf");
    }

    /** The quote as a page to read before it is sent. */
    @GetMapping(path = "/quote.html", produces = MediaType.TEXT_HTML_VALUE + ";charset=UTF-8")
    @Transactional(readOnly = true)
    public String quotePage(@PathVariable UUID visitId) {
        return pages.html("quote", quoteData(visitId));
    }

    private Map<String, Object> quoteData(UUID visitId) {
        LoggedVisit logged = loader.get(visitId);
        Map<String, Object> data = reportData(visitId);
        data.put("q", quotes.of(logged));
        return data;
    }

    /** Lines of the record under one heading. */
    record Block(String title, List<String> lines) {}

    private Map<String, Object> reportData(UUID visitId) {
        Report report = report(visitId);
        Map<String, Object> data = new HashMap<>();
        data.put("r", report);
        data.put("outcome", report.outcome() == null ? null : words.of("outcome", report.outcome()));
        data.put("acceptance", report.acceptance() == null ? null : words.of("verdict", report.acceptance()));
        data.put("printedAt", clock.instant());
        data.put(
                "blocks",
                List.of(
                        new Block("Step by step", report.steps()),
                        new Block("New parts", report.record().partsReplaced()),
                        new Block("Alignment", report.record().alignment()),
                        new Block("Off and back", report.record().offParts()),
                        new Block("Also found", report.alsoFound())));
        return data;
    }

    /** The QR code of the tag: the address of the plain page behind it, for a phone; a scanner types it, and the tag is read out of it. */
    @GetMapping(path = "/tag.svg", produces = "image/svg+xml")
    @Transactional(readOnly = true)
    public String tag(@PathVariable UUID visitId) {
        return Pages.qr(tagAddress(loader.get(visitId)), 240);
    }

    @GetMapping(path = "/label.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    @Transactional(readOnly = true)
    public ResponseEntity<byte[]> label(
            @PathVariable UUID visitId, @RequestParam(defaultValue = "W62_H29") LabelSize size) {
        LoggedVisit logged = loader.get(visitId);
        Map<String, Object> data = new HashMap<>();
        data.put("tag", logged.visit().tag);
        data.put("size", size);
        data.put("codeMm", size.codeMm());
        data.put("letterPt", size.letterPt());
        data.put(
                "qr",
                Pages.described(
                        Pages.qr(tagAddress(logged), (int) Math.floor(size.codeMm() * PX_PER_MM)),
                        "Code of tag " + logged.visit().tag));
        data.put("customer", logged.customer().name);
        data.put("family", logged.family().name());
        data.put("serial", logged.head().serial);
        data.put("promisedOn", logged.visit().promisedOn);
        data.put("food", logged.food().needsFoodCare());
        data.put("power", power.of(logged.headNow(clock.instant())));
        return file(pages.pdf("label", data), "label-" + logged.visit().tag + ".pdf");
    }

    private static String tagAddress(LoggedVisit logged) {
        return ServletUriComponentsBuilder.fromCurrentContextPath()
                .path("/t/" + logged.visit().tag)
                .toUriString();
    }

    private static ResponseEntity<byte[]> file(byte[] content, String name) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + name + "\"")
                .contentType(MediaType.APPLICATION_PDF)
                .body(content);
    }
}
