package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Sign;
import undoknot.practice.HouseRules;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/** When a head is given up, and what goes before (handbook 13, rules 0, 2 and 11). */
class GivingUpTest {

    private static final int MOST_STEPS = 80;

    /** Nothing helps: every remedy of every cause of five per cent or more is had before the head is called lost. */
    @ParameterizedTest(name = "{0}: {1}")
    @MethodSource("lost")
    void a_head_is_given_up_only_when_no_likely_cause_has_a_remedy_left(
            String family, String how, UnaryOperator<WrittenVisit> gaps) {
        WrittenVisit visit = gaps.apply(new WrittenVisit(family)).check();
        Set<Method> had = new LinkedHashSet<>();
        List<Rule> rules = new ArrayList<>();
        Advice advice = visit.judge().advice().first();
        for (int step = 0; step < MOST_STEPS && goesOn(advice); step++) {
            rules.add(advice.rule());
            if (advice.act() == Act.WORK) {
                had.add(advice.method());
            }
            follow(visit, advice);
            advice = visit.judge().advice().first();
        }
        assertThat(advice.act()).isIn(Act.NOT_RECOVERABLE, Act.STOP_ELECTRICAL, Act.ELSEWHERE);
        if (advice.act() == Act.NOT_RECOVERABLE) {
            Ladder.Head head = new Ladder.Head(visit.visit().family(), HouseRules.DEFAULT, false, false, false);
            for (Ranking.Likely likely : visit.judge().ranking().in("C")) {
                if (likely.probability() >= Recovery.LIKELY_ENOUGH && likely.cause() != Cause.NOT_THE_HEAD) {
                    assertThat(had).as("%s after %s", likely, rules).containsAll(Ladder.of(likely.cause(), head));
                }
            }
        }
    }

    static Stream<Arguments> lost() {
        Map<String, UnaryOperator<WrittenVisit>> gaps = Map.of(
                "a run", v -> v.run("C", 20, 60),
                "scattered", v -> v.scattered("C", 6, 0),
                "a few", v -> v.scattered("C", 40, 3),
                "two channels", v -> v.run("C", 20, 60).scattered("M", 5, 2),
                "wholly out", v -> v.whole("C"),
                "deflected", v -> v.run("C", 30, 80, NozzleState.DEFLECTED),
                "at the ends", v -> v.ends("C", 12));
        return Stream.of("TARROW-T4", "ORSEL-D6", "HULVER-W8", "VENNICK-B3", "PELLAM-M5", "SKERRIN-L4")
                .flatMap(family -> gaps.entrySet().stream().map(e -> Arguments.of(family, e.getKey(), e.getValue())));
    }

    /** Does what the advice says; looks find nothing wrong, and nothing helps. */
    static WrittenVisit follow(WrittenVisit visit, Advice advice) {
        if (advice.act() == Act.LOOK) {
            String where =
                    advice.channels().isEmpty() ? null : advice.channels().get(0);
            return visit.found(advice.look().fine(), where);
        }
        return advice.act() == Act.CHECK
                ? visit.check()
                : visit.work(treatment(advice)).check();
    }

    private static boolean goesOn(Advice advice) {
        return advice.act() == Act.LOOK || advice.act() == Act.CHECK || advice.act() == Act.WORK;
    }

    private static Treatment treatment(Advice advice) {
        Set<String> where = new LinkedHashSet<>(advice.channels());
        return switch (advice.method()) {
            case CYCLE -> new Treatment.Cycle(where, Treatment.Strength.LIGHT, 1);
            case CYCLE_STRONG -> new Treatment.Cycle(where, Treatment.Strength.STRONG, 1);
            case PORT_SOAK -> new Treatment.Soak(Treatment.Place.PORT, where, BigDecimal.ONE, 10);
            case TRAY_SOAK -> new Treatment.Soak(Treatment.Place.TRAY, where, BigDecimal.ONE, 15);
            case BATH -> new Treatment.Bath(where, BigDecimal.TEN, 3, 30, 1, 60);
            case FLUSH, WARM ->
                new Treatment.Flush(
                        where.stream()
                                .map(code -> new undoknot.treatment.Stroke(
                                        code,
                                        BigDecimal.valueOf(3),
                                        30,
                                        Treatment.Resistance.FREE,
                                        Treatment.Effluent.TINTED,
                                        Treatment.Stream.DRIPS))
                                .toList(),
                        advice.method() == Method.WARM ? 45 : 20);
            default -> new Treatment.Handwork(advice.method(), where, BigDecimal.ZERO);
        };
    }

    /** Rule 2 comes before rule 3: new gaps in two channels after a wipe point to the station, not to a settling cycle. */
    @Test
    void new_gaps_in_two_channels_after_a_wipe_ask_for_the_station() {
        WrittenVisit visit = new WrittenVisit("TARROW-T4").scattered("C", 6, 0).check();
        visit.hands(Method.WIPE, "K", "C", "M", "Y")
                .run("M", 10, 20)
                .run("Y", 30, 40)
                .check();
        Advice advice = visit.judge().advice().first();
        assertThat(advice.rule()).isEqualTo(Rule.NEWLY_OUT);
        assertThat(advice.method()).isEqualTo(Method.STATION);
    }

    /** Rule 0 outranks rule 1: a found fault is mended before an accepted head is finished. */
    @Test
    void what_was_found_is_mended_before_a_head_is_accepted() {
        WrittenVisit visit =
                new WrittenVisit("TARROW-T4").clear("C").check().page().check().found(Sign.STATION_CRUSTED, null);
        assertThat(visit.judge().advice().first().method()).isEqualTo(Method.STATION);
    }

    /** What brings much back goes on within its own cap, past the rungs of what does not help. */
    @Test
    void a_flush_that_brings_much_back_goes_on_past_its_rungs() {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6").run("C", 1, 160).check();
        for (int left : new int[] {110, 76, 52}) {
            visit.flush(Treatment.Resistance.FREE, "C")
                    .clear("C")
                    .run("C", 1, left)
                    .check();
            visit.cycle("C").check();
        }
        Advice.Answer answer = visit.judge().advice();
        assertThat(Stream.concat(Stream.of(answer.first()), answer.others().stream()))
                .anyMatch(a -> a.rule() == Rule.RECOVERING && a.method() == Method.FLUSH);
    }
}
