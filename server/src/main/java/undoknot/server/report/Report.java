package undoknot.server.report;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.nozzle.Acceptance;
import undoknot.outcome.Knot;
import undoknot.outcome.Outcome;

/** What the customer gets to read, as data: the page and the PDF are both made from it. */
public record Report(
        String shop,
        String address,
        String tag,
        String customer,
        String family,
        String construction,
        String serial,
        @Nullable String printer,
        String purpose,
        List<String> symptoms,
        String jobClass,
        Instant openedAt,
        LocalDate promisedOn,
        @Nullable Instant firstCheckAt,
        @Nullable Instant lastCheckAt,
        @Nullable String noFirstCheck,
        @Nullable String compared,
        List<String> otherReadings,
        boolean simulated,
        List<ChannelLine> channels,
        @Nullable Sum sum,
        List<AttemptLine> attempts,
        List<String> steps,
        List<String> alsoFound,
        List<FluidLine> fluids,
        int cycles,
        long soakMinutes,
        String soakTime,
        @Nullable Acceptance.Verdict acceptance,
        @Nullable Outcome outcome,
        @Nullable String outcomeReason,
        @Nullable String food,
        @Nullable PowerWords.Power noPower,
        @Nullable Instant signedAt,
        @Nullable String signedBy,
        PlainPage plain,
        RecordPage record) {

    /**
     * One channel before and after.
     *
     * @param comb drawing as SVG
     * @param recoveryPercent share of what was out that fires again, %; absent when nothing was out
     */
    public record ChannelLine(
            String code,
            String colour,
            int nozzles,
            int outBefore,
            int outNow,
            int restored,
            int stillOut,
            int newlyOut,
            int deflectedNow,
            int leftOut,
            @Nullable Long recoveryPercent,
            String comb) {}

    public record Sum(
            int outBefore,
            int outNow,
            int restored,
            int stillOut,
            int newlyOut,
            int leftOut,
            @Nullable Long recoveryPercent) {}

    /** @param lines what was done, one line a channel where doses differ */
    public record AttemptLine(
            int number,
            Instant at,
            String kind,
            List<String> lines,
            @Nullable String fluid,
            @Nullable BigDecimal volumeMl,
            @Nullable String note,
            @Nullable String departure,
            List<String> against,
            Knot knot,
            String result) {}

    public record FluidLine(String fluid, BigDecimal volumeMl) {}
}
