package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.bench.SmallBench.bench;
import static undoknot.bench.SmallBench.hands;
import static undoknot.bench.SmallBench.head;
import static undoknot.bench.SmallBench.person;
import static undoknot.bench.SmallBench.soak;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import undoknot.bench.DayReasons.Late;
import undoknot.bench.DayReasons.On;
import undoknot.bench.DayReasons.WaitsOn;
import undoknot.bench.WhatHelps.Help;
import undoknot.bench.WhatHelps.More;

class DayReasonsTest {

    private static final Person ANN = person("Ann", 0, 480, 1440, 1920);
    private static final Person BEN = person("Ben", 0, 480, 1440, 1920);
    private static final DaySolver.Effort LITTLE = new DaySolver.Effort(0.02, 20);

    private static DayReasons reasons(Bench bench) {
        return DayReasons.of(bench, DaySolver.propose(bench, LITTLE));
    }

    @Test
    void two_heads_for_one_bath_wait_for_the_bath_and_another_would_help() {
        Bench bench = bench(
                List.of(ANN, BEN),
                head("a", 30, hands("bath", 30, Place.BATH)),
                head("b", 30, hands("bath", 30, Place.BATH)));

        DayReasons reasons = reasons(bench);

        assertThat(reasons.waits()).containsExactly(new WaitsOn(On.BATH, 30, 1, 0));
        assertThat(reasons.late()).singleElement().satisfies(late -> {
            assertThat(late.minutes()).isEqualTo(30);
            assertThat(late.anyway()).isFalse();
            assertThat(late.on()).isEqualTo(On.BATH);
        });
        assertThat(WhatHelps.of(bench)).containsExactly(new Help(More.BATH, 30, 30));
    }

    @Test
    void one_pair_of_hands_for_two_heads_is_named_as_that() {
        Bench bench = bench(List.of(ANN), head("a", null, hands("x", 40)), head("b", null, hands("y", 50)));

        assertThat(reasons(bench).waits()).containsExactly(new WaitsOn(On.HANDS, 40, 1, 0));
        assertThat(WhatHelps.of(bench)).containsExactly(new Help(More.PERSON, 0, 40));
    }

    @Test
    void a_night_that_is_soaked_through_is_told_and_one_that_is_waited_out_counted() {
        Bench bench = bench(
                List.of(ANN),
                head("a", null, soak("in", 400, 720, 1200), hands("out", 10)),
                head("b", null, hands("y", 90)));

        DayReasons reasons = reasons(bench);

        assertThat(reasons.overnight()).containsExactly("a");
        assertThat(reasons.waits()).extracting(WaitsOn::on).contains(On.CLOSED);
    }

    @Test
    void what_is_late_with_the_whole_bench_to_itself_is_late_anyway() {
        Bench bench = bench(List.of(ANN), head("a", 30, hands("x", 40)));

        assertThat(reasons(bench).late()).containsExactly(new Late("a", 10, true, null));
    }

    @Test
    void a_soak_that_nobody_can_end_in_time_is_told() {
        HeadJob runs = new HeadJob("a", "a", List.of(hands("out", 5)), null, 500, 600, Set.of(), 0, 0);

        assertThat(reasons(bench(List.of(ANN), runs)).eased()).containsExactly("a");
    }

    @Test
    void where_nothing_helps_nothing_is_said() {
        assertThat(WhatHelps.of(bench(List.of(ANN), head("a", 100, hands("x", 40)))))
                .isEmpty();
    }
}
