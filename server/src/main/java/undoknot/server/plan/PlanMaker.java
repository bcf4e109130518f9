package undoknot.server.plan;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import undoknot.advice.Terms;
import undoknot.head.Family;
import undoknot.plan.Chances;
import undoknot.plan.Plan;
import undoknot.plan.Promise;
import undoknot.plan.Supplies;
import undoknot.server.advice.Judge;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.FluidLots;
import undoknot.server.outcome.Ledger;
import undoknot.server.practice.House;
import undoknot.server.practice.HouseBook;
import undoknot.server.visit.KeptPlan;
import undoknot.server.visit.LoggedVisit;
import undoknot.sitting.Part;
import undoknot.treatment.Treatment;

/** Makes plans from a visit, the shelf, the house rules and the shop's record. */
@Component
public class PlanMaker {

    private final Judge judge;
    private final House house;
    private final FluidLots lots;
    private final Ledger ledger;
    private final Promised promised;
    private final Clock clock;

    PlanMaker(Judge judge, House house, FluidLots lots, Ledger ledger, Promised promised, Clock clock) {
        this.promised = promised;
        this.judge = judge;
        this.house = house;
        this.lots = lots;
        this.ledger = ledger;
        this.clock = clock;
    }

    /** The plan that stands: by the rules, or what is left of what somebody chose. */
    PlanView standing(LoggedVisit logged) {
        KeptPlan kept = logged.plan();
        Plan plan = plan(logged);
        return kept == null
                ? PlanView.of(plan, null, PlanView.works(plan), promise(logged, plan))
                : PlanView.of(plan, kept, kept.left(logged), promise(logged, plan));
    }

    Promise.Reckoned promise(LoggedVisit logged, Plan plan) {
        return promised.of(logged, Promised.Takes.of(plan.forecast()), promised.hours(), clock.instant());
    }

    /** The same as it is reckoned with: the steps that come next, and what is still to be done. */
    public Plan plan(LoggedVisit logged) {
        KeptPlan kept = logged.plan();
        if (kept != null) {
            return chosen(logged, new PlanEntry(kept.left(logged)));
        }
        Instant now = clock.instant();
        return Plan.of(logged.log(now), judge.of(logged, now).judgement(), basis(logged, now));
    }

    /** A plan that somebody thinks of, with what stands in its way. */
    Plan chosen(LoggedVisit logged, PlanEntry entry) {
        Instant now = clock.instant();
        return Plan.chosen(
                logged.log(now), judge.of(logged, now).judgement(), basis(logged, now), entry.chosen(logged.family()));
    }

    private Plan.Basis basis(LoggedVisit logged, Instant now) {
        HouseBook book = house.of(logged.visit().houseRules);
        Terms terms = new Terms(book.rules(), null, logged.food().needsFoodCare(), logged.inks());
        Chances chances = (method, channel, number) -> ledger.odds(logged, method, channel, number);
        return new Plan.Basis(terms, supplies(book, logged.family()), chances, now);
    }

    /** The shelf and what things cost, as plans reckon with them. */
    public Supplies supplies(HouseBook book, Family family) {
        Map<Part, Double> parts = new EnumMap<>(Part.class);
        book.partPrices().forEach((part, price) -> parts.put(part, price.doubleValue()));
        Map<Treatment.Strength, Double> ink = new EnumMap<>(Treatment.Strength.class);
        book.cycleInk(family).forEach((s, ml) -> ink.put(s, ml.doubleValue()));
        return new Supplies(
                lots.findAll().stream().map(PlanMaker::bottle).toList(),
                book.ratePerHour().doubleValue(),
                parts,
                ink,
                LocalDate.now(clock));
    }

    private static Supplies.Bottle bottle(FluidLot lot) {
        return new Supplies.Bottle(
                lot.id.toString(),
                lot.name + ", lot " + lot.lotCode,
                lot.kind,
                lot.foodSafe,
                lot.openedOn,
                lot.expiresOn,
                lot.bottleMl.doubleValue(),
                lot.remainingMl.doubleValue(),
                number(lot.price),
                number(lot.viscosityFactor));
    }

    private static Double number(BigDecimal value) {
        return value == null ? null : value.doubleValue();
    }
}
