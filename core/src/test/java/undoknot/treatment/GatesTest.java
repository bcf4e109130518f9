package undoknot.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.fluid.FluidKind;
import undoknot.fluid.FluidUse;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.treatment.Gate.Code;
import undoknot.treatment.Gate.Weight;
import undoknot.treatment.Treatment.Bath;
import undoknot.treatment.Treatment.Cycle;
import undoknot.treatment.Treatment.Effluent;
import undoknot.treatment.Treatment.Flush;
import undoknot.treatment.Treatment.Place;
import undoknot.treatment.Treatment.Resistance;
import undoknot.treatment.Treatment.Soak;
import undoknot.treatment.Treatment.Stream;
import undoknot.treatment.Treatment.Strength;

class GatesTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 3, 2);
    private static final BigDecimal ML = new BigDecimal("2.5");

    private static Gates.Situation on(Construction construction, FluidKind fluid) {
        return situation(construction, false, 0, Set.of(), new Gates.Bottle(fluid, true, null));
    }

    /** In a head whose ports take a push, where the work is done. */
    private static Gates.Situation situation(
            Construction construction, boolean food, int cyclesBefore, Set<NoPower> noPower, Gates.Bottle fluid) {
        Family family = new Family(
                "X",
                "X",
                construction,
                List.of(new Channel("K", "Black", "#222222", "post", 180)),
                18,
                10,
                1,
                40,
                30,
                List.of());
        Gates.HeadState head =
                new Gates.HeadState(food, Site.IN_CARRIAGE, noPower, cyclesBefore, 0, Set.of(), Set.of(), Map.of());
        return new Gates.Situation(
                family.withLimits(construction.limits().with(Limits.Removable.YES)), head, null, null, fluid, TODAY);
    }

    private static Flush flush(double temperatureC) {
        return new Flush(List.of(new Stroke("K", ML, 4, Resistance.STIFF, Effluent.INK, Stream.DRIPS)), temperatureC);
    }

    private static List<Code> codes(Treatment treatment, Gates.Situation situation) {
        return Gates.of(treatment, situation).stream().map(Gate::code).toList();
    }

    /** Handbook 9 and 8 (warm): what may be pushed in, and how warm. */
    @ParameterizedTest
    @CsvSource({
        "LAMINATED_PIEZO, 20, NO_PUSH",
        "DESK_PIEZO, 60, ''",
        "DESK_PIEZO, 60.5, TOO_HOT",
        "THERMAL_BLADDER, 50, ''",
        "THERMAL_BLADDER, 51, TOO_HOT",
        "WIDE_PIEZO, 55, TOO_HOT",
    })
    void a_flush_keeps_to_push_and_heat(Construction construction, double temperatureC, String expected) {
        List<Code> wanted = expected.isEmpty() ? List.of() : List.of(Code.valueOf(expected));
        assertThat(codes(flush(temperatureC), on(construction, FluidKind.AQUEOUS_CLEANER)))
                .isEqualTo(wanted);
    }

    @ParameterizedTest
    @CsvSource({
        "THERMAL_OPEN, 40, 3, 180, ''",
        "THERMAL_OPEN, 41, 3, 180, BATH_TOO_HOT",
        "THERMAL_OPEN, 40, 4, 180, TOO_MANY_BURSTS",
        "THERMAL_OPEN, 40, 3, 181, BURST_TOO_LONG",
        "LAMINATED_PIEZO, 30, 2, 60, BATH_LEAD_ONLY",
        "DESK_PIEZO, 30, 2, 60, NO_BATH",
    })
    void a_bath_keeps_to_heat_bursts_and_family(
            Construction construction, double temperatureC, int bursts, int seconds, String expected) {
        Bath bath = new Bath(Set.of("K"), new BigDecimal("120"), 2, temperatureC, bursts, seconds);
        List<Code> codes = codes(bath, on(construction, FluidKind.DEIONISED_WATER));
        if (expected.isEmpty()) {
            assertThat(codes).isEmpty();
        } else {
            assertThat(codes).contains(Code.valueOf(expected));
        }
    }

    @Test
    void laminated_heads_take_two_bursts_at_most() {
        Bath three = new Bath(Set.of("K"), ML, 2, 30, 3, 60);
        assertThat(codes(three, on(Construction.LAMINATED_PIEZO, FluidKind.DEIONISED_WATER)))
                .containsExactly(Code.BATH_LEAD_ONLY, Code.TOO_MANY_BURSTS);
    }

    @Test
    void a_tray_is_for_heads_that_may_be_submerged() {
        Soak tray = new Soak(Place.TRAY, Set.of("K"), ML, 15);
        Soak port = new Soak(Place.PORT, Set.of("K"), ML, 15);
        assertThat(codes(tray, on(Construction.WIDE_PIEZO, FluidKind.AQUEOUS_CLEANER)))
                .containsExactly(Code.NO_SUBMERGE);
        assertThat(codes(port, on(Construction.WIDE_PIEZO, FluidKind.AQUEOUS_CLEANER)))
                .isEmpty();
        assertThat(codes(tray, on(Construction.THERMAL_OPEN, FluidKind.AQUEOUS_CLEANER)))
                .isEmpty();
    }

    /** Handbook 11: where each kind may go. */
    @ParameterizedTest
    @CsvSource({
        "RESIDUE_REMOVER, FLUID_NOT_FOR_THIS",
        "ISOPROPYL_ALCOHOL, FLUID_NOT_FOR_THIS",
        "AMMONIA_CLEANER, FLUID_NOT_FOR_THIS",
        "INK, FLUID_NOT_FOR_THIS",
        "CAPPING_FLUID, FLUID_NOT_FOR_THIS",
    })
    void volatile_and_other_fluids_never_go_into_a_bath(FluidKind fluid, Code expected) {
        Bath bath = new Bath(Set.of("K"), ML, 2, 30, 2, 60);
        List<Gate> gates = Gates.of(bath, on(Construction.THERMAL_OPEN, fluid));
        assertThat(gates).extracting(Gate::code).containsExactly(expected);
        assertThat(gates.get(0).weight()).isEqualTo(Weight.REFUSED);
        assertThat(gates.get(0).fluid()).isEqualTo(fluid);
        assertThat(gates.get(0).use()).isEqualTo(FluidUse.BATH);
    }

    @Test
    void contested_cleaners_need_a_lead_and_are_never_warmed() {
        assertThat(codes(flush(20), on(Construction.DESK_PIEZO, FluidKind.AMMONIA_CLEANER)))
                .containsExactly(Code.FLUID_CONTESTED);
        assertThat(codes(flush(31), on(Construction.DESK_PIEZO, FluidKind.AMMONIA_CLEANER)))
                .containsExactly(Code.FLUID_CONTESTED, Code.FLUID_NOT_WARMED);
    }

    @ParameterizedTest
    @CsvSource({
        "FOOD_SAFE_CLEANER, true, true",
        "FOOD_SAFE_CLEANER, false, false",
        "DEIONISED_WATER, true, true",
        "AQUEOUS_CLEANER, true, false"
    })
    void a_food_head_meets_food_safe_bottles_only(FluidKind kind, boolean bottleFoodSafe, boolean allowed) {
        Gates.Situation food =
                situation(Construction.THERMAL_OPEN, true, 0, Set.of(), new Gates.Bottle(kind, bottleFoodSafe, null));
        assertThat(codes(flush(20), food)).isEqualTo(allowed ? List.of() : List.of(Code.FLUID_NOT_FOR_FOOD));
    }

    @Test
    void a_lot_is_good_on_its_last_day_and_expired_after_it() {
        Gates.Bottle lastDay = new Gates.Bottle(FluidKind.AQUEOUS_CLEANER, false, TODAY);
        Gates.Bottle after = new Gates.Bottle(FluidKind.AQUEOUS_CLEANER, false, TODAY.minusDays(1));
        assertThat(codes(flush(20), situation(Construction.DESK_PIEZO, false, 0, Set.of(), lastDay)))
                .isEmpty();
        assertThat(codes(flush(20), situation(Construction.DESK_PIEZO, false, 0, Set.of(), after)))
                .containsExactly(Code.LOT_EXPIRED);
    }

    @Test
    void cycles_stop_at_three_and_at_a_hold() {
        Cycle two = new Cycle(Set.of("K"), Strength.LIGHT, 2);
        assertThat(codes(two, situation(Construction.DESK_PIEZO, false, 1, Set.of(), null)))
                .isEmpty();
        assertThat(codes(two, situation(Construction.DESK_PIEZO, false, 2, Set.of(), null)))
                .containsExactly(Code.TOO_MANY_CYCLES);
        List<Gate> held = Gates.of(two, situation(Construction.DESK_PIEZO, false, 0, Set.of(NoPower.HOLD), null));
        assertThat(held).extracting(Gate::code).containsExactly(Code.HEAD_IN_HOLD);
        assertThat(held.get(0).weight()).isEqualTo(Weight.REFUSED);
    }

    /** Handbook 12: three cycles before hands, however they are logged, and a strong one once. */
    @Test
    void twelve_cycles_at_once_are_said_and_so_is_a_second_strong_one() {
        assertThat(codes(new Cycle(Set.of("K"), Strength.LIGHT, 12), on(Construction.DESK_PIEZO, FluidKind.INK)))
                .containsExactly(Code.TOO_MANY_CYCLES);
        assertThat(codes(new Cycle(Set.of("K"), Strength.STRONG, 1), on(Construction.DESK_PIEZO, FluidKind.INK)))
                .isEmpty();
        assertThat(codes(new Cycle(Set.of("K"), Strength.STRONG, 2), on(Construction.DESK_PIEZO, FluidKind.INK)))
                .containsExactly(Code.STRONG_ONCE);
    }

    @Test
    void a_flush_adds_up_its_strokes() {
        Stroke done = new Stroke("C", new BigDecimal("1.25"), 5, Resistance.FREE, Effluent.LIKE_FRESH, Stream.WHOLE);
        Stroke notYet = new Stroke("K", ML, 5, Resistance.FREE, Effluent.LIKE_FRESH, Stream.DRIPS);
        Flush flush = new Flush(List.of(done, notYet), 20);
        assertThat(flush.volumeMl()).isEqualByComparingTo("3.75");
        assertThat(flush.channels()).containsExactlyInAnyOrder("C", "K");
    }

    /** A pad siphons ink out of connected cartridges: off, or two hours at most (handbook 8). */
    @ParameterizedTest(name = "{0} {1}, {2} min, cartridges off {3}: {4}")
    @CsvSource(
            nullValues = "-",
            value = {
                "PAD,    IN_CARRIAGE, 120, -,     false", "PAD,    IN_CARRIAGE, 121, -,     true",
                "PAD,    IN_CARRIAGE, 121, false, true", "PAD,    IN_CARRIAGE, 720, true,  false",
                "VAPOUR, IN_CARRIAGE, 150, -,     true", "VAPOUR, ON_BENCH,    720, -,     false",
                "WIPE,   IN_CARRIAGE, 200, -,     false", "REST,   IN_CARRIAGE, 720, -,     false"
            })
    void a_pad_under_connected_cartridges_lies_two_hours(
            Method method, Site site, int minutes, Boolean off, boolean asked) {
        Treatment pad = new Treatment.Handwork(method, Set.of("K"), BigDecimal.ZERO, null, null, minutes);
        Gates.Situation ready = on(Construction.DESK_PIEZO, FluidKind.AQUEOUS_CLEANER);
        Gates.Situation there = new Gates.Situation(ready.family(), ready.now(), site, null, ready.fluid(), TODAY, off);
        assertThat(codes(pad, there).contains(Code.PAD_SIPHONS)).isEqualTo(asked);
    }
}
