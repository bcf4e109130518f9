package undoknot.server.plan;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import undoknot.advice.Terms;
import undoknot.diagnosis.Cause;
import undoknot.fluid.InkChemistry;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.outcome.Outcome;
import undoknot.plan.Chances;
import undoknot.plan.Forecast;
import undoknot.plan.Plan;
import undoknot.plan.TakeIn;
import undoknot.server.head.Families;
import undoknot.server.outcome.Ledger;
import undoknot.server.practice.House;
import undoknot.server.practice.HouseBook;
import undoknot.server.problem.Refused;
import undoknot.server.visit.Intake;
import undoknot.server.visit.IntakeFacts;
import undoknot.server.visit.Visit;
import undoknot.server.visit.Visits;
import undoknot.visit.HeadNow;
import undoknot.visit.VisitLog;

/** What a visit is likely to take, before anything is agreed with the customer. Nothing is stored. */
@RestController
class EstimateController {

    /** So many of the last heads of a family speak for it. */
    private static final int LAST = 200;

    private static final double HOURS_PER_DAY = 24;

    private final Families families;
    private final House house;
    private final Ledger ledger;
    private final PlanMaker maker;
    private final Visits visits;
    private final Clock clock;

    EstimateController(Families families, House house, Ledger ledger, PlanMaker maker, Visits visits, Clock clock) {
        this.families = families;
        this.house = house;
        this.ledger = ledger;
        this.maker = maker;
        this.visits = visits;
        this.clock = clock;
    }

    record LikelyCause(Cause cause, int percent) {}

    /**
     * The last heads of the family that went back.
     *
     * @param days until half of them were back; absent without any
     * @param lateDays until nine in ten were back; absent without any
     */
    record FamilyRecord(
            int heads,
            int recovered,
            @Nullable Double days,
            @Nullable Double lateDays) {}

    /** @param channels how many are thought to be affected */
    record Estimate(Forecast forecast, List<LikelyCause> causes, int channels, FamilyRecord record) {}

    /** @param told what the form of a take-in holds so far; everything but the family may be absent */
    @PostMapping("/api/take-in/estimate")
    Estimate estimate(@RequestBody Intake told) {
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
        TakeIn takeIn = TakeIn.of(visit, book.priorsFor(family.code()), basis);
        return new Estimate(
                takeIn.forecast(),
                takeIn.causes().stream()
                        .map(l -> new LikelyCause(l.cause(), (int) Math.round(100 * l.probability())))
                        .toList(),
                takeIn.channels(),
                record(family));
    }

    private FamilyRecord record(Family family) {
        List<Visit> last = visits.lastReturned(family.code(), Limit.of(LAST));
        List<Double> days =
                last.stream().map(v -> days(v.openedAt, v.closedAt)).sorted().toList();
        int recovered =
                (int) last.stream().filter(v -> v.outcome == Outcome.RECOVERED).count();
        return new FamilyRecord(last.size(), recovered, at(days, 0.5), at(days, 0.9));
    }

    private static double days(Instant from, Instant to) {
        return Duration.between(from, to).toHours() / HOURS_PER_DAY;
    }

    private static Double at(List<Double> sorted, double share) {
        return sorted.isEmpty()
                ? null
                : sorted.get((int) Math.min(sorted.size() - 1.0, Math.floor(share * sorted.size())));
    }
}
