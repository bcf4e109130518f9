package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.nozzle.CoarseReading.Level.*;
import static undoknot.observation.Sign.STATION_CLEAN;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Cause;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.CoarseReading.Kind;
import undoknot.nozzle.CoarseReading.Level;
import undoknot.nozzle.CoarseReading.Line;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment.Resistance;

/** Bars and streams drive the same rules as maps (handbook 5 and 13): better, same, worse in two channels. */
class BarsAndStreamsTest {

    private static final List<String> CODES = List.of("K", "C", "M", "Y", "LC", "LM");

    private static CoarseReading bars(Level level, String... channels) {
        return reading(Kind.BARS, BAR_FULL, level, channels);
    }

    private static CoarseReading reading(Kind kind, Level best, Level level, String... channels) {
        Map<String, Line> lines = new LinkedHashMap<>();
        CODES.forEach(code -> lines.put(code, new Line(List.of(channels).contains(code) ? level : best, null)));
        return new CoarseReading(kind, lines);
    }

    private static Advice first(WrittenVisit visit) {
        return visit.judge().advice().first();
    }

    private static WrittenVisit desk() {
        return new WrittenVisit("ORSEL-D6").told(12, Symptom.GAPS_SEVERAL).found(STATION_CLEAN, null);
    }

    /** Absent to pale is a third of the way: the same again. No change: the next rung. */
    @ParameterizedTest
    @CsvSource({"BAR_PALE, RECOVERING", "BAR_STREAKED, RECOVERING", "BAR_ABSENT, NO_RECOVERY"})
    void bars_judge_improvement(Level now, Rule rule) {
        WrittenVisit visit = desk().coarse(bars(BAR_ABSENT, "C", "M"))
                .soak(10, "C", "M")
                .coarse(bars(now, "C", "M"))
                .cycle("C", "M")
                .coarse(bars(now, "C", "M"));
        Advice.Answer answer = visit.judge().advice();
        assertThat(java.util.stream.Stream.concat(java.util.stream.Stream.of(answer.first()), answer.others().stream())
                        .filter(a -> a.channels().contains("C") && a.act() == Act.WORK))
                .anyMatch(a -> a.rule() == rule);
    }

    /** Worse in two channels after a cycle: the station. */
    @Test
    void two_channels_that_turn_worse_after_a_cycle_ask_for_the_station() {
        WrittenVisit visit = desk().coarse(bars(BAR_STREAKED, "C")).cycle("C");
        visit.coarse(bars(BAR_STREAKED, "C", "M", "Y"));
        assertThat(first(visit).rule()).isEqualTo(Rule.NEWLY_OUT);
        assertThat(first(visit).method()).isEqualTo(Method.STATION);
    }

    /** Every bar full is acceptance by bars, and the page comes first there too. */
    @Test
    void full_bars_end_a_visit_after_a_page() {
        WrittenVisit visit = desk().coarse(bars(BAR_STREAKED, "C"))
                .flush(Resistance.FREE, "C")
                .coarse(bars(BAR_FULL))
                .found(STATION_CLEAN, null);
        assertThat(first(visit).method()).isEqualTo(Method.PAGE);
        visit.page().coarse(bars(BAR_FULL));
        assertThat(first(visit).act()).isEqualTo(Act.FINISH);
        assertThat(visit.visit().affected()).isEmpty();
    }

    /** No stream on the bench: soak and flush again there, not a cycle. */
    @Test
    void no_stream_is_soaked_and_flushed_and_never_cycled() {
        WrittenVisit visit = desk().scattered("C", 5, 0).check().flush(Resistance.WOULD_NOT_GO, "C");
        visit.coarse(reading(Kind.STREAM, STREAM_WHOLE, STREAM_NONE, "C"));
        Advice.Answer answer = visit.judge().advice();
        assertThat(answer.next().method().needsPower()).isFalse();
        assertThat(answer.next().channels()).containsExactly("C");
        assertThat(answer.others()).noneMatch(a -> a.act() == Act.WORK && a.needsPower());
    }

    /** A whole stream is ready to refit, and no acceptance. */
    @Test
    void a_whole_stream_is_no_acceptance() {
        WrittenVisit visit = desk().scattered("C", 5, 0).check().flush(Resistance.FREE, "C");
        visit.coarse(reading(Kind.STREAM, STREAM_WHOLE, STREAM_WHOLE));
        assertThat(first(visit).rule()).isEqualTo(Rule.CHECK_AFTER_REFIT);
        assertThat(visit.visit().verdict()).isNull();
    }

    /** Blank after two months, hot and without power: dried ink first, be it told by map, bars or stream. */
    @ParameterizedTest
    @CsvSource({"MAP", "BARS", "STREAM"})
    void all_blank_after_months_is_dried_ink_however_it_was_read(String how) {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6")
                .told(60, Symptom.EVERYTHING_BLANK)
                .told(Sign.HOT_DRY, null)
                .told(Sign.UNPOWERED, null);
        String[] all = CODES.toArray(String[]::new);
        switch (how) {
            case "MAP" -> {
                CODES.forEach(visit::whole);
                visit.check();
            }
            case "BARS" -> visit.coarse(bars(BAR_ABSENT, all));
            default -> visit.coarse(reading(Kind.STREAM, STREAM_WHOLE, STREAM_NONE, all));
        }
        assertThat(visit.judge().ranking().leading().cause()).isEqualTo(Cause.DRIED_INK);
    }

    /** One colour gone and the others fine, not long idle: cartridge before nozzles, by map and by bars alike. */
    @ParameterizedTest
    @CsvSource({"MAP", "BARS"})
    void one_colour_gone_is_the_cartridge_however_it_was_read(String how) {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6").told(3, Symptom.ONE_COLOUR_GONE);
        if (how.equals("MAP")) {
            visit.whole("K").check();
        } else {
            visit.coarse(bars(BAR_ABSENT, "K"));
        }
        assertThat(visit.judge().ranking().leading().cause()).isEqualTo(Cause.CARTRIDGE_FAULT);
        assertThat(first(visit).look()).isEqualTo(undoknot.observation.Look.INK_LEVEL);
    }
}
