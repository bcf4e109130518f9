package undoknot.server.outcome;

import java.math.BigDecimal;
import java.util.List;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.fluid.FluidKind;
import undoknot.nozzle.NozzleState;
import undoknot.outcome.Odds;
import undoknot.outcome.Worth;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.FluidLots;
import undoknot.server.house.House;
import undoknot.server.house.HouseBook;
import undoknot.server.treatment.Attempt;
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;
import undoknot.treatment.Advice;
import undoknot.treatment.Method;

/** Works out the terms of "worth going on" for a visit, each from what is known or from what somebody entered. */
@Component
public class Money {

    /** A check and its reading take hands as well, minutes. */
    private static final int CHECK_MINUTES = 4;

    private final Ledger ledger;
    private final House house;
    private final FluidLots lots;
    private final Courses courses;

    Money(Ledger ledger, House house, FluidLots lots, Courses courses) {
        this.ledger = ledger;
        this.house = house;
        this.lots = lots;
        this.courses = courses;
    }

    /**
     * Chance and money of the next attempt.
     *
     * @param method the attempt
     * @param number which attempt with this method on the visit, from 1
     * @param odds from the shop's record
     * @param terms what somebody entered for the visit
     * @param usual the same terms as they are worked out when nothing is entered
     * @param worth absent while nobody knows what a recovered head is worth
     */
    public record MoneyView(
            Method method,
            int number,
            double mean,
            double low,
            double high,
            OddsView odds,
            WorthTerms terms,
            WorthTerms usual,
            BigDecimal spent,
            @Nullable BigDecimal priceLimit,
            @Nullable BigDecimal printerPrice,
            @Nullable WorthView worth) {}

    /** @param start starting belief the record is added to, 0 to 1 */
    public record OddsView(
            int cellTried,
            int cellReached,
            int familyTried,
            int familyReached,
            int allTried,
            int allReached,
            double start) {
        static OddsView of(Odds o) {
            return new OddsView(
                    o.cell().tried(),
                    o.cell().reached(),
                    o.family().tried(),
                    o.family().reached(),
                    o.all().tried(),
                    o.all().reached(),
                    o.start());
        }
    }

    /** @param breakEven chance below which stopping is advised, 0 to 1 */
    public record WorthView(
            double value,
            double harmChance,
            double harmCost,
            double cost,
            double gain,
            double breakEven,
            Worth.Verdict verdict) {}

    /** Money of one visit: what is shown, and what the rules are given. */
    public record OfVisit(MoneyView view, @Nullable Worth worth) {}

    /** @param next the work that would be done next */
    public OfVisit of(Course course, Advice next) {
        HouseBook book = house.of(course.visit().houseRules);
        WorthTerms terms = terms(course);
        Method method = next.method();
        int number = course.soFar(course.visit().openedAt).times(method) + 1;
        String channel = next.channels().isEmpty() ? "" : next.channels().get(0);
        Odds odds = ledger.odds(course, method, channel, number);
        WorthTerms usual =
                usual(course, book, terms, method, Math.max(1, next.channels().size()));
        BigDecimal spent = spent(course, book);
        BigDecimal limit = course.intake().priceLimit();
        Worth worth = null;
        if (pick(terms.value(), usual.value()) != null) {
            double chance =
                    terms.chance() == null ? odds.mean() : terms.chance().doubleValue();
            double cost = number(terms.minutes(), usual.minutes())
                            * book.ratePerHour().doubleValue()
                            / 60
                    + number(terms.fluids(), usual.fluids());
            worth = new Worth(
                    chance,
                    terms.chance() == null ? odds.low() : chance,
                    terms.chance() == null ? odds.high() : chance,
                    number(terms.value(), usual.value()),
                    number(terms.harmChance(), usual.harmChance()),
                    number(terms.harmCost(), usual.harmCost()),
                    cost,
                    spent.doubleValue(),
                    limit == null ? null : limit.doubleValue());
        }
        return new OfVisit(
                new MoneyView(
                        method,
                        number,
                        worth == null ? odds.mean() : worth.chance(),
                        worth == null ? odds.low() : worth.low(),
                        worth == null ? odds.high() : worth.high(),
                        OddsView.of(odds),
                        terms,
                        usual,
                        spent,
                        limit,
                        course.intake().printerPrice(),
                        worth == null
                                ? null
                                : new WorthView(
                                        worth.value(),
                                        worth.harmChance(),
                                        worth.harmCost(),
                                        worth.cost(),
                                        worth.gain(),
                                        worth.breakEven(),
                                        worth.verdict())),
                worth);
    }

