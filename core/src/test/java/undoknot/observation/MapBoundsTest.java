package undoknot.observation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.NozzleMap;

/** Where each pattern of a map begins and ends, nozzle by nozzle: six channels of 160, four drive groups of 40. */
class MapBoundsTest {

    private static final Family FAMILY = StarterFamilies.ALL.get(1);
    private static final String SOUND = "F".repeat(160);

    private static NozzleMap map(Map<String, String> changed) {
        Map<String, String> texts = new LinkedHashMap<>();
        FAMILY.channels().forEach(c -> texts.put(c.code(), changed.getOrDefault(c.code(), SOUND)));
        return NozzleMap.of(FAMILY, texts);
    }

    /** The sound channel with some nozzles in a state, numbered from 1. */
    private static String set(String text, char state, int... nozzles) {
        StringBuilder changed = new StringBuilder(text);
        for (int n : nozzles) {
            changed.setCharAt(n - 1, state);
        }
        return changed.toString();
    }

    private static String out(int... nozzles) {
        return set(SOUND, 'M', nozzles);
    }

    private static int[] from(int first, int count) {
        return java.util.stream.IntStream.range(first, first + count).toArray();
    }

    private static int[] every(int first, int step, int count) {
        return java.util.stream.IntStream.range(0, count)
                .map(i -> first + i * step)
                .toArray();
    }

    static Stream<Arguments> patterns() {
        Sign none = null;
        return Stream.of(
                // A dense run without deflections: four to seven nozzles in one place.
                Arguments.of("three in a row", out(from(50, 3)), none),
                Arguments.of("four in a row", out(from(50, 4)), Sign.DENSE_RUN),
                Arguments.of("seven in a row", out(from(50, 7)), Sign.DENSE_RUN),
                Arguments.of("eight in a row are neither", out(from(50, 8)), none),
                // A long run makes up 8 of 100 of the channel (12.8) and 6 of 10 of what is out.
                Arguments.of("twelve in a row", out(from(50, 12)), none),
                Arguments.of("thirteen in a row", out(from(50, 13)), Sign.LONG_RUN),
                Arguments.of("15 and 10 others", set(out(from(50, 15)), 'M', every(90, 6, 10)), Sign.LONG_RUN),
                Arguments.of("15 and 11 others", set(out(from(50, 15)), 'M', every(90, 6, 11)), none),
                // Scattered: at least four runs, none of them more than half.
                Arguments.of("three singles", out(60, 80, 100), none),
                Arguments.of("four singles", out(60, 75, 90, 105), Sign.SCATTERED),
                Arguments.of("a run of 4 and 4 singles", set(out(60, 75, 90, 105), 'M', from(115, 4)), Sign.SCATTERED),
                Arguments.of("a run of 5 and 4 singles", set(out(60, 75, 90, 105), 'M', from(115, 5)), none),
                // Ends: the outer quarters at least 2.5 times as often, either end at least a fifth of them, six in
                // all.
                Arguments.of("10 outside, 4 inside", set(ends(5, 5), 'M', 60, 75, 90, 105), Sign.ENDS_WORST),
                Arguments.of("10 outside, 5 inside", set(ends(5, 5), 'M', 60, 75, 90, 105, 115), Sign.SCATTERED),
                Arguments.of("2 and 8 at the ends", ends(2, 8), Sign.ENDS_WORST),
                Arguments.of("1 and 9 at the ends", ends(1, 9), Sign.SCATTERED),
                Arguments.of("3 and 3 at the ends", ends(3, 3), Sign.ENDS_WORST),
                Arguments.of("3 and 2 at the ends", ends(3, 2), Sign.SCATTERED));
    }

    private static String ends(int low, int high) {
        return set(out(every(2, 4, low)), 'M', every(123, 4, high));
    }

    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("patterns")
    void a_pattern_begins(String name, String text, Sign expected) {
        List<Sign> shown = MapSigns.of(map(Map.of("K", text)), FAMILY, null).stream()
                .filter(o -> "K".equals(o.channel()))
                .map(Observation::sign)
                .toList();
        assertThat(shown).isEqualTo(expected == null ? List.of() : List.of(expected));
    }

    static Stream<Arguments> bent() {
        return Stream.of(
                Arguments.of("three bent", set(SOUND, 'D', from(50, 3)), false),
                Arguments.of("four bent", set(SOUND, 'D', from(50, 4)), true),
                Arguments.of("four in ten places", set(SOUND, 'D', 50, 52, 55, 59), true),
                Arguments.of("four in eleven places", set(SOUND, 'D', 50, 52, 55, 60), false),
                Arguments.of("four bent, two out", set(out(10, 90), 'D', from(50, 4)), true),
                Arguments.of("four bent, three out", set(out(10, 90, 120), 'D', from(50, 4)), false),
                Arguments.of("seven bent, four out", set(out(10, 90, 120, 140), 'D', from(50, 7)), false),
                Arguments.of("eight bent, five out", set(out(10, 30, 90, 120, 140), 'D', from(50, 8)), true));
    }

    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("bent")
    void dashes_bent_in_one_place(String name, String text, boolean cluster) {
        assertThat(MapSigns.of(map(Map.of("K", text)), FAMILY, null).stream()
                        .anyMatch(o -> o.sign() == Sign.DEFLECTED_CLUSTER))
                .isEqualTo(cluster);
    }

