package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.bench.SmallBench.bench;
import static undoknot.bench.SmallBench.hands;
import static undoknot.bench.SmallBench.head;
import static undoknot.bench.SmallBench.person;
import static undoknot.bench.SmallBench.soak;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class DaySolverTest {

    private static final DaySolver.Effort LITTLE = new DaySolver.Effort(0.02, 20);
    private static final List<Person> ONE = List.of(person("Ann", 0, 480, 1440, 1920));

    @Test
    void the_head_that_is_due_goes_first_and_the_answer_is_proved() {
        // As they came b is ready at 110 and 90 late; the other way round nobody is late, and 10 + 110 is the least.
        Bench bench = bench(ONE, head("a", 300, hands("work", 100)), head("b", 20, hands("check", 10)));

        Proposed proposed = DaySolver.propose(bench, LITTLE);

        assertThat(proposed.firstCome()).isEqualTo(new Day.Score(90, 100 + 110));
        assertThat(proposed.score()).isEqualTo(new Day.Score(0, 10 + 110));
        assertThat(proposed.bound()).isEqualTo(120);
        assertThat(proposed.isRepeatable()).isTrue();
    }

    @Test
    void a_long_soak_is_begun_before_closing_so_that_it_runs_through_the_night() {
        // Ann has 480 minutes. As they came, a's work fills the day, and b's soak of twelve hours begins tomorrow.
        Bench bench = bench(
                List.of(person("Ann", 0, 480, 1440, 1920, 2880, 3360)),
                head("a", 3000, hands("work", 300), hands("more", 180)),
                head("b", 1500, soak("in", 10, 720, 960), hands("out", 10)));

        Proposed proposed = DaySolver.propose(bench, LITTLE);

        assertThat(proposed.firstCome().late()).isPositive();
        assertThat(proposed.score().late()).isZero();
        int in = proposed.day().placed().get("b/in").start();
        // Out at 1440 at the earliest, and no more than 960 minutes after it went in.
        assertThat(in).isBetween(1440 - 960 - 10, 470);
    }

    @Test
    void whoever_is_away_does_nothing_and_who_has_something_fixed_keeps_it() {
        Bench bench = bench(
                        List.of(person("Ann", 0, 480), person("Ben", 60, 120)),
                        head("a", null, hands("one", 50)),
                        head("b", null, hands("two", 50)),
                        head("c", null, hands("three", 50)))
                .with(Map.of("c/three", new Fixed(1, 65, false)));

        Proposed proposed = DaySolver.propose(bench, LITTLE);

        assertThat(proposed.day().placed().get("c/three")).isEqualTo(new Day.Placed(1, 65));
        assertThat(DayCheck.of(proposed.bench(), proposed.day())).isEmpty();
        assertThat(proposed.score().ready()).isEqualTo(50 + 100 + 115);
    }

    @Test
    void a_new_head_moves_nothing_where_there_is_room_beside() {
        HeadJob a = head("a", 400, soak("in", 20, 60, 600), hands("out", 10));
        HeadJob b = head("b", 400, hands("check", 30));
        Day before = DaySolver.propose(bench(ONE, a, b), LITTLE).day();

        Proposed again = DaySolver.again(bench(ONE, a, b, head("c", 480, hands("look", 15))), before, LITTLE);

        assertThat(again.day().moved(before)).isZero();
        assertThat(again.score().late()).isZero();
    }

    @Test
    void a_new_head_that_is_due_soon_moves_others_by_no_more_than_it_takes() {
        HeadJob a = head("a", 400, hands("work", 60));
        HeadJob b = head("b", 400, hands("work", 60));
        Day before = DaySolver.propose(bench(ONE, a, b), LITTLE).day();

        Proposed again = DaySolver.again(bench(ONE, a, b, head("c", 15, hands("look", 15))), before, LITTLE);

        assertThat(again.score().late()).isZero();
        assertThat(again.day().placed().get("c/look").start()).isZero();
        assertThat(again.day().moved(before)).isEqualTo(30);
        assertThat(again.bound()).isEqualTo(30);
    }

    @Test
    void what_has_begun_stays_with_whoever_has_it_in_hand() {
        HeadJob a = head("a", 30, hands("work", 60));
        HeadJob b = head("b", 400, soak("in", 30, 60, 600), hands("out", 10));
        Bench bench = bench(ONE, a, b).with(Map.of("b/in", new Fixed(0, -10, true)));

        Proposed proposed = DaySolver.propose(bench, LITTLE);

        assertThat(proposed.day().placed().get("b/in")).isEqualTo(new Day.Placed(0, -10));
        assertThat(proposed.day().placed().get("a/work").start()).isEqualTo(20);
        assertThat(proposed.day().placed().get("b/out").start()).isEqualTo(80);
    }

    @Test
    void two_heads_that_one_person_has_in_hand_are_no_contradiction() {
        Bench bench = bench(ONE, head("a", null, hands("x", 30)), head("b", null, hands("y", 50)))
                .with(Map.of("a/x", new Fixed(0, 0, true), "b/y", new Fixed(0, -5, true)));

        Proposed proposed = DaySolver.propose(bench, LITTLE);

        assertThat(DayCheck.of(proposed.bench(), proposed.day())).isEmpty();
        assertThat(proposed.day().placed().get("b/y").start()).isEqualTo(-5);
    }

    @Test
    void the_same_bench_comes_to_the_same_day() {
        List<HeadJob> heads = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            heads.add(head(
                    "h" + i,
                    120 + 40 * i,
                    soak("in", 10 + i, 30 + 7 * i, 700, Place.TRAY),
                    hands("out", 5, Place.TRAY),
                    hands("check", 12, Place.TEST_SLOT)));
        }
        Bench bench = bench(
                List.of(person("Ann", 0, 480, 1440, 1920), person("Ben", 0, 480, 1440, 1920)),
                heads.toArray(HeadJob[]::new));

        assertThat(DaySolver.propose(bench, LITTLE).day())
                .isEqualTo(DaySolver.propose(bench, LITTLE).day());
    }

    @Test
    void an_empty_bench_has_an_empty_day() {
        Proposed proposed = DaySolver.propose(bench(ONE), LITTLE);

        assertThat(proposed.day().placed()).isEmpty();
        assertThat(proposed.score()).isEqualTo(new Day.Score(0, 0));
    }
}
