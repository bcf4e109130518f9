package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking.Likely;
import undoknot.observation.Symptom;
import undoknot.treatment.Method;

/** Where the rules leave a choice, minutes of hands decide; where they do not, they do not. */
class SavePerMinuteTest {

    private static final Map<Cause, Method> FIRST =
            Map.of(Cause.AIR, Method.PURGE, Cause.DRIED_INK, Method.FLUSH, Cause.CARTRIDGE_FAULT, Method.CARTRIDGE);

    private static Likely likely(Cause cause, double probability) {
        return new Likely(cause, probability, 1, 0.1, null, List.of());
    }

    private static List<Cause> ordered(Likely... causes) {
        return SavePerMinute.ordered(List.of(causes), l -> FIRST.get(l.cause())).stream()
                .map(Likely::cause)
                .toList();
    }

    /** Purge 0.50 in 6 min, flush 0.35 in 15 min: at 40 % each 0.033 against 0.009 a minute. */
    @Test
    void alike_chances_go_by_save_per_minute() {
        assertThat(SavePerMinute.of(0.4, Method.PURGE)).isCloseTo(0.0333, within(1e-4));
        assertThat(SavePerMinute.of(0.4, Method.FLUSH)).isCloseTo(0.0093, within(1e-4));
        assertThat(ordered(likely(Cause.DRIED_INK, 0.40), likely(Cause.AIR, 0.36)))
                .containsExactly(Cause.AIR, Cause.DRIED_INK);
    }

    @Test
    void the_likelier_cause_goes_first_where_the_chances_differ() {
        assertThat(ordered(likely(Cause.DRIED_INK, 0.40), likely(Cause.AIR, 0.34)))
                .containsExactly(Cause.DRIED_INK, Cause.AIR);
    }

    /** Groups of alike chances follow one another; what has nothing left to do stands last in its group. */
    @Test
    void groups_follow_one_another() {
        assertThat(ordered(
                        likely(Cause.ELECTRICAL, 0.50),
                        likely(Cause.DRIED_INK, 0.48),
                        likely(Cause.AIR, 0.20),
                        likely(Cause.CARTRIDGE_FAULT, 0.19)))
                .containsExactly(Cause.DRIED_INK, Cause.ELECTRICAL, Cause.AIR, Cause.CARTRIDGE_FAULT);
        List<Likely> two = List.of(likely(Cause.AIR, 0.20), likely(Cause.CARTRIDGE_FAULT, 0.16));
        assertThat(SavePerMinute.alike(two.get(0), two)).containsExactly(Cause.CARTRIDGE_FAULT);
        assertThat(SavePerMinute.alike(likely(Cause.AIR, 0.22), two)).isEmpty();
    }

    /** The rungs that are left by what was soaked, in the visit or in the plan before it. */
    @ParameterizedTest
    @CsvSource({"10, 0, 10", "10, 1, 40", "10, 2, 180", "10, 3, 720", "10, 4, 720", "45, 0, 180", "45, 1, 720"})
    void a_soak_is_about_four_times_the_one_before(int idleDays, int soaks, int minutes) {
        WrittenVisit bench = new WrittenVisit("TARROW-T4")
                .told(idleDays, Symptom.GAPS_ONE_COLOUR)
                .scattered("C", 6, 0)
                .check();
        List<Method> planned = java.util.Collections.nCopies(soaks, Method.PORT_SOAK);
        assertThat(SoakRung.minutes(Method.PORT_SOAK, List.of("C"), bench.visit(), planned))
                .isEqualTo(minutes);
        for (int n = 0; n < soaks; n++) {
            bench.soak(10, "C");
        }
        assertThat(SoakRung.minutes(Method.PORT_SOAK, List.of("C"), bench.visit()))
                .isEqualTo(minutes);
        // Another channel has soaked nothing.
        assertThat(SoakRung.minutes(Method.PORT_SOAK, List.of("M"), bench.visit()))
                .isEqualTo(idleDays > 30 ? 180 : 10);
    }

    @Test
    void other_waits_grow_by_their_own_list() {
        WrittenVisit bench = new WrittenVisit("TARROW-T4").told(10).check();
        List<String> c = List.of("C");
        assertThat(SoakRung.minutes(Method.VAPOUR, c, bench.visit())).isEqualTo(150);
        assertThat(SoakRung.minutes(Method.VAPOUR, c, bench.visit(), List.of(Method.VAPOUR)))
                .isEqualTo(720);
        assertThat(SoakRung.minutes(Method.TRAY_SOAK, c, bench.visit())).isEqualTo(15);
        assertThat(SoakRung.minutes(Method.REST, c, bench.visit())).isEqualTo(720);
        assertThat(SoakRung.minutes(Method.STATION, c, bench.visit())).isNull();
    }
}
