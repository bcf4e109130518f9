package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Symptom.*;
import static undoknot.treatment.Treatment.Resistance.*;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Cause;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Fact;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Method;

/** What is next in each channel goes by what came of the work there, and of no other (handbook 13, rules 3 and 8 to 11). */
class ChannelByChannelTest {

    private static WrittenVisit desk() {
        return new WrittenVisit("ORSEL-D6").told(40, GAPS_SEVERAL);
    }

    private static List<Advice> all(WrittenVisit visit) {
        Advice.Answer answer = visit.judge().advice();
        return Stream.concat(Stream.of(answer.first()), answer.others().stream())
                .toList();
    }

    private static Advice in(WrittenVisit visit, String channel) {
        return all(visit).stream()
                .filter(a -> a.act() == Act.WORK && a.channels().contains(channel))
                .filter(a -> a.rule() != Rule.SETTLE_FIRST)
                .findFirst()
                .orElseThrow();
    }

    /** 100 of 160 out; a soak and a cycle later so many are back (handbook 13: 0.20 and 0.05). */
    @ParameterizedTest
    @CsvSource({
        "20, RECOVERING, PORT_SOAK",
        "19, RECOVERING_SLOWLY, PORT_SOAK",
        "6, RECOVERING_SLOWLY, PORT_SOAK",
        "5, NO_RECOVERY, PORT_SOAK",
        "0, NO_RECOVERY, PORT_SOAK"
    })
    void recovery_has_two_thresholds(int back, Rule rule, Method method) {
        WrittenVisit visit = desk().run("C", 1, 100).check().soak(10, "C");
        if (back > 0) {
            visit.run("C", 1, back, NozzleState.FIRING);
        }
        Advice next = in(visit.check().cycle("C").check(), "C");
        assertThat(next.rule()).isEqualTo(rule);
        assertThat(next.facts()).containsEntry(Fact.RESTORED, back).containsEntry(Fact.BEFORE, 100);
        if (rule != Rule.NO_RECOVERY) {
            assertThat(next.method()).isEqualTo(method);
        }
    }

    /** A flush that brought some back is followed by a warm one, or where nothing may be warm by a soak. */
    @Test
    void some_recovery_after_a_flush_asks_for_warmth() {
        WrittenVisit visit = desk().run("C", 1, 100)
                .check()
                .flush(STIFF, "C")
                .run("C", 1, 10, NozzleState.FIRING)
                .check()
                .cycle("C")
                .check();
        assertThat(in(visit, "C").rule()).isEqualTo(Rule.RECOVERING_SLOWLY);
        assertThat(in(visit, "C").method()).isEqualTo(Method.WARM);
    }

    /** What comes back while as much goes out elsewhere is no recovery. */
    @Test
    void as_many_new_gaps_as_came_back_are_no_recovery() {
        WrittenVisit visit = desk().run("C", 1, 40)
                .check()
                .soak(10, "C")
                .run("C", 1, 10, NozzleState.FIRING)
                .run("C", 120, 131)
                .check()
                .cycle("C")
                .check();
        assertThat(in(visit, "C").rule()).isNotIn(Rule.RECOVERING, Rule.RECOVERING_SLOWLY);
    }

    /** The soak went into C alone: C goes on with it, K starts its own ladder, and a rung used in C is free in K. */
    @Test
    void a_rung_used_in_one_channel_is_free_in_another() {
        WrittenVisit visit = desk().run("C", 1, 100)
                .scattered("K", 5, 0)
                .check()
                .soak(10, "C")
                .run("C", 1, 60, NozzleState.FIRING)
                .check()
                .cycle("C")
                .check();
        assertThat(in(visit, "C").rule()).isEqualTo(Rule.RECOVERING);
        assertThat(in(visit, "C").channels()).containsExactly("C");
        assertThat(in(visit, "K").rule()).isEqualTo(Rule.FIRST_REMEDY);
        assertThat(in(visit, "K").method()).isEqualTo(Method.CYCLE);
    }

