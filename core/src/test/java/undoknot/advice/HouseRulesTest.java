package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.fluid.FluidKind.*;
import static undoknot.observation.Symptom.GAPS_ONE_COLOUR;
import static undoknot.practice.HouseQuestion.*;
import static undoknot.treatment.Treatment.Resistance.*;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.diagnosis.Cause;
import undoknot.fluid.FluidKind;
import undoknot.fluid.InkChemistry;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.head.StarterFamilies;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.outcome.Worth;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.Treatment.Strength;

/** Each question on which practice divides (handbook 12), and what its answers change. */
class HouseRulesTest {

    /** Dried ink in the one channel of a thermal head with open inlets that stood for five weeks. */
    private static WrittenVisit dried() {
        return new WrittenVisit("TARROW-T4").told(35, GAPS_ONE_COLOUR).scattered("C", 6, 0);
    }

    private static WrittenVisit flushed(Treatment.Resistance felt) {
        return dried().check().flush(felt, "C").check();
    }

    private static Advice work(WrittenVisit bench) {
        return bench.judge().advice().next();
    }

    private static List<Method> ladder(Construction construction, School school) {
        Family family = StarterFamilies.ALL.stream()
                .map(WrittenVisit::takesPush)
                .filter(f -> f.construction() == construction)
                .findFirst()
                .orElseThrow();
        HouseRules house = HouseRules.DEFAULT.with(school);
        return Ladder.of(Cause.DRIED_INK, new Ladder.Head(family, house, false, false, false));
    }

    static Stream<Arguments> ladders() {
        Construction open = Construction.THERMAL_OPEN;
        return Stream.of(
                Arguments.of(open, School.CyclesFirst.UP_TO_THREE, List.of(Method.CYCLE, Method.FLUSH)),
                Arguments.of(open, School.CyclesFirst.NONE, List.of(Method.FLUSH, Method.PORT_SOAK)),
                Arguments.of(open, School.CycleStrength.STRONG, List.of(Method.CYCLE_STRONG, Method.FLUSH)),
                Arguments.of(open, School.WarmFluid.WHEN_STIFF, List.of(Method.CYCLE, Method.FLUSH, Method.PORT_SOAK)),
                Arguments.of(open, School.WarmFluid.ALWAYS, List.of(Method.CYCLE, Method.WARM, Method.PORT_SOAK)),
                Arguments.of(open, School.PushOrDraw.DRAW, List.of(Method.CYCLE, Method.DRAW_BACK, Method.PORT_SOAK)),
                // Without a limit for suction nothing is drawn, whatever the shop would rather do.
                Arguments.of(Construction.THERMAL_BLADDER, School.PushOrDraw.DRAW, List.of(Method.CYCLE, Method.FLUSH)),
                // And nothing is pushed where pressure lifts the plate.
                Arguments.of(
                        Construction.LAMINATED_PIEZO,
                        School.PushOrDraw.PUSH,
                        List.of(Method.CYCLE, Method.PAD, Method.PAD, Method.PAD, Method.PAD, Method.DRAW_BACK)));
    }

    @ParameterizedTest
    @MethodSource("ladders")
    void the_ladder_starts(Construction construction, School school, List<Method> start) {
        assertThat(ladder(construction, school)).startsWith(start.toArray(Method[]::new));
    }

    @Test
    void fluid_is_not_warmed_where_nothing_is_stiff() {
        assertThat(ladder(Construction.THERMAL_OPEN, School.WarmFluid.WHEN_STIFF))
                .doesNotContain(Method.WARM);
        assertThat(ladder(Construction.THERMAL_OPEN, School.CyclesFirst.STRONG_AT_THE_END))
                .doesNotContain(Method.CYCLE)
                .endsWith(Method.CYCLE_STRONG);
    }

    @Test
    void a_shop_that_pushes_has_no_last_resort_but_with_laminated_heads() {
        HouseRules push = HouseRules.DEFAULT.with(School.PushOrDraw.PUSH);
        for (Family family : StarterFamilies.ALL) {
            boolean draws = family.limits().suctionKpa() != null;
            boolean laminated = family.construction() == Construction.LAMINATED_PIEZO;
            assertThat(Ladder.lastResort(family, HouseRules.DEFAULT)).isEqualTo(draws ? Method.DRAW_BACK : null);
            assertThat(Ladder.lastResort(family, push)).isEqualTo(laminated ? Method.DRAW_BACK : null);
        }
    }

    static Stream<Arguments> stuck() {
        return Stream.of(
                Arguments.of(School.StuckPort.WARM_THEN_SOAK, Method.WARM),
                Arguments.of(School.StuckPort.SOAK, Method.PORT_SOAK),
                Arguments.of(School.StuckPort.RINSE_AGAIN, Method.RINSE));
    }

