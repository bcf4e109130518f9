package undoknot.plan;

import java.util.Map;
import undoknot.flow.Viscosity;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.nozzle.NozzleMap;
import undoknot.practice.HouseRules;
import undoknot.treatment.Site;
import undoknot.visit.VisitLog;

/**
 * How a head will stand before an attempt of a plan.
 *
 * @param site where it is
 * @param open nozzles by channel that the last map does not show as missing; empty without a map
 * @param food whether it serves food
 * @param viscosityFactor how thick the fluid of the attempt is against water
 */
record Outlook(
        Family family, Site site, Map<String, Integer> open, HouseRules house, boolean food, double viscosityFactor) {

    static Outlook of(VisitLog visit, HouseRules house, boolean food) {
        return new Outlook(
                visit.family(),
                visit.head().site(),
                visit.completedMap().map(NozzleMap::notMissing).orElse(Map.of()),
                house,
                food,
                1);
    }

    Outlook at(Site other) {
        return new Outlook(family, other, open, house, food, viscosityFactor);
    }

    Outlook with(double factor) {
        return new Outlook(family, site, open, house, food, factor);
    }

    /** Viscosity of the fluid as it is warm, Pa·s. */
    double viscosityPaS(double temperatureC) {
        return Viscosity.waterPaS(temperatureC) * viscosityFactor;
    }

    Limits limits() {
        return family.limits();
    }
}
