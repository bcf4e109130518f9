package undoknot.advice;

import static undoknot.advice.Advice.Rule.NO_CHECK;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.advice.Advice.Act;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.visit.Step;

/**
 * What to do while no check can be printed (handbook 6): errors, cool-down, recognition one by one, contacts; where it
 * stopped while printing the supply before these two; after two reseats a rinse and one more where the family may be rinsed, then elsewhere. It is no ground for fluid against dried ink.
 */
final class NoCheck {

    private static final int RESEATS = 2;

    private static final Set<Sign> CLEARS =
            EnumSet.of(Sign.ERROR_EXPECTED_BACK, Sign.RECOGNISED_ONCE_CLEANED, Sign.COOL_RUNS);

    private static final List<Look> BEFORE_THE_SUPPLY = List.of(Look.ERRORS, Look.INK_AT_ALL, Look.COOL_DOWN);

    private static final List<Look> OF_THE_HEAD = List.of(Look.RECOGNITION, Look.CONTACTS);

    private final AdviceContext context;

    private NoCheck(AdviceContext context) {
        this.context = context;
    }

    static Advice of(AdviceContext context) {
        return new NoCheck(context).next();
    }

    private Advice next() {
        if (isClearedSinceCheck(context)) {
            return context.advise(NO_CHECK, Act.CHECK, null, List.of(), Map.of());
        }
        return look(BEFORE_THE_SUPPLY)
                .or(() -> new SupplyWalk(context).whole())
                .or(() -> look(OF_THE_HEAD))
                .orElseGet(this::work);
    }

    private Optional<Advice> look(List<Look> looks) {
        return looks.stream()
                .filter(look -> look != Look.COOL_DOWN || context.told(Sign.TOLD_OVERHEAT))
                .filter(look -> look.needs() != Look.Needs.POWER || context.isPowerAllowed())
                .filter(look -> !context.looked(look, null) && !context.isMended(look, null))
                .findFirst()
                .map(look -> Advice.toLook(NO_CHECK, look, List.of(), Map.of(), null, null));
    }

    private Advice work() {
        int reseats = context.visit.times(Method.RESEAT);
        int rinses = context.visit.times(Method.RINSE);
        Map<Fact, Integer> facts = Map.of(Fact.ATTEMPTS, reseats);
        if (reseats < RESEATS + rinses) {
            return context.advise(NO_CHECK, Act.WORK, Method.RESEAT, List.of(), facts);
        }
        if (rinses == 0 && context.isPossible(Method.RINSE)) {
            return context.advise(NO_CHECK, Act.WORK, Method.RINSE, context.allChannels(), facts);
        }
        return context.advise(NO_CHECK, Act.ELSEWHERE, null, List.of(), facts);
    }

    /** A look itself may have cleared it, if only for a while: a forced restart, a pin cleaned, a head that has cooled. */
    static boolean isClearedSinceCheck(AdviceContext context) {
        boolean cleared = false;
        for (Step step : context.visit.steps()) {
            if (step instanceof Step.Checked) {
                cleared = false;
            } else if (step instanceof Step.Found found) {
                Sign sign = found.observation().sign();
                // What heat stopped is cold before it prints.
                boolean hot = sign == Sign.ERROR_EXPECTED_BACK && context.told(Sign.TOLD_OVERHEAT);
                cleared |= CLEARS.contains(sign) && !hot;
            }
        }
        return cleared;
    }
}
