package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static undoknot.bench.SmallBench.bench;
import static undoknot.bench.SmallBench.hands;
import static undoknot.bench.SmallBench.head;
import static undoknot.bench.SmallBench.person;
import static undoknot.bench.SmallBench.soak;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FirstComeTest {

    private static final List<Person> ONE = List.of(person("Ann", 0, 480, 1440, 1920));

    private static int start(Day day, String key) {
        return day.placed().get(key).start();
    }

    @Test
    void hands_of_one_head_fill_the_wait_of_another() {
        Bench bench = bench(
                ONE, head("a", null, soak("in", 30, 60, 600), hands("out", 10)), head("b", null, hands("check", 20)));

        Day day = FirstCome.of(bench).day();

        assertThat(start(day, "a/in")).isZero();
        assertThat(start(day, "b/check")).isEqualTo(30);
        assertThat(start(day, "a/out")).isEqualTo(90);
        assertThat(day.score(bench)).isEqualTo(new Day.Score(0, 100 + 50));
    }

    @Test
    void work_that_does_not_fit_before_closing_waits_for_the_morning_while_a_soak_runs_on() {
        Bench bench = bench(
                ONE, head("a", 900, hands("first", 475), hands("second", 20), soak("in", 5, 10, 60), hands("out", 5)));

        Day day = FirstCome.of(bench).day();

        assertThat(start(day, "a/second")).isEqualTo(1440);
        assertThat(day.late(bench.heads().get(0))).isEqualTo(1440 + 20 + 5 + 10 + 5 - 900);
    }

    @Test
    void a_soak_that_nobody_could_end_in_time_is_begun_later() {
        // In at 0 it would have to be out by 50; the shift ends at 45, and the next begins at 100.
        Bench bench = bench(
                List.of(person("Ann", 0, 45, 100, 200)), head("a", null, soak("in", 10, 30, 40), hands("out", 10)));

        Day day = FirstCome.of(bench).day();

        assertThat(start(day, "a/in")).isEqualTo(100);
        assertThat(start(day, "a/out")).isEqualTo(140);
    }

    @Test
    void the_one_tray_takes_the_second_head_when_the_first_is_out() {
        Bench bench = bench(
                List.of(person("Ann", 0, 480), person("Ben", 0, 480)),
                head("a", null, soak("in", 5, 60, 600, Place.TRAY), hands("out", 5, Place.TRAY)),
                head("b", null, soak("in", 5, 60, 600, Place.TRAY), hands("out", 5, Place.TRAY)));

        Day day = FirstCome.of(bench).day();

        assertThat(start(day, "a/out")).isEqualTo(65);
        assertThat(start(day, "b/in")).isEqualTo(70);
    }

    @Test
    void what_runs_holds_its_place_and_is_ended_before_others_begin() {
        HeadJob runs = new HeadJob(
                "late", "late", List.of(hands("out", 5, Place.TRAY)), null, 90, 95, Set.of(Place.TRAY), 0, 0);
        Bench bench = bench(
                List.of(person("Ann", 0, 480)),
                head("a", null, hands("look", 100)),
                head("b", null, soak("in", 5, 60, 600, Place.TRAY), hands("out", 5, Place.TRAY)),
                runs);

        Day day = FirstCome.of(bench).day();

        assertThat(start(day, "late/out")).isEqualTo(90);
        assertThat(start(day, "a/look")).isEqualTo(95);
        assertThat(start(day, "b/in")).isEqualTo(195);
    }

    @Test
    void a_soak_that_runs_past_closing_is_let_run_until_somebody_comes() {
        HeadJob runs = new HeadJob("a", "a", List.of(hands("out", 5)), null, 500, 600, Set.of(), 0, 0);

        FirstCome.Laid laid = FirstCome.of(bench(ONE, runs));

        assertThat(start(laid.day(), "a/out")).isEqualTo(1440);
        assertThat(laid.bench().heads().get(0).until()).isEqualTo(1440);
    }

    @Test
    void what_is_fixed_stands_and_the_rest_goes_round_it() {
        Bench bench = bench(ONE, head("a", null, hands("look", 60)), head("b", null, hands("check", 30)))
                .with(Map.of("b/check", new Fixed(0, 20, false)));

        Day day = FirstCome.of(bench).day();

        assertThat(start(day, "b/check")).isEqualTo(20);
        assertThat(start(day, "a/look")).isEqualTo(50);
    }

    @Test
    void what_cannot_be_fixed_says_why() {
        HeadJob a = head("a", null, soak("in", 10, 60, 90), hands("out", 10));
        HeadJob b = head("b", null, hands("check", 30));

        assertThatThrownBy(() -> FirstCome.of(bench(ONE, a).with(Map.of("a/out", new Fixed(0, 40, false)))))
                .isInstanceOfSatisfying(NoRoom.class, e -> {
                    assertThat(e.why()).isEqualTo(NoRoom.Why.FIXED_TOO_EARLY);
                    assertThat(e.key()).isEqualTo("a/out");
                });
        assertThatThrownBy(() -> FirstCome.of(bench(ONE, b).with(Map.of("b/check", new Fixed(0, 460, false)))))
                .isInstanceOfSatisfying(NoRoom.class, e -> assertThat(e.why()).isEqualTo(NoRoom.Why.PERSON_BUSY));
        assertThatThrownBy(() -> FirstCome.of(bench(ONE, b, a)
                        .with(Map.of(
                                "b/check", new Fixed(0, 20, false),
                                "a/in", new Fixed(0, 40, false)))))
                .isInstanceOfSatisfying(NoRoom.class, e -> assertThat(e.why()).isEqualTo(NoRoom.Why.PERSON_BUSY));
        assertThatThrownBy(() -> FirstCome.of(bench(ONE, head("c", null, hands("long", 481)))))
                .isInstanceOfSatisfying(NoRoom.class, e -> assertThat(e.why()).isEqualTo(NoRoom.Why.FITS_NOWHERE));
    }

    @Test
    void two_fixed_at_the_only_place_at_once_are_refused() {
        Bench bench = bench(
                        List.of(person("Ann", 0, 480), person("Ben", 0, 480)),
                        head("a", null, hands("bath", 30, Place.BATH)),
                        head("b", null, hands("bath", 30, Place.BATH)))
                .with(Map.of("a/bath", new Fixed(0, 10, false), "b/bath", new Fixed(1, 20, false)));

        assertThatThrownBy(() -> FirstCome.of(bench))
                .isInstanceOfSatisfying(NoRoom.class, e -> assertThat(e.why()).isEqualTo(NoRoom.Why.PLACE_TAKEN));
    }

    @Test
    void what_nobody_can_end_in_any_shift_soaks_on_instead_of_standing_in_the_way_of_the_whole_day() {
        // Wetted again every three hours, four times: twelve hours, and the shift has eight. Every sixteen hours would
        // be in time.
        Stint[] wets = new Stint[5];
        for (int i = 0; i < wets.length; i++) {
            wets[i] = i < 4 ? soak("1-WET" + i, 5, 180, 180) : hands("1-OUT", 5);
        }
        Bench bench = bench(
                List.of(person("Ann", 0, 480, 1440, 1920)), head("a", null, wets), head("b", null, hands("check", 10)));

        FirstCome.Laid laid = FirstCome.of(bench);

        // At 0, 185 and 370 today; the next two tomorrow from opening on.
        assertThat(laid.day().placed().get("a/1-WET2").start()).isEqualTo(370);
        assertThat(laid.day().placed().get("a/1-WET3").start()).isEqualTo(1440);
        assertThat(laid.day().placed().get("a/1-OUT").start()).isEqualTo(1625);
        assertThat(laid.bench().heads().get(0).stints())
                .extracting(Stint::most)
                .containsExactly(180, 180, 1440 - 375, 180, Stint.ANY);
        assertThat(DayCheck.of(laid.bench(), laid.day())).isEmpty();
        Proposed proposed = DaySolver.propose(bench, new DaySolver.Effort(0.02, 20));
        assertThat(DayReasons.of(bench, proposed).eased()).containsExactly("a");
        assertThat(DayCheck.of(proposed.bench(), proposed.day())).isEmpty();
    }
}
