package undoknot.server.demo;

import static undoknot.treatment.Treatment.Effluent.INK;
import static undoknot.treatment.Treatment.Effluent.LIKE_FRESH;
import static undoknot.treatment.Treatment.Effluent.TINTED;
import static undoknot.treatment.Treatment.Resistance.FREE;
import static undoknot.treatment.Treatment.Resistance.WOULD_NOT_GO;
import static undoknot.treatment.Treatment.Stream.NOTHING;
import static undoknot.treatment.Treatment.Stream.WHOLE;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import undoknot.diagnosis.Cause;
import undoknot.fluid.InkChemistry;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Purpose;
import undoknot.procedure.Act;
import undoknot.procedure.InkNeed;
import undoknot.procedure.SystemNeed;
import undoknot.server.fluid.FluidLot;
import undoknot.server.visit.Intake;
import undoknot.server.visit.Need;
import undoknot.simulator.Fault;
import undoknot.simulator.PluggedHead;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadEntry;

/** Heads at every stage of the work. */
final class DemoOnTheBench {

    private static final int HOUR = 60;
    private static final int DAY = 24 * HOUR;

    private final DemoShop shop;
    private final Map<String, Family> family;
    private final Map<String, FluidLot> shelf;

    DemoOnTheBench(DemoShop shop) {
        this.shop = shop;
        this.family = shop.family();
        this.shelf = shop.shelf();
    }

    private DemoVisit visit(String code) {
        return shop.visit(code);
    }

    DemoVisit inHold() {
        PluggedHead head =
                new PluggedHead(family.get("SKERRIN-L4"), 12).plug("M", 0.4).plug("Y", 0.22);
        return visit("SKERRIN-L4")
                .from("Bollard Tide Tables", "harbour office, ground floor", "SL4-22091", 3 * DAY, 2)
                .told(
                        "Lockgate press",
                        "tide tables for the year",
                        61,
                        2,
                        Symptom.GAPS_SEVERAL,
                        Symptom.GAPS_NEVER_MOVE)
                .ink(InkChemistry.PIGMENT, JobClass.PROOF)
                .check(3 * DAY - 60, head.check(), "")
                .cause(3 * DAY - 90, Cause.DRIED_INK, "M,Y", "idle two months, fixed gaps")
                .soak(2 * DAY, shelf.get("head"), 18, Treatment.Place.TRAY, 180, 185, "M", "Y")
                .bath(
                        7 * HOUR,
                        shelf.get("water"),
                        160,
                        2,
                        60,
                        4,
                        "lead's consent, two short bursts, board dry",
                        "M",
                        "Y")
                .entry(7 * HOUR - 6, HeadEntry.SEEN_DRY)
                .handwork(5 * HOUR, Method.DRAW_BACK, "M", "Y");
    }

    DemoVisit foodHead() {
        return visit("VENNICK-B3")
                .from("Lanthorn Rice Paper", "kitchen door, 9 Lamp Alley", "VB3-10385", 5 * HOUR, 1)
                .told("Sieve & Sugar printer", "rice-paper wrappers", 9, 1, Symptom.GAPS_ONE_COLOUR)
                .ink(InkChemistry.EDIBLE, JobClass.GENERAL)
                .check(
                        4 * HOUR,
                        new PluggedHead(family.get("VENNICK-B3"), 77)
                                .plug("Y", 0.3)
                                .check(),
                        "")
                .cause(4 * HOUR - 10, Cause.DRIED_INK, "Y", "idle over a week, scattered gaps")
                .flush(3 * HOUR, shelf.get("food"), 2, WOULD_NOT_GO, INK, NOTHING, "Y")
                .padOutAndDry(3 * HOUR - 10)
                .entry(21, HeadEntry.HEAD_OUT)
                .soak(18, shelf.get("food"), 22, Treatment.Place.TRAY, 40, null, "Y");
    }

