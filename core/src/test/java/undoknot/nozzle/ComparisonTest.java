package undoknot.nozzle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ComparisonTest {

    private static Counts counts(String before, String now) {
        return Comparison.compare(ChannelMap.of(before), ChannelMap.of(now));
    }

    @Test
    void counts_only_nozzles_read_in_both() {
        //                     123456789A
        Counts counts = counts("MMMFFUDMWF", "FMUMFMDDFU");
        // read in both: 1 2 4 5 7 8 9
        assertThat(counts.readInBoth()).isEqualTo(7);
        assertThat(counts.leftOut()).isEqualTo(3);
        assertThat(counts.restored()).isEqualTo(2); // 1 and 8
        assertThat(counts.stillOut()).isEqualTo(1); // 2
        assertThat(counts.newlyOut()).isEqualTo(1); // 4
        assertThat(counts.deflectedBefore()).isEqualTo(1);
        assertThat(counts.deflectedNow()).isEqualTo(2);
        assertThat(counts.weakBefore()).isEqualTo(1);
        assertThat(counts.weakNow()).isZero();
        assertThat(counts.recovery().getAsDouble()).isCloseTo(2.0 / 3, within(1e-12));
        assertThat(counts.wander()).isCloseTo(0.5, within(1e-12));
        assertThat(Comparison.fates(ChannelMap.of("MMMFFUDMWF"), ChannelMap.of("FMUMFMDDFU")))
                .isEqualTo("RSUN.U.R.U");
    }

    @Test
    void empty_sets_have_no_recovery_and_no_wander() {
        Counts none = counts("FFFF", "FFFF");
        assertThat(none.recovery()).isEmpty();
        assertThat(none.wander()).isZero();
        Counts allBack = counts("MMFF", "FFFF");
        assertThat(allBack.recovery()).hasValue(1);
        assertThat(allBack.wander()).isZero();
        Counts onlyNew = counts("FFFF", "MMFF");
        assertThat(onlyNew.recovery()).isEmpty();
        assertThat(onlyNew.wander()).isEqualTo(1);
        assertThat(counts("UUUU", "MMMM").readInBoth()).isZero();
    }

    /** restored, still out, newly out → the word. The shares are worked out by hand in the last column. */
    @ParameterizedTest
    @CsvSource({
        "0, 0, 0, NOTHING_OUT, nothing to tell",
        "0, 20, 0, UNCHANGED, recovery 0 wander 0",
        "1, 19, 1, UNCHANGED, recovery 0.05 wander 0.05",
        "1, 19, 2, FIXED, wander 2/21 = 0.095",
        "10, 10, 1, FIXED, recovery 0.5 wander 1/11 = 0.091",
        "10, 0, 0, FIXED, all restored and none out: wander zero",
        "0, 10, 3, MIXED, wander 3/13 = 0.23",
        "3, 3, 3, MIXED, wander 0.5 but only three newly out",
        "4, 4, 4, WANDERING, wander 0.5 and four newly out",
        "0, 6, 4, WANDERING, wander 0.4 exactly",
        "0, 0, 4, WANDERING, nothing out before",
        "0, 0, 3, MIXED, too few to call it wandering",
    })
    void movement_has_the_handbooks_words(int restored, int stillOut, int newlyOut, Movement expected, String why) {
        Counts counts = new Counts(100, 0, restored, stillOut, newlyOut, 0, 0, 0, 0);
        assertThat(Movement.of(counts, Movement.Thresholds.DEFAULT)).as(why).isEqualTo(expected);
    }

    @Test
    void totals_are_the_sums_of_channels_and_agree_with_the_fates() {
        long seed = 90125;
        Random random = new Random(seed);
        for (int round = 0; round < 200; round++) {
            Map<String, ChannelMap> before = new LinkedHashMap<>();
            Map<String, ChannelMap> now = new LinkedHashMap<>();
            StringBuilder fates = new StringBuilder();
            for (String code : new String[] {"K", "C", "M"}) {
                int size = 1 + random.nextInt(190);
                before.put(code, ChannelMap.of(RandomMaps.text(random, size)));
                now.put(code, ChannelMap.of(RandomMaps.text(random, size)));
                fates.append(Comparison.fates(before.get(code), now.get(code)));
            }
            Counts total =
                    Comparison.of(new NozzleMap(before), new NozzleMap(now)).total();
            assertThat(total.restored()).as("seed %d", seed).isEqualTo(letters(fates, 'R'));
            assertThat(total.stillOut()).isEqualTo(letters(fates, 'S'));
            assertThat(total.newlyOut()).isEqualTo(letters(fates, 'N'));
            assertThat(total.leftOut()).isEqualTo(letters(fates, 'U'));
            assertThat(total.readInBoth() + total.leftOut()).isEqualTo(fates.length());
        }
    }

    private static int letters(StringBuilder text, char letter) {
        return (int) text.chars().filter(c -> c == letter).count();
    }

    @Test
    void only_like_is_compared_with_like() {
        assertThatThrownBy(() -> counts("FFF", "FFFF")).hasMessageContaining("3 and 4 nozzles");
        assertThatThrownBy(() -> Comparison.of(
                        new NozzleMap(Map.of("K", ChannelMap.of("F"))), new NozzleMap(Map.of("C", ChannelMap.of("F")))))
                .hasMessageContaining("other channels");
    }
}
