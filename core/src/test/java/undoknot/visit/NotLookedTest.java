package undoknot.visit;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.JobClass;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.LookFirst;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

class NotLookedTest {

    private static List<Observation> observed(String signs) {
        return signs == null
                ? List.of()
                : Arrays.stream(signs.split(" "))
                        .map(sign -> Observation.of(Sign.valueOf(sign)))
                        .toList();
    }

    private static VisitLog log(String told, Stream<Step> steps) {
        return new VisitLog(
                StarterFamilies.ALL.get(1), JobClass.GENERAL, observed(told), steps.toList(), HeadNow.READY);
    }

    private static Set<LookFirst> looks(String names) {
        return names == null
                ? Set.of()
                : Arrays.stream(names.split(" ")).map(LookFirst::valueOf).collect(Collectors.toSet());
    }

    /** The waste store is looked at always, the station where a cleaning brought more gaps. */
    @ParameterizedTest
    @CsvSource({
        "TOLD_GAPS_SEVERAL,        ,                              WASTE_STORE",
        "TOLD_GAPS_SEVERAL,        WASTE_ROOM,                    ",
        "TOLD_GAPS_SEVERAL,        WASTE_FULL,                    ",
        "TOLD_MORE_AFTER_CLEANING, ,                              WASTE_STORE STATION",
        "TOLD_MORE_AFTER_CLEANING, WASTE_ROOM,                    STATION",
        "TOLD_MORE_AFTER_CLEANING, WASTE_ROOM STATION_CLEAN,      ",
        "TOLD_MORE_AFTER_CLEANING, WASTE_ROOM STATION_CRUSTED,    ",
        "TOLD_MORE_AFTER_CLEANING, WASTE_ROOM FACE_DIRTY,         STATION",
        "TOLD_MORE_AFTER_CLEANING, STATION_CLEAN,                 WASTE_STORE"
    })
    void what_nobody_looked_at_comes_before_strong_work(String told, String found, String notLooked) {
        assertThat(NotLooked.of(log(told, observed(found).stream().map(Step.Found::new))))
                .isEqualTo(looks(notLooked));
    }

    @Test
    void who_cleaned_the_station_has_seen_it() {
        Treatment station = new Treatment.Handwork(Method.STATION, Set.of("K", "C"), BigDecimal.TEN);
        assertThat(NotLooked.of(log("TOLD_MORE_AFTER_CLEANING", Stream.of(new Step.Worked("1", station)))))
                .containsExactly(LookFirst.WASTE_STORE);
    }
}
