package undoknot.nozzle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.BitSet;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ChannelMapTest {

    @ParameterizedTest
    @ValueSource(ints = {1, 63, 64, 65, 128, 180, 200})
    void keeps_every_state_across_word_borders(int size) {
        long seed = 7000 + size;
        Random random = new Random(seed);
        String text = RandomMaps.text(random, size);
        ChannelMap map = ChannelMap.of(text);
        assertThat(map.toString()).as("seed %d", seed).isEqualTo(text);
        for (NozzleState state : NozzleState.values()) {
            long expected = text.chars().filter(c -> c == state.letter()).count();
            assertThat(map.count(state)).as("seed %d, %s", seed, state).isEqualTo((int) expected);
            assertThat(map.nozzles(state).cardinality()).isEqualTo((int) expected);
        }
    }

    @Test
    void nozzles_are_numbered_from_one() {
        ChannelMap map = ChannelMap.of("MFWDU");
        assertThat(map.state(1)).isEqualTo(NozzleState.MISSING);
        assertThat(map.state(5)).isEqualTo(NozzleState.UNREAD);
        assertThatThrownBy(() -> map.state(0))
                .isInstanceOf(IndexOutOfBoundsException.class)
                .hasMessageContaining("1 to 5");
        assertThatThrownBy(() -> map.state(6)).isInstanceOf(IndexOutOfBoundsException.class);
    }

    @Test
    void a_change_is_a_copy() {
        ChannelMap before = ChannelMap.filled(4, NozzleState.MISSING);
        BitSet two = new BitSet();
        two.set(2);
        assertThat(before.with(two, NozzleState.DEFLECTED)).hasToString("MDMM").isNotEqualTo(before);
        assertThat(before).hasToString("MMMM").isEqualTo(ChannelMap.of("MMMM"));
    }

    @Test
    void refuses_other_letters_and_no_nozzles() {
        assertThatThrownBy(() -> ChannelMap.of("FFX")).hasMessageContaining("'X'");
        assertThatThrownBy(() -> ChannelMap.of("")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> ChannelMap.filled(0, NozzleState.FIRING)).hasMessageContaining("at least 1");
    }
}
