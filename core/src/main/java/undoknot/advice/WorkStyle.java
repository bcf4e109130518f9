package undoknot.advice;

import undoknot.fluid.FluidKind;
import undoknot.sitting.Part;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;

/**
 * How a piece of work is done in this shop on this head; what the house rules leave open is null.
 *
 * @param site where the head is while it is treated
 * @param fluid kind of fluid to take
 * @param strength of a printer cycle
 * @param strokeMl usual volume of one stroke, mL
 * @param temperatureC of the fluid; null at room temperature
 * @param afterSoakMl stroke that follows when the first has soaked, mL
 * @param plannedMinutes how long it soaks or waits, between two strokes as well; null when it does not
 * @param act what is done to the part that it is about: a damper is cleaned once, then replaced
 * @param leadDecides whether only a lead may do it on this family, with a reason
 * @param pulsesAtMostMl where fluid goes in pulses with pad prints between, what they usually come to at most, mL
 */
public record WorkStyle(
        Site site,
        FluidKind fluid,
        Treatment.Strength strength,
        Double strokeMl,
        Double temperatureC,
        Double afterSoakMl,
        Double pulsesAtMostMl,
        Integer plannedMinutes,
        Part.Act act,
        boolean leadDecides) {

    /** Whether fluid goes in pulses instead of a stroke and a soak. */
    public boolean pulses() {
        return pulsesAtMostMl != null;
    }
}
