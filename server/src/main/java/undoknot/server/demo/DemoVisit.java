package undoknot.server.demo;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import undoknot.bench.NextStep;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Sign;
import undoknot.diagnosis.Symptom;
import undoknot.fluid.InkChemistry;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.head.FoodStanding.Told;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.outcome.Outcome;
import undoknot.server.bench.StepClockRow;
import undoknot.server.diagnosis.DiagnosisRow;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.LotDraw;
import undoknot.server.nozzle.NozzleCheck;
import undoknot.server.ruleout.FindingRow;
import undoknot.server.treatment.Attempt;
import undoknot.server.treatment.TreatmentEntry;
import undoknot.server.visit.Intake;
import undoknot.simulator.Fault;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

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
        List<TreatmentEntry.StrokeEntry> strokes = new ArrayList<>();
        for (String channel : channels) {
            strokes.add(new TreatmentEntry.StrokeEntry(
                    channel, BigDecimal.valueOf(ml), ml * 4, resistance, effluent, stream));
        }
        return attempt(
                minutesAgo,
                0,
                lot,
                new TreatmentEntry(
                        Treatment.Kind.FLUSH, new TreatmentEntry.FlushEntry(strokes, 22), null, null, null, null),
                null);
    }

    DemoVisit cycle(int minutesAgo, Treatment.Strength strength, int count) {
        Set<String> all = new LinkedHashSet<>();
        family.channels().forEach(c -> all.add(c.code()));
        return attempt(
                minutesAgo,
                0,
                null,
                new TreatmentEntry(
                        Treatment.Kind.CYCLE,
                        null,
                        null,
                        null,
                        new TreatmentEntry.CycleEntry(all, strength, count),
                        null),
                null);
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
                new TreatmentEntry(
                        Treatment.Kind.SOAK,
                        null,
                        new TreatmentEntry.SoakEntry(place, Set.of(channels), BigDecimal.valueOf(ml), planned),
                        null,
                        null,
                        null),
                null);
        return clock(minutesAgo, NextStep.Waiting.SOAK, Duration.ofMinutes(planned), tookMinutes, lastAttempt(), "");
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
                new TreatmentEntry(
                        Treatment.Kind.BATH,
                        null,
                        null,
                        new TreatmentEntry.BathEntry(
                                Set.of(channels), BigDecimal.valueOf(ml), 2.5, 35.0, bursts, seconds),
                        null,
                        null),
                departure);
        return clock(minutesAgo, NextStep.Waiting.BURST, Duration.ofSeconds(seconds), tookMinutes, lastAttempt(), "");
    }

    DemoVisit handwork(int minutesAgo, Method method, String... channels) {
        return attempt(
                minutesAgo,
                0,
                null,
                new TreatmentEntry(
                        Treatment.Kind.HANDWORK,
                        null,
                        null,
                        null,
                        null,
                        new TreatmentEntry.HandworkEntry(method, Set.of(channels), null)),
                null);
    }

    DemoVisit found(int minutesAgo, Sign sign, String channel) {
        rows.add(new FindingRow(UUID.randomUUID(), id, sign, channel, ago(minutesAgo), TECHNICIAN));
        return this;
    }

    DemoVisit hold(int minutesAgo, int hours, String wet) {
        return clock(minutesAgo, NextStep.Waiting.HOLD, Duration.ofHours(hours), null, null, wet);
    }

    DemoVisit returned(int minutesAgo, Outcome outcome, String reason) {
        this.closedMinutesAgo = minutesAgo;
        this.outcome = outcome;
        this.outcomeReason = reason;
        return this;
    }

    private UUID lastAttempt() {
        return attempts.get(attempts.size() - 1).id;
    }

    private DemoVisit attempt(
            int minutesAgo, Integer tookMinutes, FluidLot lot, TreatmentEntry entry, String departure) {
        Attempt attempt = new Attempt(UUID.randomUUID(), id, ago(minutesAgo), departure == null ? TECHNICIAN : LEAD);
        attempt.kind = entry.kind();
        attempt.details = json.apply(entry);
        attempt.volumeMl = entry.treatment().volumeMl();
        attempt.endedAt = tookMinutes == null ? null : ago(minutesAgo).plus(Duration.ofMinutes(tookMinutes));
        attempt.note = "";
        attempt.departureReason = departure;
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
            int minutesAgo, NextStep.Waiting kind, Duration planned, Integer tookMinutes, UUID attemptId, String note) {
        StepClockRow row =
                new StepClockRow(UUID.randomUUID(), id, attemptId, kind, ago(minutesAgo), TECHNICIAN, planned, note);
        if (tookMinutes != null) {
            row.stoppedAt = ago(minutesAgo).plus(Duration.ofMinutes(tookMinutes));
            row.stoppedBy = TECHNICIAN;
        }
        rows.add(row);
        return this;
    }

    Intake intake(UUID customerId, UUID headId, LocalDate today) {
        List<Intake.PortInk> ports = new ArrayList<>();
        for (Channel channel : family.channels()) {
            boolean settles = channel.code().equals("S") || channel.code().equals("W");
            ports.add(new Intake.PortInk(
                    channel.code(),
                    channel.colour(),
                    settles ? InkChemistry.SETTLING_PIGMENT : chemistry,
                    cyclesBefore == null || cyclesBefore < 4));
        }
        return new Intake(
                customerId,
                customer,
                contact,
                family.code(),
                headId,
                serial,
                printer,
                BigDecimal.valueOf(780),
                ports,
                5,
                null,
                idleDays,
                Intake.Climate.TEMPERATE,
                Told.YES,
                told,
                symptoms,
                null,
                cyclesBefore,
                null,
                null,
                1,
                Told.NO,
                Told.NO,
                null,
                null,
                Told.UNKNOWN,
                chemistry == InkChemistry.EDIBLE ? Told.NO : Told.YES,
                jobClass,
                today.plusDays(promisedInDays),
                priceLimit == null ? BigDecimal.valueOf(140) : priceLimit,
                "ribbon cable",
                4);
    }
}
