package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.bench.SmallBench.bench;
import static undoknot.bench.SmallBench.hands;
import static undoknot.bench.SmallBench.head;
import static undoknot.bench.SmallBench.person;
import static undoknot.bench.SmallBench.soak;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.bench.Day.Placed;
import undoknot.bench.DayCheck.Broken;
import undoknot.bench.DayCheck.Rule;

class DayCheckTest {

    /** In at 0 to 10, out 40 to 100 minutes after it, in the tray all the while; another head is in the tray from 200 on. */
    private static final Bench BENCH = bench(
                    List.of(person("Ann", 0, 480), person("Ben", 0, 240)),
                    head("a", null, soak("in", 10, 40, 100, Place.TRAY), hands("out", 10, Place.TRAY)),
                    head("b", null, hands("tray", 20, Place.TRAY)),
                    head("c", null, hands("fixed", 10)))
            .with(Map.of("c/fixed", new Fixed(1, 30, false)));

    private static final Map<String, Placed> GOOD = Map.of(
            "a/in", new Placed(0, 0),
            "a/out", new Placed(0, 60),
            "b/tray", new Placed(1, 200),
            "c/fixed", new Placed(1, 30));

    static Stream<Arguments> broken() {
        return Stream.of(
                Arguments.of(Rule.TOO_EARLY, "a/out", new Placed(0, 49)),
                Arguments.of(Rule.TOO_LATE, "a/out", new Placed(0, 111)),
                Arguments.of(Rule.OUT_OF_HOURS, "b/tray", new Placed(1, 225)),
                Arguments.of(Rule.TWO_PLACES_AT_ONCE, "a/out", new Placed(1, 210)),
                Arguments.of(Rule.NO_PLACE, "b/tray", new Placed(1, 55)),
                Arguments.of(Rule.NO_PLACE, "b/tray", new Placed(0, 30)),
                Arguments.of(Rule.MOVED, "c/fixed", new Placed(1, 31)),
                Arguments.of(Rule.MOVED, "c/fixed", new Placed(0, 30)),
                Arguments.of(Rule.LEFT_OUT, "b/tray", null));
    }

    @Test
    void a_day_that_keeps_every_rule_is_whole() {
        assertThat(DayCheck.of(BENCH, new Day(GOOD))).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("broken")
    void every_rule_that_is_broken_is_named(Rule rule, String key, Placed moved) {
        Map<String, Placed> day = new HashMap<>(GOOD);
        Bench bench = BENCH;
        if (moved == null) {
            day.remove(key);
        } else {
            day.put(key, moved);
        }
        if (rule == Rule.TWO_PLACES_AT_ONCE) {
            // Late enough that no tray and no soak is in the way.
            bench = bench(
                    BENCH.people(),
                    head("a", null, hands("in", 10), hands("out", 10)),
                    BENCH.heads().get(1));
        }

        assertThat(DayCheck.of(bench, new Day(day))).extracting(Broken::rule).containsOnly(rule);
    }

    @Test
    void more_may_stand_at_a_place_than_it_holds_if_they_do_already() {
        HeadJob runs = new HeadJob(
                "r", "r", List.of(hands("out", 5, Place.TRAY)), null, 0, Stint.ANY, Set.of(Place.TRAY), 0, 0);
        HeadJob other = new HeadJob(
                "s", "s", List.of(hands("out", 5, Place.TRAY)), null, 0, Stint.ANY, Set.of(Place.TRAY), 0, 0);
        Day day = new Day(Map.of("r/out", new Placed(0, 20), "s/out", new Placed(0, 30)));

        assertThat(DayCheck.of(bench(BENCH.people(), runs, other), day)).isEmpty();
    }
}
