package undoknot.server.view;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.outcome.Knot;
import undoknot.server.fluid.FluidLot;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.treatment.Gate;
import undoknot.treatment.Site;
import undoknot.treatment.Wet;
import undoknot.visit.StepClock;

/** An attempt as the screens are told about it. */
public record AttemptView(
        UUID id,
        long version,
        TreatmentEntry treatment,
        @Nullable NotedEntry noted,
        @Nullable RoundsView rounds,
        @Nullable LotName lot,
        BigDecimal volumeMl,
        Instant startedAt,
        String startedBy,
        @Nullable Instant endedAt,
        @Nullable Instant enteredAt,
        String note,
        @Nullable String departureReason,
        List<Gate> against,
        @Nullable Site site,
        @Nullable Wet wet,
        @Nullable String withdrawnReason,
        @Nullable Boolean withdrawnPoured,
        @Nullable Knot knot,
        int burstsDone) {
    public static AttemptView of(Attempt a, LoggedVisit c) {
        int bursts = (int) c.clocks().stream()
                .filter(clock ->
                        a.id.equals(clock.attemptId) && clock.kind == StepClock.Kind.BURST && clock.stoppedAt != null)
                .count();
        return new AttemptView(
                a.id,
                a.version,
                TreatmentEntry.of(c.treatment(a)),
                NotedEntry.of(c.noted(a)),
                RoundsView.of(a, c),
                LotName.of(c.lots().get(a.lotId)),
                a.volumeMl,
                a.startedAt,
                a.startedBy,
                a.endedAt,
                a.enteredAt,
                a.note,
                a.departureReason,
                c.gates(a.against),
                a.site,
                a.wet,
                a.withdrawnReason,
                a.withdrawnPoured,
                a.stands() ? c.knot(a) : null,
                bursts);
    }

    public record LotName(UUID id, String name, String lotCode) {
        public static LotName of(FluidLot lot) {
            return lot == null ? null : new LotName(lot.id, lot.name, lot.lotCode);
        }
    }
}