    static Stream<Arguments> debris() {
        return Stream.of(
                Arguments.of("bent on either side", set(out(60, 61, 62), 'D', 59, 63), true),
                Arguments.of("both on one side", set(out(60, 61, 62), 'D', 58, 59), true),
                Arguments.of("one alone", set(out(60, 61, 62), 'D', 59), false),
                Arguments.of("three places off", set(out(60, 61, 62), 'D', 57, 65), true),
                Arguments.of("four places off", set(out(60, 61, 62), 'D', 56, 66), false),
                Arguments.of("two out", set(out(60, 61), 'D', 59, 62), false),
                Arguments.of("three in five places", set(out(60, 62, 64), 'D', 59, 65), true),
                Arguments.of("three in six places", set(out(60, 62, 65), 'D', 59, 66), false),
                Arguments.of("a quarter of the channel", set(out(from(50, 38)), 'D', 49, 88), true),
                Arguments.of("more than a quarter", set(out(from(50, 41)), 'D', 49, 91), false),
                Arguments.of("at nozzle 1", set(out(1, 2, 3), 'D', 4, 5), true),
                Arguments.of("at the last", set(out(158, 159, 160), 'D', 156, 157), true));
    }

    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("debris")
    void a_short_dense_run_with_deflections_is_debris(String name, String text, boolean isDebris) {
        assertThat(MapSigns.of(map(Map.of("K", text)), FAMILY, null).stream()
                        .anyMatch(o -> o.sign() == Sign.DENSE_WITH_DEFLECTED))
                .isEqualTo(isDebris);
    }

    /** Gaps elsewhere in the channel do not hide it, and are a pattern of their own. */
    @Test
    void debris_and_scattered_gaps_are_both_seen() {
        String text = set(set(out(60, 61, 62), 'D', 59, 63), 'M', 10, 30, 100, 120, 140);
        List<Observation> shown = MapSigns.of(map(Map.of("K", text)), FAMILY, null).stream()
                .filter(o -> "K".equals(o.channel()))
                .toList();
        assertThat(shown).extracting(Observation::sign).containsExactly(Sign.DENSE_WITH_DEFLECTED, Sign.SCATTERED);
        assertThat(shown.get(0).facts())
                .containsEntry(Fact.OUT, 3)
                .containsEntry(Fact.OF, 160)
                .containsEntry(Fact.RUN, 3);
        assertThat(shown.get(1).facts()).containsEntry(Fact.OUT, 8).containsEntry(Fact.OF, 160);
    }

    @Test
    void a_filled_group_is_said_with_its_place() {
        Observation two =
                MapSigns.of(map(Map.of("K", out(from(41, 80)))), FAMILY, null).get(0);
        assertThat(two.sign()).isEqualTo(Sign.GROUP_FILLED);
        assertThat(two.facts())
                .containsEntry(Fact.GROUP, 2)
                .containsEntry(Fact.LAST_GROUP, 3)
                .containsEntry(Fact.FILLED, 2)
                .containsEntry(Fact.GROUPS, 4)
                .containsEntry(Fact.OUT, 80)
                .containsEntry(Fact.RUN, 80);
    }

    /** Of six channels two thirds are most, a third are few; three gaps make a channel count. */
    @ParameterizedTest
    @CsvSource({
        "0, 3, ALL_FIRING",
        "1, 2, ALL_FIRING",
        "1, 3, GAPS_IN_FEW",
        "2, 3, GAPS_IN_FEW",
        "3, 3, ",
        "4, 3, GAPS_IN_MOST",
        "6, 3, GAPS_IN_MOST"
    })
    void how_many_channels_show_gaps(int channels, int gaps, Sign expected) {
        Map<String, String> changed = new LinkedHashMap<>();
        FAMILY.channels().stream().limit(channels).forEach(c -> changed.put(c.code(), out(every(60, 20, gaps))));
        List<Observation> ofHead = MapSigns.of(map(changed), FAMILY, "c1").stream()
                .filter(o -> o.channel() == null)
                .toList();
        assertThat(ofHead).extracting(Observation::sign).isEqualTo(expected == null ? List.of() : List.of(expected));
        int counted = gaps < 3 ? 0 : channels;
        ofHead.forEach(
                o -> assertThat(o.facts()).containsEntry(Fact.CHANNELS, counted).containsEntry(Fact.OF, 6));
    }

    /** A pale or bent channel is no channel that fires, though nothing is out. */
    @Test
    void pale_and_bent_channels_do_not_count_as_firing() {
        for (String text : List.of(set(SOUND, 'W', from(1, 80)), set(SOUND, 'D', from(50, 5)))) {
            assertThat(MapSigns.of(map(Map.of("K", text)), FAMILY, null))
                    .extracting(Observation::sign)
                    .doesNotContain(Sign.ALL_FIRING);
        }
    }
}