    @ParameterizedTest
    @MethodSource("stuck")
    void a_port_that_would_not_go(School school, Method first) {
        WrittenVisit bench = flushed(WOULD_NOT_GO).cycle("C").check().house(school);
        assertThat(work(bench).method()).isEqualTo(first);
        assertThat(work(bench).house()).contains(STUCK_PORT);
    }

    @Test
    void after_the_flush_ink_comes_by_cycle_charge_or_syringe() {
        assertThat(work(flushed(FREE)).method()).isEqualTo(Method.CYCLE);
        assertThat(work(flushed(FREE)).house()).containsExactly(AFTER_FLUSH, CYCLE_STRENGTH);
        assertThat(work(flushed(FREE).found(Sign.WASTE_ROOM, null).house(School.AfterFlush.INK_CHARGE))
                        .method())
                .isEqualTo(Method.CHARGE);
        assertThat(work(flushed(FREE).house(School.AfterFlush.SYRINGE)).method())
                .isEqualTo(Method.PRIME);
    }

    @Test
    void metered_heads_take_ink_by_syringe_and_emptied_lines_a_charge() {
        WrittenVisit metered =
                new WrittenVisit("PELLAM-M5").told(35, GAPS_ONE_COLOUR).scattered("C", 6, 0);
        assertThat(work(metered.check().flush(STIFF, "C").check()).method()).isEqualTo(Method.PRIME);
        WrittenVisit line =
                new WrittenVisit("HULVER-W8").told(1, GAPS_ONE_COLOUR).ends("C", 60);
        line.check().hands(Method.LINE, "C").check();
        // A charge fills the waste store: somebody looks first.
        assertThat(line.judge().advice().first().look()).isEqualTo(Look.WASTE_STORE);
        assertThat(work(line.found(Sign.WASTE_ROOM, null)).method()).isEqualTo(Method.CHARGE);
    }

    @Test
    void in_place_for_one_or_two_channels_and_on_the_bench_for_more() {
        WrittenVisit one = dried().house(School.CyclesFirst.NONE);
        assertThat(work(one.check()).style().site()).isEqualTo(Site.IN_CARRIAGE);
        assertThat(work(one.house(School.Place.ON_THE_BENCH)).style().site()).isEqualTo(Site.ON_BENCH);
        WrittenVisit three = dried().scattered("M", 6, 1).scattered("Y", 6, 2).house(School.CyclesFirst.NONE);
        assertThat(work(three.check()).channels()).hasSize(3);
        assertThat(work(three).style().site()).isEqualTo(Site.ON_BENCH);
    }

    @Test
    void doses_are_small_first_and_pulses_later() {
        WrittenVisit first = dried().check().house(School.CyclesFirst.NONE);
        assertThat(work(first).style())
                .extracting(WorkStyle::strokeMl, WorkStyle::pulses)
                .containsExactly(3.0, false);
        assertThat(work(first.house(School.Dose.LONG_PULSING)).style())
                .extracting(WorkStyle::strokeMl, WorkStyle::pulses)
                .containsExactly(4.0, true);
    }

    static Stream<Arguments> fluids() {
        return Stream.of(
                Arguments.of(School.WhichFluid.PURPOSE_MADE, InkChemistry.PIGMENT, AQUEOUS_CLEANER),
                Arguments.of(School.WhichFluid.PURPOSE_MADE, InkChemistry.DYE, DEIONISED_WATER),
                Arguments.of(School.WhichFluid.PURPOSE_MADE, InkChemistry.EDIBLE, DEIONISED_WATER),
                Arguments.of(School.WhichFluid.PURPOSE_MADE, InkChemistry.SETTLING_PIGMENT, PIGMENT_FLUSH),
                Arguments.of(School.WhichFluid.PURPOSE_MADE, null, AQUEOUS_CLEANER),
                Arguments.of(School.WhichFluid.WARM_WATER_FIRST, InkChemistry.PIGMENT, DEIONISED_WATER),
                // Off until a lead enables it for the family.
                Arguments.of(School.WhichFluid.HOUSEHOLD, InkChemistry.PIGMENT, AQUEOUS_CLEANER));
    }

    @ParameterizedTest
    @MethodSource("fluids")
    void the_first_flush_takes(School school, InkChemistry ink, FluidKind fluid) {
        WrittenVisit bench = dried().check().house(School.CyclesFirst.NONE).house(school);
        if (ink != null) {
            bench.ink(ink, "C");
        }
        assertThat(work(bench).style().fluid()).isEqualTo(fluid);
    }

