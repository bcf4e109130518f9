package undoknot.plan;

import static undoknot.flow.Sum.given;

import java.util.List;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.flow.Term;
import undoknot.fluid.FluidKind;
import undoknot.observation.Look;

/** Hands and waits of a step, from what it is, the ports it is done at and the time that strokes and bursts last. */
final class Minutes {

    private Minutes() {}

    /**
     * @param moreMinutes of strokes or bursts
     * @param waitMinutes that the hands are free
     */
    static PlanStep step(
            Doing doing,
            List<String> at,
            Look look,
            FluidKind kind,
            double ml,
            List<Sum> numbers,
            double moreMinutes,
            double waitMinutes) {
        double usual = look == null ? doing.handsMinutes(at.size()) : look.minutes();
        Sum hands = Sum.of(
                Formula.HANDS,
                usual + moreMinutes,
                given(Term.HANDS, usual),
                given(Term.PORTS, at.size()),
                given(Term.MINUTES, moreMinutes));
        Sum wait = Sum.of(Formula.WAIT, waitMinutes, given(Term.MINUTES, waitMinutes));
        return new PlanStep(doing, at, look, kind, ml, numbers, hands, wait);
    }

    static PlanStep look(Look look, List<String> at) {
        return step(Doing.LOOK, at, look, null, 0, List.of(), 0, 0);
    }

    static PlanStep step(Doing doing, List<String> at, double waitMinutes) {
        return step(doing, at, null, null, 0, List.of(), 0, waitMinutes);
    }
}
