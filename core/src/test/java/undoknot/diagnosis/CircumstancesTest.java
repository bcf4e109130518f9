package undoknot.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Sign.*;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadNow;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/** What a visit lets one observe: the same print says other things by what else is known (handbook 6 and 7). Three channels. */
class CircumstancesTest {

    private static final Family FAMILY = StarterFamilies.ALL.get(2);
    private static final List<String> CODES = List.of("C", "M", "Y");

    private static NozzleMap map(Map<String, Character> states) {
        Map<String, ChannelMap> channels = new LinkedHashMap<>();
        CODES.forEach(code -> channels.put(
                code, ChannelMap.of(states.getOrDefault(code, 'F').toString().repeat(208))));
        return new NozzleMap(channels);
    }

    private static VisitLog visit(boolean idle, Step... steps) {
        List<Observation> told = idle ? List.of(Observation.of(IDLE_OVER_MONTH)) : List.of();
        return new VisitLog(FAMILY, JobClass.GENERAL, told, List.of(steps), HeadNow.READY);
    }

    private static List<Sign> seen(VisitLog visit, String channel) {
        return Evidence.of(visit).stream()
                .filter(o -> channel.equals(String.valueOf(o.channel())))
                .map(Observation::sign)
                .toList();
    }

    /** So many channels out, and whether it stood for more than a month. */
    @ParameterizedTest
    @CsvSource({
        "1, false, WHOLLY_OUT_ALONE, ",
        "1, true, WHOLLY_OUT_IDLE, ",
        "2, false, WHOLLY_OUT, GAPS_IN_MOST",
        "2, true, WHOLLY_OUT_IDLE, GAPS_IN_MOST_IDLE",
        "3, false, , ALL_BLANK",
        "3, true, WHOLLY_OUT_IDLE, GAPS_IN_MOST_IDLE"
    })
    void channels_that_print_nothing(int out, boolean idle, Sign inChannel, Sign ofHead) {
        Map<String, Character> states = new LinkedHashMap<>();
        CODES.subList(0, out).forEach(code -> states.put(code, 'M'));
        VisitLog visit = visit(idle, new Step.Checked("c1", map(states), null));
        assertThat(seen(visit, "C")).isEqualTo(inChannel == null ? List.of() : List.of(inChannel));
        if (ofHead != null) {
            assertThat(seen(visit, "null")).contains(ofHead);
        }
        assertThat(seen(visit, "null").contains(ALL_BLANK)).isEqualTo(ofHead == ALL_BLANK);
    }

    /** Another channel with gaps of its own: the one that prints nothing is not alone. */
    @Test
    void a_channel_is_alone_only_when_the_others_are_fine() {
        Map<String, ChannelMap> channels =
                new LinkedHashMap<>(map(Map.of("C", 'M')).channels());
        channels.put("M", ChannelMap.of("FFMFFFFFFFFFF".repeat(16)));
        VisitLog visit = visit(false, new Step.Checked("c1", new NozzleMap(channels), null));
        assertThat(seen(visit, "C")).containsExactly(WHOLLY_OUT);
        assertThat(seen(visit, "M")).containsExactly(SCATTERED);
    }

    private static CoarseReading bars(CoarseReading.Level... levels) {
        Map<String, CoarseReading.Line> lines = new LinkedHashMap<>();
        for (int i = 0; i < levels.length; i++) {
            lines.put(CODES.get(i), new CoarseReading.Line(levels[i], null));
        }
        return new CoarseReading(CoarseReading.Kind.BARS, lines);
    }

    /** Bars say of the head what a map would: absent, one channel or most of them; a channel that was left out says nothing. */
    @Test
    void bars_are_counted_like_maps() {
        VisitLog absent = visit(
                false,
                new Step.Checked(
                        "c1",
                        null,
                        bars(
                                CoarseReading.Level.BAR_ABSENT,
                                CoarseReading.Level.BAR_FULL,
                                CoarseReading.Level.BAR_FULL)));
        assertThat(seen(absent, "C")).containsExactly(WHOLLY_OUT_ALONE);
        assertThat(seen(absent, "null")).containsExactly(GAPS_IN_FEW);
        VisitLog most = visit(
                false,
                new Step.Checked(
                        "c1",
                        null,
                        bars(
                                CoarseReading.Level.BAR_STREAKED,
                                CoarseReading.Level.BAR_PALE,
                                CoarseReading.Level.BAR_FULL)));
        assertThat(seen(most, "C")).containsExactly(BAR_STREAKED);
        assertThat(seen(most, "M")).containsExactly(BAR_PALE);
        assertThat(seen(most, "null")).containsExactly(GAPS_IN_MOST);
        VisitLog full = visit(
                false,
                new Step.Checked("c1", null, bars(CoarseReading.Level.BAR_FULL, CoarseReading.Level.BAR_FULL, null)));
        assertThat(seen(full, "null")).containsExactly(ALL_FIRING);
    }

    /** Once it prints again, what it showed last still tells what was wrong; that all fires now is no news. */
    @Test
    void what_showed_last_stays_evidence() {
        Step.Worked work = new Step.Worked(
                "w1", new Treatment.Soak(Treatment.Place.PORT, Set.of("C"), java.math.BigDecimal.ONE, 10));
        Map<String, ChannelMap> gaps = new LinkedHashMap<>(map(Map.of()).channels());
        gaps.put("C", ChannelMap.of("FFMFFFFFFFFFF".repeat(16)));
        VisitLog visit = visit(
                false,
                new Step.Checked("c1", new NozzleMap(gaps), null),
                work,
                new Step.Checked("c2", map(Map.of()), null));
        assertThat(seen(visit, "C")).contains(SCATTERED);
        assertThat(seen(visit, "null")).doesNotContain(ALL_FIRING).contains(GAPS_IN_FEW);
        VisitLog sound = visit(false, new Step.Checked("c1", map(Map.of()), null));
        assertThat(seen(sound, "null")).containsExactly(ALL_FIRING);
        VisitLog silent =
                visit(false, new Step.Checked("c1", new NozzleMap(gaps), null), new Step.Checked("c2", null, null));
        assertThat(seen(silent, "null")).containsExactly(NO_CHECK);
        assertThat(seen(silent, "C")).isEmpty();
    }

    /** What was mended stays evidence; fine after the mend says nothing of before; of two looks that disagree both count. */
    @Test
    void findings_before_and_after_a_mend() {
        Step crust = new Step.Found(Observation.of(STATION_CRUSTED));
        Step clean = new Step.Found(Observation.of(STATION_CLEAN));
        Step mend = new Step.Worked(
                "w1",
                new Treatment.Handwork(
                        undoknot.treatment.Method.STATION, Set.copyOf(CODES), java.math.BigDecimal.ZERO));
        Step check = new Step.Checked("c1", map(Map.of()), null);
        List<Sign> station = new ArrayList<>(List.of(STATION_CRUSTED, STATION_CLEAN));
        assertThat(seen(visit(false, check, crust, mend, clean), "null"))
                .contains(STATION_CRUSTED)
                .doesNotContain(STATION_CLEAN);
        assertThat(seen(visit(false, check, crust, clean), "null")).containsAll(station);
        assertThat(undoknot.observation.Contradiction.in(Evidence.of(visit(false, check, crust, clean))))
                .hasSize(1);
        assertThat(undoknot.observation.Contradiction.in(Evidence.of(visit(false, check, crust, mend, clean))))
                .isEmpty();
    }
}
