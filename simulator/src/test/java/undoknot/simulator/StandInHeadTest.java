package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.diagnosis.Cause;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.simulator.Fault.Severity;
import undoknot.simulator.StandInHead.Pushed;
import undoknot.treatment.Treatment.Effluent;
import undoknot.treatment.Treatment.Place;
import undoknot.treatment.Treatment.Resistance;
import undoknot.treatment.Treatment.Strength;

class StandInHeadTest {

    /** 180 nozzles, bore 20 µm, plate 30 µm: the example of handbook 18. */
    private static final Family FAMILY = new Family(
            "T",
            "Test",
            Construction.DESK_PIEZO,
            List.of(
                    new Channel("K", "Black", "#111111", "needle", 180),
                    new Channel("C", "Cyan", "#0092c4", "needle", 180)),
            18,
            10,
            4,
            20,
            30,
            List.of());

    private static StandInHead head(Cause cause, Severity severity, long seed) {
        return new StandInHead(FAMILY, List.of(new Fault(cause, severity, "K")), seed);
    }

    private static NozzleMap map(StandInHead head) {
        return head.print().truth();
    }

    private static int out(StandInHead head, String code) {
        return map(head).channel(code).count(NozzleState.MISSING);
    }

    @ParameterizedTest
    @EnumSource(Cause.class)
    void the_same_seed_and_the_same_work_give_the_same_head(Cause cause) {
        StandInHead one = head(cause, Severity.FIRM, 4);
        StandInHead two = head(cause, Severity.FIRM, 4);
        for (StandInHead head : List.of(one, two)) {
            head.cycle(List.of("K", "C"), Strength.LIGHT);
            head.flush("K", 2, 30, 22, 0.8);
            head.rest(14);
        }
        assertThat(one.noCheck()).isEqualTo(two.noCheck());
        if (one.noCheck().isEmpty()) {
            assertThat(map(one)).isEqualTo(map(two));
        }
    }

    @Test
    void a_sound_head_prints_every_nozzle() {
        StandInHead head = new StandInHead(FAMILY, List.of(), 1);
        assertThat(map(head).count(NozzleState.FIRING)).isEqualTo(360);
    }

    /** Handbook 18: N = 180, d = 20 µm, L = 30 µm, water of 20 °C: 0.6 mL/s needs about 35 kPa. */
    @Test
    void flow_follows_the_handbooks_example() {
        StandInHead head = new StandInHead(FAMILY, List.of(), 1);
        assertThat(head.flowMlPerS("K", 35, 20)).isCloseTo(0.6, within(0.02));
        assertThat(head.flowMlPerS("K", 35, 45) / head.flowMlPerS("K", 35, 20)).isCloseTo(1.002 / 0.594, within(0.01));
    }

    @Test
    void plugs_yield_to_time_before_they_yield_to_pressure() {
        StandInHead pushed = head(Cause.DRIED_INK, Severity.FIRM, 8);
        StandInHead soaked = head(Cause.DRIED_INK, Severity.FIRM, 8);
        int before = out(head(Cause.DRIED_INK, Severity.FIRM, 8), "K");
        pushed.flush("K", 3, 55, 22, 0.8);
        soaked.soak(List.of("K"), Place.PORT, 24 * 60, 22, 0.9);
        soaked.flush("K", 3, 55, 22, 0.8);
        pushed.rest(12);
        soaked.rest(12);
        assertThat(before).isEqualTo(63);
        assertThat(out(soaked, "K")).isLessThan(out(pushed, "K"));
    }

    @Test
    void flow_grows_as_nozzles_open() {
        StandInHead head = head(Cause.DRIED_INK, Severity.HOPELESS, 3);
        Pushed first = head.flush("K", 2, 40, 22, 0.8);
        head.soak(List.of("K"), Place.PORT, 6000, 22, 1);
        Pushed second = head.flush("K", 2, 40, 22, 0.8);
        assertThat(first.resistance()).isEqualTo(Resistance.STIFF);
        assertThat(second.seconds()).isLessThan(first.seconds());
        assertThat(second.resistance()).isEqualTo(Resistance.FREE);
        assertThat(head.flush("K", 4, 40, 22, 0.8).effluent()).isEqualTo(Effluent.LIKE_FRESH);
    }

    @Test
    void electrical_gaps_fill_groups_and_never_change() {
        StandInHead head = head(Cause.ELECTRICAL, Severity.FIRM, 5);
        NozzleMap first = map(head);
        head.cycle(List.of("K", "C"), Strength.STRONG);
        head.soak(List.of("K"), Place.PORT, 720, 40, 1);
        NozzleMap second = map(head);
        Counts counts = Comparison.of(first, second).total();
        assertThat(counts.recovery()).hasValue(0);
        assertThat(counts.newlyOut()).isZero();
        assertThat(ChannelFeatures.of(first.channel("K"), 4).filledGroups()).isPresent();
    }

