package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Sign.*;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Look;
import undoknot.observation.Symptom;
import undoknot.outcome.Worth;
import undoknot.treatment.Method;

/** When a head is electrically dead, and when it is not (handbook 7 and 13, rule 6). Orsel D6: 160 nozzles, groups of 40. */
class DriveGroupsTest {

    private static WrittenVisit twoRounds(WrittenVisit visit) {
        return visit.check().cycle("Y").check().cycle("Y").check();
    }

    private static WrittenVisit desk() {
        return new WrittenVisit("ORSEL-D6").told(3, Symptom.GAPS_ONE_COLOUR);
    }

    private static WrittenVisit looked(WrittenVisit visit) {
        return visit.found(STATION_CLEAN, null).found(FACE_CLEAN, "Y").found(DAMPER_FULL, "Y");
    }

    /** Gaps that stay, a clean station and face: with a border of drive groups it is electrical, without one never. */
    @ParameterizedTest
    @CsvSource({
        // from, to
        "81, 120, true",
        "82, 120, true",
        "81, 119, true",
        "83, 122, true",
        "1, 80, true",
        "91, 130, false",
        "81, 135, false",
        "20, 90, false"
    })
    void a_dead_group_has_a_border(int from, int to, boolean electrical) {
        WrittenVisit visit = looked(twoRounds(desk().run("Y", from, to)));
        Advice first = visit.judge().advice().first();
        assertThat(first.act() == Act.STOP_ELECTRICAL).isEqualTo(electrical);
        assertThat(visit.judge().ranking().in("Y").get(0).cause() == Cause.ELECTRICAL)
                .isEqualTo(electrical);
        double dried = visit.judge().ranking().of(Cause.DRIED_INK).odds();
        assertThat(visit.judge().ranking().of(Cause.ELECTRICAL).odds() > dried).isEqualTo(electrical);
    }

    /** A band with a stray elsewhere, and a half that prints weak. */
    @Test
    void strays_do_not_hide_a_group_and_a_density_step_is_one() {
        WrittenVisit stray = desk().run("Y", 81, 120).run("Y", 7, 7).run("Y", 30, 30);
        assertThat(looked(twoRounds(stray)).judge().advice().first().act()).isEqualTo(Act.STOP_ELECTRICAL);
        WrittenVisit weak = desk().run("Y", 78, 160, NozzleState.WEAK);
        assertThat(looked(twoRounds(weak)).judge().advice().first().act()).isEqualTo(Act.STOP_ELECTRICAL);
    }

    /** Two rounds unchanged: no third cycle, and no sum that speaks for going on, while it is only to be looked. */
    @Test
    void two_unchanged_rounds_are_enough() {
        Worth worth = new Worth(0.5, 0.4, 0.6, 400, 0.01, 100, 10, 20, null);
        WrittenVisit visit = twoRounds(desk().run("Y", 81, 120)).worth(worth);
        for (Look look : new Look[] {Look.STATION, Look.FACE, Look.AIR}) {
            Advice.Answer answer = visit.judge().advice();
            assertThat(answer.first().look()).isEqualTo(look);
            assertThat(answer.next()).isNull();
            assertThat(answer.others()).noneMatch(a -> a.act() == Act.WORK);
            visit.found(look.fine(), look.scope() == Look.Scope.HEAD ? null : "Y");
        }
        Advice.Answer answer = visit.judge().advice();
        assertThat(answer.first().act()).isEqualTo(Act.STOP_ELECTRICAL);
        assertThat(answer.next()).isNull();
    }

    /** Its two rounds are its own, beside the three cleaning cycles told at take-in. */
    @Test
    void the_two_rounds_are_beside_the_cleaning_cycles() {
        WrittenVisit visit = desk().told(MANY_CYCLES, null).run("Y", 81, 120).check();
        for (int round = 0; round < 2; round++) {
            assertThat(visit.judge().advice().first().method()).isEqualTo(Method.CYCLE);
            visit.cycle("Y").check();
        }
        assertThat(visit.judge().advice().first().act()).isEqualTo(Act.LOOK);
    }

    /** A group that moved is none. */
    @Test
    void a_group_that_moved_starts_anew() {
        WrittenVisit visit = desk().run("Y", 81, 120).check().cycle("Y").check().cycle("Y");
        visit.run("Y", 81, 95, NozzleState.FIRING).check();
        assertThat(looked(visit).judge().advice().first().act()).isNotEqualTo(Act.STOP_ELECTRICAL);
    }

    /** A crusted station explains it as well: it is cleaned before anybody calls the head dead. */
    @Test
    void what_else_explains_it_is_mended_first() {
        WrittenVisit visit = twoRounds(desk().run("Y", 81, 120)).found(STATION_CRUSTED, null);
        assertThat(visit.judge().advice().first().method()).isEqualTo(Method.STATION);
    }
}
