package undoknot.server.outcome;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.advice.Advice;
import undoknot.finish.Bill;
import undoknot.fluid.FluidKind;
import undoknot.nozzle.NozzleState;
import undoknot.outcome.Odds;
import undoknot.outcome.Worth;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.FluidLots;
import undoknot.server.practice.House;
import undoknot.server.practice.HouseBook;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.write.StoredJson;
import undoknot.sitting.Part;
import undoknot.sitting.PartWork;
import undoknot.treatment.Method;

/** Works out the terms of "worth going on" for a visit, each from what is known or from what somebody entered. */
@Component
public class Money {

    /** A check and its reading take hands as well, minutes. */
    private static final int CHECK_MINUTES = 4;

    /** So does a step of an ink change or a whole-system flush, minutes. */
    private static final int STEP_MINUTES = 2;

    private final Ledger ledger;
    private final House house;
    private final FluidLots lots;
    private final StoredJson stored;

    Money(Ledger ledger, House house, FluidLots lots, StoredJson stored) {
        this.ledger = ledger;
        this.house = house;
        this.lots = lots;
        this.stored = stored;
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
    public OfVisit of(LoggedVisit logged, Advice next) {
        HouseBook book = house.of(logged.visit().houseRules);
        WorthTerms terms = terms(logged);
        Method method = next.method();
        int number = logged.log(logged.visit().openedAt).times(method) + 1;
        String channel = next.channels().isEmpty() ? "" : next.channels().get(0);
        Odds odds = ledger.odds(logged, method, channel, number);
        WorthTerms usual = usual(logged, book, terms, next);
        BigDecimal spent = spent(logged, book);
        BigDecimal limit = logged.intake().priceLimit();
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
                        logged.intake().printerPrice(),
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

    WorthTerms terms(LoggedVisit logged) {
        return logged.visit().worth == null ? WorthTerms.NONE : stored.read(logged.visit().worth, WorthTerms.class);
    }

    private WorthTerms usual(LoggedVisit logged, HouseBook book, WorthTerms terms, Advice next) {
        Method method = next.method();
        int channels = Math.max(1, next.channels().size());
        BigDecimal printer = logged.intake().printerPrice();
        // A recovered head is worth a new one, but never more than a whole new printer.
        BigDecimal value = printer == null
                ? terms.headPrice()
                : terms.headPrice() == null ? printer : terms.headPrice().min(printer);
        BigDecimal worth = pick(terms.value(), value);
        double firing = logged.lastMapped()
                .map(c -> logged.map(c))
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
                round(fluidCost(logged, method, channels).add(partCost(book, next, channels))));
    }

    private BigDecimal fluidCost(LoggedVisit logged, Method method, int channels) {
        double ml = method.usualMl(channels);
        FluidLot used = logged.attemptsThatStand().stream()
                .filter(a -> a.lotId != null)
                .map(a -> logged.lots().get(a.lotId))
                .reduce((a, b) -> b)
                .orElseGet(() -> lots.findAll().stream()
                        .filter(l -> l.kind == FluidKind.AQUEOUS_CLEANER && l.price != null)
                        .findFirst()
                        .orElse(null));
        return ml == 0 || used == null || used.price == null
                ? BigDecimal.ZERO
                : perMl(used).multiply(BigDecimal.valueOf(ml));
    }

    /** New parts that the work asks for, at the shop's price. */
    private static BigDecimal partCost(HouseBook book, Advice next, int channels) {
        boolean replaces = next.style() != null && next.style().act() == Part.Act.REPLACED;
        return replaces
                ? Part.ofChannel(next.method())
                        .map(part -> book.partPrices().getOrDefault(part, BigDecimal.ZERO))
                        .orElse(BigDecimal.ZERO)
                        .multiply(BigDecimal.valueOf(channels))
                : BigDecimal.ZERO;
    }

    private static BigDecimal perMl(FluidLot lot) {
        return lot.price.divide(lot.bottleMl, 6, java.math.RoundingMode.HALF_UP);
    }

    /** What was done so far in money: hands at the shop's rate, the fluids drawn, the parts replaced. */
    private BigDecimal spent(LoggedVisit logged, HouseBook book) {
        Spent spent = spentOn(logged);
        return round(book.ratePerHour()
                .multiply(BigDecimal.valueOf(spent.minutes()))
                .divide(BigDecimal.valueOf(60), 6, java.math.RoundingMode.HALF_UP)
                .add(spent.fluids())
                .add(spent.parts()));
    }

    /**
     * What went into a visit so far, at cost.
     *
     * @param minutes of hands, as each work and look usually takes
     * @param fluids what left the bottles, in money; bottles without a price are left out
     * @param parts new parts, in money; parts without a price are left out
     * @param unpriced names of bottles and parts that have no price yet, each once
     */
    public record Spent(int minutes, BigDecimal fluids, BigDecimal parts, List<Unpriced> unpriced) {}

    /** @param part the part; null for a bottle, whose name it is then */
    public record Unpriced(@Nullable String lot, @Nullable Part part) {}

    public Spent spentOn(LoggedVisit logged) {
        HouseBook book = house.of(logged.visit().houseRules);
        int minutes = CHECK_MINUTES * logged.checks().size()
                + STEP_MINUTES * logged.procedureThatStands().size();
        BigDecimal parts = BigDecimal.ZERO;
        List<Unpriced> unpriced = new ArrayList<>();
        for (var finding : logged.findingsThatStand()) {
            minutes += undoknot.observation.Look.making(finding.sign)
                    .map(undoknot.observation.Look::minutes)
                    .orElse(0);
        }
        for (Attempt attempt : logged.attemptsThatStand()) {
            minutes += Method.of(logged.treatment(attempt)).handsMinutes();
            for (PartWork work : logged.noted(attempt).parts()) {
                if (work.act() != Part.Act.REPLACED) {
                    continue;
                }
                BigDecimal price = book.partPrices().get(work.part());
                if (price == null) {
                    unpriced.add(new Unpriced(null, work.part()));
                } else {
                    parts = parts.add(price);
                }
            }
        }
        BigDecimal fluids = BigDecimal.ZERO;
        for (Poured poured : poured(logged)) {
            if (poured.lot().price == null) {
                unpriced.add(new Unpriced(poured.lot().name, null));
            } else {
                fluids = fluids.add(perMl(poured.lot()).multiply(poured.volumeMl()));
            }
        }
        return new Spent(minutes, fluids, parts, unpriced.stream().distinct().toList());
    }

    private record Poured(FluidLot lot, BigDecimal volumeMl) {}

    /** What left bottles: for work, steps and looks, and for entries that were taken back once it was poured. */
    private static List<Poured> poured(LoggedVisit logged) {
        List<Poured> poured = new ArrayList<>();
        logged.attempts().stream()
                .filter(a -> a.lotId != null && (a.stands() || a.pouredInVain()))
                .forEach(a -> poured.add(new Poured(logged.lots().get(a.lotId), a.volumeMl)));
        logged.procedureThatStands().stream()
                .filter(e -> e.lotId != null)
                .forEach(e -> poured.add(new Poured(logged.lots().get(e.lotId), e.volumeMl)));
        logged.findingsThatStand().stream()
                .filter(f -> f.lotId != null && f.volumeMl != null)
                .forEach(f -> poured.add(new Poured(logged.lots().get(f.lotId), f.volumeMl)));
        return poured.stream().filter(p -> p.volumeMl().signum() > 0).toList();
    }

    /** The bill of a visit: what went into it, by the terms of the house, or at the price that was agreed. */
    public Bill bill(LoggedVisit logged) {
        HouseBook book = house.of(logged.visit().houseRules);
        Spent spent = spentOn(logged);
        BillTerms terms = billTerms(logged);
        return Bill.of(
                new Bill.Terms(book.ratePerHour(), book.marginShare(), book.taxShare()),
                terms.minutes() == null ? spent.minutes() : terms.minutes(),
                spent.fluids(),
                spent.parts(),
                terms.agreed(),
                logged.intake().priceLimit());
    }

    public BillTerms billTerms(LoggedVisit logged) {
        return logged.visit().bill == null ? BillTerms.NONE : stored.read(logged.visit().bill, BillTerms.class);
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
