package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.bench.SmallBench.bench;
import static undoknot.bench.SmallBench.hands;
import static undoknot.bench.SmallBench.head;
import static undoknot.bench.SmallBench.person;
import static undoknot.bench.SmallBench.soak;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PinsTest {

    private static final Bench BENCH = bench(
            List.of(person("Ann", 0, 480), person("Ben", 0, 240)),
            head("a", null, soak("in", 10, 40, 100, Place.TRAY), hands("out", 10, Place.TRAY)),
            head("b", null, hands("check", 20, Place.TEST_SLOT)),
            head("c", null, hands("page", 20, Place.TEST_SLOT)));

    @Test
    void what_fits_is_kept_and_what_does_not_is_let_go_with_its_reason() {
        Fixed page = new Fixed(1, 110, false);
        Fixed check = new Fixed(0, 100, false);
        Pins pins = Pins.thatFit(BENCH.with(Map.of(
                "b/check",
                check,
                "c/page",
                page,
                "a/in",
                new Fixed(0, 105, false),
                "a/out",
                new Fixed(1, 400, false))));

        // The test slot is taken until 120, Ann's hands are too, and Ben has gone home at 240.
        assertThat(pins.letGo())
                .isEqualTo(Map.of(
                        "c/page", NoRoom.Why.PLACE_TAKEN,
                        "a/in", NoRoom.Why.PERSON_BUSY,
                        "a/out", NoRoom.Why.PERSON_BUSY));
        assertThat(pins.bench().fixed()).isEqualTo(Map.of("b/check", check));
    }

    @Test
    void what_has_begun_is_no_pin_and_stays() {
        Fixed begun = new Fixed(1, -5, true);

        assertThat(Pins.thatFit(BENCH.with(Map.of("b/check", begun))).bench().fixed())
                .isEqualTo(Map.of("b/check", begun));
    }

    @Test
    void what_somebody_has_in_hand_soaks_on_until_somebody_is_there() {
        // In by Ben at 230, so that it would have to come out by 340; Ann is away from 300 to 420.
        Bench bench = bench(
                        List.of(person("Ann", 0, 250, 420, 480), person("Ben", 0, 240)),
                        head("a", null, soak("in", 10, 40, 100, Place.TRAY), hands("out", 10, Place.TRAY)))
                .with(Map.of("a/in", new Fixed(1, 230, true)));

        FirstCome.Laid laid = FirstCome.of(bench);

        assertThat(laid.day().placed().get("a/out")).isEqualTo(new Day.Placed(0, 420));
        assertThat(laid.bench().heads().get(0).stints().get(0).most()).isEqualTo(180);
        assertThat(DayCheck.of(laid.bench(), laid.day())).isEmpty();
    }
}
