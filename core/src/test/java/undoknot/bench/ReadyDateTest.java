package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import undoknot.plan.Forecast;

class ReadyDateTest {

    private static final List<Window> ALWAYS = List.of(new Window(0, 100_000));
    private static final Forecast.Turn NOTHING = turn(0, 0, 0);

    private static Forecast.Turn turn(double hands, double waits, double chance) {
        return new Forecast.Turn(hands, waits, 0, 0, chance, chance, chance);
    }

    private static ReadyDate of(Forecast.Turn turn, List<Window> free, List<Double> ratios) {
        return ReadyDate.of(List.of(new Forecast.Way(1, List.of(turn))), NOTHING, free, ratios, 1);
    }

    @Test
    void a_wait_that_surely_suffices_takes_as_long_as_it_is() {
        assertThat(of(turn(0, 100, 1), ALWAYS, List.of())).isEqualTo(new ReadyDate(100, 100, 100, 0, false));
    }

    @Test
    void three_quarters_that_wait_short_leave_one_in_ten_to_the_long_wait() {
        // The second round of a day is reached by one in four: half are ready after the first, nine in ten after the
        // second alone.
        ReadyDate said = ReadyDate.of(
                List.of(new Forecast.Way(1, List.of(turn(0, 60, 0.75), turn(0, 1440, 1)))),
                NOTHING,
                ALWAYS,
                List.of(),
                7);

        assertThat(said.half()).isEqualTo(60);
        assertThat(said.reckoned()).isEqualTo(1500);
    }

    @Test
    void hands_wait_for_the_morning_and_waits_do_not() {
        // Free until 60 and from 1440 on. A wait of 300 is over in the night; the hands after it come in the morning.
        ReadyDate said = of(turn(20, 300, 1), List.of(new Window(0, 60), new Window(1440, 2000)), List.of());

        assertThat(said.half()).isBetween(1440 + 5, 1440 + 15);
        assertThat(said.reckoned()).isBetween(1440 + 10, 1440 + 30);
    }

    @Test
    void twenty_earlier_heads_stretch_it_and_nineteen_do_not() {
        assertThat(of(turn(0, 100, 1), ALWAYS, Collections.nCopies(20, 2.0)))
                .isEqualTo(new ReadyDate(100, 200, 200, 20, true));
        assertThat(of(turn(0, 100, 1), ALWAYS, Collections.nCopies(19, 2.0)))
                .isEqualTo(new ReadyDate(100, 100, 100, 19, false));
    }

    @Test
    void of_forty_ratios_the_thirty_seventh_counts_and_the_twenty_first_for_half() {
        // ceil(0.9 × 41) = 37, ceil(0.5 × 41) = 21.
        List<Double> ratios =
                IntStream.rangeClosed(1, 40).mapToObj(i -> i / 10.0).toList();

        assertThat(of(turn(0, 100, 1), ALWAYS, ratios)).isEqualTo(new ReadyDate(100, 370, 210, 40, true));
    }

    @Test
    void the_same_seed_says_the_same() {
        List<Forecast.Way> ways = List.of(
                new Forecast.Way(0.5, List.of(turn(30, 40, 0.5), turn(20, 700, 0.5))),
                new Forecast.Way(0.5, List.of(turn(60, 10, 0.9))));

        assertThat(ReadyDate.of(ways, turn(10, 0, 0), ALWAYS, List.of(), 3))
                .isEqualTo(ReadyDate.of(ways, turn(10, 0, 0), ALWAYS, List.of(), 3));
    }
}
