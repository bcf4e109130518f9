package undoknot.server.visit;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.bench.NextStep;
import undoknot.diagnosis.Cause;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.FoodStanding;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.JobClass;
import undoknot.outcome.Knot;
import undoknot.outcome.Outcome;
import undoknot.ruleout.Look;
import undoknot.server.bench.StepClockRow;
import undoknot.server.diagnosis.DiagnosisRow;
import undoknot.server.fluid.FluidLot;
import undoknot.server.nozzle.NozzleCheck;
import undoknot.server.treatment.Attempt;
import undoknot.server.treatment.TreatmentEntry;
import undoknot.treatment.Advice;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/** What the screens are told about visits. */
public final class Views {

    private Views() {}

    public record FamilyView(
            String code,
            String name,
            Construction construction,
            List<Channel> channels,
            int stairs,
            int steps,
            int driveGroups,
            undoknot.head.Limits limits,
            List<String> freeCarriage) {
        public static FamilyView of(Family family) {
            return new FamilyView(
                    family.code(),
                    family.name(),
                    family.construction(),
                    family.channels(),
                    family.stairs(),
                    family.steps(),
                    family.driveGroups(),
                    family.limits(),
                    family.freeCarriage());
        }
    }

    public enum BeadKind {
        TAKE_IN,
        CHECK,
        ATTEMPT,
        HOLD,
        RETURN
    }

    /** One thing on the thread of a visit. */
    public record Bead(
            BeadKind kind,
            UUID id,
            Instant at,
            @Nullable Treatment.Kind treatment,
            @Nullable Knot knot,
            @Nullable Integer out,
            @Nullable Outcome outcome) {}

    /**
     * A clock and its visit. The server's time goes with it, since the screen's clock may be wrong.
     */
    public record ClockView(
            UUID id,
            UUID visitId,
            String tag,
            String headName,
            @Nullable UUID attemptId,
            NextStep.Waiting kind,
            Instant startedAt,
            String startedBy,
            Instant dueAt,
            @Nullable Instant stoppedAt,
            @Nullable String stoppedBy,
            String note) {
        public static ClockView of(StepClockRow row, Course course) {
            return new ClockView(
                    row.id,
                    row.visitId,
                    course.visit().tag,
                    course.family().name(),
                    row.attemptId,
                    row.kind,
                    row.startedAt,
                    row.startedBy,
                    row.dueAt(),
                    row.stoppedAt,
                    row.stoppedBy,
                    row.note);
        }
    }

    public record NextView(NextStep.Action action, @Nullable Instant at) {
        static NextView of(NextStep next) {
            return new NextView(next.action(), next.at());
        }
    }

    /** What is advised, as far as a line on the bench says it. */
    public record Advised(
            Advice.Rule rule,
            Advice.Act act,
            @Nullable Method method,
            @Nullable Look look,
            List<String> channels) {
        public static Advised of(Advice a) {
            return new Advised(a.rule(), a.act(), a.method(), a.look(), a.channels());
        }
    }

    /**
     * A visit as one strip on the bench.
     *
     * @param reading the last nozzle map
     * @param advised absent while a clock or a check is what is next
     */
    public record Strip(
            UUID id,
            String tag,
            String customer,
            String family,
            String serial,
            List<Channel> channels,
            @Nullable Map<String, String> reading,
            List<Bead> thread,
            NextView next,
            @Nullable Advised advised,
            LocalDate promisedOn,
            @Nullable Instant closedAt,
            @Nullable Outcome outcome,
            FoodStanding food,
            @Nullable Instant heldUntil) {
        public static Strip of(Course c, NextStep next, @Nullable Advised advised, Instant now) {
            return new Strip(
                    c.visit().id,
                    c.visit().tag,
                    c.customer().name,
                    c.family().name(),
                    c.head().serial,
                    c.family().channels(),
                    c.lastMapped().map(k -> c.map(k).texts()).orElse(null),
                    c.thread(),
                    NextView.of(next),
                    advised,
                    c.visit().promisedOn,
                    c.visit().closedAt,
                    c.visit().outcome,
                    c.food(),
                    c.heldUntil(now).orElse(null));
        }
    }

    public record ChannelCounts(
            int nozzles,
            int firing,
            int weak,
            int deflected,
            int out,
            int unread,
            int longestRun,
            int longestRunFirst,
            boolean whollyOut,
            @Nullable ChannelFeatures.FilledGroups filledGroups,
            List<ChannelFeatures.DensityStep> densitySteps) {
        static ChannelCounts of(ChannelFeatures f) {
            return new ChannelCounts(
                    f.nozzles(),
                    f.firing(),
                    f.weak(),
                    f.deflected(),
                    f.out(),
                    f.unread(),
                    f.longestRun().length(),
                    f.longestRun().first(),
                    f.whollyOut(),
                    f.filledGroups().orElse(null),
                    f.densitySteps());
        }
    }

