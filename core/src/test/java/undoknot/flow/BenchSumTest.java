package undoknot.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static undoknot.flow.Formula.*;
import static undoknot.flow.Term.*;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.flow.BenchSum.Reason;
import undoknot.flow.BenchSum.Refusal;

/** The sums of the bench, each against values that handbook 8, 11, 15 and 18 give or that were worked out by hand. */
class BenchSumTest {

    private static Map<Term, Double> with(BenchSum sum, Object... changed) {
        Map<Term, Double> entered = new EnumMap<>(Term.class);
        entered.putAll(sum.asked());
        for (int i = 0; i < changed.length; i += 2) {
            entered.put((Term) changed[i], ((Number) changed[i + 1]).doubleValue());
        }
        return entered;
    }

    private static double of(List<Sum> sums, Formula formula, String one) {
        return sums.stream()
                .filter(s -> s.formula() == formula && (one == null ? s.of() == null : one.equals(s.of())))
                .findFirst()
                .orElseThrow(() -> new AssertionError(formula + " of " + one + " is not in " + sums))
                .value();
    }

    static Stream<Arguments> values() {
        Map<Term, Double> syringe = with(BenchSum.SYRINGE, SYRINGE, 10, FORCE, 25, LIMIT, 15);
        Map<Term, Double> stroke = with(BenchSum.STROKE, BORE, 20, LIMIT, 60, TEMPERATURE, 20, Term.OPEN_SHARE, 0.5);
        Map<Term, Double> share = with(BenchSum.OPEN_SHARE, VOLUME, 2, SECONDS, 16, REFERENCE_VOLUME, 2);
        // 60 mL at 33.6 N is 60 kPa, and 3 mL through d = 20 µm take 7.6 s there: all of it is open.
        Map<Term, Double> byForce = with(
                BenchSum.OPEN_SHARE_BY_FORCE,
                VOLUME,
                3,
                SECONDS,
                15.2,
                SYRINGE,
                60,
                FORCE,
                33.6,
                BORE,
                20,
                TEMPERATURE,
                20);
        Map<Term, Double> tray = with(BenchSum.TRAY, AREA, 60, FACE_HEIGHT, 5, CONTACT_HEIGHT, 20);
        Map<Term, Double> shallow = with(BenchSum.TRAY, CONTACT_HEIGHT, 8);
        Map<Term, Double> line = with(BenchSum.LINE, LINE_BORE, 2, LINE_LENGTH, 1, LINES, 2, RESIDUE, 0.01);
        Map<Term, Double> mix = with(BenchSum.MIXING, STOCK, 30, WANTED, 10, WANTED_ML, 300, LEFT_ML, 50);
        Map<Term, Double> cost = with(BenchSum.DOSE_COST, PRICE, 24, BOTTLE_ML, 500, VOLUME, 3, PORTS, 2);
        return Stream.of(
                Arguments.of(BenchSum.SYRINGE, syringe, SYRINGE_PRESSURE, null, 151, 0.5),
                Arguments.of(BenchSum.SYRINGE, syringe, GREATEST_FORCE, "ML_60", 8.4, 0.05),
                Arguments.of(BenchSum.SYRINGE, syringe, RESERVOIR_HEIGHT, null, 1.53, 0.005),
                Arguments.of(BenchSum.STROKE, stroke, LEAST_SECONDS, null, 15.2, 0.1),
                Arguments.of(BenchSum.STROKE, stroke, LEAST_SECONDS, "1.0", 7.6, 0.06),
                Arguments.of(BenchSum.STROKE, stroke, LEAST_SECONDS, "0.1", 76, 0.6),
                Arguments.of(BenchSum.VISCOSITY, with(BenchSum.VISCOSITY), Formula.VISCOSITY, null, 0.594, 0.003),
                Arguments.of(BenchSum.VISCOSITY, with(BenchSum.VISCOSITY), THINNER, null, 1.69, 0.01),
                Arguments.of(
                        BenchSum.VISCOSITY, with(BenchSum.VISCOSITY, FACTOR, 3), Formula.VISCOSITY, null, 1.782, 0.01),
                Arguments.of(BenchSum.OPEN_SHARE, share, Formula.OPEN_SHARE, null, 0.3125, 1e-9),
                Arguments.of(BenchSum.OPEN_SHARE, share, OPEN_SHARE_LOW, null, 0.2232, 1e-4),
                Arguments.of(BenchSum.OPEN_SHARE, share, OPEN_SHARE_HIGH, null, 0.4375, 1e-9),
                Arguments.of(BenchSum.OPEN_SHARE_BY_FORCE, byForce, Formula.OPEN_SHARE, null, 0.5, 0.005),
                Arguments.of(BenchSum.SOAK, with(BenchSum.SOAK, DEPTH, 0.05), SOAK_MINUTES, null, 25.0 / 60, 0.01),
                Arguments.of(BenchSum.SOAK, with(BenchSum.SOAK, DEPTH, 0.5), SOAK_MINUTES, null, 41.7, 0.05),
                Arguments.of(BenchSum.SOAK, with(BenchSum.SOAK, DEPTH, 2), SOAK_MINUTES, null, 11 * 60, 10),
                Arguments.of(BenchSum.SOAK, with(BenchSum.SOAK), SOAK_DEPTH, "180", 1.04, 0.005),
                Arguments.of(BenchSum.TRAY, tray, TRAY_LEAST_LEVEL, null, 7, 1e-9),
                Arguments.of(BenchSum.TRAY, tray, TRAY_GREATEST_LEVEL, null, 9, 1e-9),
                Arguments.of(BenchSum.TRAY, tray, TRAY_VOLUME, "LEAST", 42, 1e-9),
                Arguments.of(BenchSum.TRAY, tray, TRAY_VOLUME, "GREATEST", 54, 1e-9),
                Arguments.of(BenchSum.TRAY, shallow, TRAY_GREATEST_LEVEL, null, 7.5, 1e-9),
                Arguments.of(BenchSum.LINE, line, LINE_VOLUME, null, 3.142, 0.001),
                Arguments.of(BenchSum.LINE, line, Formula.RINSES, null, 4.605, 0.001),
                Arguments.of(BenchSum.LINE, line, RINSE_VOLUME, null, 28.94, 0.01),
                Arguments.of(BenchSum.MIXING, mix, STOCK_VOLUME, null, 100, 1e-9),
                Arguments.of(BenchSum.MIXING, mix, WATER_VOLUME, null, 200, 1e-9),
                Arguments.of(BenchSum.MIXING, mix, WATER_PARTS, null, 2, 1e-9),
                Arguments.of(BenchSum.MIXING, mix, MOST_MIXED, null, 150, 1e-9),
                // One settling ink and four colours: about two litres.
                Arguments.of(BenchSum.SYSTEM, with(BenchSum.SYSTEM), SYSTEM_NEED, null, 2000, 150),
                Arguments.of(BenchSum.SYSTEM, with(BenchSum.SYSTEM), WASTE_BOTTLES, null, 2, 0),
                Arguments.of(BenchSum.DOSE_COST, cost, Formula.DOSE_COST, null, 0.288, 1e-9),
                Arguments.of(BenchSum.DOSE_COST, cost, Formula.HANDS_COST, null, 10, 1e-9),
                Arguments.of(BenchSum.DOSE_COST, cost, ALL_COST, null, 10.288, 1e-9));
    }