    /** Two works between two checks: each channel is judged by what reached it. */
    @Test
    void each_work_is_credited_in_the_channel_it_reached() {
        WrittenVisit visit = desk().run("C", 1, 100)
                .run("M", 1, 100)
                .check()
                .cycle("C", "M")
                .check()
                .soak(10, "C")
                .flush(STIFF, "M")
                .run("C", 1, 50, NozzleState.FIRING)
                .check()
                .cycle("C", "M")
                .check();
        assertThat(in(visit, "C").rule()).isEqualTo(Rule.RECOVERING);
        assertThat(in(visit, "C").method()).isEqualTo(Method.PORT_SOAK);
        assertThat(in(visit, "M").rule()).isEqualTo(Rule.NO_RECOVERY);
        assertThat(in(visit, "M").facts()).containsEntry(Fact.RESTORED, 0);
    }

    /** The cycle that lets a treatment settle takes no credit: what the flush restored is the flush's. */
    @Test
    void the_settling_cycle_takes_no_credit() {
        WrittenVisit visit = desk().run("C", 1, 100)
                .check()
                .flush(STIFF, "C")
                .check()
                .cycle("C")
                .run("C", 1, 40, NozzleState.FIRING)
                .check()
                .cycle("C")
                .check();
        Advice next = in(visit, "C");
        assertThat(next.rule()).isEqualTo(Rule.RECOVERING);
        assertThat(next.method()).isEqualTo(Method.FLUSH);
        assertThat(next.facts()).containsEntry(Fact.RESTORED, 40);
    }

    /** The same work for two channels is one advice, the worst named first. */
    @Test
    void channels_that_need_the_same_get_it_together_worst_first() {
        WrittenVisit visit = desk().scattered("C", 8, 0)
                .scattered("M", 4, 0)
                .check()
                .cycle("C", "M")
                .check();
        assertThat(in(visit, "M").method()).isEqualTo(Method.PAD);
        assertThat(in(visit, "M").channels()).containsExactly("M", "C");
    }

    /** One allowed gap is not treated. */
    @Test
    void a_channel_within_its_class_is_left_alone() {
        WrittenVisit visit = desk().scattered("C", 8, 0).run("K", 40, 40).check();
        assertThat(all(visit)).noneMatch(a -> a.channels().contains("K"));
    }

    /** Cycles told at take-in count towards the three that come before hands. */
    @ParameterizedTest
    @CsvSource({"0, CYCLE", "2, CYCLE", "3, PAD", "5, PAD"})
    void cycles_told_count(int told, Method first) {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6")
                .told(40, GAPS_ONE_COLOUR)
                .told(new Observation(
                        told < 3 ? Sign.SOME_CYCLES : Sign.MANY_CYCLES, null, Map.of(Fact.CYCLES, told), null))
                .scattered("C", 6, 0)
                .check();
        assertThat(visit.judge().advice().first().method()).isEqualTo(first);
    }

    /** Two told and one that helped: three are had, and hands are next however well the last went. */
    @Test
    void three_cleaning_cycles_are_all() {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6")
                .told(40, GAPS_ONE_COLOUR)
                .told(new Observation(Sign.SOME_CYCLES, null, Map.of(Fact.CYCLES, 2), null))
                .run("C", 1, 100)
                .check()
                .cycle("C")
                .run("C", 1, 60, NozzleState.FIRING)
                .check();
        assertThat(in(visit, "C").method()).isNotEqualTo(Method.CYCLE);
    }

    /** After hands cycles count anew: up to three while each improves, then a rest, then the verdict. */
    @Test
    void a_treatment_settles_over_three_cycles_while_each_improves_and_then_rests() {
        WrittenVisit visit = desk().run("C", 1, 100).check().flush(STIFF, "C").check();
        for (int cycle = 1; cycle <= 3; cycle++) {
            assertThat(visit.judge().advice().first().rule()).isEqualTo(Rule.SETTLE_FIRST);
            assertThat(visit.judge().advice().first().method())
                    .as("cycle %d", cycle)
                    .isEqualTo(Method.CYCLE);
            visit.cycle("C").run("C", 1, 10 * cycle, NozzleState.FIRING).check();
        }
        assertThat(visit.judge().advice().first().method()).isEqualTo(Method.REST);
        visit.hands(Method.REST, "C").check();
        assertThat(visit.judge().advice().first().rule()).isEqualTo(Rule.RECOVERING);
    }

