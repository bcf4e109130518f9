package undoknot.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.Terms;
import undoknot.advice.WrittenVisit;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Priors;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.observation.Symptom;
import undoknot.plan.Forecast.Turn;
import undoknot.plan.Forecast.Way;

/** What a visit is likely to take, reckoned by hand. */
class ForecastTest {

    private static final Turn NOTHING = new Turn(0, 0, 0, 0, 0, 0, 0);

    private static Turn turn(double hands, double chance) {
        return new Turn(hands, 10 * hands, hands / 2, hands, chance, chance / 2, Math.min(1, 2 * chance));
    }

    /** 10 min at 0.5, then 20 min at 0.5, 5 min around: 0.5·15 + 0.5·35 = 25; three in four are saved. */
    @Test
    void it_is_over_with_the_first_attempt_that_suffices() {
        Forecast forecast =
                Forecast.of(List.of(new Way(1, List.of(turn(10, 0.5), turn(20, 0.5)))), new Turn(5, 0, 0, 0, 0, 0, 0));
        assertThat(forecast.hands().expected().value()).isCloseTo(25, within(1e-9));
        assertThat(forecast.hands().low()).isEqualTo(15);
        assertThat(forecast.hands().high()).isEqualTo(35);
        assertThat(forecast.waits().expected().value()).isCloseTo(200, within(1e-9));
        assertThat(forecast.fluid().expected().value()).isCloseTo(10, within(1e-9));
        assertThat(forecast.cost().expected().value()).isCloseTo(20, within(1e-9));
        assertThat(forecast.chance().value()).isCloseTo(0.75, within(1e-9));
        // A quarter and a quarter, and then both for certain.
        assertThat(forecast.low()).isCloseTo(1 - 0.75 * 0.75, within(1e-9));
        assertThat(forecast.high()).isEqualTo(1);
    }

    /** One way in four takes 40 min and saves nothing; the others 10 min and always: 17.5 min, 75 %. */
    @Test
    void ways_count_by_their_weight() {
        Forecast forecast =
                Forecast.of(List.of(new Way(0.75, List.of(turn(10, 1))), new Way(0.25, List.of(turn(40, 0)))), NOTHING);
        assertThat(forecast.hands().expected().value()).isCloseTo(17.5, within(1e-9));
        assertThat(forecast.hands().low()).isEqualTo(10);
        assertThat(forecast.hands().high()).isEqualTo(40);
        assertThat(forecast.chance().value()).isCloseTo(0.75, within(1e-9));
    }

    @Test
    void nothing_to_do_takes_what_goes_around_it_and_saves_nothing() {
        Forecast forecast = Forecast.of(List.of(new Way(1, List.of())), new Turn(7, 0, 0, 3, 0, 0, 0));
        assertThat(forecast.hands().expected().value()).isEqualTo(7);
        assertThat(forecast.cost().high()).isEqualTo(3);
        assertThat(forecast.chance().value()).isZero();
    }

    /** For any ladder: the mean lies within what is possible, the interval as well, and a better chance is never dearer in hands. */
    @Test
    void sums_hold_for_any_ladder() {
        long seed = 20261127;
        Random random = new Random(seed);
        for (int i = 0; i < 500; i++) {
            int length = 1 + random.nextInt(8);
            List<Turn> turns = random.doubles(length)
                    .mapToObj(c -> turn(1 + 40 * random.nextDouble(), c))
                    .toList();
            List<Turn> better = turns.stream()
                    .map(t -> turn(t.handsMinutes(), Math.min(1, t.chance() + 0.1)))
                    .toList();
            Forecast forecast = Forecast.of(List.of(new Way(1, turns)), NOTHING);
            Forecast surer = Forecast.of(List.of(new Way(1, better)), NOTHING);
            double all = turns.stream().mapToDouble(Turn::handsMinutes).sum();
            String at = "seed " + seed + ", turn " + i;
            assertThat(forecast.hands().expected().value())
                    .as(at)
                    .isBetween(turns.get(0).handsMinutes() - 1e-9, all + 1e-9);
            assertThat(forecast.hands().low())
                    .as(at)
                    .isLessThanOrEqualTo(forecast.hands().high());
            assertThat(forecast.low())
                    .as(at)
                    .isLessThanOrEqualTo(forecast.chance().value());
            assertThat(forecast.high())
                    .as(at)
                    .isGreaterThanOrEqualTo(forecast.chance().value());
            assertThat(surer.hands().expected().value())
                    .as(at)
                    .isLessThanOrEqualTo(forecast.hands().expected().value() + 1e-9);
            assertThat(surer.chance().value())
                    .as(at)
                    .isGreaterThanOrEqualTo(forecast.chance().value());
        }
    }

    private static TakeIn takeIn(WrittenVisit bench) {
        LocalDate today = LocalDate.parse("2026-03-02");
        Supplies shelf = new Supplies(List.of(), 60, Map.of(), Map.of(), today);
        return TakeIn.of(
                bench.visit(),
                Priors.DEFAULT,
                new Plan.Basis(Terms.DEFAULT, shelf, Chances.STARTING, Instant.parse("2026-03-02T09:00:00Z")));
    }

    @ParameterizedTest
    @CsvSource({
        "GAPS_ONE_COLOUR, 1",
        "ONE_COLOUR_GONE, 1",
        "HALF_CHANNEL_PALE, 1",
        "GAPS_SEVERAL, 2",
        "GAPS_WANDER, 2",
        "EVERYTHING_BLANK, 4"
    })
    void before_any_check_the_symptom_says_how_many_channels_to_reckon_with(Symptom symptom, int channels) {
        assertThat(takeIn(new WrittenVisit("TARROW-T4").told(20, symptom)).channels())
                .isEqualTo(channels);
    }

    /** Hands alone are paid at 60 an hour and no fluid has a price: money is the minutes, and all causes are reckoned with. */
    @Test
    void before_any_check_every_likely_cause_counts() {
        TakeIn estimate = takeIn(new WrittenVisit("TARROW-T4").told(10, Symptom.GAPS_WANDER));
        Forecast forecast = estimate.forecast();
        assertThat(estimate.causes())
                .extracting(Likely::cause)
                .contains(Cause.DRIED_INK)
                .hasSizeGreaterThan(1);
        assertThat(estimate.causes()).allMatch(l -> l.probability() >= 0.05);
        assertThat(forecast.cost().expected().value())
                .isCloseTo(forecast.hands().expected().value(), within(1e-6));
        assertThat(forecast.hands().low()).isLessThan(forecast.hands().high());
        assertThat(forecast.chance().value()).isBetween(0.3, 1.0);
    }

    /** A carriage that stands is no work for the bench: it costs a look, and saves nothing. */
    @Test
    void what_is_not_the_head_has_no_ladder() {
        TakeIn estimate = takeIn(new WrittenVisit("TARROW-T4").told(3, Symptom.CARRIAGE_STANDS));
        assertThat(estimate.causes().get(0).cause()).isEqualTo(Cause.NOT_THE_HEAD);
        assertThat(estimate.forecast().hands().low()).isLessThan(20);
    }
}
