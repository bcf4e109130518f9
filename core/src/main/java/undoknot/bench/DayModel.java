package undoknot.bench;

import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CumulativeConstraint;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import com.google.ortools.util.Domain;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import undoknot.bench.Day.Placed;

/** The day as the solver sees it: when each stint begins, and by which crew. Who of a crew does it is dealt out afterwards. */
final class DayModel {

    /** Time looked at beyond what the quick rules need, minutes. */
    private static final int BEYOND = 24 * 60;

    private final CpModel model = new CpModel();
    private final Bench bench;
    private final int horizon;
    private final List<Crew> crews;
    private final Map<String, IntVar> starts = new LinkedHashMap<>();
    private final Map<String, List<Literal>> by = new HashMap<>();
    private final List<CumulativeConstraint> hands = new ArrayList<>();
    private final Map<Integer, Integer> begunUntil = new HashMap<>();

    DayModel(Bench bench, Day day) {
        this.bench = bench;
        this.horizon =
                BEYOND + bench.heads().stream().mapToInt(day::ready).max().orElse(0);
        this.crews = Crew.of(bench);
        crews.forEach(crew -> hands.add(model.addCumulative(crew.people().size())));
        bench.heads().forEach(this::head);
        for (Place place : Place.values()) {
            place(place);
        }
    }

    CpModel built() {
        return model;
    }

    private void head(HeadJob head) {
        IntVar before = null;
        Stint last = null;
        for (Stint stint : head.stints()) {
            IntVar start = stint(head, stint);
            if (!isBegun(head, stint)) {
                if (before == null) {
                    model.addLinearConstraint(start, head.from(), Math.min(head.until(), horizon));
                } else {
                    int least = last.hands() + last.least();
                    int most = last.isBounded() ? last.hands() + last.most() : 2 * horizon + last.hands();
                    LinearExpr gap = LinearExpr.newBuilder()
                            .add(start)
                            .addTerm(before, -1)
                            .build();
                    model.addLinearConstraint(gap, least, most);
                }
            }
            before = start;
            last = stint;
        }
    }

    private boolean isBegun(HeadJob head, Stint stint) {
        Fixed fixed = bench.fixed(head, stint);
        return fixed != null && fixed.begun();
    }

    private IntVar stint(HeadJob head, Stint stint) {
        String key = Bench.key(head, stint);
        Fixed fixed = bench.fixed(head, stint);
        List<Literal> who = new ArrayList<>();
        by.put(key, who);
        if (fixed != null) {
            IntVar start = model.newConstant(fixed.start());
            starts.put(key, start);
            fixed(fixed, stint);
            return start;
        }
        Domain anybody = crews.stream()
                .map(crew -> within(crew, stint.hands()))
                .reduce(Domain::unionWith)
                .orElseThrow();
        IntVar start = model.newIntVarFromDomain(anybody, key);
        starts.put(key, start);
        if (crews.size() == 1) {
            hands.get(0).addDemand(model.newFixedSizeIntervalVar(start, stint.hands(), key), 1);
            return start;
        }
        for (int c = 0; c < crews.size(); c++) {
            String name = key + " by " + c;
            Literal does = model.newBoolVar(name);
            who.add(does);
            hands.get(c).addDemand(model.newOptionalFixedSizeIntervalVar(start, stint.hands(), does, name), 1);
            model.addLinearExpressionInDomain(start, within(crews.get(c), stint.hands()))
                    .onlyEnforceIf(does);
        }
        model.addExactlyOne(who);
        return start;
    }

    /** Whoever has several heads in hand now has them: together they keep the hands of one. */
    private void fixed(Fixed fixed, Stint stint) {
        int crew = Crew.withAlone(crews, fixed.person());
        int from = fixed.start();
        int until = fixed.start() + stint.hands();
        if (fixed.begun()) {
            from = Math.max(from, begunUntil.getOrDefault(fixed.person(), 0));
            begunUntil.merge(fixed.person(), until, Math::max);
        }
        if (until > from) {
            hands.get(crew).addDemand(model.newFixedInterval(from, until - from, "fixed"), 1);
        }
    }

    private Domain within(Crew crew, int minutes) {
        long[][] from = crew.atWork().stream()
                .filter(w -> w.minutes() >= minutes && w.until() > 0 && w.from() <= horizon)
                .map(w -> new long[] {Math.max(0, w.from()), w.until() - minutes})
                .filter(w -> w[0] <= w[1])
                .toArray(long[][]::new);
        return Domain.fromIntervals(from);
    }

