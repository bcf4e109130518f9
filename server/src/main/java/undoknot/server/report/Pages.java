package undoknot.server.report;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.logging.Level;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;
import undoknot.server.fluid.Shelf;
import undoknot.server.shop.Shop;
import undoknot.server.shop.Shops;
import undoknot.server.words.Words;

/** Renders pages for paper: the same page as HTML and as PDF, with the fonts shipped here. */
@Component
class Pages {

    private final ITemplateEngine templates;
    private final Words words;
    private final Shops shops;
    private final PaperFonts fonts;

    Pages(ITemplateEngine templates, Words words, Shops shops, PaperFonts fonts) {
        this.fonts = fonts;
        this.templates = templates;
        this.words = words;
        this.shops = shops;
        // Which fonts and style sheets it loads is no news; what goes wrong is.
        XRLog.listRegisteredLoggers().forEach(logger -> XRLog.setLevel(logger, Level.WARNING));
    }

    /** The page for a screen, which has to fetch the fonts. */
    String html(String template, Map<String, Object> data) {
        return page(template, data, true);
    }

    private String page(String template, Map<String, Object> data, boolean onScreen) {
        Context context = new Context(Locale.ENGLISH, data);
        context.setVariable("onScreen", onScreen);
        context.setVariable("words", words);
        Function<BigDecimal, String> plain = Shelf::plain;
        context.setVariable("plain", plain);
        Shop shop = shops.now();
        context.setVariable("currency", shop.currency);
        context.setVariable(
                "day", DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(shop.zoneId()));
        context.setVariable(
                "moment",
                DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH).withZone(shop.zoneId()));
        return templates.process(template, context);
    }

    byte[] pdf(String template, Map<String, Object> data) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useFastMode();
        // Tagged, so that a screen reader reads it in order.
        builder.usePdfUaAccessibility(true);
        builder.useSVGDrawer(new BatikSVGDrawer());
        fonts.giveTo(builder);
        builder.withHtmlContent(withWhatIsMissing(page(template, data, false)), null);
        builder.toStream(out);
        try {
            builder.run();
        } catch (IOException e) {
            throw new IllegalStateException("the page " + template + " could not be made into a PDF", e);
        }
        return out.toByteArray();
    }

    /** Says at the foot which signs stand as gaps, and what helps. */
    private String withWhatIsMissing(String html) {
        Set<String> missing = fonts.missing(html);
        return missing.isEmpty()
                ? html
                : html.replace(
                        "</body>",
                        "<p>Some signs on this page cannot be drawn by the fonts of this program ("
                                + String.join(", ", missing)
                                + "); they stand as #. They are kept as they were typed. Whoever looks after the program adds a font"
                                + " for them.</p></body>");
    }

    /** A drawing with what it shows in words, for who cannot see it, on paper and on the screen. */
    static String described(String svg, String text) {
        String escaped = org.springframework.web.util.HtmlUtils.htmlEscape(text);
        return svg.replaceFirst(
                "<svg ",
                java.util.regex.Matcher.quoteReplacement(
                        "<svg role=\"img\" aria-label=\"" + escaped + "\" alt=\"" + escaped + "\" "));
    }

    /** A QR code as SVG, one unit a module, with the quiet zone it needs. */
    static String qr(String text, int sizePx) {
        try {
            BitMatrix matrix = new QRCodeWriter()
                    .encode(
                            text,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.Q, EncodeHintType.MARGIN, 4));
            StringBuilder path = new StringBuilder();
            for (int y = 0; y < matrix.getHeight(); y++) {
                for (int x = 0; x < matrix.getWidth(); x++) {
                    if (matrix.get(x, y)) {
                        path.append("M").append(x).append(' ').append(y).append("h1v1h-1z");
                    }
                }
            }
            return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + sizePx + "\" height=\"" + sizePx
                    + "\" viewBox=\"0 0 "
                    + matrix.getWidth() + " " + matrix.getHeight() + "\" shape-rendering=\"crispEdges\">"
                    + "<rect width=\"100%\" height=\"100%\" fill=\"#ffffff\"/><path d=\"" + path
                    + "\" fill=\"#000000\"/></svg>";
        } catch (WriterException e) {
            throw new IllegalStateException("no QR code can hold " + text, e);
        }
    }
}
