package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static undoknot.advice.Advice.Act.*;
import static undoknot.diagnosis.Cause.*;
import static undoknot.observation.Sign.*;
import static undoknot.observation.Symptom.*;
import static undoknot.treatment.Treatment.Resistance.*;

import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.diagnosis.Cause;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Worth;
import undoknot.practice.School;
import undoknot.treatment.Method;

/**
 * Heads as the handbook describes them (sections 6, 7 and 13), each with the cause it names and the advice it gives. The
 * families are one of each construction: Skerrin L4 laminated, Orsel D6 desk, Vennick B3 with bladder, Tarrow T4 open thermal,
 * Pellam M5 metered, Hulver W8 wide.
 */
class WorkedCasesTest {

    private static final Object NO_METHOD = "";

    /** Does not pay: a chance of one in ten of 100 against a cost of 30. */
    private static final Worth LOSING = new Worth(0.1, 0.05, 0.2, 100, 0.02, 50, 30, 20, null);

    private static Arguments head(String name, WrittenVisit bench, Cause cause, Advice.Act act, Object what) {
        return Arguments.of(name, bench, cause, act, what);
    }

    static Stream<Arguments> dried_ink() {
        return Stream.of(
                head(
                        "idle five weeks, scattered gaps: the lightest cycle first",
                        new WrittenVisit("ORSEL-D6")
                                .told(35, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.CYCLE),
                head(
                        "the same in a shop that goes straight to hands",
                        new WrittenVisit("ORSEL-D6")
                                .told(35, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check()
                                .house(School.CyclesFirst.NONE),
                        DRIED_INK,
                        WORK,
                        Method.PAD),
                head(
                        "a cycle brought half of them back: the same again",
                        new WrittenVisit("ORSEL-D6")
                                .told(20, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check()
                                .cycle("C")
                                .clear("C")
                                .scattered("C", 12, 0)
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.CYCLE),
                head(
                        "a cycle changed nothing on a fixed, dried channel: hands are next",
                        new WrittenVisit("TARROW-T4")
                                .told(40, GAPS_ONE_COLOUR, GAPS_NEVER_MOVE)
                                .scattered("M", 5, 0)
                                .check()
                                .cycle("M")
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.FLUSH),
                head(
                        "laminated: nothing is pushed, so the wet pad is next",
                        new WrittenVisit("SKERRIN-L4")
                                .told(60, GAPS_ONE_COLOUR, GAPS_NEVER_MOVE)
                                .scattered("M", 5, 0)
                                .check()
                                .cycle("M")
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.PAD),
                head(
                        "first check after a flush is no verdict: one light cycle, then judge",
                        new WrittenVisit("ORSEL-D6")
                                .told(35, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check()
                                .flush(STIFF, "C")
                                .clear("C")
                                .scattered("C", 12, 0)
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.CYCLE),
                head(
                        "a flush and a cycle restored half: the same treatment again",
                        new WrittenVisit("ORSEL-D6")
                                .told(35, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check()
                                .flush(STIFF, "C")
                                .clear("C")
                                .scattered("C", 12, 0)
                                .check()
                                .cycle("C")
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.FLUSH),
                head(
                        "a soak restored a tenth: a longer rung",
                        new WrittenVisit("TARROW-T4")
                                .told(35, GAPS_ONE_COLOUR)
                                .scattered("K", 4, 0)
                                .check()
                                .soak(10, "K")
                                .run("K", 3, 19, NozzleState.FIRING)
                                .check()
                                .cycle("K")
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.PORT_SOAK),
                head(
                        "two flushes did nothing: the soak is the next gentlest",
                        new WrittenVisit("VENNICK-B3")
                                .told(90, GAPS_ONE_COLOUR)
                                .scattered("Y", 5, 0)
                                .check()
                                .cycle("Y")
                                .check()
                                .flush(STIFF, "Y")
                                .check()
                                .cycle("Y")
                                .check()
                                .flush(STIFF, "Y")
                                .check()
                                .cycle("Y")
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.PORT_SOAK),
                head(
                        "the port takes no fluid and drops do not pass: dried ink, and no look is left that tells more",
                        new WrittenVisit("PELLAM-M5")
                                .told(200, GAPS_ONE_COLOUR)
                                .scattered("G", 4, 0)
                                .check()
                                .flush(WOULD_NOT_GO, "G")
                                .check(),
                        DRIED_INK,
                        WORK,
                        Method.CYCLE),
                head(
                        "in money it does not pay: stop",
                        new WrittenVisit("TARROW-T4")
                                .told(210, GAPS_ONE_COLOUR, GAPS_NEVER_MOVE)
                                .scattered("K", 4, 0)
                                .check()
                                .cycle("K")
                                .check()
                                .worth(LOSING),
                        DRIED_INK,
                        STOP_MONEY,
                        NO_METHOD),
                head(
                        "the same in a shop that never stops for money",
                        new WrittenVisit("TARROW-T4")
                                .told(210, GAPS_ONE_COLOUR, GAPS_NEVER_MOVE)
                                .scattered("K", 4, 0)
                                .check()
                                .cycle("K")
                                .check()
                                .worth(LOSING)
                                .house(School.StopWhen.NEVER),
                        DRIED_INK,
                        WORK,
                        Method.FLUSH),
                head(
                        "two unchanged rounds in a shop that stops there",
                        new WrittenVisit("TARROW-T4")
                                .told(210, GAPS_ONE_COLOUR, GAPS_NEVER_MOVE)
                                .scattered("K", 4, 0)
                                .check()
                                .cycle("K")
                                .check()
                                .flush(STIFF, "K")
                                .check()
                                .cycle("K")
                                .check()
                                .house(School.StopWhen.TWO_UNCHANGED),
                        DRIED_INK,
                        STOP_HOUSE,
                        NO_METHOD));
    }

    static Stream<Arguments> upstream() {
        return Stream.of(
                head(
                        "a long run, wandering as told: look for air first",
                        new WrittenVisit("HULVER-W8")
                                .told(3, GAPS_WANDER)
                                .run("M", 12, 90)
                                .check(),
                        AIR,
                        LOOK,
                        Look.AIR),
                head(
                        "no ink in the damper: drive the air out",
                        new WrittenVisit("HULVER-W8")
                                .told(3, GAPS_WANDER)
                                .run("M", 12, 90)
                                .check()
                                .found(DAMPER_EMPTY, "M"),
                        AIR,
                        WORK,
                        Method.PURGE),
                head(
                        "the same on a laminated head, where nothing is pushed: draw the ink in",
                        new WrittenVisit("SKERRIN-L4")
                                .told(1, GAPS_WANDER, GAPS_ONE_COLOUR)
                                .run("C", 20, 90)
                                .check()
                                .found(DAMPER_EMPTY, "C"),
                        AIR,
                        WORK,
                        Method.DRAW_IN),
                head(
                        "a channel wholly out after a flush that flowed, and still after a cycle: air, purge it",
                        new WrittenVisit("ORSEL-D6")
                                .told(20, GAPS_ONE_COLOUR)
                                .scattered("LM", 8, 0)
                                .check()
                                .flush(FREE, "LM")
                                .whole("LM")
                                .check()
                                .cycle("LM")
                                .check(),
                        AIR,
                        WORK,
                        Method.PURGE),
                head(
                        "gaps that wander, damper full and free: not the nozzles, the seat is left to be seen",
                        new WrittenVisit("ORSEL-D6")
                                .told(1, GAPS_WANDER)
                                .run("Y", 10, 60)
                                .check()
                                .cycle("Y")
                                .clear("Y")
                                .run("Y", 80, 130)
                                .check()
                                .found(DAMPER_FULL, "Y")
                                .found(PULL_FREE, "Y"),
                        AIR,
                        LOOK,
                        Look.SEAT),
                head(
                        "silver starves down the page, both ends worst: pull the damper before it is taken apart",
                        new WrittenVisit("HULVER-W8")
                                .told(6, STARVES_DOWN_THE_SHEET)
                                .told(SETTLING_INK, "S")
                                .ends("S", 34)
                                .check(),
                        SUPPLY_RESTRICTED,
                        LOOK,
                        Look.DAMPER),
                head(
                        "sediment in the line: flush the line",
                        new WrittenVisit("HULVER-W8")
                                .told(6, STARVES_DOWN_THE_SHEET)
                                .ends("W", 30)
                                .check()
                                .found(LINE_SEDIMENT, "W"),
                        SUPPLY_RESTRICTED,
                        WORK,
                        Method.LINE),
                head(
                        "the damper drags when pulled",
                        new WrittenVisit("SKERRIN-L4")
                                .told(5, OVERHEAT_STOP)
                                .ends("K", 20)
                                .check()
                                .found(PULL_DRAGS, "K"),
                        SUPPLY_RESTRICTED,
                        WORK,
                        Method.DAMPER),
                head(
                        "one colour gone, refilled more than allowed: is there ink at all?",
                        new WrittenVisit("TARROW-T4")
                                .told(1, ONE_COLOUR_GONE)
                                .told(REFILLED_TOO_OFTEN, null)
                                .whole("C")
                                .check(),
                        CARTRIDGE_FAULT,
                        LOOK,
                        Look.INK_LEVEL),
                head(
                        "the sponge is dry though the chip says full; printer cycles would run it empty",
                        new WrittenVisit("VENNICK-B3")
                                .told(4, ONE_COLOUR_GONE)
                                .whole("M")
                                .check()
                                .found(SPONGE_DRY, "M"),
                        CARTRIDGE_FAULT,
                        WORK,
                        Method.CARTRIDGE),
                head(
                        "seal tape still on",
                        new WrittenVisit("PELLAM-M5")
                                .told(null, ONE_COLOUR_GONE)
                                .told(SETUP_CARTRIDGES, null)
                                .whole("K")
                                .check()
                                .found(VENT_CLOSED, "K"),
                        CARTRIDGE_FAULT,
                        WORK,
                        Method.CARTRIDGE),
                head(
                        "crust on the cap lips before anything was tried: the station first",
                        new WrittenVisit("TARROW-T4")
                                .told(3, GAPS_SEVERAL, MORE_AFTER_CLEANING)
                                .scattered("K", 20, 0)
                                .scattered("C", 20, 3)
                                .scattered("M", 20, 7)
                                .check()
                                .found(STATION_CRUSTED, null),
                        SERVICE_STATION,
                        WORK,
                        Method.STATION),
                head(
                        "newly out in two channels after a cycle: the station, whatever the looks said before",
                        new WrittenVisit("TARROW-T4")
                                .told(3, GAPS_SEVERAL)
                                .scattered("K", 20, 0)
                                .check()
                                .cycle("K", "C", "M", "Y")
                                .scattered("C", 20, 3)
                                .scattered("M", 20, 7)
                                .check(),
                        SERVICE_STATION,
                        WORK,
                        Method.STATION));
    }

    static Stream<Arguments> face_and_electrics() {
        return Stream.of(
                head(
                        "a short dense run with deflected neighbours, fibre under the loupe: vapour, not a wipe in place",
                        new WrittenVisit("HULVER-W8")
                                .told(2, GAPS_ONE_COLOUR)
                                .debris("C", 60, 72)
                                .check()
                                .found(FACE_DIRTY, "C"),
                        FACE_DEBRIS,
                        WORK,
                        Method.VAPOUR),
                head(
                        "the same on a food head: volatile cleaners never, a wet pad instead",
                        new WrittenVisit("VENNICK-B3")
                                .told(2, GAPS_ONE_COLOUR)
                                .debris("C", 60, 72)
                                .check()
                                .found(FACE_DIRTY, "C")
                                .food(),
                        FACE_DEBRIS,
                        WORK,
                        Method.PAD),
                head(
                        "a dense run with bent neighbours: look at the face before anything is done to it",
                        new WrittenVisit("HULVER-W8")
                                .told(1, GAPS_ONE_COLOUR, GAPS_NEVER_MOVE)
                                .debris("C", 60, 72)
                                .check(),
                        FACE_DEBRIS,
                        LOOK,
                        Look.FACE),
                head(
                        "debris unmoved by two rounds is never written off as electrical",
                        new WrittenVisit("HULVER-W8")
                                .told(1, GAPS_ONE_COLOUR, GAPS_NEVER_MOVE)
                                .debris("C", 60, 72)
                                .check()
                                .cycle("C")
                                .check()
                                .cycle("C")
                                .check()
                                .found(STATION_CLEAN, null)
                                .found(DAMPER_FULL, "C"),
                        FACE_DEBRIS,
                        LOOK,
                        Look.FACE),
                head(
                        "a quarter out exactly: one round to see whether it moves",
                        new WrittenVisit("ORSEL-D6")
                                .told(1, HALF_CHANNEL_PALE)
                                .run("Y", 81, 120)
                                .check(),
                        ELECTRICAL,
                        WORK,
                        Method.CYCLE),
                head(
                        "it did not move: the second round",
                        new WrittenVisit("ORSEL-D6")
                                .told(1, HALF_CHANNEL_PALE)
                                .run("Y", 81, 120)
                                .check()
                                .cycle("Y")
                                .check(),
                        ELECTRICAL,
                        WORK,
                        Method.CYCLE),
                head(
                        "two rounds unchanged, but nobody looked: station, face and upstream first",
                        new WrittenVisit("ORSEL-D6")
                                .told(1, HALF_CHANNEL_PALE)
                                .run("Y", 81, 120)
                                .check()
                                .cycle("Y")
                                .check()
                                .cycle("Y")
                                .check(),
                        ELECTRICAL,
                        LOOK,
                        Look.STATION),
                head(
                        "all looked at and fine: electrical, stop cleaning",
                        new WrittenVisit("ORSEL-D6")
                                .told(1, HALF_CHANNEL_PALE)
                                .run("Y", 81, 120)
                                .check()
                                .cycle("Y")
                                .check()
                                .cycle("Y")
                                .check()
                                .found(STATION_CLEAN, null)
                                .found(FACE_CLEAN, "Y")
                                .found(DAMPER_FULL, "Y"),
                        ELECTRICAL,
                        STOP_ELECTRICAL,
                        NO_METHOD),
                head(
                        "half of a laminated channel, the same way",
                        new WrittenVisit("SKERRIN-L4")
                                .told(0, HALF_CHANNEL_PALE, GAPS_NEVER_MOVE)
                                .run("K", 65, 128)
                                .check()
                                .cycle("K")
                                .check()
                                .cycle("K")
                                .check()
                                .found(STATION_CLEAN, null)
                                .found(FACE_CLEAN, "K")
                                .found(PULL_FREE, "K"),
                        ELECTRICAL,
                        STOP_ELECTRICAL,
                        NO_METHOD),
                head(
                        "a density step at a group border counts as well",
                        new WrittenVisit("ORSEL-D6")
                                .told(1, HALF_CHANNEL_PALE)
                                .run("C", 41, 80, NozzleState.WEAK)
                                .run("C", 3, 8)
                                .check()
                                .cycle("C")
                                .check()
                                .cycle("C")
                                .check()
                                .found(STATION_CLEAN, null)
                                .found(FACE_CLEAN, "C")
                                .found(DROPS_THROUGH, "C"),
                        ELECTRICAL,
                        STOP_ELECTRICAL,
                        NO_METHOD),
                head(
                        "a cluster of deflections, scratch under the loupe: not recoverable",
                        new WrittenVisit("TARROW-T4")
                                .told(1, COLOUR_REPLACED)
                                .run("M", 30, 44, NozzleState.DEFLECTED)
                                .run("M", 46, 50)
                                .check()
                                .found(FACE_DAMAGED, "M")
                                .found(FACE_DAMAGED, "M"),
                        PLATE_DAMAGE,
                        NOT_RECOVERABLE,
                        NO_METHOD));
    }

    static Stream<Arguments> around_the_head() {
        return Stream.of(
                head(
                        "head error after recent handling, contacts dull: clean and reseat",
                        new WrittenVisit("SKERRIN-L4")
                                .told(0, HEAD_ERROR)
                                .noCheck()
                                .found(CONTACTS_DIRTY, null),
                        CONTACTS,
                        WORK,
                        Method.RESEAT),
                head(
                        "an error that a restart clears is expected back, even where nothing prints meanwhile",
                        new WrittenVisit("TARROW-T4")
                                .told(0, HEAD_ERROR, CARTRIDGE_NOT_RECOGNISED)
                                .noCheck()
                                .found(ERROR_EXPECTED_BACK, null)
                                .noCheck(),
                        CONTACTS,
                        WORK,
                        Method.RESEAT),
                head(
                        "the carriage stands: not this job",
                        new WrittenVisit("HULVER-W8")
                                .told(null, Symptom.CARRIAGE_STANDS)
                                .noCheck()
                                .found(Sign.CARRIAGE_STANDS, null)
                                .found(Sign.CARRIAGE_STANDS, null),
                        NOT_THE_HEAD,
                        ELSEWHERE,
                        NO_METHOD),
                head(
                        "smears at a constant height with a good map: the underside, not the head",
                        new WrittenVisit("HULVER-W8").told(2, SMEARS).check().found(UNDERSIDE_FLAKES, null),
                        CARRIAGE_DIRT,
                        WORK,
                        Method.UNDERSIDE),
                head(
                        "banding with all nozzles firing: look at the encoder strip",
                        new WrittenVisit("ORSEL-D6").told(2, BANDING_ALL_FIRING).check(),
                        ALIGNMENT_ENCODER,
                        LOOK,
                        Look.ENCODER),
                head(
                        "the strip, the underside and the station are clean: align",
                        new WrittenVisit("ORSEL-D6")
                                .told(2, BANDING_ALL_FIRING)
                                .check()
                                .found(STRIP_CLEAN, null)
                                .found(UNDERSIDE_CLEAN, null)
                                .found(STATION_CLEAN, null),
                        ALIGNMENT_ENCODER,
                        WORK,
                        Method.ALIGN),
                head(
                        "the clear strip is smeared",
                        new WrittenVisit("ORSEL-D6")
                                .told(2, BANDING_ALL_FIRING)
                                .check()
                                .found(STRIP_SMEARED, null),
                        ALIGNMENT_ENCODER,
                        WORK,
                        Method.STRIP),
                head(
                        "foreign ink in every channel, gel in what comes out, station clean: flush them all",
                        new WrittenVisit("PELLAM-M5")
                                .told(5, GAPS_SEVERAL)
                                .told(THIRD_PARTY_INK, "K")
                                .told(THIRD_PARTY_INK, "C")
                                .told(THIRD_PARTY_INK, "M")
                                .told(THIRD_PARTY_INK, "Y")
                                .told(THIRD_PARTY_INK, "G")
                                .scattered("K", 8, 0)
                                .scattered("C", 8, 1)
                                .scattered("M", 8, 2)
                                .scattered("Y", 8, 3)
                                .scattered("G", 8, 4)
                                .check()
                                .found(STATION_CLEAN, null)
                                .found(EFFLUENT_RESIDUE, "K"),
                        UNSUITABLE_INK,
                        WORK,
                        Method.FLUSH),
                head(
                        "while a hold runs, no look and no cycle that needs the mains",
                        new WrittenVisit("SKERRIN-L4")
                                .told(60, GAPS_ONE_COLOUR)
                                .scattered("M", 5, 0)
                                .check()
                                .inHold(),
                        DRIED_INK,
                        WORK,
                        Method.PAD));
    }

    static Stream<Arguments> mixtures_and_edges() {
        return Stream.of(
                head(
                        "a dirty station and dried nozzles: the station is cleaned before the head",
                        new WrittenVisit("ORSEL-D6")
                                .told(40, GAPS_SEVERAL)
                                .scattered("C", 4, 0)
                                .scattered("M", 20, 2)
                                .check()
                                .found(STATION_CRUSTED, null),
                        DRIED_INK,
                        WORK,
                        Method.STATION),
                head(
                        "findings that contradict one another: the later stands",
                        new WrittenVisit("HULVER-W8")
                                .told(3, GAPS_WANDER)
                                .run("M", 12, 90)
                                .check()
                                .found(DAMPER_FULL, "M")
                                .found(DAMPER_EMPTY, "M"),
                        AIR,
                        WORK,
                        Method.PURGE),
                head(
                        "nothing is known at all: read a check first",
                        new WrittenVisit("ORSEL-D6"),
                        DRIED_INK,
                        CHECK,
                        NO_METHOD),
                head(
                        "work since the last check: check again",
                        new WrittenVisit("ORSEL-D6")
                                .told(20, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check()
                                .cycle("C"),
                        DRIED_INK,
                        CHECK,
                        NO_METHOD),
                head(
                        "acceptance met once: a saturated page before it counts",
                        new WrittenVisit("ORSEL-D6")
                                .told(20, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check()
                                .flush(FREE, "C")
                                .clear("C")
                                .check()
                                .found(STATION_CLEAN, null),
                        DRIED_INK,
                        WORK,
                        Method.PAGE),
                head(
                        "still met after the page: finish",
                        new WrittenVisit("ORSEL-D6")
                                .told(20, GAPS_ONE_COLOUR)
                                .scattered("C", 6, 0)
                                .check()
                                .flush(FREE, "C")
                                .clear("C")
                                .check()
                                .found(STATION_CLEAN, null)
                                .hands(Method.PAGE, "C")
                                .check(),
                        DRIED_INK,
                        FINISH,
                        NO_METHOD));
    }

    static Stream<Arguments> all() {
        return Stream.of(dried_ink(), upstream(), face_and_electrics(), around_the_head(), mixtures_and_edges())
                .flatMap(s -> s);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("all")
    void the_handbook_says(String name, WrittenVisit bench, Cause cause, Advice.Act act, Object what) {
        Judgement judgement = bench.judge();
        Advice first = judgement.advice().first();
        assertThat(judgement.ranking().leading().cause())
                .as("leading cause, of %s", judgement.ranking().causes().subList(0, 3))
                .isEqualTo(cause);
        assertThat(first.act()).as("%s", first).isEqualTo(act);
        Object advised = act == LOOK ? first.look() : first.method();
        assertThat(what.equals(NO_METHOD) ? null : what).as("%s", first).isEqualTo(advised);
    }
}
