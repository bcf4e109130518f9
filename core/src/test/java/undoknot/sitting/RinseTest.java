package undoknot.sitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import undoknot.sitting.Turn.Way;

/** Handbook 8: every channel's colour seen, then all clear, both ways, the last turn with deionised water. */
class RinseTest {

    private static final List<String> CHANNELS = List.of("C", "M");
    private final List<Turn> turns = new ArrayList<>();

    private Rinse after(Way way, Set<String> seen, Set<String> clear, boolean deionised) {
        turns.add(new Turn(UUID.randomUUID(), null, way, seen, clear, null, 38.0, deionised));
        return Rinse.of(CHANNELS, turns);
    }

    @Test
    void goes_on_until_every_colour_was_seen_and_all_run_clear_both_ways() {
        assertThat(Rinse.of(CHANNELS, List.of()).open()).containsExactly("C", "M");
        Rinse first = after(Way.IN_AT_PORTS, Set.of("C"), Set.of(), false);
        assertThat(first.channels()).extracting(Rinse.Row::seen).containsExactly(true, false);
        Rinse turned = after(Way.IN_AT_FACE, Set.of("C"), Set.of("C"), false);
        assertThat(turned.open()).containsExactly("C", "M");
        // Clear water of a channel whose colour never came is no end: that one is blocked.
        Rinse clear = after(Way.IN_AT_PORTS, Set.of(), Set.of("C", "M"), false);
        assertThat(clear.open()).containsExactly("M");
        after(Way.IN_AT_FACE, Set.of("M"), Set.of("C"), false);
        Rinse tinted = after(Way.IN_AT_PORTS, Set.of("M"), Set.of("C"), false);
        assertThat(tinted.open()).containsExactly("M");
        after(Way.IN_AT_PORTS, Set.of(), Set.of("C", "M"), false);
        Rinse allClear = after(Way.IN_AT_FACE, Set.of(), Set.of("C", "M"), false);
        assertThat(allClear.allClear()).isTrue();
        assertThat(allClear.isOver()).isFalse();
        assertThat(after(Way.IN_AT_FACE, Set.of(), Set.of("C", "M"), true).isOver())
                .isTrue();
    }

    /** What ran clear before and is tinted now is not clear. */
    @Test
    void the_last_turn_of_each_way_counts() {
        after(Way.IN_AT_PORTS, Set.of("C", "M"), Set.of("C", "M"), false);
        after(Way.IN_AT_FACE, Set.of(), Set.of("C", "M"), true);
        assertThat(Rinse.of(CHANNELS, turns).isOver()).isTrue();
        Rinse again = after(Way.IN_AT_PORTS, Set.of("M"), Set.of("C"), true);
        assertThat(again.open()).containsExactly("M");
        assertThat(again.channels().get(1).clearBy()).containsExactly(Way.IN_AT_FACE);
    }
}
