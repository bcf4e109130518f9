package undoknot.nozzle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;

class NozzleMapTest {

    private static final Family FAMILY = StarterFamilies.ALL.get(2);

    @Test
    void texts_come_back_in_port_order() {
        NozzleMap map = NozzleMap.filled(FAMILY, NozzleState.FIRING);
        assertThat(map.texts()).containsOnlyKeys("C", "M", "Y");
        assertThat(NozzleMap.of(FAMILY, map.texts())).isEqualTo(map);
        assertThat(map.count(NozzleState.FIRING)).isEqualTo(3 * 208);
    }

    @Test
    void a_reading_of_another_head_is_refused_with_the_channel() {
        Map<String, String> texts =
                new LinkedHashMap<>(NozzleMap.filled(FAMILY, NozzleState.FIRING).texts());
        texts.put("M", "FFF");
        assertMismatch(texts, "M", "208 nozzles, the reading has 3");
        texts.put("M", "Q".repeat(208));
        assertMismatch(texts, "M", "'Q'");
        texts.remove("M");
        assertMismatch(texts, "M", "no channel M");
        texts.put("M", "F".repeat(208));
        texts.put("K", "F".repeat(208));
        assertMismatch(texts, "K", "no channel K");
    }

    private static void assertMismatch(Map<String, String> texts, String channel, String message) {
        assertThatThrownBy(() -> NozzleMap.of(FAMILY, texts))
                .isInstanceOfSatisfying(
                        NozzleMap.MapMismatch.class,
                        e -> assertThat(e.channel()).isEqualTo(channel))
                .hasMessageContaining(message);
    }

    /** A second reading completes the first: only what it leaves unread is taken from there. */
    @org.junit.jupiter.api.Test
    void a_reading_is_completed_by_an_earlier_one() {
        NozzleMap now = new NozzleMap(Map.of("K", ChannelMap.of("FUUMU")));
        NozzleMap before = new NozzleMap(Map.of("K", ChannelMap.of("MMFFU")));
        assertThat(now.completedBy(before).texts()).isEqualTo(Map.of("K", "FMFMU"));
        NozzleMap other = new NozzleMap(Map.of("C", ChannelMap.of("M")));
        assertThat(now.completedBy(other)).isEqualTo(now);
    }
}
