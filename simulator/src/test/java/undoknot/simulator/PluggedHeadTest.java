package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;

class PluggedHeadTest {

    private static final Family FAMILY = StarterFamilies.ALL.get(1);

    @Test
    void the_same_seed_makes_the_same_head() {
        assertThat(new PluggedHead(FAMILY, 3).plug("C", 0.2).check())
                .isEqualTo(new PluggedHead(FAMILY, 3).plug("C", 0.2).check());
    }

    @Test
    void plugs_the_share_asked_for_and_clears_without_new_gaps() {
        PluggedHead head = new PluggedHead(FAMILY, 11).plug("M", 0.25).run("K", 1, 10, NozzleState.UNREAD);
        NozzleMap before = head.check();
        // 160 nozzles a channel
        assertThat(before.channel("M").count(NozzleState.MISSING)).isEqualTo(40);
        assertThat(before.channel("K").count(NozzleState.UNREAD)).isEqualTo(10);
        Comparison comparison = Comparison.of(before, head.clear("M", 1).check());
        assertThat(comparison.total().restored()).isEqualTo(40);
        assertThat(comparison.total().newlyOut()).isZero();
    }
}
