package undoknot.treatment;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.diagnosis.Symptom.GAPS_ONE_COLOUR;
import static undoknot.fluid.FluidKind.*;
import static undoknot.treatment.HouseQuestion.*;
import static undoknot.treatment.Treatment.Resistance.*;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Sign;
import undoknot.fluid.FluidKind;
import undoknot.fluid.InkChemistry;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.outcome.Worth;
import undoknot.treatment.Manner.Site;
import undoknot.treatment.Treatment.Strength;

/** Each question on which practice divides (handbook 12), and what its answers change. */
class HouseRulesTest {

    /** Dried ink in the one channel of a thermal head with open inlets that stood for five weeks. */
    private static Bench dried() {
        return new Bench("TARROW-T4").told(35, GAPS_ONE_COLOUR).scattered("C", 6, 0);
    }

    private static Bench flushed(Treatment.Resistance felt) {
        return dried().check().flush(felt, "C").check();
    }

    private static Advice work(Bench bench) {
        return bench.judge().advice().next();
    }

    private static List<Method> ladder(Construction construction, HouseQuestion question, String school) {
        Family family = StarterFamilies.ALL.stream()
                .filter(f -> f.construction() == construction)
                .findFirst()
                .orElseThrow();
        HouseRules house = HouseRules.DEFAULT.with(question, school);
        return Ladder.of(Cause.DRIED_INK, new Ladder.Head(family, house, false, false, false));
    }

    static Stream<Arguments> ladders() {
        Construction open = Construction.THERMAL_OPEN;
        return Stream.of(
                Arguments.of(open, CYCLES_FIRST, "UP_TO_THREE", List.of(Method.CYCLE, Method.FLUSH)),
                Arguments.of(open, CYCLES_FIRST, "NONE", List.of(Method.FLUSH, Method.PORT_SOAK)),
                Arguments.of(open, CYCLE_STRENGTH, "STRONG", List.of(Method.CYCLE_STRONG, Method.FLUSH)),
                Arguments.of(open, WARM_FLUID, "WHEN_STIFF", List.of(Method.CYCLE, Method.FLUSH, Method.PORT_SOAK)),
                Arguments.of(open, WARM_FLUID, "ALWAYS", List.of(Method.CYCLE, Method.WARM, Method.PORT_SOAK)),
                Arguments.of(open, PUSH_OR_DRAW, "DRAW", List.of(Method.CYCLE, Method.DRAW_BACK, Method.PORT_SOAK)),
                // Without a limit for suction nothing is drawn, whatever the shop would rather do.
                Arguments.of(Construction.THERMAL_BLADDER, PUSH_OR_DRAW, "DRAW", List.of(Method.CYCLE, Method.FLUSH)),
                // And nothing is pushed where pressure lifts the plate.
                Arguments.of(
                        Construction.LAMINATED_PIEZO,
                        PUSH_OR_DRAW,
                        "PUSH",
                        List.of(Method.CYCLE, Method.PAD, Method.DRAW_BACK)));
    }

    @ParameterizedTest
    @MethodSource("ladders")
    void the_ladder_starts(Construction construction, HouseQuestion question, String school, List<Method> start) {
        assertThat(ladder(construction, question, school)).startsWith(start.toArray(Method[]::new));
    }

    @Test
    void fluid_is_not_warmed_where_nothing_is_stiff() {
        assertThat(ladder(Construction.THERMAL_OPEN, WARM_FLUID, "WHEN_STIFF")).doesNotContain(Method.WARM);
        assertThat(ladder(Construction.THERMAL_OPEN, CYCLES_FIRST, "STRONG_AT_THE_END"))
                .doesNotContain(Method.CYCLE)
                .endsWith(Method.CYCLE_STRONG);
    }

    @Test
    void a_shop_that_pushes_has_no_last_resort_but_with_laminated_heads() {
        HouseRules push = HouseRules.DEFAULT.with(PUSH_OR_DRAW, "PUSH");
        for (Family family : StarterFamilies.ALL) {
            boolean draws = family.limits().suctionKpa() != null;
            boolean laminated = family.construction() == Construction.LAMINATED_PIEZO;
            assertThat(Ladder.lastResort(family, HouseRules.DEFAULT)).isEqualTo(draws ? Method.DRAW_BACK : null);
            assertThat(Ladder.lastResort(family, push)).isEqualTo(laminated ? Method.DRAW_BACK : null);
        }
    }

    static Stream<Arguments> stuck() {
        return Stream.of(
                Arguments.of("WARM_THEN_SOAK", Method.WARM),
                Arguments.of("SOAK", Method.PORT_SOAK),
                Arguments.of("RINSE_AGAIN", Method.RINSE));
    }

