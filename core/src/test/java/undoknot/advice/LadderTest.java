package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static undoknot.treatment.Method.*;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.diagnosis.Cause;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Method;

class LadderTest {

    /** Stands for weeks, takes fluid stiffly, carries no food. */
    private static Ladder.Head stiff(Family family, HouseRules house) {
        return new Ladder.Head(family, house, false, true, false);
    }

    private static Family family(Construction construction) {
        return StarterFamilies.ALL.stream()
                .map(WrittenVisit::takesPush)
                .filter(f -> f.construction() == construction)
                .findFirst()
                .orElseThrow();
    }

    static Stream<Arguments> constructions() {
        return Stream.of(
                Arguments.of(
                        Construction.LAMINATED_PIEZO,
                        List.of(CYCLE, PAD, PAD, PAD, PAD, DRAW_BACK, TRAY_SOAK, DRAW_BACK, BATH)),
                Arguments.of(
                        Construction.DESK_PIEZO,
                        List.of(CYCLE, PAD, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM)),
                Arguments.of(
                        Construction.THERMAL_BLADDER,
                        List.of(
                                CYCLE, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, TRAY_SOAK, RINSE,
                                BATH, STEAM)),
                Arguments.of(
                        Construction.THERMAL_OPEN,
                        List.of(
                                CYCLE, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, TRAY_SOAK, RINSE,
                                BATH, STEAM)),
                Arguments.of(
                        Construction.METERED_PIEZO,
                        List.of(CYCLE, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, PRIME)),
                Arguments.of(
                        Construction.WIDE_PIEZO,
                        List.of(CYCLE, PAD, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM)));
    }

    @ParameterizedTest
    @MethodSource("constructions")
    void dried_ink_by_construction(Construction construction, List<Method> expected) {
        assertThat(Ladder.of(Cause.DRIED_INK, stiff(family(construction), HouseRules.DEFAULT)))
                .isEqualTo(expected);
    }

    @ParameterizedTest
    @EnumSource(Cause.class)
    void nothing_is_ever_pushed_into_a_laminated_head(Cause cause) {
        assertThat(Ladder.of(cause, stiff(family(Construction.LAMINATED_PIEZO), HouseRules.DEFAULT)))
                .doesNotContain(FLUSH, WARM, PURGE, RINSE, STEAM);
    }

    @Test
    void house_rules_change_the_ladder() {
        Family open = family(Construction.THERMAL_OPEN);
        HouseRules house = HouseRules.DEFAULT
                .with(School.CyclesFirst.STRONG_AT_THE_END)
                .with(School.WarmFluid.NEVER)
                .with(School.Submerge.NEVER);
        assertThat(Ladder.of(Cause.DRIED_INK, stiff(open, house)))
                .containsExactly(
                        FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, RINSE, BATH, STEAM, CYCLE_STRONG);
        assertThat(Ladder.of(
                        Cause.FACE_DEBRIS,
                        new Ladder.Head(
                                open, HouseRules.DEFAULT.with(School.Wiping.OFF_THE_MACHINE), true, false, false)))
                .containsExactly(PAD);
    }

    @Test
    void limits_that_a_lead_set_take_methods_away() {
        Family family = family(Construction.DESK_PIEZO);
        Family noPush = family.withLimits(new undoknot.head.Limits(
                null, 40.0, family.limits().submerge(), family.limits().bath(), false, false, 60));
        assertThat(Ladder.of(Cause.DRIED_INK, stiff(noPush, HouseRules.DEFAULT)))
                .containsExactly(CYCLE, PAD, PORT_SOAK, PORT_SOAK, PORT_SOAK, PORT_SOAK);
    }

    /** Warm fluid is 40 to 50 °C: where a lead allows less, nothing is warmed, and nothing is called warm. */
    @ParameterizedTest
    @CsvSource({"30, false", "39.9, false", "40, true", "60, true"})
    void fluid_that_may_not_be_warm_is_not_called_so(double heatC, boolean warm) {
        Family family = family(Construction.WIDE_PIEZO);
        undoknot.head.Limits own = family.limits();
        Family cool = family.withLimits(new undoknot.head.Limits(
                own.pushKpa(), own.suctionKpa(), own.submerge(), own.bath(), own.rinse(), own.steam(), heatC));
        assertThat(Ladder.of(Cause.DRIED_INK, stiff(cool, HouseRules.DEFAULT)).contains(WARM))
                .isEqualTo(warm);
        assertThat(Ladder.of(Cause.DRIED_INK, stiff(cool, HouseRules.DEFAULT.with(School.WarmFluid.ALWAYS)))
                        .contains(FLUSH))
                .isEqualTo(!warm);
    }

    /** A head that carries its cartridges has neither damper, nor sub-tank, nor line. */
    @ParameterizedTest
    @EnumSource(Cause.class)
    void nothing_is_done_to_a_part_that_a_head_has_not_got(Cause cause) {
        for (Construction thermal : List.of(Construction.THERMAL_BLADDER, Construction.THERMAL_OPEN)) {
            assertThat(Ladder.of(cause, stiff(family(thermal), HouseRules.DEFAULT)))
                    .doesNotContain(DAMPER, LINE, DRAW_IN, SYSTEM);
        }
    }

    @Test
    void a_school_that_is_none_is_refused() {
        assertThatThrownBy(() -> HouseRules.named(Map.of(HouseQuestion.HOLD, "A_WEEK")))
                .hasMessageContaining("A_WEEK")
                .hasMessageContaining("OVERNIGHT");
    }

    @Test
    void what_was_found_bars_what_it_would_make_worse() {
        assertThat(CYCLE.barredBy(Set.of(BarredWork.CYCLES))).isTrue();
        assertThat(CYCLE.barredBy(Set.of(BarredWork.POWER))).isTrue();
        assertThat(CYCLE.barredBy(Set.of(BarredWork.STRONG_CYCLES))).isFalse();
        assertThat(CYCLE_STRONG.barredBy(Set.of(BarredWork.STRONG_CYCLES))).isTrue();
        assertThat(FLUSH.barredBy(Set.of(BarredWork.PUSHING))).isTrue();
        assertThat(STATION.barredBy(Set.of(BarredWork.values()))).isFalse();
    }

    @Test
    void a_port_that_says_drops_only_is_not_pushed_into() {
        Family drops = StarterFamilies.ALL.stream()
                .filter(f -> f.construction() == Construction.THERMAL_OPEN)
                .findFirst()
                .orElseThrow();
        assertThat(Ladder.of(Cause.DRIED_INK, stiff(drops, HouseRules.DEFAULT)))
                .doesNotContain(FLUSH, WARM, PRIME)
                .contains(PORT_SOAK, TRAY_SOAK, RINSE);
        assertThat(WrittenVisit.withItsPorts(drops.code())
                        .told(20)
                        .scattered("C", 6, 0)
                        .check()
                        .cycle("C")
                        .check()
                        .judge()
                        .advice()
                        .next()
                        .method())
                .isEqualTo(PORT_SOAK);
    }
}