    @Test
    void air_wanders_and_a_purge_takes_most_of_it() {
        StandInHead head = head(Cause.AIR, Severity.FIRM, 9);
        Counts counts = Comparison.of(map(head), map(head)).total();
        assertThat(Movement.of(counts, Movement.Thresholds.DEFAULT)).isEqualTo(Movement.WANDERING);
        int before = out(head, "K");
        head.purge("K");
        assertThat(out(head, "K")).isLessThan(before / 5);
    }

    @Test
    void a_narrow_supply_starves_the_ends_most() {
        StandInHead head = head(Cause.SUPPLY_RESTRICTED, Severity.HOPELESS, 9);
        int ends = 0;
        int middle = 0;
        for (int print = 0; print < 10; print++) {
            NozzleMap map = map(head);
            for (int n = 1; n <= 180; n++) {
                boolean out = map.channel("K").state(n) == NozzleState.MISSING;
                ends += out && (n <= 45 || n > 135) ? 1 : 0;
                middle += out && n > 45 && n <= 135 ? 1 : 0;
            }
        }
        assertThat(ends).isGreaterThan(2 * middle);
        head.cleanSupply("K");
        assertThat(out(head, "K")).isZero();
    }

    @Test
    void a_dirty_station_adds_gaps_at_each_cycle_until_it_is_clean() {
        StandInHead head = head(Cause.SERVICE_STATION, Severity.FIRM, 2);
        int first = map(head).count(NozzleState.MISSING);
        head.cycle(List.of("K", "C"), Strength.NORMAL);
        head.cycle(List.of("K", "C"), Strength.NORMAL);
        int dirty = map(head).count(NozzleState.MISSING);
        assertThat(dirty).isGreaterThan(first);
        head.cleanStation();
        head.cleanStation();
        head.cycle(List.of("K", "C"), Strength.NORMAL);
        assertThat(map(head).count(NozzleState.MISSING)).isLessThanOrEqualTo(dirty);
    }

    @Test
    void debris_bends_its_neighbours_and_flows_freely() {
        StandInHead head = head(Cause.FACE_DEBRIS, Severity.FIRM, 6);
        NozzleMap first = map(head);
        assertThat(first.channel("K").count(NozzleState.MISSING)).isPositive();
        assertThat(first.channel("K").count(NozzleState.DEFLECTED)).isPositive();
        for (int i = 0; i < 8; i++) {
            head.pad();
        }
        assertThat(map(head).count(NozzleState.FIRING)).isEqualTo(360);
    }

    @Test
    void more_pressure_than_the_limit_bends_dashes_for_good() {
        StandInHead head = new StandInHead(FAMILY, List.of(), 3);
        head.flush("K", 2, 60, 22, 0.8);
        head.rest(20);
        int within = map(head).channel("K").count(NozzleState.DEFLECTED);
        head.flush("K", 2, 150, 22, 0.8);
        head.rest(20);
        assertThat(within).isZero();
        assertThat(map(head).channel("K").count(NozzleState.DEFLECTED)).isPositive();
    }

    @Test
    void power_on_a_wet_board_kills_a_group_and_patience_does_not() {
        StandInHead hasty = new StandInHead(FAMILY, List.of(), 7);
        StandInHead patient = new StandInHead(FAMILY, List.of(), 7);
        hasty.bath(List.of("K"), 2, 30);
        patient.bath(List.of("K"), 2, 30);
        patient.rest(24);
        assertThat(map(hasty).count(NozzleState.MISSING)).isEqualTo(45);
        assertThat(map(patient).count(NozzleState.MISSING)).isZero();
    }

    @Test
    void a_contact_fault_prints_nothing_until_it_is_reseated() {
        StandInHead head = head(Cause.CONTACTS, Severity.MILD, 1);
        assertThat(head.noCheck()).contains(Cause.CONTACTS);
        assertThatThrownBy(head::print).isInstanceOf(IllegalStateException.class);
        head.reseat();
        assertThat(map(head).count(NozzleState.MISSING)).isZero();
    }

    @Test
    void cycles_burn_ink_and_strong_ones_burn_most() {
        StandInHead head = new StandInHead(FAMILY, List.of(), 1);
        head.cycle(List.of("K"), Strength.LIGHT);
        double light = head.inkBurnedMl();
        head.cycle(List.of("K"), Strength.STRONG);
        assertThat(head.inkBurnedMl() - light).isEqualTo(5 * light);
    }

    @Test
    void an_empty_cartridge_puts_the_channel_out_until_it_is_replaced() {
        StandInHead head = head(Cause.CARTRIDGE_FAULT, Severity.MILD, 1);
        assertThat(out(head, "K")).isEqualTo(180);
        head.replaceCartridge("K");
        assertThat(out(head, "K")).isZero();
    }

    @Test
    void faults_mix() {
        StandInHead head = new StandInHead(
                FAMILY,
                List.of(
                        new Fault(Cause.CARTRIDGE_FAULT, Severity.MILD, "C"),
                        new Fault(Cause.DRIED_INK, Severity.MILD, "K")),
                2);
        assertThat(out(head, "C")).isEqualTo(180);
        assertThat(out(head, "K")).isEqualTo(22);
    }
}
