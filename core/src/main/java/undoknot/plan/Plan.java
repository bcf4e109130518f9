package undoknot.plan;

import static undoknot.flow.Sum.given;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import undoknot.advice.Course;
import undoknot.advice.Course.Leg;
import undoknot.advice.Judgement;
import undoknot.advice.Ladder;
import undoknot.advice.Terms;
import undoknot.diagnosis.Cause;
import undoknot.flow.Formula;
import undoknot.flow.Sum;
import undoknot.flow.Term;
import undoknot.fluid.FluidKind;
import undoknot.head.Channel;
import undoknot.outcome.Odds;
import undoknot.sitting.Part;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.LookFirst;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.Wet;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.BarredByFinding;
import undoknot.visit.CurrentFindings;
import undoknot.visit.NotLooked;
import undoknot.visit.VisitLog;

/**
 * What a visit comes to from here: the attempts of its {@link Course}, each in steps with every number, what goes before and
 * after them, and what all that is likely to take.
 *
 * @param before what is done before the first attempt: a check, a look, a hold that runs
 * @param after what is done once the head is accepted
 * @param bars what findings make unsafe now, so that it is left out until they are mended
 * @param isChosen whether somebody changed it
 */
public record Plan(
        List<PlanStep> before,
        List<PlannedAttempt> attempts,
        List<PlanStep> after,
        Forecast forecast,
        List<BarredWork> bars,
        boolean isChosen) {

    private static final double MINUTES_PER_HOUR = 60;

    /** An attempt that is reached less often than this. */
    private static final double HARDLY = 0.05;

    public Plan {
        before = List.copyOf(before);
        attempts = List.copyOf(attempts);
        after = List.copyOf(after);
        bars = List.copyOf(bars);
    }

    /** A piece of work as somebody wants it. */
    public record Chosen(Method method, List<String> channels, Dose dose) {}

    /**
     * What a plan is made from, besides the visit.
     *
     * @param now when it is made: a hold that runs is counted from then
     */
    public record Basis(Terms terms, Supplies supplies, Chances chances, Instant now) {}

    /** By the rules alone. */
    public static Plan of(VisitLog visit, Judgement judgement, Basis basis) {
        if (visit.checks().isEmpty()) {
            return unread(visit, judgement, basis);
        }
        Course course = Course.of(visit, judgement, basis.terms);
        return new Maker(visit, basis, false).plan(course, List.of(), Surroundings.before(visit, judgement, basis));
    }

    /** Nobody knows yet which channels: what was told alone says what it is likely to take. */
    private static Plan unread(VisitLog visit, Judgement judgement, Basis basis) {
        return new Plan(
                Surroundings.before(visit, judgement, basis),
                List.of(),
                Surroundings.after(visit),
                TakeIn.of(visit, judgement.ranking(), basis).forecast(),
                judgement.advice().bars(),
                false);
    }

    /** As somebody chose it; every attempt carries what stands in its way. */
    public static Plan chosen(VisitLog visit, Judgement judgement, Basis basis, List<Chosen> chosen) {
        Course course = Course.chosen(
                visit,
                judgement,
                basis.terms,
                chosen.stream().map(c -> new Course.Work(c.method, c.channels)).toList());
        return new Maker(visit, basis, true)
                .plan(course, chosen.stream().map(Chosen::dose).toList(), Surroundings.before(visit, judgement, basis));
    }

    /** What goes before the first attempt and after the last, whatever comes. */
    static Forecast.Turn around(List<PlanStep> before, VisitLog visit, Basis basis) {
        double hands = Maker.handsOf(before) + Maker.handsOf(Surroundings.after(visit));
        double waits = before.stream().mapToDouble(PlanStep::waitMinutes).sum();
        double cost = hands * basis.supplies.ratePerHour() / MINUTES_PER_HOUR;
        return new Forecast.Turn(hands, waits, 0, cost, 0, 0, 0);
    }

    /** Makes the attempts one after the other: where the head is, what was run and what was mended carries over. */
    static final class Maker {

        private final VisitLog visit;
        private final Basis basis;
        private final boolean isChosen;
        private final Set<BarredWork> bars;
        private Outlook outlook;
        /** Cycles of each channel since hands last worked on it. */
        private final Map<String, Integer> cycles = new HashMap<>();

        private int strong;
        private final Set<LookFirst> notLooked;
        private double reached = 1;

        Maker(VisitLog visit, Basis basis, boolean isChosen) {
            this.visit = visit;
            this.basis = basis;
            this.isChosen = isChosen;
            this.outlook = Outlook.of(visit, basis.terms.house(), basis.terms.food());
            this.bars = EnumSet.noneOf(BarredWork.class);
            this.bars.addAll(BarredByFinding.of(CurrentFindings.of(visit)));
            this.notLooked = NotLooked.of(visit);
            visit.family().channels().stream()
                    .map(Channel::code)
                    .forEach(code -> cycles.put(
                            code,
                            visit.isWorkedByHand(code) ? visit.cyclesSinceHands(code) : visit.cleaningCycles(code)));
            this.strong = visit.times(Method.CYCLE_STRONG);
        }

        Plan plan(Course course, List<Dose> doses, List<PlanStep> before) {
            List<PlannedAttempt> attempts = Branches.of(attempts(course, doses), visit);
            Forecast.Turn around = around(before, visit, basis);
            Forecast forecast = Forecast.of(List.of(new Forecast.Way(1, turns(attempts))), around);
            return new Plan(before, attempts, Surroundings.after(visit), forecast, course.bars(), isChosen);
        }

        /** The numbers of a course that nobody changed. */
        List<Forecast.Turn> turns(Course course) {
            return turns(attempts(course, List.of()));
        }

        private List<PlannedAttempt> attempts(Course course, List<Dose> doses) {
            List<PlannedAttempt> attempts = new ArrayList<>();
            for (int i = 0; i < course.legs().size(); i++) {
                Leg leg = course.legs().get(i);
                Dose dose = i < doses.size() ? doses.get(i) : Dose.USUAL;
                PlannedAttempt attempt = attempt(attempts.size() + 1, leg, dose);
                // What the rules propose never goes against a gate; what somebody chose shows it.
                if (isChosen || attempt.goesByTheRules()) {
                    attempts.add(attempt);
                    reached *= 1 - attempt.chance().value();
                    carryOver(leg);
                }
            }
            return attempts;
        }

        /** How sure the chance is hardly matters where it hardly comes to it; and it takes long to work out. */
        private static boolean isReached(PlannedAttempt attempt) {
            return attempt.reached() >= HARDLY;
        }

        private static List<Forecast.Turn> turns(List<PlannedAttempt> attempts) {
            return attempts.stream()
                    .map(a -> new Forecast.Turn(
                            a.hands().value(),
                            a.waits().value(),
                            a.fluid().value(),
                            a.cost().value(),
                            a.chance().value(),
                            isReached(a) ? a.low() : a.chance().value(),
                            isReached(a) ? a.high() : a.chance().value()))
                    .toList();
        }

        private static double handsOf(List<PlanStep> steps) {
            return steps.stream().mapToDouble(PlanStep::handsMinutes).sum();
        }

        private double rate() {
            return basis.supplies.ratePerHour();
        }

        private void carryOver(Leg leg) {
            outlook = outlook.at(Site.IN_CARRIAGE);
            boolean settles = leg.method().settles();
            int run = leg.method() == Method.CYCLE || leg.method() == Method.CYCLE_STRONG ? 1 : 0;
            leg.channels().forEach(code -> cycles.compute(code, (c, n) -> settles ? n + run : 0));
            strong += leg.method() == Method.CYCLE_STRONG ? 1 : 0;
            boolean mends = leg.method() == Method.STATION
                    || leg.method() == Method.CARTRIDGE
                    || leg.method() == Method.DAMPER
                    || leg.method() == Method.RESEAT;
            if (mends) {
                bars.clear();
            }
        }

        private PlannedAttempt attempt(int number, Leg leg, Dose dose) {
            FluidKind planned = leg.style() == null ? null : leg.style().fluid();
            outlook = outlook.with(basis.supplies.viscosityFactor(planned, outlook.food()));
            List<PlanStep> steps = new ArrayList<>(Surroundings.refitFor(outlook, leg));
            if (leg.method().fillsWaste()) {
                notLooked.forEach(first -> steps.add(Minutes.look(Surroundings.look(first), List.of())));
                notLooked.clear();
            }
            steps.addAll(Expansion.of(outlook, leg, dose));
            steps.addAll(judgedBy(leg));
            Treatment treatment = AsLogged.of(outlook, leg, dose);
            double ml = steps.stream().mapToDouble(PlanStep::ml).sum();
            FluidKind kind = steps.stream()
                    .map(PlanStep::fluid)
                    .filter(Objects::nonNull)
                    .reduce((a, b) -> b)
                    .orElse(null);
            Supplies.Bottle bottle = kind == null || ml == 0
                    ? null
                    : basis.supplies.bottle(kind, ml, outlook.food()).orElse(null);
            Odds odds = basis.chances
                    .of(leg.method(), leg.channels().get(0), leg.before() + 1)
                    .after(number - 1);
            double hands = handsOf(steps);
            double waits = steps.stream().mapToDouble(PlanStep::waitMinutes).sum();
            double fluidCost = bottle == null || bottle.price() == null ? 0 : bottle.price() / bottle.bottleMl() * ml;
            double partCost = partCost(leg);
            double ink = cycleInk(leg, steps);
            return new PlannedAttempt(
                    number,
                    leg.method(),
                    leg.cause(),
                    leg.percent(),
                    leg.channels(),
                    treatedAt(leg),
                    leg.style(),
                    leg.house(),
                    leg.alike(),
                    leg.lastResort(),
                    treatment,
                    bottle,
                    steps,
                    List.of(),
                    gates(leg, treatment, kind, bottle),
                    Sum.of(Formula.HANDS, hands, given(Term.STEPS, steps.size())),
                    Sum.of(Formula.WAIT, waits, given(Term.STEPS, steps.size())),
                    Sum.of(Formula.DOSES, ml, given(Term.PORTS, leg.channels().size())),
                    Sum.of(Formula.WASTE, ml + ink, given(Term.VOLUME, ml), given(Term.DRAW_ML, ink)),
                    Sum.of(
                            Formula.ALL_COST,
                            hands * rate() / MINUTES_PER_HOUR + fluidCost + partCost,
                            given(Term.HANDS_COST, hands * rate() / MINUTES_PER_HOUR),
                            given(Term.FLUID_COST, fluidCost),
                            given(Term.PARTS_COST, partCost)),
                    Sum.of(
                            Formula.CHANCE,
                            odds.mean(),
                            given(Term.CHANCE, odds.start()),
                            given(Term.STEPS, odds.cases())),
                    odds,
                    reached,
                    isChosen && leg.cause() == null);
        }

        private Site treatedAt(Leg leg) {
            if (leg.method().isBenchWork()) {
                return Site.ON_BENCH;
            }
            return leg.style() == null || leg.style().site() == null
                    ? Site.IN_CARRIAGE
                    : leg.style().site();
        }

        /** The check that judges it; after work with hands one cycle lets it settle, and a second check is the verdict. */
        private List<PlanStep> judgedBy(Leg leg) {
            Method method = leg.method();
            if (method == Method.ALIGN || method == Method.PARTS) {
                return List.of();
            }
            PlanStep check = Minutes.step(Doing.CHECK, List.of(), 0);
            boolean settles = method.settles() || method.between() == WorkBetweenChecks.OTHER;
            if (settles) {
                return List.of(check);
            }
            Doing settling = Ladder.inkAfter(method, visit.family(), basis.terms.house())
                    .map(m -> m == Method.CHARGE ? Doing.CHARGE : Doing.CYCLE)
                    .orElse(Doing.CYCLE);
            return List.of(check, Minutes.step(settling, leg.channels(), 3), check);
        }

        private double partCost(Leg leg) {
            boolean replaces = leg.style() != null && leg.style().act() == Part.Act.REPLACED;
            return replaces
                    ? Part.ofChannel(leg.method())
                                    .map(part -> basis.supplies.partPrices().getOrDefault(part, 0.0))
                                    .orElse(0.0)
                            * leg.channels().size()
                    : 0;
        }

        private double cycleInk(Leg leg, List<PlanStep> steps) {
            Treatment.Strength strength =
                    leg.method() == Method.CYCLE_STRONG ? Treatment.Strength.STRONG : Treatment.Strength.LIGHT;
            long cycles = steps.stream()
                    .filter(s -> s.doing() == Doing.CYCLE || s.doing() == Doing.CYCLE_STRONG)
                    .count();
            return cycles * basis.supplies.cycleInkMl().getOrDefault(strength, 0.0);
        }

        private List<Gate> gates(Leg leg, Treatment treatment, FluidKind kind, Supplies.Bottle bottle) {
            // The cycle that shows whether a drive group is dead is its own, beside the three (handbook 13, rule 6).
            int before = leg.cause() == Cause.ELECTRICAL
                    ? 0
                    : leg.channels().stream()
                            .mapToInt(code -> cycles.getOrDefault(code, 0))
                            .max()
                            .orElse(0);
            Gates.HeadState now = new Gates.HeadState(
                    outlook.food(),
                    treatedAt(leg) == Site.IN_CARRIAGE ? Site.IN_CARRIAGE : outlook.site(),
                    Set.of(),
                    before,
                    strong,
                    // What has to be looked at first is a step of the plan.
                    Set.of(),
                    bars,
                    outlook.open());
            Gates.Bottle fluid = bottle != null
                    ? bottle.atTheGate()
                    : kind == null ? null : new Gates.Bottle(kind, kind.forFood(), null);
            boolean deep = leg.method() == Method.TRAY_SOAK || leg.method() == Method.BATH;
            return Gates.of(
                    treatment,
                    new Gates.Situation(
                            visit.family(),
                            now,
                            treatedAt(leg),
                            deep ? Wet.BASE_ONLY : null,
                            fluid,
                            basis.supplies.today(),
                            true));
        }
    }
}
