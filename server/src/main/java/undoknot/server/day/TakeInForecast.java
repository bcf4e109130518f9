package undoknot.server.day;

import java.time.Clock;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.advice.Terms;
import undoknot.fluid.InkChemistry;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.plan.Chances;
import undoknot.plan.Plan;
import undoknot.plan.TakeIn;
import undoknot.server.head.Families;
import undoknot.server.outcome.Ledger;
import undoknot.server.plan.PlanMaker;
import undoknot.server.practice.House;
import undoknot.server.practice.HouseBook;
import undoknot.server.problem.Refused;
import undoknot.server.visit.Intake;
import undoknot.server.visit.IntakeFacts;
import undoknot.visit.HeadNow;
import undoknot.visit.VisitLog;

/** What a head is likely to take, from what the form of its take-in holds. */
@Component
class TakeInForecast {

    private final Families families;
    private final House house;
    private final Ledger ledger;
    private final PlanMaker maker;
    private final Clock clock;

    TakeInForecast(Families families, House house, Ledger ledger, PlanMaker maker, Clock clock) {
        this.families = families;
        this.house = house;
        this.ledger = ledger;
        this.maker = maker;
        this.clock = clock;
    }

    /** @param told everything but the family may be absent */
    TakeIn of(Intake told) {
        if (told.familyCode() == null || told.familyCode().isBlank()) {
            throw Refused.entry("familyCode", "MISSING", "Choose a family.");
        }
        Family family = families.get(told.familyCode(), "familyCode").having(told.channels());
        HouseBook book = house.of(house.number() == 0 ? null : house.number());
        var inks = IntakeFacts.ports(told).stream()
                .filter(p -> p.chemistry() != null)
                .collect(Collectors.toMap(Intake.PortInk::channel, Intake.PortInk::chemistry, (a, b) -> a));
        boolean food = inks.values().stream().anyMatch(InkChemistry::food);
        InkChemistry ink = inks.values().stream().findFirst().orElse(InkChemistry.PIGMENT);
        Chances chances = (method, channel, number) ->
                ledger.odds(family.code(), inks.getOrDefault(channel, ink), method, number);
        Plan.Basis basis = new Plan.Basis(
                new Terms(book.rules(), null, food, inks), maker.supplies(book, family), chances, clock.instant());
        VisitLog visit = new VisitLog(family, JobClass.GENERAL, IntakeFacts.told(told), List.of(), HeadNow.READY);
        return TakeIn.of(visit, book.priorsFor(family.code()), basis);
    }
}
