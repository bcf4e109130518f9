package undoknot.outcome;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class OddsTest {

    @Test
    void without_a_record_it_is_the_starting_belief_and_wide() {
        Odds odds = Odds.of(Cases.NONE, Cases.NONE, Cases.NONE, 0.35);
        assertThat(odds.mean()).isCloseTo(0.35, within(1e-12));
        assertThat(odds.cases()).isZero();
        assertThat(odds.high() - odds.low()).isGreaterThan(0.45);
    }

    @Test
    void the_record_is_pooled_from_all_to_the_family_to_the_cell() {
        // All: (4·0.5 + 8)/(4 + 16) = 0.5; family: (6·0.5 + 1)/(6 + 4) = 0.4; cell: (6·0.4 + 6)/(6 + 6) = 0.7.
        Odds odds = Odds.of(new Cases(6, 6), new Cases(4, 1), new Cases(16, 8), 0.5);
        assertThat(odds.mean()).isCloseTo(0.7, within(1e-12));
        assertThat(odds.cases()).isEqualTo(26);
    }

    @Test
    void many_cases_of_its_own_outweigh_the_neighbours() {
        Odds odds = Odds.of(new Cases(600, 540), new Cases(50, 5), new Cases(50, 5), 0.1);
        assertThat(odds.mean()).isCloseTo(0.9, within(0.01));
        assertThat(odds.high() - odds.low()).isLessThan(0.05);
    }

    @Test
    void the_interval_of_an_even_belief_is_that_of_the_beta_distribution() {
        // Beta(2, 2): F(x) = 3x² − 2x³; F(0.195800) = 0.1.
        Odds odds = Odds.of(Cases.NONE, Cases.NONE, Cases.NONE, 0.5);
        assertThat(odds.low()).isCloseTo(0.195800, within(1e-5));
        assertThat(odds.high()).isCloseTo(1 - 0.195800, within(1e-5));
    }

    static LongStream seeds() {
        return LongStream.range(0, 40);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void one_more_success_never_lowers_the_chance(long seed) {
        Random random = new Random(seed);
        int tried = random.nextInt(20);
        int reached = tried == 0 ? 0 : random.nextInt(tried + 1);
        Cases other = new Cases(random.nextInt(9) + 9, random.nextInt(9));
        double start = 0.05 + 0.9 * random.nextDouble();
        Odds before = Odds.of(new Cases(tried, reached), other, other, start);
        Odds after = Odds.of(new Cases(tried + 1, reached + 1), other, other, start);
        assertThat(after.mean()).isGreaterThan(before.mean());
        assertThat(before.low()).isLessThan(before.mean());
        assertThat(before.high()).isGreaterThan(before.mean());
    }

    @Test
    void impossible_counts_and_beliefs_are_refused() {
        assertThatThrownBy(() -> new Cases(2, 3)).hasMessageContaining("3 of 2");
        assertThatThrownBy(() -> Odds.of(Cases.NONE, Cases.NONE, Cases.NONE, 1)).hasMessageContaining("start");
    }

    @ParameterizedTest
    @CsvSource({
        // p, low, V, d, D, c, spent, limit: gain = p·V − d·D − c
        "0.5, 0.4, 200, 0.05, 100, 20, 30, ,   75, GO_ON",
        "0.5, 0.1, 200, 0.05, 100, 20, 30, ,   75, CLOSE",
        "0.1, 0.05, 200, 0.05, 100, 20, 30, , -5, STOP",
        "0.5, 0.4, 200, 0.05, 100, 20, 130, 140, 75, OVER_LIMIT",
        "0.5, 0.4, 0, 0.05, 100, 20, 0, , -25, STOP"
    })
    void worth_going_on(
            double p,
            double low,
            double value,
            double d,
            double harm,
            double cost,
            double spent,
            Double limit,
            double gain,
            Worth.Verdict verdict) {
        Worth worth = new Worth(p, low, 0.9, value, d, harm, cost, spent, limit);
        assertThat(worth.gain()).isCloseTo(gain, within(1e-9));
        assertThat(worth.verdict()).isEqualTo(verdict);
        assertThat(worth.saysStop()).isEqualTo(verdict == Worth.Verdict.STOP || verdict == Worth.Verdict.OVER_LIMIT);
    }

    @Test
    void at_break_even_nothing_is_gained() {
        Worth worth = new Worth(0.125, 0.1, 0.2, 200, 0.05, 100, 20, 0, null);
        assertThat(worth.breakEven()).isCloseTo(0.125, within(1e-12));
        assertThat(worth.gain()).isCloseTo(0, within(1e-9));
    }

    /** A starting belief weighs 4 cases, one more for each case elsewhere, and at most 6. */
    @ParameterizedTest
    @CsvSource({"0, 0, 4", "1, 0, 5", "0, 1, 5", "1, 1, 6", "4, 9, 6"})
    void a_starting_belief_weighs_little_while_little_is_on_record(int family, int all, double weight) {
        Odds odds = Odds.of(Cases.NONE, new Cases(family, 0), new Cases(all, 0), 0.5);
        assertThat(odds.alpha() + odds.beta()).isCloseTo(weight, within(1e-12));
    }

    /** Over the limit, and worth it all the same: the customer is asked; otherwise it is not worth it. */
    @ParameterizedTest
    @CsvSource({"0.5, 140, true", "0.5, 500, false", "0.05, 140, false"})
    void only_the_limit_is_a_matter_for_the_customer(double chance, double limit, boolean ask) {
        Worth worth = new Worth(chance, chance, chance, 200, 0.05, 100, 20, 130, limit);
        assertThat(worth.isOverLimitAlone()).isEqualTo(ask);
    }
}