    @Test
    void a_household_cleaner_goes_first_once_a_lead_enabled_it_for_the_family() {
        Limits usual = Construction.THERMAL_OPEN.limits();
        Limits enabled = new Limits(
                usual.pushKpa(),
                usual.suctionKpa(),
                usual.submerge(),
                usual.bath(),
                usual.rinse(),
                usual.steam(),
                usual.heatC(),
                usual.removable(),
                true);
        WrittenVisit bench = new WrittenVisit(dried().visit().family().withLimits(enabled))
                .told(35, GAPS_ONE_COLOUR)
                .scattered("C", 6, 0)
                .check()
                .house(School.CyclesFirst.NONE)
                .house(School.WhichFluid.HOUSEHOLD);
        assertThat(work(bench).style().fluid()).isEqualTo(ISOPROPYL_ALCOHOL);
    }

    @Test
    void a_shop_that_always_warms_takes_warm_water_first_for_dye_as_well() {
        WrittenVisit bench = dried().check()
                .house(School.CyclesFirst.NONE)
                .house(School.WarmFluid.ALWAYS)
                .ink(InkChemistry.DYE, "C");
        assertThat(work(bench).method()).isEqualTo(Method.WARM);
        assertThat(work(bench).style().fluid()).isEqualTo(DEIONISED_WATER);
        assertThat(work(bench).house()).contains(WARM_FLUID).doesNotContain(STUCK_PORT);
        assertThat(bench.flush(FREE, "C")
                        .check()
                        .cycle("C")
                        .check()
                        .style(Method.WARM, "C")
                        .fluid())
                .isEqualTo(AQUEOUS_CLEANER);
    }

    @ParameterizedTest
    @EnumSource(names = {"FLUSH", "WARM", "PORT_SOAK", "TRAY_SOAK", "BATH", "DRAW_BACK", "WIPE", "PAD"})
    void no_answer_puts_a_cleaner_that_is_not_for_food_into_a_food_head(Method method) {
        for (School school : WHICH_FLUID.schools()) {
            WrittenVisit bench = dried().check().food().house(school);
            assertThat(bench.style(method, "C").fluid()).isIn(DEIONISED_WATER, FOOD_SAFE_CLEANER);
        }
    }

    @Test
    void alcohol_is_never_warmed_and_never_bathes() {
        WrittenVisit bench = dried().check().house(School.WhichFluid.HOUSEHOLD);
        assertThat(bench.style(Method.WARM, "C").fluid()).isEqualTo(AQUEOUS_CLEANER);
        assertThat(bench.style(Method.BATH, "C").fluid()).isEqualTo(AQUEOUS_CLEANER);
    }

    @Test
    void water_that_goes_first_is_warm_and_nothing_is_hotter_than_the_head_bears() {
        WrittenVisit water = dried().check().house(School.CyclesFirst.NONE).house(School.WhichFluid.WARM_WATER_FIRST);
        assertThat(work(water).style().temperatureC()).isEqualTo(40);
        assertThat(work(water.house(School.WarmFluid.NEVER)).style().temperatureC())
                .isNull();
        assertThat(work(dried().check().house(School.CyclesFirst.NONE)).style().temperatureC())
                .isNull();
        for (Family family : StarterFamilies.ALL) {
            WrittenVisit bench = new WrittenVisit(family.code()).check();
            assertThat(bench.style(Method.WARM, family.channels().get(0).code()).temperatureC())
                    .isBetween(40.0, family.limits().heatC());
        }
    }

    @Test
    void cycles_are_as_strong_as_the_shop_says() {
        assertThat(work(dried().check()).style().strength()).isEqualTo(Strength.LIGHT);
        assertThat(work(dried().check().house(School.CycleStrength.NORMAL))
                        .style()
                        .strength())
                .isEqualTo(Strength.NORMAL);
        assertThat(work(dried().check().found(Sign.WASTE_ROOM, null).house(School.CycleStrength.STRONG))
                        .method())
                .isEqualTo(Method.CYCLE_STRONG);
    }

    @Test
    void cleaned_channels_get_new_cartridges_where_the_shop_says_always() {
        WrittenVisit bench = flushed(FREE)
                .clear("C")
                .check()
                .found(Sign.STATION_CLEAN, null)
                .page()
                .check();
        assertThat(bench.judge().advice().first().act()).isEqualTo(Advice.Act.FINISH);
        Advice first = bench.house(School.NewParts.ALWAYS).judge().advice().first();
        assertThat(first.method()).isEqualTo(Method.CARTRIDGE);
        assertThat(first.channels()).containsExactly("C");
        bench.hands(Method.CARTRIDGE, "C").check().page().check();
        assertThat(bench.judge().advice().first().act()).isEqualTo(Advice.Act.FINISH);
    }

