package undoknot.server.view;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.outcome.Purpose;
import undoknot.procedure.Act;
import undoknot.procedure.InkChange;
import undoknot.procedure.InkNeed;
import undoknot.procedure.Stage;
import undoknot.procedure.SystemFlush;
import undoknot.procedure.SystemNeed;
import undoknot.server.fluid.FluidLot;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Need;
import undoknot.server.visit.Procedures;
import undoknot.treatment.Gate;

/**
 * How far an ink change or a whole-system flush is.
 *
 * @param need what it was worked out from; absent while nothing was
 * @param ink the sum of an ink change; absent for a flush
 * @param system the sum of a flush; absent for an ink change
 * @param stages the steps in order; empty while nothing was worked out
 * @param next what comes next; absent when it is over, or nothing was worked out
 * @param rows of an ink change, each channel, light ones first
 * @param drawn what was really drawn so far, by bottle
 */
public record ProcedureView(
        Purpose purpose,
        @Nullable Need need,
        @Nullable InkSum ink,
        @Nullable SystemSum system,
        List<Stage> stages,
        @Nullable Act next,
        boolean over,
        List<InkChange.Row> rows,
        List<StepView> entries,
        List<Drawn> drawn) {

    /**
     * @param rinses volumes of a channel to the residue
     * @param needMl for one channel, mL
     * @param mostMl for one channel before a lead is asked, mL
     * @param totalMl for all channels, reserve included, mL
     */
    public record InkSum(double rinses, double needMl, double mostMl, double totalMl) {
        public static InkSum of(InkNeed need, int channels) {
            return new InkSum(need.rinses(), need.needMl(), need.mostMl(), need.totalMl(channels));
        }
    }

    /** @param needMl all cleaner, reserve included, mL */
    public record SystemSum(double rinses, double needMl, int wasteBottles) {
        public static SystemSum of(SystemNeed need) {
            return new SystemSum(need.rinses(), need.needMl(), need.wasteBottles());
        }
    }

    public record StepView(
            UUID id,
            Act act,
            @Nullable String channel,
            @Nullable String lot,
            @Nullable BigDecimal volumeMl,
            @Nullable Act.Finding finding,
            @Nullable String vessel,
            @Nullable String lotCode,
            @Nullable LocalDate inkedOn,
            String text,
            Instant at,
            String by,
            boolean withdrawn,
            @Nullable String departureReason,
            List<Gate> against) {}

    public record Drawn(String lot, BigDecimal volumeMl) {}

    /** Absent for a visit that no steps lead. */
    @Nullable
    static ProcedureView of(LoggedVisit logged) {
        Need need = logged.need();
        int channels = logged.family().channels().size();
        return switch (logged.purpose()) {
            case INK_CHANGE -> {
                InkChange change = Procedures.inkChange(logged);
                yield new ProcedureView(
                        Purpose.INK_CHANGE,
                        need.ink() == null ? null : need,
                        need.ink() == null ? null : InkSum.of(need.ink(), channels),
                        null,
                        change.stages(),
                        change.next().orElse(null),
                        change.isOver(),
                        change.rows(),
                        entries(logged),
                        drawn(logged));
            }
            case SYSTEM_FLUSH -> {
                SystemFlush flush = Procedures.systemFlush(logged);
                yield new ProcedureView(
                        Purpose.SYSTEM_FLUSH,
                        need.system() == null ? null : need,
                        null,
                        need.system() == null ? null : SystemSum.of(need.system()),
                        flush.stages(),
                        flush.next().orElse(null),
                        flush.isOver(),
                        List.of(),
                        entries(logged),
                        drawn(logged));
            }
            default -> null;
        };
    }

    private static List<StepView> entries(LoggedVisit logged) {
        return logged.rows().procedure().stream()
                .map(e -> new StepView(
                        e.id,
                        e.act,
                        e.channel,
                        e.lotId == null ? null : name(logged.lots().get(e.lotId)),
                        e.volumeMl,
                        e.finding,
                        e.vessel,
                        e.lotCode,
                        e.inkedOn,
                        e.text,
                        e.enteredAt,
                        e.enteredBy,
                        e.withdrawn,
                        e.departureReason,
                        logged.gates(e.against)))
                .toList();
    }

    /** What left the bottles for steps and for work together, each bottle once. */
    private static List<Drawn> drawn(LoggedVisit logged) {
        Map<String, BigDecimal> sums = new LinkedHashMap<>();
        logged.procedureThatStands().stream()
                .filter(e -> e.lotId != null)
                .forEach(e -> sums.merge(name(logged.lots().get(e.lotId)), e.volumeMl, BigDecimal::add));
        logged.attemptsThatStand().stream()
                .filter(a -> a.lotId != null && a.volumeMl.signum() > 0)
                .forEach((Attempt a) -> sums.merge(name(logged.lots().get(a.lotId)), a.volumeMl, BigDecimal::add));
        return sums.entrySet().stream()
                .map(e -> new Drawn(e.getKey(), e.getValue()))
                .toList();
    }

    private static String name(FluidLot lot) {
        return lot.name + ", lot " + lot.lotCode;
    }
}
