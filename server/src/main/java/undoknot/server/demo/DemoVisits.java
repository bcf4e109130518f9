package undoknot.server.demo;

import static undoknot.treatment.Treatment.Effluent.INK;
import static undoknot.treatment.Treatment.Effluent.LIKE_FRESH;
import static undoknot.treatment.Treatment.Effluent.TINTED;
import static undoknot.treatment.Treatment.Resistance.FREE;
import static undoknot.treatment.Treatment.Resistance.STIFF;
import static undoknot.treatment.Treatment.Resistance.WOULD_NOT_GO;
import static undoknot.treatment.Treatment.Stream.DRIPS;
import static undoknot.treatment.Treatment.Stream.NOTHING;
import static undoknot.treatment.Treatment.Stream.WHOLE;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.diagnosis.Cause;
import undoknot.fluid.InkChemistry;
import undoknot.head.Family;
import undoknot.head.Tag;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Outcome;
import undoknot.outcome.Purpose;
import undoknot.procedure.Act;
import undoknot.procedure.InkNeed;
import undoknot.procedure.SystemNeed;
import undoknot.server.fluid.FluidLot;
import undoknot.server.head.Families;
import undoknot.server.head.Head;
import undoknot.server.outcome.Ledger;
import undoknot.server.standin.StandInRow;
import undoknot.server.visit.Customer;
import undoknot.server.visit.Intake;
import undoknot.server.visit.Need;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.StoredJson;
import undoknot.simulator.Fault;
import undoknot.simulator.PluggedHead;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadEntry;

/** The visits of the demo: heads at every stage, and the histories that a bench knows. */
@Component
class DemoVisits {

    private static final int HOUR = 60;
    private static final int DAY = 24 * HOUR;

    private final EntityManager entities;
    private final Families families;
    private final StoredJson stored;
    private final Ledger ledger;
    private final VisitLoader loader;
    private final Clock clock;

    private Map<String, Family> family;
    private Map<String, FluidLot> shelf;
    private Instant now;

    DemoVisits(
            EntityManager entities,
            Families families,
            StoredJson stored,
            VisitLoader loader,
            Ledger ledger,
            Clock clock) {
        this.entities = entities;
        this.families = families;
        this.stored = stored;
        this.ledger = ledger;
        this.loader = loader;
        this.clock = clock;
    }

    void make(Map<String, FluidLot> shelf) {
        this.shelf = shelf;
        this.family = families.byCode();
        this.now = clock.instant();
        List<DemoVisit> all = new ArrayList<>();
        all.addAll(List.of(cleanRecovery(), wanderingAir(), deadDriveGroup(), stationThatReclogs(), silverSupply()));
        all.addAll(List.of(inHold(), foodHead(), inkChange(), laidUp(), firstStay(), secondStay(), stoppedByMoney()));
        all.addAll(List.of(justTakenIn(), starvedPennants(), inTheBath(), readyToReturn(), headError(), soakIsDue()));
        all.addAll(List.of(halfABill(), smearedLabels(), silverStarves(), rinsedTwice(), overnightPad()));
        write(all);
        keepRecord(all);
    }

    private DemoVisit visit(String code) {
        return new DemoVisit(family.get(code), now, stored::write);
    }

