package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.NextStep.Action;
import undoknot.advice.NextStep.Running;
import undoknot.nozzle.CoarseReading;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.sitting.Asked;
import undoknot.sitting.Noted;
import undoknot.sitting.Sitting;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment.Resistance;
import undoknot.visit.HeadNow;
import undoknot.visit.StepClock;

class NextStepTest {

    private static final Instant NOW = Instant.parse("2026-03-02T08:00:00Z");

    private static WrittenVisit dried() {
        return new WrittenVisit("TARROW-T4").scattered("C", 6, 0);
    }

    private static NextStep next(WrittenVisit visit, Running... running) {
        return NextStep.of(
                false,
                List.of(running),
                null,
                visit.visit().head(),
                () -> visit.judge().advice().first(),
                NOW);
    }

    static Stream<Arguments> without_a_clock() {
        return Stream.of(
                Arguments.of("nothing read yet", dried(), Action.FIRST_CHECK),
                Arguments.of(
                        "worked on since the check", dried().check().flush(Resistance.FREE, "C"), Action.CHECK_AGAIN),
                Arguments.of("no check possible", dried().noCheck(), Action.LOOK),
                Arguments.of("crust found", dried().check().found(Sign.STATION_CRUSTED, null), Action.TREAT),
                Arguments.of(
                        "all fires and nothing was done: what brought it here?",
                        dried().clear("C").check(),
                        Action.LOOK),
                Arguments.of("accepted, no page yet", sound().check(), Action.TREAT),
                Arguments.of("accepted after a page", sound().check().page().check(), Action.RETURN),
                Arguments.of("one look ends no visit", dried().check().found(Sign.CARRIAGE_STANDS, null), Action.LOOK),
                Arguments.of(
                        "not the head",
                        dried().noCheck().found(Sign.CARRIAGE_STANDS, null).found(Sign.CARRIAGE_STANDS, null),
                        Action.RETURN));
    }

    /** All fires, and what leaves a check good was looked at. */
    private static WrittenVisit sound() {
        return dried().clear("C")
                .found(Sign.STATION_CLEAN, null)
                .found(Sign.UNDERSIDE_CLEAN, null)
                .found(Sign.STRIP_CLEAN, null);
    }

    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("without_a_clock")
    void follows_the_advice(String name, WrittenVisit visit, Action expected) {
        assertThat(next(visit).action()).isEqualTo(expected);
        assertThat(next(visit).advice()).isEqualTo(visit.judge().advice().first());
    }

    @ParameterizedTest
    @CsvSource({
        // clock, due in s, action, advice goes with it
        "SOAK, 60, WAIT_SOAK,      false",
        "SOAK,  0, LIFT_FROM_SOAK, false",
        "BURST, 5, WAIT_BURST,     false",
        "BURST,-5, END_BURST,      false",
        "WAIT,  9, WAIT_WORK,      false",
        "WAIT,  0, END_WAIT,       false",
    })
    void a_clock_comes_first(StepClock.Kind kind, int dueInS, Action expected, boolean advised) {
        NextStep next =
                next(dried().check().flush(Resistance.FREE, "C"), new Running(kind, NOW.plusSeconds(dueInS), true));
        assertThat(next.action()).isEqualTo(expected);
        assertThat(next.advice() != null).isEqualTo(advised);
    }

    @Test
    void of_several_clocks_the_one_that_wants_hands_first() {
        Running late = new Running(StepClock.Kind.SOAK, NOW.plusSeconds(90), true);
        Running soon = new Running(StepClock.Kind.BURST, NOW.plusSeconds(30), true);
        assertThat(next(dried().check().inHold(), late, soon))
                .isEqualTo(new NextStep(Action.WAIT_BURST, NOW.plusSeconds(30), null));
    }

    /** A wait leaves the hands free: found faults are mended meanwhile, and a jar of seals hides nothing until it is due. */
    @Test
    void what_waits_does_not_hide_what_hands_can_do() {
        Running soak = new Running(StepClock.Kind.SOAK, NOW.plusSeconds(600), true);
        WrittenVisit crusted = dried().check().soak(10, "C").found(Sign.STATION_CRUSTED, null);
        NextStep meanwhile = next(crusted, soak);
        assertThat(meanwhile.action()).isEqualTo(Action.WAIT_SOAK);
        assertThat(meanwhile.advice().method()).isEqualTo(Method.STATION);
        Running jar = new Running(StepClock.Kind.WAIT, NOW.plusSeconds(600), false);
        assertThat(next(dried().check().flush(Resistance.FREE, "C"), jar).action())
                .isEqualTo(Action.CHECK_AGAIN);
        Running late = new Running(StepClock.Kind.WAIT, NOW.minusSeconds(1), false);
        assertThat(next(dried().check(), jar, soak, late).action()).isEqualTo(Action.END_WAIT);
    }

