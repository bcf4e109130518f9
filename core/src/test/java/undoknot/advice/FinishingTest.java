package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.observation.Sign.*;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.head.Construction;
import undoknot.head.Machine;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.sitting.AlignmentPass;
import undoknot.sitting.Noted;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment.Resistance;
import undoknot.visit.HeadNow;

/** What must be explained, seen or read once more before a head counts as finished (handbook 5, 6 and 13, rules 0 and 1). */
class FinishingTest {

    /** Flushed, accepted, the station seen since. */
    private static WrittenVisit saved(Symptom... told) {
        return new WrittenVisit("ORSEL-D6")
                .told(40, told)
                .scattered("C", 6, 0)
                .check()
                .flush(Resistance.STIFF, "C")
                .clear("C")
                .check()
                .found(STATION_CLEAN, null);
    }

    private static Advice first(WrittenVisit visit) {
        return visit.judge().advice().first();
    }

    static Stream<Arguments> complaints() {
        return Stream.of(
                Arguments.of(Symptom.SMEARS, Look.UNDERSIDE, UNDERSIDE_CLEAN, 2),
                Arguments.of(Symptom.BANDING_ALL_FIRING, Look.ENCODER, STRIP_CLEAN, 1),
                Arguments.of(Symptom.HEAD_ERROR, Look.ERRORS, ERRORS_NONE, 1),
                Arguments.of(Symptom.CARTRIDGE_NOT_RECOGNISED, Look.RECOGNITION, RECOGNISED, 1),
                Arguments.of(Symptom.CARRIAGE_STANDS, Look.INK_AT_ALL, MOVES_FREELY, 1));
    }

    /** A complaint outranks an accepted check until somebody has looked; smears are looked into twice. */
    @ParameterizedTest
    @MethodSource("complaints")
    void a_complaint_is_looked_into_before_the_page(Symptom told, Look look, Sign fine, int times) {
        WrittenVisit visit = saved(told);
        for (int time = 0; time < times; time++) {
            assertThat(first(visit).rule()).isEqualTo(Rule.COMPLAINT);
            assertThat(first(visit).look()).isEqualTo(look);
            assertThat(first(visit).findings()).hasSize(1);
            visit.found(fine, null);
        }
        assertThat(first(visit).look()).isNull();
    }

    /** Every complaint that nozzles explain leaves an accepted head to its page. */
    @ParameterizedTest
    @EnumSource(
            value = Symptom.class,
            names = {
                "GAPS_ONE_COLOUR",
                "GAPS_SEVERAL",
                "ONE_COLOUR_GONE",
                "EVERYTHING_BLANK",
                "GAPS_WANDER",
                "GAPS_NEVER_MOVE",
                "HALF_CHANNEL_PALE",
                "MORE_AFTER_CLEANING",
                "COLOUR_REPLACED",
                "PALE_ALONG_AN_EDGE",
                "STRIPE_ACROSS"
            })
    void what_the_nozzles_explain_goes_on_to_the_page(Symptom told) {
        assertThat(first(saved(told)).method()).isEqualTo(Method.PAGE);
    }

    /** Align, strip, align: lines are aligned before it goes, again after the strip was cleaned, and the strip is seen twice. */
    @Test
    void banding_is_aligned_and_after_the_strip_once_more() {
        WrittenVisit visit = saved(Symptom.BANDING_ALL_FIRING).found(STRIP_CLEAN, null);
        assertThat(first(visit).method()).isEqualTo(Method.ALIGN);
        visit.hands(Method.ALIGN).found(ALIGN_UNSETTLED, null);
        assertThat(first(visit).method()).isEqualTo(Method.STRIP);
        visit.hands(Method.STRIP).check().found(STRIP_CLEAN, null);
        assertThat(first(visit).method()).isEqualTo(Method.ALIGN);
        visit.hands(Method.ALIGN).check();
        assertThat(first(visit).method()).isEqualTo(Method.PAGE);
    }