    @ParameterizedTest(name = "{0} {2} {3} = {4}")
    @MethodSource("values")
    void a_sum_comes_out_as_by_hand(
            BenchSum sum, Map<Term, Double> entered, Formula formula, String one, double value, double within) {
        assertThat(of(sum.of(entered), formula, one)).isCloseTo(value, within(within));
    }

    @ParameterizedTest
    @EnumSource(BenchSum.class)
    void every_sum_opens_with_values_that_give_an_answer_and_every_number_tells_what_went_in(BenchSum sum) {
        assertThat(sum.refusals(sum.asked())).isEmpty();
        assertThat(sum.of(sum.asked())).isNotEmpty().allSatisfy(s -> {
            assertThat(s.given()).as(s.toString()).isNotEmpty();
            assertThat(s.value()).as(s.toString()).isGreaterThan(0);
        });
    }

    /** Just outside at either end and nothing at all: refused at that entry, and the others are not blamed. */
    @ParameterizedTest
    @EnumSource(BenchSum.class)
    void nonsense_is_refused_at_its_entry(BenchSum sum) {
        sum.asked().keySet().forEach(term -> {
            for (double nonsense :
                    new double[] {term.low() - 0.1, term.high() + 0.1, Double.NaN, Double.POSITIVE_INFINITY}) {
                Map<Term, Double> entered = with(sum, term, nonsense);
                assertThat(sum.refusals(entered)).containsExactly(new Refusal(term, Reason.OUT_OF_RANGE));
                assertThatThrownBy(() -> sum.of(entered)).isInstanceOf(IllegalArgumentException.class);
            }
            Map<Term, Double> entered = with(sum);
            entered.remove(term);
            assertThat(sum.refusals(entered)).containsExactly(new Refusal(term, Reason.MISSING));
        });
    }

