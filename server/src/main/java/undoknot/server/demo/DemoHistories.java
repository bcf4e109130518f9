package undoknot.server.demo;

import static undoknot.treatment.Treatment.Effluent.LIKE_FRESH;
import static undoknot.treatment.Treatment.Effluent.TINTED;
import static undoknot.treatment.Treatment.Resistance.FREE;
import static undoknot.treatment.Treatment.Resistance.STIFF;
import static undoknot.treatment.Treatment.Stream.DRIPS;
import static undoknot.treatment.Treatment.Stream.WHOLE;

import java.math.BigDecimal;
import java.util.Map;
import undoknot.diagnosis.Cause;
import undoknot.fluid.InkChemistry;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Outcome;
import undoknot.server.fluid.FluidLot;
import undoknot.simulator.PluggedHead;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadEntry;

/** The histories that a bench knows: heads that went back, and heads that came again. */
final class DemoHistories {

    private static final int HOUR = 60;
    private static final int DAY = 24 * HOUR;

    private final DemoShop shop;
    private final Map<String, Family> family;
    private final Map<String, FluidLot> shelf;

    DemoHistories(DemoShop shop) {
        this.shop = shop;
        this.family = shop.family();
        this.shelf = shop.shelf();
    }

    private DemoVisit visit(String code) {
        return shop.visit(code);
    }

    DemoVisit cleanRecovery() {
        PluggedHead head =
                new PluggedHead(family.get("ORSEL-D6"), 101).plug("C", 0.26).plug("LC", 0.07);
        DemoVisit v = visit("ORSEL-D6")
                .from("Marram Seed Packets", "bell at 14 Ropewalk", "OD6-48213", 6 * DAY, -1)
                .told("Quaymaster desk printer", "seed packets, a field of blue", 34, 2, Symptom.GAPS_SEVERAL)
                .check(6 * DAY - 20, head.check(), "plain paper, rested an hour")
                .cause(6 * DAY - 40, Cause.DRIED_INK, "C,LC", "scattered fixed gaps, idle five weeks, station clean")
                .flush(6 * DAY - 60, shelf.get("head"), 2.5, STIFF, TINTED, DRIPS, "C", "LC")
                .padOutAndDry(6 * DAY - 75);
        v.check(6 * DAY - 95, head.clear("C", 0.45).clear("LC", 0.6).check(), "");
        v.soak(6 * DAY - 110, shelf.get("head"), 3, Treatment.Place.PORT, 40, 42, "C", "LC")
                .flush(6 * DAY - 160, shelf.get("head"), 1.5, FREE, LIKE_FRESH, WHOLE, "C", "LC")
                .padOutAndDry(6 * DAY - 170)
                .cycle(6 * DAY - 175, Treatment.Strength.LIGHT, 1)
                .page(6 * DAY - 182);
        return v.check(6 * DAY - 185, head.clear("C", 1).clear("LC", 1).check(), "after a full blue page")
                .returned(5 * DAY, Outcome.RECOVERED, null);
    }

    DemoVisit wanderingAir() {
        Family wide = family.get("HULVER-W8");
        return visit("HULVER-W8")
                .from("Spoondrift Pennants", "ask for Hob, 2 Capstan Row", "HW8-00917", 26 * HOUR, 2)
                .told("Windlass wide-format", "regatta pennants", 3, 4, Symptom.GAPS_WANDER, Symptom.GAPS_ONE_COLOUR)
                .ink(InkChemistry.DISPERSE, JobClass.RIBBON_LABEL)
                .check(
                        25 * HOUR,
                        new PluggedHead(wide, 7)
                                .run("M", 12, 58, NozzleState.MISSING)
                                .check(),
                        "")
                .cycle(24 * HOUR, Treatment.Strength.LIGHT, 1)
                .check(
                        23 * HOUR,
                        new PluggedHead(wide, 8)
                                .run("M", 81, 131, NozzleState.MISSING)
                                .run("M", 132, 138, NozzleState.WEAK)
                                .check(),
                        "other nozzles than before")
                .found(22 * HOUR + 20, Sign.DAMPER_EMPTY, "M")
                .cause(22 * HOUR, Cause.AIR, "M", "the gap wanders; hardly any ink in the damper");
    }