    public record CheckView(
            UUID id,
            long version,
            int number,
            Instant takenAt,
            String takenBy,
            @Nullable Map<String, String> reading,
            @Nullable UUID scanId,
            @Nullable Map<String, String> readAs,
            int corrected,
            @Nullable CoarseReading coarse,
            @Nullable String notPossible,
            String note,
            boolean simulated,
            @Nullable Map<String, ChannelCounts> channels,
            @Nullable Acceptance acceptance) {
        public static CheckView of(NozzleCheck check, Course course) {
            Map<String, ChannelCounts> channels = null;
            Map<String, String> reading = null;
            Map<String, String> readAs = course.readAs(check);
            if (course.map(check) != null) {
                channels = new LinkedHashMap<>();
                reading = course.map(check).texts();
                for (Channel channel : course.family().channels()) {
                    channels.put(
                            channel.code(),
                            ChannelCounts.of(ChannelFeatures.of(
                                    course.map(check).channel(channel.code()),
                                    course.family().driveGroups())));
                }
            }
            return new CheckView(
                    check.id,
                    check.version,
                    course.checks().indexOf(check) + 1,
                    check.takenAt,
                    check.takenBy,
                    reading,
                    check.scanId,
                    readAs,
                    reading == null || readAs == null ? 0 : countCorrected(reading, readAs),
                    course.coarse(check),
                    check.notPossible,
                    check.note,
                    check.simulated,
                    channels,
                    course.acceptance(check));
        }
    }

    /** Nozzles that a person gave another state than the reader did. */
    private static int countCorrected(Map<String, String> reading, Map<String, String> readAs) {
        int count = 0;
        for (Map.Entry<String, String> channel : reading.entrySet()) {
            String before = readAs.getOrDefault(channel.getKey(), channel.getValue());
            for (int i = 0; i < Math.min(before.length(), channel.getValue().length()); i++) {
                count += before.charAt(i) == channel.getValue().charAt(i) ? 0 : 1;
            }
        }
        return count;
    }

    public record DiagnosisView(
            UUID id,
            long version,
            Cause cause,
            List<String> channels,
            String speaksFor,
            String note,
            boolean dropped,
            Instant madeAt,
            String madeBy) {
        public static DiagnosisView of(DiagnosisRow row) {
            return new DiagnosisView(
                    row.id,
                    row.version,
                    row.cause,
                    row.channels.isEmpty() ? List.of() : List.of(row.channels.split(",")),
                    row.speaksFor,
                    row.note,
                    row.dropped,
                    row.madeAt,
                    row.madeBy);
        }
    }

    public record LotName(UUID id, String name, String lotCode) {
        static LotName of(FluidLot lot) {
            return lot == null ? null : new LotName(lot.id, lot.name, lot.lotCode);
        }
    }

    public record AttemptView(
            UUID id,
            long version,
            TreatmentEntry treatment,
            @Nullable LotName lot,
            BigDecimal volumeMl,
            Instant startedAt,
            String startedBy,
            @Nullable Instant endedAt,
            String note,
            @Nullable String departureReason,
            @Nullable String withdrawnReason,
            @Nullable Knot knot,
            int burstsDone) {
        public static AttemptView of(Attempt a, Course c) {
            int bursts = (int) c.clocks().stream()
                    .filter(clock -> a.id.equals(clock.attemptId)
                            && clock.kind == NextStep.Waiting.BURST
                            && clock.stoppedAt != null)
                    .count();
            return new AttemptView(
                    a.id,
                    a.version,
                    c.entries().get(a.id),
                    LotName.of(c.lots().get(a.lotId)),
                    a.volumeMl,
                    a.startedAt,
                    a.startedBy,
                    a.endedAt,
                    a.note,
                    a.departureReason,
                    a.withdrawnReason,
                    a.stands() ? c.knot(a) : null,
                    bursts);
        }
    }

    /** An earlier stay of the same head. */
    public record EarlierVisit(
            UUID id,
            String tag,
            Instant openedAt,
            @Nullable Instant closedAt,
            @Nullable Outcome outcome) {
        public static EarlierVisit of(Visit visit) {
            return new EarlierVisit(visit.id, visit.tag, visit.openedAt, visit.closedAt, visit.outcome);
        }
    }

    /** @param standIn whether a stand-in answers for the head, so that checks of it can be printed here */
    public record VisitView(
            UUID id,
            long version,
            String tag,
            Intake intake,
            FamilyView family,
            FoodStanding food,
            Instant openedAt,
            String openedBy,
            @Nullable Instant closedAt,
            @Nullable String closedBy,
            @Nullable Outcome outcome,
            @Nullable String outcomeReason,
            JobClass jobClass,
            List<EarlierVisit> earlierVisits,
            List<CheckView> checks,
            List<DiagnosisView> diagnoses,
            List<AttemptView> attempts,
            List<ClockView> clocks,
            List<Bead> thread,
            NextView next,
            int cyclesRun,
            boolean standIn,
            @Nullable Instant heldUntil,
            Instant serverTime) {
        public static VisitView of(Course c, List<Visit> ofThisHead, boolean standIn, Instant now) {
            Visit v = c.visit();
            return new VisitView(
                    v.id,
                    v.version,
                    v.tag,
                    c.intake(),
                    FamilyView.of(c.family()),
                    c.food(),
                    v.openedAt,
                    v.openedBy,
                    v.closedAt,
                    v.closedBy,
                    v.outcome,
                    v.outcomeReason,
                    v.jobClass,
                    ofThisHead.stream()
                            .filter(other -> other.openedAt.isBefore(v.openedAt))
                            .map(EarlierVisit::of)
                            .toList(),
                    c.checks().stream().map(check -> CheckView.of(check, c)).toList(),
                    c.diagnoses().stream().map(DiagnosisView::of).toList(),
                    c.attempts().stream().map(a -> AttemptView.of(a, c)).toList(),
                    c.clocks().stream().map(clock -> ClockView.of(clock, c)).toList(),
                    c.thread(),
                    NextView.of(c.next(now)),
                    c.cyclesRun(),
                    standIn,
                    c.heldUntil(now).orElse(null),
                    now);
        }
    }
}
