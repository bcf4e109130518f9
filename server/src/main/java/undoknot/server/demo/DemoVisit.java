package undoknot.server.demo;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import undoknot.diagnosis.Cause;
import undoknot.finish.OffPart;
import undoknot.finish.UsualParts;
import undoknot.fluid.InkChemistry;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Outcome;
import undoknot.outcome.Purpose;
import undoknot.procedure.Act;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.LotDraw;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.DiagnosisRow;
import undoknot.server.visit.FindingRow;
import undoknot.server.visit.HeadEntryRow;
import undoknot.server.visit.Intake;
import undoknot.server.visit.Need;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.visit.OffPartRow;
import undoknot.server.visit.ProcedureEntry;
import undoknot.server.visit.StepClockRow;
import undoknot.server.visit.StoredTreatment;
import undoknot.simulator.Fault;
import undoknot.sitting.AlignmentPass;
import undoknot.sitting.Noted;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadEntry;
import undoknot.visit.StepClock;

/** Writes down one visit of the demo, step by step; times are minutes before now. */
final class DemoVisit {

    static final String TECHNICIAN = "Wenna Tarvick";
    private static final String LEAD = "Oswin Pell";

    final UUID id = UUID.randomUUID();
    final Family family;
    final Instant now;
    final List<Object> rows = new ArrayList<>();
    final List<Attempt> attempts = new ArrayList<>();

    String customer;
    String contact;
    String serial;
    int openedMinutesAgo;
    int promisedInDays;
    Purpose purpose = Purpose.REPAIR;
    /** What an ink change or a flush was worked out from; null for a repair. */
    Need need;

    InkChemistry chemistry = InkChemistry.DYE;
    JobClass jobClass = JobClass.GENERAL;
    List<Symptom> symptoms = List.of();
    String printer;
    String told;
    Integer idleDays;
    Integer cyclesBefore;
    BigDecimal priceLimit;
    Outcome outcome;
    String outcomeReason;
    Integer closedMinutesAgo;
    /** Faults of the stand-in that answers for the head; null when none does. */
    List<Fault> standIn;

    private java.util.function.Function<Object, String> json;

    DemoVisit(Family family, Instant now, java.util.function.Function<Object, String> json) {
        this.family = family;
        this.now = now;
        this.json = json;
    }

    DemoVisit from(String customer, String contact, String serial, int openedMinutesAgo, int promisedInDays) {
        this.customer = customer;
        this.contact = contact;
        this.serial = serial;
        this.openedMinutesAgo = openedMinutesAgo;
        this.promisedInDays = promisedInDays;
        return this;
    }

    DemoVisit told(String printer, String told, Integer idleDays, Integer cyclesBefore, Symptom... symptoms) {
        this.printer = printer;
        this.told = told;
        this.idleDays = idleDays;
        this.cyclesBefore = cyclesBefore;
        this.symptoms = List.of(symptoms);
        return this;
    }

    DemoVisit ink(InkChemistry chemistry, JobClass jobClass) {
        this.chemistry = chemistry;
        this.jobClass = jobClass;
        return this;
    }

    DemoVisit comesInFor(Purpose what) {
        this.purpose = what;
        return this;
    }

    DemoVisit need(Need workedOut) {
        this.need = workedOut;
        return this;
    }

    DemoVisit step(int minutesAgo, Act act, String channel) {
        rows.add(entry(minutesAgo, act, channel));
        return this;
    }

    DemoVisit seen(int minutesAgo, Act act, String channel, Act.Finding finding) {
        ProcedureEntry entry = entry(minutesAgo, act, channel);
        entry.finding = finding;
        rows.add(entry);
        return this;
    }

    DemoVisit saved(int minutesAgo, String vessel, String ml, String lotCode) {
        ProcedureEntry entry = entry(minutesAgo, Act.INK_SAVED, null);
        entry.vessel = vessel;
        entry.volumeMl = new BigDecimal(ml);
        entry.lotCode = lotCode;
        entry.inkedOn = LocalDate.ofInstant(ago(minutesAgo), ZoneOffset.UTC);
        rows.add(entry);
        return this;
    }

    DemoVisit poured(int minutesAgo, Act act, String channel, FluidLot lot, String ml) {
        ProcedureEntry entry = entry(minutesAgo, act, channel);
        entry.lotId = lot.id;
        entry.volumeMl = new BigDecimal(ml);
        rows.add(entry);
        lot.remainingMl = lot.remainingMl.subtract(entry.volumeMl);
        LotDraw draw = new LotDraw(lot.id, null, entry.volumeMl, entry.enteredAt, entry.enteredBy);
        draw.drawnFor = entry.id;
        rows.add(draw);
        return this;
    }

