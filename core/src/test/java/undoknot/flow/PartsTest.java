package undoknot.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PartsTest {

    @Test
    void one_to_one_of_forty_makes_eighty() {
        // The worked example: 40 mL of cleaner with 40 mL of water; of the water there is more.
        Parts parts = new Parts(List.of(1.0, 1.0));
        assertThat(parts.mostMl(List.of(40.0, 500.0))).isEqualTo(80);
        assertThat(parts.each(80)).containsExactly(40.0, 40.0);
    }

    @Test
    void the_scarcest_part_says_how_much() {
        // 1 : 3 from 100 and 90 mL: the second gives out after 30 shares of four.
        assertThat(new Parts(List.of(1.0, 3.0)).mostMl(List.of(100.0, 90.0))).isEqualTo(120);
    }

    @Test
    void a_mixture_has_two_parts_or_more_each_above_nothing() {
        assertThatThrownBy(() -> new Parts(List.of(1.0))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Parts(List.of(1.0, 0.0))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Parts(List.of(1.0, 101.0))).isInstanceOf(IllegalArgumentException.class);
    }

    /** A hundred random mixtures from each seed. */
    @ParameterizedTest
    @ValueSource(longs = {1, 20261127, 99})
    void what_can_be_made_uses_one_bottle_up_and_no_bottle_beyond_its_fill(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 100; i++) {
            Parts parts = new Parts(List.of(0.1 + 20 * random.nextDouble(), 0.1 + 20 * random.nextDouble()));
            List<Double> left = List.of(1000 * random.nextDouble(), 1000 * random.nextDouble());
            double most = parts.mostMl(left);
            List<Double> each = parts.each(most);
            assertThat(each.get(0) + each.get(1)).isCloseTo(most, within(1e-6));
            assertThat(Math.max(each.get(0) - left.get(0), each.get(1) - left.get(1)))
                    .isCloseTo(0, within(1e-6));
        }
    }
}
