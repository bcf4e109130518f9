package undoknot.server.report;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.List;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.advice.Advice;
import undoknot.diagnosis.Ranking;
import undoknot.server.advice.Judge;
import undoknot.server.outcome.Money;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.words.Words;

/** Puts together what the customer is asked to decide: go on, or replace the head. */
@Component
class QuoteMaker {

    /** A cause less likely than this is not worth the customer's time. */
    private static final double LIKELY = 0.2;

    private final Judge judge;
    private final Words words;
    private final Clock clock;

    QuoteMaker(Judge judge, Words words, Clock clock) {
        this.judge = judge;
        this.words = words;
        this.clock = clock;
    }

    /**
     * @param causes likely causes with their chance, per cent
     * @param advice what the shop advises
     * @param watch what goes with it
     * @param next the work that would be next; absent when none is
     * @param chance chance that it reaches acceptance, with its interval, per cent
     * @param cases attempts of the shop's own record behind it
     * @param money amounts in the shop's currency
     */
    record Quote(
            List<String> causes,
            String advice,
            String watch,
            boolean stopAdvised,
            @Nullable String next,
            @Nullable String chance,
            int cases,
            @Nullable BigDecimal attemptCost,
            @Nullable BigDecimal spent,
            @Nullable BigDecimal headPrice,
            @Nullable BigDecimal printerPrice,
            @Nullable BigDecimal priceLimit) {}

    Quote of(LoggedVisit logged) {
        Judge.Judged judged = judge.of(logged, clock.instant());
        Advice advice = judged.judgement().advice().first();
        Money.MoneyView money = judged.money();
        return new Quote(
                judged.judgement().ranking().causes().stream()
                        .filter(l -> l.probability() >= LIKELY)
                        .map(this::cause)
                        .toList(),
                advised(advice),
                words.of("actWatch", advice.act()),
                advice.act().name().startsWith("STOP") || advice.act() == Advice.Act.NOT_RECOVERABLE,
                money == null ? null : words.of("method", money.method()),
                money == null
                        ? null
                        : percent(money.mean()) + " (80 % interval " + percent(money.low()) + " to "
                                + percent(money.high()) + ")",
                money == null
                        ? 0
                        : money.odds().cellTried()
                                + money.odds().familyTried()
                                + money.odds().allTried(),
                money == null || money.worth() == null
                        ? null
                        : BigDecimal.valueOf(money.worth().cost()).setScale(2, java.math.RoundingMode.HALF_UP),
                money == null ? null : money.spent(),
                money == null ? null : money.terms().headPrice(),
                logged.intake().printerPrice(),
                logged.intake().priceLimit());
    }

    private String advised(Advice advice) {
        String where = advice.channels().isEmpty() ? "" : ": " + String.join(", ", advice.channels());
        return switch (advice.act()) {
            case WORK -> words.of("method", advice.method()) + where;
            case LOOK -> "look: " + words.of("look", advice.look());
            default -> words.of("act", advice.act());
        };
    }

    private String cause(Ranking.Likely likely) {
        return words.of("cause", likely.cause()) + ", " + percent(likely.probability());
    }

    private static String percent(double share) {
        return Math.round(100 * share) + " %";
    }
}
