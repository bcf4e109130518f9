package undoknot.advice;

import static undoknot.advice.Advice.Rule.NO_CHECK;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import undoknot.advice.Advice.Act;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.visit.Step;

/**
 * What to do while no check can be printed (handbook 6): errors, cool-down, recognition one by one, contacts; after two reseats a
 * rinse and one more where the family may be rinsed, then elsewhere. It is no ground for fluid against dried ink.
 */
final class NoCheck {

    private static final int RESEATS = 2;

    private final AdviceContext context;

    private NoCheck(AdviceContext context) {
        this.context = context;
    }

    static Advice of(AdviceContext context) {
        return new NoCheck(context).next();
    }

    private Advice next() {
        if (isClearedSinceCheck()) {
            return context.advise(NO_CHECK, Act.CHECK, null, List.of(), Map.of());
        }
        for (Look look : looks()) {
            if (!context.looked(look, null) && !context.isMended(look, null)) {
                return Advice.toLook(NO_CHECK, look, List.of(), Map.of(), null, null);
            }
        }
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

    private List<Look> looks() {
        List<Look> looks = new ArrayList<>(List.of(Look.ERRORS, Look.INK_AT_ALL));
        if (context.told(Sign.TOLD_OVERHEAT)) {
            looks.add(Look.COOL_DOWN);
        }
        looks.add(Look.RECOGNITION);
        looks.add(Look.CONTACTS);
        looks.removeIf(l -> l.needs() == Look.Needs.POWER && !context.isPowerAllowed());
        return looks;
    }

    /** A look itself may have cleared it: a forced restart, a pin cleaned, a head that has cooled. */
    private boolean isClearedSinceCheck() {
        boolean cleared = false;
        for (Step step : context.visit.steps()) {
            if (step instanceof Step.Checked) {
                cleared = false;
            } else if (step instanceof Step.Found found) {
                Observation o = found.observation();
                cleared |= o.sign() == Sign.RECOGNISED_ONCE_CLEANED || o.sign() == Sign.COOL_RUNS;
            }
        }
        return cleared;
    }
}