    /** All found faults that hands can mend come before the next check (handbook 13, rule 0). */
    @Test
    void what_was_found_is_mended_before_the_next_check() {
        WrittenVisit two = dried().check()
                .flush(Resistance.FREE, "C")
                .found(Sign.STATION_CRUSTED, null)
                .found(Sign.UNDERSIDE_FLAKES, null);
        assertThat(next(two).advice().method()).isEqualTo(Method.STATION);
        two.hands(Method.STATION, "K", "C", "M", "Y");
        assertThat(next(two).advice().method()).isEqualTo(Method.UNDERSIDE);
        two.hands(Method.UNDERSIDE, "K", "C", "M", "Y");
        assertThat(next(two).action()).isEqualTo(Action.CHECK_AGAIN);
    }

    /** A pad that lay under connected cartridges: once it is out, the levels are looked at before the check. */
    @Test
    void levels_are_looked_at_after_a_pad_under_connected_cartridges() {
        Noted connected = new Noted(Map.of(Asked.CARTRIDGES_OFF, BigDecimal.ZERO), List.of(), List.of());
        Noted off = new Noted(Map.of(Asked.CARTRIDGES_OFF, BigDecimal.ONE), List.of(), List.of());
        WrittenVisit padded = dried().check().hands(Method.PAD, connected, "C");
        assertThat(next(padded).advice().look()).isEqualTo(Look.INK_LEVEL);
        assertThat(next(padded.found(Sign.INK_THERE, "C")).action()).isEqualTo(Action.CHECK_AGAIN);
        assertThat(next(dried().check().hands(Method.PAD, off, "C")).action()).isEqualTo(Action.CHECK_AGAIN);
        assertThat(next(dried().check().hands(Method.PAD, "C")).action())
                .as("nobody said")
                .isEqualTo(Action.CHECK_AGAIN);
    }

    /** Rounds that were begun go on before anything else is advised; only a clock that calls comes first. */
    @Test
    void rounds_that_were_begun_go_on() {
        NextStep.OpenSitting rounds =
                new NextStep.OpenSitting("a1", Method.FLUSH, List.of("C"), "C", Sitting.Next.SOAK);
        WrittenVisit visit = dried().check().flush(Resistance.FREE, "C").found(Sign.STATION_CRUSTED, null);
        assertThat(with(visit, rounds)).isEqualTo(new NextStep(Action.GO_ON, null, null, rounds));
        Running jar = new Running(StepClock.Kind.WAIT, NOW.minusSeconds(1), false);
        assertThat(with(visit, rounds, jar).action()).isEqualTo(Action.END_WAIT);
        WrittenVisit padded =
                dried().check().flush(Resistance.FREE, "C").head(kept(Site.IN_CARRIAGE, NoPower.PAD_UNDER_HEAD));
        Running between = new Running(StepClock.Kind.WAIT, NOW.minusSeconds(1), true, true);
        assertThat(next(padded, between).action()).as("its pad stays").isEqualTo(Action.END_WAIT);
        Running later = new Running(StepClock.Kind.SOAK, NOW.plusSeconds(600), true);
        assertThat(with(visit, rounds, later).action()).isEqualTo(Action.GO_ON);
    }

    private static NextStep with(WrittenVisit visit, NextStep.OpenSitting rounds, Running... running) {
        return NextStep.of(
                false,
                List.of(running),
                rounds,
                visit.visit().head(),
                () -> visit.judge().advice().first(),
                NOW);
    }

    @Test
    void a_head_that_was_returned_wants_nothing() {
        NextStep next = NextStep.of(
                true,
                List.of(new Running(StepClock.Kind.SOAK, NOW, true)),
                null,
                HeadNow.READY,
                () -> {
                    throw new AssertionError("nobody needs to be asked");
                },
                NOW);
        assertThat(next).isEqualTo(new NextStep(Action.NOTHING, null, null));
    }

