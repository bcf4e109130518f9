package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Sign.*;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.diagnosis.Priors;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Worth;
import undoknot.treatment.Method;

/** Gaps that wander are supply or air, not the nozzles (handbook 13, rule 5), and what is upstream is seen before fluid goes in. */
class WanderingTest {

    /** 51 out at 10 to 60, then some of them back and as many out elsewhere. */
    private static WrittenVisit wanders(String family, String channel) {
        return new WrittenVisit(family)
                .told(1, Symptom.GAPS_WANDER)
                .run(channel, 10, 60)
                .check()
                .cycle(channel)
                .clear(channel)
                .run(channel, 80, 110)
                .check();
    }

    private static List<Advice> all(WrittenVisit visit) {
        Advice.Answer answer = visit.judge().advice();
        return Stream.concat(Stream.of(answer.first()), answer.others().stream())
                .toList();
    }

    private static Advice wandering(WrittenVisit visit) {
        return all(visit).stream()
                .filter(a -> a.rule() == Rule.WANDERING)
                .findFirst()
                .orElseThrow();
    }

    /** Air leads: its own remedies as far as the head has them. */
    @ParameterizedTest
    @CsvSource({"HULVER-W8, PURGE", "TARROW-T4, PURGE", "SKERRIN-L4, DRAW_IN"})
    void air_is_driven_out_first(String family, Method method) {
        Advice advice = wandering(wanders(family, "M"));
        assertThat(advice.method()).isEqualTo(method);
        assertThat(advice.channels()).containsExactly("M");
        assertThat(advice.facts()).containsEntry(Fact.RESTORED, 51).containsEntry(Fact.NEWLY_OUT, 31);
    }

    /** No air, and an ink that settles: the damper, the line. */
    @Test
    void supply_comes_first_where_it_is_likelier() {
        WrittenVisit visit = wanders("HULVER-W8", "S")
                .told(SETTLING_INK, "S")
                .told(DAMPERS_WORN, null)
                .found(DAMPER_FULL, "S");
        assertThat(wandering(visit).method()).isEqualTo(Method.DAMPER);
        visit.hands(Method.DAMPER, "S").hands(Method.DAMPER, "S").check().cycle("S");
        visit.clear("S").run("S", 20, 50).check();
        assertThat(wandering(visit).method()).isEqualTo(Method.LINE);
    }

    /** Twice purged: what is left of the ladder. */
    @Test
    void what_was_used_up_is_not_done_again() {
        WrittenVisit visit = wanders("HULVER-W8", "M");
        visit.hands(Method.PURGE, "M").hands(Method.PURGE, "M").check().cycle("M");
        visit.clear("M").run("M", 20, 50).check();
        assertThat(wandering(visit).method()).isEqualTo(Method.DRAW_IN);
    }

    /** Gaps that only grow, or that stay, do not wander; nor does a channel that is accepted. */
    @Test
    void what_only_grows_does_not_wander() {
        WrittenVisit grows = new WrittenVisit("HULVER-W8")
                .told(1)
                .run("M", 10, 30)
                .check()
                .cycle("M")
                .run("M", 10, 60)
                .check();
        assertThat(all(grows)).noneMatch(a -> a.rule() == Rule.WANDERING);
        WrittenVisit stays = new WrittenVisit("HULVER-W8")
                .told(1)
                .run("M", 10, 60)
                .check()
                .cycle("M")
                .check();
        assertThat(all(stays)).noneMatch(a -> a.rule() == Rule.WANDERING);
    }

    /** A channel gone entirely: level and station first, but not once hands have been at it, nor when all are gone. */
    @Test
    void a_colour_that_is_gone_asks_for_level_and_station() {
        WrittenVisit gone = new WrittenVisit("HULVER-W8").told(90).whole("M").check();
        assertThat(gone.judge().advice().first().look()).isEqualTo(Look.INK_LEVEL);
        assertThat(gone.judge().advice().first().rule()).isEqualTo(Rule.COMPLAINT);
        gone.found(INK_THERE, "M");
        assertThat(gone.judge().advice().first().look()).isEqualTo(Look.STATION);
        WrittenVisit mended =
                new WrittenVisit("HULVER-W8").told(90).whole("M").check().found(INK_THERE, "M");
        mended.hands(Method.STATION).check();
        assertThat(all(mended)).noneMatch(a -> a.rule() == Rule.COMPLAINT);
        WrittenVisit worked = new WrittenVisit("HULVER-W8")
                .told(90)
                .whole("M")
                .check()
                .soak(10, "M")
                .check();
        assertThat(all(worked)).noneMatch(a -> a.rule() == Rule.COMPLAINT);
        WrittenVisit blank = new WrittenVisit("VENNICK-B3")
                .told(90)
                .whole("C")
                .whole("M")
                .whole("Y")
                .check();
        assertThat(all(blank)).noneMatch(a -> a.rule() == Rule.COMPLAINT);
    }

    /** Once the supply was mended, an overheat is explained. */
    @ParameterizedTest
    @CsvSource({"DAMPER, true", "PURGE, true", "CARTRIDGE, true", "STATION, false"})
    void a_mended_supply_explains_an_overheat(Method method, boolean explains) {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .told(3, Symptom.OVERHEAT_STOP)
                .scattered("C", 5, 0)
                .check();
        visit.hands(method, "C").check();
        assertThat(all(visit).stream().noneMatch(a -> a.rule() == Rule.COMPLAINT))
                .isEqualTo(explains);
    }

    /** What the next attempt is worth is asked once, and not at all where the terms say it. */
    @Test
    void money_is_asked_once() {
        WrittenVisit visit =
                new WrittenVisit("ORSEL-D6").told(40).scattered("C", 5, 0).check();
        visit.found(Sign.STATION_CLEAN, null);
        Worth losing = new Worth(0.1, 0.05, 0.2, 100, 0.02, 50, 30, 20, null);
        List<Advice> asked = new java.util.ArrayList<>();
        Judgement judged = Judgement.of(visit.visit(), Priors.DEFAULT, Terms.DEFAULT, next -> {
            asked.add(next);
            return losing;
        });
        assertThat(asked).hasSize(1);
        assertThat(asked.get(0).method()).isEqualTo(Method.CYCLE);
        assertThat(Stream.concat(Stream.of(judged.advice().first()), judged.advice().others().stream()))
                .anyMatch(a -> a.act() == Act.STOP_MONEY);
        Judgement.of(visit.visit(), Priors.DEFAULT, Terms.DEFAULT.with(losing), next -> {
            throw new AssertionError("the terms say it");
        });
        WrittenVisit unread = new WrittenVisit("ORSEL-D6").told(40);
        assertThat(unread.judge().advice().next()).isNull();
    }

    /** Three channels that look the same: the look is worth taking in two of them at most. */
    @Test
    void a_look_in_two_of_several_like_channels_is_enough() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8").told(3, Symptom.GAPS_WANDER);
        visit.run("C", 12, 90).run("M", 12, 90).run("Y", 12, 90).check();
        Advice first = visit.judge().advice().first();
        assertThat(first.look()).isEqualTo(Look.AIR);
        visit.found(DAMPER_FULL, "C").found(DAMPER_FULL, "M");
        assertThat(all(visit)).noneMatch(a -> a.look() == Look.AIR && a.cause() != null);
    }
}