    @ParameterizedTest
    @MethodSource("stuck")
    void a_port_that_would_not_go(String school, Method first) {
        Bench bench = flushed(WOULD_NOT_GO).cycle("C").check().house(STUCK_PORT, school);
        assertThat(work(bench).method()).isEqualTo(first);
        assertThat(work(bench).house()).contains(STUCK_PORT);
    }

    @Test
    void after_the_flush_ink_comes_by_cycle_charge_or_syringe() {
        assertThat(work(flushed(FREE)).method()).isEqualTo(Method.CYCLE);
        assertThat(work(flushed(FREE)).house()).containsExactly(AFTER_FLUSH, CYCLE_STRENGTH);
        assertThat(work(flushed(FREE).house(AFTER_FLUSH, "INK_CHARGE")).method())
                .isEqualTo(Method.CHARGE);
        assertThat(work(flushed(FREE).house(AFTER_FLUSH, "SYRINGE")).method()).isEqualTo(Method.PRIME);
    }

    @Test
    void metered_heads_take_ink_by_syringe_and_emptied_lines_a_charge() {
        Bench metered = new Bench("PELLAM-M5").told(35, GAPS_ONE_COLOUR).scattered("C", 6, 0);
        assertThat(work(metered.check().flush(STIFF, "C").check()).method()).isEqualTo(Method.PRIME);
        Bench line = new Bench("HULVER-W8").told(1, GAPS_ONE_COLOUR).ends("C", 60);
        assertThat(work(line.check().hands(Method.LINE, "C").check()).method()).isEqualTo(Method.CHARGE);
    }

    @Test
    void in_place_for_one_or_two_channels_and_on_the_bench_for_more() {
        Bench one = dried().house(CYCLES_FIRST, "NONE");
        assertThat(work(one.check()).manner().site()).isEqualTo(Site.IN_CARRIAGE);
        assertThat(work(one.house(PLACE, "ON_THE_BENCH")).manner().site()).isEqualTo(Site.ON_BENCH);
        Bench three = dried().scattered("M", 6, 1).scattered("Y", 6, 2).house(CYCLES_FIRST, "NONE");
        assertThat(work(three.check()).channels()).hasSize(3);
        assertThat(work(three).manner().site()).isEqualTo(Site.ON_BENCH);
    }

    @Test
    void doses_are_small_first_and_pulses_later() {
        Bench first = dried().check().house(CYCLES_FIRST, "NONE");
        assertThat(work(first).manner())
                .extracting(Manner::strokeMl, Manner::pulses)
                .containsExactly(3.0, false);
        assertThat(work(first.house(DOSE, "LONG_PULSING")).manner())
                .extracting(Manner::strokeMl, Manner::pulses)
                .containsExactly(4.0, true);
    }

    static Stream<Arguments> fluids() {
        return Stream.of(
                Arguments.of("PURPOSE_MADE", InkChemistry.PIGMENT, AQUEOUS_CLEANER),
                Arguments.of("PURPOSE_MADE", InkChemistry.DYE, DEIONISED_WATER),
                Arguments.of("PURPOSE_MADE", InkChemistry.EDIBLE, DEIONISED_WATER),
                Arguments.of("PURPOSE_MADE", InkChemistry.SETTLING_PIGMENT, PIGMENT_FLUSH),
                Arguments.of("PURPOSE_MADE", null, AQUEOUS_CLEANER),
                Arguments.of("WARM_WATER_FIRST", InkChemistry.PIGMENT, DEIONISED_WATER),
                Arguments.of("HOUSEHOLD", InkChemistry.PIGMENT, ISOPROPYL_ALCOHOL));
    }

    @ParameterizedTest
    @MethodSource("fluids")
    void the_first_flush_takes(String school, InkChemistry ink, FluidKind fluid) {
        Bench bench = dried().check().house(CYCLES_FIRST, "NONE").house(WHICH_FLUID, school);
        if (ink != null) {
            bench.ink(ink, "C");
        }
        assertThat(work(bench).manner().fluid()).isEqualTo(fluid);
    }

    @Test
    void a_shop_that_always_warms_takes_warm_water_first_for_dye_as_well() {
        Bench bench = dried().check()
                .house(CYCLES_FIRST, "NONE")
                .house(WARM_FLUID, "ALWAYS")
                .ink(InkChemistry.DYE, "C");
        assertThat(work(bench).method()).isEqualTo(Method.WARM);
        assertThat(work(bench).manner().fluid()).isEqualTo(DEIONISED_WATER);
        assertThat(work(bench).house()).contains(WARM_FLUID).doesNotContain(STUCK_PORT);
        assertThat(bench.flush(FREE, "C")
                        .check()
                        .cycle("C")
                        .check()
                        .manner(Method.WARM, "C")
                        .fluid())
                .isEqualTo(AQUEOUS_CLEANER);
    }