    private DemoVisit cleanRecovery() {
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

    private DemoVisit wanderingAir() {
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

    private DemoVisit deadDriveGroup() {
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

    private DemoVisit stationThatReclogs() {
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

    private DemoVisit silverSupply() {
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

    private DemoVisit inHold() {
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

    private DemoVisit foodHead() {
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

    private DemoVisit inkChange() {
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

    private static List<Intake.PortInk> pigmentIn(String... channels) {
        return Arrays.stream(channels)
                .map(c -> new Intake.PortInk(c, "Quayside pigment", InkChemistry.PIGMENT, false))
                .toList();
    }

    /** Laid up for the winter: settling ink in its reservoir, the other colours in bottles. */
    private DemoVisit laidUp() {
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

    private DemoVisit firstStay() {
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

    private DemoVisit secondStay() {
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

    private DemoVisit stoppedByMoney() {
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

    private DemoVisit justTakenIn() {
        return visit("ORSEL-D6")
                .from("Marram Seed Packets", "bell at 14 Ropewalk", "OD6-51002", 25, 4)
                .told("Quaymaster desk printer", "a run of lettuce packets", 18, 1, Symptom.GAPS_ONE_COLOUR)
                .standIn(
                        new Fault(Cause.DRIED_INK, Fault.Severity.FIRM, "C"),
                        new Fault(Cause.FACE_DEBRIS, Fault.Severity.MILD, "Y"));
    }

    private DemoVisit starvedPennants() {
        return visit("HULVER-W8")
                .from("Spoondrift Pennants", "ask for Hob, 2 Capstan Row", "HW8-01120", 3 * HOUR, 5)
                .told("Windlass wide-format", "a row of signal flags", 2, 0, Symptom.GAPS_WANDER)
                .ink(InkChemistry.DISPERSE, JobClass.RIBBON_LABEL)
                .standIn(new Fault(Cause.AIR, Fault.Severity.FIRM, "M"));
    }

    private DemoVisit halfABill() {
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

    private DemoVisit smearedLabels() {
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

    private DemoVisit silverStarves() {
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

    private DemoVisit inTheBath() {
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

    private DemoVisit readyToReturn() {
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

    private DemoVisit headError() {
        return visit("SKERRIN-L4")
                .from("Tallow Street Theatre", "stage door, Tallow Street", "SL4-20318", 7 * HOUR, 5)
                .told("Lockgate press", "worked yesterday", 0, 0, Symptom.HEAD_ERROR)
                .noCheck(6 * HOUR, "head error at power-on, came back after a forced restart")
                .cause(6 * HOUR - 10, Cause.CONTACTS, "", "handled last week; one contact dull");
    }

    private DemoVisit soakIsDue() {
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
    private DemoVisit rinsedTwice() {
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
    private DemoVisit overnightPad() {
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

    private void write(List<DemoVisit> all) {
        Random random = new Random(19);
        Map<String, Customer> customers = new HashMap<>();
        Map<String, Head> heads = new HashMap<>();
        LocalDate today = LocalDate.now(clock);
        for (DemoVisit v : all) {
            Customer customer = customers.computeIfAbsent(
                    v.customer, name -> persist(new Customer(UUID.randomUUID(), name, v.contact)));
            Head head = heads.computeIfAbsent(v.serial, serial -> {
                Head fresh = new Head(UUID.randomUUID(), serial, v.family.code());
                fresh.everNonFood = !v.chemistry.food();
                return persist(fresh);
            });
            Visit visit = new Visit(
                    v.id,
                    Tag.draw(random).code(),
                    now.minus(Duration.ofMinutes(v.openedMinutesAgo)),
                    DemoVisit.TECHNICIAN);
            visit.headId = head.id;
            visit.customerId = customer.id;
            visit.purpose = v.purpose;
            visit.need = v.need == null ? null : stored.write(v.need);
            visit.jobClass = v.jobClass;
            visit.promisedOn = today.plusDays(v.promisedInDays);
            visit.intake = stored.write(v.intake(customer.id, head.id, today));
            if (v.outcome != null) {
                visit.outcome = v.outcome;
                visit.outcomeReason = v.outcomeReason;
                visit.closedAt = now.minus(Duration.ofMinutes(v.closedMinutesAgo));
                visit.closedBy = DemoVisit.TECHNICIAN;
            }
            persist(visit);
            v.rows.forEach(this::persist);
            if (v.standIn != null) {
                persist(new StandInRow(head.id, stored.write(v.standIn), 4_711));
            }
        }
    }

    /** So that the shop's record starts with what the demo visits came to. */
    private void keepRecord(List<DemoVisit> all) {
        entities.flush();
        all.forEach(v -> ledger.keep(loader.get(v.id)));
    }

    private <T> T persist(T row) {
        entities.persist(row);
        return row;
    }
}