    @Test
    void when_to_stop() {
        Worth losing = new Worth(0.1, 0.05, 0.2, 100, 0.02, 50, 30, 20, null);
        WrittenVisit stuck = dried().check()
                .found(Sign.STATION_CLEAN, null)
                .flush(WOULD_NOT_GO, "C")
                .cycle("C")
                .check()
                .flush(WOULD_NOT_GO, "C")
                .cycle("C")
                .check()
                .worth(losing);
        assertThat(rules(stuck)).contains(Advice.Rule.NOT_WORTH_IT);
        assertThat(rules(stuck.house(School.StopWhen.NO_FLOW)))
                .contains(Advice.Rule.STOP_NO_FLOW)
                .doesNotContain(Advice.Rule.NOT_WORTH_IT);
        assertThat(rules(stuck.house(School.StopWhen.TWO_UNCHANGED))).contains(Advice.Rule.STOP_UNCHANGED);
        assertThat(rules(stuck.house(School.StopWhen.NEVER)))
                .doesNotContain(Advice.Rule.NOT_WORTH_IT, Advice.Rule.STOP_NO_FLOW, Advice.Rule.STOP_UNCHANGED);
    }

    /** More than the customer said to pay, and worth it: he is asked, with the sum and the chance. */
    @Test
    void over_the_limit_the_customer_is_asked() {
        Worth over = new Worth(0.62, 0.5, 0.7, 300, 0.02, 50, 40, 130, 150.0);
        WrittenVisit bench = dried().check()
                .cycle("C")
                .check()
                .found(Sign.STATION_CLEAN, null)
                .worth(over);
        Advice.Answer answer = bench.judge().advice();
        Advice ask = Stream.concat(Stream.of(answer.first()), answer.others().stream())
                .filter(a -> a.act() == Advice.Act.ASK_CUSTOMER)
                .findFirst()
                .orElseThrow();
        assertThat(ask.rule()).isEqualTo(Advice.Rule.OVER_LIMIT);
        assertThat(ask.money().percent()).isEqualTo(62);
        assertThat(ask.money().cost()).isEqualTo(40);
        assertThat(answer.next()).isNotNull();
        assertThat(rules(bench)).doesNotContain(Advice.Rule.NOT_WORTH_IT);
    }

    /** What only a lead may do is said before it is begun, not first when it is logged. */
    @ParameterizedTest
    @CsvSource({
        "SKERRIN-L4, BATH, true",
        "SKERRIN-L4, DRAW_BACK, false",
        "TARROW-T4, BATH, false",
        "ORSEL-D6, DRAW_BACK, true",
        "ORSEL-D6, FLUSH, false"
    })
    void what_a_lead_decides_is_said_beforehand(String family, Method method, boolean lead) {
        WrittenVisit bench = new WrittenVisit(family).scattered("C", 6, 0).check();
        assertThat(bench.style(method, "C").leadDecides()).isEqualTo(lead);
    }

    /** Lukewarm water that goes first is the flush that was advised, also in the log. */
    @Test
    void lukewarm_water_first_is_a_flush() {
        WrittenVisit dye = dried().check().ink(undoknot.fluid.InkChemistry.DYE, "C");
        WorkStyle style = dye.style(Method.FLUSH, "C");
        assertThat(style.temperatureC()).isEqualTo(40);
        Treatment.Flush logged = new Treatment.Flush(Method.FLUSH, Set.of("C"), false, List.of(), style.temperatureC());
        assertThat(logged.method()).isEqualTo(Method.FLUSH);
        assertThat(new Treatment.Flush(Method.FLUSH, Set.of("C"), false, List.of(), 41).method())
                .isEqualTo(Method.WARM);
        assertThat(new Treatment.Flush(null, Set.of("C"), false, List.of(), 40).method())
                .isEqualTo(Method.WARM);
        assertThat(new Treatment.Flush(Method.WARM, Set.of("C"), false, List.of(), 22).method())
                .isEqualTo(Method.FLUSH);
    }

    private static List<Advice.Rule> rules(WrittenVisit bench) {
        Advice.Answer answer = bench.judge().advice();
        return Stream.concat(Stream.of(answer.first()), answer.others().stream())
                .map(Advice::rule)
                .toList();
    }

    @Test
    void every_question_bears_on_some_work_or_on_when_to_stop() {
        List<HouseQuestion> asked = Stream.of(Method.values())
                .flatMap(m -> HouseWorkStyle.questions(m).stream())
                .toList();
        assertThat(Stream.concat(asked.stream(), Stream.of(WHEN_TO_STOP))).contains(HouseQuestion.values());
    }
}
