package undoknot.server.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import undoknot.server.fluid.Shelf;
import undoknot.server.words.Words;
import undoknot.sitting.Asked;
import undoknot.sitting.EndPoint;
import undoknot.sitting.Noted;
import undoknot.sitting.PartWork;
import undoknot.sitting.Turn;
import undoknot.treatment.Method;
import undoknot.treatment.Seen;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;

/** Rounds, parts and answers in words. What was not timed or not seen says so. */
@Component
class WorkWords {

    private final Words words;

    WorkWords(Words words) {
        this.words = words;
    }

    /** A line for each stroke, in the order of time. */
    List<String> strokes(Treatment.Flush flush) {
        return flush.strokes().stream().map(s -> stroke(flush, s)).toList();
    }

    private String stroke(Treatment.Flush flush, Stroke s) {
        String dose = s.volumeMl().signum() == 0 ? "" : Shelf.plain(s.volumeMl()) + " mL ";
        String time = s.seconds() == null ? "not timed" : "in " + number(s.seconds()) + " s";
        String suction = s.suctionKpa() == null ? "" : ", " + number(s.suctionKpa()) + " kPa";
        return s.channel() + ": " + dose + time + " at " + number(flush.temperatureC()) + " °C" + suction + "; "
                + seen(flush, s.seen());
    }

    private String seen(Treatment.Flush flush, Seen seen) {
        return EndPoint.of(flush.method(), flush.pulses()).marks().stream()
                .map(mark -> seen(flush.method(), mark, seen))
                .filter(Objects::nonNull)
                .collect(Collectors.collectingAndThen(
                        Collectors.joining(", "), text -> text.isEmpty() ? "not looked at" : text));
    }

    private String seen(Method method, Seen.Mark mark, Seen seen) {
        return switch (mark) {
            case RESISTANCE ->
                word(method == Method.DRAW_BACK || method == Method.DAMPER ? "drawn" : "resistance", seen.resistance());
            case EFFLUENT -> word("effluent", seen.effluent());
            case STREAM -> word("stream", seen.stream());
            case PAD_PRINT ->
                seen.padFifths() == null ? null : seen.padFifths() + " of " + Seen.WHOLE_ROW + " fifths on the pad";
            case FRESH_PAD -> yesNo(mark, seen.freshPad());
            case BUBBLES -> yesNo(mark, seen.bubbles());
            case SEDIMENT -> yesNo(mark, seen.sediment());
            case AIR -> yesNo(mark, seen.air());
        };
    }

    private String word(String table, Enum<?> term) {
        return term == null ? null : words.of(table, term);
    }

    private String yesNo(Seen.Mark mark, Boolean seen) {
        return seen == null ? null : words.of(seen ? "markYes" : "markNo", mark);
    }

    /** Parts, answers and turns, a line each. */
    List<String> noted(Noted noted) {
        List<String> lines = new ArrayList<>();
        noted.parts().forEach(p -> lines.add(part(p)));
        noted.answers().forEach((asked, value) -> lines.add(answer(asked, value)));
        noted.turns().forEach(t -> lines.add(turn(t)));
        return lines;
    }

    private String part(PartWork work) {
        String whose = work.channel() == null ? "" : work.channel() + ": ";
        return whose + words.of("part", work.part()) + " " + words.of("partAct", work.act());
    }

    private String answer(Asked asked, BigDecimal value) {
        String said = asked.isYesNo()
                ? value.signum() > 0 ? "yes" : "no"
                : Shelf.plain(value) + " " + words.of("askedUnit", asked);
        return words.of("asked", asked) + ": " + said;
    }

    private String turn(Turn turn) {
        return Stream.of(
                        "Water " + words.of("way", turn.way()),
                        turn.waterC() == null ? null : number(turn.waterC()) + " °C",
                        Boolean.TRUE.equals(turn.deionised()) ? "deionised" : null,
                        turn.seen().isEmpty() ? "no colour seen" : "colour seen: " + String.join(", ", turn.seen()),
                        turn.clear().isEmpty() ? "none clear" : "clear: " + String.join(", ", turn.clear()),
                        turn.lumps() == null ? null : turn.lumps() ? "lumps came out" : "no lumps")
                .filter(Objects::nonNull)
                .collect(Collectors.joining("; "));
    }

    private static String number(double value) {
        return Shelf.plain(BigDecimal.valueOf(value));
    }
}