    private ProcedureEntry entry(int minutesAgo, Act act, String channel) {
        ProcedureEntry entry = new ProcedureEntry(UUID.randomUUID(), id, act, ago(minutesAgo), TECHNICIAN);
        entry.channel = channel;
        return entry;
    }

    DemoVisit standIn(Fault... faults) {
        this.standIn = List.of(faults);
        return this;
    }

    private Instant ago(int minutes) {
        return now.minus(Duration.ofMinutes(minutes));
    }

    DemoVisit check(int minutesAgo, NozzleMap map, String note) {
        NozzleCheck check = new NozzleCheck(UUID.randomUUID(), id, ago(minutesAgo), TECHNICIAN);
        check.reading = json.apply(map.texts());
        check.note = note;
        check.simulated = true;
        rows.add(check);
        return this;
    }

    DemoVisit noCheck(int minutesAgo, String reason) {
        NozzleCheck check = new NozzleCheck(UUID.randomUUID(), id, ago(minutesAgo), TECHNICIAN);
        check.notPossible = reason;
        check.note = "";
        rows.add(check);
        return this;
    }

    DemoVisit cause(int minutesAgo, Cause cause, String channels, String speaksFor) {
        DiagnosisRow row = new DiagnosisRow(UUID.randomUUID(), id, ago(minutesAgo), TECHNICIAN);
        row.cause = cause;
        row.channels = channels;
        row.speaksFor = speaksFor;
        row.note = "";
        rows.add(row);
        return this;
    }

    DemoVisit flush(
            int minutesAgo,
            FluidLot lot,
            double ml,
            Treatment.Resistance resistance,
            Treatment.Effluent effluent,
            Treatment.Stream stream,
            String... channels) {
        List<Stroke> strokes = new ArrayList<>();
        for (String channel : channels) {
            strokes.add(new Stroke(channel, BigDecimal.valueOf(ml), ml * 4, resistance, effluent, stream));
        }
        return attempt(minutesAgo, 0, lot, new Treatment.Flush(strokes, 22), null);
    }

    DemoVisit cycle(int minutesAgo, Treatment.Strength strength, int count) {
        Set<String> all = new LinkedHashSet<>();
        family.channels().forEach(c -> all.add(c.code()));
        return attempt(minutesAgo, 0, null, new Treatment.Cycle(all, strength, count), null);
    }

    /** @param tookMinutes how long it took; null while it runs */
    DemoVisit soak(
            int minutesAgo,
            FluidLot lot,
            double ml,
            Treatment.Place place,
            int planned,
            Integer tookMinutes,
            String... channels) {
        attempt(
                minutesAgo,
                tookMinutes,
                lot,
                new Treatment.Soak(place, inOrder(channels), BigDecimal.valueOf(ml), planned),
                null);
        return clock(minutesAgo, StepClock.Kind.SOAK, Duration.ofMinutes(planned), tookMinutes, lastAttempt());
    }

    DemoVisit bath(
            int minutesAgo,
            FluidLot lot,
            double ml,
            int bursts,
            int seconds,
            Integer tookMinutes,
            String departure,
            String... channels) {
        attempt(
                minutesAgo,
                tookMinutes,
                lot,
                new Treatment.Bath(inOrder(channels), BigDecimal.valueOf(ml), 2.5, 35.0, bursts, seconds),
                departure);
        return clock(minutesAgo, StepClock.Kind.BURST, Duration.ofSeconds(seconds), tookMinutes, lastAttempt());
    }

    DemoVisit handwork(int minutesAgo, Method method, String... channels) {
        return attempt(minutesAgo, 0, null, new Treatment.Handwork(method, inOrder(channels), BigDecimal.ZERO), null);
    }

    /** One saturated page of every colour. */
    DemoVisit page(int minutesAgo) {
        return handwork(minutesAgo, Method.PAGE, everyChannel());
    }

    private String[] everyChannel() {
        return family.channels().stream().map(Channel::code).toArray(String[]::new);
    }

    /** One pass of an alignment, as the family is aligned. */
    DemoVisit aligned(int minutesAgo, Integer... best) {
        handwork(minutesAgo, Method.ALIGN, everyChannel());
        AlignmentPass pass = new AlignmentPass(family.machine().alignment(), List.of(best), false);
        attempts.get(attempts.size() - 1).noted = json.apply(new Noted(Map.of(), List.of(), List.of(), pass));
        return this;
    }

