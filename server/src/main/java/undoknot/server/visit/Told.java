package undoknot.server.visit;

import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import undoknot.diagnosis.ToldFacts;
import undoknot.fluid.InkChemistry;
import undoknot.head.FoodStanding;

/** What of a take-in speaks for a cause. */
final class Told {

    private Told() {}

    static ToldFacts facts(Intake intake) {
        return new ToldFacts(
                intake.idleDays(),
                intake.climate() == Intake.Climate.HOT_DRY,
                intake.mainsPower() == FoodStanding.Told.NO,
                intake.inkAgeMonths(),
                intake.refills(),
                intake.setupCartridges() == FoodStanding.Told.YES,
                intake.leftOut() == FoodStanding.Told.YES,
                intake.printedEmpty() == FoodStanding.Told.YES,
                intake.damperAgeMonths(),
                intake.dampersCleaned(),
                intake.cyclesBefore(),
                channels(intake, port -> port.chemistry() == InkChemistry.SETTLING_PIGMENT),
                channels(intake, port -> !port.makersOwn()),
                intake.symptoms());
    }

    private static Set<String> channels(Intake intake, Predicate<Intake.PortInk> which) {
        return intake.ports().stream()
                .filter(which)
                .map(Intake.PortInk::channel)
                .collect(Collectors.toSet());
    }
}