    @Test
    void what_does_not_go_together_is_refused_where_it_can_be_put_right() {
        assertThat(BenchSum.SYRINGE.refusals(with(BenchSum.SYRINGE, SYRINGE, 7)))
                .containsExactly(new Refusal(SYRINGE, Reason.NO_SUCH_SYRINGE));
        // The face 5 mm up is wet at 7 mm: a contact there stands in fluid.
        assertThat(BenchSum.TRAY.refusals(with(BenchSum.TRAY, CONTACT_HEIGHT, 7)))
                .containsExactly(new Refusal(CONTACT_HEIGHT, Reason.CONTACT_TOO_LOW));
        assertThat(BenchSum.TRAY.refusals(with(BenchSum.TRAY, CONTACT_HEIGHT, 7.1)))
                .isEmpty();
        assertThat(BenchSum.MIXING.refusals(with(BenchSum.MIXING, STOCK, 40, WANTED, 41)))
                .containsExactly(new Refusal(WANTED, Reason.STRONGER_THAN_STOCK));
        assertThat(BenchSum.MIXING.refusals(with(BenchSum.MIXING, STOCK, 40, WANTED, 40)))
                .isEmpty();
    }

    /** More of it makes the answer larger, or smaller, whatever the rest is. */
    static Stream<Arguments> monotone() {
        return Stream.of(
                Arguments.of(BenchSum.STROKE, VOLUME, LEAST_SECONDS, true),
                Arguments.of(BenchSum.STROKE, Term.OPEN_SHARE, LEAST_SECONDS, false),
                Arguments.of(BenchSum.STROKE, LIMIT, LEAST_SECONDS, false),
                Arguments.of(BenchSum.STROKE, TEMPERATURE, LEAST_SECONDS, false),
                Arguments.of(BenchSum.STROKE, FACTOR, LEAST_SECONDS, true),
                Arguments.of(BenchSum.STROKE, BORE, LEAST_SECONDS, false),
                Arguments.of(BenchSum.VISCOSITY, TEMPERATURE, Formula.VISCOSITY, false),
                Arguments.of(BenchSum.OPEN_SHARE, SECONDS, Formula.OPEN_SHARE, false),
                Arguments.of(BenchSum.OPEN_SHARE_BY_FORCE, FORCE, Formula.OPEN_SHARE, false),
                Arguments.of(BenchSum.SOAK, DEPTH, SOAK_MINUTES, true),
                Arguments.of(BenchSum.LINE, LINE_BORE, RINSE_VOLUME, true),
                Arguments.of(BenchSum.LINE, RESIDUE, RINSE_VOLUME, false),
                Arguments.of(BenchSum.SYSTEM, CYCLES, SYSTEM_NEED, true),
                Arguments.of(BenchSum.DOSE_COST, BOTTLE_ML, Formula.DOSE_COST, false));
    }

    @ParameterizedTest
    @MethodSource("monotone")
    void more_goes_one_way(BenchSum sum, Term term, Formula formula, boolean up) {
        long seed = 20261127;
        Random random = new Random(seed);
        for (int i = 0; i < 200; i++) {
            double usual = sum.asked().get(term);
            double less = usual * (0.2 + 0.3 * random.nextDouble());
            double more = usual * (0.6 + 0.4 * random.nextDouble());
            double a = of(sum.of(with(sum, term, less)), formula, null);
            double b = of(sum.of(with(sum, term, more)), formula, null);
            assertThat(up ? b - a : a - b).as("seed " + seed + ", turn " + i).isGreaterThan(0);
        }
    }

    /** Twice the bottle, twice the line, twice the dose: what is a product of its entries grows with each of them alike. */
    @Test
    void dimensions_hold() {
        double one = of(BenchSum.LINE.of(with(BenchSum.LINE)), LINE_VOLUME, null);
        assertThat(of(BenchSum.LINE.of(with(BenchSum.LINE, LINE_BORE, 4)), LINE_VOLUME, null))
                .isCloseTo(4 * one, within(1e-9));
        assertThat(of(BenchSum.LINE.of(with(BenchSum.LINE, LINE_LENGTH, 2)), LINE_VOLUME, null))
                .isCloseTo(2 * one, within(1e-9));
        double soak = of(BenchSum.SOAK.of(with(BenchSum.SOAK, DEPTH, 1)), SOAK_MINUTES, null);
        assertThat(of(BenchSum.SOAK.of(with(BenchSum.SOAK, DEPTH, 2)), SOAK_MINUTES, null))
                .isCloseTo(4 * soak, within(1e-9));
        assertThat(Soak.depthMm(Soak.minutes(0.7))).isCloseTo(0.7, within(1e-12));
        for (Syringe syringe : Syringe.values()) {
            assertThat(syringe.pressureKpa(20)).isCloseTo(2 * syringe.pressureKpa(10), within(1e-9));
        }
    }

    /** Limits, viscous and jet part: what the limit gives is spent whole. */
    @Test
    void the_two_parts_of_a_pressure_come_to_the_limit() {
        List<Sum> sums = BenchSum.STROKE.of(with(BenchSum.STROKE));
        assertThat(of(sums, VISCOUS_PRESSURE, null) + of(sums, JET_PRESSURE, null))
                .isCloseTo(40, within(1e-9));
    }
}
