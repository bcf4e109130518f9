package undoknot.visit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.head.Construction;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Wet;

class HeadWatchTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");

    private final List<HeadEvent> events = new ArrayList<>();
    private Construction construction = Construction.THERMAL_OPEN;
    private HouseRules house = HouseRules.DEFAULT;

    private static Instant at(int minutes) {
        return START.plus(Duration.ofMinutes(minutes));
    }

    private HeadWatchTest work(int minute, Method method, Site site) {
        return work(minute, minute, method, site, null, false);
    }

    private HeadWatchTest work(int minute, Integer ended, Method method, Site site, Wet wet, boolean isVolatile) {
        events.add(new HeadEvent.Worked(at(minute), ended == null ? null : at(ended), method, site, wet, isVolatile));
        return this;
    }

    private HeadWatchTest enter(int minute, HeadEntry entry) {
        events.add(new HeadEvent.Entered(at(minute), entry, null, null));
        return this;
    }

    private HeadNow now(int minute) {
        return HeadWatch.of(events, construction, house, false, at(minute));
    }

    private Duration hold(int minute) {
        return now(minute)
                .heldUntil()
                .map(until -> Duration.between(START, until))
                .orElse(Duration.ZERO);
    }

    /** Every method against what it leaves behind; the table is written by hand from handbook 8 and 12. */
    @ParameterizedTest(name = "{0}")
    @CsvFileSource(resources = "/gates/wets.csv", numLinesToSkip = 3)
    void what_each_method_leaves(Method method, int bench, int laminated, String asked, String pad, int minutes) {
        HeadNow out = work(0, method, Site.ON_BENCH).now(1);
        if (method.goesAt(Site.ON_BENCH)) {
            assertThat(hold(1)).hasHours(bench);
            construction = Construction.LAMINATED_PIEZO;
            assertThat(hold(1)).as("laminated").hasHours(laminated);
            assertThat(out.kept(NoPower.NOT_LOOKED).isPresent()).as("asked").isEqualTo(asked.equals("yes"));
            assertThat(out.kept(NoPower.PAD_UNDER_HEAD)).isEmpty();
        }
        if (method.goesAt(Site.IN_CARRIAGE)) {
            events.clear();
            HeadNow in = work(0, method, Site.IN_CARRIAGE).now(1);
            assertThat(in.inHold()).as("in the carriage").isFalse();
            assertThat(in.kept(NoPower.PAD_UNDER_HEAD).isPresent()).as("pad").isEqualTo(pad.equals("yes"));
            assertThat(in.kept(NoPower.NOT_LOOKED).isPresent()).isEqualTo(asked.equals("yes"));
            assertThat(in.kept(NoPower.EVAPORATING)
                            .map(k -> Duration.between(START, k.until()).toMinutes())
                            .orElse(0L))
                    .isEqualTo((long) minutes);
        }
    }

    @Test
    void no_method_is_missing_from_the_table() throws Exception {
        try (var in = HeadWatchTest.class.getResourceAsStream("/gates/wets.csv")) {
            List<String> named = new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#") && !line.startsWith("method"))
                    .map(line -> line.replaceFirst(",.*", ""))
                    .toList();
            assertThat(named)
                    .containsExactlyInAnyOrderElementsOf(java.util.Arrays.stream(Method.values())
                            .map(Enum::name)
                            .toList());
        }
    }

    /** Hours from handbook 12: base 2, body 12, board 24; laminated and drawn through 24; a house rule only lengthens. */
    @ParameterizedTest
    @CsvSource({
        "THERMAL_OPEN, TRAY_SOAK, , BY_WHAT_WAS_WET, 2",
        "THERMAL_OPEN, TRAY_SOAK, BODY, BY_WHAT_WAS_WET, 12",
        "THERMAL_OPEN, TRAY_SOAK, BOARD, BY_WHAT_WAS_WET, 24",
        "THERMAL_OPEN, RINSE, , BY_WHAT_WAS_WET, 12",
        "THERMAL_OPEN, RINSE, BASE_ONLY, BY_WHAT_WAS_WET, 12",
        "THERMAL_OPEN, DRAW_BACK, , BY_WHAT_WAS_WET, 24",
        "WIDE_PIEZO, DRAW_BACK, , BY_WHAT_WAS_WET, 24",
        "LAMINATED_PIEZO, TRAY_SOAK, , BY_WHAT_WAS_WET, 24",
        "THERMAL_OPEN, TRAY_SOAK, , OVERNIGHT, 12",
        "THERMAL_OPEN, TRAY_SOAK, BOARD, OVERNIGHT, 24",
        "THERMAL_OPEN, TRAY_SOAK, , A_DAY, 24",
        "THERMAL_OPEN, RINSE, , RINSED_OPEN_TWO_HOURS, 12",
    })
    void the_hold_goes_by_what_got_wet(Construction built, Method method, Wet wet, School.Hold rule, int hours) {
        construction = built;
        house = house.with(rule);
        assertThat(work(0, 0, method, Site.ON_BENCH, wet, false).hold(1)).hasHours(hours);
    }

    /** A lead may set two hours for a rinsed head with open inlets, once its contacts were seen dry. */
    @ParameterizedTest
    @CsvSource({
        "THERMAL_OPEN, RINSE, , 2",
        "THERMAL_OPEN, RINSE, BOARD, 24",
        "THERMAL_BLADDER, RINSE, , 12",
        "THERMAL_OPEN, DRAW_BACK, , 24"
    })
    void contacts_seen_dry_shorten_one_hold_alone(Construction built, Method method, Wet wet, int hours) {
        construction = built;
        house = house.with(School.Hold.RINSED_OPEN_TWO_HOURS);
        assertThat(work(0, 0, method, Site.ON_BENCH, wet, false)
                        .enter(5, HeadEntry.SEEN_DRY)
                        .hold(6))
                .hasHours(hours);
    }

    @Test
    void counts_from_the_end_of_the_wetting() {
        work(0, 40, Method.TRAY_SOAK, Site.ON_BENCH, null, false);
        assertThat(hold(41)).isEqualTo(Duration.ofMinutes(160));
        assertThat(now(159).inHold()).isTrue();
        assertThat(now(160).inHold()).isFalse();
    }

    @Test
    void has_no_end_while_the_wet_work_runs() {
        work(0, null, Method.TRAY_SOAK, Site.ON_BENCH, null, false);
        assertThat(now(500).inHold()).isTrue();
        assertThat(now(500).heldUntil()).isEmpty();
    }

    /** A rinse with its body wet and then a bath of the base: the rinse's hold ends last. */
    @Test
    void several_wettings_are_one_hold_the_one_that_ends_last() {
        work(0, Method.RINSE, Site.ON_BENCH).work(60, Method.BATH, Site.ON_BENCH);
        assertThat(hold(61)).hasHours(12);
        assertThat(now(61).wettings()).extracting(HeadNow.Wetting::by).containsExactly(Method.RINSE, Method.BATH);
        work(120, Method.RINSE, Site.ON_BENCH);
        assertThat(hold(121)).hasHours(14);
        assertThat(now(121).kept(NoPower.HOLD))
                .hasValueSatisfying(k -> assertThat(k.since()).isEqualTo(START));
    }

    @Test
    void syringe_priming_on_the_bench_lengthens_a_hold_that_would_end_before_it() {
        work(0, Method.TRAY_SOAK, Site.ON_BENCH).work(100, Method.PRIME, Site.ON_BENCH);
        assertThat(hold(101)).isEqualTo(Duration.ofMinutes(220));
    }

    @ParameterizedTest
    @CsvSource({"SEEN_DRY, 0", "CONTACTS_DAMP, 12", "BOARD_DAMP, 24"})
    void in_place_the_look_says_how_long(HeadEntry seen, int hours) {
        work(0, Method.FLUSH, Site.IN_CARRIAGE).enter(3, HeadEntry.PAD_OUT);
        assertThat(now(4).noPower()).isEqualTo(Set.of(NoPower.NOT_LOOKED));
        enter(5, seen);
        assertThat(hold(6)).hasHours(hours);
        assertThat(now(6).kept(NoPower.NOT_LOOKED)).isEmpty();
    }

    @Test
    void a_spill_keeps_from_power_until_it_is_wiped_and_looked_at() {
        enter(0, HeadEntry.SPILL);
        assertThat(now(600).noPower()).containsExactly(NoPower.SPILL);
        enter(601, HeadEntry.SEEN_DRY);
        assertThat(now(602).mayHavePower()).isTrue();
    }

    @Test
    void a_pad_stays_until_it_is_tapped_out_whatever_is_done_meanwhile() {
        work(0, 600, Method.PAD, Site.IN_CARRIAGE, null, false).work(601, Method.STATION, Site.IN_CARRIAGE);
        events.add(new HeadEvent.Printed(at(605)));
        assertThat(now(606).noPower()).containsExactly(NoPower.PAD_UNDER_HEAD);
        enter(607, HeadEntry.PAD_OUT);
        assertThat(now(608).mayHavePower()).isTrue();
    }

    @Test
    void after_a_volatile_pad_the_covers_stay_open() {
        work(0, 120, Method.VAPOUR, Site.IN_CARRIAGE, null, true).enter(121, HeadEntry.PAD_OUT);
        assertThat(now(135).noPower()).containsExactly(NoPower.COVERS_OPEN);
        assertThat(now(135).waitsUntil()).contains(at(136));
        assertThat(now(136).mayHavePower()).isTrue();
    }

    /** Contact cleaning with a volatile is no wetting: it neither makes a hold nor restarts one. */
    @Test
    void contacts_evaporate_beside_a_hold() {
        work(0, Method.TRAY_SOAK, Site.ON_BENCH).work(110, Method.RESEAT, Site.ON_BENCH);
        assertThat(hold(111)).hasHours(2);
        assertThat(now(121).noPower()).containsExactly(NoPower.NOT_LOOKED, NoPower.EVAPORATING);
        assertThat(now(126).kept(NoPower.EVAPORATING)).isEmpty();
    }

    @Test
    void a_longer_hold_is_anybodys_wish_and_the_end_of_one_ends_all_before_it() {
        work(0, Method.TRAY_SOAK, Site.ON_BENCH);
        events.add(new HeadEvent.Entered(at(1), HeadEntry.HOLD, Wet.BASE_ONLY, Duration.ofHours(24)));
        assertThat(now(2).heldUntil()).contains(at(1 + 24 * 60));
        enter(30, HeadEntry.HOLD_ENDED);
        assertThat(now(31).inHold()).isFalse();
        work(40, Method.STEAM, Site.ON_BENCH);
        assertThat(now(41).heldUntil()).contains(at(160));
    }

    @Test
    void knows_where_the_head_is() {
        assertThat(now(0).site()).isEqualTo(Site.IN_CARRIAGE);
        assertThat(work(0, Method.RINSE, null).now(1).site())
                .as("a rinse takes it out")
                .isEqualTo(Site.ON_BENCH);
        assertThat(enter(2, HeadEntry.HEAD_IN).now(3).site()).isEqualTo(Site.IN_CARRIAGE);
        assertThat(enter(4, HeadEntry.HEAD_OUT).now(5).site()).isEqualTo(Site.ON_BENCH);
        events.add(new HeadEvent.Printed(at(6)));
        assertThat(now(7).site()).as("it printed").isEqualTo(Site.IN_CARRIAGE);
    }

    /** Uncapped and not wet it dries: 30 minutes, 15 when hot and dry; a moist pad or the cap ends it. */
    @Test
    void an_uncapped_head_has_a_clock() {
        enter(0, HeadEntry.HEAD_OUT);
        assertThat(now(1).driesAt()).isEqualTo(at(30));
        assertThat(HeadWatch.of(events, construction, house, true, at(1)).driesAt())
                .isEqualTo(at(15));
        work(10, Method.TRAY_SOAK, Site.ON_BENCH);
        assertThat(now(20).driesAt()).as("still wet").isNull();
        assertThat(now(131).driesAt()).as("from when it is dry").isEqualTo(at(160));
        assertThat(enter(140, HeadEntry.CAPPED).now(141).driesAt()).isNull();
        assertThat(enter(150, HeadEntry.UNCAPPED).now(151).driesAt()).isEqualTo(at(180));
        assertThat(enter(155, HeadEntry.HEAD_IN)
                        .work(156, Method.PAD, Site.IN_CARRIAGE)
                        .now(157)
                        .driesAt())
                .as("a moist pad")
                .isNull();
        assertThat(enter(160, HeadEntry.PAD_OUT).now(161).driesAt()).isEqualTo(at(190));
    }

    /** What was logged before anybody was asked leaves neither a pad nor a question behind. */
    @Test
    void old_work_asks_nothing() {
        work(0, Method.FLUSH, null);
        assertThat(now(1).mayHavePower()).isTrue();
    }
}
