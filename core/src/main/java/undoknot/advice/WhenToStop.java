package undoknot.advice;

import static undoknot.practice.HouseQuestion.WHEN_TO_STOP;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import undoknot.advice.Advice.Act;
import undoknot.advice.Advice.Rule;
import undoknot.observation.Fact;
import undoknot.outcome.Worth;
import undoknot.practice.School;
import undoknot.visit.UnchangedRounds;

/** When to stop (handbook 13, rule 7): by money, or by what the shop has settled on instead (handbook 12). */
final class WhenToStop {

    private WhenToStop() {}

    static Optional<Advice> of(AdviceContext context, Worth worth) {
        Map<String, Integer> unchanged = UnchangedRounds.of(context.rounds);
        return switch (context.house.answer(School.StopWhen.class)) {
            case TWO_UNCHANGED ->
                whenAll(
                        context,
                        code -> unchanged.getOrDefault(code, 0) >= UnchangedRounds.ENOUGH,
                        Rule.STOP_UNCHANGED);
            case NO_FLOW -> whenAll(context, context::portStaysStuck, Rule.STOP_NO_FLOW);
            case NEVER -> Optional.empty();
            case RULE_AND_MONEY -> byMoney(context, worth);
        };
    }

    private static Optional<Advice> whenAll(AdviceContext context, Predicate<String> isHopeless, Rule rule) {
        List<String> affected = context.affected;
        return affected.isEmpty() || !affected.stream().allMatch(isHopeless)
                ? Optional.empty()
                : Optional.of(context.advise(
                        rule,
                        Act.STOP_HOUSE,
                        null,
                        affected,
                        Map.of(Fact.ROUNDS, UnchangedRounds.ENOUGH),
                        List.of(WHEN_TO_STOP),
                        List.of()));
    }

    private static Optional<Advice> byMoney(AdviceContext context, Worth worth) {
        boolean ask = worth != null && worth.isOverLimitAlone();
        return worth == null || !worth.saysStop()
                ? Optional.empty()
                : Optional.of(context.advise(
                                ask ? Rule.OVER_LIMIT : Rule.NOT_WORTH_IT,
                                ask ? Act.ASK_CUSTOMER : Act.STOP_MONEY,
                                null,
                                List.of(),
                                Map.of(),
                                List.of(WHEN_TO_STOP),
                                List.of())
                        .by(worth));
    }
}