    /** Everything that usually comes off, a minute apart; put back when it is said. */
    DemoVisit off(int minutesAgo, Integer backMinutesAgo) {
        int minute = 0;
        for (UsualParts.Usual usual : UsualParts.of(family)) {
            OffPartRow row = new OffPartRow(UUID.randomUUID(), id, ago(minutesAgo - minute++), TECHNICIAN);
            row.kind = usual.kind();
            row.name = usual.name();
            row.channel = usual.channel();
            row.count = usual.count();
            if (backMinutesAgo != null) {
                boolean seen = row.kind == OffPart.Kind.CARTRIDGE;
                row.backCount = row.count;
                row.light = seen ? true : null;
                row.menu = seen ? true : null;
                row.backAt = ago(backMinutesAgo);
                row.backBy = TECHNICIAN;
            }
            rows.add(row);
        }
        return this;
    }

    DemoVisit found(int minutesAgo, Sign sign, String channel) {
        rows.add(new FindingRow(UUID.randomUUID(), id, sign, channel, ago(minutesAgo), TECHNICIAN));
        return this;
    }

    /** Something tapped about the head itself. */
    DemoVisit entry(int minutesAgo, HeadEntry entry) {
        rows.add(new HeadEntryRow(UUID.randomUUID(), id, entry, "", ago(minutesAgo), TECHNICIAN));
        return this;
    }

    /** After work in the carriage: the pad is taken out, contacts and board are looked at and dry. */
    DemoVisit padOutAndDry(int minutesAgo) {
        return entry(minutesAgo, HeadEntry.PAD_OUT)
                .entry(minutesAgo, HeadEntry.SEEN_DRY)
                .entry(minutesAgo, HeadEntry.CAPPED);
    }

    /** What was done last was done on the bench. */
    DemoVisit onBench() {
        attempts.get(attempts.size() - 1).site = Site.ON_BENCH;
        return this;
    }

    DemoVisit returned(int minutesAgo, Outcome outcome, String reason) {
        this.closedMinutesAgo = minutesAgo;
        this.outcome = outcome;
        this.outcomeReason = reason;
        return this;
    }

    private static Set<String> inOrder(String... channels) {
        return new LinkedHashSet<>(List.of(channels));
    }

    private UUID lastAttempt() {
        return attempts.get(attempts.size() - 1).id;
    }

    private DemoVisit attempt(
            int minutesAgo, Integer tookMinutes, FluidLot lot, Treatment treatment, String departure) {
        Attempt attempt = new Attempt(UUID.randomUUID(), id, ago(minutesAgo), departure == null ? TECHNICIAN : LEAD);
        attempt.kind = treatment.kind();
        attempt.record = json.apply(StoredTreatment.of(treatment));
        attempt.volumeMl = treatment.volumeMl();
        attempt.endedAt = tookMinutes == null ? null : ago(minutesAgo).plus(Duration.ofMinutes(tookMinutes));
        attempt.note = "";
        Method method = Method.of(treatment);
        attempt.site = method.isBenchWork() ? Site.ON_BENCH : Site.IN_CARRIAGE;
        attempt.departureReason = departure;
        if (departure != null) {
            Gates.HeadState ready =
                    new Gates.HeadState(false, attempt.site, Set.of(), 0, 0, Set.of(), Set.of(), Map.of());
            attempt.against = json.apply(
                    Gates.of(treatment, new Gates.Situation(family, ready, null, null, null, LocalDate.EPOCH)));
        }
        rows.add(attempt);
        attempts.add(attempt);
        if (lot != null) {
            attempt.lotId = lot.id;
            lot.remainingMl = lot.remainingMl.subtract(attempt.volumeMl);
            rows.add(new LotDraw(lot.id, attempt.id, attempt.volumeMl, attempt.startedAt, attempt.startedBy));
        }
        return this;
    }

    private DemoVisit clock(
            int minutesAgo, StepClock.Kind kind, Duration planned, Integer tookMinutes, UUID attemptId) {
        StepClockRow row =
                new StepClockRow(UUID.randomUUID(), id, attemptId, kind, ago(minutesAgo), TECHNICIAN, planned);
        if (tookMinutes != null) {
            row.stoppedAt = ago(minutesAgo).plus(Duration.ofMinutes(tookMinutes));
            row.stoppedBy = TECHNICIAN;
        }
        rows.add(row);
        return this;
    }

    Intake intake(UUID customerId, UUID headId, LocalDate today) {
        return DemoIntake.of(this, customerId, headId, today);
    }
}
