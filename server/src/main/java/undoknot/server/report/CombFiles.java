package undoknot.server.report;

import java.io.ByteArrayOutputStream;
import java.io.StringReader;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.batik.transcoder.TranscoderException;
import org.apache.batik.transcoder.TranscoderInput;
import org.apache.batik.transcoder.TranscoderOutput;
import org.apache.batik.transcoder.image.ImageTranscoder;
import org.apache.batik.transcoder.image.PNGTranscoder;
import undoknot.head.Channel;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;

/** The combs of a check, and of two laid tooth to tooth, as one picture. */
final class CombFiles {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT);
    private static final int MARGIN = 20;
    private static final int HEAD = 54;
    private static final int LABEL = 18;
    private static final int WIDTH = 660 + 2 * MARGIN;
    private static final float PNG_WIDTH = 2 * WIDTH;

    private CombFiles() {}

    private record Row(String label, String comb, int height) {}

    static String comb(LoggedVisit logged, NozzleCheck check, ZoneId zone) {
        NozzleMap map = logged.map(check);
        List<Row> rows = new ArrayList<>();
        for (Channel channel : logged.family().channels()) {
            var states = map.channel(channel.code());
            rows.add(new Row(
                    label(channel) + ": " + states.count(NozzleState.MISSING) + " out, "
                            + states.count(NozzleState.DEFLECTED) + " deflected, " + states.count(NozzleState.WEAK)
                            + " weak, " + states.count(NozzleState.UNREAD) + " unread of " + states.size(),
                    CombSvg.single(states, channel.ink(), CombSvg.WIDE),
                    24));
        }
        return sheet(logged, "Check " + number(logged, check), note(check, zone), rows);
    }

    static String comparison(LoggedVisit logged, NozzleCheck before, NozzleCheck now, ZoneId zone) {
        NozzleMap was = logged.map(before);
        NozzleMap is = logged.map(now);
        Comparison comparison = Comparison.of(was, is);
        List<Row> rows = new ArrayList<>();
        for (Channel channel : logged.family().channels()) {
            Counts counts = comparison.channels().get(channel.code());
            rows.add(new Row(
                    label(channel) + ": " + counts.restored() + " restored, " + counts.stillOut() + " still out, "
                            + counts.newlyOut() + " newly out, " + counts.leftOut() + " left out",
                    CombSvg.facing(
                            was.channel(channel.code()), is.channel(channel.code()), channel.ink(), CombSvg.WIDE),
                    48));
        }
        return sheet(
                logged,
                "Check " + number(logged, before) + " above, check " + number(logged, now) + " below",
                note(before, zone) + "; " + note(now, zone),
                rows);
    }

    private static String label(Channel channel) {
        return channel.code() + " " + channel.colour();
    }

    private static int number(LoggedVisit logged, NozzleCheck check) {
        return logged.checks().indexOf(check) + 1;
    }

    private static String note(NozzleCheck check, ZoneId zone) {
        return TIME.format(check.takenAt.atZone(zone)) + (check.simulated ? ", simulated" : "");
    }

    private static String sheet(LoggedVisit logged, String title, String note, List<Row> rows) {
        int height = HEAD
                + MARGIN
                + rows.stream().mapToInt(r -> r.height() + LABEL + 8).sum();
        StringBuilder svg = new StringBuilder();
        svg.append("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"")
                .append(WIDTH)
                .append("\" height=\"");
        svg.append(height)
                .append("\" viewBox=\"0 0 ")
                .append(WIDTH)
                .append(' ')
                .append(height)
                .append("\">");
        svg.append("<rect width=\"100%\" height=\"100%\" fill=\"#ffffff\"/>");
        text(svg, 26, 16, logged.visit().tag + ", " + logged.family().name() + ", " + title);
        text(svg, 44, 12, note);
        int y = HEAD;
        for (Row row : rows) {
            y += LABEL;
            text(svg, y - 5, 12, row.label());
            svg.append("<g transform=\"translate(")
                    .append(MARGIN)
                    .append(',')
                    .append(y)
                    .append(")\">");
            svg.append(row.comb()).append("</g>");
            y += row.height() + 8;
        }
        return svg.append("</svg>").toString();
    }

    private static void text(StringBuilder svg, int y, int size, String text) {
        svg.append("<text x=\"").append(MARGIN).append("\" y=\"").append(y);
        svg.append("\" font-family=\"sans-serif\" font-size=\"").append(size).append("\" fill=\"#1d2126\">");
        svg.append(org.springframework.web.util.HtmlUtils.htmlEscape(text)).append("</text>");
    }

    static byte[] png(String svg) {
        PNGTranscoder transcoder = new PNGTranscoder();
        transcoder.addTranscodingHint(ImageTranscoder.KEY_WIDTH, PNG_WIDTH);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            transcoder.transcode(new TranscoderInput(new StringReader(svg)), new TranscoderOutput(bytes));
        } catch (TranscoderException e) {
            throw new IllegalStateException("our own drawing cannot be drawn", e);
        }
        return bytes.toByteArray();
    }
}