    DemoVisit inkChange() {
        String[] all = {"K", "C", "M", "Y", "G"};
        PluggedHead head = new PluggedHead(family.get("PELLAM-M5"), 5).plug("G", 0.03);
        return visit("PELLAM-M5")
                .from("Bollard Tide Tables", "harbour office, ground floor", "PM5-61120", 2 * DAY, 1)
                .told("Pellam desk set", "changing from dye to pigment", 1, 0)
                .ink(InkChemistry.DYE, JobClass.GENERAL)
                .comesInFor(Purpose.INK_CHANGE)
                .need(new Need(new InkNeed(2.4, 0.001, 0.2), pigmentIn(all), null))
                .check(2 * DAY - 60, head.check(), "good before the change")
                .step(4 * HOUR, Act.CARTRIDGE_OUT, "Y")
                .step(4 * HOUR - 1, Act.CARTRIDGE_OUT, "G")
                .step(4 * HOUR - 2, Act.CARTRIDGE_OUT, "C")
                .step(4 * HOUR - 3, Act.CARTRIDGE_OUT, "M")
                .step(4 * HOUR - 4, Act.CARTRIDGE_OUT, "K")
                .step(4 * HOUR - 5, Act.LAID_IN, null)
                .flush(3 * HOUR, shelf.get("water"), 8, FREE, TINTED, WHOLE, all)
                .flush(2 * HOUR, shelf.get("headNew"), 6, FREE, LIKE_FRESH, WHOLE, all)
                .seen(2 * HOUR - 20, Act.PAD_SEEN, "Y", Act.Finding.NO_COLOUR)
                .seen(2 * HOUR - 21, Act.PAD_SEEN, "G", Act.Finding.NO_COLOUR)
                .seen(2 * HOUR - 22, Act.PAD_SEEN, "C", Act.Finding.COLOUR);
    }

    /** Laid up for the winter: settling ink in its reservoir, the other colours in bottles. */
    DemoVisit laidUp() {
        FluidLot line = shelf.get("pigment");
        return visit("HULVER-W8")
                .from("Spoondrift Pennants", "ask for Hob, 2 Capstan Row", "HW8-00644", 8 * HOUR, 4)
                .told("Windlass wide-format, the small one", "laid up until spring", 1, 0)
                .ink(InkChemistry.DISPERSE, JobClass.GENERAL)
                .comesInFor(Purpose.SYSTEM_FLUSH)
                .need(new Need(null, List.of(), new SystemNeed(60, 2, 6, 20, 3, 60, 15, 10, 0, 0.01, 0.1, 250)))
                .step(7 * HOUR, Act.STIRRER_OFF, null)
                .saved(7 * HOUR - 5, "jar with the blue lid", "48", "S-0191")
                .step(7 * HOUR - 15, Act.RESERVOIR_DRY, null)
                .poured(7 * HOUR - 18, Act.STIRRER_WIPED, null, line, "5")
                .poured(7 * HOUR - 20, Act.FILLED, null, line, "60")
                .step(7 * HOUR - 25, Act.RETURN_FOUND, null);
    }

    DemoVisit justTakenIn() {
        return visit("ORSEL-D6")
                .from("Marram Seed Packets", "bell at 14 Ropewalk", "OD6-51002", 25, 4)
                .told("Quaymaster desk printer", "a run of lettuce packets", 18, 1, Symptom.GAPS_ONE_COLOUR)
                .standIn(
                        new Fault(Cause.DRIED_INK, Fault.Severity.FIRM, "C"),
                        new Fault(Cause.FACE_DEBRIS, Fault.Severity.MILD, "Y"));
    }

    DemoVisit starvedPennants() {
        return visit("HULVER-W8")
                .from("Spoondrift Pennants", "ask for Hob, 2 Capstan Row", "HW8-01120", 3 * HOUR, 5)
                .told("Windlass wide-format", "a row of signal flags", 2, 0, Symptom.GAPS_WANDER)
                .ink(InkChemistry.DISPERSE, JobClass.RIBBON_LABEL)
                .standIn(new Fault(Cause.AIR, Fault.Severity.FIRM, "M"));
    }