    DemoVisit deadDriveGroup() {
        PluggedHead head = new PluggedHead(family.get("ORSEL-D6"), 55).run("Y", 81, 120, NozzleState.MISSING);
        DemoVisit v = visit("ORSEL-D6")
                .from("Tallow Street Theatre", "stage door, Tallow Street", "OD6-47750", 9 * DAY, -4)
                .told(
                        "Quaymaster desk printer",
                        "theatre bills; ran on with the yellow empty",
                        2,
                        3,
                        Symptom.GAPS_NEVER_MOVE,
                        Symptom.HALF_CHANNEL_PALE)
                .check(9 * DAY - 30, head.check(), "")
                .cycle(9 * DAY - 50, Treatment.Strength.LIGHT, 1)
                .check(9 * DAY - 60, head.check(), "same forty nozzles")
                .flush(9 * DAY - 90, shelf.get("head"), 3, FREE, LIKE_FRESH, WHOLE, "Y")
                .padOutAndDry(9 * DAY - 100)
                .cycle(9 * DAY - 110, Treatment.Strength.LIGHT, 1)
                .check(9 * DAY - 120, head.check(), "same forty nozzles")
                .found(9 * DAY - 124, Sign.STATION_CLEAN, null)
                .found(9 * DAY - 126, Sign.FACE_CLEAN, "Y")
                .found(9 * DAY - 128, Sign.DAMPER_FULL, "Y")
                .cause(
                        9 * DAY - 130,
                        Cause.ELECTRICAL,
                        "Y",
                        "one drive group of four exactly; flow free, face and station clean, two rounds unchanged");
        return v.returned(
                8 * DAY,
                Outcome.NOT_RECOVERABLE,
                "One driver of the yellow channel is dead. Quoted a replacement head with new cartridges; the main board may be the culprit and may take the new head too.");
    }

    DemoVisit stationThatReclogs() {
        PluggedHead head = new PluggedHead(family.get("TARROW-T4"), 21).plug("K", 0.12);
        DemoVisit v = visit("TARROW-T4")
                .from("Turnstone Museum Labels", "workshop bell, Turnstone Steps", "TT4-30066", 30 * HOUR, 1)
                .told(
                        "Barrelhoop label printer",
                        "museum labels",
                        12,
                        6,
                        Symptom.MORE_AFTER_CLEANING,
                        Symptom.GAPS_SEVERAL)
                .ink(InkChemistry.PIGMENT, JobClass.RIBBON_LABEL)
                .check(29 * HOUR, head.check(), "")
                .soak(28 * HOUR, shelf.get("head"), 1.5, Treatment.Place.PORT, 40, 41, "K")
                .padOutAndDry(28 * HOUR - 45);
        v.check(27 * HOUR, head.clear("K", 0.8).check(), "").cycle(26 * HOUR, Treatment.Strength.NORMAL, 1);
        return v.check(
                        25 * HOUR,
                        head.plug("C", 0.11).plug("M", 0.08).plug("Y", 0.06).check(),
                        "new gaps after one cycle")
                .found(25 * HOUR - 10, Sign.STATION_CRUSTED, null)
                .cause(
                        25 * HOUR - 20,
                        Cause.SERVICE_STATION,
                        "",
                        "newly out in three channels after a cycle; crust on the cap lips");
    }

