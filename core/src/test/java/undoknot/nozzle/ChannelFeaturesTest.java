package undoknot.nozzle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.nozzle.ChannelFeatures.DensityStep;
import undoknot.nozzle.ChannelFeatures.FilledGroups;

class ChannelFeaturesTest {

    @Test
    void counts_each_state_and_the_longest_run() {
        ChannelFeatures features = ChannelFeatures.of(ChannelMap.of("FMMWDUMMMF"), 1);
        assertThat(features.firing()).isEqualTo(2);
        assertThat(features.weak()).isEqualTo(1);
        assertThat(features.deflected()).isEqualTo(1);
        assertThat(features.out()).isEqualTo(5);
        assertThat(features.unread()).isEqualTo(1);
        assertThat(features.longestRun()).isEqualTo(new Run(7, 3));
        // five of the nine that were read
        assertThat(features.shareOut()).hasValue(5.0 / 9);
        assertThat(features.whollyOut()).isFalse();
    }

    @Test
    void an_unread_channel_is_not_out() {
        ChannelFeatures unread = ChannelFeatures.of(ChannelMap.of("UUUU"), 2);
        assertThat(unread.shareOut()).isEmpty();
        assertThat(unread.whollyOut()).isFalse();
        assertThat(ChannelFeatures.of(ChannelMap.of("MUMM"), 2).whollyOut()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "MMMMFFFF, 1, 2, 4",
        "FFFFFFMM, 4, 1, 4",
        "FFMMFFFF, 2, 1, 4",
        "FFMMMMMM, 2, 3, 4",
        "MUMMFFFF, 1, 2, 4",
        "UFMMFFUF, 2, 1, 4"
    })
    void finds_drive_groups_that_are_filled_exactly(String text, int first, int count, int of) {
        assertThat(ChannelFeatures.of(ChannelMap.of(text), 4).filledGroups())
                .contains(new FilledGroups(first, count, of));
    }

    @ParameterizedTest
    @CsvSource({"MMMFFFFF", "FMMFFFFF", "MMFFMMFF", "MMMMMMMM", "FFFFFFFF", "MMFFFFFM", "MUFFFFFM", "MFUUFFFF"})
    void does_not_see_groups_where_the_borders_do_not_fit(String text) {
        assertThat(ChannelFeatures.of(ChannelMap.of(text), 4).filledGroups()).isEqualTo(Optional.empty());
    }

    /** Groups of ten: the second prints at half strength, the fourth has too few dashes to tell. */
    @Test
    void tells_where_the_dashes_turn_weaker_or_stronger() {
        String text = "F".repeat(10) + "W".repeat(10) + "F".repeat(10) + "M".repeat(7) + "WWW";
        assertThat(ChannelFeatures.of(ChannelMap.of(text), 4).densitySteps())
                .containsExactly(new DensityStep(1, 4, 1, 0.5), new DensityStep(2, 4, 0.5, 1));
        assertThat(ChannelFeatures.of(ChannelMap.of(text), 1).densitySteps()).isEmpty();
        assertThat(ChannelFeatures.of(ChannelMap.of("F".repeat(16) + "WWWW" + "F".repeat(20)), 4)
                        .densitySteps())
                .isEmpty();
    }
}