    DemoVisit halfABill() {
        return visit("ORSEL-D6")
                .from("Gantry Song Sheets", "choir room, Gantry Hill", "OD6-49930", 95, 4)
                .told(
                        "Quaymaster desk printer",
                        "a hymn in black; the cartridge ran dry in the middle of it",
                        1,
                        2,
                        Symptom.HALF_CHANNEL_PALE,
                        Symptom.GAPS_NEVER_MOVE)
                .standIn(new Fault(Cause.ELECTRICAL, Fault.Severity.MILD, "K"));
    }

    DemoVisit smearedLabels() {
        return visit("TARROW-T4")
                .from("Turnstone Museum Labels", "workshop bell, Turnstone Steps", "TT4-31207", 80, 2)
                .told(
                        "Barrelhoop label printer",
                        "labels for the egg cabinet",
                        4,
                        5,
                        Symptom.MORE_AFTER_CLEANING,
                        Symptom.GAPS_SEVERAL)
                .ink(InkChemistry.PIGMENT, JobClass.GENERAL)
                .standIn(new Fault(Cause.SERVICE_STATION, Fault.Severity.FIRM, null));
    }

    DemoVisit silverStarves() {
        return visit("HULVER-W8")
                .from("Spoondrift Pennants", "ask for Hob, 2 Capstan Row", "HW8-01388", 70, 6)
                .told(
                        "Windlass wide-format",
                        "silver edging, full at the top and gone at the foot",
                        6,
                        1,
                        Symptom.STARVES_DOWN_THE_SHEET)
                .ink(InkChemistry.DISPERSE, JobClass.RIBBON_LABEL)
                .standIn(new Fault(Cause.SUPPLY_RESTRICTED, Fault.Severity.FIRM, "S"));
    }

    DemoVisit inTheBath() {
        PluggedHead head = new PluggedHead(family.get("TARROW-T4"), 33).plug("Y", 0.35);
        return visit("TARROW-T4")
                .from("Turnstone Museum Labels", "workshop bell, Turnstone Steps", "TT4-30991", 28 * HOUR, 2)
                .told(
                        "Barrelhoop label printer",
                        "exhibit labels",
                        44,
                        3,
                        Symptom.GAPS_ONE_COLOUR,
                        Symptom.GAPS_NEVER_MOVE)
                .check(27 * HOUR, head.check(), "")
                .cause(26 * HOUR, Cause.DRIED_INK, "Y", "fixed gaps, idle six weeks")
                .soak(25 * HOUR, shelf.get("head"), 1.5, Treatment.Place.PORT, 40, 42, "Y")
                .padOutAndDry(24 * HOUR)
                .bath(1, shelf.get("water"), 140, 3, 150, null, null, "Y");
    }

    DemoVisit readyToReturn() {
        PluggedHead head = new PluggedHead(family.get("VENNICK-B3"), 18).plug("C", 0.15);
        DemoVisit v = visit("VENNICK-B3")
                .from("Dunlin Play Bills", "print room, Dunlin Court", "VB3-09941", 2 * DAY, 0)
                .told("Sieve & Sugar printer", "small posters", 16, 2, Symptom.GAPS_ONE_COLOUR)
                .check(2 * DAY - 60, head.check(), "")
                .cause(2 * DAY - 70, Cause.DRIED_INK, "C", "scattered gaps that shrink")
                .off(2 * DAY - 85, 6 * HOUR - 10)
                .soak(2 * DAY - 90, shelf.get("water"), 20, Treatment.Place.TRAY, 40, 41, "C")
                .flush(2 * DAY - 150, shelf.get("head"), 2, FREE, LIKE_FRESH, WHOLE, "C")
                .onBench()
                .entry(2 * DAY - 156, HeadEntry.SEEN_DRY)
                .entry(6 * HOUR, HeadEntry.HEAD_IN)
                .cycle(5 * HOUR, Treatment.Strength.LIGHT, 1)
                .handwork(4 * HOUR + 20, Method.PAGE, "C", "M", "Y");
        return v.check(
                        4 * HOUR,
                        head.clear("C", 1)
                                .run("C", 40, 41, NozzleState.DEFLECTED)
                                .check(),
                        "after one saturated page")
                .found(3 * HOUR + 50, Sign.STATION_CLEAN, null)
                .aligned(3 * HOUR + 30, 5, 6, 5, 5);
    }

