package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.simulator.TrialShop.Kept;
import undoknot.simulator.TrialShop.Truth;

/** A date said "nine times in ten" holds about so often, whether the plans of a shop are right or not: its record sets them right. */
class PromiseOfTrialShopTest {

    private static final int LEARNING = 120;
    private static final int VISITS = 500;

    @ParameterizedTest(
            name = "hands take {1} times as long, attempts suffice {2} times as often, a head every {3} minutes")
    @CsvSource({"1, 1.0, 1.0, 150", "2, 1.5, 0.8, 240", "3, 0.8, 1.1, 120"})
    void a_date_said_nine_times_in_ten_is_kept_by_85_to_95_in_100(long seed, double hands, double chance, double gap) {
        List<Kept> all = TrialShop.run(seed, LEARNING + VISITS, new Truth(hands, chance, gap));

        List<Kept> judged = all.subList(LEARNING, all.size());
        double kept = judged.stream().filter(Kept::isKept).count() / (double) judged.size();
        assertThat(kept).isBetween(0.85, 0.95);
        assertThat(judged).allMatch(k -> k.said().byRecord());
    }
}
