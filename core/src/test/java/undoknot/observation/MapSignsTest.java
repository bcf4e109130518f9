package undoknot.observation;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.diagnosis.PairSigns;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleMap;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Round;
import undoknot.visit.Step.Checked;
import undoknot.visit.Step.Worked;

class MapSignsTest {

    /** Six channels of 160 nozzles, four drive groups of 40. */
    private static final Family FAMILY = StarterFamilies.ALL.get(1);

    private static NozzleMap map(Map<String, String> changed) {
        Map<String, String> texts = new LinkedHashMap<>();
        FAMILY.channels().forEach(c -> texts.put(c.code(), changed.getOrDefault(c.code(), "F".repeat(160))));
        return NozzleMap.of(FAMILY, texts);
    }

    private static String at(String text, int from, String put) {
        return text.substring(0, from - 1) + put + text.substring(from - 1 + put.length());
    }

    private static final String SOUND = "F".repeat(160);

    static Stream<Arguments> patterns() {
        return Stream.of(
                Arguments.of("M".repeat(160), Sign.WHOLLY_OUT),
                Arguments.of(at(SOUND, 81, "M".repeat(40)), Sign.GROUP_FILLED),
                // A real check misses a nozzle of a group, or the band begins a little off the border.
                Arguments.of(at(SOUND, 81, "M".repeat(39)), Sign.GROUP_FILLED),
                Arguments.of(at(SOUND, 83, "M".repeat(40)), Sign.GROUP_FILLED),
                Arguments.of(at(at(SOUND, 81, "M".repeat(40)), 5, "MFFFM"), Sign.GROUP_FILLED),
                Arguments.of(at(SOUND, 81, "M".repeat(36)), Sign.LONG_RUN),
                Arguments.of(at(SOUND, 81, "M".repeat(50)), Sign.LONG_RUN),
                Arguments.of(at(SOUND, 91, "M".repeat(30)), Sign.LONG_RUN),
                Arguments.of(at(SOUND, 50, "MMMMM"), Sign.DENSE_RUN),
                Arguments.of("FFMFFFFF".repeat(20), Sign.SCATTERED),
                Arguments.of(at(at(SOUND, 1, "M".repeat(25)), 136, "M".repeat(25)), Sign.ENDS_WORST),
                Arguments.of(at(SOUND, 50, "DMMMFMMMD"), Sign.DENSE_WITH_DEFLECTED),
                Arguments.of(at(SOUND, 50, "DDDDDFDDD"), Sign.DEFLECTED_CLUSTER),
                Arguments.of(at(SOUND, 41, "W".repeat(40)), Sign.DENSITY_STEP));
    }

    @ParameterizedTest
    @MethodSource("patterns")
    void a_channel_shows(String text, Sign expected) {
        List<Observation> signs = MapSigns.of(map(Map.of("K", text)), FAMILY, "check");
        assertThat(signs.stream().filter(o -> "K".equals(o.channel())).map(Observation::sign))
                .containsExactly(expected);
        assertThat(signs).allSatisfy(o -> assertThat(o.from()).isEqualTo("check"));
    }

    /** Eight of 160 nozzles are five in a hundred; fewer may be a smear. */
    @Test
    void another_ink_counts_from_five_nozzles_in_a_hundred() {
        assertThat(MapSigns.ofForeignInk(Map.of("K", 8, "C", 7), FAMILY, "check"))
                .containsExactly(new Observation(Sign.FOREIGN_COLOUR, "K", Map.of(Fact.NOZZLES, 8), "check"));
        assertThat(MapSigns.ofForeignInk(Map.of(), FAMILY, "check")).isEmpty();
    }

    @Test
    void two_nozzles_out_are_no_pattern_and_the_head_counts_as_firing() {
        assertThat(MapSigns.of(map(Map.of("K", at(SOUND, 7, "MFM"))), FAMILY, null))
                .extracting(Observation::sign)
                .containsExactly(Sign.ALL_FIRING);
    }

    @Test
    void how_many_channels_show_gaps_is_said_with_counts() {
        String gaps = "FFMFFFFF".repeat(20);
        Observation few = last(Map.of("K", gaps));
        assertThat(few.sign()).isEqualTo(Sign.GAPS_IN_FEW);
        assertThat(few.facts()).containsEntry(Fact.CHANNELS, 1).containsEntry(Fact.OF, 6);
        assertThat(last(Map.of("K", gaps, "C", gaps, "M", gaps, "Y", gaps)).sign())
                .isEqualTo(Sign.GAPS_IN_MOST);
        assertThat(last(Map.of("K", gaps, "C", gaps, "M", gaps)).channel()).isEqualTo("M");
    }

    private static Observation last(Map<String, String> changed) {
        List<Observation> signs = MapSigns.of(map(changed), FAMILY, null);
        return signs.get(signs.size() - 1);
    }

