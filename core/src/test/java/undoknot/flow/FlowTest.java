package undoknot.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Values from handbook 18, worked out there by hand. */
class FlowTest {

    @ParameterizedTest
    @CsvSource({
        "ML_1, FIRM, 1440, 5",
        "ML_10, FIRM, 151, 0.5",
        "ML_30, FIRM, 67.6, 0.05",
        "ML_60, FIRM, 44.7, 0.05",
        "ML_60, LIGHT, 17.9, 0.05",
    })
    void a_syringe_presses_by_its_bore(Syringe syringe, Syringe.Thumb thumb, double kpa, double within) {
        assertThat(syringe.pressureKpa(thumb.newton())).isCloseTo(kpa, within(within));
    }

    /** 60 mL at 15 kPa: 8.4 N; on the 10 mL syringe 2.5 N, and 9.9 N at 60 kPa. */
    @ParameterizedTest
    @CsvSource({"ML_60, 15, 8.4", "ML_10, 15, 2.5", "ML_10, 60, 9.9"})
    void the_greatest_force_stays_within_the_limit(Syringe syringe, double limitKpa, double newton) {
        assertThat(syringe.greatestForceN(limitKpa)).isCloseTo(newton, within(0.05));
        assertThat(syringe.pressureKpa(syringe.greatestForceN(limitKpa))).isCloseTo(limitKpa, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"20, 1.002", "45, 0.594", "55, 0.501", "60, 0.463"})
    void water_thins_with_heat(double celsius, double mPaS) {
        assertThat(Viscosity.waterPaS(celsius) * 1000).isCloseTo(mPaS, within(0.0025));
    }

    /** N = 180, L = 30 µm, water 20 °C, 0.6 mL/s. */
    @ParameterizedTest
    @CsvSource({"20, 35, 84", "25, 15, 35"})
    void the_jets_rule(double boreUm, double viscousKpa, double jetKpa) {
        OpenNozzles nozzles = new OpenNozzles(180, boreUm, 30, Viscosity.waterPaS(20));
        assertThat(nozzles.viscousKpa(0.6)).isCloseTo(viscousKpa, within(0.6));
        assertThat(nozzles.jetKpa(0.6)).isCloseTo(jetKpa, within(0.6));
        assertThat(nozzles.pressureKpa(0.6)).isEqualTo(nozzles.viscousKpa(0.6) + nozzles.jetKpa(0.6));
    }

    @ParameterizedTest
    @CsvSource({"60, 7.6", "40, 9.8", "15, 19.2"})
    void three_millilitres_take_their_time(double limitKpa, double seconds) {
        OpenNozzles nozzles = new OpenNozzles(180, 20, 30, Viscosity.waterPaS(20));
        assertThat(nozzles.leastSeconds(3, limitKpa)).isCloseTo(seconds, within(0.06));
    }

    @ParameterizedTest
    @CsvSource({"1.0, 9.8", "1.5, 14.7"})
    void a_raised_reservoir_presses_by_its_height(double metres, double kpa) {
        assertThat(Reservoir.pressureKpa(metres)).isCloseTo(kpa, within(0.05));
        assertThat(Reservoir.greatestHeightM(kpa)).isCloseTo(metres, within(0.005));
    }

    /** 2 mL in 5 s healthy; in 16 s about 31 %, in 8 s about 63 %. */
    @ParameterizedTest
    @CsvSource({"16, 0.3125", "8, 0.625", "5, 1"})
    void the_open_share_is_told_by_the_clock(double seconds, double share) {
        OpenShare open = OpenShare.of(new OpenShare.Stroke(2, seconds, 120), new OpenShare.Stroke(2, 5, 120));
        assertThat(open.share()).isCloseTo(share, within(1e-9));
        assertThat(open.low()).isLessThan(share);
        assertThat(open.high()).isGreaterThan(share);
    }

    @Test
    void the_open_share_counts_per_nozzle() {
        OpenShare open = OpenShare.of(new OpenShare.Stroke(2, 5, 240), new OpenShare.Stroke(2, 5, 120));
        assertThat(open.share()).isCloseTo(0.5, within(1e-9));
    }

    /** Flow and pressure undo each other; fewer nozzles take longer in proportion; warmth speeds the first term alone. */
    @Test
    void sums_hold_for_any_head() {
        long seed = 20260302;
        Random random = new Random(seed);
        for (int i = 0; i < 2000; i++) {
            int number = 1 + random.nextInt(800);
            double bore = 10 + 60 * random.nextDouble();
            double plate = 10 + 90 * random.nextDouble();
            double celsius = 5 + 60 * random.nextDouble();
            double kpa = 0.05 + 200 * random.nextDouble();
            OpenNozzles nozzles = new OpenNozzles(number, bore, plate, Viscosity.waterPaS(celsius));
            OpenNozzles twice = new OpenNozzles(2 * number, bore, plate, Viscosity.waterPaS(celsius));
            OpenNozzles warmer = new OpenNozzles(number, bore, plate, Viscosity.waterPaS(celsius + 10));
            double flow = nozzles.flowMlPerS(kpa);
            String at = "seed " + seed + ", turn " + i;
            assertThat(nozzles.pressureKpa(flow)).as(at).isCloseTo(kpa, within(1e-6 * kpa));
            assertThat(nozzles.leastSeconds(3, kpa) / twice.leastSeconds(3, kpa))
                    .as(at)
                    .isCloseTo(2, within(1e-6));
            assertThat(warmer.viscousKpa(flow)).as(at).isLessThan(nozzles.viscousKpa(flow));
            assertThat(warmer.jetKpa(flow)).as(at).isEqualTo(nozzles.jetKpa(flow));
        }
    }
}
