package undoknot.server.view;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.head.FoodStanding;
import undoknot.nozzle.JobClass;
import undoknot.outcome.Outcome;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Visit;
import undoknot.visit.StepClock;

/**
 * A visit whole, with its judgement.
 *
 * @param foodCare whether only what is safe for food may come near it
 * @param followUp what was done before, for a head that came back within the follow-up; absent for any other
 * @param run steps that are gone through one by one; absent while none are
 * @param inHand who has the head in hand; absent while nobody has
 * @param standIn whether a stand-in answers for the head, so that checks of it can be printed here
 */
public record VisitView(
        UUID id,
        long version,
        String tag,
        Intake intake,
        FamilyView family,
        FoodStanding food,
        boolean foodCare,
        Instant openedAt,
        String openedBy,
        @Nullable Instant closedAt,
        @Nullable String closedBy,
        @Nullable Outcome outcome,
        @Nullable String outcomeReason,
        JobClass jobClass,
        List<EarlierVisit> earlierVisits,
        List<CheckView> checks,
        List<CheckView> keptChecks,
        List<DiagnosisView> diagnoses,
        List<AttemptView> attempts,
        List<ClockView> clocks,
        List<Bead> thread,
        NextView next,
        int cyclesRun,
        boolean standIn,
        HeadView head,
        Instant serverTime,
        JudgementView judgement,
        UsualView usual,
        List<PartCountView> parts,
        @Nullable ProcedureView procedure,
        FinishView finish,
        @Nullable FollowUp followUp,
        @Nullable RunView run,
        @Nullable InHandView inHand) {
    public static VisitView of(
            LoggedVisit c,
            List<Visit> ofThisHead,
            boolean standIn,
            JudgementView judgement,
            UsualView usual,
            List<PartCountView> parts,
            FinishView finish,
            @Nullable FollowUp followUp,
            Instant now) {
        Visit v = c.visit();
        return new VisitView(
                v.id,
                v.version,
                v.tag,
                c.intake(),
                FamilyView.of(c.family()),
                c.food(),
                c.food().needsFoodCare(),
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
                c.keptChecks().stream().map(check -> CheckView.of(check, c)).toList(),
                c.diagnoses().stream().map(DiagnosisView::of).toList(),
                c.attempts().stream().map(a -> AttemptView.of(a, c)).toList(),
                c.clocks().stream()
                        .filter(clock -> clock.kind != StepClock.Kind.HOLD)
                        .map(clock -> ClockView.of(clock, c))
                        .toList(),
                ThreadOfVisit.thread(c, now),
                NextView.of(c.next(judgement.advice()::first, now)),
                c.cyclesRun(),
                standIn,
                HeadView.of(c, now),
                now,
                judgement,
                usual,
                parts,
                ProcedureView.of(c),
                finish,
                followUp,
                RunView.of(c, now),
                InHandView.of(c));
    }
}