    static Stream<Arguments> pairs() {
        String eight = at(SOUND, 10, "MFMFMFMFMFMFMFM");
        String four = at(SOUND, 10, "MFMFMFM");
        String elsewhere = at(at(SOUND, 10, "MFM"), 90, "MFMFMFMFMFM");
        return Stream.of(
                Arguments.of(eight, eight, WorkBetweenChecks.CYCLE, Sign.FIXED_AFTER_CYCLE),
                Arguments.of(eight, four, WorkBetweenChecks.CYCLE, Sign.SHRINKS_AFTER_CYCLE),
                Arguments.of(eight, elsewhere, WorkBetweenChecks.CYCLE, Sign.WANDERS),
                Arguments.of(eight, elsewhere, WorkBetweenChecks.NOTHING, Sign.WANDERS),
                Arguments.of(eight, eight, WorkBetweenChecks.FLUSH, Sign.FIXED_AFTER_FLUSH),
                Arguments.of(eight, four, WorkBetweenChecks.FLUSH, Sign.SHRINKS_AFTER_FLUSH),
                Arguments.of(eight, four, WorkBetweenChecks.AIR, Sign.BETTER_AFTER_AIR),
                Arguments.of(eight, four, WorkBetweenChecks.SUPPLY, Sign.BETTER_AFTER_SUPPLY),
                Arguments.of(eight, four, WorkBetweenChecks.CARTRIDGE, Sign.BETTER_AFTER_CARTRIDGE),
                Arguments.of(eight, four, WorkBetweenChecks.FACE, Sign.BETTER_AFTER_FACE),
                Arguments.of(eight, four, WorkBetweenChecks.STATION, Sign.BETTER_AFTER_STATION),
                Arguments.of(eight, eight, WorkBetweenChecks.AIR, Sign.SAME_AFTER_AIR),
                Arguments.of(eight, eight, WorkBetweenChecks.FACE, Sign.SAME_AFTER_FACE));
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void what_was_done_between_tells_what_a_change_means(
            String before, String now, WorkBetweenChecks between, Sign expected) {
        assertThat(pair(Map.of("K", before), Map.of("K", now), between))
                .extracting(Observation::sign)
                .containsExactly(expected);
    }

    private static List<Observation> pair(
            Map<String, String> before, Map<String, String> now, WorkBetweenChecks between) {
        Round round =
                new Round(new Checked("before", map(before), null), work(between), new Checked("now", map(now), null));
        return PairSigns.of(round, Movement.Thresholds.DEFAULT);
    }

    /** Work of a kind on K and C; a flush goes through K alone. */
    private static List<Worked> work(WorkBetweenChecks between) {
        Method method = Stream.of(Method.values())
                .filter(m -> m.between() == between && !m.isByStrokes() && m.isHandwork() && !m.reachesEveryRow())
                .findFirst()
                .orElse(null);
        Treatment treatment = switch (between) {
            case NOTHING -> null;
            case CYCLE -> new Treatment.Cycle(Set.of("K", "C"), Treatment.Strength.LIGHT, 1);
            case FLUSH ->
                new Treatment.Flush(
                        List.of(new Stroke(
                                "K",
                                BigDecimal.valueOf(3),
                                9,
                                Treatment.Resistance.FREE,
                                Treatment.Effluent.INK,
                                Treatment.Stream.WHOLE)),
                        20);
            case FACE -> hands(Method.WIPE);
            case STATION -> hands(Method.STATION);
            case REST -> hands(Method.REST);
            case AIR -> hands(Method.PURGE);
            case SUPPLY -> hands(Method.DAMPER);
            default -> hands(method);
        };
        return treatment == null ? List.of() : List.of(new Worked("work", treatment));
    }

    private static Treatment hands(Method method) {
        return new Treatment.Handwork(method, Set.of("K", "C"), BigDecimal.ZERO);
    }

    @Test
    void newly_out_in_two_channels_after_a_cycle_is_about_the_head() {
        String gaps = at(SOUND, 10, "MFMFM");
        assertThat(pair(Map.of(), Map.of("K", gaps, "C", gaps), WorkBetweenChecks.CYCLE))
                .extracting(Observation::sign)
                .containsExactly(Sign.NEWLY_OUT_AFTER_CYCLE);
        assertThat(pair(Map.of(), Map.of("K", gaps, "C", gaps), WorkBetweenChecks.REST))
                .extracting(Observation::sign)
                .containsExactly(Sign.BACK_AFTER_REST);
        assertThat(pair(Map.of(), Map.of("K", gaps), WorkBetweenChecks.CYCLE)).isEmpty();
    }

    @Test
    void a_channel_that_goes_out_after_a_flush_that_flowed_holds_air() {
        String out = "M".repeat(160);
        assertThat(pair(Map.of("K", at(SOUND, 9, "MMMM")), Map.of("K", out), WorkBetweenChecks.FLUSH))
                .extracting(Observation::sign)
                .contains(Sign.WHOLLY_OUT_AFTER_FLUSH);
        // It was not flushed, so the flush says nothing about it.
        assertThat(pair(Map.of(), Map.of("C", out), WorkBetweenChecks.FLUSH)).isEmpty();
    }

    @Test
    void a_channel_that_stays_wholly_out_is_not_called_fixed() {
        String out = "M".repeat(160);
        assertThat(pair(Map.of("K", out), Map.of("K", out), WorkBetweenChecks.CYCLE))
                .isEmpty();
    }

    @Test
    void unread_nozzles_speak_neither_way() {
        assertThat(MapSigns.of(map(Map.of("K", at(SOUND, 1, "U".repeat(60)))), FAMILY, null))
                .extracting(Observation::sign)
                .containsExactly(Sign.ALL_FIRING);
    }
}
