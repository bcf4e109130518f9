package undoknot.plan;

import undoknot.outcome.Cases;
import undoknot.outcome.Odds;
import undoknot.treatment.Method;

/** Chance that an attempt suffices, from the shop's record or from a starting belief. */
@FunctionalInterface
public interface Chances {

    /** Nothing is on record: the starting belief of each method. */
    Chances STARTING = (method, channel, number) -> Odds.of(Cases.NONE, Cases.NONE, Cases.NONE, method.startChance());

    /** @param number which attempt with this method, from 1 */
    Odds of(Method method, String channel, int number);
}