    WorthTerms terms(Course course) {
        return course.visit().worth == null ? WorthTerms.NONE : courses.read(course.visit().worth, WorthTerms.class);
    }

    private WorthTerms usual(Course course, HouseBook book, WorthTerms terms, Method method, int channels) {
        BigDecimal printer = course.intake().printerPrice();
        // A recovered head is worth a new one, but never more than a whole new printer.
        BigDecimal value = printer == null
                ? terms.headPrice()
                : terms.headPrice() == null ? printer : terms.headPrice().min(printer);
        BigDecimal worth = pick(terms.value(), value);
        double firing = course.lastMapped()
                .map(c -> course.map(c))
                .map(m -> 1.0
                        * m.count(NozzleState.FIRING)
                        / m.channels().values().stream()
                                .mapToInt(undoknot.nozzle.ChannelMap::size)
                                .sum())
                .orElse(0.0);
        BigDecimal harm = worth == null
                ? null
                : worth.multiply(BigDecimal.valueOf(firing))
                        .add(printer == null ? BigDecimal.ZERO : printer.multiply(book.riskShare()));
        return new WorthTerms(
                null,
                value,
                null,
                BigDecimal.valueOf(method.harmChance()),
                round(harm),
                BigDecimal.valueOf(method.handsMinutes() + CHECK_MINUTES),
                round(fluidCost(course, method, channels)));
    }

    private BigDecimal fluidCost(Course course, Method method, int channels) {
        double ml = method.usualMl(channels);
        FluidLot used = course.standing().stream()
                .filter(a -> a.lotId != null)
                .map(a -> course.lots().get(a.lotId))
                .reduce((a, b) -> b)
                .orElseGet(() -> lots.findAll().stream()
                        .filter(l -> l.kind == FluidKind.AQUEOUS_CLEANER && l.price != null)
                        .findFirst()
                        .orElse(null));
        return ml == 0 || used == null || used.price == null
                ? BigDecimal.ZERO
                : perMl(used).multiply(BigDecimal.valueOf(ml));
    }

    private static BigDecimal perMl(FluidLot lot) {
        return lot.price.divide(lot.bottleMl, 6, java.math.RoundingMode.HALF_UP);
    }

    /** Minutes of hands of what was done so far at the shop's rate, and the fluids drawn. */
    private BigDecimal spent(Course course, HouseBook book) {
        int minutes = CHECK_MINUTES * course.checks().size();
        for (var finding : course.standingFindings()) {
            minutes += undoknot.ruleout.Look.making(finding.sign)
                    .map(undoknot.ruleout.Look::minutes)
                    .orElse(0);
        }
        BigDecimal fluids = BigDecimal.ZERO;
        List<Attempt> standing = course.standing();
        for (Attempt attempt : standing) {
            minutes += Method.of(course.entries().get(attempt.id).treatment()).handsMinutes();
            FluidLot lot = attempt.lotId == null ? null : course.lots().get(attempt.lotId);
            if (lot != null && lot.price != null) {
                fluids = fluids.add(perMl(lot).multiply(attempt.volumeMl));
            }
        }
        return round(book.ratePerHour()
                .multiply(BigDecimal.valueOf(minutes))
                .divide(BigDecimal.valueOf(60), 6, java.math.RoundingMode.HALF_UP)
                .add(fluids));
    }

    private static BigDecimal round(BigDecimal money) {
        return money == null ? null : money.setScale(2, java.math.RoundingMode.HALF_UP);
    }

    private static BigDecimal pick(BigDecimal entered, BigDecimal usual) {
        return entered == null ? usual : entered;
    }

    private static double number(BigDecimal entered, BigDecimal usual) {
        BigDecimal picked = pick(entered, usual);
        return picked == null ? 0 : picked.doubleValue();
    }
}