    DemoVisit headError() {
        return visit("SKERRIN-L4")
                .from("Tallow Street Theatre", "stage door, Tallow Street", "SL4-20318", 7 * HOUR, 5)
                .told("Lockgate press", "worked yesterday", 0, 0, Symptom.HEAD_ERROR)
                .noCheck(6 * HOUR, "head error at power-on, came back after a forced restart")
                .cause(6 * HOUR - 10, Cause.CONTACTS, "", "handled last week; one contact dull");
    }

    DemoVisit soakIsDue() {
        return visit("PELLAM-M5")
                .from("Dunlin Play Bills", "print room, Dunlin Court", "PM5-60007", 8 * HOUR, 2)
                .told("Pellam desk set", "grey wedge of a poster", 40, 2, Symptom.GAPS_ONE_COLOUR)
                .check(
                        7 * HOUR,
                        new PluggedHead(family.get("PELLAM-M5"), 44)
                                .plug("G", 0.31)
                                .check(),
                        "")
                .cause(6 * HOUR, Cause.DRIED_INK, "G", "idle forty days")
                .soak(52, shelf.get("head"), 1.5, Treatment.Place.PORT, 40, null, "G");
    }

    /** Its body wet by a rinse, then its base by a bath: one hold, the one that ends last. */
    DemoVisit rinsedTwice() {
        PluggedHead head = new PluggedHead(family.get("VENNICK-B3"), 71).plug("C", 0.33);
        return visit("VENNICK-B3")
                .from("Dunlin Play Bills", "print room, Dunlin Court", "VB3-10027", 9 * HOUR, 3)
                .told("Sieve & Sugar printer", "a month of matinees", 38, 1, Symptom.GAPS_ONE_COLOUR)
                .check(8 * HOUR, head.check(), "")
                .cause(8 * HOUR - 10, Cause.DRIED_INK, "C", "idle over a month, fixed gaps")
                .off(7 * HOUR, null)
                .entry(7 * HOUR, HeadEntry.HEAD_OUT)
                .handwork(6 * HOUR + 30, Method.RINSE, "C", "M", "Y")
                .bath(6 * HOUR, shelf.get("water"), 120, 1, 120, 3, null, "C")
                .entry(6 * HOUR - 8, HeadEntry.SEEN_DRY);
    }

    /** A pad left under the face over night: no power until it is out. */
    DemoVisit overnightPad() {
        PluggedHead head = new PluggedHead(family.get("HULVER-W8"), 83)
                .run("LK", 70, 77, NozzleState.MISSING)
                .run("LK", 69, 69, NozzleState.DEFLECTED);
        return visit("HULVER-W8")
                .from("Turnstone Museum Labels", "workshop bell, Turnstone Steps", "HW8-01402", 20 * HOUR, 2)
                .told("Windlass wide-format", "a chart of the bay, dusty stock", 2, 0, Symptom.GAPS_NEVER_MOVE)
                .ink(InkChemistry.PIGMENT, JobClass.GENERAL)
                .check(19 * HOUR, head.check(), "")
                .found(18 * HOUR + 30, Sign.FACE_DIRTY, "LK")
                .cause(18 * HOUR, Cause.FACE_DEBRIS, "LK", "a short dense run, a fibre on the face")
                .handwork(13 * HOUR, Method.PAD, "LK");
    }

    private static List<Intake.PortInk> pigmentIn(String... channels) {
        return Arrays.stream(channels)
                .map(c -> new Intake.PortInk(c, "Quayside pigment", InkChemistry.PIGMENT, false))
                .toList();
    }
}