    /** A cycle that changes nothing ends the settling. */
    @Test
    void a_cycle_that_changes_nothing_is_the_verdict() {
        WrittenVisit visit = desk().run("C", 1, 100)
                .check()
                .flush(STIFF, "C")
                .check()
                .cycle("C")
                .check();
        assertThat(visit.judge().advice().first().rule()).isNotEqualTo(Rule.SETTLE_FIRST);
    }

    /** What helps goes on past its rungs, but not past its cap: twelve soaks. */
    @Test
    void a_soak_that_helps_is_repeated_within_its_cap() {
        WrittenVisit visit = desk().run("C", 1, 160).check();
        int left = 160;
        for (int soak = 1; soak <= 12; soak++) {
            int now = (int) (left * 0.78);
            visit.soak(720, "C").clear("C").run("C", 1, now).check().cycle("C").check();
            left = now;
            Advice next = in(visit, "C");
            boolean again = next.rule() == Rule.RECOVERING && next.method() == Method.PORT_SOAK;
            assertThat(again).as("after %d soaks %d out", soak, left).isEqualTo(soak < 12);
        }
    }

    /** Two channels, two causes: each gets the remedy of its own. */
    @Test
    void two_channels_two_causes() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .told(40, GAPS_SEVERAL)
                .scattered("C", 6, 0)
                .debris("M", 60, 72)
                .check()
                .found(Sign.FACE_DIRTY, "M")
                .found(Sign.STATION_CLEAN, null);
        assertThat(visit.judge().ranking().in("C").get(0).cause()).isEqualTo(Cause.DRIED_INK);
        assertThat(visit.judge().ranking().in("M").get(0).cause()).isEqualTo(Cause.FACE_DEBRIS);
        assertThat(in(visit, "M").method()).isEqualTo(Method.VAPOUR);
        assertThat(in(visit, "C").method()).isEqualTo(Method.CYCLE);
    }

    /** A channel that was never treated has no unchanged rounds, and is not stopped by those of another. */
    @Test
    void a_channel_that_was_never_treated_is_not_stopped() {
        WrittenVisit visit = desk().house(undoknot.practice.School.StopWhen.TWO_UNCHANGED)
                .scattered("C", 5, 0)
                .scattered("K", 5, 0)
                .check()
                .soak(10, "C")
                .check()
                .soak(40, "C")
                .check();
        assertThat(all(visit)).noneMatch(a -> a.rule() == Rule.STOP_UNCHANGED);
        visit.soak(10, "K").check().soak(40, "K").check();
        assertThat(all(visit)).anyMatch(a -> a.rule() == Rule.STOP_UNCHANGED);
    }

    /** A wipe, a pad, a tray and a rinse reach every row, whatever they were meant for. */
    @ParameterizedTest
    @CsvSource({"WIPE, true", "PAD, true", "VAPOUR, true", "RINSE, true", "PURGE, false", "CARTRIDGE, false"})
    void some_work_reaches_every_row(Method method, boolean everyRow) {
        WrittenVisit visit = desk().scattered("C", 5, 0).check().hands(method, "C");
        assertThat(visit.visit().work().get(0).touches("K")).isEqualTo(everyRow);
        assertThat(visit.visit().times(method, List.of("K"))).isEqualTo(everyRow ? 1 : 0);
    }

    /** Given up, it is said what was tried for which cause. */
    @Test
    void what_was_tried_is_named_when_a_head_is_given_up() {
        WrittenVisit visit = new WrittenVisit("PELLAM-M5")
                .told(40, GAPS_ONE_COLOUR)
                .scattered("C", 5, 0)
                .check();
        Advice advice = visit.judge().advice().first();
        for (int step = 0; step < 80 && advice.act() != Act.NOT_RECOVERABLE; step++) {
            visit = GivingUpTest.follow(visit, advice);
            advice = visit.judge().advice().first();
        }
        assertThat(advice.act()).isEqualTo(Act.NOT_RECOVERABLE);
        Advice.Tried dried = advice.tried().stream()
                .filter(t -> t.cause() == Cause.DRIED_INK)
                .findFirst()
                .orElseThrow();
        assertThat(dried.channel()).isEqualTo("C");
        assertThat(dried.methods()).contains(Method.CYCLE, Method.FLUSH, Method.PORT_SOAK, Method.WARM, Method.PRIME);
    }
}