    DemoVisit silverSupply() {
        return visit("HULVER-W8")
                .from("Spoondrift Pennants", "ask for Hob, 2 Capstan Row", "HW8-01204", 50 * HOUR, 3)
                .told(
                        "Windlass wide-format",
                        "silver lettering",
                        21,
                        5,
                        Symptom.STARVES_DOWN_THE_SHEET,
                        Symptom.ONE_COLOUR_GONE)
                .ink(InkChemistry.PIGMENT, JobClass.GENERAL)
                .check(
                        49 * HOUR,
                        new PluggedHead(family.get("HULVER-W8"), 31)
                                .run("S", 1, 34, NozzleState.MISSING)
                                .run("S", 160, 200, NozzleState.MISSING)
                                .run("S", 35, 52, NozzleState.WEAK)
                                .check(),
                        "starves down the page")
                .cause(
                        48 * HOUR,
                        Cause.SUPPLY_RESTRICTED,
                        "S",
                        "ends of the channel worst, sediment in the line, silver unshaken for weeks")
                .soak(3 * HOUR, shelf.get("pigment"), 6, Treatment.Place.PORT, 720, null, "S");
    }

    DemoVisit firstStay() {
        PluggedHead head = new PluggedHead(family.get("TARROW-T4"), 64).plug("M", 0.2);
        DemoVisit v = visit("TARROW-T4")
                .from("Kettle & Sloe Labels", "Sloe Lane, second yard", "TT4-28817", 74 * DAY, -70)
                .told("Barrelhoop label printer", "jam labels", 15, 2, Symptom.GAPS_ONE_COLOUR)
                .check(74 * DAY - 30, head.check(), "")
                .cause(74 * DAY - 40, Cause.DRIED_INK, "M", "idle two weeks")
                .soak(74 * DAY - 45, shelf.get("head"), 1.5, Treatment.Place.PORT, 10, 12, "M")
                .padOutAndDry(74 * DAY - 60)
                .cycle(74 * DAY - 70, Treatment.Strength.LIGHT, 1)
                .page(74 * DAY - 76);
        return v.check(74 * DAY - 80, head.clear("M", 1).check(), "").returned(73 * DAY, Outcome.RECOVERED, null);
    }

    DemoVisit secondStay() {
        return visit("TARROW-T4")
                .from("Kettle & Sloe Labels", "Sloe Lane, second yard", "TT4-28817", 4 * HOUR, 3)
                .told("Barrelhoop label printer", "jam labels; magenta again", 20, 3, Symptom.GAPS_ONE_COLOUR)
                .check(
                        3 * HOUR,
                        new PluggedHead(family.get("TARROW-T4"), 65)
                                .plug("M", 0.24)
                                .run("K", 30, 33, NozzleState.UNREAD)
                                .check(),
                        "yellow light, four of black not sure");
    }

    DemoVisit stoppedByMoney() {
        PluggedHead head =
                new PluggedHead(family.get("TARROW-T4"), 90).plug("K", 0.55).plug("C", 0.48);
        DemoVisit v = visit("TARROW-T4")
                .from("Merrin at the ferry hut", "ferry hut, second pier", "TT4-25540", 12 * DAY, -8)
                .told("Barrelhoop label printer", "ferry tickets", 210, 8, Symptom.EVERYTHING_BLANK)
                .check(12 * DAY - 60, head.check(), "")
                .cause(12 * DAY - 70, Cause.DRIED_INK, "K,C", "idle seven months, hot hut")
                .soak(12 * DAY - 75, shelf.get("head"), 3, Treatment.Place.PORT, 40, 41, "K", "C")
                .padOutAndDry(12 * DAY - 118)
                .soak(12 * DAY - 120, shelf.get("head"), 25, Treatment.Place.TRAY, 720, 740, "K", "C")
                .entry(11 * DAY + 40, HeadEntry.SEEN_DRY)
                .entry(11 * DAY + 30, HeadEntry.HEAD_IN);
        v.priceLimit = BigDecimal.valueOf(45);
        return v.check(11 * DAY, head.clear("K", 0.12).check(), "")
                .returned(10 * DAY, Outcome.STOPPED_FOR_COST, "A used head costs less than the next two rounds would.");
    }
}
