package undoknot.treatment;

import static undoknot.treatment.HouseQuestion.WHEN_TO_STOP;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import undoknot.outcome.Worth;
import undoknot.treatment.Advice.Act;
import undoknot.treatment.Advice.Rule;

/** When to stop (handbook 13, rule 7): by money, or by what the shop has settled on instead (handbook 12). */
final class Stopping {

    private Stopping() {}

    static Optional<Advice> of(Standing standing) {
        Map<String, Integer> unchanged = Evidence.unchangedRounds(standing.rounds);
        return switch (standing.house.answers().get(WHEN_TO_STOP)) {
            case "TWO_UNCHANGED" ->
                whenAll(
                        standing,
                        code -> unchanged.getOrDefault(code, 0) >= Evidence.ROUNDS_UNCHANGED,
                        Rule.STOP_UNCHANGED);
            case "NO_FLOW" -> whenAll(standing, standing::portStaysStuck, Rule.STOP_NO_FLOW);
            case "NEVER" -> Optional.empty();
            default -> byMoney(standing);
        };
    }

    private static Optional<Advice> whenAll(Standing standing, Predicate<String> isHopeless, Rule rule) {
        List<String> affected = standing.affected;
        return affected.isEmpty() || !affected.stream().allMatch(isHopeless)
                ? Optional.empty()
                : Optional.of(standing.advise(
                        rule,
                        Act.STOP_HOUSE,
                        null,
                        affected,
                        Map.of("rounds", "" + Evidence.ROUNDS_UNCHANGED),
                        List.of(WHEN_TO_STOP),
                        List.of()));
    }

    private static Optional<Advice> byMoney(Standing standing) {
        Worth worth = standing.terms.worth();
        if (worth == null || !worth.saysStop()) {
            return Optional.empty();
        }
        return Optional.of(standing.advise(
                Rule.NOT_WORTH_IT,
                Act.STOP_MONEY,
                null,
                List.of(),
                Map.of(
                        "chance", String.format(Locale.ROOT, "%.0f", 100 * worth.chance()),
                        "cost", String.format(Locale.ROOT, "%.2f", worth.cost()),
                        "gain", String.format(Locale.ROOT, "%.2f", worth.gain())),
                List.of(WHEN_TO_STOP),
                List.of()));
    }
}
