package undoknot.server.view;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.advice.Advice;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.observation.Contradiction;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.practice.HouseQuestion;
import undoknot.server.outcome.Money;
import undoknot.treatment.Gate;

/**
 * What the screens are told about a judgement.
 *
 * @param looks every look that fits the family, the proposed one first, the others in the handbook's order
 * @param byTheWay things that can be seen without a look, with the findings of them
 * @param lastChange what the latest finding changed; empty when there is none
 * @param houseRules number of the house rules it was judged by, and {@code houseRulesNow} of those of today
 * @param houseAnswers the answers it was judged by
 * @param money absent when no work would be next
 */
public record JudgementView(
        List<Ranking.Likely> causes,
        Map<String, List<Ranking.Likely>> channels,
        List<LookView> looks,
        List<Sign> byTheWay,
        List<FindingView> findings,
        List<ChanceChange> lastChange,
        List<Contradiction> contradictions,
        Advice.Answer advice,
        List<DepartureView> departures,
        int houseRules,
        int houseRulesNow,
        Map<HouseQuestion, String> houseAnswers,
        @Nullable Money.MoneyView money) {

    /**
     * @param needless something found makes it needless, or a hold forbids it now
     * @param bits information expected, bits; 0 when it was taken already
     * @param channel where it would tell most; absent for a look at the whole head
     * @param proposed the one look that settles most for the least handwork
     * @param byPort whether it goes port by port, in the order of the ports
     * @param usesFluid whether it may use fluid out of a bottle
     */
    public record LookView(
            Look look,
            int minutes,
            Look.Scope scope,
            Look.Needs needs,
            List<Look.Tool> tools,
            Look.Risk risk,
            List<Sign> findings,
            boolean needless,
            double bits,
            double bitsPerMinute,
            @Nullable String channel,
            @Nullable Cause separates,
            @Nullable Cause from,
            boolean proposed,
            boolean byPort,
            boolean usesFluid) {}

    /** @param stands whether it still holds: no later finding and no work has replaced it */
    public record FindingView(
            UUID id,
            Sign sign,
            @Nullable Look look,
            @Nullable String channel,
            String note,
            Instant foundAt,
            String foundBy,
            boolean withdrawn,
            boolean stands,
            boolean hasPhoto,
            @Nullable LocalDate expectedOn,
            @Nullable String lot,
            @Nullable BigDecimal volumeMl,
            @Nullable String departureReason,
            List<Gate> against) {}

    /** Chance of a cause without and with the latest finding, 0 to 1. */
    public record ChanceChange(Cause cause, double before, double now) {}

    public record DepartureView(
            UUID id, Advice.Rule rule, String advised, String reason, Instant madeAt, String madeBy) {}
}
