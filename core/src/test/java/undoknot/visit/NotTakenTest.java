package undoknot.visit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import undoknot.advice.Advice;
import undoknot.advice.Judgement;
import undoknot.advice.Terms;
import undoknot.diagnosis.Priors;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.CoarseReading.Level;
import undoknot.nozzle.CoarseReading.Line;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.visit.Step.Checked;

/** A first reading that was left out, because the head came alone or its cartridges are empty (handbook 3). */
class NotTakenTest {

    private static final Family FAMILY = StarterFamilies.ALL.get(1);

    private static VisitLog log(List<Observation> told, Step... steps) {
        return new VisitLog(FAMILY, JobClass.GENERAL, told, List.of(steps), HeadNow.READY);
    }

    private static Advice first(VisitLog log) {
        return Judgement.of(log, Priors.DEFAULT, Terms.DEFAULT).advice().first();
    }

    @Test
    void it_is_no_fault_and_no_verdict() {
        VisitLog log = log(List.of(), Checked.notTaken("1"));
        assertThat(log.lastCheck().orElseThrow().notPossible()).isFalse();
        assertThat(log.verdict()).isNull();
        assertThat(log.isUnread()).isTrue();
        assertThat(Judgement.of(log, Priors.DEFAULT, Terms.DEFAULT).observations())
                .extracting(Observation::sign)
                .doesNotContain(Sign.NO_CHECK);
    }

    @Test
    void every_channel_is_suspected_or_those_that_were_told_of() {
        assertThat(log(List.of(), Checked.notTaken("1")).affected()).containsExactly("K", "C", "M", "Y", "LC", "LM");
        assertThat(log(
                                List.of(
                                        Observation.of(Sign.TOLD_IN_CHANNEL, "Y"),
                                        Observation.of(Sign.TOLD_IN_CHANNEL, "K")),
                                Checked.notTaken("1"))
                        .affected())
                .containsExactly("K", "Y");
    }

    @Test
    void it_is_the_first_check_and_work_or_a_look_follows() {
        Advice advice = first(log(List.of(), Checked.notTaken("1")));
        assertThat(advice.rule()).isNotIn(Advice.Rule.FIRST_CHECK, Advice.Rule.NO_CHECK, Advice.Rule.ACCEPTED);
        assertThat(advice.act()).isIn(Advice.Act.WORK, Advice.Act.LOOK);
    }

    @Test
    void a_map_that_was_read_before_stands() {
        NozzleMap good = NozzleMap.filled(FAMILY, NozzleState.FIRING);
        VisitLog log = log(List.of(), new Checked("1", good, null), Checked.notTaken("2"));
        assertThat(log.isUnread()).isFalse();
        assertThat(log.affected()).isEmpty();
    }

    /** The last reading is set beside the first one like it, whatever stands between; never beside itself. */
    @Test
    void before_and_after_are_of_one_kind() {
        NozzleMap bad = NozzleMap.filled(FAMILY, NozzleState.MISSING);
        NozzleMap good = NozzleMap.filled(FAMILY, NozzleState.FIRING);
        assertThat(log(List.of(), new Checked("1", bad, null)).firstToLast()).isEmpty();
        List<Step> steps = new ArrayList<>(List.of(
                new Checked("1", bad, null),
                new Checked("2", null, bars(Level.BAR_ABSENT)),
                new Checked("3", good, null)));
        VisitLog maps = log(List.of(), steps.toArray(Step[]::new));
        assertThat(maps.firstLikeLast().orElseThrow().id()).isEqualTo("1");
        assertThat(maps.firstToLast().orElseThrow().restored()).isEqualTo(960);
        steps.add(new Checked("4", null, bars(Level.BAR_FULL)));
        VisitLog coarse = log(List.of(), steps.toArray(Step[]::new));
        assertThat(coarse.firstLikeLast().orElseThrow().id()).isEqualTo("2");
        // From absent to full are three steps in each of six channels.
        assertThat(coarse.firstToLast().orElseThrow().restored()).isEqualTo(18);
    }

    private static CoarseReading bars(Level level) {
        Map<String, Line> lines = new LinkedHashMap<>();
        FAMILY.channels().forEach(c -> lines.put(c.code(), new Line(level, null)));
        return new CoarseReading(CoarseReading.Kind.BARS, lines);
    }

    /** Nothing was wrong with it: nobody looks for what brought it here. */
    @Test
    void a_check_over_asks_for_no_complaint() {
        NozzleMap good = NozzleMap.filled(FAMILY, NozzleState.FIRING);
        Advice repair = first(log(List.of(), new Checked("1", good, null)));
        Advice over = first(log(List.of(Observation.of(Sign.TOLD_NO_COMPLAINT)), new Checked("1", good, null)));
        assertThat(repair.rule()).isEqualTo(Advice.Rule.COMPLAINT);
        assertThat(over.rule()).isEqualTo(Advice.Rule.ACCEPTED);
    }
}