    private void place(Place place) {
        List<IntervalVar> taken = new ArrayList<>();
        int standing = 0;
        for (HeadJob head : bench.heads()) {
            List<Stint> stints = head.stints();
            for (int i = 0; i < stints.size(); i++) {
                Stint stint = stints.get(i);
                String key = Bench.key(head, stint);
                boolean begun = isBegun(head, stint);
                IntVar start = starts.get(key);
                if (i == 0 && !begun && head.runsIn().contains(place)) {
                    taken.add(stretch(model.newConstant(0), start, "runs " + key));
                    standing++;
                }
                if (stint.places().contains(place)) {
                    standing += begun ? 1 : 0;
                    boolean keeps = stint.kept() && i + 1 < stints.size();
                    taken.add(
                            keeps
                                    ? stretch(start, starts.get(Bench.key(head, stints.get(i + 1))), key)
                                    : model.newFixedSizeIntervalVar(start, stint.hands(), key));
                }
            }
        }
        if (!taken.isEmpty()) {
            CumulativeConstraint room =
                    model.addCumulative(Math.max(bench.have().get(place), standing));
            taken.forEach(one -> room.addDemand(one, 1));
        }
    }

    private IntervalVar stretch(IntVar from, IntVar until, String name) {
        IntVar size = model.newIntVar(0, 2L * horizon, name + " takes");
        return model.newIntervalVar(from, size, until, name);
    }

    /** When a head is ready. */
    private LinearExpr ready(HeadJob head) {
        if (head.stints().isEmpty()) {
            return LinearExpr.constant(head.from());
        }
        Stint last = head.stints().get(head.stints().size() - 1);
        return LinearExpr.newBuilder()
                .add(starts.get(Bench.key(head, last)))
                .add(last.hands() + last.least())
                .build();
    }

    /** Minutes that all heads together are late. */
    LinearExpr late() {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        for (HeadJob head : bench.heads()) {
            if (head.due() != null) {
                IntVar late = model.newIntVar(0, 2L * horizon, "late " + head.id());
                model.addGreaterOrEqual(
                        late,
                        LinearExpr.newBuilder()
                                .add(ready(head))
                                .add(-head.due())
                                .build());
                sum.add(late);
            }
        }
        return sum.build();
    }

    void noLaterThan(long minutes) {
        model.addLessOrEqual(late(), minutes);
    }

    /** Minutes at which heads are ready, of all together. */
    LinearExpr ready() {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        bench.heads().forEach(head -> sum.add(ready(head)));
        return sum.build();
    }

    /** Minutes that stints are moved by, of all together. */
    LinearExpr moved(Day before) {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        starts.forEach((key, start) -> {
            Placed was = before.placed().get(key);
            if (was != null) {
                IntVar moved = model.newIntVar(0, 4L * horizon, "moved " + key);
                model.addAbsEquality(
                        moved,
                        LinearExpr.newBuilder().add(start).add(-was.start()).build());
                sum.add(moved);
            }
        });
        return sum.build();
    }

    void minimize(LinearExpr aim, Day hint) {
        model.minimize(aim);
        starts.forEach((key, start) -> {
            Placed at = hint.placed().get(key);
            model.addHint(start, at.start());
            List<Literal> who = by.get(key);
            for (int c = 0; c < who.size(); c++) {
                model.addHint(who.get(c), crews.get(c).people().contains(at.person()));
            }
        });
    }

    /** What the solver found, dealt out to the people of each crew. */
    Day day(CpSolver solver) {
        Map<String, Crew.Turn> turns = new HashMap<>();
        Map<String, Placed> placed = new HashMap<>();
        for (HeadJob head : bench.heads()) {
            for (Stint stint : head.stints()) {
                String key = Bench.key(head, stint);
                Fixed fixed = bench.fixed(head, stint);
                int start = (int) solver.value(starts.get(key));
                if (fixed == null) {
                    turns.put(key, new Crew.Turn(crew(solver, by.get(key)), start, start + stint.hands()));
                } else {
                    placed.put(key, new Placed(fixed.person(), start));
                }
            }
        }
        Crew.dealOut(crews, turns, placed);
        return new Day(placed);
    }

    private static int crew(CpSolver solver, List<Literal> who) {
        for (int c = 0; c < who.size(); c++) {
            if (Boolean.TRUE.equals(solver.booleanValue(who.get(c)))) {
                return c;
            }
        }
        return 0;
    }
}