    @Test
    void aligned_lines_ask_for_a_second_look_at_the_strip() {
        WrittenVisit visit = saved(Symptom.BANDING_ALL_FIRING).found(STRIP_CLEAN, null);
        visit.hands(Method.ALIGN).check();
        assertThat(first(visit).look()).isEqualTo(Look.ENCODER);
        assertThat(first(visit.found(STRIP_CLEAN, null)).method()).isEqualTo(Method.PAGE);
    }

    /** Overheat and sudden stops: cool down, then damper by damper and line by line before the head is touched. */
    @Test
    void an_overheat_walks_the_supply_before_fluid_goes_in() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .told(3, Symptom.OVERHEAT_STOP)
                .scattered("C", 5, 0)
                .check();
        List<Sign> found = List.of(COOL_NO_CHANGE, INK_THERE, DAMPER_FULL, PULL_FREE, LINE_CLEAR, SEAT_SOUND);
        for (Look look : List.of(Look.COOL_DOWN, Look.INK_LEVEL, Look.AIR, Look.DAMPER, Look.LINE, Look.SEAT)) {
            assertThat(first(visit).act()).isEqualTo(Act.LOOK);
            assertThat(first(visit).look()).isEqualTo(look);
            Sign sign = found.stream()
                    .filter(s -> look.findings().contains(s))
                    .findFirst()
                    .orElseThrow();
            visit.found(sign, look.scope() == Look.Scope.HEAD ? null : "C");
        }
        assertThat(first(visit).rule()).isNotEqualTo(Rule.COMPLAINT);
    }

    /** All fires at the first check: what leaves a check good is looked at before anybody calls the head sound. */
    @Test
    void a_head_that_fires_at_once_is_not_sent_home_unseen() {
        WrittenVisit visit = new WrittenVisit("TARROW-T4").told(3).check();
        for (Sign fine : List.of(STATION_CLEAN, UNDERSIDE_CLEAN, STRIP_CLEAN)) {
            assertThat(first(visit).rule()).isEqualTo(Rule.COMPLAINT);
            assertThat(first(visit).look()).isEqualTo(Look.making(fine).orElseThrow());
            visit.found(fine, null);
        }
        assertThat(first(visit).method()).isEqualTo(Method.PAGE);
        assertThat(first(visit.page().check()).act()).isEqualTo(Act.FINISH);
    }

    private static WrittenVisit crustedAndCleaned(int idleDays, Symptom... told) {
        return new WrittenVisit("ORSEL-D6")
                .told(idleDays, told)
                .scattered("C", 6, 0)
                .check()
                .found(STATION_CRUSTED, null)
                .hands(Method.STATION, "C")
                .found(STATION_CLEAN, null)
                .check();
    }

    /** No hand touched the head: the ink of the cycles alone went into the station. */
    @Test
    void a_station_that_crusted_is_cleaned_again_after_cycles_alone() {
        WrittenVisit visit = crustedAndCleaned(10, Symptom.MORE_AFTER_CLEANING)
                .cycle("C")
                .clear("C")
                .check();
        assertThat(first(visit).rule()).isEqualTo(Rule.STATION_AT_END);
        visit.hands(Method.STATION, "C").found(STATION_CLEAN, null);
        assertThat(first(visit).method()).isEqualTo(Method.PAGE);
        assertThat(first(visit.page().check()).act()).isEqualTo(Act.FINISH);
    }

    /** The station is looked at before and after a head is cleaned; crusted, it comes once more at the end. */
    @Test
    void a_station_that_crusted_is_cleaned_again_at_the_end() {
        WrittenVisit visit =
                crustedAndCleaned(40).flush(Resistance.STIFF, "C").clear("C").check();
        assertThat(first(visit).look()).isEqualTo(Look.STATION);
        visit.found(STATION_CLEAN, null);
        assertThat(first(visit).rule()).isEqualTo(Rule.STATION_AT_END);
        // The page comes straight after it: what it prints is checked anyway.
        visit.hands(Method.STATION, "C").found(STATION_CLEAN, null);
        assertThat(first(visit).method()).isEqualTo(Method.PAGE);
        assertThat(first(visit.page().check()).act()).isEqualTo(Act.FINISH);
    }

    /** A head that passes once and fails after a page is not finished. */
    @Test
    void a_page_that_brings_gaps_back_is_no_end() {
        WrittenVisit visit = saved().page().scattered("C", 10, 0).check();
        assertThat(first(visit).act()).isNotEqualTo(Act.FINISH);
        assertThat(first(saved().page().check()).act()).isEqualTo(Act.FINISH);
    }

    /** 20 of 160 unread may be out or not: read again, and what the second reading shows completes the first. */
    @Test
    void an_unsure_reading_is_read_again_and_never_treated() {
        WrittenVisit visit = saved().page().run("C", 30, 49, NozzleState.UNREAD).check();
        assertThat(first(visit).rule()).isEqualTo(Rule.READ_AGAIN);
        assertThat(first(visit).act()).isEqualTo(Act.CHECK);
        visit.clear("C").run("C", 90, 99, NozzleState.UNREAD).check();
        assertThat(first(visit).act()).isEqualTo(Act.FINISH);
    }

    /** Up to three gaps that moved since the last check are read once more; four are not, and not a second time. */
    @Test
    void a_few_gaps_that_moved_are_read_again_before_anything_is_treated() {
        WrittenVisit few = saved().page().run("C", 30, 32).check();
        assertThat(first(few).rule()).isEqualTo(Rule.READ_AGAIN);
        assertThat(first(few.check()).rule()).isNotEqualTo(Rule.READ_AGAIN);
        assertThat(first(saved().page().run("C", 30, 33).check()).rule()).isNotEqualTo(Rule.READ_AGAIN);
    }

    /** A half-pale channel is not accepted, however many dashes it shows. */
    @Test
    void a_half_pale_channel_is_no_finish() {
        WrittenVisit visit = saved().page().run("C", 81, 160, NozzleState.WEAK).check();
        assertThat(first(visit).act()).isNotEqualTo(Act.FINISH);
        assertThat(visit.visit().affected()).containsExactly("C");
    }

    static Stream<Arguments> mends() {
        return Stream.of(
                Arguments.of(UNDERSIDE_FLAKES, Method.UNDERSIDE, null),
                Arguments.of(STRIP_SMEARED, Method.STRIP, null),
                Arguments.of(STATION_CRUSTED, Method.STATION, null),
                Arguments.of(SPONGE_DRY, Method.CARTRIDGE, "C"),
                Arguments.of(DAMPER_EMPTY, Method.PURGE, "C"),
                Arguments.of(LINE_SEDIMENT, Method.LINE, "C"));
    }

    /** A mend is looked at again; found bad again it is done a second time, and not a third. */
    @ParameterizedTest
    @MethodSource("mends")
    void a_mend_is_looked_at_again_and_repeated_once(Sign bad, Method mend, String channel) {
        WrittenVisit visit =
                new WrittenVisit("HULVER-W8").told(3).scattered("C", 5, 0).check();
        for (int time = 0; time < 2; time++) {
            visit.found(bad, channel);
            assertThat(first(visit).method()).isEqualTo(mend);
            visit.hands(mend, "C").check();
            assertThat(first(visit).rule()).isEqualTo(Rule.LOOK_AGAIN);
            assertThat(first(visit).look()).isEqualTo(Look.making(bad).orElseThrow());
        }
        assertThat(first(visit.found(bad, channel)).method()).isNotEqualTo(mend);
    }

    /** One look never ends a visit: a standing carriage though checks print, a scratched face. */
    @Test
    void one_look_never_ends_a_visit() {
        WrittenVisit prints = saved().found(Sign.CARRIAGE_STANDS, null);
        assertThat(first(prints).look()).isEqualTo(Look.INK_AT_ALL);
        assertThat(first(prints.found(Sign.CARRIAGE_STANDS, null)).act()).isNotEqualTo(Act.ELSEWHERE);
        WrittenVisit scratched = new WrittenVisit("HULVER-W8")
                .told(3)
                .run("M", 20, 60, NozzleState.DEFLECTED)
                .check()
                .found(FACE_DAMAGED, "M");
        assertThat(first(scratched).look()).isEqualTo(Look.FACE);
        assertThat(first(scratched.found(FACE_DAMAGED, "M")).act()).isEqualTo(Act.NOT_RECOVERABLE);
    }

    /** No strong cycle, charge or system work without the waste store looked at. */
    @Test
    void what_fills_the_waste_store_asks_for_a_look_at_it() {
        WrittenVisit line = new WrittenVisit("HULVER-W8").told(1).ends("C", 60).check();
        line.hands(Method.LINE, "C").check();
        assertThat(first(line).look()).isEqualTo(Look.WASTE_STORE);
        assertThat(first(line.found(WASTE_FULL, null)).method()).isNotEqualTo(Method.CHARGE);
    }

    /** Nothing is looked for in a channel that prints, nor on a part that the head has not got. */
    @Test
    void no_look_where_nothing_can_be_found() {
        WrittenVisit visit = new WrittenVisit("TARROW-T4")
                .told(3, Symptom.GAPS_WANDER)
                .run("C", 20, 60)
                .check();
        assertThat(visit.judge().looks())
                .noneMatch(p -> p.channel() != null && !p.channel().equals("C"))
                .noneMatch(p -> List.of(Look.AIR, Look.DAMPER, Look.LINE).contains(p.look()));
        WrittenVisit desk = new WrittenVisit("ORSEL-D6")
                .told(3, Symptom.GAPS_WANDER)
                .run("C", 20, 60)
                .check();
        assertThat(desk.judge().looks()).anyMatch(p -> p.look() == Look.AIR);
    }

    /** An ink that sets again is flushed out of channels that print, before the head goes. */
    @Test
    void an_unsuitable_ink_is_flushed_before_the_end() {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6").told(5, Symptom.GAPS_SEVERAL);
        for (String code : List.of("K", "C", "M", "Y", "LC", "LM")) {
            visit.told(THIRD_PARTY_INK, code).scattered(code, 8, 0);
        }
        visit.check().found(STATION_CLEAN, null).found(EFFLUENT_RESIDUE, "K").found(EFFLUENT_RESIDUE, "C");
        visit.soak(10, "K", "C", "M", "Y", "LC", "LM");
        for (String code : List.of("K", "C", "M", "Y", "LC", "LM")) {
            visit.clear(code);
        }
        visit.check().found(STATION_CLEAN, null);
        Advice advice = first(visit);
        assertThat(advice.method()).isEqualTo(Method.FLUSH);
        assertThat(advice.channels()).containsExactlyInAnyOrder("K", "C", "M", "Y", "LC", "LM");
    }

    /** Out, flushed, back in: it takes ink first, is checked, prints a page, is checked again, and is aligned (handbook 14). */
    @Test
    void a_head_that_was_out_is_primed_checked_and_aligned_before_it_goes() {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6")
                .scattered("C", 6, 0)
                .check()
                .moved(Site.ON_BENCH)
                .flush(Resistance.FREE, "C")
                .moved(Site.IN_CARRIAGE);
        assertThat(first(visit).rule()).isEqualTo(Rule.PRIME_FIRST);
        assertThat(first(visit).method()).isEqualTo(Method.CYCLE);
        assertThat(first(visit).channels()).containsExactly("C");
        visit.cycle("C");
        assertThat(first(visit).rule()).isEqualTo(Rule.CHECK_AGAIN);
        visit.clear("C").check().found(STATION_CLEAN, null).page();
        assertThat(first(visit).rule()).isEqualTo(Rule.CHECK_AGAIN);
        visit.check();
        assertThat(first(visit).rule()).isEqualTo(Rule.ALIGN_HEAD);
        pass(visit, "5 8 5 5");
        assertThat(first(visit).rule()).isEqualTo(Rule.ALIGN_HEAD);
        pass(visit, "5 5 5 5");
        assertThat(first(visit).rule()).isEqualTo(Rule.ALIGN_STRIP);
        assertThat(first(visit).method()).isEqualTo(Method.STRIP);
        visit.hands(Method.STRIP);
        pass(visit, "8 5 5 5");
        pass(visit, "5 5 5 5");
        assertThat(first(visit).rule()).isEqualTo(Rule.ALIGN_STANDS);
        pass(visit, "5 5 5 6");
        assertThat(first(visit).act()).as("no check is asked again after it").isEqualTo(Act.FINISH);
    }

    private static void pass(WrittenVisit visit, String steps) {
        List<Integer> best = Stream.of(steps.split(" ")).map(Integer::valueOf).toList();
        visit.hands(
                Method.ALIGN,
                new Noted(
                        Map.of(),
                        List.of(),
                        List.of(),
                        new AlignmentPass(new Machine.Alignment(4, 1, 9, 5, false), best, false)));
    }

    /** A metering valve is primed by syringe, and before the refit, once its stream is whole. */
    @Test
    void a_metered_head_is_primed_on_the_bench() {
        WrittenVisit visit = new WrittenVisit(StarterFamilies.ALL.stream()
                .filter(f -> f.construction() == Construction.METERED_PIEZO)
                .findFirst()
                .map(WrittenVisit::takesPush)
                .orElseThrow());
        visit.check().moved(Site.ON_BENCH).flush(Resistance.FREE, "C");
        visit.head(new HeadNow(Site.ON_BENCH, List.of(), List.of(), null, null));
        assertThat(first(visit).act()).isEqualTo(Act.CHECK);
        visit.coarse(new CoarseReading(
                CoarseReading.Kind.STREAM,
                Map.of("C", new CoarseReading.Line(CoarseReading.Level.STREAM_WHOLE, null))));
        assertThat(first(visit).rule()).isEqualTo(Rule.PRIME_FIRST);
        assertThat(first(visit).method()).isEqualTo(Method.PRIME);
    }

    /** What passes once and fails after a page goes back into the course. */
    @Test
    void what_fails_after_the_page_is_not_finished() {
        WrittenVisit visit = saved().page().scattered("C", 12, 0).check();
        assertThat(first(visit).act()).isNotEqualTo(Act.FINISH);
        assertThat(visit.judge().advice().first().channels()).contains("C");
    }

    /** Starves down the sheet: a page to its foot at the end; one that fails goes back to the supply, then elsewhere. */
    @Test
    void a_page_that_fails_goes_back_to_the_supply() {
        WrittenVisit visit = new WrittenVisit("HULVER-W8")
                .told(3, Symptom.STARVES_DOWN_THE_SHEET)
                .told(TOLD_IN_CHANNEL, "C")
                .check()
                .hands(Method.CARTRIDGE, "C")
                .check()
                .found(STATION_CLEAN, null)
                .page()
                .check();
        assertThat(first(visit).rule()).isEqualTo(Rule.PROOF);
        assertThat(first(visit).look()).isEqualTo(Look.PAGE_TO_PLACE);
        visit.found(PAGE_FAILS, null);
        assertThat(first(visit).rule()).isEqualTo(Rule.PROOF_FAILED);
        assertThat(first(visit).method()).isEqualTo(Method.DAMPER);
        assertThat(first(visit).channels()).containsExactly("C");
        visit.found(PAGE_REACHES, null);
        assertThat(first(visit).act()).isEqualTo(Act.FINISH);
    }
}
