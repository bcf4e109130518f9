package undoknot.plan;

import java.util.List;
import java.util.Objects;
import undoknot.advice.WorkStyle;
import undoknot.diagnosis.Cause;
import undoknot.flow.Sum;
import undoknot.outcome.Odds;
import undoknot.practice.HouseQuestion;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;

/**
 * One attempt of a plan, from preparation to the check that judges it.
 *
 * @param number from 1
 * @param cause what it is done for; null when nothing else is left, or somebody added it
 * @param percent chance of that cause
 * @param site where the head is treated
 * @param alike causes that are as likely: the likeliest save per minute of hands decided the order
 * @param treatment as it would be logged, by which it is checked
 * @param bottle that it draws from; null when the shelf has none with enough, or nothing is drawn
 * @param gates what stands in the way of it
 * @param hands minutes
 * @param waits minutes
 * @param fluid mL
 * @param waste mL
 * @param cost hands, fluid and parts
 * @param chance that it suffices
 * @param odds behind the chance
 * @param reached chance that it comes to this attempt at all
 * @param added whether somebody put it into the plan
 */
public record PlannedAttempt(
        int number,
        Method method,
        Cause cause,
        int percent,
        List<String> channels,
        Site site,
        WorkStyle style,
        List<HouseQuestion> house,
        List<Cause> alike,
        boolean lastResort,
        Treatment treatment,
        Supplies.Bottle bottle,
        List<PlanStep> steps,
        List<Branch> branches,
        List<Gate> gates,
        Sum hands,
        Sum waits,
        Sum fluid,
        Sum waste,
        Sum cost,
        Sum chance,
        Odds odds,
        double reached,
        boolean added) {

    public PlannedAttempt {
        Objects.requireNonNull(method, "method");
        channels = List.copyOf(channels);
        house = List.copyOf(house);
        alike = List.copyOf(alike);
        steps = List.copyOf(steps);
        branches = List.copyOf(branches);
        gates = List.copyOf(gates);
    }

    /** The same with what follows it. */
    PlannedAttempt with(List<Branch> after) {
        return new PlannedAttempt(
                number,
                method,
                cause,
                percent,
                channels,
                site,
                style,
                house,
                alike,
                lastResort,
                treatment,
                bottle,
                steps,
                after,
                gates,
                hands,
                waits,
                fluid,
                waste,
                cost,
                chance,
                odds,
                reached,
                added);
    }

    /** Lower end of the 80 % interval of the chance. */
    public double low() {
        return odds.low();
    }

    /** Upper end of the 80 % interval of the chance. */
    public double high() {
        return odds.high();
    }

    /** Cases on record behind the chance. */
    public int cases() {
        return odds.cases();
    }

    /** Whether nothing stands in its way, but for what a lead consents to. */
    boolean goesByTheRules() {
        return gates.stream().allMatch(g -> g.weight() == Gate.Weight.NEEDS_LEAD);
    }

    /** Whether something is never done, or goes past a limit: such a plan is not kept. */
    public boolean isRefused() {
        return gates.stream().anyMatch(g -> g.weight() == Gate.Weight.REFUSED || g.limit() != null);
    }
}