    @ParameterizedTest
    @EnumSource(names = {"FLUSH", "WARM", "PORT_SOAK", "TRAY_SOAK", "BATH", "DRAW_BACK", "WIPE", "PAD"})
    void no_answer_puts_a_cleaner_that_is_not_for_food_into_a_food_head(Method method) {
        for (String school : WHICH_FLUID.schools()) {
            Bench bench = dried().check().food().house(WHICH_FLUID, school);
            assertThat(bench.manner(method, "C").fluid()).isIn(DEIONISED_WATER, FOOD_SAFE_CLEANER);
        }
    }

    @Test
    void alcohol_is_never_warmed_and_never_bathes() {
        Bench bench = dried().check().house(WHICH_FLUID, "HOUSEHOLD");
        assertThat(bench.manner(Method.WARM, "C").fluid()).isEqualTo(AQUEOUS_CLEANER);
        assertThat(bench.manner(Method.BATH, "C").fluid()).isEqualTo(AQUEOUS_CLEANER);
    }

    @Test
    void water_that_goes_first_is_warm_and_nothing_is_hotter_than_the_head_bears() {
        Bench water = dried().check().house(CYCLES_FIRST, "NONE").house(WHICH_FLUID, "WARM_WATER_FIRST");
        assertThat(work(water).manner().temperatureC()).isEqualTo(40);
        assertThat(work(water.house(WARM_FLUID, "NEVER")).manner().temperatureC())
                .isNull();
        assertThat(work(dried().check().house(CYCLES_FIRST, "NONE")).manner().temperatureC())
                .isNull();
        for (Family family : StarterFamilies.ALL) {
            Bench bench = new Bench(family.code()).check();
            assertThat(bench.manner(Method.WARM, family.channels().get(0).code())
                            .temperatureC())
                    .isBetween(40.0, family.limits().heatC());
        }
    }

    @Test
    void cycles_are_as_strong_as_the_shop_says() {
        assertThat(work(dried().check()).manner().strength()).isEqualTo(Strength.LIGHT);
        assertThat(work(dried().check().house(CYCLE_STRENGTH, "NORMAL"))
                        .manner()
                        .strength())
                .isEqualTo(Strength.NORMAL);
        assertThat(work(dried().check().house(CYCLE_STRENGTH, "STRONG")).method())
                .isEqualTo(Method.CYCLE_STRONG);
    }

    @Test
    void cleaned_channels_get_new_cartridges_where_the_shop_says_always() {
        Bench bench = flushed(FREE).clear("C").check().page().check();
        assertThat(bench.judge().advice().first().act()).isEqualTo(Advice.Act.FINISH);
        Advice first = bench.house(NEW_PARTS, "ALWAYS").judge().advice().first();
        assertThat(first.method()).isEqualTo(Method.CARTRIDGE);
        assertThat(first.channels()).containsExactly("C");
        bench.hands(Method.CARTRIDGE, "C").check().page().check();
        assertThat(bench.judge().advice().first().act()).isEqualTo(Advice.Act.FINISH);
    }

    @Test
    void when_to_stop() {
        Worth losing = new Worth(0.1, 0.05, 0.2, 100, 0.02, 50, 30, 20, null);
        Bench stuck = dried().check()
                .found(Sign.STATION_CLEAN, null)
                .flush(WOULD_NOT_GO, "C")
                .cycle("C")
                .check()
                .flush(WOULD_NOT_GO, "C")
                .cycle("C")
                .check()
                .worth(losing);
        assertThat(rules(stuck)).contains(Advice.Rule.NOT_WORTH_IT);
        assertThat(rules(stuck.house(WHEN_TO_STOP, "NO_FLOW")))
                .contains(Advice.Rule.STOP_NO_FLOW)
                .doesNotContain(Advice.Rule.NOT_WORTH_IT);
        assertThat(rules(stuck.house(WHEN_TO_STOP, "TWO_UNCHANGED"))).contains(Advice.Rule.STOP_UNCHANGED);
        assertThat(rules(stuck.house(WHEN_TO_STOP, "NEVER")))
                .doesNotContain(Advice.Rule.NOT_WORTH_IT, Advice.Rule.STOP_NO_FLOW, Advice.Rule.STOP_UNCHANGED);
    }

    private static List<Advice.Rule> rules(Bench bench) {
        Advice.Answer answer = bench.judge().advice();
        return Stream.concat(Stream.of(answer.first()), answer.others().stream())
                .map(Advice::rule)
                .toList();
    }

    @Test
    void every_question_bears_on_some_work_or_on_when_to_stop() {
        List<HouseQuestion> asked = Stream.of(Method.values())
                .flatMap(m -> HouseManner.questions(m).stream())
                .toList();
        assertThat(Stream.concat(asked.stream(), Stream.of(WHEN_TO_STOP))).contains(HouseQuestion.values());
    }
}