    static Stream<Arguments> in_a_hold() {
        return Stream.of(
                Arguments.of("nothing read yet: a check is printed", dried(), false),
                Arguments.of("worked on: a check is printed", dried().check().flush(Resistance.FREE, "C"), false),
                Arguments.of("accepted: a page is printed", sound().check(), false),
                Arguments.of("dried ink: work without power", dried().told(20).check(), true),
                Arguments.of(
                        "crust found: the station is cleaned",
                        dried().check().found(Sign.STATION_CRUSTED, null),
                        true));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("in_a_hold")
    void a_head_that_dries_is_offered_no_power(String name, WrittenVisit visit, boolean advised) {
        NextStep next = next(visit.inHold());
        assertThat(next.action()).isEqualTo(Action.WAIT_HOLD);
        assertThat(next.at()).isEqualTo(WrittenVisit.HELD_UNTIL);
        assertThat(next.advice() != null).isEqualTo(advised);
        if (advised) {
            assertThat(next.advice().needsPower()).isFalse();
        }
    }

    private static HeadNow kept(Site site, NoPower... reasons) {
        return new HeadNow(
                site,
                Stream.of(reasons)
                        .map(r -> new HeadNow.Kept(r, NOW, r == NoPower.HOLD ? WrittenVisit.HELD_UNTIL : null))
                        .toList(),
                List.of(),
                null,
                null);
    }

    /** Before there is power: hands first, then the waits, then the refit (handbook 8, 12 and 14). */
    @ParameterizedTest
    @CsvSource({
        "IN_CARRIAGE, PAD_UNDER_HEAD NOT_LOOKED, TAKE_PAD_OUT",
        "IN_CARRIAGE, PAD_UNDER_HEAD HOLD,       TAKE_PAD_OUT",
        "IN_CARRIAGE, SPILL NOT_LOOKED,          WIPE_SPILL",
        "IN_CARRIAGE, NOT_LOOKED HOLD,           LOOK_IF_DRY",
        "ON_BENCH,    HOLD,                      WAIT_HOLD",
        "IN_CARRIAGE, HOLD EVAPORATING,          WAIT_HOLD",
        "IN_CARRIAGE, EVAPORATING,               WAIT_EVAPORATE",
        "IN_CARRIAGE, COVERS_OPEN,               WAIT_EVAPORATE",
        "IN_CARRIAGE, HOLD CABLE_OFF,            WAIT_HOLD",
        "IN_CARRIAGE, CABLE_OFF,                 REFIT",
        "IN_CARRIAGE, LAID_IN,                   REFIT",
        "ON_BENCH,    '',                        REFIT",
        "IN_CARRIAGE, '',                        CHECK_AGAIN",
    })
    void what_stands_before_power(Site site, String reasons, Action expected) {
        NoPower[] kept = reasons.isEmpty()
                ? new NoPower[0]
                : Stream.of(reasons.split(" ")).map(NoPower::valueOf).toArray(NoPower[]::new);
        NextStep next = next(dried().check().flush(Resistance.FREE, "C").head(kept(site, kept)));
        assertThat(next.action()).isEqualTo(expected);
        assertThat(next.advice() != null && next.advice().needsPower())
                .as("power is offered")
                .isEqualTo(expected == Action.CHECK_AGAIN || expected == Action.REFIT);
    }

    /** Laying a pad starts a wait, and only taking it out ends that (handbook 8). */
    @ParameterizedTest
    @CsvSource({
        "WAIT, true,   0, TAKE_PAD_OUT",
        "WAIT, true,  60, WAIT_WORK",
        "WAIT, false,  0, END_WAIT",
        "SOAK, true,   0, LIFT_FROM_SOAK",
    })
    void a_pad_whose_time_is_over_is_taken_out(StepClock.Kind kind, boolean ofWork, int dueInS, Action expected) {
        WrittenVisit padded =
                dried().check().flush(Resistance.FREE, "C").head(kept(Site.IN_CARRIAGE, NoPower.PAD_UNDER_HEAD));
        assertThat(next(padded, new Running(kind, NOW.plusSeconds(dueInS), ofWork))
                        .action())
                .isEqualTo(expected);
    }

    @Test
    void work_in_the_carriage_needs_a_head_that_is_out_refitted() {
        WrittenVisit sediment =
                new WrittenVisit("HULVER-W8").scattered("C", 6, 0).check().found(Sign.LINE_SEDIMENT, "C");
        assertThat(next(sediment).action()).isEqualTo(Action.TREAT);
        NextStep out = next(sediment.head(kept(Site.ON_BENCH)));
        assertThat(out.action()).isEqualTo(Action.REFIT);
        assertThat(out.advice().method()).isEqualTo(Method.LINE);
    }

    @Test
    void a_stream_read_on_the_bench_is_not_the_check_after_the_refit() {
        CoarseReading whole = new CoarseReading(
                CoarseReading.Kind.STREAM, Map.of("C", new CoarseReading.Line(CoarseReading.Level.STREAM_WHOLE, null)));
        WrittenVisit visit = dried().check().hands(Method.RINSE, "C").coarse(whole);
        assertThat(visit.judge().advice().first().rule())
                .as("ready to refit, and to read again")
                .isEqualTo(Advice.Rule.CHECK_AFTER_REFIT);
        assertThat(visit.moved(Site.IN_CARRIAGE).judge().advice().first().rule())
                .isEqualTo(Advice.Rule.CHECK_AFTER_REFIT);
        assertThat(visit.check().judge().advice().first().act()).isNotEqualTo(Advice.Act.CHECK);
    }

    /** What came off goes back before the machine runs, and before anybody calls it finished (handbook 14). */
    @ParameterizedTest
    @CsvSource({"false, CHECK_AGAIN", "true, REFIT"})
    void parts_that_are_off_come_before_the_check(boolean off, Action expected) {
        Advice check =
                dried().check().flush(Resistance.FREE, "C").judge().advice().first();
        NextStep next =
                NextStep.of(false, List.of(), null, kept(Site.IN_CARRIAGE), off, () -> check, WrittenVisit.HELD_FROM);
        assertThat(next.action()).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"false, RETURN", "true, REFIT"})
    void nothing_is_finished_while_a_part_is_off(boolean off, Action expected) {
        Advice finish = Advice.to(
                Advice.Rule.ACCEPTED,
                Advice.Act.FINISH,
                null,
                List.of(),
                java.util.Map.of(),
                List.of(),
                List.of(),
                null);
        NextStep next =
                NextStep.of(false, List.of(), null, kept(Site.IN_CARRIAGE), off, () -> finish, WrittenVisit.HELD_FROM);
        assertThat(next.action()).isEqualTo(expected);
    }
}
